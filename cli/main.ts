/** The same core, headless: `wt plan CASE.json` prints a plan as JSON. Exit 2 and a sentence on bad input. */
import { readFileSync } from 'node:fs';
import { planVisit } from '../core/bench/index.ts';
import { readCase } from '../contract/case.ts';

const USAGE = 'Usage: wt plan CASE.json   (the format is in docs/formats.md)';

function refuse(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(2);
}

function readJson(path: string): unknown {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    return refuse(`Cannot read "${path}": check the path.`);
  }
  try {
    return JSON.parse(text);
  } catch (problem) {
    return refuse(`"${path}" is not JSON: ${problem instanceof Error ? problem.message : 'it cannot be read'}.`);
  }
}

const [command, path, ...more] = process.argv.slice(2);
if (command !== 'plan' || path === undefined || more.length > 0) refuse(USAGE);
const request = readCase(readJson(path));
if (!request.ok) refuse(`${path}: ${request.error.message}`);
process.stdout.write(
  `${JSON.stringify({ format: 'woolly-tide/plan', version: 1, plan: planVisit(request.value) }, null, 2)}\n`,
);
