/** An 80 % interval: one in ten lies below it, one in ten above. */
export interface Interval80 {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}
