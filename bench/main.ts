/** npm run bench: one line a figure, `name value unit (reference, ratio)`, each beside its reference in the same run. */
import { execFileSync, fork } from 'node:child_process';
import { createRequire } from 'node:module';
import Database from 'better-sqlite3';
import { dayLengthHours } from '../core/sun/index.ts';
import loadHighs from 'highs';
import {
  applyEdit,
  coatAfter,
  coverage,
  faultsOnly,
  openMethod,
  planByHand,
  planVisit,
  scriptOf,
  workMinutes,
  worksite,
  type FewOutlines,
  type PlanRequest,
} from '../core/bench/index.ts';
import { BREEDS, ZONE_IDS, type Dog } from '../core/dog/index.ts';
import { FINGER_GRADES, TUG_GRADES, type CoatCheck } from '../core/check/index.ts';
import { day, pick, randomInt, seededRandom } from '../core/quantity/index.ts';
import { bestCover, DEFAULT_HOUSE, SHOP, TOOL_KINDS, type Tool } from '../core/kit/index.ts';
import { asOf, propose, sessionRecord, tableNow, type SessionAct, type SessionEvent } from '../core/table/index.ts';
import { getTimes } from 'suncalc';
import { loadFigures } from './load.ts';
import { bookFigures } from './book.ts';
import { calmFigures } from './calm.ts';
import { tideFigures } from './tide.ts';

/** Median of several runs of a function, milliseconds a call. */
function medianMs(calls: number, work: (i: number) => void): number {
  const runs = Array.from({ length: 9 }, () => {
    const began = performance.now();
    for (let i = 0; i < calls; i++) work(i);
    return (performance.now() - began) / calls;
  }).sort((a, b) => a - b);
  return runs[4] ?? 0;
}

const say = (name: string, value: number, unit: string, reference: string, ratio: number): void =>
  console.log(`${name} ${value.toPrecision(3)} ${unit} (${reference}, ${ratio.toPrecision(3)})`);

const setup = createRequire(import.meta.url)('../scripts/setup.cjs');
setup.buildServer();

// `npm run bench -- calm`: only what waits for what; `calm backup clients`: of these acts.
if (process.argv[2] === 'calm') {
  await calmFigures(say, process.argv.slice(3));
  process.exit(0);
}

// `npm run bench -- tide`: only what is learnt and asked of coats.
if (process.argv[2] === 'tide') {
  tideFigures(say, medianMs);
  process.exit(0);
}

const ours = medianMs(2000, (i) => void dayLengthHours(day(20000 + i), 60));
const theirs = medianMs(2000, (i) => void getTimes(new Date((20000 + i) * 86_400_000), 60, 0));
say('day-length', ours * 1000, 'us', `suncalc ${(theirs * 1000).toPrecision(3)} us`, ours / theirs);

const kit = TOOL_KINDS.map((kind): Tool => ({ id: kind, kind, name: kind }));
const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, { finger: 3 as const, tug: 2 as const }]));
const heavy: PlanRequest = {
  dog: {
    name: 'b',
    breed: '',
    sex: 'male',
    coatClass: 'heavy-double',
    weightKg: 40,
    traits: [],
    outdoorShare: 0.6,
  },
  check: { day: day(20000), weightKg: 40, guardMm: {}, zones, inspection: {}, note: '' },
  kit,
  house: DEFAULT_HOUSE,
};
const plan = medianMs(20, () => void planVisit(heavy));
const db = new Database(':memory:');
db.exec('CREATE TABLE t (id INTEGER PRIMARY KEY, v TEXT) STRICT');
const insert = db.prepare('INSERT INTO t (v) VALUES (?)');
const rows = medianMs(3000, (i) => void insert.run(`row ${i}`));
say('plan-all-methods', plan, 'ms', `goal 16 ms; one in-memory insert ${(rows * 1000).toPrecision(3)} us`, plan / 16);

// A drag on the stairs: the edit, the whole plan of it, every fault, and the coat at the step under the pointer.
const open = openMethod(planVisit(heavy), 'wet-first');
if (!open) throw new Error('wet first is open');
const site = {
  ...worksite(heavy),
  choices: new Map(open.steps.map((st) => [st.id, { toolId: st.tool.id, choice: st.chosen }])),
};
const script = scriptOf(open.steps);
const drag = medianMs(50, (i) => {
  const step = script[i % script.length];
  if (!step) return;
  const edited =
    i % 2 === 0
      ? applyEdit(script, { kind: 'minutes', id: step.id, minutes: workMinutes(step) + 1 + (i % 5) })
      : applyEdit(script, { kind: 'move', id: step.id, to: (i * 3) % script.length });
  planByHand(heavy, 'wet-first', edited, site);
  faultsOnly(edited, site.found, site.job);
  coatAfter(edited, 1 + (i % script.length), site.found, site.job);
});
say('stairs-drag', drag, 'ms', `goal 4 ms; a full plan ${plan.toPrecision(3)} ms`, drag / 4);

// The table: how the coat stands now, once a second; and the plan made again after something happened.
const acts: [number, SessionAct][] = [[0, { kind: 'started' }]];
let atMs = 0;
for (const st of open.steps.slice(0, 2)) {
  for (const z of st.zones.slice(0, 9)) {
    acts.push([atMs, { kind: 'zone', step: st.id, zone: z.zone }]);
    atMs += Math.round(z.minutes * 60_000);
  }
  if (st === open.steps[0]) acts.push([atMs, { kind: 'step-done', step: st.id }]);
}
const zone = open.steps[1]?.zones[8]?.zone ?? 'back';
acts.push([atMs, { kind: 'comb', zone, result: 'stops' }]);
const events = acts.map(([at, act], i): SessionEvent => ({ id: `e${String(i).padStart(4, '0')}`, atMs: at, act }));
const atTable = { request: heavy, record: asOf(sessionRecord(events, open.steps), atMs + 1000) };
const standing = medianMs(20, () => void tableNow(atTable));
say('table-now', standing, 'ms', `goal 16 ms; a full plan ${plan.toPrecision(3)} ms`, standing / 16);
const anew = medianMs(5, () => void propose(atTable, { code: 'dragged', zone, result: 'stops' }));
say('replan', anew, 'ms', `goal 60 ms; a full plan ${plan.toPrecision(3)} ms`, anew / 60);
setup.buildWeb();
const screen: { readonly replan: number; readonly plain: number } = JSON.parse(
  execFileSync(process.execPath, ['--import=tsx', 'tests/on-screen.ts'], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .at(-1) ?? '',
);
say(
  'replan-on-screen',
  screen.replan,
  'ms',
  `goal 100 ms; a tap that plans nothing ${screen.plain.toPrecision(3)} ms`,
  screen.replan / 100,
);

const web: readonly [name: string, value: number, unit: string, reference: string, ratio: number][] = JSON.parse(
  execFileSync(process.execPath, ['--import=tsx', 'tests/on-screen-web.ts'], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .at(-1) ?? '[]',
);
for (const figure of web) say(...figure);

/** A book of dogs: breeds as they come, each felt zone by zone in its own state. */
function book(dogs: number): readonly { dog: Dog; check: CoatCheck }[] {
  const random = seededRandom(5);
  return Array.from({ length: dogs }, () => {
    const breed = pick(random, BREEDS);
    const weightKg = breed.weightKg.low + random() * (breed.weightKg.high - breed.weightKg.low);
    const base = randomInt(random, 0, 3);
    const felt = Object.fromEntries(
      ZONE_IDS.map((id) => {
        const finger = FINGER_GRADES[Math.min(4, base + randomInt(random, 0, 1))];
        return [id, { finger, tug: pick(random, TUG_GRADES) }];
      }),
    );
    return {
      dog: {
        name: '',
        breed: breed.name,
        sex: 'female',
        coatClass: breed.coatClass,
        weightKg,
        traits: breed.traits,
        outdoorShare: 0.3,
      },
      check: { day: day(20000), weightKg, guardMm: { back: breed.backMm }, zones: felt, inspection: {}, note: '' },
    };
  });
}

const dogs = book(500);
const hand: readonly Tool[] = (['rake', 'soft-slicker', 'comb', 'rubber', 'bristle'] as const).map((kind) => ({
  id: kind,
  kind,
  name: kind,
}));
const cover = medianMs(1, () => void coverage({ dogs, kit: hand, shop: SHOP, house: DEFAULT_HOUSE }));
say('coverage-500-dogs', cover, 'ms', 'goal 1000 ms', cover / 1000);

// A thousand dogs planned beside this thread, as the Bench room's worker does it, a message every few dogs.
const thousand = book(1000).map(({ dog, check }): PlanRequest => ({ dog, check, kit, house: DEFAULT_HOUSE }));
const WORKERS = 2;
function planned(requests: readonly PlanRequest[]): Promise<number> {
  return new Promise((resolve, reject) => {
    const worker = fork(new URL('./plan-book.ts', import.meta.url), { execArgv: ['--import=tsx'] });
    let began = 0;
    worker.on('message', (said: Partial<FewOutlines> & { ready?: boolean }) => {
      if (said.ready) {
        began = performance.now();
        worker.send(requests);
      } else if ((said.before ?? 0) + (said.outlines?.length ?? 0) === requests.length) {
        resolve(performance.now() - began);
        worker.disconnect();
      }
    });
    worker.on('error', reject);
  });
}
const besideMs = Math.max(
  ...(await Promise.all(
    Array.from({ length: WORKERS }, (_, nth) => planned(thousand.filter((_r, i) => i % WORKERS === nth))),
  )),
);
const here = performance.now();
for (const request of thousand.slice(0, 100)) planVisit(request);
const hundred = performance.now() - here;
say(
  'plan-1000-dogs-in-workers',
  besideMs / 1000,
  's',
  `goal 10 s, ${WORKERS} workers; 100 of them on the main thread ${(hundred / 1000).toPrecision(3)} s`,
  besideMs / 10_000,
);

// The choice alone, beside HiGHS on the same integer programme.
const random = seededRandom(9);
const gains = Array.from({ length: SHOP.length }, () =>
  Float64Array.from({ length: 120 }, () => (random() < 0.5 ? 0 : randomInt(random, 1, 40))),
);
const programme = [
  'Maximize',
  ` obj: ${gains.flatMap((row, c) => [...row].flatMap((g, d) => (g > 0 ? [`${g} x${c}_${d}`] : []))).join(' + ')}`,
  'Subject To',
  ...Array.from(
    { length: 120 },
    (_, d) => ` d${d}: ${gains.flatMap((row, c) => ((row[d] ?? 0) > 0 ? [`x${c}_${d}`] : [])).join(' + ')} <= 1`,
  ),
  ...gains.flatMap((row, c) => [...row].flatMap((g, d) => (g > 0 ? [` l${c}_${d}: x${c}_${d} - y${c} <= 0`] : []))),
  ` most: ${gains.map((_, c) => `y${c}`).join(' + ')} <= 3`,
  'Binary',
  ` ${gains.map((_, c) => `y${c}`).join(' ')}`,
  'End',
].join('\n');
const highs = await loadHighs();
const own = medianMs(3, () => void bestCover(gains, 3));
const mip = medianMs(1, () => void highs.solve(programme));
say('best-three-to-buy', own, 'ms', `HiGHS ${mip.toPrecision(3)} ms`, own / mip);

bookFigures(say);
tideFigures(say, medianMs);
await loadFigures(say);
await calmFigures(say);
