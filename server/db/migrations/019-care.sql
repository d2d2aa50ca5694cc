-- What else is done to a dog on a visit, as somebody chose last: nails, ears and what more a groom is besides the coat.
ALTER TABLE dog ADD COLUMN care TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(care));
