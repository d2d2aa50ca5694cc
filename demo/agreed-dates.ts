/** The demo's dates: what this program proposed a week ago, as owners said yes to it, at hours in which the day can be worked. */
import { bookSummary, freeStarts, planTide, yearOfTide } from '../core/book/index.ts';
import { breachesOf, DAY_EFFORT, DAY_WORTH, planDay, type Breach, type DayAsked } from '../core/day/index.ts';
import { visitLengths } from '../core/kit/index.ts';
import { ended, type Day } from '../core/quantity/index.ts';
import { bookAsOf, bookedLength, inHundredths, learnBook, nextVisits } from '../core/tide/index.ts';
import { newMemos, type AppContext, type Memos } from '../server/context.ts';
import type { Stores } from '../server/db/index.ts';
import { salonDay, salonInstant, spanOf } from '../server/salon-time.ts';
import { bookingsOn, sheetPage } from '../server/services/day-schedule.ts';
import { tideFile } from '../server/services/tide-file.ts';
import { TideDesk } from '../server/tide-desk.ts';
import { salonOf } from '../server/today.ts';

/** A visit as it was proposed: the day, days on which it could be instead from the best on, likely minutes on any of them. */
export interface Proposal {
  readonly dogId: string;
  readonly days: readonly Day[];
  /** So many of the first days are as good as each other. */
  readonly alike: number;
  readonly minutesOn: (on: Day) => number;
}

/** What is filled, and minutes that were planned already: whoever goes on with the file need not plan them again. */
export interface Filling {
  readonly stores: Stores;
  readonly minutes: Memos['minutes'];
}

/** What the program knows at a moment, with nothing learnt before. */
const contextAt = ({ stores, minutes }: Filling, nowMs: number): AppContext => ({
  stores,
  nowMs: () => nowMs,
  memos: { ...newMemos(), minutes },
  tide: new TideDesk(),
});

/** Each dog's next visit as the program would have planned it at a moment, by day. */
export function proposalsAt(filling: Filling, nowMs: number): readonly Proposal[] {
  const context = contextAt(filling, nowMs);
  const file = tideFile(context);
  const asOf = salonDay(nowMs, salonOf(context).timeZone);
  const book = bookAsOf(file, asOf);
  const learnt = inHundredths(ended(learnBook(book, { asOf })));
  const year = yearOfTide(book, learnt);
  const next = nextVisits(book, learnt);
  const { visits } = bookSummary(year, ended(planTide(year)), asOf, next);
  const first = new Map([...visits].reverse().map((v) => [v.dogId, v]));
  return [...first.values()]
    .sort((a, b) => a.day - b.day || a.dogId.localeCompare(b.dogId))
    .map(({ dogId, day, others, minutes }) => ({
      dogId,
      days: [day, ...[...others].sort((a, b) => a.cost - b.cost).map((o) => o.day)],
      alike: 1 + others.filter((o) => o.cost < WORTH_A_DAY).length,
      minutesOn: (on) => next(dogId, on)?.minutes.likely ?? minutes,
    }));
}

/** A house that also clips gathers these visits on some of its days, where that costs no more minutes than this; so many at most. */
const WORTH_A_DAY = 8;
const GATHERED = 5;

/** Laying a day again for each hour that is tried: the day's own sheet is laid with more care. */
const EFFORT = { ...DAY_EFFORT, fewestTries: 1_000, mostTries: 1_000 };
const HALF_HOUR = 30;
/** Of a coat that nobody has felt lately the minutes are still learnt. */
const SPARE = 15;

/** Books dates one after the other. */
export class AgreedDates {
  private readonly context: AppContext;
  private count = 0;
  /** expected: what is wrong with a day on purpose. */
  constructor(
    private readonly filling: Filling,
    nowMs: number,
    private readonly expected: (b: Breach, dogOf: (visit: string) => string | undefined) => boolean,
  ) {
    this.context = contextAt(filling, nowMs);
  }

  /**
   * Books a proposed visit on the first of some days that can be worked with it, and be over some minutes sooner than its owner
   * bears; false where none can.
   */
  take({ dogId, minutesOn }: Pick<Proposal, 'dogId' | 'minutesOn'>, days: readonly Day[], spare = SPARE): boolean {
    const salon = salonOf(this.context);
    const { hours, tables } = salon.house;
    const id = `demo-booking-${++this.count}`;
    let version = 0;
    for (const on of days) {
      const told = minutesOn(on);
      const minutes = bookedLength(told, visitLengths(salon.house));
      const before = bookingsOn(this.context, salon, on).filter((b) => b.id !== id);
      const spans = before.map((b) => spanOf(b, salon.timeZone));
      const starts = freeStarts(minutes, spans, hours, tables).filter((s) => s % HALF_HOUR === 0);
      const [any] = starts;
      if (any === undefined) continue;
      const at = (start: number): string => salonInstant(on, start, salon.timeZone);
      const put = (start: number): void => {
        if (version === 0)
          this.filling.stores.bookings.insert({ id, dogId, startsAt: at(start), minutes, note: '' }, { told });
        else this.filling.stores.bookings.update(id, { startsAt: at(start), minutes, note: '', version }, told);
        version++;
      };
      put(any);
      const { asked } = sheetPage(this.context, on);
      const start = starts.find((s) => this.works(comingAt(asked, id, s, spare)));
      if (start === undefined) continue;
      if (start !== any) put(start);
      return true;
    }
    if (version > 0) this.filling.stores.bookings.cancel(id, version);
    return false;
  }

  /** Days from one on up to another, those first on which others come, of those that are as good. */
  gathered({ days, alike }: Proposal, from: Day, until: Day): readonly Day[] {
    const salon = salonOf(this.context);
    const others = (on: Day): number => bookingsOn(this.context, salon, on).length % GATHERED;
    const good = days.slice(0, alike).sort((a, b) => others(b) - others(a));
    return [...good, ...days.slice(alike)].filter((d) => d >= from && d < until);
  }

  private works(asked: DayAsked): boolean {
    const dogOf = (visit: string): string | undefined => asked.visits.find((v) => v.id === visit)?.dogId;
    return breachesOf(asked, planDay(asked, DAY_WORTH, EFFORT)).every((b) => this.expected(b, dogOf));
  }
}

/** The same day with one visit at another hour. */
const comingAt = (asked: DayAsked, id: string, start: number, spare: number): DayAsked => ({
  ...asked,
  visits: asked.visits.map((v) =>
    v.id === id
      ? {
          ...v,
          arrive: { from: start, to: start },
          leave: { from: start, to: start + v.leave.to - v.arrive.to - spare },
        }
      : v,
  ),
});
