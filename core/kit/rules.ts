/**
 * Decides which rules speak about a piece in a zone: it only matches the rows of the table.
 */
import type { CoatClass, DogTrait, Region } from '../dog/index.ts';
import type { ConditionKind, DogStop, FingerGrade, SkinFinding, TieGrade } from '../check/index.ts';
import { BATH_GAP_DAYS, type Quarrels } from './house.ts';
import { RULES, type Rule, type RuleWhen, type Severity } from './rule-table.ts';
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
  /** Air of the day, °C, where it was read. */
  readonly airC?: number | undefined;
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

/** Does a row match; its tools were matched by the lists below, its whole-dog findings by dogStopRule. */
function applies(when: RuleWhen, piece: Piece, c: RuleContext): boolean {
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
    (!when.house || sidesTaken(when.house, c.house)) &&
    (!when.piece || pieceIs(when.piece, piece)) &&
    (when.airOverC === undefined || (c.airC !== undefined && c.airC > when.airOverC)) &&
    (when.sinceBath === undefined || (c.daysSinceBath !== undefined && c.daysSinceBath < BATH_GAP_DAYS[c.house.bath]))
  );
}

/** Rules by tool, so that a lookup reads only rows that could match; a row without tools is in every list. */
const rulesFor = (severities: readonly Severity[]): ReadonlyMap<ToolKind | undefined, readonly Rule[]> => {
  const rows = RULES.filter((row) => severities.includes(row.severity) && !row.when.dogStops);
  const kinds = new Set(RULES.flatMap((row) => row.when.tools ?? []));
  const any = rows.filter((row) => !row.when.tools);
  return new Map([
    [undefined, any],
    ...[...kinds].map((k) => [k, rows.filter((row) => row.when.tools?.includes(k) ?? true)] as const),
  ]);
};
const FORBIDDING = rulesFor(['stop', 'never']);
const WARNING = rulesFor(['warn']);
const PREFERRING = rulesFor(['prefer']);

const candidates = (index: ReadonlyMap<ToolKind | undefined, readonly Rule[]>, tool: ToolKind): readonly Rule[] =>
  index.get(tool) ?? index.get(undefined) ?? [];

/** The first rule that forbids this piece here, if any. */
export const forbiddenBy = (piece: Piece, here: RuleContext): Rule | undefined =>
  candidates(FORBIDDING, piece.kind).find((row) => applies(row.when, piece, here));

/** All cautions that belong beside this piece here. */
export const cautionsFor = (piece: Piece, here: RuleContext): readonly Rule[] =>
  candidates(WARNING, piece.kind).filter((row) => applies(row.when, piece, here));

/** The first rule that prefers this piece here, if any. */
export const preferredBy = (piece: Piece, here: RuleContext): Rule | undefined =>
  candidates(PREFERRING, piece.kind).find((row) => applies(row.when, piece, here));

/** Every rule that speaks about this piece here. */
export const rulesOn = (piece: Piece, here: RuleContext): readonly Rule[] =>
  [FORBIDDING, WARNING, PREFERRING].flatMap((index) =>
    candidates(index, piece.kind).filter((row) => applies(row.when, piece, here)),
  );

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
