/**
 * Decides before which minute no day with these dogs could end: what is asked of the busiest people and places, after the
 * first dog can have come to them and before the last has gone through what follows (one machine's bound, Jackson's
 * pre-emptive schedule, where there is one of a kind; the same with shared load where there are several).
 */
import type { DayAsked, StageKind } from './asked.ts';

interface Piece {
  readonly head: number;
  readonly minutes: number;
  readonly tail: number;
}

/** End of a pre-emptive day of one machine in which the piece with the longest tail always goes first: Jackson's bound. */
function jackson(pieces: readonly Piece[]): number {
  const waiting = pieces.map((p) => ({ ...p })).sort((a, b) => a.head - b.head);
  const queue: { minutes: number; tail: number }[] = [];
  let t = 0;
  let i = 0;
  let best = 0;
  while (i < waiting.length || queue.length > 0) {
    if (queue.length === 0) t = Math.max(t, waiting[i]?.head ?? 0);
    while (i < waiting.length && (waiting[i]?.head ?? 0) <= t) {
      const p = waiting[i++];
      if (p) queue.push({ minutes: p.minutes, tail: p.tail });
    }
    queue.sort((a, b) => b.tail - a.tail);
    const now = queue[0];
    if (!now) continue;
    const until = i < waiting.length ? Math.min(waiting[i]?.head ?? 0, t + now.minutes) : t + now.minutes;
    now.minutes -= until - t;
    t = until;
    if (now.minutes <= 0) {
      queue.shift();
      best = Math.max(best, t + now.tail);
    }
  }
  return best;
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

/** The minute before which the last stage cannot end. Only what is still to do is counted. */
export function soonestEnd({ people, places, visits, begun, now }: DayAsked): number {
  const onPlace = new Map<string, Piece[]>();
  const byHand = new Map<string, { readonly can: ReadonlySet<string>; readonly pieces: Piece[] }>();
  let best = now;
  const opens = Math.min(...people.map((p) => p.hours.from), Infinity);
  for (const v of visits) {
    const mine = begun.filter((b) => b.visit === v.id);
    const done = new Set(mine.map((b) => b.stage));
    const left = v.stages.map((s, i) => ({ s, i })).filter(({ i }) => !done.has(i));
    let head = Math.max(now, v.arrive.from, ...mine.map((b) => b.end));
    if (left.some(({ s }) => s.hands) && mine.length === 0 && left[0]?.s.hands) head = Math.max(head, opens);
    let tail = left.reduce((t, { s }) => t + s.minutes, 0);
    best = Math.max(best, head + tail);
    for (const { s } of left) {
      tail -= s.minutes;
      const piece = { head, minutes: s.minutes, tail };
      if (s.place) onPlace.set(s.place, [...(onPlace.get(s.place) ?? []), piece]);
      if (s.hands) {
        const can = people.filter((p) => p.can.includes(s.kind)).map((p) => p.id);
        const key = can.join(' ');
        const row = byHand.get(key) ?? { can: new Set(can), pieces: [] };
        row.pieces.push(piece);
        byHand.set(key, row);
      }
      head += s.minutes;
    }
  }
  for (const [kind, pieces] of onPlace)
    best = Math.max(best, bound(pieces, Math.max(1, places.filter((p) => p.kind === kind).length)));
  // Work that only some can do, with all that only they or fewer can do.
  for (const { can } of byHand.values()) {
    const pieces = [...byHand.values()].flatMap((x) => ([...x.can].every((p) => can.has(p)) ? x.pieces : []));
    best = Math.max(best, bound(pieces, Math.max(1, can.size)));
  }
  return best;
}

/** Stages that nobody at work can do, so that they can be said before anything is laid. */
export const stagesWithoutHands = ({ people, visits }: Pick<DayAsked, 'people' | 'visits'>): readonly StageKind[] => [
  ...new Set(
    visits.flatMap((v) =>
      v.stages.filter((s) => s.hands && !people.some((p) => p.can.includes(s.kind))).map((s) => s.kind),
    ),
  ),
];
