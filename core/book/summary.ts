/** Decides what is said of a book's plan: visits with what another week would cost, weeks against hours, how good it is. */
import { addDays, type Day } from '../quantity/index.ts';
import { partsOf } from './arcs.ts';
import type { YearOf } from './from-tide.ts';
import type { BookPlan } from './plan-book.ts';
import { dayOf, minutesOf } from './paths.ts';
import { moveCost } from './search.ts';

/** The same visit on another day, all else as planned: minutes and cost more (less, where negative). */
export interface Otherwise {
  readonly day: Day;
  readonly minutes: number;
  readonly cost: number;
}
export interface PlannedVisit {
  readonly dogId: string;
  /** Dogs of its household that come with it. */
  readonly together: readonly string[];
  readonly day: Day;
  readonly minutes: number;
  /** Shorter visits within the week that it is split into, where the dog bears no longer one. */
  readonly parts: number;
  /** Does it stand in the book. */
  readonly agreed: boolean;
  /** About a week sooner and later; undefined where the dog cannot come then. */
  readonly sooner: Otherwise | undefined;
  readonly later: Otherwise | undefined;
}
/** Monday to Sunday; the first and the last may be shorter. */
export interface PlannedWeek {
  readonly from: Day;
  readonly days: number;
  /** Minutes that are agreed, minutes that are proposed on top, and those the salon plans with. */
  readonly agreed: number;
  readonly proposed: number;
  readonly hours: number;
}
export interface BookSummary {
  readonly from: Day;
  /** In minutes of work; no plan can cost less than bound. */
  readonly cost: number;
  readonly bound: number;
  readonly visits: readonly PlannedVisit[];
  readonly weeks: readonly PlannedWeek[];
}

const WEEK = 7;
/** Days about the seventh that count as a week sooner or later. */
const ABOUT = 3;

/** What a plan comes to, visits by day. Day 0 of the plan is `from`. */
export function bookSummary({ dogs, members, hours }: YearOf, plan: BookPlan, from: Day): BookSummary {
  const agreedOn = new Float64Array(hours.daily.length);
  const proposedOn = new Float64Array(hours.daily.length);
  const visits = plan.years.flatMap((y, i) => {
    const [a, dog] = [plan.arcs[i], dogs[i]];
    if (!a || !dog) return [];
    return y.nodes.map((_, p): PlannedVisit => {
      const d = dayOf(a, y, p);
      const minutes = minutesOf(a, y, p);
      const agreed = dog.fixed.includes(d);
      const on = agreed ? agreedOn : proposedOn;
      on[d] = (on[d] ?? 0) + minutes;
      const others = agreed ? [] : moveCost(a, y, p, { load: plan.load, hours });
      const about = (wanted: number): Otherwise | undefined => {
        let best: Otherwise | undefined;
        let off = ABOUT + 1;
        for (const m of others) {
          const away = Math.abs(m.day - wanted);
          if (away >= off) continue;
          off = away;
          best = { day: addDays(from, m.day), minutes: m.minutes, cost: m.cost };
        }
        return best;
      };
      return {
        dogId: a.id,
        together: members[i]?.slice(1) ?? [],
        day: addDays(from, d),
        minutes,
        parts: partsOf(minutes, dog),
        agreed,
        sooner: about(d - WEEK),
        later: about(d + WEEK),
      };
    });
  });
  const weeks = Array.from({ length: hours.minutes.length - 1 }, (_, i): PlannedWeek => {
    const p = i + 1;
    const of = (row: Float64Array): number => row.reduce((t, m, d) => ((hours.period[d] ?? 0) === p ? t + m : t), 0);
    return {
      from: addDays(from, hours.period.indexOf(p)),
      days: hours.period.lastIndexOf(p) - hours.period.indexOf(p) + 1,
      agreed: of(agreedOn),
      proposed: of(proposedOn),
      hours: of(hours.daily),
    };
  });
  return { from, cost: plan.cost, bound: plan.bound, visits: visits.sort((x, y) => x.day - y.day), weeks };
}

/** How far above the bound a plan is, as a share of it. */
export const gapOf = ({ cost, bound }: Pick<BookSummary, 'cost' | 'bound'>): number =>
  Math.max(0, cost - bound) / Math.max(1e-9, bound);
