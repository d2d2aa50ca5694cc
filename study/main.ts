/**
 * npm run study -- tide [--towns N] [--dogs N] [--write]
 * npm run study -- book [--seeds N] [--write]
 * npm run study -- schools [--dogs N] [--write]
 * npm run study -- sheet [--runs N] [--write]
 *
 * Forecasts against simulated truth: towns of which everything is known, in worlds that agree with the model and in worlds
 * that do not. Prints a table; with --write it replaces the one in docs/model.md.
 */
import { fork } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { mean, seededRandom, sum } from '../core/quantity/index.ts';
import { NAIVE, townYear, type GramsRow, type StartRow, type TownYear } from './town-year.ts';
import { bookStudy } from './book.ts';
import { schoolsStudy } from './schools.ts';
import { sheetStudy } from './sheet.ts';
import { makeTown, WORLDS } from './worlds.ts';

const option = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const towns = option('towns', 80);
const dogs = option('dogs', 20);

/** Town-years of this process: every step-th town of every world. */
function work(first: number, step: number): Record<string, TownYear[]> {
  const done: Record<string, TownYear[]> = {};
  for (const [w, world] of WORLDS.entries()) {
    done[world.name] = [];
    for (let t = first; t < towns; t += step)
      done[world.name]?.push(townYear(makeTown(world, seededRandom(7_000_003 * (w + 1) + t), dogs)));
    process.stderr.write(`${world.name}: done\n`);
  }
  return done;
}

const error = (rows: readonly StartRow[]): string => mean(rows.map((r) => r.error)).toFixed(1);
const held = (rows: readonly { inside: boolean }[]): string =>
  `${Math.round(100 * mean(rows.map((r) => (r.inside ? 1 : 0))))} %`;
const percent = (rows: readonly GramsRow[], of: (r: GramsRow) => number): number =>
  mean(rows.map((r) => Math.abs(of(r) / r.truth - 1)));

/** Grams of the homes that note their brushing, or do not: how far off, and how often the band held. */
const half = (rows: readonly GramsRow[]): string =>
  `${Math.round(100 * percent(rows, (r) => r.likely))} % (${held(rows.map((r) => ({ inside: r.truth >= r.low && r.truth <= r.high })))})`;

function line(name: string, years: readonly TownYear[]): string {
  const of = (key: keyof TownYear['starts']): StartRow[] => years.flatMap((y) => y.starts[key]);
  const grams = years.flatMap((y) => y.grams);
  const [one, two, three] = [of('1'), of('2'), of('3')];
  const best = Math.min(...NAIVE.map((rule) => percent(grams, (r) => r.naive[rule])));
  const ours = percent(grams, (r) => r.likely);
  const gain = 1 - mean(of('shared').map((r) => r.error)) / mean(of('alone').map((r) => r.error));
  return `| ${[
    name,
    mean(three.map((r) => r.fixed)).toFixed(1),
    `${error(one)} / ${error(two)} / ${error(three)}`,
    `${held(one)} / ${held(two)} / ${held(three)}`,
    `${error(of('warm'))} (${held(of('warm'))})`,
    `${error(of('alone'))} → ${error(of('shared'))} (${Math.round(100 * gain)} %)`,
    held(of('shared')),
    `${Math.round(100 * ours)} %`,
    `${Math.round(100 * best)} % (${Math.round(100 * (1 - ours / best))} %)`,
    ...[grams, years.flatMap((y) => y.inSeason)].flatMap((rows) =>
      [false, true].map((notes) => half(rows.filter((r) => r.notes === notes))),
    ),
  ].join(' | ')} |`;
}

const HEAD = [
  'world',
  'fixed right date, days off',
  'days off with 1 / 2 / 3 years',
  '80 % band held',
  'with late-winter warmth',
  'ten days in: alone → shared',
  'band held',
  'grams off',
  'best naive rule (better by)',
  'grams off (band held): home notes nothing',
  'home notes its brushing',
  'ten days in: notes nothing',
  'notes its brushing',
];

async function study(): Promise<void> {
  const step = Math.max(1, Math.min(availableParallelism(), towns));
  const parts = await Promise.all(
    Array.from(
      { length: step },
      (_, first) =>
        new Promise<Record<string, TownYear[]>>((resolve, reject) => {
          const child = fork(
            new URL(import.meta.url).pathname,
            [...process.argv.slice(2), '--part', String(first), '--of', String(step)],
            {
              execArgv: ['--import=tsx'],
              serialization: 'advanced',
            },
          );
          child.on('message', (message) => resolve(readPart(message)));
          child.on('exit', (code) => code !== 0 && reject(new Error(`a part of the study ended with ${code}`)));
        }),
    ),
  );
  const table = [
    `| ${HEAD.join(' | ')} |`,
    `|${HEAD.map(() => '---').join('|')}|`,
    ...WORLDS.map(({ name }) =>
      line(
        name,
        parts.flatMap((p) => p[name] ?? []),
      ),
    ),
  ];
  const all = parts.flatMap((p) => Object.values(p).flat());
  const note = `${towns} town-years of ${dogs} dogs in each world; ${sum(all.map((y) => y.unsampled))} of ${sum(all.map((y) => y.fits))} fits kept to a widened Laplace.`;
  console.log([...table, '', note].join('\n'));
  if (process.argv.includes('--write')) written('study', `${table.join('\n')}\n\n${note}`);
}

/** Puts a study's tables between its marks in docs/model.md. */
function written(name: string, text: string): void {
  const path = new URL('../docs/model.md', import.meta.url);
  const [before, after] = [`<!-- ${name}: written by npm run study -->`, `<!-- end of ${name} -->`];
  const whole = readFileSync(path, 'utf8');
  const [from, to] = [whole.indexOf(before), whole.indexOf(after)];
  if (from < 0 || to < from) throw new Error(`docs/model.md has lost the marks of ${name}`);
  writeFileSync(path, `${whole.slice(0, from)}${before}\n\n${text}\n\n${whole.slice(to)}`);
}

/** What a part sent is what work() made: the same program wrote it. */
function readPart(message: unknown): Record<string, TownYear[]> {
  const isPart = (m: unknown): m is Record<string, TownYear[]> => typeof m === 'object' && m !== null;
  if (!isPart(message)) throw new Error('a part of the study sent no rows');
  return message;
}

const which = process.argv[2];
if (which === 'book') {
  const text = bookStudy(option('seeds', 3));
  console.log(text);
  if (process.argv.includes('--write')) written('study of the book', text);
} else if (which === 'schools') {
  const text = schoolsStudy(option('dogs', 200));
  console.log(text);
  if (process.argv.includes('--write')) written('study of the schools', text);
} else if (which === 'sheet') {
  const text = sheetStudy(option('runs', 15));
  console.log(text);
  if (process.argv.includes('--write')) written('study of the sheet', text);
} else if (which === 'tide') {
  const part = option('part', -1);
  if (part >= 0) process.send?.(work(part, option('of', 1)), () => process.exit(0));
  else await study();
} else {
  console.error(
    'Usage: npm run study -- tide [--towns N] [--dogs N] [--write], -- book [--seeds N] [--write], -- schools [--dogs N] [--write], or -- sheet [--runs N] [--write]',
  );
  process.exit(2);
}
