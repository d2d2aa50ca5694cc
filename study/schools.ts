/**
 * npm run study -- schools [--dogs N] [--write]
 *
 * The methods on packed dogs that are drawn at random, in a room with a strong dryer and flexing slickers: minutes of hands
 * and in all, hair out, and what skin and topcoat are used to, by method. With --write it replaces the table in docs/model.md.
 */
import {
  METHODS,
  PHASES,
  planVisit,
  wholeOf,
  type MethodPlan,
  type PhaseId,
  type PlanRequest,
} from '../core/bench/index.ts';
import { coatRow, ZONE_IDS, type CoatClass } from '../core/dog/index.ts';
import { DEFAULT_HOUSE, SLICKERS, TOOL_KINDS, type Tool } from '../core/kit/index.ts';
import { day, mean, pick, randomInt, seededRandom, sum, type Random } from '../core/quantity/index.ts';

const ROOM: readonly Tool[] = TOOL_KINDS.map((kind) => ({
  id: kind,
  kind,
  name: kind,
  ...(kind === 'force-dryer' && { airLps: 80 }),
  ...(SLICKERS.includes(kind) && { flexing: true }),
}));
const CLASSES: readonly CoatClass[] = ['medium-double', 'long-double', 'heavy-double', 'harsh-double', 'smooth-double'];

/** A sound dog in a packed coat, as patient as it takes; half of them live outdoors. */
function packedDog(random: Random): PlanRequest {
  const coatClass = pick(random, CLASSES);
  const { low, high } = coatRow(coatClass).guardMm;
  const weightKg = randomInt(random, 6, 60);
  const guardMm = { back: randomInt(random, low, high) };
  const zones = Object.fromEntries(
    ZONE_IDS.map((id) => [
      id,
      {
        finger: pick(random, [2, 3, 3, 3, 4] as const),
        tug: pick(random, [1, 2, 2, 3] as const),
        comb: pick(random, ['drags', 'stops', 'stops'] as const),
      },
    ]),
  );
  const outdoorShare = pick(random, [0.2, 0.8] as const);
  return {
    dog: { name: '', breed: '', sex: 'female', coatClass, weightKg, traits: [], outdoorShare, standingMinutes: 480 },
    check: { day: day(20_000), weightKg, guardMm, zones, inspection: {}, note: '' },
    kit: ROOM,
    house: DEFAULT_HOUSE,
  };
}

const handsOf = (m: MethodPlan, picks: (phase: PhaseId) => boolean): number =>
  sum(
    m.steps
      .filter((s) => PHASES[s.phase].work === 'hands' && picks(s.phase))
      .flatMap((s) => s.zones.map((z) => z.minutes)),
  );
const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** A column of the table: its head, and the mean that stands in it. */
const COLUMNS: readonly (readonly [head: string, of: (m: MethodPlan) => number, word: (mean: number) => string])[] = [
  ['hand minutes', (m) => handsOf(m, () => true), (x) => x.toFixed(0)],
  ['of them after the dryer', afterDryer, (x) => x.toFixed(0)],
  ['of them the comb as proof', (m) => handsOf(m, (p) => p === 'comb'), (x) => x.toFixed(1)],
  ['minutes in all', (m) => wholeOf(m).minutes, (x) => x.toFixed(0)],
  ['hair out', (m) => 1 - wholeOf(m).shareLeft, percent],
  ['comb falls through', (m) => m.falls, percent],
  ['skin, most used zone', (m) => m.skinLoad, percent],
  ['topcoat', (m) => m.wear, percent],
  ['flies dry, g', (m) => m.dustG, (x) => x.toFixed(0)],
];

/** Minutes of hands after the last dryer; none where nothing is dried. */
function afterDryer(m: MethodPlan): number {
  const dried = m.steps.findLastIndex((s) => s.phase === 'drying');
  return dried < 0 ? 0 : handsOf({ ...m, steps: m.steps.slice(dried + 1) }, () => true);
}

/** The table of the study, and what the dogs were. */
export function schoolsStudy(dogs: number): string {
  const random = seededRandom(2_701);
  const plans = Array.from({ length: dogs }, () => planVisit(packedDog(random)));
  const rows = METHODS.flatMap(({ id, name }) => {
    const open = plans.flatMap((p) => p.methods.flatMap((m) => (m.kind === 'open' && m.method === id ? [m] : [])));
    if (open.length < dogs / 20) return [];
    const taken = plans.filter((p) => p.recommended?.method === id).length;
    const means = COLUMNS.map(([, of, word]) => word(mean(open.map(of))));
    return [`| ${[name, open.length, taken, ...means].join(' | ')} |`];
  });
  const heads = ['method', 'open to', 'recommended to', ...COLUMNS.map(([head]) => head)];
  const table = [`| ${heads.join(' | ')} |`, `|${heads.map(() => '---').join('|')}|`, ...rows];
  return `${table.join('\n')}\n\nMeans over ${dogs} packed dogs of five coat classes, 6 to 60 kg, as patient as it takes, with a strong dryer and flexing slickers; of each method over the dogs that it is open to.`;
}
