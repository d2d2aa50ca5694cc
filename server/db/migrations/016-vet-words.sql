-- What a vet has said of a place that waited for one: the fact that ends a hold, or leaves the place alone. What stops work is
-- found in checks, sessions and reports from home; holds are computed from all of it.
CREATE TABLE vet_word (
  id      TEXT PRIMARY KEY,
  dog_id  TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day     INTEGER NOT NULL,
  who     TEXT NOT NULL,
  -- JSON: zones, or "dog" for all of it.
  places  TEXT NOT NULL CHECK (json_valid(places)),
  -- JSON: what had been found there.
  findings TEXT NOT NULL CHECK (json_valid(findings)),
  allows  TEXT NOT NULL CHECK (allows IN ('as-usual', 'not-there')),
  note    TEXT NOT NULL
) STRICT;
CREATE INDEX vet_word_by_dog ON vet_word (dog_id, day);
-- Until now a report from home was closed when somebody at the salon had looked and answered: that was such a word.
INSERT INTO vet_word (id, dog_id, day, who, places, findings, allows, note)
SELECT 'answered-' || id, dog_id, max(day, closed_ms / 86400000), 'The salon', '["dog"]', '["lump","red-skin"]', 'as-usual', ''
FROM home_report WHERE closed_ms IS NOT NULL AND kind IN ('lump', 'red-skin');
