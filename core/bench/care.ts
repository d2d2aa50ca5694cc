/**
 * How the dog is held through a plan: what it stands or lies on and is steadied by, where breaks fall, on which
 * side the work begins so that it is turned least, and who holds what where two work. Common practice; times are guesses.
 */
import type { Dog, DogTrait } from '../dog/index.ts';
import { zone } from '../dog/index.ts';
import { lies, standingShare, type Crew } from './crew.ts';
import { PHASES, type PhaseWork } from './methods.ts';
import type { PlanStep } from './plan.ts';

export type Support =
  'mat' | 'belly-strap' | 'hood' | 'ear-protection' | 'mask' | 'loop-watched' | 'muzzle-by-owner' | 'cool-air';
export type Side = 'left' | 'right';

export interface StepCare {
  readonly step: string;
  readonly position: 'tub' | 'stands' | 'lies';
  /** Side on which a lying dog is worked first; the other follows after a turn. */
  readonly firstSide?: Side | undefined;
  /** What the second person, or else the free hand, does. */
  readonly hold: Hold;
}
export type Hold = 'skin-taut' | 'head' | 'tail' | 'turns-dog' | 'second-dryer' | 'tie-base' | 'steadies' | 'towels';

export interface Break {
  /** Minutes of clock after which it falls. */
  readonly atMinute: number;
  readonly minutes: number;
}

export interface Care {
  readonly supports: readonly Support[];
  readonly steps: readonly StepCare[];
  readonly breaks: readonly Break[];
  readonly turns: number;
}

/**
 * Minutes between two breaks, by the trait that asks for the shortest; others go an hour. Of minutes on its feet: lying
 * is rest. A puppy's patience runs out lying, too.
 */
const BREAK_EVERY: readonly {
  readonly traits: readonly DogTrait[];
  readonly every: number;
  readonly minutes: number;
  readonly lyingCounts?: true;
}[] = [
  { traits: ['puppy-coat'], every: 5, minutes: 3, lyingCounts: true },
  { traits: ['heart-trouble'], every: 15, minutes: 5 },
  { traits: ['senior', 'sore-joints'], every: 20, minutes: 5 },
  { traits: ['nervous', 'head-shy', 'dryer-shy', 'bites'], every: 30, minutes: 5, lyingCounts: true },
  { traits: [], every: 60, minutes: 5 },
];

const HOLDS: Readonly<Record<PhaseWork, Hold>> = {
  hands: 'skin-taut',
  ties: 'tie-base',
  bath: 'steadies',
  rewash: 'steadies',
  condition: 'steadies',
  mist: 'steadies',
  towel: 'towels',
  drying: 'head',
  air: 'head',
  care: 'steadies',
};

const WATER: readonly PhaseWork[] = ['bath', 'rewash', 'condition'];
const AIR: readonly PhaseWork[] = ['drying', 'air'];

const workOf = (s: PlanStep): PhaseWork => PHASES[s.phase].work;

/** How a dog is held through the steps of a plan. */
export function careOf(steps: readonly PlanStep[], dog: Pick<Dog, 'traits'>, crew: Crew | undefined): Care {
  const positions = positionsOf(steps, lies(dog, crew));
  const sides = sidesOf(steps, positions);
  return {
    supports: supportsOf(steps, dog),
    steps: steps.map((s, i) => {
      const position = positions[i] ?? 'stands';
      return { step: s.id, position, firstSide: sides.first[i], hold: holdOf(s, position, crew) };
    }),
    breaks: breaksOf(steps, dog, crew),
    turns: sides.turns,
  };
}

function supportsOf(steps: readonly PlanStep[], dog: Pick<Dog, 'traits'>): readonly Support[] {
  const has = (...traits: DogTrait[]): boolean => traits.some((t) => dog.traits.includes(t));
  const supports: Support[] = ['mat'];
  if (has('senior', 'sore-joints')) supports.push('belly-strap');
  if (steps.some((s) => AIR.includes(workOf(s)))) {
    supports.push('hood', 'ear-protection');
    if (has('short-nosed', 'senior', 'heart-trouble')) supports.push('cool-air');
  }
  if (steps.some((s) => s.phase === 'air')) supports.push('mask');
  if (has('bites')) supports.push('muzzle-by-owner');
  supports.push('loop-watched');
  return supports;
}

/** Where the dog is in each step. What comes between two steps in the tub is done there. */
function positionsOf(steps: readonly PlanStep[], lying: boolean): readonly StepCare['position'][] {
  const inTub = (s: PlanStep): boolean => WATER.includes(workOf(s));
  const leaves = (s: PlanStep): boolean => workOf(s) === 'towel' || AIR.includes(workOf(s));
  return steps.map((s, i) => {
    if (inTub(s)) return 'tub';
    const before = steps.slice(0, i).findLast((x) => inTub(x) || leaves(x));
    const after = steps.slice(i + 1).find((x) => inTub(x) || leaves(x));
    const between = !leaves(s) && before && inTub(before) && after && inTub(after);
    return between ? 'tub' : lying ? 'lies' : 'stands';
  });
}

/**
 * Sides on which a lying dog is worked first, and how often it is turned: all steps between two baths are done on the
 * side that is up, then the dog is turned once, and they are done on the other.
 */
function sidesOf(steps: readonly PlanStep[], positions: readonly StepCare['position'][]) {
  const first: (Side | undefined)[] = [];
  let turns = 0;
  let up: Side = 'left';
  for (let from = 0; from < steps.length;) {
    let to = from;
    while (to < steps.length && positions[to] === 'lies') to++;
    const block = steps.slice(from, to);
    const sides = new Set(block.flatMap((s) => s.zones.map((z) => zone(z.zone).side)));
    const [left, right] = [sides.has('left'), sides.has('right')];
    if (left !== right && up !== (left ? 'left' : 'right')) turns++;
    if (left !== right) up = left ? 'left' : 'right';
    for (const _ of block) first.push(up);
    if (left && right) {
      turns++;
      up = up === 'left' ? 'right' : 'left';
    }
    if (to < steps.length) first.push(undefined);
    from = to + 1;
  }
  return { first, turns };
}

function holdOf(s: PlanStep, position: StepCare['position'], crew: Crew | undefined): Hold {
  const work = workOf(s);
  if (crew?.helper && AIR.includes(work)) return 'second-dryer';
  const sides = new Set(s.zones.map((z) => zone(z.zone).side));
  if (crew?.helper && position === 'lies' && sides.has('left') && sides.has('right')) return 'turns-dog';
  return s.zones.every((z) => zone(z.zone).region === 'tail') ? 'tail' : HOLDS[work];
}

function breaksOf(steps: readonly PlanStep[], dog: Pick<Dog, 'traits'>, crew: Crew | undefined): readonly Break[] {
  const rhythm = BREAK_EVERY.find((r) => r.traits.length === 0 || r.traits.some((t) => dog.traits.includes(t)));
  if (!rhythm) return [];
  const breaks: Break[] = [];
  const total = steps.reduce((t, s) => t + s.minutes, 0);
  let begins = 0;
  let tired = 0;
  for (const s of steps) {
    const tires = rhythm.lyingCounts ? 1 : standingShare(workOf(s), dog, crew);
    const ends = begins + s.minutes;
    let clock = begins;
    // A break falls where it is due, in the midst of a step; none at the very end.
    while (tires > 0 && tired + (ends - clock) * tires >= rhythm.every) {
      clock += (rhythm.every - tired) / tires;
      tired = 0;
      if (clock < total - 1e-9) breaks.push({ atMinute: Math.round(clock), minutes: rhythm.minutes });
    }
    tired += (ends - clock) * tires;
    begins = ends;
  }
  return breaks;
}
