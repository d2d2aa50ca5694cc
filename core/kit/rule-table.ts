/**
 * The rules of the trade as rows: what may touch which zone of which coat in which state, and what is better there.
 *
 * Within a row every key given must match; a list matches when it holds the value. `stop` and `never` forbid, `warn`
 * puts a caution beside the step, `prefer` moves a piece up among those that are allowed. Rows with `house` hold only
 * in a house that took that side; all others stand in every house.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';
import type { CoatClass, DogTrait, Region } from '../dog/index.ts';
import { TIED, type ConditionKind, type DogStopCode, type SkinFinding, type TieGrade } from '../check/index.ts';
import { BLADES, RAKES, SLICKERS, type ToolKind, type ToolMeasures, type Wetness } from './tools.ts';
import type { Quarrels } from './house.ts';

export const SEVERITIES = ['stop', 'never', 'warn', 'prefer'] as const;
export type Severity = (typeof SEVERITIES)[number];

export interface RuleWhen {
  readonly tools?: readonly ToolKind[];
  readonly regions?: readonly Region[];
  readonly wetness?: readonly Wetness[];
  readonly classes?: readonly CoatClass[];
  readonly conditions?: readonly ConditionKind[];
  readonly ties?: readonly TieGrade[];
  readonly skins?: readonly SkinFinding[];
  readonly traits?: readonly DogTrait[];
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
  /** The last bath is nearer than the house's fewest days between two. */
  readonly sinceBath?: 'under-house-gap';
  /** Findings on the whole dog; such a row forbids everything. */
  readonly dogStops?: readonly DogStopCode[];
}

export interface Rule {
  readonly id: string;
  readonly severity: Severity;
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
const THIN: readonly Region[] = ['belly', 'armpit', 'groin'];
const WATER: readonly ToolKind[] = ['hand-bath', 'bather'];

const r = (
  id: string,
  severity: Severity,
  statement: string,
  reason: string,
  when: RuleWhen,
  source: Source = COMMON_PRACTICE,
): Rule => ({ id, severity, statement, reason, when, source });

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
      dogStops: ['parasites', 'heavy-parasites'],
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
    'Head-shy: no force dryer at ruff and throat.',
    'Get them out wet, dry them with a towel.',
    {
      tools: ['force-dryer'],
      regions: ['ruff', 'throat'],
      traits: ['head-shy'],
    },
  ),
  r('cut-only-tied', 'never', 'Splitter, shears and clipper are for tied hair only.', 'They cut live hair.', {
    tools: ['mat-splitter', 'thinning-shears', 'clipper'],
    conditions: ['clear', 'dense', 'loose', 'packed'],
  }),
  r('show-never-cut', 'never', 'A show coat is never cut or thinned.', 'Years of growth.', {
    tools: ['mat-splitter', 'thinning-shears', 'clipper'],
    traits: ['show-coat'],
  }),
  r('clip-pelts-only', 'never', 'Clip only what is felted to the skin.', 'A double coat may not grow back as it was.', {
    tools: ['clipper'],
    ties: ['none', 'knot'],
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

  r(
    'warn-blade',
    'warn',
    'Skin taut, no pressure, keep moving. Stop at the first pink.',
    'Overdone, it makes skin weep.',
    {
      tools: BLADES,
    },
  ),
  r('warn-tail', 'warn', 'Support the tail with the other hand; small pieces.', 'The most sensitive zone.', {
    regions: ['tail'],
    tools: [...RAKES, ...SLICKERS, 'comb', 'pin-brush'],
  }),
  r(
    'warn-rake',
    'warn',
    'Skin taut, wrist loose, strokes of 5 to 8 cm; never twice where it is pink.',
    'Pressing injures skin.',
    {
      tools: RAKES,
    },
  ),
  r('warn-slicker', 'warn', 'Level with the body. Test the pressure on the back of your own hand.', 'Wires stab.', {
    tools: SLICKERS,
  }),
  r(
    'warn-clear-light',
    'warn',
    'Where the coat is clear, one light pass.',
    'The undercoat that shields the skin has gone.',
    {
      tools: ['firm-slicker', 'rake'],
      conditions: ['clear'],
    },
  ),
  r('warn-splitter', 'warn', 'Saw away from the skin, comb between mat and skin. Trained hands only.', 'A razor.', {
    tools: ['mat-splitter'],
  }),
  r(
    'warn-clipper',
    'warn',
    'The owner agrees first. Cool blade, skin stretched flat.',
    'Regrowth may never be right.',
    {
      tools: ['clipper'],
    },
  ),
  r(
    'warn-comb-ties',
    'warn',
    'Hold the hair above the knot, wide end first, from the tips inward.',
    'A pull is felt at the root.',
    {
      tools: ['comb'],
      conditions: TIED,
    },
  ),
  r(
    'warn-comb',
    'warn',
    'No pressure. Where it stops, go back a tool; never pull.',
    'The comb is the proof, not the plough.',
    {
      tools: ['comb', 'fine-comb'],
    },
  ),
  r('warn-thin', 'warn', 'Very light here: thin skin.', 'Sparse hair over thin skin.', {
    regions: THIN,
    tools: ['soft-slicker', 'comb', 'fine-comb', 'rubber', 'pin-brush'],
  }),
  r('warn-bath', 'warn', 'Lukewarm, loop never left alone, soap out to the last.', 'Soap left in itches and flakes.', {
    tools: WATER,
  }),
  r(
    'warn-bath-dander',
    'warn',
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
  r(
    'warn-skin-trouble',
    'warn',
    'Skin trouble: only the shampoo the vet has named, if any; rinse longest here.',
    'A new product can set it off.',
    { tools: WATER, traits: ['skin-trouble'] },
  ),
  r(
    'warn-medicines',
    'warn',
    'On medicines: nothing new on the skin before the vet has agreed.',
    'Some products and medicines do not go together.',
    { tools: WATER, traits: ['medicines'] },
  ),
  r('warn-towel', 'warn', 'Press and lift, do not rub.', 'Rubbing ties long coat.', {
    tools: ['towel'],
    guardOverMm: 40,
  }),
  r(
    'warn-dryer-heat',
    'warn',
    'Cool air, watch the breathing, stop and rest early.',
    'Heat is dangerous for this dog.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      traits: ['short-nosed', 'senior', 'heart-trouble'],
    },
  ),
  r(
    'warn-dryer-shy',
    'warn',
    'Start at the rump, low, with a snood; stop before it sours.',
    'A bad ride costs weeks.',
    {
      tools: ['force-dryer'],
      traits: ['dryer-shy', 'puppy-coat', 'nervous'],
    },
  ),
  r(
    'warn-dryer',
    'warn',
    'Ear protection on. Flat nozzle close, slow wave, do not twist long hair.',
    'Noise; whipped knots.',
    {
      tools: ['force-dryer'],
    },
  ),
  r('warn-stand-dryer', 'warn', 'Never leave the dog in front of it alone.', 'Heat gathers.', {
    tools: ['stand-dryer'],
  }),
  r(
    'warn-bites',
    'warn',
    'May bite: a second person, short bouts, stop early.',
    'Fear that is pushed comes back as teeth.',
    { traits: ['bites'], regions: ['face', 'ears', 'forefoot', 'hindfoot', 'tail'] },
    GUESS,
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

  r(
    'warn-hot-day',
    'warn',
    'A hot room: cool air only, water at hand, watch the breathing.',
    'Over 27 °C a dog sheds heat badly under a dryer.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      airOverC: 27,
    },
  ),
  r(
    'warn-loud',
    'warn',
    'Measured over 85 dB(A): ear protection, and count the minutes beside it.',
    'Hearing is lost by dose.',
    {
      tools: ['force-dryer', 'stand-dryer'],
      piece: { overDbA: 85 },
    },
  ),
  r(
    'warn-static',
    'warn',
    'Plastic on a dry long coat sparks: a little mist, or a metal piece.',
    'Charged hair flies and ties.',
    {
      wetness: ['dry'],
      piece: { materials: ['plastic'] },
      guardOverMm: 40,
    },
  ),
  r('warn-spray-film', 'warn', 'Little spray, and wash it out after.', 'A film collects dirt and ties again.', {
    tools: ['comb'],
    conditions: TIED,
    house: { spray: 'spray' },
  }),
  r(
    'warn-bath-again',
    'warn',
    'Bathed lately: ask whether this bath is needed.',
    'House rule: skin needs its oil between baths.',
    {
      tools: WATER,
      sinceBath: 'under-house-gap',
    },
  ),
  r(
    'warn-pointed',
    'warn',
    'Pointed tips: lightest hand, try it on your own arm first.',
    'They scratch before it shows.',
    {
      piece: { tips: ['pointed'] },
    },
  ),
  r(
    'warn-lump',
    'warn',
    'A known lump here: work around it with your fingers on it.',
    'A tooth that catches it tears it.',
    {
      skins: ['lump'],
    },
  ),
  r(
    'warn-feet',
    'warn',
    'Hold the foot low and loose; comb between the pads, no pulling.',
    'Webs are thin and toes ticklish.',
    {
      tools: ['comb', 'fine-comb'],
      regions: ['forefoot', 'hindfoot'],
    },
  ),
  r('warn-head', 'warn', 'Hold the head, small strokes, away from the eye.', 'A dog turns faster than a hand.', {
    tools: ['comb', 'fine-comb', 'bristle', 'soft-slicker'],
    regions: ['face', 'ears'],
  }),
  r(
    'warn-sore',
    'warn',
    'Sore joints: work lying down where it can be reached, fewest turns.',
    'Standing hurts before it shows.',
    {
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
