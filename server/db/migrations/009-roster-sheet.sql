-- Who works when, what is closed, who must not meet, what owners wish, and what happened on the day's sheet.
CREATE TABLE person (
  id           TEXT PRIMARY KEY,
  name         TEXT NOT NULL,
  weekdays     TEXT NOT NULL CHECK (json_valid(weekdays)),
  from_minute  INTEGER NOT NULL CHECK (from_minute BETWEEN 0 AND 1439),
  to_minute    INTEGER NOT NULL CHECK (to_minute BETWEEN 1 AND 1440),
  pause        TEXT NOT NULL CHECK (json_valid(pause)),
  can          TEXT NOT NULL CHECK (json_valid(can)),
  most_heavy   INTEGER NOT NULL CHECK (most_heavy >= 0),
  protect_db   REAL NOT NULL CHECK (protect_db >= 0),
  version      INTEGER NOT NULL DEFAULT 1
) STRICT;

-- Nobody in particular: the whole salon is closed. A uid says which calendar's event it came with.
CREATE TABLE absence (
  id        TEXT PRIMARY KEY,
  person_id TEXT REFERENCES person (id) ON DELETE CASCADE,
  from_day  INTEGER NOT NULL,
  to_day    INTEGER NOT NULL CHECK (to_day >= from_day),
  reason    TEXT NOT NULL,
  uid       TEXT UNIQUE
) STRICT;
CREATE INDEX absence_by_person ON absence (person_id);

CREATE TABLE dog_apart (
  dog_a TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  dog_b TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  PRIMARY KEY (dog_a, dog_b),
  CHECK (dog_a < dog_b)
) STRICT, WITHOUT ROWID;
CREATE INDEX dog_apart_other ON dog_apart (dog_b);

CREATE TABLE visit_wish (
  dog_id  TEXT PRIMARY KEY REFERENCES dog (id) ON DELETE CASCADE,
  wish    TEXT NOT NULL CHECK (json_valid(wish)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

ALTER TABLE booking ADD COLUMN agreed INTEGER NOT NULL DEFAULT 1 CHECK (agreed IN (0, 1));
ALTER TABLE booking ADD COLUMN uid TEXT;
CREATE UNIQUE INDEX booking_by_uid ON booking (uid) WHERE uid IS NOT NULL;

CREATE TABLE sheet_pin (
  booking_id TEXT NOT NULL REFERENCES booking (id) ON DELETE CASCADE,
  stage      INTEGER NOT NULL CHECK (stage >= 0),
  person_id  TEXT REFERENCES person (id) ON DELETE CASCADE,
  not_before INTEGER CHECK (not_before BETWEEN 0 AND 1440),
  PRIMARY KEY (booking_id, stage)
) STRICT, WITHOUT ROWID;
CREATE INDEX sheet_pin_by_person ON sheet_pin (person_id);

-- What was begun: with the end it had, or is expected to have.
CREATE TABLE sheet_mark (
  booking_id TEXT NOT NULL REFERENCES booking (id) ON DELETE CASCADE,
  stage      INTEGER NOT NULL CHECK (stage >= 0),
  person_id  TEXT REFERENCES person (id) ON DELETE SET NULL,
  place      TEXT,
  started    INTEGER NOT NULL CHECK (started BETWEEN 0 AND 1440),
  ends       INTEGER NOT NULL CHECK (ends >= started),
  done       INTEGER NOT NULL CHECK (done IN (0, 1)),
  PRIMARY KEY (booking_id, stage)
) STRICT, WITHOUT ROWID;
CREATE INDEX sheet_mark_by_person ON sheet_mark (person_id);

CREATE TABLE owner_call (
  id      TEXT PRIMARY KEY,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day     INTEGER NOT NULL,
  outcome TEXT NOT NULL CHECK (outcome IN ('agreed', 'no-answer', 'later', 'declined')),
  offered TEXT NOT NULL CHECK (json_valid(offered))
) STRICT;
CREATE INDEX owner_call_by_dog ON owner_call (dog_id, day DESC);

CREATE INDEX post_about_by_dog ON post_about (dog_id);
