/** What is wrong with a sheet as it lies: told at once while somebody drags, no matter who laid it. */
import { sum } from '../quantity/index.ts';
import {
  HEAVY_KG,
  type DayAsked,
  type DayPerson,
  type DayPlace,
  type DaySheet,
  type DayVisit,
  type ScheduledStage,
  type Stage,
} from './asked.ts';
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

/** A sheet as it is checked: what each subject's checks ask of it. */
class Lying {
  readonly visits: ReadonlyMap<string, DayVisit>;
  constructor(
    readonly asked: DayAsked,
    readonly sheet: Pick<DaySheet, 'laid' | 'pauses'>,
  ) {
    this.visits = new Map(asked.visits.map((v) => [v.id, v]));
  }

  stageOf(l: ScheduledStage): Stage | undefined {
    return this.visits.get(l.visit)?.stages[l.stage];
  }

  /** First start and last end of a dog's stages; undefined where none is laid. */
  spanOf(visit: string): { readonly first: number; readonly last: number } | undefined {
    const mine = this.sheet.laid.filter((l) => l.visit === visit);
    return mine.length === 0
      ? undefined
      : { first: Math.min(...mine.map((l) => l.start)), last: Math.max(...mine.map((l) => l.end)) };
  }
}

/** Two things at once, a stage that is none of theirs, work outside their hours. */
function workOf(day: Lying, person: DayPerson): readonly Breach[] {
  const mine = day.sheet.laid.filter((l) => l.person === person.id);
  const held = [
    ...mine.map((l): Held => ({ what: l.visit, from: l.start, to: l.end })),
    ...day.sheet.pauses
      .filter((x) => x.person === person.id)
      .map((x): Held => ({ what: '', from: x.start, to: x.end })),
  ];
  const twice = clashes(held).map(([a, b]): Breach =>
    a.what && b.what
      ? { code: 'person-twice', person: person.id, visits: [a.what, b.what], at: b.from }
      : { code: 'pause', person: person.id },
  );
  const cannot = mine.flatMap((l): readonly Breach[] => {
    const kind = day.stageOf(l)?.kind;
    return kind && !person.can.includes(kind)
      ? [{ code: 'cannot', person: person.id, visit: l.visit, stage: l.stage }]
      : [];
  });
  const off = Math.max(0, ...mine.map((l) => Math.max(person.hours.from - l.start, l.end - person.hours.to)));
  return [...twice, ...cannot, ...(off > 0 ? [{ code: 'off-hours', person: person.id, minutes: off } as const] : [])];
}

/** Pauses that are not had whole, within their time. */
const pausesOf = (day: Lying, person: DayPerson): readonly Breach[] =>
  person.pauses.flatMap((pause, i): readonly Breach[] => {
    const had = day.sheet.pauses.find((x) => x.pause === i && x.person === person.id);
    const isHad =
      had && had.start >= pause.within.from && had.end <= pause.within.to && had.end - had.start >= pause.minutes;
    return isHad ? [] : [{ code: 'pause', person: person.id }];
  });

/** More noise or more heavy dogs than a person is to have. */
function strainOf(day: Lying, person: DayPerson): readonly Breach[] {
  const mine = day.sheet.laid.filter((l) => l.person === person.id);
  const share = sum(
    mine.map((l) => {
      const stage = day.stageOf(l);
      return stage ? doseOf(stage, l.end - l.start, person) : 0;
    }),
  );
  const dogs = mine.filter(
    (l) => day.stageOf(l)?.kind === 'bath' && (day.visits.get(l.visit)?.weightKg ?? 0) >= HEAVY_KG,
  ).length;
  return [
    ...(share > 1 + 1e-9 ? [{ code: 'noise', person: person.id, share } as const] : []),
    ...(dogs > person.mostHeavy ? [{ code: 'heavy', person: person.id, dogs } as const] : []),
  ];
}

/** Two dogs at one place; cleaning keeps it from others, not from the dog that stays. */
function placeOf(day: Lying, place: DayPlace): readonly Breach[] {
  const held = day.sheet.laid
    .filter((l) => l.place === place.id)
    .map((l): Held => ({
      what: l.visit,
      from: l.start,
      to: l.end + (day.stageOf(l)?.cleanMinutes ?? 0),
      worked: l.end,
    }));
  return clashes(held).flatMap(([a, b]): readonly Breach[] =>
    a.what !== b.what || b.from < (a.worked ?? a.to)
      ? [{ code: 'place-twice', place: place.id, visits: [a.what, b.what], at: b.from }]
      : [],
  );
}

/** A dog in two places, and stages that are missing, misplaced, out of order or kept waiting wet. */
function stagesOf(day: Lying, visit: DayVisit): readonly Breach[] {
  const mine = day.sheet.laid.filter((l) => l.visit === visit.id);
  const twice = clashes(mine.map((l) => ({ what: String(l.stage), from: l.start, to: l.end }))).map(
    ([a, b]): Breach => ({ code: 'dog-twice', visit: visit.id, at: Math.max(a.from, b.from) }),
  );
  const each = visit.stages.flatMap((s, stage): readonly Breach[] => {
    const l = mine.find((x) => x.stage === stage);
    if (!l) return [{ code: 'missing', visit: visit.id, stage }];
    const place = day.asked.places.find((p) => p.id === l.place);
    const isElsewhere = place?.kind !== s.place || (s.hands && l.person === undefined);
    const before = mine.find((x) => x.stage === stage - 1);
    const wait = before && s.atOnce ? l.start - before.end : 0;
    return [
      ...(isElsewhere ? [{ code: 'wrong-place', visit: visit.id, stage } as const] : []),
      ...(before && l.start < before.start ? [{ code: 'out-of-order', visit: visit.id, stage } as const] : []),
      ...(wait > 0 ? [{ code: 'wet-wait', visit: visit.id, minutes: wait } as const] : []),
    ];
  });
  return [...twice, ...each];
}

/** Begun before the owner comes, or not done when they come for it. */
function timesOf(day: Lying, { id, arrive, leave }: DayVisit): readonly Breach[] {
  const span = day.spanOf(id);
  return [
    ...(span && span.first < arrive.from ? [{ code: 'too-early', visit: id, from: arrive.from } as const] : []),
    ...(span && span.last > leave.to ? [{ code: 'late', visit: id, minutes: span.last - leave.to } as const] : []),
  ];
}

/** Two dogs that must not meet, together in the house: from when an owner brings one, worked or not. */
function meetingOf(day: Lying, pair: readonly [string, string]): readonly Breach[] {
  const [a, b] = pair.map((id) => {
    const [visit, span] = [day.visits.get(id), day.spanOf(id)];
    return visit && span && { from: Math.min(span.first, Math.max(visit.arrive.from, visit.arrive.to)), to: span.last };
  });
  const minutes = a && b ? Math.min(a.to, b.to) - Math.max(a.from, b.from) : 0;
  return minutes > 0 ? [{ code: 'meeting', visits: pair, minutes }] : [];
}

/** Everything wrong with a sheet: by person, place, dog and pair. */
export function breachesOf(asked: DayAsked, sheet: Pick<DaySheet, 'laid' | 'pauses'>): readonly Breach[] {
  const day = new Lying(asked, sheet);
  return [
    ...asked.people.flatMap((p) => [...workOf(day, p), ...pausesOf(day, p), ...strainOf(day, p)]),
    ...asked.places.flatMap((p) => placeOf(day, p)),
    ...asked.visits.flatMap((v) => [...stagesOf(day, v), ...timesOf(day, v)]),
    ...asked.apart.flatMap((pair) => meetingOf(day, pair)),
  ];
}
