-- The kit with its measures, cost and upkeep; owners' brushes; photos of a check; the house's side in every open quarrel.
ALTER TABLE tool ADD COLUMN measures TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(measures));
ALTER TABLE tool ADD COLUMN cost_cents INTEGER CHECK (cost_cents >= 0);
ALTER TABLE tool ADD COLUMN since_day INTEGER;
ALTER TABLE tool ADD COLUMN retired INTEGER NOT NULL DEFAULT 0 CHECK (retired IN (0, 1));
ALTER TABLE tool ADD COLUMN home_of TEXT REFERENCES dog (id) ON DELETE CASCADE;
ALTER TABLE tool ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
CREATE INDEX tool_by_home ON tool (home_of);

CREATE TABLE upkeep (
  id      TEXT PRIMARY KEY,
  tool_id TEXT NOT NULL REFERENCES tool (id) ON DELETE CASCADE,
  act     TEXT NOT NULL,
  day     INTEGER NOT NULL
) STRICT;
CREATE INDEX upkeep_by_tool ON upkeep (tool_id, day);

CREATE TABLE photo (
  id       TEXT PRIMARY KEY,
  check_id TEXT NOT NULL REFERENCES coat_check (id) ON DELETE CASCADE,
  zone     TEXT,
  width    INTEGER NOT NULL CHECK (width > 0),
  height   INTEGER NOT NULL CHECK (height > 0),
  jpeg     BLOB NOT NULL
) STRICT;
CREATE INDEX photo_by_check ON photo (check_id);

UPDATE salon SET house = json_patch(
  '{"slickerOrder":"rake-first","slickerDepth":"to-skin","stroke":"both","spray":"water-only","wetBrushing":"with-soap","bath":"each-visit","rhythm":"by-coat"}',
  house);
