-- How a dog is built, when it last was in season or had a litter, and the air of the day it was checked.
ALTER TABLE dog ADD COLUMN shape TEXT NOT NULL DEFAULT 'spitz';
ALTER TABLE dog ADD COLUMN last_season_day INTEGER;
ALTER TABLE coat_check ADD COLUMN temperature_c REAL;
ALTER TABLE coat_check ADD COLUMN humidity_pct REAL CHECK (humidity_pct BETWEEN 0 AND 100);
