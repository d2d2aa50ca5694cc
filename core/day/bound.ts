/**
 * Decides before which minute no day with these dogs could end: what is asked of the busiest people and places, with wishes,
 * pauses and cleaning, after the first dog can have come to them and before the last has gone through what follows (Jackson's
 * pre-emptive schedule where there is one of a kind; the same with shared load where there are several).
 */
import { sum } from '../quantity/index.ts';
import { PLACE_KINDS, type DayAsked, type DayVisit, type Stage, type StageKind } from './asked.ts';
import { handsFor } from './hands.ts';

interface Piece {
  readonly head: number;
  readonly minutes: number;
  readonly tail: number;
}

/** End of a pre-emptive day of one machine in which the piece with the longest tail always goes first: Jackson's bound. */
function jackson(pieces: readonly Piece[]): number {
  const coming = [...pieces].sort((a, b) => a.head - b.head);
  const queue: { minutes: number; tail: number }[] = [];
  let t = 0;
  let i = 0;
  let best = 0;
  for (;;) {
    const next = coming[i];
    if (queue.length === 0 && next) t = Math.max(t, next.head);
    for (let p = next; p && p.head <= t; p = coming[++i]) queue.push({ minutes: p.minutes, tail: p.tail });
    queue.sort((a, b) => b.tail - a.tail);
    const now = queue[0];
    if (!now) return best;
    const until = Math.min(coming[i]?.head ?? Infinity, t + now.minutes);
    now.minutes -= until - t;
    t = until;
    if (now.minutes > 0) continue;
    queue.shift();
    best = Math.max(best, t + now.tail);
  }
}

/** Several machines: the soonest heads, all minutes, the shortest tails, shared evenly. */
function shared(pieces: readonly Piece[], machines: number): number {
  if (pieces.length === 0) return 0;
  const least = (of: (p: Piece) => number): number =>
    pieces
      .map(of)
      .sort((a, b) => a - b)
      .slice(0, machines)
      .reduce((t, x) => t + x, 0);
  const heads = pieces.length >= machines ? least((p) => p.head) : Infinity;
  if (heads === Infinity) return 0;
  const total = pieces.reduce((t, p) => t + p.minutes, 0);
  return Math.ceil((heads + total + least((p) => p.tail)) / machines);
}

const bound = (pieces: readonly Piece[], machines: number): number =>
  machines === 1 ? jackson(pieces) : shared(pieces, machines);

/** What is still to do of a visit: each stage with the soonest minute it can begin and what must follow it. */
interface Left {
  readonly visit: DayVisit;
  readonly stage: Stage;
  readonly index: number;
  readonly head: number;
  readonly tail: number;
  /** The dog goes on at the same kind of place: cleaning may wait. */
  readonly stays: boolean;
}

/** First minute in which anybody works. */
const opensAt = (people: DayAsked['people']): number => Math.min(...people.map((p) => p.hours.from), Infinity);

function leftOf({ people, begun, now }: DayAsked, visit: DayVisit): readonly Left[] {
  const mine = begun.filter((b) => b.visit === visit.id);
  const done = new Set(mine.map((b) => b.stage));
  const left = visit.stages.map((stage, index) => ({ stage, index })).filter(({ index }) => !done.has(index));
  let head = Math.max(now, visit.arrive.from, ...mine.map((b) => b.end));
  if (mine.length === 0 && left[0]?.stage.hands) head = Math.max(head, opensAt(people));
  let tail = sum(left.map(({ stage }) => stage.minutes));
  return left.map(({ stage, index }, k) => {
    tail -= stage.minutes;
    const row = { visit, stage, index, head, tail, stays: left[k + 1]?.stage.place === stage.place };
    head += stage.minutes;
    return row;
  });
}

/** Each kind of place: its stages with the cleaning after them, which need not be over when the day ends. */
const placesBound = ({ places }: DayAsked, left: readonly Left[]): readonly number[] =>
  PLACE_KINDS.flatMap((kind) => {
    const machines = places.filter((p) => p.kind === kind).length;
    const pieces = left
      .filter(({ stage }) => stage.place === kind)
      .map(({ stage, head, tail, stays }): Piece => {
        const clean = stays ? 0 : stage.cleanMinutes;
        return { head, minutes: stage.minutes + clean, tail: tail - clean };
      });
    return machines > 0 ? [bound(pieces, machines)] : [];
  });

/** Work that only some can do, with all that only they or fewer can do, and the pauses that they have before `by`. */
function handsBound(asked: DayAsked, left: readonly Left[], by: number): readonly number[] {
  const work = left
    .filter(({ stage }) => stage.hands)
    .map((l) => {
      const hands = handsFor(asked, l.visit, l.index);
      const opens = opensAt(asked.people.filter((p) => hands.includes(p.id)));
      const piece: Piece = { head: Math.max(l.head, opens), minutes: l.stage.minutes, tail: l.tail };
      return { hands, piece };
    });
  const groups = new Map([...work.map((w) => w.hands), asked.people.map((p) => p.id)].map((g) => [g.join(' '), g]));
  return [...groups.values()].map((group) => {
    const pieces = work.filter(({ hands }) => hands.every((p) => group.includes(p))).map((w) => w.piece);
    const pauses = asked.people
      .filter((p) => group.includes(p.id))
      .flatMap((p) =>
        p.pauses
          .filter(
            (pause, i) => pause.within.to <= by && !asked.paused.some((had) => had.person === p.id && had.pause === i),
          )
          .map(({ minutes, within }): Piece => ({ head: within.from, minutes, tail: 0 })),
      );
    return bound([...pieces, ...pauses], Math.max(1, group.length));
  });
}

/** Dogs that must not meet: one begins when the other has gone home, if either order can be. */
function pairsBound({ apart, visits, begun }: DayAsked, left: readonly Left[]): readonly number[] {
  const rowOf = (id: string) => {
    const first = left.find((l) => l.visit.id === id);
    const visit = visits.find((v) => v.id === id);
    return first && visit && !begun.some((b) => b.visit === id)
      ? {
          head: first.head,
          minutes: first.tail + first.stage.minutes,
          latest: Math.max(visit.arrive.from, visit.arrive.to),
        }
      : undefined;
  };
  return apart.flatMap(([x, y]) => {
    const [a, b] = [rowOf(x), rowOf(y)];
    if (!a || !b) return [];
    const ends = [
      [a, b],
      [b, a],
    ].flatMap(([one, other]) => {
      if (!one || !other) return [];
      const home = one.head + one.minutes;
      // An owner who comes before that is there, worked or not: then they meet in any order.
      return home <= other.latest ? [Math.max(home, other.head) + other.minutes] : [];
    });
    return ends.length > 0 ? [Math.min(...ends)] : [];
  });
}

/**
 * The minute before which the last stage cannot end, where everybody has their pauses in their time and no two dogs meet that
 * must not. Only what is still to do is counted.
 */
export function soonestEnd(asked: DayAsked): number {
  const left = asked.visits.flatMap((v) => leftOf(asked, v));
  let best = Math.max(
    asked.now,
    ...left.map((l) => l.head + l.stage.minutes + l.tail),
    ...placesBound(asked, left),
    ...pairsBound(asked, left),
  );
  // A pause that must be over before the day can end takes its minutes from it; then others may have to be.
  for (;;) {
    const more = Math.max(best, ...handsBound(asked, left, best));
    if (more <= best) return best;
    best = more;
  }
}

/** Stages that nobody at work can do, so that they can be said before anything is laid. */
export const stagesWithoutHands = ({ people, visits }: Pick<DayAsked, 'people' | 'visits'>): readonly StageKind[] => [
  ...new Set(
    visits.flatMap((v) =>
      v.stages.filter((s) => s.hands && !people.some((p) => p.can.includes(s.kind))).map((s) => s.kind),
    ),
  ),
];
