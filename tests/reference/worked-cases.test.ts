/**
 * Worked cases as a groomer would settle them: the condition, the stops, and the first piece taken in hand.
 *
 * Every expectation is common practice, written down from the trade before the program was asked, not from its output.
 * Rules of the table: each speaks in at least one case and is silent in at least one.
 */
import { expect } from 'chai';
import {
  openMethod,
  planVisit,
  rulesSpoken,
  type Crew,
  type Instead,
  type MethodPlan,
  type MethodRuling,
  type PhaseId,
  type PlanNote,
  type PlanRequest,
} from '../../core/bench/index.ts';
import { wholeCondition, zoneConditions, type ConditionKind, type ZoneFindings } from '../../core/check/index.ts';
import { coatRow, zone, type CoatClass, type Dog, type DogTrait, type ZoneId } from '../../core/dog/index.ts';
import {
  DEFAULT_HOUSE,
  RULES,
  TOOL_KINDS,
  toolRow,
  type HouseRules,
  type Tool,
  type ToolKind,
} from '../../core/kit/index.ts';
import { day } from '../../core/quantity/index.ts';
import { checkOf, dogOf } from '../core/examples.ts';
import { planFaults } from '../core/plan-rules.ts';

/** A well-stocked wall, with pieces whose own measures matter to a rule. */
const WALL: readonly Tool[] = [
  ...TOOL_KINDS.filter((k) => k !== 'bather').map((kind): Tool => ({ id: kind, kind, name: kind })),
  { id: 'loud-dryer', kind: 'force-dryer', name: 'loud dryer', dbA: 97 },
  { id: 'hot-dryer', kind: 'stand-dryer', name: 'hot dryer', heat: 'hot' },
  { id: 'wooden', kind: 'bristle', name: 'wooden bristle', wetSafe: false },
  { id: 'pointed', kind: 'firm-slicker', name: 'pointed slicker', tip: 'pointed' },
  { id: 'plastic', kind: 'plastic-blade-comb', name: 'plastic edge', material: 'plastic' },
  { id: 'plastic-comb', kind: 'comb', name: 'plastic comb', material: 'plastic' },
];

const CLEAR: ZoneFindings = { finger: 0, tug: 0, comb: 'glides' };
const KEPT: ZoneFindings = { finger: 1, tug: 1, comb: 'glides' };
const SHEDS: ZoneFindings = { finger: 1, tug: 2, comb: 'glides' };
const LOOSE: ZoneFindings = { finger: 2, tug: 2, comb: 'drags' };
const LIVE: ZoneFindings = { finger: 3, tug: 0, comb: 'glides' };
const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops' };
const PLATE: ZoneFindings = { finger: 4, tug: 3, comb: 'stops' };
const KNOT: ZoneFindings = { ...LOOSE, tie: 'knot' };
const MAT: ZoneFindings = { finger: 3, tug: 0, comb: 'stops', tie: 'mat' };
const PELT: ZoneFindings = { finger: 4, tug: 0, comb: 'stops', tie: 'pelt' };

const RAKE: readonly ToolKind[] = ['rake', 'rotating-rake'];
const SLICKER: readonly ToolKind[] = ['soft-slicker', 'firm-slicker', 'long-slicker'];
const BLADE: readonly ToolKind[] = ['blade-comb', 'plastic-blade-comb'];

interface Case {
  readonly what: string;
  readonly coat: readonly [CoatClass, kg: number, backMm: number];
  readonly all: ZoneFindings;
  readonly zones?: Partial<Record<ZoneId, ZoneFindings>>;
  readonly traits?: readonly DogTrait[];
  readonly dog?: Partial<Dog>;
  readonly house?: Partial<HouseRules>;
  readonly kit?: readonly Tool[];
  readonly inspection?: PlanRequest['check']['inspection'];
  readonly airC?: number;
  readonly daysSinceBath?: number;
  /** What the coat is called as a whole. */
  readonly is: ConditionKind;
  /** Zones that are called otherwise. */
  readonly zonesAre?: Partial<Record<ZoneId, ConditionKind>>;
  /** Zones left alone; 'dog' when nothing is done today. */
  readonly stops?: readonly ZoneId[] | 'dog';
  /** First piece in hand on this dog, or in a zone of it; none where nobody works. */
  readonly first?: readonly ToolKind[];
  readonly at?: ZoneId;
  /** Schools that a groomer would expect to be recommended. */
  readonly school?: readonly string[];
  /** Phases of today's visit as a groomer would order them; others may stand between. */
  readonly order?: readonly PhaseId[];
  /** Kinds that are in no step of any visit. */
  readonly never?: readonly ToolKind[];
  /** Minutes of today's visit, at most; of dematting by hand in it, at most. */
  readonly most?: number;
  readonly dematting?: number;
  /** Visits that the work takes. */
  readonly visits?: readonly [least: number, most: number];
  /** What is done in place of a groom. */
  readonly instead?: Instead['code'];
  /** Remarks that stand above the plan. */
  readonly notes?: readonly PlanNote['code'][];
  /** Zones that no visit comes to. */
  readonly left?: readonly ZoneId[];
  /** A caution that stands first beside every step that meets a zone. */
  readonly minds?: { readonly zone: ZoneId; readonly first: string };
  /** A caution that stands beside some step. */
  readonly says?: string;
  /** What rules a school out. */
  readonly rulesOut?: Readonly<Record<string, MethodRuling['code']>>;
  readonly crew?: Crew;
  readonly appointmentMinutes?: number;
  readonly humidityPct?: number;
  /** Zones that a vet has ordered clipped. */
  readonly clip?: readonly ZoneId[];
}

const CASES: readonly Case[] = [
  // Packed, loose, clear: reading the coat.
  {
    what: 'a giant in full blow, plates all over',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    is: 'packed',
    school: ['wet-first'],
    first: ['firm-slicker', 'long-slicker'],
  },
  {
    what: 'the same giant without a bather or strong air',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    kit: WALL.filter((t) => t.kind !== 'force-dryer'),
    is: 'packed',
    // A bath would take two visits and nearly two hours of soft air: a full dry round is as good an answer.
    school: ['dry-first', 'damp-line', 'home-brush'],
    first: [...RAKE, 'pin-brush'],
  },
  {
    what: 'a guardian that lives outdoors, packed',
    coat: ['heavy-double', 48, 85],
    all: PACKED,
    dog: { outdoorShare: 0.9 },
    is: 'packed',
    school: ['wet-first', 'air-first'],
  },
  {
    what: 'a plush spitz at the start of its blow',
    coat: ['medium-double', 25, 55],
    all: LOOSE,
    is: 'loose',
    first: [...RAKE, ...SLICKER],
  },
  {
    what: 'packed at ruff, breeches and tail only',
    coat: ['medium-double', 25, 55],
    all: LOOSE,
    zones: {
      'ruff.left': PACKED,
      'ruff.right': PACKED,
      'breeches.left': PACKED,
      'breeches.right': PACKED,
      tail: PACKED,
    },
    is: 'packed',
    zonesAre: { back: 'loose', tail: 'packed' },
  },
  {
    what: 'a full live winter coat, nothing comes',
    coat: ['medium-double', 25, 55],
    all: LIVE,
    is: 'dense',
    first: [...RAKE, ...SLICKER],
  },
  { what: 'a coat kept well at home', coat: ['long-double', 28, 90], all: KEPT, is: 'clear' },
  { what: 'just de-shed, skin at a touch', coat: ['smooth-double', 30, 26], all: CLEAR, is: 'clear' },
  {
    what: 'a smooth double in blow',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    is: 'loose',
    school: ['smooth'],
    first: ['rubber'],
  },
  {
    what: 'fine pass on a smooth double: the blade on the torso',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    house: { blade: 'smooth-doubles' },
    is: 'loose',
    school: ['smooth'],
  },
  {
    what: 'a smooth single: rubber and bristle',
    coat: ['smooth-single', 22, 10],
    all: SHEDS,
    is: 'loose',
    school: ['smooth'],
    first: ['rubber', 'bristle'],
  },
  {
    what: 'a harsh coat, loose',
    coat: ['harsh-double', 8, 40],
    all: LOOSE,
    is: 'loose',
    first: [...RAKE, ...SLICKER, 'rubber'],
  },
  {
    what: 'a long single coat: the comb decides',
    coat: ['fleece', 10, 60],
    all: KEPT,
    is: 'clear',
    first: ['pin-brush', 'comb', ...SLICKER],
  },
  {
    what: 'a long coat between baths, maintained',
    coat: ['long-double', 24, 70],
    all: KEPT,
    house: { weights: { hairOut: 10, minutes: 70, skin: 10, comfort: 10, dust: 0 } },
    is: 'clear',
    school: ['damp-line'],
    first: ['pin-brush'],
  },

  // Tied hair: decided before any water.
  {
    what: 'one knot behind an ear',
    coat: ['long-double', 24, 70],
    all: KEPT,
    zones: { 'ears.left': KNOT },
    is: 'clear',
    zonesAre: { 'ears.left': 'knotted' },
    at: 'ears.left',
    first: ['comb'],
  },
  {
    what: 'a mat in each armpit, worked out',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'armpit.left': MAT, 'armpit.right': MAT },
    is: 'loose',
    zonesAre: { 'armpit.left': 'matted' },
    at: 'armpit.left',
    first: ['comb'],
  },
  {
    what: 'a mat at the breeches in a house that splits',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    house: { mats: 'split' },
    is: 'loose',
    at: 'breeches.left',
    first: ['mat-splitter'],
  },
  {
    what: 'the same in a house that clips',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    house: { mats: 'clip' },
    is: 'loose',
    at: 'breeches.left',
    first: ['clipper'],
  },
  {
    what: 'a mat on a show coat is never cut',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { 'breeches.left': MAT },
    traits: ['show-coat'],
    house: { mats: 'clip' },
    is: 'loose',
    at: 'breeches.left',
    first: ['comb'],
  },
  {
    what: 'felted behind an ear',
    coat: ['fleece', 10, 60],
    all: KEPT,
    zones: { 'ears.right': PELT },
    is: 'clear',
    zonesAre: { 'ears.right': 'pelted' },
    at: 'ears.right',
    first: ['clipper'],
  },
  {
    what: 'knots with a house that sprays',
    coat: ['long-double', 24, 70],
    all: KEPT,
    zones: { 'foreleg.left': KNOT },
    house: { spray: 'spray' },
    is: 'clear',
    at: 'foreleg.left',
    first: ['comb'],
  },
  { what: 'matted over half the dog', coat: ['long-double', 20, 80], all: MAT, is: 'matted', first: ['comb'] },
  { what: 'a plate is not a mat', coat: ['long-double', 28, 90], all: PLATE, is: 'packed' },

  // Stops.
  {
    what: 'a hot spot on the hip',
    coat: ['long-double', 29, 65],
    all: LOOSE,
    zones: { 'hip.left': { ...LOOSE, skin: 'hot-spot' } },
    is: 'loose',
    zonesAre: { 'hip.left': 'stop' },
    stops: ['hip.left'],
    at: 'hip.left',
    first: [],
  },
  {
    what: 'a wound on the foreleg',
    coat: ['medium-double', 20, 50],
    all: LOOSE,
    zones: { 'foreleg.right': { skin: 'wound' } },
    is: 'loose',
    stops: ['foreleg.right'],
  },
  {
    what: 'a lump nobody knew',
    coat: ['smooth-double', 30, 26],
    all: KEPT,
    zones: { 'ribs.left': { ...KEPT, skin: 'new-lump' } },
    is: 'clear',
    stops: ['ribs.left'],
  },
  {
    what: 'a lump the owner knows',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    zones: { 'ribs.left': { ...LOOSE, skin: 'lump' } },
    is: 'loose',
    stops: [],
  },
  {
    what: 'ticks in one place: what crawls there is on the whole dog',
    coat: ['smooth-double', 30, 26],
    all: KEPT,
    zones: { 'ears.left': { ...KEPT, skin: 'parasites' } },
    is: 'clear',
    stops: 'dog',
    instead: 'isolate',
  },
  {
    what: 'fleas everywhere: isolate',
    coat: ['smooth-double', 30, 26],
    all: { ...KEPT, skin: 'parasites' },
    is: 'clear',
    stops: 'dog',
    instead: 'isolate',
  },
  {
    what: 'lame today',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    kit: [],
    inspection: { stance: 'trouble' },
    is: 'loose',
    stops: 'dog',
  },
  {
    what: 'pain at the hips',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    inspection: { joints: 'trouble' },
    is: 'loose',
    stops: 'dog',
  },
  {
    what: 'hard breathing',
    coat: ['heavy-double', 60, 70],
    all: PACKED,
    inspection: { breathing: 'trouble' },
    is: 'packed',
    stops: 'dog',
  },
  {
    what: 'a torn nail is noted, the coat is worked',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    inspection: { nails: 'trouble' },
    is: 'loose',
    stops: [],
    first: [...RAKE, ...SLICKER],
  },
  { what: 'felted all over, old', coat: ['fleece', 12, 50], all: PELT, traits: ['senior'], is: 'pelted', stops: 'dog' },
  {
    what: 'felted all over, young and sound: the clipper, by agreement',
    coat: ['fleece', 12, 50],
    all: PELT,
    is: 'pelted',
    stops: [],
    first: ['clipper'],
  },

  // Skin, and dogs that need care.
  {
    what: 'pink skin on the back: no rake, no slicker',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    zones: { back: { ...LOOSE, skin: 'pink' } },
    is: 'loose',
    at: 'back',
    first: ['comb', 'rubber', 'pin-brush', 'bristle'],
  },
  {
    what: 'dander under a packed coat',
    coat: ['heavy-double', 45, 75],
    all: { ...PACKED, skin: 'dander' },
    is: 'packed',
    stops: [],
    first: ['firm-slicker', 'long-slicker'],
  },
  {
    what: 'skin trouble: no blade anywhere',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    traits: ['skin-trouble', 'medicines'],
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'an old dog with sore joints',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    traits: ['senior', 'sore-joints'],
    is: 'loose',
    first: ['rotating-rake', 'soft-slicker', 'long-slicker', 'rubber'],
  },
  {
    what: 'puppy coat',
    coat: ['medium-double', 9, 35],
    all: SHEDS,
    traits: ['puppy-coat'],
    is: 'loose',
    first: ['rotating-rake', 'soft-slicker', 'rubber', 'rake'],
  },
  {
    what: 'short-nosed, a hot room',
    coat: ['smooth-double', 11, 16],
    all: SHEDS,
    traits: ['short-nosed'],
    airC: 31,
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'head-shy: nothing blows at the head',
    coat: ['heavy-double', 55, 70],
    all: PACKED,
    traits: ['head-shy', 'dryer-shy'],
    is: 'packed',
  },
  { what: 'may bite', coat: ['medium-double', 36, 50], all: LOOSE, traits: ['bites', 'nervous'], is: 'loose' },
  {
    what: 'a show coat in blow: line by line, no rake, no blade, nothing cut',
    coat: ['medium-double', 20, 60],
    all: LOOSE,
    traits: ['show-coat'],
    is: 'loose',
    first: ['pin-brush'],
  },
  {
    what: 'clipped last summer: no blade on the regrowth',
    coat: ['medium-double', 30, 30],
    all: LOOSE,
    traits: ['previously-clipped'],
    house: { blade: 'any-legal' },
    is: 'loose',
    first: [...RAKE, ...SLICKER, 'rubber'],
  },
  {
    what: 'clipped to the skin: hair of 6 mm',
    coat: ['long-double', 30, 6],
    all: KEPT,
    traits: ['previously-clipped'],
    is: 'clear',
    first: ['rubber', 'soft-slicker', 'comb', 'fine-comb', 'rotating-rake', 'rake', 'bristle'],
  },

  // Houses.
  {
    what: 'a house without blades',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    house: { blade: 'never' },
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'a house that brushes nothing wet',
    coat: ['heavy-double', 50, 80],
    all: PACKED,
    house: { wetBrushing: 'never' },
    is: 'packed',
    school: ['dry-first'],
    first: RAKE,
  },
  {
    what: 'a house that brushes damp only',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    house: { wetBrushing: 'damp-only' },
    is: 'loose',
    school: ['dry-first', 'damp-line'],
    first: [...RAKE, 'pin-brush'],
  },
  {
    what: 'slicker first, then rake',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    house: { slickerOrder: 'slicker-first', wetBrushing: 'never' },
    is: 'loose',
    school: ['dry-first'],
    first: SLICKER,
  },
  {
    what: 'bathed four days ago in a weekly house',
    coat: ['smooth-double', 30, 26],
    all: LOOSE,
    house: { bath: 'weekly' },
    daysSinceBath: 4,
    is: 'loose',
    first: ['rubber'],
  },

  // Kits.
  {
    what: 'no rake on the wall: the comb stands in',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    kit: WALL.filter((t) => !RAKE.includes(t.kind)),
    house: { wetBrushing: 'never' },
    is: 'loose',
    first: ['comb'],
  },
  {
    what: 'no blade on the wall: the close-tooth comb stands in',
    coat: ['smooth-double', 40, 26],
    all: LOOSE,
    kit: WALL.filter((t) => !BLADE.includes(t.kind)),
    is: 'loose',
    first: ['rubber'],
  },
  {
    what: 'a beginner with rubber, bristle and a tub',
    coat: ['smooth-single', 20, 12],
    all: SHEDS,
    kit: WALL.filter(
      (t) => ['rubber', 'hand-bath', 'towel'].includes(t.kind) || t.id === 'bristle' || t.id === 'stand-dryer',
    ),
    is: 'loose',
    school: ['smooth'],
    first: ['rubber'],
  },
  {
    what: 'a bather in the tub',
    coat: ['heavy-double', 50, 80],
    all: PLATE,
    kit: [...WALL, { id: 'bather', kind: 'bather', name: 'bather' }],
    is: 'packed',
    school: ['wet-first'],
  },
];

const only = (...kinds: readonly ToolKind[]): readonly Tool[] =>
  WALL.filter((t) => kinds.includes(t.kind) && t.id === t.kind);
const without = (...kinds: readonly ToolKind[]): readonly Tool[] => WALL.filter((t) => !kinds.includes(t.kind));

/** Dogs on whom plans went wrong, each with what a groomer would do instead. */
const HARD: readonly Case[] = [
  // What does not fit one visit.
  {
    what: 'a packed giant with sore joints in a room without a tub: all of it in some visit',
    coat: ['heavy-double', 55, 85],
    all: PACKED,
    traits: ['sore-joints'],
    kit: without('hand-bath', 'bather'),
    is: 'packed',
    most: 90,
    left: [],
  },
  {
    what: 'an old sore giant, packed: several short visits, never one long one',
    coat: ['heavy-double', 60, 85],
    all: PACKED,
    traits: ['senior', 'sore-joints'],
    is: 'packed',
    visits: [2, 4],
    most: 90,
    left: [],
  },
  {
    what: 'the same dog standing: an hour and no more',
    coat: ['heavy-double', 60, 85],
    all: PACKED,
    dog: { standingMinutes: 60 },
    is: 'packed',
    visits: [2, 4],
    most: 60,
    left: [],
  },
  {
    what: 'a big puppy in loose coat: twenty minutes',
    coat: ['heavy-double', 30, 50],
    all: LOOSE,
    traits: ['puppy-coat'],
    is: 'loose',
    school: ['puppy-bout'],
    most: 20,
    never: ['firm-slicker', 'long-slicker', 'hand-bath', 'force-dryer'],
  },
  {
    what: 'twenty minutes for an old dog with three mats: mats first, the rest another day',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    zones: { 'armpit.left': MAT, 'armpit.right': MAT, 'breeches.left': MAT },
    traits: ['senior'],
    appointmentMinutes: 20,
    is: 'loose',
    most: 20,
    dematting: 10,
  },
  {
    what: 'half an hour for a loose plush dog: what half an hour does',
    coat: ['medium-double', 25, 55],
    all: LOOSE,
    appointmentMinutes: 30,
    is: 'loose',
    most: 30,
  },

  // Nothing to groom.
  {
    what: 'hot spots wherever hands go: a vet, and no price',
    coat: ['medium-double', 25, 50],
    all: { ...LOOSE, skin: 'hot-spot' },
    is: 'clear',
    instead: 'vet-first',
  },
  {
    what: 'skin at a touch, nothing comes: a bath, or nothing',
    coat: ['smooth-double', 30, 26],
    all: CLEAR,
    is: 'clear',
    notes: ['clean'],
    school: ['bath-only'],
    most: 35,
    never: ['rubber', 'rake', 'firm-slicker', 'blade-comb'],
  },
  {
    what: 'clean, in a room that cannot dry: nothing to do but look',
    coat: ['medium-double', 25, 50],
    all: CLEAR,
    kit: without('force-dryer', 'stand-dryer'),
    is: 'clear',
    notes: ['clean'],
    never: ['hand-bath'],
  },
  {
    what: 'fleas at the tail: the whole dog is kept apart',
    coat: ['long-double', 24, 70],
    all: LOOSE,
    zones: { tail: { ...LOOSE, skin: 'parasites' } },
    is: 'loose',
    stops: 'dog',
    instead: 'isolate',
  },
  {
    what: 'fleas that the look before found: kept apart',
    coat: ['smooth-double', 24, 25],
    all: KEPT,
    inspection: { parasites: 'trouble' },
    is: 'clear',
    stops: 'dog',
    instead: 'isolate',
  },

  // A bath ends dry.
  {
    what: 'short-nosed, and the only dryer is hot: no bath today',
    coat: ['smooth-double', 12, 20],
    all: LOOSE,
    traits: ['short-nosed'],
    kit: WALL.filter((t) => t.kind !== 'force-dryer' && (t.kind !== 'stand-dryer' || t.id === 'hot-dryer')),
    is: 'loose',
    school: ['home-smooth'],
    never: ['hand-bath'],
    rulesOut: { smooth: 'no-dryer-may' },
  },
  {
    what: 'the same with hair of 8 mm: two towels dry it',
    coat: ['smooth-single', 12, 8],
    all: SHEDS,
    traits: ['short-nosed'],
    kit: WALL.filter((t) => t.kind !== 'force-dryer' && (t.kind !== 'stand-dryer' || t.id === 'hot-dryer')),
    is: 'loose',
    school: ['smooth'],
    order: ['bath', 'towel'],
    never: ['stand-dryer'],
  },
  {
    what: 'head-shy, and nothing but a force dryer: the ruff cannot be dried, so no bath',
    coat: ['heavy-double', 45, 75],
    all: PACKED,
    traits: ['head-shy'],
    kit: without('stand-dryer'),
    is: 'packed',
    never: ['hand-bath', 'force-dryer'],
    rulesOut: { 'wet-first': 'no-dryer-may' },
  },

  // The caution that matters.
  {
    what: 'a known lump on the ribs is said first at every step that meets it',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    zones: { 'ribs.left': { ...LOOSE, skin: 'lump' } },
    is: 'loose',
    minds: { zone: 'ribs.left', first: 'warn-lump' },
  },
  {
    what: 'folds at the throat are said at the rake',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    house: { wetBrushing: 'never' },
    is: 'loose',
    school: ['dry-first'],
    says: 'warn-folds',
  },
  {
    what: 'a dog that may bite: said wherever a hand is near',
    coat: ['medium-double', 30, 50],
    all: LOOSE,
    traits: ['bites'],
    is: 'loose',
    says: 'warn-bites',
  },
  {
    what: 'dry winter air: mist first, metal pieces too',
    coat: ['long-double', 25, 70],
    all: LOOSE,
    house: { wetBrushing: 'never' },
    airC: 19,
    humidityPct: 25,
    is: 'loose',
    says: 'warn-dry-air',
  },

  // Ties.
  {
    what: 'matted all over: no more than twenty minutes of combing out a visit',
    coat: ['long-double', 25, 80],
    all: MAT,
    is: 'matted',
    dematting: 20,
    never: [],
  },
  {
    what: 'four mats on an old dog: ten minutes a visit',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    zones: { 'armpit.left': MAT, 'armpit.right': MAT, 'breeches.left': MAT, 'breeches.right': MAT },
    traits: ['senior'],
    is: 'loose',
    dematting: 10,
    visits: [2, 4],
  },
  {
    what: 'felted over wide areas, young and sound: clipped, and nothing scrapes what is shaved',
    coat: ['fleece', 14, 60],
    all: PELT,
    is: 'pelted',
    first: ['clipper'],
    never: ['soft-slicker', 'firm-slicker', 'long-slicker', 'comb', 'pin-brush'],
  },
  {
    what: 'one pelt and nothing that may settle it: left, the rest worked dry',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    zones: { 'armpit.left': PELT },
    kit: without('clipper', 'mat-splitter'),
    is: 'loose',
    left: ['armpit.left'],
    never: ['hand-bath'],
    rulesOut: { 'wet-first': 'ties-unsettled' },
  },
  {
    what: 'a pelt on a show coat: its breeder decides, nothing is cut',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    zones: { 'breeches.left': PELT },
    traits: ['show-coat'],
    house: { mats: 'clip' },
    is: 'loose',
    left: ['breeches.left'],
    never: ['clipper', 'mat-splitter', 'thinning-shears', 'hand-bath'],
  },

  // Whose way it is.
  {
    what: 'dryer-shy and packed: soft air, no force dryer anywhere',
    coat: ['medium-double', 25, 55],
    all: PACKED,
    traits: ['dryer-shy'],
    is: 'packed',
    school: ['quiet-head'],
    never: ['force-dryer'],
    order: ['bath', 'soapy-work', 'rewash', 'towel', 'drying', 'comb'],
  },
  {
    what: 'nervous and loose: the same quiet way',
    coat: ['smooth-double', 25, 26],
    all: LOOSE,
    traits: ['nervous'],
    is: 'loose',
    school: ['quiet-head'],
    never: ['force-dryer'],
  },
  {
    what: 'may bite: no force dryer',
    coat: ['medium-double', 25, 50],
    all: PACKED,
    traits: ['bites'],
    is: 'packed',
    school: ['quiet-head'],
    never: ['force-dryer'],
  },
  {
    what: 'dryer-shy once, and used to it by now: as any other dog',
    coat: ['medium-double', 25, 55],
    all: PACKED,
    traits: ['dryer-shy', 'takes-dryer'],
    is: 'packed',
    school: ['wet-first'],
  },

  // Tools that nobody would take.
  {
    what: 'a packed spitz: the close-tooth comb for face and feet alone',
    coat: ['medium-double', 25, 55],
    all: PACKED,
    kit: without('comb'),
    is: 'packed',
  },
  {
    what: 'packed hair of 55 mm and only rubber for the lather: another way is taken',
    coat: ['medium-double', 25, 55],
    all: PACKED,
    kit: only('rake', 'rubber', 'comb', 'hand-bath', 'force-dryer', 'towel'),
    is: 'packed',
    school: ['dry-first', 'home-rake'],
    first: ['rake'],
  },
  {
    what: 'a puppy of 3 kg: nothing firm',
    coat: ['long-double', 3, 35],
    all: LOOSE,
    traits: ['puppy-coat'],
    is: 'loose',
    never: ['firm-slicker', 'long-slicker', 'blade-comb', 'plastic-blade-comb'],
  },
  {
    what: 'a harsh coat: no conditioner',
    coat: ['harsh-double', 9, 40],
    all: LOOSE,
    is: 'loose',
    never: ['conditioner'],
  },
  {
    what: 'curls: the comb has gone through before any water',
    coat: ['fleece', 10, 60],
    all: LOOSE,
    is: 'loose',
    school: ['comb-through'],
    order: ['mist', 'comb-out', 'bath', 'drying', 'comb'],
  },
  {
    what: 'curls on a nervous dog: combed through first, too',
    coat: ['fleece', 10, 60],
    all: LOOSE,
    traits: ['nervous'],
    is: 'loose',
    school: ['quiet-head'],
    order: ['comb-out', 'bath', 'drying'],
    never: ['force-dryer'],
  },
  {
    what: 'a coat felt bare at the back: no blade there',
    coat: ['smooth-double', 35, 26],
    all: LOOSE,
    zones: { back: CLEAR },
    is: 'loose',
    school: ['smooth'],
  },
  {
    what: 'a kit of one comb: as far as a comb goes',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    kit: only('comb'),
    is: 'loose',
    first: ['comb'],
    most: 60,
  },
  {
    what: 'a toy of 4 kg: one brush for all of it',
    coat: ['medium-double', 4, 45],
    all: LOOSE,
    is: 'loose',
    most: 30,
  },

  // What is to be expected.
  {
    what: 'clipped before: said, and no blade',
    coat: ['medium-double', 25, 40],
    all: PACKED,
    traits: ['previously-clipped'],
    is: 'packed',
    notes: ['clipped-before'],
    never: ['blade-comb', 'plastic-blade-comb', 'carding-blade'],
  },

  {
    what: 'a flank clipped by a vet’s order: clipped first, the rest as any other dog',
    coat: ['medium-double', 25, 50],
    all: LOOSE,
    clip: ['ribs.left'],
    is: 'loose',
    at: 'ribs.left',
    first: ['clipper'],
    order: ['ties', 'bath', 'drying', 'comb'],
    notes: ['clip-ordered'],
  },
  {
    what: 'a show coat before a surgery: the order goes before the coat',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    traits: ['show-coat'],
    clip: ['belly'],
    is: 'loose',
    at: 'belly',
    first: ['clipper'],
    left: [],
    notes: ['clip-ordered'],
  },

  // The schools in their order.
  {
    what: 'wet first, step by step',
    coat: ['heavy-double', 40, 70],
    all: PACKED,
    is: 'packed',
    school: ['wet-first'],
    order: ['bath', 'soapy-work', 'rewash', 'towel', 'drying', 'comb'],
  },
  {
    what: 'dry first, step by step',
    coat: ['medium-double', 25, 50],
    all: PACKED,
    house: { wetBrushing: 'never' },
    is: 'packed',
    school: ['dry-first'],
    order: ['dry-rake', 'dry-slicker', 'bath', 'towel', 'drying', 'comb'],
  },
  {
    what: 'smooth, step by step',
    coat: ['smooth-double', 30, 24],
    all: LOOSE,
    is: 'loose',
    school: ['smooth'],
    order: ['dry-rubber', 'bath', 'rewash', 'towel', 'drying'],
  },
  {
    what: 'a mat before any water',
    coat: ['long-double', 25, 80],
    all: LOOSE,
    zones: { 'armpit.left': MAT },
    is: 'loose',
    order: ['ties', 'bath', 'drying', 'comb'],
    never: ['clipper'],
  },
];

const ALL = [...CASES, ...HARD];

const requestOf = (c: Case): PlanRequest => ({
  dog: dogOf(c.coat[0], c.coat[1], { traits: c.traits ?? [], ...c.dog }),
  check: {
    ...checkOf(c.coat[1], c.coat[2], c.all, c.zones),
    inspection: c.inspection ?? {},
    ...(c.airC !== undefined && { air: { temperatureC: c.airC, humidityPct: c.humidityPct } }),
  },
  kit: c.kit ?? WALL,
  house: { ...DEFAULT_HOUSE, ...c.house },
  daysSinceBath: c.daysSinceBath,
  crew: c.crew,
  ...(c.clip && { clipOrders: [{ day: day(20_000), who: 'the vet', why: 'vet', zones: c.clip }] }),
  appointmentMinutes: c.appointmentMinutes,
});

/** What a plan does otherwise than the case says. */
function orderFaults(c: Case, best: MethodPlan): readonly string[] {
  const faults: string[] = [];
  const visits = [best.steps, ...best.later.map((v) => v.steps)];
  const steps = visits.flat();
  let at = -1;
  for (const phase of c.order ?? []) {
    const next = best.steps.findIndex((s, i) => i > at && s.phase === phase);
    if (next < 0) faults.push(`no ${phase} where it belongs: ${best.steps.map((s) => s.phase).join(' ')}`);
    at = Math.max(at, next);
  }
  for (const kind of c.never ?? []) if (steps.some((s) => s.tool.kind === kind)) faults.push(`takes the ${kind}`);
  if (c.most !== undefined && best.minutes > c.most) faults.push(`takes ${best.minutes} min`);
  if (c.visits && (visits.length < c.visits[0] || visits.length > c.visits[1])) faults.push(`${visits.length} visits`);
  for (const visit of visits) {
    const combed = visit
      .filter((s) => s.phase === 'ties' && s.tool.kind !== 'clipper')
      .flatMap((s) => s.zones.map((z) => z.minutes))
      .reduce((a, b) => a + b, 0);
    if (c.dematting !== undefined && combed > c.dematting + 1e-6) faults.push(`dematted for ${combed} min`);
  }
  if (c.left && best.left.map((z) => z.zone).join() !== c.left.join())
    faults.push(`left: ${best.left.map((z) => z.zone).join()}`);
  const { minds, says } = c;
  if (minds) {
    for (const s of steps.filter((x) => x.zones.some((z) => z.zone === minds.zone))) {
      if (s.cautions[0] !== minds.first) faults.push(`${s.id} says ${s.cautions[0] ?? 'nothing'} first`);
    }
  }
  if (says !== undefined && !steps.some((s) => s.cautions.includes(says))) faults.push(`does not say ${says}`);
  const fine = steps.filter((s) => s.tool.kind === 'fine-comb' && !c.coat[0].startsWith('smooth'));
  for (const s of fine)
    for (const z of s.zones)
      if (!FINE_PLACES.includes(zone(z.zone).region)) faults.push(`close-tooth comb at ${z.zone}`);
  for (const s of steps.filter((x) => BLADE.includes(x.tool.kind)))
    for (const z of s.zones) if (c.zones?.[z.zone]?.finger === 0) faults.push(`blade on bare ${z.zone}`);
  return faults;
}
const FINE_PLACES: readonly string[] = ['face', 'ears', 'forefoot', 'hindfoot'];

describe('worked cases (common practice)', () => {
  it('are at least 80', () => expect(ALL.length).to.be.at.least(80));

  for (const c of ALL) {
    it(c.what, () => {
      const request = requestOf(c);
      const plan = planVisit(request);
      const conditions = zoneConditions(request.check, coatRow(request.dog.coatClass));
      expect(wholeCondition(conditions).kind, 'the coat as a whole').to.equal(c.is);
      for (const [id, kind] of Object.entries(c.zonesAre ?? {})) {
        expect(conditions.find((z) => z.zone === id)?.kind, id).to.equal(kind);
      }
      expect(plan.instead?.code, 'in place of a groom').to.equal(
        c.stops === 'dog' ? (c.instead ?? 'vet-first') : c.instead,
      );
      if (c.stops === 'dog' || c.instead) {
        if (c.stops === 'dog') expect(plan.stops.dog, 'stops the dog').to.not.have.length(0);
        expect(plan.methods).to.have.length(0);
        return;
      }
      expect(plan.stops.dog, 'goes on').to.have.length(0);
      if (c.stops) expect(plan.stops.zones.map((s) => s.zone)).to.deep.equal(c.stops);
      const best = plan.recommended && openMethod(plan, plan.recommended.method);
      if (!best) throw new Error('no method is open');
      if (c.school) expect(c.school, 'school').to.include(best.method);
      expect(orderFaults(c, best), `${best.method}: as a groomer orders it`).to.deep.equal([]);
      expect(planFaults(plan, request), 'what no plan may break').to.deep.equal([]);
      for (const code of c.notes ?? []) expect(plan.notes.map((n) => n.code)).to.include(code);
      for (const [id, code] of Object.entries(c.rulesOut ?? {})) {
        expect(plan.methods.find((m) => m.method === id)).to.have.nested.property('why.code', code);
      }
      if (!c.first) return;
      const byHand = best.steps.filter((s) => toolRow(s.tool.kind).cm2PerMinute > 0);
      const first = byHand.find((s) => !c.at || s.zones.some((z) => z.zone === c.at));
      if (c.first.length === 0) expect(first, 'nothing is taken in hand there').to.equal(undefined);
      else expect(c.first, `${best.method} begins with ${first?.tool.kind ?? 'nothing'}`).to.include(first?.tool.kind);
    });
  }

  it('make every rule speak in at least one and be silent in at least one', () => {
    const counts = new Map(RULES.map((r) => [r.id, 0]));
    for (const c of ALL) {
      for (const id of rulesSpoken(requestOf(c)).keys()) counts.set(id, (counts.get(id) ?? 0) + 1);
    }
    const mute = [...counts].filter(([, n]) => n === 0).map(([id]) => id);
    const always = [...counts].filter(([, n]) => n === ALL.length).map(([id]) => id);
    expect(mute, 'rules that never speak').to.deep.equal([]);
    expect(always, 'rules that are never silent').to.deep.equal([]);
  });
});
