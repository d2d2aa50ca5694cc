-- A year that somebody wondered about, under its name: only what would be otherwise; what it comes to is computed.
CREATE TABLE kept_year (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  change TEXT NOT NULL CHECK (json_valid(change))
) STRICT;
