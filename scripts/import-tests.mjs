/* The test files of the folder in TESTS, each imported. Mocha itself would require() them, and tsx would make CommonJS
   of all they touch, with a getter behind every import: a fifth slower. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

const folder = process.env.TESTS;
if (!folder) throw new Error('TESTS names no folder of tests.');
const files = readdirSync(folder, { recursive: true }).filter((name) => name.endsWith('.test.ts'));
for (const name of files.sort()) await import(pathToFileURL(join(folder, name)).href);
