/**
 * What a coat class means in figures: hair length, how much undercoat stands on a square metre,
 * how it sheds over the year, how often it is seen.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';

export const COAT_CLASSES = [
  'smooth-single',
  'smooth-double',
  'medium-double',
  'long-double',
  'heavy-double',
  'harsh-double',
  'fleece',
] as const;
export type CoatClass = (typeof COAT_CLASSES)[number];

export interface CoatClassRow {
  readonly coatClass: CoatClass;
  readonly name: string;
  readonly guardMm: { readonly low: number; readonly high: number };
  readonly behaviour: string;
  /** Loose undercoat on a square metre when every finger test reads "a plate", grams. */
  readonly fullLoadGPerM2: number;
  /** Loose undercoat set free over a whole year, grams a square metre. */
  readonly yearlyReleaseGPerM2: number;
  /** Share of the year's release that comes in the two tides where light has full seasons, 0..1. */
  readonly seasonalShare: number;
  /** Of what comes in tides, the part that comes in spring, 0..1. */
  readonly springPart: number;
  /** Share of the loose store that drops by itself in a day. */
  readonly fallPerDay: number;
  /** Days between salon visits, the house's usual range when the home does little. */
  readonly rhythmDays: { readonly shortest: number; readonly longest: number };
  /** Brushing at home, bouts a week outside and inside a blow, minutes a bout. */
  readonly home: { readonly boutsPerWeek: number; readonly boutsPerWeekInBlow: number; readonly minutes: number };
  /** Millilitres of water that a square metre of wet coat still holds after a towel. */
  readonly heldWaterMlPerM2: number;
  /** Can the undercoat pack into plates at all. */
  readonly packs: boolean;
  readonly lengthSource: Source;
  readonly loadSource: Source;
  readonly rhythmSource: Source;
}

const marks = { lengthSource: COMMON_PRACTICE, loadSource: GUESS, rhythmSource: COMMON_PRACTICE };

export const COATS: readonly CoatClassRow[] = [
  {
    coatClass: 'smooth-single',
    name: 'smooth single',
    guardMm: { low: 5, high: 20 },
    behaviour: 'No undercoat to speak of; hairs drop at once.',
    fullLoadGPerM2: 18,
    yearlyReleaseGPerM2: 150,
    seasonalShare: 0.2,
    springPart: 0.55,
    fallPerDay: 0.12,
    rhythmDays: { shortest: 28, longest: 70 },
    home: { boutsPerWeek: 2, boutsPerWeekInBlow: 3, minutes: 5 },
    heldWaterMlPerM2: 250,
    packs: false,
    ...marks,
  },
  {
    coatClass: 'smooth-double',
    name: 'smooth double',
    guardMm: { low: 15, high: 35 },
    behaviour: 'Dense short undercoat; sheds everywhere down to the hocks, drops on floors, hardly packs.',
    fullLoadGPerM2: 110,
    yearlyReleaseGPerM2: 650,
    seasonalShare: 0.45,
    springPart: 0.6,
    fallPerDay: 0.03,
    rhythmDays: { shortest: 28, longest: 63 },
    home: { boutsPerWeek: 3, boutsPerWeekInBlow: 7, minutes: 5 },
    heldWaterMlPerM2: 450,
    packs: true,
    ...marks,
  },
  {
    coatClass: 'medium-double',
    name: 'medium double',
    guardMm: { low: 30, high: 70 },
    behaviour: 'Stand-off or plush, strongly seasonal; packs at ruff, breeches and tail.',
    fullLoadGPerM2: 260,
    yearlyReleaseGPerM2: 900,
    seasonalShare: 0.7,
    springPart: 0.62,
    fallPerDay: 0.015,
    rhythmDays: { shortest: 28, longest: 56 },
    home: { boutsPerWeek: 4, boutsPerWeekInBlow: 7, minutes: 12 },
    heldWaterMlPerM2: 800,
    packs: true,
    ...marks,
  },
  {
    coatClass: 'long-double',
    name: 'long double',
    guardMm: { low: 60, high: 150 },
    behaviour: 'Tangles at collar, behind ears, armpits, leg feathers and breeches; traps loose undercoat.',
    fullLoadGPerM2: 280,
    yearlyReleaseGPerM2: 850,
    seasonalShare: 0.6,
    springPart: 0.6,
    fallPerDay: 0.007,
    rhythmDays: { shortest: 28, longest: 49 },
    home: { boutsPerWeek: 7, boutsPerWeekInBlow: 7, minutes: 15 },
    heldWaterMlPerM2: 1000,
    packs: true,
    ...marks,
  },
  {
    coatClass: 'heavy-double',
    name: 'heavy double',
    guardMm: { low: 50, high: 120 },
    behaviour: 'Packs into plates that hide the skin.',
    fullLoadGPerM2: 420,
    yearlyReleaseGPerM2: 1250,
    seasonalShare: 0.7,
    springPart: 0.6,
    fallPerDay: 0.007,
    rhythmDays: { shortest: 28, longest: 49 },
    home: { boutsPerWeek: 4, boutsPerWeekInBlow: 7, minutes: 20 },
    heldWaterMlPerM2: 1250,
    packs: true,
    ...marks,
  },
  {
    coatClass: 'harsh-double',
    name: 'harsh double',
    guardMm: { low: 20, high: 60 },
    behaviour: 'Weathers dirt off when dry; goes soft if clipped.',
    fullLoadGPerM2: 120,
    yearlyReleaseGPerM2: 450,
    seasonalShare: 0.5,
    springPart: 0.6,
    fallPerDay: 0.012,
    rhythmDays: { shortest: 35, longest: 63 },
    home: { boutsPerWeek: 3, boutsPerWeekInBlow: 5, minutes: 8 },
    heldWaterMlPerM2: 500,
    packs: true,
    ...marks,
  },
  {
    coatClass: 'fleece',
    name: 'long single or fleece',
    guardMm: { low: 30, high: 150 },
    behaviour: 'Hardly sheds, mats. Not a de-shedding dog: the comb decides.',
    fullLoadGPerM2: 45,
    yearlyReleaseGPerM2: 110,
    seasonalShare: 0.1,
    springPart: 0.5,
    fallPerDay: 0.004,
    rhythmDays: { shortest: 28, longest: 49 },
    home: { boutsPerWeek: 5, boutsPerWeekInBlow: 5, minutes: 10 },
    heldWaterMlPerM2: 900,
    packs: false,
    ...marks,
  },
];

const BY_CLASS = new Map(COATS.map((c) => [c.coatClass, c]));

/** The row of a coat class. */
export function coatRow(coatClass: CoatClass): CoatClassRow {
  const found = BY_CLASS.get(coatClass);
  if (!found) throw new RangeError(`no such coat class: ${coatClass}`);
  return found;
}
