/**
 * Decides what would make a day that cannot be kept one that can: one owner who comes at another time, other hands for one
 * dog, part of one dog's work on another day. Each fact that could be otherwise is taken out in turn, and the day is laid again.
 */
import { sum } from '../quantity/index.ts';
import { DAY_WORTH, type DayAsked, type DaySheet, type DayVisit, type DayWorth } from './asked.ts';
import { breachesOf, IMPOSSIBLE, type Breach } from './breaches.ts';
import { DAY_EFFORT, planDay } from './plan-day.ts';

export type WayOut = {
  readonly visit: string;
  /** Minutes of cost that are saved of what is wrong: lateness, overtime, noise, lifting, meetings. */
  readonly saves: number;
  /** What is still wrong then. */
  readonly left: readonly Breach[];
} & (
  | { readonly kind: 'come'; readonly at: number }
  /** Stages and who would do each. */
  | { readonly kind: 'hands'; readonly stages: readonly { readonly stage: number; readonly person: string }[] }
  | { readonly kind: 'split' }
);

/** When a dog could come instead: minutes after midnight, soonest first. */
export interface Movable {
  readonly visit: string;
  readonly starts: readonly number[];
}

/** Each way is laid with few tries from the sheet that stands: what helps shows at once. */
const EFFORT = { ...DAY_EFFORT, triesPerPair: 10, fewestTries: 1_500, mostTries: 3_000 };
/** A way that saves less is not worth a call. Guess. */
const WORTH_A_CALL = 15;
/** A visit shorter than this is not done in two. Guess. */
const LEAST_TO_SPLIT = 90;
/** Any hour: an owner who would come whenever they are told. */
const ANY = { from: 0, to: 1440 };

/** Wrong in a way that costs somebody, though it could be worked. */
export const troubles = (breaches: readonly Breach[]): readonly Breach[] =>
  breaches.filter((b) => !IMPOSSIBLE.includes(b.code));

const withVisit = (asked: DayAsked, visit: DayVisit): DayAsked => ({
  ...asked,
  visits: asked.visits.map((v) => (v.id === visit.id ? visit : v)),
});

class WaysOut {
  private readonly cost: number;
  private readonly wrong: number;

  constructor(
    private readonly asked: DayAsked,
    private readonly sheet: DaySheet,
    private readonly worth: DayWorth,
  ) {
    // A sheet that a few tries better is no reason to call anybody.
    const now = this.laid(asked);
    this.cost = this.costOf(now);
    this.wrong = troubles(breachesOf(asked, now)).length;
  }

  private laid(asked: DayAsked): DaySheet {
    return planDay(asked, this.worth, EFFORT, this.sheet);
  }

  /** What a sheet costs by what is wrong with it. */
  private costOf({ score }: DaySheet): number {
    const { worth } = this;
    return score.cost - worth.length * score.length - worth.waiting * score.waiting - worth.handovers * score.handovers;
  }

  private told<T>(way: T, asked: DayAsked): (T & { saves: number; left: readonly Breach[] }) | undefined {
    const after = this.laid(asked);
    const saves = this.cost - this.costOf(after);
    const left = troubles(breachesOf(asked, after));
    return saves < WORTH_A_CALL || left.length > this.wrong ? undefined : { ...way, saves, left };
  }

  /** The owner of a dog comes when the day would have it, as near as can be. */
  come(visit: DayVisit, starts: readonly number[]): WayOut | undefined {
    const stays = visit.leave.to - visit.arrive.from;
    const others = starts.filter((t) => t !== visit.arrive.from);
    const [first, last] = [others[0], others.at(-1)];
    if (first === undefined || last === undefined) return undefined;
    const free = withVisit(this.asked, { ...visit, arrive: { from: first, to: last }, leave: ANY });
    const wanted = this.laid(free).laid.find((l) => l.visit === visit.id)?.start ?? first;
    const at = others.reduce((best, t) => (Math.abs(t - wanted) < Math.abs(best - wanted) ? t : best), first);
    const moved = { ...visit, arrive: { from: at, to: at }, leave: { from: at, to: at + stays } };
    return this.told({ kind: 'come', visit: visit.id, at } as const, withVisit(this.asked, moved));
  }

  /** Somebody else works a dog than was wished, or set by hand. */
  hands(visit: DayVisit): WayOut | undefined {
    const pins = this.asked.pins.map((p) => (p.visit === visit.id ? { ...p, person: undefined } : p));
    const isHeld = visit.with !== undefined || this.asked.pins.some((p) => p.visit === visit.id && p.person);
    if (!isHeld) return undefined;
    const asked = withVisit({ ...this.asked, pins }, { ...visit, with: undefined });
    const stages = this.laid(asked).laid.flatMap(({ visit: id, stage, person }) =>
      id === visit.id && person !== undefined ? [{ stage, person }] : [],
    );
    return this.told({ kind: 'hands', visit: visit.id, stages } as const, asked);
  }

  /** Half of a dog's work is done on another day. */
  split(visit: DayVisit): WayOut | undefined {
    if (sum(visit.stages.map((s) => s.minutes)) < LEAST_TO_SPLIT) return undefined;
    const stages = visit.stages.map((s) => ({ ...s, minutes: Math.ceil(s.minutes / 2) }));
    return this.told({ kind: 'split', visit: visit.id } as const, withVisit(this.asked, { ...visit, stages }));
  }
}

/** The best way of each kind out of a day with troubles, what costs least first; none where it can be kept. */
export function waysOut(
  asked: DayAsked,
  sheet: DaySheet,
  movable: readonly Movable[],
  worth: DayWorth = DAY_WORTH,
): readonly WayOut[] {
  if (troubles(breachesOf(asked, sheet)).length === 0) return [];
  const ways = new WaysOut(asked, sheet, worth);
  const begun = new Set(asked.begun.map((b) => b.visit));
  const open = asked.visits.filter((v) => !begun.has(v.id));
  const found = open.flatMap((v) => {
    const starts = movable.find((m) => m.visit === v.id)?.starts ?? [];
    return [ways.come(v, starts), ways.hands(v), ways.split(v)].flatMap((w) => w ?? []);
  });
  found.sort((a, b) => a.left.length - b.left.length || b.saves - a.saves);
  return found.filter((w, i) => found.findIndex((x) => x.kind === w.kind) === i);
}
