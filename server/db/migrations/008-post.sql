-- Reminders: how an owner wants them, and what went to the outbox. One message a day to an owner: the table sees to it.
CREATE TABLE owner_post (
  owner_name   TEXT NOT NULL,
  owner_phone  TEXT NOT NULL,
  channel      TEXT NOT NULL CHECK (channel IN ('off', 'mail', 'text')),
  email        TEXT NOT NULL,
  quiet_from   INTEGER NOT NULL CHECK (quiet_from BETWEEN 0 AND 1439),
  quiet_to     INTEGER NOT NULL CHECK (quiet_to BETWEEN 0 AND 1439),
  version      INTEGER NOT NULL DEFAULT 1,
  PRIMARY KEY (owner_name, owner_phone)
) STRICT, WITHOUT ROWID;

CREATE TABLE post (
  id          TEXT PRIMARY KEY,
  owner_name  TEXT NOT NULL,
  owner_phone TEXT NOT NULL,
  day         INTEGER NOT NULL,
  at_ms       INTEGER NOT NULL,
  channel     TEXT NOT NULL,
  address     TEXT NOT NULL,
  subject     TEXT NOT NULL,
  body        TEXT NOT NULL,
  eml         TEXT,
  UNIQUE (owner_name, owner_phone, day)
) STRICT;
CREATE INDEX post_by_time ON post (at_ms);

CREATE TABLE post_about (
  post_id TEXT NOT NULL REFERENCES post (id) ON DELETE CASCADE,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  kind    TEXT NOT NULL,
  about   TEXT NOT NULL,
  PRIMARY KEY (post_id, dog_id, kind, about)
) STRICT, WITHOUT ROWID;

CREATE INDEX dog_by_owner ON dog (owner_name, owner_phone);
