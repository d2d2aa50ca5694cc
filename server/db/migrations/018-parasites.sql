-- Parasites are the whole dog's matter, however many zones they were found in: one finding, no longer a heavy one apart.
UPDATE vet_word SET findings = replace(findings, '"heavy-parasites"', '"parasites"') WHERE findings LIKE '%heavy-parasites%';
