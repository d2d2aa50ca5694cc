/** What is wrong with a sheet as it lies: told at once while somebody drags, no matter who laid it. */
import { HEAVY_KG, type DayAsked, type DaySheet, type ScheduledStage, type Stage } from './asked.ts';
import { doseOf } from './noise.ts';

export type Breach =
  /** Two things of one person, place or dog at once. */
  | {
      readonly code: 'person-twice';
      readonly person: string;
      readonly visits: readonly [string, string];
      readonly at: number;
    }
  | {
      readonly code: 'place-twice';
      readonly place: string;
      readonly visits: readonly [string, string];
      readonly at: number;
    }
  | { readonly code: 'dog-twice'; readonly visit: string; readonly at: number }
  | { readonly code: 'out-of-order'; readonly visit: string; readonly stage: number }
  /** A stage that must follow at once, and does after so many minutes. */
  | { readonly code: 'wet-wait'; readonly visit: string; readonly minutes: number }
  | { readonly code: 'cannot'; readonly person: string; readonly visit: string; readonly stage: number }
  | { readonly code: 'wrong-place'; readonly visit: string; readonly stage: number }
  | { readonly code: 'too-early'; readonly visit: string; readonly from: number }
  | { readonly code: 'late'; readonly visit: string; readonly minutes: number }
  | { readonly code: 'off-hours'; readonly person: string; readonly minutes: number }
  | { readonly code: 'pause'; readonly person: string }
  | { readonly code: 'meeting'; readonly visits: readonly [string, string]; readonly minutes: number }
  | { readonly code: 'noise'; readonly person: string; readonly share: number }
  | { readonly code: 'heavy'; readonly person: string; readonly dogs: number }
  | { readonly code: 'missing'; readonly visit: string; readonly stage: number };

/** Breaches that cannot be worked at all; the others can, at somebody's cost. */
export const IMPOSSIBLE: readonly Breach['code'][] = [
  'person-twice',
  'place-twice',
  'dog-twice',
  'out-of-order',
  'cannot',
  'wrong-place',
  'missing',
];

interface Held {
  readonly what: string;
  readonly from: number;
  readonly to: number;
  /** End without cleaning, which a dog does for itself where it stays. */
  readonly worked?: number;
}
/** Pairs of neighbours in time that overlap. */
function clashes(held: readonly Held[]): readonly (readonly [Held, Held])[] {
  const order = [...held].sort((a, b) => a.from - b.from);
  const found: (readonly [Held, Held])[] = [];
  for (const [i, a] of order.entries())
    for (const b of order.slice(i + 1)) {
      if (b.from >= a.to) break;
      found.push([a, b]);
    }
  return found;
}

/** Everything wrong with a sheet, in the order of Breach. */
export function breachesOf(asked: DayAsked, sheet: Pick<DaySheet, 'laid' | 'pauses'>): readonly Breach[] {
  const found: Breach[] = [];
  const visits = new Map(asked.visits.map((v) => [v.id, v]));
  const stageOf = (l: ScheduledStage): Stage | undefined => visits.get(l.visit)?.stages[l.stage];
  for (const p of asked.people) {
    const mine = sheet.laid.filter((l) => l.person === p.id);
    const pauses = sheet.pauses.filter((x) => x.person === p.id);
    const held = [
      ...mine.map((l): Held => ({ what: l.visit, from: l.start, to: l.end })),
      ...pauses.map((x): Held => ({ what: '', from: x.start, to: x.end })),
    ];
    for (const [a, b] of clashes(held))
      found.push(
        a.what && b.what
          ? { code: 'person-twice', person: p.id, visits: [a.what, b.what], at: b.from }
          : { code: 'pause', person: p.id },
      );
    for (const l of mine) {
      const s = stageOf(l);
      if (s && !p.can.includes(s.kind)) found.push({ code: 'cannot', person: p.id, visit: l.visit, stage: l.stage });
    }
    const off = Math.max(0, ...mine.map((l) => Math.max(p.hours.from - l.start, l.end - p.hours.to)));
    if (off > 0) found.push({ code: 'off-hours', person: p.id, minutes: off });
    for (const [i, pause] of p.pauses.entries()) {
      const had = pauses.find((x) => x.pause === i);
      if (!had || had.start < pause.within.from || had.end > pause.within.to || had.end - had.start < pause.minutes)
        found.push({ code: 'pause', person: p.id });
    }
    let dose = 0;
    let lifted = 0;
    for (const l of mine) {
      const s = stageOf(l);
      if (s) dose += doseOf(s, l.end - l.start, p);
      if (s?.kind === 'bath' && (visits.get(l.visit)?.weightKg ?? 0) >= HEAVY_KG) lifted++;
    }
    if (dose > 1 + 1e-9) found.push({ code: 'noise', person: p.id, share: dose });
    if (lifted > p.mostHeavy) found.push({ code: 'heavy', person: p.id, dogs: lifted });
  }
  for (const place of asked.places) {
    const held = sheet.laid
      .filter((l) => l.place === place.id)
      .map((l): Held => ({
        what: l.visit,
        from: l.start,
        to: l.end + (stageOf(l)?.cleanMinutes ?? 0),
        worked: l.end,
      }));
    for (const [a, b] of clashes(held))
      if (a.what !== b.what || b.from < (a.worked ?? a.to))
        found.push({ code: 'place-twice', place: place.id, visits: [a.what, b.what], at: b.from });
  }
  const inHouse = new Map<string, Held>();
  for (const v of asked.visits) {
    const mine = sheet.laid.filter((l) => l.visit === v.id);
    for (const [a, b] of clashes(mine.map((l) => ({ what: String(l.stage), from: l.start, to: l.end }))))
      found.push({ code: 'dog-twice', visit: v.id, at: Math.max(a.from, b.from) });
    for (const [i, s] of v.stages.entries()) {
      const l = mine.find((x) => x.stage === i);
      if (!l) {
        found.push({ code: 'missing', visit: v.id, stage: i });
        continue;
      }
      const place = asked.places.find((p) => p.id === l.place);
      if (place?.kind !== s.place || (s.hands && l.person === undefined))
        found.push({ code: 'wrong-place', visit: v.id, stage: i });
      const before = mine.find((x) => x.stage === i - 1);
      if (!before) continue;
      if (l.start < before.start) found.push({ code: 'out-of-order', visit: v.id, stage: i });
      if (s.atOnce && l.start > before.end)
        found.push({ code: 'wet-wait', visit: v.id, minutes: l.start - before.end });
    }
    if (mine.length === 0) continue;
    const first = Math.min(...mine.map((l) => l.start));
    const last = Math.max(...mine.map((l) => l.end));
    if (first < v.arrive.from) found.push({ code: 'too-early', visit: v.id, from: v.arrive.from });
    if (last > v.leave.to) found.push({ code: 'late', visit: v.id, minutes: last - v.leave.to });
    inHouse.set(v.id, { what: v.id, from: Math.min(first, Math.max(v.arrive.from, v.arrive.to)), to: last });
  }
  for (const [a, b] of asked.apart) {
    const [x, y] = [inHouse.get(a), inHouse.get(b)];
    const minutes = x && y ? Math.min(x.to, y.to) - Math.max(x.from, y.from) : 0;
    if (minutes > 0) found.push({ code: 'meeting', visits: [a, b], minutes });
  }
  return found;
}
