/**
 * How the dog is held through a plan: what it stands or lies on and is steadied by, where breaks fall, on which
 * side each step begins so that it is turned least, and who holds what where two work. Common practice; times are guesses.
 */
import type { Dog, DogTrait } from '../dog/index.ts';
import { zone } from '../dog/index.ts';
import { lies, type Crew } from './crew.ts';
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

/** Minutes at the table between two breaks, by the trait that asks for the shortest; others go an hour. */
const BREAK_EVERY: readonly {
  readonly traits: readonly DogTrait[];
  readonly every: number;
  readonly minutes: number;
}[] = [
  { traits: ['puppy-coat'], every: 5, minutes: 3 },
  { traits: ['heart-trouble'], every: 15, minutes: 5 },
  { traits: ['senior', 'sore-joints'], every: 20, minutes: 5 },
  { traits: ['nervous', 'head-shy', 'dryer-shy', 'bites'], every: 30, minutes: 5 },
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
};

const WATER: readonly PhaseWork[] = ['bath', 'rewash', 'condition'];
const AIR: readonly PhaseWork[] = ['drying', 'air'];

/** How a dog is held through the steps of a plan. */
export function careOf(steps: readonly PlanStep[], dog: Pick<Dog, 'traits'>, crew: Crew | undefined): Care {
  const has = (...traits: DogTrait[]): boolean => traits.some((t) => dog.traits.includes(t));
  const lying = lies(dog, crew);
  const dried = steps.some((s) => AIR.includes(PHASES[s.phase].work));
  const supports: Support[] = ['mat'];
  if (has('senior', 'sore-joints')) supports.push('belly-strap');
  if (dried) {
    supports.push('hood', 'ear-protection');
    if (has('short-nosed', 'senior', 'heart-trouble')) supports.push('cool-air');
  }
  if (steps.some((s) => s.phase === 'air')) supports.push('mask');
  if (has('bites')) supports.push('muzzle-by-owner');
  supports.push('loop-watched');

  let turns = 0;
  let up: Side = 'left';
  const shown = steps.map((s): StepCare => {
    const { work } = PHASES[s.phase];
    const lain = lying && !WATER.includes(work);
    const sides = new Set(s.zones.map((z) => zone(z.zone).side));
    const both = sides.has('left') && sides.has('right');
    const firstSide = lain ? (both ? up : sides.has('right') && !sides.has('left') ? 'right' : up) : undefined;
    if (lain) {
      if (firstSide !== up) turns++;
      up = firstSide ?? up;
      if (both) {
        turns++;
        up = up === 'left' ? 'right' : 'left';
      }
    }
    const onlyTail = s.zones.every((z) => zone(z.zone).region === 'tail');
    return {
      step: s.id,
      position: WATER.includes(work) ? 'tub' : lain ? 'lies' : 'stands',
      firstSide,
      hold:
        crew?.helper && AIR.includes(work)
          ? 'second-dryer'
          : crew?.helper && lain && both
            ? 'turns-dog'
            : onlyTail
              ? 'tail'
              : HOLDS[work],
    };
  });

  const rhythm = BREAK_EVERY.find((r) => r.traits.length === 0 || has(...r.traits)) ?? { every: 60, minutes: 5 };
  const total = steps.reduce((t, s) => t + s.minutes, 0);
  const breaks: Break[] = [];
  for (let at = rhythm.every; at < total; at += rhythm.every) breaks.push({ atMinute: at, minutes: rhythm.minutes });
  return { supports, steps: shown, breaks, turns };
}
