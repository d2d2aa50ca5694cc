/** Decides at which minutes of a day a visit can start, given what is booked and how many tables there are. */
export interface Span {
  /** Minutes after the day's midnight. */
  readonly start: number;
  readonly minutes: number;
}

/** Starts are offered on this grid. */
const GRID_MINUTES = 15;

/** Most visits at work at once at any moment of a span. */
export function busiest(span: Span, booked: readonly Span[]): number {
  const end = span.start + span.minutes;
  const within = booked.filter((b) => b.start < end && b.start + b.minutes > span.start);
  // The count only rises where a visit starts, so those moments and the span's own start decide.
  const moments = [span.start, ...within.map((b) => b.start).filter((m) => m > span.start)];
  return Math.max(0, ...moments.map((m) => within.filter((b) => b.start <= m && b.start + b.minutes > m).length));
}

/** Starts on the quarter hour at which a visit of this length fits between the doors and has a free table. */
export function freeStarts(
  minutes: number,
  booked: readonly Span[],
  hours: { readonly openMinute: number; readonly closeMinute: number },
  tables: number,
): readonly number[] {
  const starts: number[] = [];
  const first = Math.ceil(hours.openMinute / GRID_MINUTES) * GRID_MINUTES;
  for (let start = first; start + minutes <= hours.closeMinute; start += GRID_MINUTES) {
    if (busiest({ start, minutes }, booked) < tables) starts.push(start);
  }
  return starts;
}
