-- The owner's share: what a home is like, what was brushed and cared for, what was found, and the links it opens with.
CREATE TABLE home_setup (
  dog_id  TEXT PRIMARY KEY REFERENCES dog (id) ON DELETE CASCADE,
  setup   TEXT NOT NULL CHECK (json_valid(setup)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT, WITHOUT ROWID;

CREATE TABLE home_bout (
  id      TEXT PRIMARY KEY,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day     INTEGER NOT NULL,
  parts   TEXT NOT NULL CHECK (json_valid(parts)),
  minutes REAL NOT NULL CHECK (minutes >= 0),
  amount  TEXT,
  author  TEXT NOT NULL
) STRICT;
CREATE INDEX home_bout_by_dog ON home_bout (dog_id, day);

CREATE TABLE home_care (
  id     TEXT PRIMARY KEY,
  dog_id TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day    INTEGER NOT NULL,
  kind   TEXT NOT NULL,
  author TEXT NOT NULL
) STRICT;
CREATE INDEX home_care_by_dog ON home_care (dog_id, kind, day);

CREATE TABLE home_report (
  id        TEXT PRIMARY KEY,
  dog_id    TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day       INTEGER NOT NULL,
  kind      TEXT NOT NULL,
  part      TEXT,
  note      TEXT NOT NULL,
  author    TEXT NOT NULL,
  jpeg      BLOB,
  closed_ms INTEGER
) STRICT;
CREATE INDEX home_report_by_dog ON home_report (dog_id, day);
CREATE INDEX home_report_open ON home_report (day) WHERE closed_ms IS NULL;

-- Links are kept as hashes: whoever reads this file cannot open one.
CREATE TABLE home_link (
  id         TEXT PRIMARY KEY,
  token_hash TEXT NOT NULL UNIQUE,
  feed_hash  TEXT NOT NULL UNIQUE,
  created_ms INTEGER NOT NULL,
  ended_ms   INTEGER
) STRICT;
CREATE TABLE home_link_dog (
  link_id TEXT NOT NULL REFERENCES home_link (id) ON DELETE CASCADE,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  PRIMARY KEY (link_id, dog_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX home_link_by_dog ON home_link_dog (dog_id);
