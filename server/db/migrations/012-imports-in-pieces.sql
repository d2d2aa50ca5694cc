-- An import of clients is written in several transactions: until the last it is unfinished, and is taken back if it is cut off.
ALTER TABLE intake ADD COLUMN finished INTEGER NOT NULL DEFAULT 1 CHECK (finished IN (0, 1));
