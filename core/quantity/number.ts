/** Small arithmetic that several subjects share. */
export const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
export const sum = (values: Iterable<number>): number => {
  let total = 0;
  for (const v of values) total += v;
  return total;
};
/** The mean of some figures; NaN of none. */
export const mean = (values: ArrayLike<number> & Iterable<number>): number => sum(values) / values.length;
/** Rounds up to a multiple of step, forgiving floating-point dust just above a multiple. */
export const ceilTo = (value: number, step: number): number => Math.ceil(value / step - 1e-9) * step;
