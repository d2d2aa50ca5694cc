/** npm run bench: one line a figure, `name value unit (reference, ratio)`, each beside its reference in the same run. */
import Database from 'better-sqlite3';
import { dayLengthHours } from '../core/sun/index.ts';
import { planVisit } from '../core/bench/index.ts';
import { ZONE_IDS } from '../core/dog/index.ts';
import { day } from '../core/quantity/index.ts';
import { DEFAULT_HOUSE, TOOL_KINDS, type Tool } from '../core/kit/index.ts';
import { getTimes } from 'suncalc';

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

const ours = medianMs(2000, (i) => void dayLengthHours(day(20000 + i), 60));
const theirs = medianMs(2000, (i) => void getTimes(new Date((20000 + i) * 86_400_000), 60, 0));
say('day-length', ours * 1000, 'us', `suncalc ${(theirs * 1000).toPrecision(3)} us`, ours / theirs);

const kit = TOOL_KINDS.map((kind): Tool => ({ id: kind, kind, name: kind }));
const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, { finger: 3 as const, tug: 2 as const }]));
const plan = medianMs(
  30,
  () =>
    void planVisit({
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
    }),
);
const db = new Database(':memory:');
db.exec('CREATE TABLE t (id INTEGER PRIMARY KEY, v TEXT) STRICT');
const insert = db.prepare('INSERT INTO t (v) VALUES (?)');
const rows = medianMs(3000, (i) => void insert.run(`row ${i}`));
say('plan-all-methods', plan, 'ms', `goal 16 ms; one in-memory insert ${(rows * 1000).toPrecision(3)} us`, plan / 16);
