-- Starts that are held for a dog until a moment: its owner takes one of them on the page, or asks to be rung.
CREATE TABLE offer (
  id TEXT PRIMARY KEY,
  dog_id TEXT NOT NULL REFERENCES dog (id),
  minutes INTEGER NOT NULL CHECK (minutes BETWEEN 10 AND 600),
  ends_at TEXT NOT NULL,
  answer TEXT CHECK (answer IN ('taken', 'ring', 'let-go')),
  answered_at TEXT
) STRICT;
CREATE INDEX offer_by_dog ON offer (dog_id);
CREATE TABLE offer_start (
  offer_id TEXT NOT NULL REFERENCES offer (id) ON DELETE CASCADE,
  starts_at TEXT NOT NULL,
  PRIMARY KEY (offer_id, starts_at)
) STRICT;
