/**
 * What each school of working does, in which order, and who argues for and against it.
 * Orders and arguments are common practice; target passes are guesses fitted to the check values.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import {
  DREADS_DRYER,
  careFor,
  careRow,
  COAT_CLASSES,
  type CareItem,
  type CareRow,
  type CoatClass,
  type Dog,
  type DogTrait,
  type Region,
} from '../dog/index.ts';
import { BLADES, RAKES, SLICKERS, type Quarrels, type ToolKind, type Wetness } from '../kit/index.ts';

export const METHOD_IDS = [
  'dry-first',
  'wet-first',
  'smooth',
  'air-first',
  'damp-line',
  'home-rake',
  'home-brush',
  'home-smooth',
  'puppy-bout',
  'lying-down',
  'quiet-head',
  'show-coat',
  'comb-through',
  'ties-today',
  'bath-only',
  'what-there-is',
] as const;
export type MethodId = (typeof METHOD_IDS)[number];

export const PHASE_IDS = [
  'ties',
  'air',
  'dry-rubber',
  'dry-pin',
  'dry-rake',
  'dry-slicker',
  'mist',
  'damp-pin',
  'damp-slicker',
  'bath',
  'soapy-work',
  'rewash',
  'condition',
  'towel',
  'drying',
  'edge',
  'comb-out',
  'face-feet',
  'comb',
  'finish',
  'care-nails',
  'care-ears',
  'care-teeth',
  'care-eyes',
  'care-pads',
  'care-sanitary',
  'care-tidy',
] as const;
export type PhaseId = (typeof PHASE_IDS)[number];

/** Where a phase's minutes come from: hands over a zone, water, towel or air over the whole dog, care around the coat. */
export type PhaseWork =
  'hands' | 'ties' | 'bath' | 'rewash' | 'condition' | 'mist' | 'towel' | 'drying' | 'air' | 'care';

export interface Phase {
  readonly id: PhaseId;
  readonly work: PhaseWork;
  /** State of the coat in which it is meant to run. */
  readonly wetness: Wetness;
  /** Kinds that may do it; the best fit in the kit is taken for each zone. */
  readonly tools: readonly ToolKind[];
  /** Passes over a zone that a groomer gives by habit, by its condition: where the search for better minutes begins. */
  readonly passes: { readonly clear: number; readonly loose: number; readonly packed: number };
  /** The item of care that it is. */
  readonly care?: CareItem;
  /** Places that it is for; all where none is said. */
  readonly regions?: readonly Region[];
  /** A phase that may be left out when the kit has nothing for it. */
  readonly optional: boolean;
}

/** What a method needs, and what rules it out. */
export interface MethodNeeds {
  /** Coat classes for which the school has a case at all. */
  readonly classes: readonly CoatClass[];
  readonly forceDryer?: boolean;
  /** The school's case holds only for dogs that live outdoors at least this share of their time. */
  readonly fromOutdoorShare?: number;
  /** A routine made for dogs with one of these traits; others have better ways. */
  readonly forTraits?: readonly DogTrait[];
  /** A routine made for tied coats. */
  readonly tied?: boolean;
  /** Only for a coat through which the comb falls everywhere already. */
  readonly clean?: boolean;
  /** Tried only where nothing else is open: a part of the work is better than none. */
  readonly lastResort?: boolean;
  /** How much of a whole score speaks for it on a dog that it is made for. Guess. */
  readonly favour?: number;
  /** Traits with which it is a dog's way whatever else measures, unless others of its traits say that it has outgrown that. */
  readonly default?: { readonly for: readonly DogTrait[]; readonly unless: readonly DogTrait[] };
  /** Longest time at the table that the routine allows itself, minutes. */
  readonly boutMinutes?: number;
}

export interface Method {
  readonly id: MethodId;
  readonly name: string;
  readonly phases: readonly Phase[];
  readonly needs: MethodNeeds;
  readonly case: string;
  readonly arguedAgainst: string;
  readonly source: Source;
}

const NONE = { clear: 0, loose: 0, packed: 0 };
const passes = (clear: number, loose: number, packed: number): Phase['passes'] => ({ clear, loose, packed });
const row = (
  id: PhaseId,
  work: PhaseWork,
  wetness: Wetness,
  tools: readonly ToolKind[],
  usual: Phase['passes'] = NONE,
  optional = false,
): Phase => ({ id, work, wetness, tools, passes: usual, optional });

const EDGES: readonly ToolKind[] = [...BLADES.filter((b) => b !== 'carding-blade'), 'fine-comb'];

/** The phase of an item of care: at its own places, with what every room has for it. */
const careOf = (item: CareItem): Phase => ({
  ...row(`care-${item}`, 'care', 'dry', ['care-set'], NONE, true),
  regions: careRow(item).regions,
  care: item,
});

const COMB_ONLY: readonly Region[] = ['face', 'forefoot', 'hindfoot'];

/** Every phase as it is usually done. Orders are common practice; passes are guesses. */
export const PHASES: Readonly<Record<PhaseId, Phase>> = {
  ties: row('ties', 'ties', 'dry', ['comb', 'mat-splitter', 'clipper']),
  air: row('air', 'air', 'dry', ['force-dryer']),
  'dry-rubber': row('dry-rubber', 'hands', 'dry', ['rubber'], passes(0.8, 1.8, 2.4)),
  'dry-pin': row('dry-pin', 'hands', 'dry', ['pin-brush'], passes(0.6, 1, 1.2), true),
  'dry-rake': row('dry-rake', 'hands', 'dry', RAKES, passes(0.5, 1.7, 3.8)),
  'dry-slicker': row('dry-slicker', 'hands', 'dry', [...SLICKERS, 'electric-brush'], passes(0.6, 1.5, 2.8)),
  mist: row('mist', 'mist', 'damp', ['mister']),
  'damp-pin': row('damp-pin', 'hands', 'damp', ['pin-brush'], passes(0.7, 1, 1.3), true),
  'damp-slicker': row('damp-slicker', 'hands', 'damp', SLICKERS, passes(0.6, 1.5, 2.6)),
  bath: row('bath', 'bath', 'soapy', ['bather', 'hand-bath']),
  'soapy-work': row('soapy-work', 'hands', 'soapy', [...SLICKERS, 'rubber', 'pin-brush'], passes(0.8, 1.8, 3.4)),
  rewash: row('rewash', 'rewash', 'soapy', ['bather', 'hand-bath']),
  condition: row('condition', 'condition', 'wet', ['conditioner'], NONE, true),
  towel: row('towel', 'towel', 'wet', ['towel']),
  drying: row('drying', 'drying', 'damp', ['force-dryer', 'stand-dryer']),
  edge: row('edge', 'hands', 'dry', EDGES, passes(0.4, 1.2, 1.6), true),
  // The comb as the tool of the work: coats that mat and hardly shed.
  'comb-out': row('comb-out', 'hands', 'damp', ['comb'], passes(1, 1.4, 1.8)),
  // Where nothing but a comb may go it is the tool of the work as well.
  'face-feet': {
    ...row('face-feet', 'hands', 'dry', ['fine-comb', 'comb'], passes(0.6, 1.2, 1.6), true),
    regions: COMB_ONLY,
  },
  // The comb as the proof: once through, with no pressure.
  comb: row('comb', 'hands', 'dry', ['comb', 'fine-comb']),
  finish: row('finish', 'hands', 'dry', ['bristle'], passes(0.6, 0.8, 0.8), true),
  'care-nails': careOf('nails'),
  'care-ears': careOf('ears'),
  'care-teeth': careOf('teeth'),
  'care-eyes': careOf('eyes'),
  'care-pads': careOf('pads'),
  'care-sanitary': careOf('sanitary'),
  'care-tidy': careOf('tidy'),
};
const P = PHASES;
const optional = (phase: Phase): Phase => ({ ...phase, optional: true });
const by = (phase: Phase, ...tools: readonly ToolKind[]): Phase => ({ ...phase, tools });

const SMOOTH_LATHER = { ...by(P['soapy-work'], 'rubber', 'soft-slicker'), passes: passes(0.7, 1.5, 2.2) };
const SOFT: readonly ToolKind[] = ['soft-slicker', 'pin-brush', 'rubber', 'bristle'];
const WIDE_COMB = by(P.comb, 'comb');

const HAND_KINDS: readonly ToolKind[] = [...RAKES, ...SLICKERS, 'rubber', 'pin-brush', 'comb', 'fine-comb', 'bristle'];

const DAMP_PROOF: readonly Phase[] = [
  { ...P['face-feet'], wetness: 'damp' },
  { ...WIDE_COMB, wetness: 'damp' },
];

const UNDERCOATED: readonly CoatClass[] = [
  'smooth-double',
  'medium-double',
  'long-double',
  'heavy-double',
  'harsh-double',
];

const UNDERCOATED_LONG: readonly CoatClass[] = ['medium-double', 'long-double', 'heavy-double'];

export const METHODS: readonly Method[] = [
  {
    id: 'dry-first',
    name: 'Dry first',
    phases: [P.ties, P['dry-rake'], P['dry-slicker'], P.bath, P.towel, P.drying, P['face-feet'], P.comb, P.finish],
    needs: { classes: UNDERCOATED },
    case: 'Shampoo reaches the skin once the bulk is out; needs no strong dryer; suits short doubles and tied coats.',
    arguedAgainst: 'Dusty, hard on hands, and brittle dry hair breaks.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'wet-first',
    name: 'Wet first',
    phases: [P.ties, P.bath, P['soapy-work'], P.rewash, P.towel, P.drying, P['face-feet'], P.comb],
    needs: { classes: UNDERCOATED, forceDryer: true },
    case: 'Wet hair stretches and soap slicks: packed coats and old dogs; half the hair leaves in the tub, dander never flies.',
    arguedAgainst: 'Needs soap to the skin all over and a strong dryer; tied hair tightens.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'smooth',
    name: 'Smooth',
    phases: [
      P.ties,
      P['dry-rubber'],
      P.bath,
      SMOOTH_LATHER,
      P.rewash,
      P.condition,
      P.towel,
      P.drying,
      P.edge,
      P.finish,
    ],
    needs: { classes: ['smooth-single', 'smooth-double', 'harsh-double'] },
    case: 'Rubber lifts short hair wet and dry with hardly any load on the skin.',
    arguedAgainst: 'Rubber does little once the guard hair is longer than its nubs.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'air-first',
    name: 'Air first',
    phases: [
      P.ties,
      P.air,
      P.bath,
      P.condition,
      P.towel,
      P.drying,
      P['dry-rake'],
      P['dry-slicker'],
      P['dry-pin'],
      P['face-feet'],
      P.comb,
    ],
    needs: { classes: UNDERCOATED_LONG, forceDryer: true, fromOutdoorShare: 0.5 },
    case: 'Blows dirt and free hair off a coat that lives outdoors, so that a thinner coat is bathed.',
    arguedAgainst: 'Dirt and dust everywhere: a mask, and best outdoors.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'damp-line',
    name: 'Damp line',
    phases: [P.ties, P.mist, P['damp-pin'], P['damp-slicker'], ...DAMP_PROOF],
    needs: { classes: [...UNDERCOATED_LONG, 'fleece'] },
    case: 'Long coats between baths: damp hair stretches instead of breaking.',
    arguedAgainst: 'No bulk leaves in a heavy blow.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'home-rake',
    name: 'Rake, knots, finish',
    phases: [P.ties, P['dry-rake'], P['face-feet'], WIDE_COMB, P.finish],
    needs: { classes: ['medium-double', 'heavy-double', 'harsh-double'] },
    case: 'No water: a dry round between baths, as owners of rough-country dogs do it daily.',
    arguedAgainst: 'Nothing washes out: dander and dust stay in the coat.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'home-brush',
    name: 'Brush, rake, slicker, comb',
    phases: [P.ties, P['dry-pin'], P['dry-rake'], P['dry-slicker'], P['face-feet'], P.comb, P.finish],
    needs: { classes: ['medium-double', 'heavy-double', 'harsh-double'] },
    case: 'No water: a full dry round for a dog in its blow, as its owner does it daily.',
    arguedAgainst: 'Dry brushing alone leaves what only water and air let go.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'home-smooth',
    name: 'Rubber, edge, bristle',
    phases: [P.ties, P['dry-rubber'], P.edge, P.finish],
    needs: { classes: ['smooth-single', 'smooth-double'] },
    case: 'No water: what a short coat lets go of dry, as its owner does it a few times a week.',
    arguedAgainst: 'Nothing washes out: what is deep stays for the bath.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'puppy-bout',
    name: 'Puppy bout',
    phases: [P.ties, { ...by(P['dry-slicker'], ...SOFT), passes: passes(0.4, 0.8, 1.2) }, P['face-feet'], P.comb],
    needs: {
      classes: COAT_CLASSES,
      forTraits: ['puppy-coat'],
      favour: 1,
      default: { for: ['puppy-coat'], unless: [] },
      boutMinutes: 20,
    },
    case: 'Soft tools, no water, five minutes at a time with pauses: the coat is the lesson, not the aim.',
    arguedAgainst: 'Dead fluff stays: more visits, each of them short.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'lying-down',
    name: 'Lying down, no bath',
    phases: [P.ties, P.mist, { ...by(P['damp-slicker'], ...SOFT), passes: passes(0.5, 1.2, 2.2) }, ...DAMP_PROOF],
    needs: { classes: COAT_CLASSES, forTraits: ['senior', 'sore-joints', 'heart-trouble'], favour: 0.2 },
    case: 'What can be reached lying down, soft and damp, with fewest turns: nothing makes an old dog stand.',
    arguedAgainst: 'Half of the hair leaves only with water and air.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'quiet-head',
    name: 'Quiet dryer, head out wet',
    phases: [
      P.ties,
      P.bath,
      P['soapy-work'],
      P.rewash,
      P.condition,
      P.towel,
      by(P.drying, 'stand-dryer'),
      P['face-feet'],
      P.comb,
    ],
    needs: {
      classes: COAT_CLASSES,
      forTraits: DREADS_DRYER,
      favour: 0.15,
      default: { for: ['dryer-shy', 'nervous', 'bites'], unless: ['takes-dryer'] },
    },
    case: 'Head and ruff give up their hair in the soap; soft air only, and none at the head.',
    arguedAgainst: 'Soft air takes out hardly anything and takes long.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'show-coat',
    name: 'Show coat, line by line',
    phases: [
      P.ties,
      P.mist,
      P['damp-pin'],
      P.bath,
      P.condition,
      P.towel,
      P.drying,
      { ...by(P['dry-pin'], 'pin-brush', 'long-slicker'), optional: false },
      P['face-feet'],
      WIDE_COMB,
    ],
    needs: {
      classes: COAT_CLASSES.filter((c) => !c.startsWith('smooth')),
      forTraits: ['show-coat'],
      favour: 0.06,
      default: { for: ['show-coat'], unless: [] },
    },
    case: 'Pin brush and comb keep every guard hair: damp, conditioned, line by line.',
    arguedAgainst: 'Slow, and more undercoat stays than with rake and slicker.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'comb-through',
    name: 'Comb through',
    phases: [
      P.ties,
      P.mist,
      P['damp-pin'],
      { ...by(P['damp-slicker'], 'soft-slicker'), passes: passes(0.5, 0.8, 1), optional: true },
      P['comb-out'],
      P.bath,
      P.condition,
      P.towel,
      P.drying,
      P['face-feet'],
      WIDE_COMB,
    ],
    needs: { classes: ['fleece'] },
    case: 'Coats that mat and hardly shed: the comb decides, before the water and after it. No rake, no blade.',
    arguedAgainst: 'The comb goes through everything twice.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'ties-today',
    name: 'Ties today, water later',
    phases: [P.ties, P.mist, { ...by(P['damp-slicker'], ...SOFT), optional: true }, ...DAMP_PROOF],
    needs: { classes: COAT_CLASSES, tied: true },
    case: 'Every tie is settled and the coat around it opened; the bath waits for a coat without one.',
    arguedAgainst: 'The bulk of the loose hair is for the next visit.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'bath-only',
    name: 'Bath and comb',
    phases: [P.bath, P.condition, P.towel, P.drying, optional(P.comb)],
    needs: { classes: COAT_CLASSES, clean: true, favour: 1 },
    case: 'The comb falls through everywhere: hands have nothing to take out, water freshens the coat.',
    arguedAgainst: 'Takes hardly any undercoat.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'what-there-is',
    name: 'As far as this room goes',
    phases: [P.ties, { ...by(P['dry-slicker'], ...HAND_KINDS), optional: true }, optional(P.comb)],
    needs: { classes: COAT_CLASSES, lastResort: true },
    case: 'Part of the work is better than none: the best piece there is for each zone, dry.',
    arguedAgainst: 'What it cannot do waits for better tools.',
    source: COMMON_PRACTICE,
  },
];

const BY_ID = new Map(METHODS.map((m) => [m.id, m]));

/** The method of an id. */
export function method(id: MethodId): Method {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`no such method: ${id}`);
  return found;
}

/** Does a method put the dog in the tub. */
export const bathes = ({ phases }: Pick<Method, 'phases'>): boolean => phases.some((p) => p.work === 'bath');

/**
 * The phases of a method in this house on this dog: which of rake and slicker goes first is the house's side of a
 * quarrel, and a coat that mats is combed through before any water.
 */
export function phasesIn(
  of: Pick<Method, 'phases'>,
  { dog, house }: { readonly dog: Dog; readonly house: Pick<Quarrels, 'slickerOrder'> },
): readonly Phase[] {
  const phases = withCare(combedFirst(of, dog), dog);
  const rake = phases.findIndex((p) => p.id === 'dry-rake');
  const [first, second] = [phases[rake], phases[rake + 1]];
  if (house.slickerOrder === 'rake-first' || !first || second?.id !== 'dry-slicker') return phases;
  return [...phases.slice(0, rake), second, first, ...phases.slice(rake + 2)];
}

/** The items chosen for this dog: nails before any water, all else on the finished coat. */
function withCare(phases: readonly Phase[], { care, traits }: Pick<Dog, 'care' | 'traits'>): readonly Phase[] {
  const chosen = careFor(care, traits);
  if (chosen.length === 0) return phases;
  const at = (when: CareRow['when']): readonly Phase[] =>
    chosen.filter((i) => careRow(i).when === when).map((i) => PHASES[`care-${i}`]);
  const water = phases.findIndex((p) => p.work === 'bath');
  const first = water < 0 ? phases.length : water;
  return [...phases.slice(0, first), ...at('before-water'), ...phases.slice(first), ...at('last')];
}

function combedFirst({ phases }: Pick<Method, 'phases'>, { coatClass }: Pick<Dog, 'coatClass'>): readonly Phase[] {
  const water = phases.findIndex((p) => p.work === 'bath');
  if (coatClass !== 'fleece' || water < 0 || phases.some((p) => p.id === 'comb-out')) return phases;
  const misted = phases.slice(0, water).some((p) => p.work === 'mist');
  return [...phases.slice(0, water), ...(misted ? [] : [P.mist]), P['comb-out'], ...phases.slice(water)];
}
