/**
 * Decides what each school of working does, in which order, and who argues for and against it.
 * Orders and arguments are common practice; target passes are guesses fitted to the check values.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { CoatClass } from '../dog/index.ts';
import { BLADES, RAKES, SLICKERS, type ToolKind, type Wetness } from '../kit/index.ts';

export const METHOD_IDS = ['dry-first', 'wet-first', 'smooth', 'air-first', 'damp-line'] as const;
export type MethodId = (typeof METHOD_IDS)[number];

export const PHASE_IDS = [
  'ties',
  'air',
  'dry-rubber',
  'dry-rake',
  'dry-slicker',
  'mist',
  'damp-pin',
  'damp-slicker',
  'bath',
  'soapy-work',
  'rewash',
  'towel',
  'drying',
  'edge',
  'comb',
  'finish',
] as const;
export type PhaseId = (typeof PHASE_IDS)[number];

/** Where a phase's minutes come from: hands over a zone, water, towel or air over the whole dog. */
export type PhaseWork = 'hands' | 'ties' | 'bath' | 'rewash' | 'mist' | 'towel' | 'drying' | 'air';

export interface Phase {
  readonly id: PhaseId;
  readonly work: PhaseWork;
  /** State of the coat while it runs. */
  readonly wetness: Wetness;
  /** State in which it leaves the coat. */
  readonly leaves: Wetness;
  /** Kinds that may do it; the best fit in the kit is taken for each zone. */
  readonly tools: readonly ToolKind[];
  /** Whole passes over a zone by its condition when the phase was planned. */
  readonly passes: { readonly clear: number; readonly loose: number; readonly packed: number };
  /** A phase that may be left out when the kit has nothing for it. */
  readonly optional: boolean;
}

export interface Method {
  readonly id: MethodId;
  readonly name: string;
  readonly phases: readonly Phase[];
  /** Coat classes for which the school has a case at all. */
  readonly classes: readonly CoatClass[];
  readonly needsForceDryer: boolean;
  /** The school's case holds only for dogs that live outdoors at least this share of their time. */
  readonly fromOutdoorShare: number;
  readonly case: string;
  readonly arguedAgainst: string;
  readonly source: Source;
}

const NONE = { clear: 0, loose: 0, packed: 0 };
const phase = (
  id: PhaseId,
  work: PhaseWork,
  wetness: Wetness,
  tools: readonly ToolKind[],
  passes: Phase['passes'] = NONE,
  extra: Partial<Pick<Phase, 'leaves' | 'optional'>> = {},
): Phase => ({ id, work, wetness, leaves: wetness, tools, passes, optional: false, ...extra });

const TIES = phase('ties', 'ties', 'dry', ['comb', 'mat-splitter', 'clipper']);
const RAKE = phase('dry-rake', 'hands', 'dry', RAKES, { clear: 0.5, loose: 1.7, packed: 3.8 });
const SLICKER = phase('dry-slicker', 'hands', 'dry', SLICKERS, { clear: 0.6, loose: 1.5, packed: 2.8 });
const BATH = phase('bath', 'bath', 'soapy', ['bather', 'hand-bath'], NONE, { leaves: 'wet' });
const TOWEL = phase('towel', 'towel', 'wet', ['towel'], NONE, { leaves: 'damp' });
const DRYING = phase('drying', 'drying', 'damp', ['force-dryer', 'stand-dryer'], NONE, { leaves: 'dry' });
const COMB = phase('comb', 'hands', 'dry', ['comb', 'fine-comb'], { clear: 0.6, loose: 1, packed: 1.3 });
const FINISH = phase('finish', 'hands', 'dry', ['soft-slicker', 'firm-slicker', 'bristle'], {
  clear: 0.3,
  loose: 0.6,
  packed: 0.8,
});

const UNDERCOATED: readonly CoatClass[] = [
  'smooth-double',
  'medium-double',
  'long-double',
  'heavy-double',
  'harsh-double',
];

export const METHODS: readonly Method[] = [
  {
    id: 'dry-first',
    name: 'Dry first',
    phases: [TIES, RAKE, SLICKER, BATH, TOWEL, DRYING, COMB, FINISH],
    classes: UNDERCOATED,
    needsForceDryer: false,
    fromOutdoorShare: 0,
    case: 'Shampoo reaches the skin once the bulk is out; needs no strong dryer; suits short doubles and tied coats.',
    arguedAgainst: 'Dusty, hard on hands, and brittle dry hair breaks.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'wet-first',
    name: 'Wet first',
    phases: [
      TIES,
      BATH,
      phase(
        'soapy-work',
        'hands',
        'soapy',
        [...SLICKERS, 'rubber', 'pin-brush'],
        { clear: 0.8, loose: 1.8, packed: 3.4 },
        { leaves: 'wet' },
      ),
      phase('rewash', 'rewash', 'soapy', ['bather', 'hand-bath'], NONE, { leaves: 'wet' }),
      TOWEL,
      DRYING,
      COMB,
    ],
    classes: [...UNDERCOATED, 'fleece'],
    needsForceDryer: true,
    fromOutdoorShare: 0,
    case: 'Wet hair stretches and soap slicks: packed coats and old dogs; half the hair leaves in the tub, dander never flies.',
    arguedAgainst: 'Needs soap to the skin all over and a strong dryer; tied hair tightens.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'smooth',
    name: 'Smooth',
    phases: [
      TIES,
      phase('dry-rubber', 'hands', 'dry', ['rubber'], { clear: 0.8, loose: 1.8, packed: 2.4 }),
      BATH,
      phase(
        'soapy-work',
        'hands',
        'soapy',
        ['rubber', 'soft-slicker'],
        { clear: 0.7, loose: 1.5, packed: 2.2 },
        { leaves: 'wet' },
      ),
      phase('rewash', 'rewash', 'soapy', ['bather', 'hand-bath'], NONE, { leaves: 'wet' }),
      TOWEL,
      { ...DRYING, optional: true },
      phase(
        'edge',
        'hands',
        'dry',
        [...BLADES.filter((b) => b !== 'carding-blade'), 'fine-comb'],
        {
          clear: 0.4,
          loose: 1.2,
          packed: 1.6,
        },
        { optional: true },
      ),
      { ...phase('finish', 'hands', 'dry', ['bristle'], { clear: 0.6, loose: 0.8, packed: 0.8 }), optional: true },
    ],
    classes: ['smooth-single', 'smooth-double', 'harsh-double'],
    needsForceDryer: false,
    fromOutdoorShare: 0,
    case: 'Rubber lifts short hair wet and dry with hardly any load on the skin.',
    arguedAgainst: 'Rubber does little once the guard hair is longer than its nubs.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'air-first',
    name: 'Air first',
    phases: [
      TIES,
      phase('air', 'air', 'dry', ['force-dryer']),
      BATH,
      TOWEL,
      DRYING,
      { ...RAKE, passes: { clear: 0.5, loose: 1.6, packed: 3.4 } },
      { ...SLICKER, passes: { clear: 0.6, loose: 1.3, packed: 2.4 } },
      COMB,
    ],
    classes: ['medium-double', 'long-double', 'heavy-double'],
    needsForceDryer: true,
    fromOutdoorShare: 0.5,
    case: 'Blows dirt and free hair off a coat that lives outdoors, so that a thinner coat is bathed.',
    arguedAgainst: 'Dirt and dust everywhere: a mask, and best outdoors.',
    source: COMMON_PRACTICE,
  },
  {
    id: 'damp-line',
    name: 'Damp line',
    phases: [
      TIES,
      phase('mist', 'mist', 'damp', ['mister']),
      phase('damp-pin', 'hands', 'damp', ['pin-brush'], { clear: 0.7, loose: 1, packed: 1.3 }, { optional: true }),
      phase('damp-slicker', 'hands', 'damp', SLICKERS, { clear: 0.6, loose: 1.5, packed: 2.6 }),
      phase('comb', 'hands', 'damp', ['comb'], { clear: 0.8, loose: 1.2, packed: 1.6 }),
    ],
    classes: ['long-double', 'medium-double', 'heavy-double', 'fleece'],
    needsForceDryer: false,
    fromOutdoorShare: 0,
    case: 'Long coats between baths: damp hair stretches instead of breaking.',
    arguedAgainst: 'No bulk leaves in a heavy blow.',
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

/** What a step of this phase is called on stairs, sheets and screens. */
export const PHASE_WORDS: Readonly<Record<PhaseId, string>> = {
  ties: 'Ties first',
  air: 'Blow out, dry',
  'dry-rubber': 'Rubber, dry',
  'dry-rake': 'Rake, dry',
  'dry-slicker': 'Slicker, dry',
  mist: 'Mist',
  'damp-pin': 'Open the lines',
  'damp-slicker': 'Slicker, damp',
  bath: 'Bath',
  'soapy-work': 'Through the soap',
  rewash: 'Wash again and rinse',
  towel: 'Towel',
  drying: 'Dry to the skin',
  edge: 'Fine pass, bone dry',
  comb: 'Comb proof',
  finish: 'Finish',
};
