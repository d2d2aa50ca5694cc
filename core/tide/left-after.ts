/** What a worked session says about the coat that went home: the scale corrects the touch. */
import { clamp, sum, type Day } from '../quantity/index.ts';
import type { CombGrade } from '../check/index.ts';
import { isZoneId, zone, type ZoneId } from '../dog/index.ts';
import type { SessionRecord } from '../table/index.ts';

/** A session that was worked, and the loose grams that its plan began from. */
export interface WorkedSession {
  readonly day: Day;
  readonly looseG: number;
  readonly record: SessionRecord;
}

export interface SessionOutcome {
  /** Loose grams that the check made the plan expect in the coat. */
  readonly expectedLooseG: number;
  /** Grams the plan expected out in the steps that were done and weighed. */
  readonly expectedWeighedG: number;
  /** Grams weighed from those steps. */
  readonly weighedG: number;
  /** Share expected left after the steps that were done. */
  readonly expectedShareLeft: number;
  /** Share of the surface where the comb proof dragged, and where it stopped, 0..1. */
  readonly dragShare: number;
  readonly stopShare: number;
}

/** A weight far from what was expected moves the estimate no further than this either way. Guess. */
const MOST_CORRECTION = 3;
/** Weight of the scale against the touch tests. Guess. */
const SCALE_WEIGHT = 0.7;
/** Where the comb drags or stops, at least this share of the loose coat is still there. Guess. */
const LEFT_WHERE_DRAGS = 0.3;
/** The same where it stops. Guess. */
const LEFT_WHERE_STOPS = 0.7;

/** Loose grams and share left in the coat after a session. */
export function leftAfter(o: SessionOutcome): { readonly leftG: number; readonly leftShare: number } {
  const ratio =
    o.weighedG > 0 && o.expectedWeighedG > 0
      ? clamp(o.weighedG / o.expectedWeighedG, 1 / MOST_CORRECTION, MOST_CORRECTION)
      : 1;
  const looseG = o.expectedLooseG * Math.exp(SCALE_WEIGHT * Math.log(ratio));
  const proven = 1 - o.dragShare - o.stopShare;
  const leftShare = clamp(
    o.expectedShareLeft * Math.max(0, proven) +
      Math.max(o.expectedShareLeft, LEFT_WHERE_DRAGS) * o.dragShare +
      Math.max(o.expectedShareLeft, LEFT_WHERE_STOPS) * o.stopShare,
    0,
    1,
  );
  return { leftG: looseG * leftShare, leftShare };
}

/** Share of the surface on which the comb proof gave a grade. */
function proofShare(comb: Partial<Readonly<Record<ZoneId, CombGrade>>>, grade: CombGrade): number {
  return sum(Object.entries(comb).map(([id, g]) => (g === grade && isZoneId(id) ? zone(id).surfaceShare : 0)));
}

/** Loose grams and share left in the coat at the end of a worked session. */
export function leftBySession({ looseG, record }: WorkedSession): { leftG: number; leftShare: number } {
  const done = record.steps.filter((s) => s.state === 'done').map((s) => s.plan);
  const weighed = record.steps.filter((s) => s.grams !== undefined).map((s) => s.plan);
  return leftAfter({
    expectedLooseG: looseG,
    expectedWeighedG: sum(weighed.map((s) => s.gramsOut)),
    weighedG: record.gramsOut,
    expectedShareLeft: looseG === 0 ? 0 : Math.max(0, 1 - sum(done.map((s) => s.gramsOut)) / looseG),
    dragShare: proofShare(record.comb, 'drags'),
    stopShare: proofShare(record.comb, 'stops'),
  });
}
