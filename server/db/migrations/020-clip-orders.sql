-- The exception to never clipping a double coat: a vet's order or a surgery, with who gave it and when, and which zones.
ALTER TABLE dog ADD COLUMN clip_orders TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(clip_orders));
