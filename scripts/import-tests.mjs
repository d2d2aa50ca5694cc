/* Imports the test files of a run, those in TEST_FILES; as they were built into BUILT_TESTS, or, for one file while it is
   written, through tsx:  TEST_FILES=tests/core/day.test.ts npx mocha --import=tsx scripts/import-tests.mjs */
import { delimiter, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';

// A property that names no seed of its own has this one: every run draws the same cases, and a failure comes again.
fc.configureGlobal({ seed: 20_310_409 });

const { TEST_FILES, BUILT_TESTS } = process.env;
if (!TEST_FILES) throw new Error('TEST_FILES names no tests.');
for (const name of TEST_FILES.split(delimiter))
  await import(pathToFileURL(BUILT_TESTS ? join(BUILT_TESTS, name.replace(/\.ts$/, '.js')) : name).href);
