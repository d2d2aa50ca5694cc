/**
 * Limits that all zones share: blade minutes of the house and minutes on the clock. Each is held by a price on its
 * minutes (Lagrangian relaxation; Everett 1963, from memory). The relaxed problems also bound what any allotment within
 * the limits could reach, so the distance to the best is known.
 */
import { clamp } from '../../quantity/index.ts';
import type { Figures } from '../figures.ts';
import { answerOf, workspace, type Prices, type Workspace, type ZoneAnswer } from './descent.ts';
import type { Problems } from './problem.ts';
import { solveZone } from './zone.ts';

/** A limit on the clock is met when no more than this many minutes of it are unused. */
const CLOSE_ENOUGH = 1;

/** Solves one set of problems at any price of a minute within the blade limit; each price is solved once. */
export function atPrices(set: Problems, mostBlade: number, f: Figures): (minute: number) => Solved {
  const solved = new Map<number, Solved>();
  const room = workspace();
  return (minute) => {
    const known = solved.get(minute);
    if (known) return known;
    const made = withBladeLimit(set, minute, mostBlade, room, f);
    solved.set(minute, made);
    return made;
  };
}

/**
 * The best answers that keep `most` hand minutes, and the least that any could cost at the house's own price of a
 * minute (`least`). at: solves at a price, as atPrices does.
 */
export function withinMinutes(
  set: Problems,
  at: (minute: number) => Solved,
  least: number,
  most: number,
  mostBlade: number,
): { readonly best: Solved; readonly bound: number } {
  const free = at(least);
  if (free.minutes <= most) return { best: free, bound: free.dual };
  const boundAt = (s: Solved): number => s.dual - (s.minute - least) * most;
  let over = free;
  let within = at(least * 4);
  for (let i = 0; i < 8 && within.minutes > most; i++) [over, within] = [within, at(within.minute * 4)];
  for (let i = 0; i < 5 && within.minutes < most - CLOSE_ENOUGH && over.minutes > most; i++) {
    // Minutes fall about evenly with the logarithm of their price.
    const share = clamp((over.minutes - most) / Math.max(1e-9, over.minutes - within.minutes), 0.15, 0.85);
    const middle = at(over.minute * (within.minute / over.minute) ** share);
    if (middle.minutes <= most) within = middle;
    else over = middle;
  }
  return {
    best: filled(set, within, over, most, mostBlade),
    bound: Math.max(boundAt(over), boundAt(within)),
  };
}

/** Minutes that a limit leaves unused go to the zones that gain most from the answer at the cheaper price. */
function filled(set: Problems, within: Solved, over: Solved, most: number, mostBlade: number): Solved {
  const answers = [...within.answers];
  let minutes = within.minutes;
  let blade = within.blade;
  const swaps = set.problems
    .map((_, i) => {
      const [dear, cheap] = [within.answers[i], over.answers[i]];
      const times = set.times[i] ?? 0;
      const more = cheap && dear ? times * (cheap.minutes - dear.minutes) : 0;
      const gain = cheap && dear ? times * (dear.leftG - cheap.leftG) : 0;
      return { i, cheap, more, gain, blade: cheap && dear ? times * (cheap.bladeMinutes - dear.bladeMinutes) : 0 };
    })
    .filter((s) => s.more > 1e-9 && s.gain > 0)
    .sort((a, b) => b.gain / b.more - a.gain / a.more);
  for (const s of swaps) {
    if (!s.cheap || minutes + s.more > most || blade + s.blade > mostBlade) continue;
    answers[s.i] = s.cheap;
    minutes += s.more;
    blade += s.blade;
  }
  return { ...within, answers, minutes, blade };
}

/** What answers cost with minutes at one price and blade minutes free: the measure that all are compared on. */
export const costAt = (set: Problems, answers: readonly ZoneAnswer[], minute: number, f: Figures): number =>
  set.problems.reduce((total, p, i) => {
    const a = answers[i];
    return a ? total + (set.times[i] ?? 0) * answerOf(p, a.passes, { minute, blade: 0 }, f).cost : total;
  }, 0);

export interface Solved {
  readonly answers: readonly ZoneAnswer[];
  readonly minutes: number;
  readonly blade: number;
  readonly minute: number;
  /** Least cost of any answers within the blade limit, minutes at this price. */
  readonly dual: number;
}

function solveAll(
  set: Problems,
  prices: Prices,
  room: Workspace,
  f: Figures,
  before?: readonly ZoneAnswer[],
): { answers: ZoneAnswer[]; blade: number; cost: number } {
  let blade = 0;
  let cost = 0;
  const answers: ZoneAnswer[] = [];
  for (const [i, p] of set.problems.entries()) {
    // A dearer blade minute changes nothing where no blade comes.
    const known = before?.[i];
    const a = known && !p.acts.some((own) => own.blade) ? known : solveZone(p, prices, f, room);
    blade += (set.times[i] ?? 0) * a.bladeMinutes;
    cost += (set.times[i] ?? 0) * a.cost;
    answers.push(a);
  }
  return { answers, blade, cost };
}

/** Solves all zones at a price of a minute, at the least price of a blade minute that keeps the house's limit. */
function withBladeLimit(set: Problems, minute: number, mostBlade: number, room: Workspace, f: Figures): Solved {
  let found = solveAll(set, { minute, blade: 0 }, room, f);
  let dual = found.cost;
  if (found.blade > mostBlade) {
    let [low, high] = [0, minute];
    for (let i = 0; i < 12; i++) {
      found = solveAll(set, { minute, blade: high }, room, f, found.answers);
      dual = Math.max(dual, found.cost - high * mostBlade);
      if (found.blade <= mostBlade) break;
      [low, high] = [high, high * 3];
    }
    for (let i = 0; i < 9; i++) {
      const middle = (low + high) / 2;
      const next = solveAll(set, { minute, blade: middle }, room, f, found.answers);
      dual = Math.max(dual, next.cost - middle * mostBlade);
      if (next.blade <= mostBlade) [found, high] = [next, middle];
      else low = middle;
    }
  }
  const minutes = set.problems.reduce((t, _, i) => t + (set.times[i] ?? 0) * (found.answers[i]?.minutes ?? 0), 0);
  return { answers: found.answers, minutes, blade: found.blade, minute, dual };
}
