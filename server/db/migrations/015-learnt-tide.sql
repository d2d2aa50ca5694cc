-- What was learnt of the salon's coats last: computed from everything else, kept so that a restart knows it at once. In parts, so
-- that nobody waits while it is written; only parts of one stamp belong together.
CREATE TABLE learnt_tide (
  -- 0 is what holds for all dogs, the others are some dogs each; gzipped JSON.
  part    INTEGER PRIMARY KEY,
  stamp   INTEGER NOT NULL,
  answer  BLOB NOT NULL
) STRICT;
