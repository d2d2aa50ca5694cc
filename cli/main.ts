/**
 * The same core, headless: `wt plan CASE.json` prints a plan, `wt tide SALON.json` a salon's forecasts, `wt book SALON.json`
 * a year's visits with their bound, as JSON; `wt api` the API's table, as docs/api.md shows it.
 * Exit 2 and a sentence on bad input.
 */
import { readFileSync } from 'node:fs';
import { planVisit } from '../core/bench/index.ts';
import { readCase } from '../contract/case.ts';
import { readTideFile, type TideFile } from '../contract/tide.ts';
import { parseDay, type Day } from '../core/quantity/index.ts';
import { apiTable } from '../contract/api-table.ts';
import { bookReport } from './book.ts';
import { tideReport } from './tide.ts';

const USAGE =
  'Usage: wt plan CASE.json, or wt tide SALON.json [--as-of 2031-04-09], or wt book SALON.json [--as-of 2031-04-09]   (the formats are in docs/formats.md)';

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

const print = (value: object): void => void process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

function plan(path: string): void {
  const request = readCase(readJson(path));
  if (!request.ok) refuse(`${path}: ${request.error.message}`);
  print({ format: 'woolly-tide/plan', version: 1, plan: planVisit(request.value) });
}

/** The day asked for, or undefined; refuses what is no day. */
function asOfDay(options: readonly string[]): Day | undefined {
  if (options.length === 0) return undefined;
  const [name, value = '', ...more] = options;
  if (name !== '--as-of' || more.length > 0) refuse(USAGE);
  return parseDay(value) ?? refuse(`--as-of "${value}" is not a date that exists, written 2031-04-09.`);
}

/** A report of a salon's file, as of its day or an earlier one. */
function ofSalon(report: (file: TideFile, asOf: Day) => object, path: string, options: readonly string[]): void {
  const asOf = asOfDay(options);
  const file = readTideFile(readJson(path));
  if (!file.ok) refuse(`${path}: ${file.error.message}`);
  print(report(file.value, asOf ?? file.value.today));
}

const [command, path, ...more] = process.argv.slice(2);
if (command === 'plan' && path !== undefined && more.length === 0) plan(path);
else if (command === 'tide' && path !== undefined) ofSalon(tideReport, path, more);
else if (command === 'book' && path !== undefined) ofSalon(bookReport, path, more);
else if (command === 'api' && path === undefined) process.stdout.write(apiTable());
else refuse(USAGE);
