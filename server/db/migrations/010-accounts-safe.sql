-- Who works here and how they sign in; who changed what; what is done beside the requests; clients brought in.
CREATE TABLE account (
  id         TEXT PRIMARY KEY,
  login      TEXT NOT NULL UNIQUE COLLATE NOCASE,
  name       TEXT NOT NULL,
  role       TEXT NOT NULL CHECK (role IN ('owner', 'groomer', 'bather', 'desk')),
  person_id  TEXT REFERENCES person (id) ON DELETE SET NULL,
  -- NULL: none may sign in with it until one is set on the machine.
  passphrase TEXT,
  pin        TEXT,
  created_ms INTEGER NOT NULL,
  ended_ms   INTEGER,
  version    INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX account_by_person ON account (person_id);

-- Devices that are signed in. Tokens are kept as hashes; the one before a rotation serves requests that were under way.
CREATE TABLE sign_in (
  id              TEXT PRIMARY KEY,
  token_hash      TEXT NOT NULL UNIQUE,
  before_hash     TEXT UNIQUE,
  before_until_ms INTEGER,
  account_id      TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  shared          INTEGER NOT NULL CHECK (shared IN (0, 1)),
  locked          INTEGER NOT NULL DEFAULT 0 CHECK (locked IN (0, 1)),
  device          TEXT NOT NULL,
  address         TEXT NOT NULL,
  created_ms      INTEGER NOT NULL,
  seen_ms         INTEGER NOT NULL,
  hand_ms         INTEGER NOT NULL,
  rotated_ms      INTEGER NOT NULL,
  ended_ms        INTEGER
) STRICT;
CREATE INDEX sign_in_by_account ON sign_in (account_id);

CREATE TABLE known_device (
  hash       TEXT NOT NULL,
  account_id TEXT NOT NULL REFERENCES account (id) ON DELETE CASCADE,
  seen_ms    INTEGER NOT NULL,
  PRIMARY KEY (hash, account_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX known_device_by_account ON known_device (account_id);

CREATE TABLE sign_in_failure (
  counted  TEXT PRIMARY KEY,
  failures INTEGER NOT NULL,
  last_ms  INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

-- The trail: rows made, changed, removed. fields: {column: [before, after]}.
CREATE TABLE change (
  id         INTEGER PRIMARY KEY,
  at_ms      INTEGER NOT NULL,
  account_id TEXT,
  who        TEXT NOT NULL,
  tbl        TEXT NOT NULL,
  row_key    TEXT NOT NULL,
  -- The dog it is about, and what people called the row.
  dog_id     TEXT,
  about      TEXT,
  act        TEXT NOT NULL CHECK (act IN ('made', 'changed', 'removed')),
  fields     TEXT NOT NULL CHECK (json_valid(fields))
) STRICT;
CREATE INDEX change_by_row ON change (row_key, id);
CREATE INDEX change_by_dog ON change (dog_id, id) WHERE dog_id IS NOT NULL;

-- Who sent an event: the log says who worked, this says who was signed in.
ALTER TABLE session_event ADD COLUMN account_id TEXT;

CREATE TABLE job (
  id       TEXT PRIMARY KEY,
  kind     TEXT NOT NULL CHECK (kind IN ('export', 'backup')),
  state    TEXT NOT NULL CHECK (state IN ('waiting', 'running', 'done', 'failed')),
  made_ms  INTEGER NOT NULL,
  ended_ms INTEGER,
  file     TEXT,
  problem  TEXT
) STRICT;

-- Visits from before this file was kept.
CREATE TABLE past_visit (
  id      TEXT PRIMARY KEY,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day     INTEGER NOT NULL,
  minutes REAL CHECK (minutes >= 0),
  grams   REAL CHECK (grams >= 0),
  note    TEXT NOT NULL
) STRICT;
CREATE INDEX past_visit_by_dog ON past_visit (dog_id, day DESC);

CREATE TABLE intake (
  id        TEXT PRIMARY KEY,
  at_ms     INTEGER NOT NULL,
  who       TEXT NOT NULL,
  dogs      TEXT NOT NULL CHECK (json_valid(dogs)),
  visits    TEXT NOT NULL CHECK (json_valid(visits)),
  undone_ms INTEGER
) STRICT;

-- A dog whose owner was forgotten: it stays in the books, and nowhere else.
ALTER TABLE dog ADD COLUMN gone_ms INTEGER;
