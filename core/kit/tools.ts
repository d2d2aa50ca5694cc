/**
 * What each generic kind of tool does to a coat and to skin.
 *
 * The measures are guesses chosen so that whole sequences meet the check values of common practice
 * (docs/model.md has the table); what a tool is good or bad for is common practice.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';

/** State of the coat while a step runs. */
export const WETNESS = ['dry', 'damp', 'soapy', 'wet'] as const;
export type Wetness = (typeof WETNESS)[number];

export const TOOL_KINDS = [
  'rake',
  'rotating-rake',
  'soft-slicker',
  'firm-slicker',
  'long-slicker',
  'two-face-slicker',
  'electric-brush',
  'pin-brush',
  'comb',
  'fine-comb',
  'blade-comb',
  'plastic-blade-comb',
  'carding-blade',
  'rubber',
  'bristle',
  'mat-splitter',
  'thinning-shears',
  'clipper',
  'hand-bath',
  'bather',
  'mister',
  'conditioner',
  'towel',
  'force-dryer',
  'stand-dryer',
  'care-set',
] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** What a full working of a zone takes: shares of the pool named, each 0..1. */
export interface Take {
  /** of hair that is free already */
  readonly free: number;
  /** of loose hair standing deep between the live hairs, where the tool reaches */
  readonly deep: number;
  /** of packed hair turned into deep hair */
  readonly open: number;
}

export interface ToolRow {
  readonly kind: ToolKind;
  readonly name: string;
  readonly does: string;
  readonly hurts: string;
  /** Area a practised hand works in a minute, short coat, cm²; 0 where the time comes from water or air. */
  readonly cm2PerMinute: number;
  readonly take: Partial<Readonly<Record<Wetness, Take>>>;
  /** Skin load of one pass over a fully shielded zone; a zone bears its region's tolerance. */
  readonly skinPerPass: number;
  /** Share of long guard hair (60 mm and more) that one full dry working frays or cuts. */
  readonly frays: number;
  /** A piece of usual size, for measures that nobody took, mm. */
  readonly usual: { readonly spacingMm: number; readonly widthMm: number };
  /** Longest guard hair through which it reaches the bottom of the coat, mm, for a piece of usual size. */
  readonly reachMm: number;
  /** Guard hair shorter than this leaves the skin open to its points, mm. */
  readonly kindAboveMm: number;
  /** Can an owner be trusted with it at home. */
  readonly forOwners: boolean;
  readonly measuresSource: Source;
  readonly practiceSource: Source;
}

const marks = { measuresSource: GUESS, practiceSource: COMMON_PRACTICE };
const gear = {
  cm2PerMinute: 0,
  skinPerPass: 0,
  frays: 0,
  usual: { spacingMm: 0, widthMm: 0 },
  reachMm: 999,
  kindAboveMm: 0,
  forOwners: false,
  ...marks,
};

export const TOOLS: readonly ToolRow[] = [
  {
    kind: 'rake',
    name: 'undercoat rake, fixed pins',
    does: 'Lifts loose undercoat out through the guard hair.',
    hurts: 'Pressing, or raking one place too often, injures skin. Short pins skate over the top.',
    cm2PerMinute: 1500,
    take: { dry: { free: 0.75, deep: 0.5, open: 0.55 }, damp: { free: 0.6, deep: 0.4, open: 0.45 } },
    skinPerPass: 0.13,
    frays: 0.1,
    usual: { spacingMm: 5, widthMm: 100 },
    reachMm: 90,
    kindAboveMm: 12,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'rotating-rake',
    name: 'undercoat rake, turning pins',
    does: 'As the rake, gentler on long guard hair.',
    hurts: 'Slower on plates.',
    cm2PerMinute: 1350,
    take: { dry: { free: 0.72, deep: 0.48, open: 0.38 }, damp: { free: 0.6, deep: 0.4, open: 0.32 } },
    skinPerPass: 0.09,
    frays: 0.05,
    usual: { spacingMm: 5, widthMm: 100 },
    reachMm: 110,
    kindAboveMm: 15,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'soft-slicker',
    name: 'soft slicker',
    does: 'Loosens, lifts and fluffs; finishes.',
    hurts: 'Wires stab when they are not level with the body.',
    cm2PerMinute: 1500,
    take: {
      dry: { free: 0.75, deep: 0.38, open: 0.22 },
      damp: { free: 0.7, deep: 0.38, open: 0.22 },
      soapy: { free: 0.75, deep: 0.45, open: 0.36 },
    },
    skinPerPass: 0.09,
    frays: 0.06,
    usual: { spacingMm: 3, widthMm: 110 },
    reachMm: 60,
    kindAboveMm: 10,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'firm-slicker',
    name: 'firm slicker',
    does: 'Loosens and lifts to the skin; the one for a wet, soapy coat.',
    hurts: 'Too harsh on clipped, very short or bare places; brush burn grows as the undercoat goes.',
    cm2PerMinute: 1550,
    take: {
      dry: { free: 0.8, deep: 0.5, open: 0.35 },
      damp: { free: 0.75, deep: 0.5, open: 0.35 },
      soapy: { free: 0.8, deep: 0.56, open: 0.6 },
    },
    skinPerPass: 0.14,
    frays: 0.12,
    usual: { spacingMm: 3, widthMm: 110 },
    reachMm: 75,
    kindAboveMm: 18,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'long-slicker',
    name: 'long-pin slicker',
    does: 'Reaches the bottom of a deep coat, wet or dry, line by line.',
    hurts: 'Long pins find the skin on thin places.',
    cm2PerMinute: 1450,
    take: {
      dry: { free: 0.8, deep: 0.5, open: 0.33 },
      damp: { free: 0.78, deep: 0.5, open: 0.33 },
      soapy: { free: 0.8, deep: 0.56, open: 0.6 },
    },
    skinPerPass: 0.12,
    frays: 0.08,
    usual: { spacingMm: 3.5, widthMm: 110 },
    reachMm: 140,
    kindAboveMm: 45,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'two-face-slicker',
    name: 'slicker with a firm and a soft face',
    does: 'Flexing head: the firm face for the bulk, the soft one for thin places and the finish.',
    hurts: 'The wrong face on thin skin: look before you turn it.',
    cm2PerMinute: 1400,
    take: {
      dry: { free: 0.75, deep: 0.42, open: 0.26 },
      damp: { free: 0.72, deep: 0.42, open: 0.26 },
      soapy: { free: 0.76, deep: 0.48, open: 0.42 },
    },
    skinPerPass: 0.11,
    frays: 0.09,
    usual: { spacingMm: 3, widthMm: 100 },
    reachMm: 65,
    kindAboveMm: 12,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'electric-brush',
    name: 'electric brush',
    does: 'For even coats of middle length: it strokes by itself, lightly.',
    hurts: 'It hums: not near ears, not on a dog that fears it; it winds up tied or long hair.',
    cm2PerMinute: 1500,
    take: { dry: { free: 0.7, deep: 0.25, open: 0.08 } },
    skinPerPass: 0.07,
    frays: 0.08,
    usual: { spacingMm: 3, widthMm: 60 },
    reachMm: 45,
    kindAboveMm: 10,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'pin-brush',
    name: 'pin brush',
    does: 'First pass on long coat; opens big tangles; the only brush for a sopping coat.',
    hurts: 'Does not lift undercoat.',
    cm2PerMinute: 1800,
    take: {
      dry: { free: 0.5, deep: 0.14, open: 0.1 },
      damp: { free: 0.5, deep: 0.14, open: 0.1 },
      soapy: { free: 0.5, deep: 0.14, open: 0.1 },
      wet: { free: 0.45, deep: 0.1, open: 0.08 },
    },
    skinPerPass: 0.03,
    frays: 0.03,
    usual: { spacingMm: 6, widthMm: 75 },
    reachMm: 160,
    kindAboveMm: 25,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'comb',
    name: 'two-pitch steel comb',
    does: 'Proof of work: it must fall through with no pressure. Picks knots from the tips inward.',
    hurts: 'Stops on packed coat: go back a tool, never pull.',
    cm2PerMinute: 1300,
    take: { dry: { free: 0.8, deep: 0.4, open: 0.12 }, damp: { free: 0.75, deep: 0.38, open: 0.12 } },
    skinPerPass: 0.04,
    frays: 0.06,
    usual: { spacingMm: 3, widthMm: 190 },
    reachMm: 120,
    kindAboveMm: 5,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'fine-comb',
    name: 'close-tooth comb',
    does: 'Fine undercoat on smooth coats; a mild stand-in for the blade; feet and face.',
    hurts: 'Tears on long coats.',
    cm2PerMinute: 1150,
    take: { dry: { free: 0.85, deep: 0.5, open: 0.1 } },
    skinPerPass: 0.05,
    frays: 0.2,
    usual: { spacingMm: 1, widthMm: 60 },
    reachMm: 40,
    kindAboveMm: 0,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'blade-comb',
    name: 'de-shedding blade comb, metal',
    does: 'Very fast on smooth doubles: fully dry, torso only, skin taut, no pressure, moving.',
    hurts: 'Cuts and frays longer guard hair; reddens, inflames, makes skin weep when overdone.',
    cm2PerMinute: 2600,
    take: { dry: { free: 0.9, deep: 0.75, open: 0.4 } },
    skinPerPass: 0.24,
    frays: 0.4,
    usual: { spacingMm: 0.8, widthMm: 65 },
    reachMm: 40,
    kindAboveMm: 12,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'plastic-blade-comb',
    name: 'de-shedding comb, plastic edge',
    does: 'As the blade comb, milder, a little less out; where several hands will use it.',
    hurts: 'Still a blade to the skin: same places, same dryness.',
    cm2PerMinute: 2300,
    take: { dry: { free: 0.85, deep: 0.62, open: 0.3 } },
    skinPerPass: 0.15,
    frays: 0.35,
    usual: { spacingMm: 1, widthMm: 65 },
    reachMm: 35,
    kindAboveMm: 12,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'carding-blade',
    name: 'carding blade',
    does: 'Smooths a topline by drawing out fuzz.',
    hurts: 'Scratches under pressure.',
    cm2PerMinute: 1200,
    take: { dry: { free: 0.7, deep: 0.4, open: 0.05 } },
    skinPerPass: 0.14,
    frays: 0.35,
    usual: { spacingMm: 0.8, widthMm: 40 },
    reachMm: 40,
    kindAboveMm: 15,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'rubber',
    name: 'rubber curry',
    does: 'Smooth coats, wet or dry; in the bath with shampoo, small circles; massage.',
    hurts: 'Little on long coats.',
    cm2PerMinute: 2200,
    take: {
      dry: { free: 0.85, deep: 0.45, open: 0.2 },
      damp: { free: 0.7, deep: 0.4, open: 0.2 },
      soapy: { free: 0.85, deep: 0.5, open: 0.3 },
      wet: { free: 0.6, deep: 0.35, open: 0.2 },
    },
    skinPerPass: 0.03,
    frays: 0.03,
    usual: { spacingMm: 7, widthMm: 80 },
    reachMm: 35,
    kindAboveMm: 0,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'bristle',
    name: 'natural bristle brush',
    does: 'Finishes, spreads oil; safe on every zone.',
    hurts: 'Removes little.',
    cm2PerMinute: 2600,
    take: { dry: { free: 0.6, deep: 0.05, open: 0 }, damp: { free: 0.5, deep: 0.05, open: 0 } },
    skinPerPass: 0.01,
    frays: 0.01,
    usual: { spacingMm: 1, widthMm: 70 },
    reachMm: 60,
    kindAboveMm: 0,
    forOwners: true,
    ...marks,
  },
  {
    kind: 'mat-splitter',
    name: 'mat splitter',
    does: 'Sawn, not pulled, through a tied mat.',
    hurts: 'Razor: cuts dog and hand. Trained hands only.',
    cm2PerMinute: 120,
    take: { dry: { free: 0.3, deep: 0.15, open: 0.1 } },
    skinPerPass: 0.12,
    frays: 0.5,
    usual: { spacingMm: 12, widthMm: 50 },
    reachMm: 150,
    kindAboveMm: 15,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'thinning-shears',
    name: 'thinning shears',
    does: 'Break up a clump; thin ruff and breeches on pets.',
    hurts: 'Cuts hair: never on show coats.',
    cm2PerMinute: 200,
    take: { dry: { free: 0.2, deep: 0.1, open: 0.2 } },
    skinPerPass: 0.03,
    frays: 0.4,
    usual: { spacingMm: 2, widthMm: 75 },
    reachMm: 150,
    kindAboveMm: 15,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'clipper',
    name: 'clipper, short blade',
    does: 'Takes off hair that is tied beyond saving, zone by zone, by agreement with the owner.',
    hurts: 'Hot blades; a double coat may not grow back as it was.',
    cm2PerMinute: 300,
    take: { dry: { free: 0.95, deep: 0.95, open: 0.95 } },
    skinPerPass: 0.1,
    frays: 1,
    usual: { spacingMm: 1, widthMm: 45 },
    reachMm: 200,
    kindAboveMm: 0,
    forOwners: false,
    ...marks,
  },
  {
    kind: 'hand-bath',
    name: 'tub and hand shower',
    does: 'Water and soap to the skin by hand, two washes.',
    hurts: 'Soap that stays in, water that is too warm.',
    take: { soapy: { free: 0.6, deep: 0.12, open: 0.24 } },
    ...gear,
  },
  {
    kind: 'bather',
    name: 'recirculating bather',
    does: 'Drives soapy water to the skin through a plate; about halves the bath.',
    hurts: 'A strainer to clear.',
    take: { soapy: { free: 0.65, deep: 0.15, open: 0.32 } },
    ...gear,
  },
  {
    kind: 'mister',
    name: 'mister, water or dilute conditioner',
    does: 'Damp hair stretches instead of breaking.',
    hurts: 'No more than a mist.',
    take: { damp: { free: 0, deep: 0, open: 0 } },
    ...gear,
  },
  {
    kind: 'conditioner',
    name: 'conditioner',
    does: 'Lays the scales of the hair: comb and brush slip, and guard hair breaks less.',
    hurts: 'What is not rinsed out collects dirt.',
    take: { wet: { free: 0.12, deep: 0.04, open: 0 }, soapy: { free: 0.12, deep: 0.04, open: 0 } },
    ...gear,
  },
  {
    kind: 'towel',
    name: 'towels',
    does: 'Takes the water that would only be blown about.',
    hurts: 'Rubbing long coat ties it: press and lift.',
    take: { wet: { free: 0.1, deep: 0, open: 0 } },
    ...gear,
  },
  {
    kind: 'force-dryer',
    name: 'force dryer, flat nozzle',
    does: 'Blows the loosened rest out: close to the skin, slow wave, skin line visible.',
    hurts: 'Noise, head-shy dogs, whipped knots; heat on short-nosed, old or overheated dogs.',
    take: {
      dry: { free: 0.7, deep: 0.2, open: 0.1 },
      damp: { free: 0.95, deep: 0.68, open: 0.6 },
      wet: { free: 0.95, deep: 0.68, open: 0.6 },
    },
    ...gear,
  },
  {
    kind: 'stand-dryer',
    name: 'stand dryer',
    does: 'Dries with soft air.',
    hurts: 'Takes hair out hardly at all. Never leave a dog in front of heat alone.',
    take: { damp: { free: 0.3, deep: 0.03, open: 0 }, wet: { free: 0.3, deep: 0.03, open: 0 } },
    ...gear,
  },
  {
    kind: 'care-set',
    name: 'nail clipper, cloths, blunt scissors',
    does: 'Nails, ears, eyes, teeth, pads and outlines: what a groom is besides the coat.',
    hurts: 'A nail cut too short bleeds; nothing goes deep into an ear.',
    take: { dry: { free: 0, deep: 0, open: 0 }, damp: { free: 0, deep: 0, open: 0 } },
    ...gear,
  },
];

const BY_KIND = new Map(TOOLS.map((t) => [t.kind, t]));

/** The row of a tool kind. */
export function toolRow(kind: ToolKind): ToolRow {
  const found = BY_KIND.get(kind);
  if (!found) throw new RangeError(`no such tool kind: ${kind}`);
  return found;
}

/** Kinds with a cutting or scraping edge, under the blade rules. */
export const BLADES: readonly ToolKind[] = ['blade-comb', 'plastic-blade-comb', 'carding-blade'];
export const SLICKERS: readonly ToolKind[] = ['soft-slicker', 'firm-slicker', 'long-slicker', 'two-face-slicker'];
export const RAKES: readonly ToolKind[] = ['rake', 'rotating-rake'];

/** Level at the ear of whoever holds it, dB(A), until somebody measures: strong dryers are 85 to 105. Guess. */
const USUAL_DBA: Partial<Readonly<Record<ToolKind, number>>> = {
  'force-dryer': 95,
  'stand-dryer': 72,
  'electric-brush': 60,
};
/** Usual level of a kind that is loud, dB(A); undefined for what is not. */
export const usualDbA = (kind: ToolKind): number | undefined => USUAL_DBA[kind];

export const TIPS = ['rounded', 'blunt', 'pointed'] as const;
export const MATERIALS = ['metal', 'plastic', 'rubber', 'natural'] as const;
export const NOZZLES = ['flat', 'cone', 'wide'] as const;
export const HEATS = ['cool', 'warm', 'hot'] as const;

/** What can be measured on a piece. A measure nobody took is absent, and the kind's usual one is used. */
export interface ToolMeasures {
  /** Pin, tooth or nub length, mm. */
  readonly pinMm?: number | undefined;
  /** Gap between pins, mm. */
  readonly spacingMm?: number | undefined;
  readonly tip?: (typeof TIPS)[number] | undefined;
  /** Working width, mm. */
  readonly widthMm?: number | undefined;
  /** Rows of pins. */
  readonly rows?: number | undefined;
  /** Pins turn in their seats. */
  readonly turning?: boolean | undefined;
  /** The head gives way under pressure. */
  readonly flexing?: boolean | undefined;
  /** May it be used in a wet coat; absent: as its kind. */
  readonly wetSafe?: boolean | undefined;
  readonly material?: (typeof MATERIALS)[number] | undefined;
  /** Air moved by a dryer, litres a second. */
  readonly airLps?: number | undefined;
  /** Level at the ear of the one who holds it, dB(A), as measured. */
  readonly dbA?: number | undefined;
  readonly heat?: (typeof HEATS)[number] | undefined;
  readonly nozzles?: readonly (typeof NOZZLES)[number][] | undefined;
}

/** One piece the salon owns, or an owner has at home. */
export interface Tool extends ToolMeasures {
  readonly id: string;
  readonly kind: ToolKind;
  readonly name: string;
}
