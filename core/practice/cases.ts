/**
 * Decides which coats a beginner practises on, and in which order: a ladder that follows the trade, each rung with what it
 * teaches. A coat is told by its owner's words; what is true of it is for hands to find. Made-up dogs; readings are guesses
 * of what such a coat feels like, orders and lessons common practice.
 */
import { day } from '../quantity/index.ts';
import { breedOf, ZONE_IDS, zone, type Dog, type DogTrait, type Region, type ZoneId } from '../dog/index.ts';
import type { CoatCheck, Inspection, ZoneFindings } from '../check/index.ts';
import { DEFAULT_HOUSE, TOOL_KINDS, toolRow, type HouseRules, type Tool, type ToolKind } from '../kit/index.ts';
import type { Temper } from './patience.ts';

/** What is asked: to work the coat, or only to say what each zone is. */
export type Goal = 'work' | 'read';

export interface PracticeCase {
  /** Of a rung, or made from what the case came from. */
  readonly id: string;
  readonly goal: Goal;
  readonly dog: Dog;
  /** What is true of it; shown only where hands were laid. */
  readonly truth: CoatCheck;
  readonly kit: readonly Tool[];
  readonly house: HouseRules;
  readonly temper: Temper;
  /** What its owner says at the door. */
  readonly told: string;
}

export interface Rung {
  readonly id: string;
  readonly title: string;
  /** What it teaches, in a sentence. */
  readonly lesson: string;
  /** One coat, or several on one morning. */
  readonly cases: readonly PracticeCase[];
}

/** A room as a salon usually has it: one piece of each kind, with usual measures. */
export const practiceKit = (without: readonly ToolKind[] = []): readonly Tool[] =>
  TOOL_KINDS.filter((k) => !without.includes(k) && !BY_EVERY_ROOM.includes(k)).map((kind) => ({
    id: `room-${kind}`,
    kind,
    name: toolRow(kind).name,
  }));
/** Kinds that every room has without listing them. */
const BY_EVERY_ROOM: readonly ToolKind[] = ['towel', 'mister', 'conditioner'];
/** A beginner's room washes by hand. */
const NO_BATHER: readonly ToolKind[] = ['bather'];

/** Day of every made-up check: nothing of a case hangs on the calendar. */
const PRACTICE_DAY = day(22_000);

type ByPlace = Partial<Readonly<Record<Region | ZoneId, ZoneFindings>>>;

/** Findings over the whole dog, with those of regions and single zones in their place. */
export const findingsOver = (all: ZoneFindings, places: ByPlace = {}): CoatCheck['zones'] =>
  Object.fromEntries(
    ZONE_IDS.map((id) => [
      id,
      { tie: 'none', skin: 'clear', ...all, ...places[zone(id).region], ...places[id] } satisfies ZoneFindings,
    ]),
  );

interface Coat {
  readonly breed: string;
  readonly weightKg: number;
  readonly traits?: readonly DogTrait[];
  readonly outdoorShare?: number;
  readonly all: ZoneFindings;
  readonly places?: ByPlace;
  readonly inspection?: Inspection;
  readonly temper?: Temper;
  readonly goal?: Goal;
  readonly without?: readonly ToolKind[];
}

/** A made-up dog of a breed with this coat; throws RangeError for a breed that the table does not know. */
function caseOf(id: string, name: string, told: string, coat: Coat): PracticeCase {
  const row = breedOf(coat.breed);
  if (!row) throw new RangeError(`no such breed: ${coat.breed}`);
  const { weightKg } = coat;
  return {
    id,
    goal: coat.goal ?? 'work',
    temper: coat.temper ?? 'fair',
    told,
    dog: {
      name,
      breed: row.name,
      sex: 'female',
      coatClass: row.coatClass,
      weightKg,
      traits: [...row.traits, ...(coat.traits ?? [])],
      outdoorShare: coat.outdoorShare ?? 0.3,
    },
    truth: {
      day: PRACTICE_DAY,
      weightKg,
      guardMm: { back: row.backMm, ruff: Math.round(row.backMm * 1.3), breeches: Math.round(row.backMm * 1.2) },
      zones: findingsOver(coat.all, coat.places),
      inspection: coat.inspection ?? {},
      note: '',
    },
    kit: practiceKit([...NO_BATHER, ...(coat.without ?? [])]),
    house: DEFAULT_HOUSE,
  };
}

const CLEAR: ZoneFindings = { finger: 1, tug: 1, comb: 'glides' };
const LOOSE: ZoneFindings = { finger: 2, tug: 2, comb: 'drags' };
const DEEP: ZoneFindings = { finger: 3, tug: 2, comb: 'drags' };
const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops' };
const PLATE: ZoneFindings = { finger: 4, tug: 3, comb: 'stops' };
const KNOT: ZoneFindings = { finger: 2, tug: 1, comb: 'drags', tie: 'knot' };
const MAT: ZoneFindings = { finger: 3, tug: 1, comb: 'stops', tie: 'mat' };

const one = (id: string, title: string, lesson: string, name: string, told: string, coat: Coat): Rung => ({
  id,
  title,
  lesson,
  cases: [caseOf(id, name, told, coat)],
});

export const LADDER: readonly Rung[] = [
  one(
    'read-a-coat',
    'Read a coat',
    'Five tests tell clear, dense, loose, packed and tied hair apart before any tool is lifted.',
    'Birk',
    'He is shedding a bit. I brush his back every evening.',
    {
      breed: 'Eurasier',
      weightKg: 24,
      goal: 'read',
      temper: 'patient',
      all: LOOSE,
      places: {
        back: CLEAR,
        'ribs.left': CLEAR,
        'ribs.right': { finger: 2, tug: 1, comb: 'glides' },
        ruff: PACKED,
        'breeches.left': PLATE,
        'breeches.right': MAT,
        ears: KNOT,
        belly: { ...CLEAR, skin: 'pink' },
        'groin.left': { ...LOOSE, skin: 'hot-spot' },
        face: CLEAR,
        forefoot: CLEAR,
        hindfoot: CLEAR,
      },
    },
  ),
  one(
    'packed-or-matted',
    'Packed or matted',
    'Packed hair wants water and air; a tied mat is settled first, for water draws it tight.',
    'Ylva',
    'She is full of mats behind. They told us she must be shaved.',
    {
      breed: 'Samoyed',
      weightKg: 24,
      all: LOOSE,
      places: { ruff: PACKED, breeches: PLATE, hip: PACKED, tail: PACKED, 'ears.left': MAT, 'armpit.right': KNOT },
    },
  ),
  one(
    'first-smooth',
    'First smooth dog',
    'Rubber lifts a short coat, dry and in the lather; a blade is for minutes, on the torso, bone dry.',
    'Pelle',
    'Hair on everything we own, yet he hardly has a coat.',
    { breed: 'Labrador', weightKg: 30, all: LOOSE, places: { back: DEEP, ribs: DEEP, hip: DEEP, face: CLEAR } },
  ),
  one(
    'line-brushing',
    'Line by line',
    'A clean topline over a forgotten belly is the classic failure: a known start, and every zone passed by the comb.',
    'Sunniva',
    'We brush her, but she will not let us near her tummy.',
    {
      breed: 'Rough collie',
      weightKg: 25,
      all: LOOSE,
      places: {
        back: CLEAR,
        ribs: CLEAR,
        belly: PACKED,
        armpit: KNOT,
        groin: LOOSE,
        ears: KNOT,
        breeches: PACKED,
        ruff: DEEP,
        chest: PACKED,
      },
    },
  ),
  one(
    'old-giant',
    'Old giant in full blow',
    'An old dog bears an hour on its feet, not three: what stands it least and leaves it comfortable is the better work.',
    'Gorm',
    'He is twelve. The hips are not what they were, but he does like a bath.',
    {
      breed: 'Newfoundland',
      weightKg: 56,
      traits: ['senior', 'sore-joints'],
      temper: 'patient',
      all: DEEP,
      places: {
        breeches: PLATE,
        ruff: PACKED,
        hip: PACKED,
        tail: PACKED,
        back: LOOSE,
        face: CLEAR,
        forefoot: CLEAR,
        hindfoot: CLEAR,
      },
    },
  ),
  one(
    'head-shy',
    'Head-shy',
    'Head and ruff give up their hair in the soap; no dryer at the head, and breaks before the dog asks for one.',
    'Tuva',
    'Do not go near her ears with that machine.',
    {
      breed: 'Finnish lapphund',
      weightKg: 19,
      traits: ['head-shy', 'dryer-shy', 'nervous'],
      temper: 'impatient',
      all: LOOSE,
      places: { ruff: DEEP, breeches: DEEP, hip: DEEP },
    },
  ),
  one(
    'hands-off',
    'Hands off',
    'Some places, and some days, are for a vet first. What is left may still be worked.',
    'Frode',
    'He has been licking that spot. Just brush over it, would you.',
    {
      breed: 'Golden retriever',
      weightKg: 31,
      all: LOOSE,
      places: {
        'hip.left': { ...DEEP, skin: 'hot-spot' },
        'ribs.right': { ...LOOSE, skin: 'new-lump' },
        breeches: DEEP,
        ruff: DEEP,
      },
    },
  ),
  one(
    'not-today',
    'Not today',
    'Pain on pressure ends the visit before it starts: no coat is worth it.',
    'Embla',
    'She has been a bit slow on the stairs since Sunday. She needs her coat done for the party.',
    {
      breed: 'Bernese mountain dog',
      weightKg: 42,
      all: DEEP,
      places: { breeches: PACKED },
      inspection: { joints: 'trouble', stance: 'watch' },
    },
  ),
  {
    id: 'mixed-day',
    title: 'A mixed morning',
    lesson: 'Three coats in a row, three ways to work them: what was right for the last dog is not for the next.',
    cases: [
      caseOf('mixed-day-1', 'Nils', 'Only a tidy, he was here last month.', {
        breed: 'Beagle',
        weightKg: 13,
        all: CLEAR,
        places: { back: LOOSE, ribs: LOOSE, hip: LOOSE },
      }),
      caseOf('mixed-day-2', 'Asta', 'It comes out in handfuls since the weekend.', {
        breed: 'Siberian husky',
        weightKg: 22,
        outdoorShare: 0.7,
        all: DEEP,
        places: { breeches: PLATE, ruff: PACKED, face: CLEAR, forefoot: CLEAR, hindfoot: CLEAR },
      }),
      caseOf('mixed-day-3', 'Mio', 'He does not shed at all, that is why we have him.', {
        breed: 'Poodle, miniature',
        weightKg: 7,
        all: { finger: 1, tug: 0, comb: 'drags' },
        places: { ears: KNOT, 'armpit.left': KNOT },
      }),
    ],
  },
];

/** Every case of the ladder. */
export const LADDER_CASES: readonly PracticeCase[] = LADDER.flatMap((r) => r.cases);

const BY_ID = new Map(LADDER_CASES.map((c) => [c.id, c]));
/** A case of the ladder by its id. */
export const ladderCase = (id: string): PracticeCase | undefined => BY_ID.get(id);
