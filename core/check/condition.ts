/**
 * Decides the condition of each zone from the touch tests: clear, dense, loose, packed, knotted, matted, pelted or stop.
 *
 * Packed and matted are told apart by the tie test alone: packed hair is dense and loose, but no lock is tied.
 * Dense hair is a full live undercoat: fingers meet depth, but nothing comes at a pull and the comb glides.
 * A stop beats everything. A zone nobody felt borrows from its mirror, then from the rest of the dog, and says so.
 */
import { sum } from '../quantity/index.ts';
import { ZONES, mirrorZone, zone, type CoatClassRow, type ZoneId } from '../dog/index.ts';
import type { CoatCheck } from './check.ts';
import { STOPPING_SKIN } from './stops.ts';
import type { CombGrade, FingerGrade, SkinFinding, TieGrade, TugGrade, ZoneFindings } from './scales.ts';

/** From easiest to hardest; a stop stands outside the order of work. */
export const CONDITION_KINDS = ['clear', 'dense', 'loose', 'packed', 'knotted', 'matted', 'pelted', 'stop'] as const;
export type ConditionKind = (typeof CONDITION_KINDS)[number];
/** Conditions in which hair is tied to hair: decided about before any water, air, rake or slicker. */
export const TIED: readonly ConditionKind[] = ['knotted', 'matted', 'pelted'];
export const CONDITION_OF_TIE = { knot: 'knotted', mat: 'matted', pelt: 'pelted' } as const;

/** The test that decided, with its reading: worded by the interface. */
export type ConditionReason =
  | { readonly code: 'skin'; readonly finding: SkinFinding }
  | { readonly code: 'tie'; readonly grade: TieGrade }
  | { readonly code: 'finger'; readonly grade: FingerGrade }
  | { readonly code: 'comb'; readonly grade: CombGrade }
  | { readonly code: 'tug'; readonly grade: TugGrade }
  | { readonly code: 'borrowed'; readonly from: 'mirror' | 'rest' | 'coat-class' };

export interface ZoneCondition {
  readonly zone: ZoneId;
  readonly kind: ConditionKind;
  /** Readings used, complete: felt where felt, borrowed where not. */
  readonly readings: Readings;
  /** True when no test was done in this zone itself. */
  readonly assumed: boolean;
  readonly reasons: readonly ConditionReason[];
  /** Undercoat as drawn and computed: 0 bare … 4 plate. */
  readonly grade: FingerGrade;
}

export interface Readings {
  readonly finger: FingerGrade;
  readonly tug: TugGrade;
  readonly comb: CombGrade;
  readonly tie: TieGrade;
  readonly skin: SkinFinding;
}

const UNFELT: Readings = { finger: 1, tug: 1, comb: 'glides', tie: 'none', skin: 'clear' };

const hasCoatReading = (f: ZoneFindings | undefined): boolean =>
  f?.finger !== undefined || f?.tug !== undefined || f?.comb !== undefined;

/** The grade that stands in the middle of a list; the list must not be empty. */
function median(grades: readonly FingerGrade[]): FingerGrade {
  const sorted = [...grades].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? UNFELT.finger;
}

/** Coat readings of the whole dog, for zones that nobody felt on either side. Ties and skin are never borrowed. */
function typicalReadings(check: Pick<CoatCheck, 'zones'>): Pick<Readings, 'finger' | 'tug' | 'comb'> | undefined {
  const felt = ZONES.map((z) => check.zones[z.id]).filter(hasCoatReading);
  if (felt.length === 0) return undefined;
  const fingers = felt.flatMap((f) => (f?.finger === undefined ? [] : [f.finger]));
  const tugs = felt.flatMap((f) => (f?.tug === undefined ? [] : [f.tug]));
  const meanTug = tugs.length === 0 ? UNFELT.tug : sum(tugs) / tugs.length;
  return {
    finger: fingers.length === 0 ? UNFELT.finger : median(fingers),
    tug: meanTug < 0.5 ? 0 : meanTug < 1.5 ? 1 : meanTug < 2.5 ? 2 : 3,
    comb: 'glides',
  };
}

/** One test missing in a felt zone is read from the others: a plate stops a comb, an easy zone lets it glide. */
function completed(found: ZoneFindings, base: Pick<Readings, 'finger' | 'tug' | 'comb'>): Readings {
  const finger =
    found.finger ?? (found.comb === 'stops' ? 3 : found.comb === 'drags' ? 2 : found.comb ? 1 : base.finger);
  return {
    finger,
    tug: found.tug ?? (found.finger === undefined ? base.tug : finger >= 3 ? 2 : finger === 0 ? 0 : 1),
    comb: found.comb ?? (finger >= 3 ? 'stops' : finger === 2 ? 'drags' : 'glides'),
    tie: found.tie ?? 'none',
    skin: found.skin ?? 'clear',
  };
}

function judge(r: Readings, packs: boolean): { kind: ConditionKind; reasons: ConditionReason[] } {
  if (STOPPING_SKIN.has(r.skin)) return { kind: 'stop', reasons: [{ code: 'skin', finding: r.skin }] };
  if (r.tie !== 'none') return { kind: CONDITION_OF_TIE[r.tie], reasons: [{ code: 'tie', grade: r.tie }] };
  const byFinger: ConditionReason = { code: 'finger', grade: r.finger };
  const byComb: ConditionReason = { code: 'comb', grade: r.comb };
  if (packs && (r.finger === 4 || (r.finger === 3 && r.comb !== 'glides'))) {
    return { kind: 'packed', reasons: [byFinger, byComb] };
  }
  if (packs && r.finger === 2 && r.comb === 'stops') return { kind: 'packed', reasons: [byComb, byFinger] };
  if (r.tug >= 2) return { kind: 'loose', reasons: [{ code: 'tug', grade: r.tug }, byFinger] };
  if (r.finger >= 2 && r.comb === 'glides') {
    return { kind: 'dense', reasons: [byFinger, { code: 'tug', grade: r.tug }, byComb] };
  }
  if (r.finger >= 2) return { kind: 'loose', reasons: [byFinger, byComb] };
  if (r.comb !== 'glides') return { kind: 'loose', reasons: [byComb] };
  return { kind: 'clear', reasons: [byFinger, byComb] };
}

/** The condition of every zone, in working order. Same check, same answer; mirrored check, mirrored answer. */
export function zoneConditions(
  check: Pick<CoatCheck, 'zones'>,
  coat: Pick<CoatClassRow, 'packs'>,
): readonly ZoneCondition[] {
  const typical = typicalReadings(check);
  return ZONES.map(({ id }): ZoneCondition => {
    const own = check.zones[id] ?? {};
    const base = typical ?? UNFELT;
    const mirror = check.zones[mirrorZone(id)];
    const feltHere = hasCoatReading(own);
    const mirrored = !feltHere && mirrorZone(id) !== id && hasCoatReading(mirror) && mirror;
    // Only how the coat stands is borrowed; a tie or a sore on one side says nothing of the other.
    const { finger, tug, comb } = mirrored ? completed(mirror, base) : { ...UNFELT, ...base };
    const readings = feltHere
      ? completed(own, base)
      : { finger, tug, comb, tie: own.tie ?? 'none', skin: own.skin ?? 'clear' };
    const { kind, reasons } = judge(readings, coat.packs);
    const borrowed: ConditionReason[] = feltHere
      ? []
      : [{ code: 'borrowed', from: mirrored ? 'mirror' : typical ? 'rest' : 'coat-class' }];
    return { zone: id, kind, readings, assumed: !feltHere, reasons: [...reasons, ...borrowed], grade: readings.finger };
  });
}

/** Share of the body surface in each condition. */
export function conditionShares(conditions: readonly ZoneCondition[]): Readonly<Record<ConditionKind, number>> {
  const shares = { clear: 0, dense: 0, loose: 0, packed: 0, knotted: 0, matted: 0, pelted: 0, stop: 0 };
  for (const c of conditions) shares[c.kind] += zone(c.zone).surfaceShare;
  return shares;
}

/** A condition names the whole dog when it holds on at least this share of the surface, tied hair from less. Guess. */
const NAMES_THE_DOG = 0.2;
const TIES_NAME_THE_DOG = 0.08;

export interface WholeCondition {
  readonly kind: Exclude<ConditionKind, 'stop'>;
  /** Share of the surface that is so, or harder to work. */
  readonly share: number;
}

/** What the coat is like as a whole: the hardest condition that holds, or is passed, on enough of the surface. */
export function wholeCondition(conditions: readonly ZoneCondition[]): WholeCondition {
  const shares = conditionShares(conditions);
  let share = 0;
  for (const kind of ['pelted', 'matted', 'knotted', 'packed', 'loose', 'dense'] as const) {
    share += shares[kind];
    if (share >= (TIED.includes(kind) ? TIES_NAME_THE_DOG : NAMES_THE_DOG)) return { kind, share };
  }
  return { kind: 'clear', share: 1 - shares.stop };
}
