/**
 * Decides the shape of a blow: a gamma density of shape 2, heaviest early, fading to a daily handful.
 *
 * Common practice knows its length (4 to 6 weeks) and that it is heaviest early; the shape itself is a guess. It was
 * taken because what is in the coat then has a closed form: no day-by-day sums are needed to learn from a log.
 */

/** Days of length (until 95 % is over) for one unit of the gamma distribution's scale: its 95 % point. */
export const LENGTH_IN_SCALES = 4.743864518;
/** The 10 % point of gamma(2, 1), in scales: a blow is said to start when a tenth of it is out. */
export const START_IN_SCALES = 0.531811608;
/** All but a ten-millionth is out. */
const OVER_IN_SCALES = 19;

/** Gamma density of shape 2 a day; 95 % of it lies within lengthDays. */
export function pulseShare(daysSinceOnset: number, lengthDays: number): number {
  if (daysSinceOnset < 0) return 0;
  const scale = lengthDays / LENGTH_IN_SCALES;
  return (daysSinceOnset / scale ** 2) * Math.exp(-daysSinceOnset / scale);
}

/** Share of a pulse that is out so many days after its onset. */
export function pulseOut(daysSinceOnset: number, lengthDays: number): number {
  if (daysSinceOnset <= 0) return 0;
  const x = (daysSinceOnset * LENGTH_IN_SCALES) / lengthDays;
  return 1 - (1 + x) * Math.exp(-x);
}

/** Loss a day and pace of a pulse nearer to each other than this cancel in the closed form. */
export const NEAR_EQUAL = 0.03;

/**
 * Share of a pulse that was set free between u1 and u2 days after its onset and is still in the coat at u2, where a
 * share `loss` of what is there goes each day: ∫ x e^(−x) e^(−loss (u2 − u)) dx in scales x = u / scale.
 * out1, out2: e^(−u1/scale) and e^(−u2/scale); keep: e^(−loss (u2 − u1)). The caller has them at hand.
 */
export function pulseHeld(
  x1: number,
  x2: number,
  out1: number,
  out2: number,
  keep: number,
  lossPerScale: number,
): number {
  const a = 1 - lossPerScale;
  if (Math.abs(a) > NEAR_EQUAL) return ((1 + a * x1) * keep * out1 - (1 + a * x2) * out2) / (a * a);
  // Loss as quick as the pulse itself: the closed form cancels; its series in a does not.
  let term = 1;
  let total = 0;
  let [p1, p2] = [x1 * x1, x2 * x2];
  for (let k = 0; k < 30; k++) {
    const next = (term * (p2 - p1)) / (k + 2);
    total += next;
    if (Math.abs(next) < 1e-14 * Math.abs(total)) break;
    term *= -a / (k + 1);
    p1 *= x1;
    p2 *= x2;
  }
  return total * Math.exp(-lossPerScale * x2);
}

/** A pulse so many scales old has nothing more to give. */
export const isOver = (scales: number): boolean => scales > OVER_IN_SCALES;
