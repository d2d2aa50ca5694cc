/**
 * Decides what may touch which zone of which coat in which state: the safety rules and the usual cautions.
 *
 * A rule is a row; the engine below only matches rows. Within a row every key given must match; a list
 * matches when it holds the value. `stop` and `never` forbid, `warn` puts a caution beside the step.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';
import type { CoatClass, DogTrait, Region } from '../dog/index.ts';
import { TIED, type ConditionKind, type SkinFinding, type TieGrade } from '../check/index.ts';
import { BLADES, RAKES, SLICKERS, type ToolKind, type Wetness } from './tools.ts';
import type { HouseRules } from './house.ts';

export type Severity = 'stop' | 'never' | 'warn';

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
  readonly houseBlade?: HouseRules['blade'];
}

export interface Rule {
  readonly id: string;
  readonly severity: Severity;
  readonly statement: string;
  readonly reason: string;
  readonly when: RuleWhen;
  readonly source: Source;
}

/** Everything a rule may look at in one zone, besides the tool. */
export interface RuleContext {
  readonly region: Region;
  readonly wetness: Wetness;
  readonly coatClass: CoatClass;
  readonly condition: ConditionKind;
  readonly tie: TieGrade;
  readonly skin: SkinFinding;
  readonly traits: readonly DogTrait[];
  readonly guardMm: number;
  readonly houseBlade: HouseRules['blade'];
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
    'stop-zone',
    'stop',
    'This zone is not worked. A vet should look.',
    'Open, painful or new: brushing spreads harm.',
    {
      conditions: ['stop'],
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
    houseBlade: 'never',
  }),
  r(
    'house-blade-smooth',
    'never',
    'This house uses blade combs on smooth doubles only.',
    'House rule: elsewhere guard hair pays.',
    {
      tools: ['blade-comb', 'plastic-blade-comb'],
      houseBlade: 'smooth-doubles',
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
];

/** Does a row match a context; its tools were matched by the lists below. */
function applies(when: RuleWhen, c: RuleContext): boolean {
  return (
    (!when.regions || when.regions.includes(c.region)) &&
    (!when.wetness || when.wetness.includes(c.wetness)) &&
    (!when.classes || when.classes.includes(c.coatClass)) &&
    (!when.conditions || when.conditions.includes(c.condition)) &&
    (!when.ties || when.ties.includes(c.tie)) &&
    (!when.skins || when.skins.includes(c.skin)) &&
    (!when.traits || when.traits.some((t) => c.traits.includes(t))) &&
    (when.guardOverMm === undefined || c.guardMm > when.guardOverMm) &&
    (when.guardUnderMm === undefined || c.guardMm < when.guardUnderMm) &&
    (!when.houseBlade || when.houseBlade === c.houseBlade)
  );
}

/** Rules by tool, so that a lookup reads only rows that could match; a row without tools is in every list. */
const rulesFor = (severities: readonly Severity[]): ReadonlyMap<ToolKind | undefined, readonly Rule[]> => {
  const rows = RULES.filter((rule) => severities.includes(rule.severity));
  const kinds = new Set(RULES.flatMap((rule) => rule.when.tools ?? []));
  const any = rows.filter((rule) => !rule.when.tools);
  return new Map([
    [undefined, any],
    ...[...kinds].map((k) => [k, rows.filter((rule) => rule.when.tools?.includes(k) ?? true)] as const),
  ]);
};
const FORBIDDING = rulesFor(['stop', 'never']);
const WARNING = rulesFor(['warn']);

const candidates = (index: ReadonlyMap<ToolKind | undefined, readonly Rule[]>, tool: ToolKind): readonly Rule[] =>
  index.get(tool) ?? index.get(undefined) ?? [];

/** The first rule that forbids this tool here, if any. */
export const forbiddenBy = (tool: ToolKind, here: RuleContext): Rule | undefined =>
  candidates(FORBIDDING, tool).find((rule) => applies(rule.when, here));

/** All cautions that belong beside this tool here. */
export const cautionsFor = (tool: ToolKind, here: RuleContext): readonly Rule[] =>
  candidates(WARNING, tool).filter((rule) => applies(rule.when, here));

const BY_ID = new Map(RULES.map((rule) => [rule.id, rule]));

/** The rule of an id; a plan stores only ids. */
export function rule(id: string): Rule {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`no such rule: ${id}`);
  return found;
}
