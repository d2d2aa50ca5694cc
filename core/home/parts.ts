/**
 * What each part of a dog asks of its owner: how long one brushing takes, how often it is due, how long it may wait.
 * Parts are regions as an owner speaks of them; both sides go together. Rhythms are common practice, figures guesses.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';
import {
  coatRow,
  regionRow,
  zone,
  ZONE_IDS,
  type CoatClass,
  type Dog,
  type Region,
  type ZoneId,
} from '../dog/index.ts';

export const HOME_PARTS = [
  'face',
  'ears',
  'ruff',
  'chest',
  'armpits',
  'forelegs',
  'back',
  'belly',
  'hips',
  'breeches',
  'hindlegs',
  'tail',
  'feet',
] as const;
export type HomePart = (typeof HOME_PARTS)[number];

export interface HomePartRow {
  readonly part: HomePart;
  /** As said to an owner. */
  readonly name: string;
  readonly regions: readonly Region[];
  /** Thin skin or bone: light hands, and never to be done hard or often. */
  readonly gentle: boolean;
  /** What an owner has to know before brushing there. */
  readonly how: string;
  readonly source: Source;
}

const part = (name: HomePart, said: string, regions: readonly Region[], gentle: boolean, how: string): HomePartRow => ({
  part: name,
  name: said,
  regions,
  gentle,
  how,
  source: COMMON_PRACTICE,
});

/** In the order in which they are brushed: from the feet up, head last, so that nothing is missed. */
export const HOME_PART_ROWS: readonly HomePartRow[] = [
  part('feet', 'feet and pads', ['forefoot', 'hindfoot'], true, 'Fine comb only. Look between the pads.'),
  part('hindlegs', 'hind legs', ['hindleg'], true, 'Bone lies under the skin at the hock: light strokes.'),
  part('breeches', 'breeches', ['breeches'], false, 'Lift the hair up and brush a little away at a time.'),
  part('tail', 'tail', ['tail'], true, 'Hold it with the other hand. Small pieces.'),
  part('hips', 'loin, hip and rump', ['hip', 'rump'], false, 'Light hands on an old dog’s hips.'),
  part('belly', 'belly', ['belly'], true, 'Thin skin: the softest brush, hardly any weight.'),
  part(
    'back',
    'back and sides',
    ['back', 'ribs'],
    false,
    'With the lie of the hair, short strokes, one strip at a time.',
  ),
  part(
    'armpits',
    'armpits and groin',
    ['armpit', 'groin'],
    true,
    'Comb only, a few hairs at a time. Knots start here.',
  ),
  part('forelegs', 'front legs', ['foreleg'], true, 'Comb the feathers from the tips up. Take seeds out by hand.'),
  part('chest', 'chest and shoulders', ['chest', 'shoulder'], false, 'Spread the skin of the folds flat first.'),
  part(
    'ruff',
    'ruff and throat',
    ['ruff', 'throat'],
    false,
    'Collar off. Part the hair to the skin: it is deepest here.',
  ),
  part('ears', 'behind the ears', ['ears'], true, 'Comb. Hold the hair at the skin so that nothing pulls.'),
  part('face', 'face and cheeks', ['face'], true, 'Comb only, small strokes, hold the chin.'),
];

const BY_PART = new Map(HOME_PART_ROWS.map((r) => [r.part, r]));
export function homePartRow(of: HomePart): HomePartRow {
  const found = BY_PART.get(of);
  if (!found) throw new RangeError(`no such part of a dog at home: ${of}`);
  return found;
}
const BY_REGION = new Map(HOME_PART_ROWS.flatMap((r) => r.regions.map((region) => [region, r.part])));
/** The part a region belongs to. */
export function partOf(region: Region): HomePart {
  const found = BY_REGION.get(region);
  if (!found) throw new RangeError(`no part at home for ${region}`);
  return found;
}

/** The zones that a part is made of. */
export const zonesOfPart = (of: HomePart): readonly ZoneId[] =>
  ZONE_IDS.filter((id) => homePartRow(of).regions.includes(zone(id).region));

/** Parts that pack or tie first, by coat. Common practice. */
export const WATCHED: Readonly<Record<CoatClass, readonly HomePart[]>> = {
  'smooth-single': ['back'],
  'smooth-double': ['back', 'hips', 'breeches'],
  'medium-double': ['ruff', 'breeches', 'tail'],
  'long-double': ['ears', 'armpits', 'forelegs', 'breeches', 'ruff'],
  'heavy-double': ['ruff', 'breeches', 'tail', 'hips'],
  'harsh-double': ['ruff', 'breeches', 'forelegs'],
  fleece: ['ears', 'armpits', 'forelegs', 'hindlegs'],
};

export type PartReason = 'pinned' | 'dragged' | 'packed' | 'seeds' | 'watched' | 'usual' | 'gentle' | 'weekly';

interface Rhythm {
  /** Days between brushings and the most that it may wait, outside and in a blow. */
  readonly calm: readonly [number, number];
  readonly blow: readonly [number, number];
  readonly weight: number;
  readonly source: Source;
}
const rhythm = (calm: readonly [number, number], blow: readonly [number, number], weight: number): Rhythm => ({
  calm,
  blow,
  weight,
  source: GUESS,
});

/** How often, apart from the coat's own bouts. Belly twice a week, face and feet weekly: common practice; limits guesses. */
const RHYTHMS: Readonly<Record<Exclude<PartReason, 'watched' | 'usual'>, Rhythm>> = {
  // What the groomer asks for goes before everything.
  pinned: rhythm([1, 2], [1, 2], 4),
  dragged: rhythm([2, 4], [1, 3], 2.5),
  packed: rhythm([2, 4], [1, 3], 2.5),
  seeds: rhythm([1, 3], [1, 3], 1.5),
  gentle: rhythm([4, 9], [3, 7], 0.8),
  weekly: rhythm([7, 14], [7, 14], 0.8),
};
const WATCH_WEIGHT = 1.6;

/** A round of the whole dog in bouts of its class. Guess. */
const ROUND_IN_BOUTS = 1.5;
/** Taking seeds out needs so much of a brushing. Guess. */
const SEEDS_TAKE = 0.5;
const LEAST_MINUTES = 0.5;

/** What one part asks. */
export interface PartNeed {
  readonly part: HomePart;
  readonly why: PartReason;
  readonly minutes: number;
  readonly rhythmDays: number;
  readonly limitDays: number;
  readonly weight: number;
}

export interface NeedsRequest {
  readonly dog: Pick<Dog, 'coatClass' | 'traits'>;
  readonly blow: boolean;
  /** Where the last comb proof dragged or stopped, and what was packed or tied. */
  readonly dragged: ReadonlySet<HomePart>;
  readonly packed: ReadonlySet<HomePart>;
  readonly pinned: ReadonlySet<HomePart>;
  /** Walks through long grass while seeds stand. */
  readonly seeds: boolean;
  /** Parts nobody may brush. */
  readonly closed: ReadonlySet<HomePart>;
}

/** Parts in which seeds and burrs hang. Common practice. */
const SEED_PARTS: ReadonlySet<HomePart> = new Set(['forelegs', 'feet', 'armpits', 'ears']);
const SEED_COATS: ReadonlySet<CoatClass> = new Set(['medium-double', 'long-double', 'heavy-double', 'fleece']);

/** Share of a round that a part takes: its surface, and more where undercoat is deep. */
const workOf = (row: HomePartRow): number =>
  row.regions.reduce((t, r) => t + regionRow(r).surfaceShare * (0.5 + 0.5 * regionRow(r).undercoatFactor), 0);
const ALL_WORK = HOME_PART_ROWS.reduce((t, r) => t + workOf(r), 0);

/** Why a part is brushed as often as it is; the first that holds. */
function reasonFor(part: HomePart, { dog, dragged, packed, pinned, seeds }: NeedsRequest): PartReason {
  if (pinned.has(part)) return 'pinned';
  if (dragged.has(part)) return 'dragged';
  if (packed.has(part)) return 'packed';
  if (seeds && SEED_PARTS.has(part) && SEED_COATS.has(dog.coatClass)) return 'seeds';
  if (WATCHED[dog.coatClass].includes(part)) return 'watched';
  return BY_PLACE[part] ?? 'usual';
}
const BY_PLACE: Partial<Readonly<Record<HomePart, PartReason>>> = {
  face: 'weekly',
  feet: 'weekly',
  ears: 'weekly',
  belly: 'gentle',
  armpits: 'gentle',
};

/** Rhythm, limit and weight of a part that is brushed with the bouts of its coat: the watched ones in every bout. */
function inBouts(watched: boolean, often: number, short: boolean, blow: boolean) {
  if (watched) return { rhythmDays: often, limitDays: often + (blow ? 1 : 2), weight: WATCH_WEIGHT };
  const rhythmDays = short ? often : Math.max(2, 2 * often);
  return { rhythmDays, limitDays: Math.max(rhythmDays + 1, blow ? 4 : 7), weight: 1 };
}

/** What every open part of this dog asks, in working order. */
export function homeNeeds(request: NeedsRequest): readonly PartNeed[] {
  const { dog, blow, closed } = request;
  const { home, packs } = coatRow(dog.coatClass);
  // Short coats are done all over in one bout; long ones by parts.
  const round = home.minutes * (packs && home.minutes > SHORT_COAT_MINUTES ? ROUND_IN_BOUTS : 1);
  const often = Math.max(1, Math.round(7 / (blow ? home.boutsPerWeekInBlow : home.boutsPerWeek)));
  return HOME_PART_ROWS.filter((r) => !closed.has(r.part)).map((row): PartNeed => {
    const why = reasonFor(row.part, request);
    const half = Math.round((2 * round * workOf(row)) / ALL_WORK) / 2;
    const minutes = Math.max(LEAST_MINUTES, why === 'seeds' ? Math.round(2 * half * SEEDS_TAKE) / 2 : half);
    const need = { part: row.part, why, minutes };
    if (why === 'watched' || why === 'usual')
      return { ...need, ...inBouts(why === 'watched', often, round === home.minutes, blow) };
    const { [blow ? 'blow' : 'calm']: days, weight } = RHYTHMS[why];
    return { ...need, rhythmDays: days[0], limitDays: days[1], weight };
  });
}
/** Bouts no longer than this go over the whole of a short coat. */
const SHORT_COAT_MINUTES = 8;

/** Months in which seeds stand in the grass, at a place: half a year about midsummer. Guess. */
export const seedSeason = (month: number, latitudeDeg: number): boolean =>
  latitudeDeg >= 0 ? month >= 5 && month <= 10 : month >= 11 || month <= 4;
