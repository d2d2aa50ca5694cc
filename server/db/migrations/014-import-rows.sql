-- What came in with an import is a row each, written with it: as one long list it was read and written whole, which took long.
CREATE TABLE intake_dog (
  dog_id    TEXT PRIMARY KEY,
  intake_id TEXT NOT NULL REFERENCES intake (id) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE INDEX intake_dog_by_intake ON intake_dog (intake_id);
CREATE TABLE intake_visit (
  visit_id  TEXT PRIMARY KEY,
  intake_id TEXT NOT NULL REFERENCES intake (id) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE INDEX intake_visit_by_intake ON intake_visit (intake_id);

INSERT OR IGNORE INTO intake_dog (dog_id, intake_id) SELECT d.value, i.id FROM intake i, json_each(i.dogs) d;
INSERT OR IGNORE INTO intake_visit (visit_id, intake_id) SELECT v.value, i.id FROM intake i, json_each(i.visits) v;
ALTER TABLE intake DROP COLUMN dogs;
ALTER TABLE intake DROP COLUMN visits;
