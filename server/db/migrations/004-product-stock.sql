-- What was done with each product: bottles bought, mixes made, counts on the shelf. Stock is computed from it.
CREATE TABLE product_move (
  id TEXT PRIMARY KEY,
  product TEXT NOT NULL CHECK (length(product) BETWEEN 1 AND 60),
  day INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('bought', 'mixed', 'counted')),
  ml REAL NOT NULL CHECK (ml >= 0)
) STRICT;
CREATE INDEX product_move_day ON product_move (day);
