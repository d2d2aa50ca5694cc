-- What a home saw of a coat: a bout with what came out, or the word that it has started.
CREATE TABLE home_note (
  id     TEXT PRIMARY KEY,
  dog_id TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day    INTEGER NOT NULL,
  what   TEXT NOT NULL CHECK (what IN ('brushed', 'started')),
  amount TEXT,
  grams  REAL CHECK (grams >= 0),
  author TEXT NOT NULL
) STRICT;
CREATE INDEX home_note_by_dog ON home_note (dog_id, day);

-- Events of a life that move the coat.
CREATE TABLE life_event (
  id            TEXT PRIMARY KEY,
  dog_id        TEXT NOT NULL REFERENCES dog (id) ON DELETE CASCADE,
  day           INTEGER NOT NULL,
  kind          TEXT NOT NULL,
  outdoor_share REAL CHECK (outdoor_share BETWEEN 0 AND 1)
) STRICT;
CREATE INDEX life_event_by_dog ON life_event (dog_id, day);

-- Mean temperature of a day, by the salon's own reading or a station's.
CREATE TABLE weather_reading (
  day     INTEGER PRIMARY KEY,
  celsius REAL NOT NULL,
  station INTEGER NOT NULL CHECK (station IN (0, 1))
) STRICT;

