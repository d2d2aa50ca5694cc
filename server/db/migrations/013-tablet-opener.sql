-- Who opened a shared tablet with a passphrase: PINs tried at it count for them, whoever it was handed to since.
ALTER TABLE sign_in ADD COLUMN opened_by TEXT REFERENCES account (id) ON DELETE CASCADE;
UPDATE sign_in SET opened_by = account_id;
-- Tries are counted in memory now, by a clock that cannot be set.
DROP TABLE sign_in_failure;
