/* Imports the test files of a run: those in TEST_FILES, or the folder in TESTS. Mocha itself would require() them, and tsx
   would make CommonJS of all they touch, with a getter behind every import: a fifth slower. */
import { readdirSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';

// A property that names no seed of its own has this one: every run draws the same cases, and a failure comes again.
fc.configureGlobal({ seed: 20_310_409 });

const { TEST_FILES, TESTS } = process.env;
if (!TEST_FILES && !TESTS) throw new Error('Neither TEST_FILES nor TESTS names any tests.');
const files = TEST_FILES
  ? TEST_FILES.split(delimiter)
  : readdirSync(TESTS, { recursive: true })
      .filter((name) => name.endsWith('.test.ts'))
      .sort()
      .map((name) => join(TESTS, name));
for (const name of files) await import(pathToFileURL(name).href);
