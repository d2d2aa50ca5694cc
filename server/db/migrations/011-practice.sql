-- Practice: what people did to made-up coats, as acts, and what they answered. Nothing here is about a real dog's visit.
CREATE TABLE practice_bout (
  id         TEXT PRIMARY KEY,
  account_id TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  case_id    TEXT NOT NULL,
  acts       TEXT NOT NULL CHECK (json_valid(acts)),
  -- What the person was told it was worth.
  share      REAL NOT NULL,
  made_ms    INTEGER NOT NULL
) STRICT;
CREATE INDEX practice_bout_by_account ON practice_bout (account_id, made_ms);

CREATE TABLE drill_answer (
  id         TEXT PRIMARY KEY,
  account_id TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  card       TEXT NOT NULL,
  seed       INTEGER NOT NULL,
  answer     TEXT NOT NULL,
  -- By the tables as they stood when it was asked.
  right      INTEGER NOT NULL CHECK (right IN (0, 1)),
  day        INTEGER NOT NULL
) STRICT;
CREATE INDEX drill_answer_by_account ON drill_answer (account_id);

-- What homes did, by day, for the tally.
CREATE INDEX home_bout_by_day ON home_bout (day);
