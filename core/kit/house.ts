/**
 * Decides the house's side in each open quarrel of the trade, its rates and its rhythm.
 *
 * A quarrel is a row: what people disagree about, the sides they take and the reason each gives. A side changes
 * plans through rules (`when.house`), through how a tool is used (fit.ts) or through the order of phases; never a
 * safety rule.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { CareHouse } from '../dog/index.ts';

export const BLADE_USES = ['never', 'smooth-doubles', 'any-legal'] as const;
export const MAT_WAYS = ['brush-out', 'split', 'clip'] as const;
export const SLICKER_ORDERS = ['rake-first', 'slicker-first'] as const;
export const SLICKER_DEPTHS = ['to-skin', 'lift-only'] as const;
export const STROKES = ['with', 'against', 'both'] as const;
export const SPRAYS = ['water-only', 'spray'] as const;
export const WET_BRUSHING = ['with-soap', 'damp-only', 'never'] as const;
export const BATH_RHYTHMS = ['each-visit', 'weekly', 'monthly'] as const;
export const SALON_RHYTHMS = ['by-coat', 'four-to-six', 'home-share'] as const;

/** The house's side in each open quarrel. */
export interface Quarrels {
  /** Slicker after the rake, or before it. */
  readonly slickerOrder: (typeof SLICKER_ORDERS)[number];
  /** Slicker down to the skin, or only lifting the outer half of the coat. */
  readonly slickerDepth: (typeof SLICKER_DEPTHS)[number];
  /** Strokes with the lie of the hair, against it, or against and then with. */
  readonly stroke: (typeof STROKES)[number];
  /** Blade combs: never / smooth doubles only / wherever the safety rules allow. */
  readonly blade: (typeof BLADE_USES)[number];
  /** Blade minutes on one dog in one session. */
  readonly bladeMinutes: number;
  /** Detangling spray on ties, or water and a little anti-static only. */
  readonly spray: (typeof SPRAYS)[number];
  /** Brushing a wet coat in the salon: with soap, damp only, or never. At home never, in every house. */
  readonly wetBrushing: (typeof WET_BRUSHING)[number];
  /** What is done with a tied mat: work it out by comb, split it, or clip it off. */
  readonly mats: (typeof MAT_WAYS)[number];
  /** How often a dog may and should be bathed. */
  readonly bath: (typeof BATH_RHYTHMS)[number];
  /** How long the house lets a dog wait. */
  readonly rhythm: (typeof SALON_RHYTHMS)[number];
}

export interface HouseRules extends Quarrels, CareHouse {
  /** Weights of the recommendation, any scale, compared with one another. */
  readonly weights: {
    readonly hairOut: number;
    readonly minutes: number;
    readonly skin: number;
    readonly comfort: number;
    readonly dust: number;
  };
  readonly rates: {
    /** ISO 4217. */
    readonly currency: string;
    /** For an hour at table and tub, in hundredths of the currency. */
    readonly perHourCents: number;
    readonly minimumCents: number;
    /** Prices are rounded up to this. */
    readonly roundToCents: number;
  };
  /** ISO weekdays on which the salon is open, 1 = Monday. */
  readonly openWeekdays: readonly number[];
  /** Doors, minutes after local midnight: the first start, and when the last dog is done. */
  readonly hours: { readonly openMinute: number; readonly closeMinute: number };
  /** Dogs that can be worked at the same time. */
  readonly tables: number;
  /** Tubs, and places to dry a dog at; where nobody has said, one tub and a place for each dryer on the wall. */
  readonly tubs?: number | undefined;
  readonly dryPlaces?: number | undefined;
  /** Hours a week kept for this work; all that the doors and tables give when nobody has said. */
  readonly shedHoursPerWeek?: number | undefined;
  /** Minutes of dematting by hand that a sound dog is asked to bear in a visit; the usual ones where nobody has said. */
  readonly dematMinutes?: number | undefined;
  /** How evenly work is to lie on the days of the year; evenly where nobody has said. */
  readonly evenDays?: EvenDays | undefined;
  /** Steps in which visits are booked, and the shortest visit there is: a dog comes in, is welcomed, and goes. */
  readonly visits?: VisitLengths | undefined;
}

/** A day is filled before the next is begun, days are alike where that costs little, or where it costs some. */
export const EVEN_DAYS = ['filled', 'even', 'alike'] as const;
export type EvenDays = (typeof EVEN_DAYS)[number];
export const evenDays = ({ evenDays: own }: { readonly evenDays?: EvenDays | undefined }): EvenDays => own ?? 'even';

/** Common practice: about twenty minutes of combing out in one visit; beyond it the dog pays. */
const USUAL_DEMAT_MINUTES = 20;
/** Minutes of dematting by hand in one visit in this house. */
export const dematMinutes = ({ dematMinutes: own }: Pick<HouseRules, 'dematMinutes'>): number =>
  own ?? USUAL_DEMAT_MINUTES;

/** Steps that a house may choose from, minutes. */
export const LENGTH_STEPS = [5, 10, 15, 20, 30, 60] as const;

/** Minutes. */
export interface VisitLengths {
  readonly step: number;
  readonly shortest: number;
}
/** Where a house has not said. Guess: quarters of an hour are what people agree on. */
const USUAL_LENGTHS: VisitLengths = { step: 15, shortest: 30 };
export const visitLengths = ({ visits }: Pick<HouseRules, 'visits'>): VisitLengths => visits ?? USUAL_LENGTHS;

export interface QuarrelSide<V> {
  readonly value: V;
  readonly word: string;
  readonly reason: string;
}
export interface Quarrel<K extends keyof Quarrels = keyof Quarrels> {
  readonly key: K;
  readonly question: string;
  readonly sides: readonly QuarrelSide<Quarrels[K]>[];
  readonly source: Source;
}

const quarrel = <K extends keyof Quarrels>(
  key: K,
  question: string,
  ...sides: readonly (readonly [Quarrels[K], string, string])[]
): Quarrel<K> => ({
  key,
  question,
  sides: sides.map(([value, word, reason]) => ({ value, word, reason })),
  source: COMMON_PRACTICE,
});

/** Every open quarrel, in the order in which a visit meets it. */
export const QUARRELS: { readonly [K in keyof Quarrels]: Quarrel<K> } = {
  slickerOrder: quarrel(
    'slickerOrder',
    'Slicker before the rake, or after it',
    ['rake-first', 'rake, then slicker', 'The rake takes the bulk, so the slicker gets down to the skin.'],
    ['slicker-first', 'slicker, then rake', 'The slicker opens the surface, so the rake pulls less.'],
  ),
  slickerDepth: quarrel(
    'slickerDepth',
    'How deep a slicker goes',
    ['to-skin', 'to the skin', 'What stays at the skin packs next; level wires and light hands spare it.'],
    ['lift-only', 'lifting only', 'Wires that never touch skin never burn it; other tools do the depth.'],
  ),
  stroke: quarrel(
    'stroke',
    'With the lie of the hair or against it',
    ['both', 'against, then with', 'Against lifts and shows what is left; with lays it and finishes.'],
    ['with', 'with the lie', 'Kinder to guard hair and skin; takes a little less.'],
    ['against', 'against the lie', 'Lifts most; harder on guard hair and skin.'],
  ),
  blade: quarrel(
    'blade',
    'Blade combs',
    ['never', 'never', 'Other tools do it with less risk to skin and guard hair.'],
    ['smooth-doubles', 'smooth doubles only', 'Short dense coats give most to it; elsewhere guard hair pays.'],
    ['any-legal', 'wherever safe', 'Fast, and the safety rules keep it off thin skin and long hair.'],
  ),
  bladeMinutes: quarrel(
    'bladeMinutes',
    'Blade minutes on one dog in one session',
    [0, 'none', 'No blade at all.'],
    [5, '5 min', 'Short, on the torso only: skin reddens before it shows.'],
    [10, '10 min', 'Once or twice a week on a thick coat that is used to it.'],
    [20, '20 min', 'The longest anybody defends; look for pink all the while.'],
  ),
  spray: quarrel(
    'spray',
    'Detangling spray on ties',
    ['water-only', 'water or a little anti-static', 'A film left in the coat collects dirt and ties again.'],
    ['spray', 'detangling spray', 'Slip saves minutes and pulling; it is washed out after.'],
  ),
  wetBrushing: quarrel(
    'wetBrushing',
    'Brushing a wet coat',
    ['with-soap', 'through the soap', 'Soap slicks and wet hair stretches: most comes out with least pull.'],
    ['damp-only', 'damp only', 'A mist stops breaking; sopping hair stretches too far.'],
    ['never', 'not until bone dry', 'Wet hair is weak, and loose knots tighten.'],
  ),
  mats: quarrel(
    'mats',
    'A tied mat',
    ['brush-out', 'work it out by comb', 'Nothing is cut; costs minutes and patience.'],
    ['split', 'split it', 'Quicker and kinder than pulling, in trained hands.'],
    ['clip', 'clip it off', 'Least pain; hair is lost, and the owner agrees first.'],
  ),
  bath: quarrel(
    'bath',
    'How often a dog is bathed',
    ['each-visit', 'at each visit', 'Hair leaves in the tub, and a clean coat packs later.'],
    ['weekly', 'weekly at most', 'Skin needs its oil: nothing sooner than seven days after the last.'],
    ['monthly', 'about monthly', 'A month between baths keeps oil in skin and coat.'],
  ),
  rhythm: quarrel(
    'rhythm',
    'How long a dog may wait',
    ['by-coat', 'as the coat asks', 'Each class has its own longest interval, longer where the home brushes.'],
    ['four-to-six', 'four to six weeks', 'Whatever the home promises, hands see the skin every six weeks.'],
    ['home-share', 'up to twelve if the home brushes', 'A home that does its share needs the salon half as often.'],
  ),
};

/** Fewest days between two baths, by the house's side. Common practice: weekly at most, monthly at least. */
export const BATH_GAP_DAYS: Readonly<Record<Quarrels['bath'], number>> = { 'each-visit': 0, weekly: 7, monthly: 28 };

/** A new salon's sides until somebody chooses otherwise. */
export const DEFAULT_QUARRELS: Quarrels = {
  slickerOrder: 'rake-first',
  slickerDepth: 'to-skin',
  stroke: 'both',
  blade: 'smooth-doubles',
  bladeMinutes: 5,
  spray: 'water-only',
  wetBrushing: 'with-soap',
  mats: 'brush-out',
  bath: 'each-visit',
  rhythm: 'by-coat',
};

/** A new salon's rules until somebody chooses otherwise. */
export const DEFAULT_HOUSE: HouseRules = {
  ...DEFAULT_QUARRELS,
  weights: { hairOut: 50, minutes: 20, skin: 15, comfort: 10, dust: 5 },
  rates: { currency: 'EUR', perHourCents: 4800, minimumCents: 3200, roundToCents: 100 },
  openWeekdays: [1, 2, 3, 4, 5],
  hours: { openMinute: 9 * 60, closeMinute: 17 * 60 },
  tables: 1,
};
