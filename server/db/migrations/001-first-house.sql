-- Facts only: what was seen, done and agreed. Conclusions are computed.
-- Days are plain days since 1970-01-01, instants are UTC milliseconds or ISO text with Z.

CREATE TABLE salon (
  id            INTEGER PRIMARY KEY CHECK (id = 1),
  name          TEXT NOT NULL,
  town          TEXT NOT NULL,
  latitude_deg  REAL NOT NULL CHECK (latitude_deg BETWEEN -90 AND 90),
  longitude_deg REAL NOT NULL CHECK (longitude_deg BETWEEN -180 AND 180),
  time_zone     TEXT NOT NULL,
  house         TEXT NOT NULL CHECK (json_valid(house)),
  version       INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE tool (
  id         TEXT PRIMARY KEY,
  kind       TEXT NOT NULL,
  name       TEXT NOT NULL,
  pin_mm     REAL,
  spacing_mm REAL
) STRICT;

CREATE TABLE dog (
  id               TEXT PRIMARY KEY,
  name             TEXT NOT NULL,
  breed            TEXT NOT NULL,
  sex              TEXT NOT NULL,
  born_day         INTEGER,
  coat_class       TEXT NOT NULL,
  weight_kg        REAL NOT NULL CHECK (weight_kg > 0),
  traits           TEXT NOT NULL CHECK (json_valid(traits)),
  outdoor_share    REAL NOT NULL CHECK (outdoor_share BETWEEN 0 AND 1),
  standing_minutes INTEGER,
  home_care        TEXT NOT NULL,
  note             TEXT NOT NULL,
  owner_name       TEXT NOT NULL,
  owner_phone      TEXT NOT NULL,
  version          INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE coat_check (
  id         TEXT PRIMARY KEY,
  dog_id     TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day        INTEGER NOT NULL,
  weight_kg  REAL NOT NULL CHECK (weight_kg > 0),
  guard_mm   TEXT NOT NULL CHECK (json_valid(guard_mm)),
  inspection TEXT NOT NULL CHECK (json_valid(inspection)),
  note       TEXT NOT NULL,
  version    INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX coat_check_by_dog ON coat_check (dog_id, day DESC);

CREATE TABLE check_zone (
  check_id TEXT NOT NULL REFERENCES coat_check (id) ON DELETE CASCADE,
  zone     TEXT NOT NULL,
  finger   INTEGER,
  tug      INTEGER,
  comb     TEXT,
  tie      TEXT,
  skin     TEXT,
  PRIMARY KEY (check_id, zone)
) STRICT, WITHOUT ROWID;

CREATE TABLE session (
  id       TEXT PRIMARY KEY,
  dog_id   TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  check_id TEXT NOT NULL REFERENCES coat_check (id),
  day      INTEGER NOT NULL,
  method   TEXT NOT NULL,
  snapshot TEXT NOT NULL CHECK (json_valid(snapshot))
) STRICT;
CREATE INDEX session_by_dog ON session (dog_id, day DESC);
CREATE INDEX session_by_check ON session (check_id);
CREATE INDEX session_by_day ON session (day DESC);

CREATE TABLE session_event (
  id         TEXT PRIMARY KEY,
  session_id TEXT NOT NULL REFERENCES session (id) ON DELETE CASCADE,
  at_ms      INTEGER NOT NULL,
  kind       TEXT NOT NULL,
  act        TEXT NOT NULL CHECK (json_valid(act))
) STRICT;
CREATE INDEX session_event_in_order ON session_event (session_id, at_ms, id);
-- The log is append-only; a session goes only with its dog.
CREATE TRIGGER session_event_is_kept BEFORE UPDATE ON session_event
BEGIN SELECT RAISE(ABORT, 'session events are append-only'); END;

CREATE TABLE booking (
  id        TEXT PRIMARY KEY,
  dog_id    TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  starts_at TEXT NOT NULL,
  minutes   INTEGER NOT NULL CHECK (minutes > 0),
  note      TEXT NOT NULL,
  cancelled INTEGER NOT NULL DEFAULT 0 CHECK (cancelled IN (0, 1)),
  version   INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX booking_by_start ON booking (starts_at);
CREATE INDEX booking_by_dog ON booking (dog_id, starts_at);
