/* Imports the test files of a run: those in TEST_FILES, or the folder in TESTS; as they were built into BUILT_TESTS, or, for one
   file while it is written, through tsx:  TEST_FILES=tests/core/day.test.ts npx mocha --import=tsx scripts/import-tests.mjs */
import { readdirSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';

// A property that names no seed of its own has this one: every run draws the same cases, and a failure comes again.
fc.configureGlobal({ seed: 20_310_409 });

const { TEST_FILES, TESTS, BUILT_TESTS } = process.env;
if (!TEST_FILES && !TESTS) throw new Error('Neither TEST_FILES nor TESTS names any tests.');
const files = TEST_FILES
  ? TEST_FILES.split(delimiter)
  : readdirSync(TESTS, { recursive: true })
      .filter((name) => name.endsWith('.test.ts'))
      .sort()
      .map((name) => join(TESTS, name));
for (const name of files)
  await import(pathToFileURL(BUILT_TESTS ? join(BUILT_TESTS, name.replace(/\.ts$/, '.js')) : name).href);
