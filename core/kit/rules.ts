/**
 * Decides which rules speak about a piece in a zone: it only matches the rows of the table.
 */
import type { CoatClass, DogTrait, Region } from '../dog/index.ts';
import type { ConditionKind, DogStop, FingerGrade, SkinFinding, TieGrade } from '../check/index.ts';
import { BATH_GAP_DAYS, type Quarrels } from './house.ts';
import { RULES, SEVERITIES, type Rule, type RuleWhen, type Severity } from './rule-table.ts';
import type { ToolKind, ToolMeasures, Wetness } from './tools.ts';

/** A kind of tool with what is measured on it; a bare kind is a piece of usual measures. */
export interface Piece extends ToolMeasures {
  readonly kind: ToolKind;
}

/** Everything a rule may look at in one zone, besides the piece. */
export interface RuleContext {
  readonly region: Region;
  readonly wetness: Wetness;
  readonly coatClass: CoatClass;
  readonly condition: ConditionKind;
  /** Undercoat by finger to skin. */
  readonly grade: FingerGrade;
  readonly tie: TieGrade;
  readonly skin: SkinFinding;
  readonly traits: readonly DogTrait[];
  readonly guardMm: number;
  readonly house: Quarrels;
  /** Is it clipped by somebody's order. */
  readonly ordered?: boolean | undefined;
  /** Was it clipped in this visit. */
  readonly clipped?: boolean | undefined;
  /** Air of the day, °C and relative humidity, where it was read. */
  readonly airC?: number | undefined;
  readonly humidityPct?: number | undefined;
  /** Days since the last bath, where it is known. */
  readonly daysSinceBath?: number | undefined;
}

const sidesTaken = (sides: Partial<Quarrels>, house: Quarrels): boolean =>
  (sides.blade === undefined || sides.blade === house.blade) &&
  (sides.wetBrushing === undefined || sides.wetBrushing === house.wetBrushing) &&
  (sides.spray === undefined || sides.spray === house.spray);

const pieceIs = (asked: NonNullable<RuleWhen['piece']>, piece: Piece): boolean =>
  (asked.wetSafe === undefined || piece.wetSafe === asked.wetSafe) &&
  (!asked.materials || (piece.material !== undefined && asked.materials.includes(piece.material))) &&
  (!asked.tips || (piece.tip !== undefined && asked.tips.includes(piece.tip))) &&
  (!asked.heats || (piece.heat !== undefined && asked.heats.includes(piece.heat))) &&
  (asked.overDbA === undefined || (piece.dbA ?? 0) > asked.overDbA);

type Test = (piece: Piece, c: RuleContext) => boolean;

/**
 * What a row asks, as tests of only the keys it has, the ones that fail most often first. Its tools are matched by the
 * lists below, its whole-dog findings by dogStopRule.
 */
function testsOf(when: RuleWhen): readonly Test[] {
  const { regions, wetness, classes, conditions, ties, grades, skins, traits, unlessTraits } = when;
  const { guardOverMm, guardUnderMm, house, airOverC, airUnderPct } = when;
  const asked = when.piece;
  const tests: Test[] = [];
  if (skins) tests.push((_, c) => skins.includes(c.skin));
  if (conditions) tests.push((_, c) => conditions.includes(c.condition));
  if (ties) tests.push((_, c) => ties.includes(c.tie));
  if (grades) tests.push((_, c) => grades.includes(c.grade));
  if (when.unlessOrdered) tests.push((_, c) => c.ordered !== true);
  if (when.clipped) tests.push((_, c) => c.clipped === true);
  if (regions) tests.push((_, c) => regions.includes(c.region));
  if (wetness) tests.push((_, c) => wetness.includes(c.wetness));
  if (traits) tests.push((_, c) => c.traits.some((t) => traits.includes(t)));
  if (unlessTraits) tests.push((_, c) => !c.traits.some((t) => unlessTraits.includes(t)));
  if (classes) tests.push((_, c) => classes.includes(c.coatClass));
  if (guardOverMm !== undefined) tests.push((_, c) => c.guardMm > guardOverMm);
  if (guardUnderMm !== undefined) tests.push((_, c) => c.guardMm < guardUnderMm);
  if (house) tests.push((_, c) => sidesTaken(house, c.house));
  if (asked) tests.push((piece) => pieceIs(asked, piece));
  if (airOverC !== undefined) tests.push((_, c) => c.airC !== undefined && c.airC > airOverC);
  if (airUnderPct !== undefined) tests.push((_, c) => c.humidityPct !== undefined && c.humidityPct < airUnderPct);
  if (when.sinceBath !== undefined) {
    tests.push((_, c) => c.daysSinceBath !== undefined && c.daysSinceBath < BATH_GAP_DAYS[c.house.bath]);
  }
  return tests;
}

interface Row {
  readonly rule: Rule;
  readonly tests: readonly Test[];
}
function applies({ tests }: Row, piece: Piece, c: RuleContext): boolean {
  for (const test of tests) if (!test(piece, c)) return false;
  return true;
}

type Index = ReadonlyMap<ToolKind | undefined, readonly Row[]>;
/** Rows by tool, so that a lookup reads only those that could match; a row without tools is in every list. */
const rulesFor = (severities: readonly Severity[]): Index => {
  const rows = RULES.filter((row) => severities.includes(row.severity) && !row.when.dogStops).map((row): Row => ({
    rule: row,
    tests: testsOf(row.when),
  }));
  const kinds = new Set(RULES.flatMap((row) => row.when.tools ?? []));
  const any = rows.filter((row) => !row.rule.when.tools);
  return new Map([
    [undefined, any],
    ...[...kinds].map((k) => [k, rows.filter((row) => row.rule.when.tools?.includes(k) ?? true)] as const),
  ]);
};
const FORBIDDING = rulesFor(['stop', 'never']);
const WARNING = rulesFor(['warn']);
const PREFERRING = rulesFor(['prefer']);
const ALL = rulesFor(SEVERITIES);

const candidates = (index: Index, tool: ToolKind): readonly Row[] => index.get(tool) ?? index.get(undefined) ?? [];

function first(index: Index, piece: Piece, here: RuleContext): Rule | undefined {
  for (const row of candidates(index, piece.kind)) if (applies(row, piece, here)) return row.rule;
  return undefined;
}
function every(index: Index, piece: Piece, here: RuleContext, found: Rule[] = []): readonly Rule[] {
  for (const row of candidates(index, piece.kind)) if (applies(row, piece, here)) found.push(row.rule);
  return found;
}

/** The first rule that forbids this piece here, if any. */
export const forbiddenBy = (piece: Piece, here: RuleContext): Rule | undefined => first(FORBIDDING, piece, here);

/** All cautions that belong beside this piece here. */
export const cautionsFor = (piece: Piece, here: RuleContext): readonly Rule[] => every(WARNING, piece, here);

/** The first rule that prefers this piece here, if any. */
export const preferredBy = (piece: Piece, here: RuleContext): Rule | undefined => first(PREFERRING, piece, here);

/** Every rule that speaks about this piece here. */
export const rulesOn = (piece: Piece, here: RuleContext): readonly Rule[] => every(ALL, piece, here);

/** Lengths at which some rule begins or ends to hold, mm. */
const LIMITS = [
  ...new Set(RULES.flatMap(({ when }) => [when.guardOverMm, when.guardUnderMm].filter((mm) => mm !== undefined))),
];
/** Hair of one band is the same to every rule. */
export const ruleBand = (mm: number): string => LIMITS.map((limit) => Math.sign(mm - limit)).join('');

/** The rule behind a finding that stops the whole dog. */
export function dogStopRule(stop: DogStop): Rule {
  const code = stop.code === 'inspection' ? stop.item : stop.code;
  const found = RULES.find((row) => row.when.dogStops?.some((c) => c === code));
  if (!found) throw new RangeError(`no rule stops a dog for ${code}`);
  return found;
}

const BY_ID = new Map(RULES.map((row) => [row.id, row]));

/** The rule of an id; a plan stores only ids. */
export function rule(id: string): Rule {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`no such rule: ${id}`);
  return found;
}

/** The rule of an id, if the table still has it: a session's snapshot may be older than the table. */
export const findRule = (id: string): Rule | undefined => BY_ID.get(id);
