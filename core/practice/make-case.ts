/**
 * Decides a coat for free play: drawn from a seed within what a class and a hardness allow, so that the same seed is the same
 * dog; or taken from a dog that the salon has felt. Chances are guesses.
 */
import { pick, randomInt, seededRandom, type Random } from '../quantity/index.ts';
import {
  BREEDS,
  coatRow,
  PAIRED_REGIONS,
  MID_REGIONS,
  type CoatClass,
  type DogTrait,
  type Region,
} from '../dog/index.ts';
import {
  zoneConditions,
  type CoatCheck,
  type FingerGrade,
  type SkinFinding,
  type TieGrade,
  type ZoneFindings,
} from '../check/index.ts';
import type { PlanRequest } from '../bench/index.ts';
import { DEFAULT_HOUSE } from '../kit/index.ts';
import { day } from '../quantity/index.ts';
import { findingsOver, practiceKit, type PracticeCase } from './cases.ts';
import { TEMPERS } from './patience.ts';

export const HARDNESS = ['easy', 'usual', 'hard'] as const;
export type Hardness = (typeof HARDNESS)[number];

interface Draw {
  /** Middle finger grade, and the most that a place differs from it. */
  readonly middle: readonly FingerGrade[];
  readonly spread: number;
  readonly ties: number;
  readonly tie: readonly TieGrade[];
  readonly skin: number;
  readonly traits: number;
}
const DRAWS: Readonly<Record<Hardness, Draw>> = {
  easy: { middle: [1, 2], spread: 1, ties: 0, tie: ['knot'], skin: 0.1, traits: 0 },
  usual: { middle: [2, 2, 3], spread: 1, ties: 2, tie: ['knot', 'mat'], skin: 0.35, traits: 1 },
  hard: { middle: [2, 3, 3], spread: 2, ties: 4, tie: ['knot', 'mat', 'mat'], skin: 0.7, traits: 2 },
};
/** Places that pack first, where hair rubs and ties, and where there is little of it. */
const DEEP: readonly Region[] = ['ruff', 'breeches', 'tail', 'hip', 'chest'];
const RUBS: readonly Region[] = ['ears', 'armpit', 'groin', 'breeches', 'belly'];
const THIN: readonly Region[] = ['face', 'forefoot', 'hindfoot', 'belly', 'groin'];
const SKINS: readonly SkinFinding[] = ['pink', 'dander', 'hot-spot', 'new-lump', 'lump', 'wound'];
const TRAITS: readonly DogTrait[] = [
  'senior',
  'sore-joints',
  'head-shy',
  'dryer-shy',
  'nervous',
  'previously-clipped',
  'skin-trouble',
];
const NAMES = [
  'Alva',
  'Bosse',
  'Dagny',
  'Eik',
  'Frida',
  'Grim',
  'Hedda',
  'Ivar',
  'Liv',
  'Odd',
  'Rask',
  'Signe',
  'Tor',
  'Une',
  'Vidar',
];

const graded = (n: number): FingerGrade => (n <= 0 ? 0 : n === 1 ? 1 : n === 2 ? 2 : n === 3 ? 3 : 4);

function findings(random: Random, finger: FingerGrade): ZoneFindings {
  const tug =
    finger === 0
      ? 0
      : pick(random, finger >= 3 ? ([2, 2, 3] as const) : finger === 2 ? ([1, 2, 2] as const) : ([0, 1] as const));
  const comb =
    finger >= 3
      ? pick(random, ['stops', 'stops', 'drags'] as const)
      : finger === 2
        ? pick(random, ['drags', 'drags', 'glides'] as const)
        : 'glides';
  return { finger, tug, comb };
}

/** What a drawn coat is called: its address brings the same dog back. */
export const freeId = (coatClass: CoatClass, hardness: Hardness, seed: number): string =>
  `free-${coatClass}-${hardness}-${seed}`;

/** A made-up dog of a class, 0 ≤ seed < 2^31; the same seed is the same dog. */
export function madeCase(seed: number, coatClass: CoatClass, hardness: Hardness): PracticeCase {
  const random = seededRandom(seed);
  const draw = DRAWS[hardness];
  const breed = pick(
    random,
    BREEDS.filter((b) => b.coatClass === coatClass),
  );
  const middle = pick(random, draw.middle);
  const packs = coatRow(coatClass).packs;
  const places: Partial<Record<Region, ZoneFindings>> = {};
  for (const region of [...PAIRED_REGIONS, ...MID_REGIONS]) {
    const lean = DEEP.includes(region) ? 1 : THIN.includes(region) ? -1 : 0;
    const grade = graded(Math.min(packs ? 4 : 3, middle + lean * randomInt(random, 0, draw.spread)));
    places[region] = findings(random, grade);
  }
  for (let i = 0; i < draw.ties; i++) {
    const region = pick(random, RUBS);
    places[region] = { ...places[region], tie: pick(random, draw.tie), comb: 'stops' };
  }
  if (random() < draw.skin) {
    const region = pick(random, [...PAIRED_REGIONS, ...MID_REGIONS]);
    places[region] = { ...places[region], skin: pick(random, SKINS) };
  }
  const traits = new Set<DogTrait>(breed.traits);
  for (let i = 0; i < draw.traits; i++) if (random() < 0.5) traits.add(pick(random, TRAITS));
  const sore = hardness === 'hard' && random() < 0.12;
  const weightKg = Math.round(10 * (breed.weightKg.low + random() * (breed.weightKg.high - breed.weightKg.low))) / 10;
  return {
    id: freeId(coatClass, hardness, seed),
    goal: 'work',
    temper: pick(random, TEMPERS),
    told: '',
    dog: {
      name: pick(random, NAMES),
      breed: breed.name,
      sex: 'female',
      coatClass,
      weightKg,
      traits: [...traits],
      outdoorShare: Math.round(random() * 10) / 10,
    },
    truth: {
      day: day(22_000),
      weightKg,
      guardMm: { back: breed.backMm, ruff: Math.round(breed.backMm * 1.3), breeches: Math.round(breed.backMm * 1.2) },
      zones: findingsOver({}, places),
      inspection: sore ? { joints: 'trouble' } : {},
      note: '',
    },
    kit: practiceKit(random() < 0.5 ? ['bather'] : []),
    house: DEFAULT_HOUSE,
  };
}

/** A coat that the salon once had under its hands, as it was felt then, in the salon's own room. */
export function pastCase(
  id: string,
  { dog, check, kit, house }: Pick<PlanRequest, 'dog' | 'check' | 'kit' | 'house'>,
): PracticeCase {
  // What nobody felt is taken as the plan took it, so that hands find what the plan assumed.
  const zones = Object.fromEntries(
    zoneConditions(check, coatRow(dog.coatClass)).map((c) => [c.zone, { ...c.readings, ...check.zones[c.zone] }]),
  );
  const truth: CoatCheck = { ...check, zones };
  return { id, goal: 'work', dog, truth, kit, house, temper: 'fair', told: '' };
}
