/** Who in the demo salon worked a visit and when: within their hours, one dog at a time, with a pause at noon. */
import { atWork, type Roster, type RosterPerson } from '../core/book/index.ts';
import { addDays, type Day } from '../core/quantity/index.ts';

/** Minutes of one person's work: from a visit's start, or after midnight. */
export interface Part {
  readonly person: string;
  readonly from: number;
  readonly to: number;
}
const GRID_MINUTES = 15;

export class WorkClock {
  private readonly busy = new Map<Day, readonly Part[]>();
  constructor(
    private readonly roster: Roster,
    private readonly openWeekdays: readonly number[],
  ) {}

  /** People at work on a day. */
  at(on: Day): readonly RosterPerson[] {
    return atWork(this.roster, this.openWeekdays, on);
  }

  /** The last day before another on which everybody was at work. */
  dayBefore(on: Day): Day {
    let d = addDays(on, -1);
    while (this.at(d).length < this.roster.people.length) d = addDays(d, -1);
    return d;
  }

  /** Takes the first start, counted from `earliest`, at which all parts of a visit fit in the day; undefined where none does. */
  take(on: Day, parts: readonly Part[], earliest: number): number | undefined {
    const there = this.at(on);
    const busy = this.busy.get(on) ?? [];
    const starts = there.flatMap((p) =>
      Array.from({ length: Math.ceil((p.to - p.from) / GRID_MINUTES) }, (_, i) => p.from + i * GRID_MINUTES),
    );
    const inOrder = [...starts.filter((s) => s >= earliest), ...starts.filter((s) => s < earliest).reverse()];
    for (const start of inOrder) {
      const all = [...busy, ...parts.map((p) => ({ ...p, from: start + p.from, to: start + p.to }))];
      const keeps = there.every((p) =>
        keepsTo(
          p,
          all.filter((b) => b.person === p.id),
        ),
      );
      if (!keeps || !all.every((b) => there.some((p) => p.id === b.person))) continue;
      this.busy.set(on, all);
      return start;
    }
    return undefined;
  }
}

/** Does a person's work keep to their hours, leave one thing for the next, and have room for the pause. */
function keepsTo({ from, to, pause }: RosterPerson, busy: readonly Part[]): boolean {
  const inOrder = [...busy].sort((a, b) => a.from - b.from);
  let free = from;
  let rested = false;
  for (const b of [...inOrder, { from: to, to }]) {
    if (b.from < free) return false;
    rested ||= Math.min(b.from, pause.to) - Math.max(free, pause.from) >= pause.minutes;
    free = b.to;
  }
  return rested && free <= to;
}
