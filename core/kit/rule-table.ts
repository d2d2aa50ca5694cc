/**
 * The rules of the trade as rows: what may touch which zone of which coat in which state, and what is better there.
 *
 * Within a row every key given must match; a list matches when it holds the value. `stop` and `never` forbid, `warn`
 * puts a caution beside the step, `prefer` moves a piece up among those that are allowed. Rows with `house` hold only
 * in a house that took that side; all others stand in every house.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import { DREADS_DRYER, REGIONS, type CoatClass, type DogTrait, type Region } from '../dog/index.ts';
import {
  TIED,
  type ConditionKind,
  type DogStopCode,
  type FingerGrade,
  type SkinFinding,
  type TieGrade,
} from '../check/index.ts';
import { BLADES, RAKES, SLICKERS, type ToolKind, type ToolMeasures, type Wetness } from './tools.ts';
import type { Quarrels } from './house.ts';

/** What a caution keeps from harm, worst first: beside a step the worst is said first, and never left out for space. */
export const HARMS = ['wound', 'bite', 'burn', 'place', 'habit'] as const;
export type Harm = (typeof HARMS)[number];

export const SEVERITIES = ['stop', 'never', 'warn', 'prefer'] as const;
export type Severity = (typeof SEVERITIES)[number];

export interface RuleWhen {
  readonly tools?: readonly ToolKind[];
  readonly regions?: readonly Region[];
  readonly wetness?: readonly Wetness[];
  readonly classes?: readonly CoatClass[];
  readonly conditions?: readonly ConditionKind[];
  readonly ties?: readonly TieGrade[];
  /** Undercoat by finger to skin. */
  readonly grades?: readonly FingerGrade[];
  /** Not where somebody's order has it clipped. */
  readonly unlessOrdered?: true;
  /** Only hair that was clipped in this visit. */
  readonly clipped?: true;
  readonly skins?: readonly SkinFinding[];
  readonly traits?: readonly DogTrait[];
  /** Traits with which it does not hold. */
  readonly unlessTraits?: readonly DogTrait[];
  readonly guardOverMm?: number;
  readonly guardUnderMm?: number;
  /** Sides of open quarrels on which it holds. */
  readonly house?: Partial<Quarrels>;
  /** Measures of the piece itself. */
  readonly piece?: {
    readonly wetSafe?: false;
    readonly materials?: readonly NonNullable<ToolMeasures['material']>[];
    readonly tips?: readonly NonNullable<ToolMeasures['tip']>[];
    readonly heats?: readonly NonNullable<ToolMeasures['heat']>[];
    readonly overDbA?: number;
  };
  /** Air of the day, °C. */
  readonly airOverC?: number;
  /** Air of the day, relative humidity. */
  readonly airUnderPct?: number;
  /** The last bath is nearer than the house's fewest days between two. */
  readonly sinceBath?: 'under-house-gap';
  /** Findings on the whole dog; such a row forbids everything. */
  readonly dogStops?: readonly DogStopCode[];
}

export interface Rule {
  readonly id: string;
  readonly severity: Severity;
  /** Of a caution: what it keeps from harm. */
  readonly harm?: Harm | undefined;
  readonly statement: string;
  readonly reason: string;
  readonly when: RuleWhen;
  readonly source: Source;
}

/** The only regions on which a blade may ever be laid. */
export const BLADE_REGIONS: readonly Region[] = ['shoulder', 'back', 'ribs', 'hip'];
const NOT_BLADE: readonly Region[] = [
  'face',
  'ears',
  'ruff',
  'throat',
  'chest',
  'foreleg',
  'belly',
  'armpit',
  'groin',
  'rump',
  'breeches',
  'hindleg',
  'tail',
  'forefoot',
  'hindfoot',
];
const SMALL: readonly Region[] = ['face', 'ears', 'forefoot', 'hindfoot'];
const NOT_SMALL: readonly Region[] = REGIONS.map((row) => row.region).filter((region) => !SMALL.includes(region));
const THIN: readonly Region[] = ['belly', 'armpit', 'groin'];
/** Pieces that a hand moves through the coat. */
const BY_HAND: readonly ToolKind[] = [
  ...RAKES,
  ...SLICKERS,
  ...BLADES,
  'pin-brush',
  'comb',
  'fine-comb',
  'rubber',
  'bristle',
  'mat-splitter',
  'clipper',
  'force-dryer',
];
const WATER: readonly ToolKind[] = ['hand-bath', 'bather'];

const r = (
  id: string,
  severity: Severity,
  statement: string,
  reason: string,
  when: RuleWhen,
  source: Source = COMMON_PRACTICE,
): Rule => ({ id, severity, statement, reason, when, source });

const warn = (id: string, harm: Harm, statement: string, reason: string, when: RuleWhen): Rule => ({
  ...r(id, 'warn', statement, reason, when),
  harm,
});

export const RULES: readonly Rule[] = [
  r(
    'stop-hot-spot',
    'stop',
    'Hot spot: this zone is not worked. A vet looks first.',
    'Weeping skin spreads under a brush.',
    {
      skins: ['hot-spot'],
    },
  ),
  r(
    'stop-wound',
    'stop',
    'Wound: this zone is not worked. A vet looks first.',
    'Open skin: every stroke is pain and dirt.',
    {
      skins: ['wound'],
    },
  ),
  r(
    'stop-new-lump',
    'stop',
    'New, grown or painful lump: this zone is not worked. A vet looks first.',
    'Nobody here can tell what it is.',
    {
      skins: ['new-lump'],
    },
  ),
  r(
    'stop-parasites',
    'stop',
    'Parasites: this zone is not worked; tools are disinfected.',
    'Brushes carry them to the next dog.',
    {
      skins: ['parasites'],
    },
  ),
  r(
    'stop-dog-pain',
    'stop',
    'Pain on pressure, lameness: no groom today. A vet looks first.',
    'Standing and turning make it worse.',
    {
      dogStops: ['joints', 'stance'],
    },
  ),
  r(
    'stop-dog-breathing',
    'stop',
    'Breathing distress or collapse: no groom, a vet at once.',
    'Water, heat and fear can kill this dog.',
    {
      dogStops: ['breathing'],
    },
  ),
  r(
    'stop-dog-parasites',
    'stop',
    'Heavy parasites: no groom today. Isolate, disinfect every tool.',
    'The whole room would have them by evening.',
    {
      dogStops: ['parasites'],
    },
  ),
  r(
    'stop-dog-pelt',
    'stop',
    'Felted over wide areas on a frail dog: a vet decides how it comes off.',
    'Clipping it takes longer than this dog can stand, and skin under felt is often sore.',
    {
      dogStops: ['wide-pelt-frail'],
    },
  ),
  r('blade-dry-only', 'never', 'Never a blade on a damp coat.', 'Wet hair clings to the edge and is cut or torn out.', {
    tools: BLADES,
    wetness: ['damp', 'soapy', 'wet'],
  }),
  r(
    'blade-torso-only',
    'never',
    'Blade on the torso only: never ears, feet, belly, rump, back of legs or tail.',
    'Thin skin and bone: the edge reddens it and makes it weep.',
    { tools: BLADES, regions: NOT_BLADE },
  ),
  r('blade-not-show', 'never', 'Never a blade on a show coat.', 'It cuts guard hair.', {
    tools: BLADES,
    traits: ['show-coat'],
  }),
  r(
    'blade-not-clipped',
    'never',
    'No blade on a coat that was clipped before.',
    'Regrowth is short, bare and uneven.',
    {
      tools: BLADES,
      traits: ['previously-clipped'],
    },
  ),
  r('blade-not-puppy', 'never', 'No blade on puppy coat.', 'Soft fluff, thin skin, and a first lesson in trust.', {
    tools: BLADES,
    traits: ['puppy-coat'],
  }),
  r('blade-not-long', 'never', 'No blade on guard hair over 40 mm.', 'It cuts and frays long guard hair.', {
    tools: BLADES,
    guardOverMm: 40,
  }),
  r('blade-needs-undercoat', 'never', 'No blade where there is no undercoat to take.', 'Only skin is left to scrape.', {
    tools: BLADES,
    classes: ['smooth-single', 'fleece'],
  }),
  r('blade-sound-skin', 'never', 'No blade on pink or flaking skin.', 'It is the first sign of too much.', {
    tools: BLADES,
    skins: ['pink', 'dander'],
  }),
  r('house-no-blade', 'never', 'This house uses no blade combs.', 'House rule: other tools do it with less risk.', {
    tools: ['blade-comb', 'plastic-blade-comb'],
    house: { blade: 'never' },
  }),
  r(
    'house-blade-smooth',
    'never',
    'This house uses blade combs on smooth doubles only.',
    'House rule: elsewhere guard hair pays.',
    {
      tools: ['blade-comb', 'plastic-blade-comb'],
      house: { blade: 'smooth-doubles' },
      classes: ['smooth-single', 'medium-double', 'long-double', 'heavy-double', 'harsh-double', 'fleece'],
    },
  ),
  r('pink-mild-only', 'never', 'Pink skin: no rake and no slicker here.', 'Brush burn grows on skin that shows it.', {
    tools: [...RAKES, ...SLICKERS],
    skins: ['pink'],
  }),
  r('face-comb-only', 'never', 'Comb only on the face.', 'Eyes, lips and whiskers are a stroke away.', {
    tools: [...RAKES, ...SLICKERS, 'pin-brush', 'rubber', 'mat-splitter', 'thinning-shears'],
    regions: ['face'],
  }),
  r(
    'ears-no-rake',
    'never',
    'No rake and no firm slicker on the ears.',
    'Soft hair on a thin leather: pins go through.',
    {
      tools: [...RAKES, 'firm-slicker', 'long-slicker', 'mat-splitter'],
      regions: ['ears'],
    },
  ),
  r('feet-comb-only', 'never', 'Feet: comb only.', 'Webs and pads lie under short hair.', {
    tools: [...RAKES, ...SLICKERS, 'pin-brush', 'mat-splitter', 'rubber'],
    regions: ['forefoot', 'hindfoot'],
  }),
  r('thin-no-rake', 'never', 'No rake and no firm slicker on belly, armpit or groin.', 'Thin skin, sparse hair.', {
    tools: [...RAKES, 'firm-slicker', 'long-slicker', 'mat-splitter'],
    regions: THIN,
  }),
  r('rake-needs-undercoat', 'never', 'No rake on a coat without undercoat.', 'The pins only find live hair and skin.', {
    tools: RAKES,
    classes: ['smooth-single', 'fleece'],
  }),
  r('rake-not-sopping', 'never', 'No rake in a wet or soapy coat.', 'Swollen hair binds between the pins and tears.', {
    tools: RAKES,
    wetness: ['wet', 'soapy'],
  }),
  r(
    'slicker-not-sopping',
    'never',
    'No slicker in sopping hair without soap.',
    'Without slip, wet hair stretches and breaks.',
    {
      tools: SLICKERS,
      wetness: ['wet'],
    },
  ),
  r('slicker-not-bare', 'never', 'No firm or long slicker on hair under 8 mm.', 'Wires reach bare skin.', {
    tools: ['firm-slicker', 'long-slicker'],
    guardUnderMm: 8,
  }),
  r(
    'no-bath-tied',
    'never',
    'No bath over mats nobody has decided about.',
    'Water shrinks a tied mat tight to the skin.',
    {
      tools: WATER,
      conditions: TIED,
    },
  ),
  r('no-dryer-tied', 'never', 'No force dryer on a tied mat.', 'Air whips it tighter.', {
    tools: ['force-dryer'],
    conditions: TIED,
  }),
  r('dryer-not-head', 'never', 'No force dryer on face or ears.', 'Noise and air in ears and eyes.', {
    tools: ['force-dryer'],
    regions: ['face', 'ears'],
  }),
  r(
    'dryer-head-shy',
    'never',
    'A dog that fears the dryer or the hand: no force dryer at ruff and throat.',
    'Get them out wet; towel and soft air dry them, in their own time.',
    {
      tools: ['force-dryer'],
      regions: ['ruff', 'throat'],
      traits: DREADS_DRYER,
      unlessTraits: ['takes-dryer'],
    },
  ),
  r('cut-only-tied', 'never', 'Splitter, shears and clipper are for tied hair only.', 'They cut live hair.', {
    tools: ['mat-splitter', 'thinning-shears', 'clipper'],
    conditions: ['clear', 'dense', 'loose', 'packed'],
  }),
  r('show-never-cut', 'never', 'A show coat is never cut or thinned.', 'Years of growth.', {
    tools: ['mat-splitter', 'thinning-shears', 'clipper'],
    traits: ['show-coat'],
    unlessOrdered: true,
  }),
  r('clip-pelts-only', 'never', 'Clip only what is felted to the skin.', 'A double coat may not grow back as it was.', {
    tools: ['clipper'],
    ties: ['none', 'knot'],
  }),
  r(
    'fine-comb-small-places',
    'never',
    'The close-tooth comb is for smooth coats, faces and feet.',
    'Over a whole double coat it takes half an hour and proves nothing.',
    {
      tools: ['fine-comb'],
      classes: ['medium-double', 'long-double', 'heavy-double', 'harsh-double', 'fleece'],
      regions: NOT_SMALL,
    },
  ),
  r(
    'fine-comb-not-packed',
    'never',
    'No close-tooth comb in packed hair.',
    'It stops at every stroke: open the coat first.',
    { tools: ['fine-comb'], conditions: ['packed'] },
  ),
  r(
    'rubber-not-packed',
    'never',
    'No rubber through the lather on packed hair over 25 mm.',
    'Its nubs slide over the top and never reach the skin.',
    { tools: ['rubber'], conditions: ['packed'], wetness: ['soapy', 'wet'], guardOverMm: 25 },
  ),
  r(
    'firm-not-puppy',
    'never',
    'No firm or long-pin slicker on puppy coat.',
    'Thin skin, and a first lesson in trust.',
    { tools: ['firm-slicker', 'long-slicker'], traits: ['puppy-coat'] },
  ),
  r('blade-not-bare', 'never', 'No blade where fingers feel skin at a touch.', 'Nothing is left to take: it scrapes.', {
    tools: BLADES,
    grades: [0],
  }),
  r(
    'clipped-rests',
    'never',
    'No wire, tooth or edge on hair that was just clipped.',
    'The skin lies open, and is often sore where felt stood.',
    {
      tools: [...RAKES, ...SLICKERS, ...BLADES, 'comb', 'fine-comb', 'pin-brush', 'rubber'],
      clipped: true,
    },
  ),
  r(
    'electric-even-coats',
    'never',
    'No electric brush in packed or tied hair.',
    'It winds the hair up and pulls before a hand can stop it.',
    { tools: ['electric-brush'], conditions: ['packed', ...TIED] },
  ),
  r('electric-not-long', 'never', 'No electric brush in hair over 70 mm.', 'It winds long hair up.', {
    tools: ['electric-brush'],
    guardOverMm: 70,
  }),
  r('electric-not-head', 'never', 'No electric brush at face, ears or feet.', 'It hums beside the ear.', {
    tools: ['electric-brush'],
    regions: SMALL,
  }),
  r(
    'electric-not-shy',
    'never',
    'No electric brush on a dog that fears noise or the hand.',
    'Trust is slower to win than hair.',
    {
      tools: ['electric-brush'],
      traits: ['nervous', 'head-shy', 'dryer-shy'],
    },
  ),
  r('no-conditioner-harsh', 'never', 'No conditioner on a harsh coat.', 'It softens the hair that has to stay hard.', {
    tools: ['conditioner'],
    classes: ['harsh-double'],
  }),
  r('no-fine-comb-long', 'never', 'No close-tooth comb in hair over 45 mm.', 'It tears.', {
    tools: ['fine-comb'],
    guardOverMm: 45,
  }),
  r(
    'tied-comb-first',
    'never',
    'Tied hair is worked by comb or splitter first.',
    'A rake or slicker pulls on the skin.',
    {
      tools: [...RAKES, ...SLICKERS, 'rubber'],
      conditions: TIED,
    },
  ),

  warn(
    'warn-blade',
    'burn',
    'Skin taut, no pressure, keep moving. Stop at the first pink.',
    'Overdone, it makes skin weep.',
    {
      tools: BLADES,
    },
  ),
  warn('warn-tail', 'place', 'Support the tail with the other hand; small pieces.', 'The most sensitive zone.', {
    regions: ['tail'],
    tools: [...RAKES, ...SLICKERS, 'comb', 'pin-brush'],
  }),
  warn(
    'warn-rake',
    'burn',
    'Skin taut, wrist firm, the stroke from the arm, 5 to 8 cm; never twice where it is pink.',
    'Pressing injures skin.',
    {
      tools: RAKES,
    },
  ),
  warn('warn-slicker', 'burn', 'Level with the body. Test the pressure on the back of your own hand.', 'Wires stab.', {
    tools: SLICKERS,
  }),
  warn(
    'warn-electric',
    'place',
    'Let it hum beside the dog first; light, with the lie.',
    'Noise frightens before it brushes.',
    {
      tools: ['electric-brush'],
    },
  ),
  warn(
    'warn-clear-light',
    'burn',
    'Where the coat is clear, one light pass.',
    'The undercoat that shields the skin has gone.',
    {
      tools: ['firm-slicker', 'rake'],
      conditions: ['clear'],
    },
  ),
  warn('warn-splitter', 'wound', 'Saw away from the skin, comb between mat and skin. Trained hands only.', 'A razor.', {
    tools: ['mat-splitter'],
  }),
  warn(
    'warn-clipper',
    'wound',
    'The owner agrees first. Cool blade, skin stretched flat.',
    'Regrowth may never be right.',
    {
      tools: ['clipper'],
    },
  ),
  warn(
    'warn-comb-ties',
    'place',
    'Hold the hair above the knot, wide end first, from the tips inward.',
    'A pull is felt at the root.',
    {
      tools: ['comb'],
      conditions: TIED,
    },
  ),
  warn(
    'warn-comb',
    'burn',
    'No pressure. Where it stops, go back a tool; never pull.',
    'The comb is the proof, not the plough.',
    {
      tools: ['comb', 'fine-comb'],
    },
  ),
  warn('warn-thin', 'place', 'Very light here: thin skin.', 'Sparse hair over thin skin.', {
    regions: THIN,
    tools: ['soft-slicker', 'comb', 'fine-comb', 'rubber', 'pin-brush'],
  }),
  warn(
    'warn-bath',
    'habit',
    'Lukewarm, loop never left alone, soap out to the last.',
    'Soap left in itches and flakes.',
    {
      tools: WATER,
    },
  ),
  warn(
    'warn-bath-dander',
    'burn',
    'Flaking skin: mild shampoo by its label; if it stays, a vet.',
    'Air and oil usually clear it.',
    {
      tools: WATER,
      skins: ['dander', 'pink'],
    },
  ),
  r(
    'blade-not-skin-trouble',
    'never',
    'No blade on a dog with skin trouble.',
    'Skin that is easily inflamed weeps under an edge.',
    { tools: BLADES, traits: ['skin-trouble'] },
  ),
  warn(
    'warn-skin-trouble',
    'burn',
    'Skin trouble: only the shampoo the vet has named, if any; rinse longest here.',
    'A new product can set it off.',
    { tools: WATER, traits: ['skin-trouble'] },
  ),
  warn(
    'warn-medicines',
    'burn',
    'On medicines: nothing new on the skin before the vet has agreed.',
    'Some products and medicines do not go together.',
    { tools: WATER, traits: ['medicines'] },
  ),
  warn('warn-towel', 'habit', 'Press and lift, do not rub.', 'Rubbing ties long coat.', {
    tools: ['towel'],
    guardOverMm: 40,
  }),
  warn(
    'warn-dryer-heat',
    'burn',
    'Cool air, watch the breathing, stop and rest early.',
    'Heat is dangerous for this dog.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      traits: ['short-nosed', 'senior', 'heart-trouble'],
    },
  ),
  warn(
    'warn-dryer-shy',
    'place',
    'Start at the rump, low, with a snood; stop before it sours.',
    'A bad ride costs weeks.',
    {
      tools: ['force-dryer'],
      traits: ['dryer-shy', 'puppy-coat', 'nervous'],
    },
  ),
  warn(
    'warn-dryer',
    'habit',
    'Ear protection on. Flat nozzle close, slow wave, do not twist long hair.',
    'Noise; whipped knots.',
    {
      tools: ['force-dryer'],
    },
  ),
  warn('warn-stand-dryer', 'burn', 'Never leave the dog in front of it alone.', 'Heat gathers.', {
    tools: ['stand-dryer'],
  }),
  warn(
    'warn-bites',
    'bite',
    'May bite: a second person, short bouts, stop early.',
    'Fear that is pushed comes back as teeth.',
    { traits: ['bites'], tools: BY_HAND },
  ),
  r(
    'house-dry-only',
    'never',
    'This house brushes no wet coat.',
    'House rule: wet hair is weak, and loose knots tighten.',
    {
      tools: [...SLICKERS, ...RAKES, 'rubber', 'pin-brush', 'comb'],
      wetness: ['damp', 'soapy', 'wet'],
      house: { wetBrushing: 'never' },
    },
  ),
  r(
    'house-damp-only',
    'never',
    'This house brushes damp coats, not soapy ones.',
    'House rule: sopping hair stretches too far.',
    {
      tools: [...SLICKERS, 'rubber', 'pin-brush'],
      wetness: ['soapy', 'wet'],
      house: { wetBrushing: 'damp-only' },
    },
  ),
  r('not-wet-safe', 'never', 'This piece stays out of water.', 'Wood swells, glued pads let their wires go.', {
    wetness: ['damp', 'soapy', 'wet'],
    piece: { wetSafe: false },
  }),
  r('no-hot-air', 'never', 'No hot air on short-nosed dogs, seniors or heart trouble.', 'They cannot shed the heat.', {
    tools: ['force-dryer', 'stand-dryer'],
    piece: { heats: ['hot'] },
    traits: ['short-nosed', 'senior', 'heart-trouble'],
  }),
  r('pin-not-under-hair', 'never', 'No pin brush on hair under 15 mm.', 'The pins stand on bare skin.', {
    tools: ['pin-brush'],
    guardUnderMm: 15,
  }),

  warn(
    'warn-hot-day',
    'burn',
    'A hot room: cool air only, water at hand, watch the breathing.',
    'Over 27 °C a dog sheds heat badly under a dryer.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      airOverC: 27,
    },
  ),
  warn(
    'warn-loud',
    'habit',
    'Measured over 85 dB(A): ear protection, and count the minutes beside it.',
    'Hearing is lost by dose.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      piece: { overDbA: 85 },
    },
  ),
  warn(
    'warn-folds',
    'place',
    'Folds here: spread the skin flat before each stroke.',
    'A fold is caught between two pins before it is seen.',
    { tools: [...RAKES, ...SLICKERS, ...BLADES], regions: ['throat', 'chest'] },
  ),
  warn(
    'warn-dry-air',
    'place',
    'Dry air: a little mist or anti-static first, metal pieces too.',
    'Under 40 % humidity hair is charged by any piece, flies and ties.',
    {
      tools: [...RAKES, ...SLICKERS, 'pin-brush', 'comb'],
      wetness: ['dry'],
      guardOverMm: 25,
      airUnderPct: 40,
    },
  ),
  warn(
    'warn-static',
    'habit',
    'Plastic on a dry long coat sparks: a little mist, or a metal piece.',
    'Charged hair flies and ties.',
    {
      wetness: ['dry'],
      piece: { materials: ['plastic'] },
      guardOverMm: 40,
    },
  ),
  warn('warn-spray-film', 'habit', 'Little spray, and wash it out after.', 'A film collects dirt and ties again.', {
    tools: ['comb'],
    conditions: TIED,
    house: { spray: 'spray' },
  }),
  warn(
    'warn-bath-again',
    'habit',
    'Bathed lately: ask whether this bath is needed.',
    'House rule: skin needs its oil between baths.',
    {
      tools: WATER,
      sinceBath: 'under-house-gap',
    },
  ),
  warn(
    'warn-pointed',
    'burn',
    'Pointed tips: lightest hand, try it on your own arm first.',
    'They scratch before it shows.',
    {
      piece: { tips: ['pointed'] },
    },
  ),
  warn(
    'warn-lump',
    'wound',
    'A known lump here: work around it with your fingers on it.',
    'A tooth that catches it tears it.',
    {
      skins: ['lump'],
    },
  ),
  warn(
    'warn-feet',
    'place',
    'Hold the foot low and loose; comb between the pads, no pulling.',
    'Webs are thin and toes ticklish.',
    {
      tools: ['comb', 'fine-comb'],
      regions: ['forefoot', 'hindfoot'],
    },
  ),
  warn('warn-head', 'place', 'Hold the head, small strokes, away from the eye.', 'A dog turns faster than a hand.', {
    tools: ['comb', 'fine-comb', 'bristle', 'soft-slicker'],
    regions: ['face', 'ears'],
  }),
  warn(
    'warn-sore',
    'place',
    'Sore joints: work lying down where it can be reached, fewest turns.',
    'Standing hurts before it shows.',
    {
      tools: BY_HAND,
      wetness: ['dry', 'damp'],
      regions: ['hip', 'hindleg', 'rump'],
      traits: ['sore-joints'],
    },
  ),

  r(
    'prefer-turning-long',
    'prefer',
    'Turning pins before fixed ones on hair over 60 mm.',
    'They roll past long guard hair instead of dragging it.',
    {
      tools: ['rotating-rake'],
      guardOverMm: 60,
    },
  ),
  r('prefer-long-pins', 'prefer', 'Long pins where the coat is deep and packed.', 'Short wires skate over the top.', {
    tools: ['long-slicker'],
    conditions: ['packed', 'dense'],
    guardOverMm: 60,
  }),
  r(
    'prefer-firm-in-soap',
    'prefer',
    'A firm slicker through the soap on packed hair.',
    'Soap slicks: this is where firm wires do most and hurt least.',
    {
      tools: ['firm-slicker', 'long-slicker'],
      wetness: ['soapy'],
      conditions: ['packed'],
    },
  ),
  r(
    'prefer-rubber-lather',
    'prefer',
    'Rubber in the lather on short coats.',
    'Small circles lift short hair with hardly any load on skin.',
    {
      tools: ['rubber'],
      wetness: ['soapy'],
      guardUnderMm: 36,
    },
  ),
  r('prefer-mild-frail', 'prefer', 'The milder piece on a frail dog.', 'Thin or old skin bears less.', {
    tools: ['soft-slicker', 'rotating-rake', 'rubber', 'bristle'],
    traits: ['senior', 'puppy-coat', 'skin-trouble', 'sore-joints'],
  }),
  r('prefer-soft-shy', 'prefer', 'The quiet, soft piece on a nervous dog.', 'Trust is slower to win than hair.', {
    tools: ['soft-slicker', 'rubber', 'bristle', 'pin-brush', 'stand-dryer'],
    traits: ['nervous'],
  }),
  r('prefer-fine-small', 'prefer', 'The fine comb on feet and face.', 'Small teeth for small places.', {
    tools: ['fine-comb'],
    regions: ['face', 'forefoot', 'hindfoot'],
  }),
  r(
    'prefer-comb-fleece',
    'prefer',
    'On a coat that does not shed, the comb decides.',
    'A slicker only loosens the top.',
    {
      tools: ['comb'],
      classes: ['fleece'],
    },
  ),
  r(
    'prefer-mild-edge',
    'prefer',
    'The close-tooth comb before any blade on hair under 20 mm.',
    'A little less out, hardly any harm.',
    {
      tools: ['fine-comb'],
      guardUnderMm: 20,
      classes: ['smooth-double', 'smooth-single'],
    },
  ),
  r(
    'prefer-bather-packed',
    'prefer',
    'A recirculating bather on packed hair.',
    'It drives soap through a plate that hands only wet.',
    {
      tools: ['bather'],
      conditions: ['packed'],
    },
  ),
  r(
    'prefer-bristle-short',
    'prefer',
    'Natural bristle to finish short coats.',
    'It lays the hair and spreads its oil.',
    {
      tools: ['bristle'],
      guardUnderMm: 36,
    },
  ),
];
