/**
 * What a finished visit is entered as in the salon's ledger, and how entries are counted together: by month, coat,
 * way, tool, person or dog, each with the band that holds eight in ten visits.
 */
import { civilFromDay, sum, type Day } from '../quantity/index.ts';
import type { MethodId, PlanStep } from '../bench/index.ts';
import type { CoatClass } from '../dog/index.ts';
import { usualDbA, type ToolKind } from '../kit/index.ts';
import { noiseDose, noiseRule } from '../sound/index.ts';
import { WORKED_MS, type SessionRecord } from '../table/index.ts';

export interface ToolEntry {
  readonly toolId: string;
  readonly kind: ToolKind;
  readonly name: string;
  readonly minutes: number;
  /** Weighed under it, grams; undefined where nobody weighed. */
  readonly grams?: number | undefined;
}

/** One finished visit. Minutes of hands and clock, grams as weighed. */
export interface VisitEntry {
  readonly id: string;
  readonly day: Day;
  readonly dogId: string;
  readonly dog: string;
  readonly coatClass: CoatClass;
  readonly method: MethodId;
  readonly person?: string | undefined;
  readonly plannedMinutes: number;
  readonly minutes: number;
  readonly plannedG: number;
  readonly weighedG?: number | undefined;
  readonly bathed: boolean;
  readonly tools: readonly ToolEntry[];
  /** Share of a day's noise that its dryers are, by the NIOSH rule. */
  readonly noise: number;
  /** As it was told before the work, hundredths of the currency. */
  readonly priceCents: number;
  /** As it was taken, and what is still to pay; undefined where nobody wrote it down. */
  readonly takenCents?: number | undefined;
  readonly openCents?: number | undefined;
}

const MS_PER_MINUTE = 60_000;

interface Worked {
  readonly id: string;
  readonly day: Day;
  readonly dog: { readonly id: string; readonly name: string; readonly coatClass: CoatClass };
  readonly method: MethodId;
  readonly plan: { readonly minutes: number; readonly gramsOut: number; readonly priceCents: number };
  readonly record: Pick<SessionRecord, 'steps' | 'worker' | 'workedMs' | 'paid'>;
  /** Measured level of a piece, where somebody measured one. */
  readonly dbAOf: (tool: PlanStep['tool']) => number | undefined;
}

/** The kind that worked a step, and its minutes. Tapped away in passing says that it was done, not how long it took. */
const didIn = ({ did, plan, workedMs }: SessionRecord['steps'][number]) => ({
  kind: did?.tool ?? plan.tool.kind,
  minutes: did?.minutes ?? (workedMs >= WORKED_MS ? workedMs / MS_PER_MINUTE : 0),
});

/** Sound of a finished step at the ear: as it was heard, as its piece was measured, or as its kind usually is. */
function soundOf(s: SessionRecord['steps'][number], dbAOf: Worked['dbAOf']) {
  const { kind, minutes } = didIn(s);
  const levelDbA = s.heard?.dbA ?? dbAOf(s.plan.tool) ?? usualDbA(kind);
  return levelDbA === undefined ? [] : [{ levelDbA, minutes: s.heard?.minutes ?? minutes }];
}

/** The entry of a finished visit. */
export function entryOf({ id, day, dog, method, plan, record, dbAOf }: Worked): VisitEntry {
  const tools = new Map<string, { -readonly [K in keyof ToolEntry]: ToolEntry[K] }>();
  let bathed = false;
  for (const s of record.steps) {
    if (s.state !== 'done') continue;
    const { tool } = s.plan;
    const { kind, minutes } = didIn(s);
    if (s.plan.phase === 'bath') bathed = true;
    const own = tools.get(tool.id) ?? { toolId: tool.id, kind, name: tool.name, minutes: 0, grams: undefined };
    own.minutes += minutes;
    if (s.grams !== undefined) own.grams = (own.grams ?? 0) + s.grams;
    tools.set(tool.id, own);
  }
  const heard = record.steps.flatMap((s) => (s.state === 'done' ? soundOf(s, dbAOf) : []));
  const weighed = record.steps.flatMap((s) => (s.grams === undefined ? [] : [s.grams]));
  return {
    id,
    day,
    dogId: dog.id,
    dog: dog.name,
    coatClass: dog.coatClass,
    method,
    person: record.worker,
    plannedMinutes: plan.minutes,
    minutes: record.workedMs / MS_PER_MINUTE,
    plannedG: plan.gramsOut,
    weighedG: weighed.length > 0 ? sum(weighed) : undefined,
    bathed,
    tools: [...tools.values()],
    noise: noiseDose(heard, noiseRule('niosh')),
    priceCents: plan.priceCents,
    takenCents: record.paid?.cents,
    openCents: record.paid && Math.max(0, record.paid.how === 'later' ? record.paid.toldCents - record.paid.cents : 0),
  };
}

export const TALLY_BY = ['month', 'class', 'method', 'tool', 'person', 'dog'] as const;
export type TallyBy = (typeof TALLY_BY)[number];
export const TALLY_OF = ['grams', 'minutes', 'pace', 'yield', 'income', 'noise'] as const;
/** grams and minutes a visit; pace and yield against plan; income an hour at the table; noise a person's day. */
export type TallyOf = (typeof TALLY_OF)[number];

export interface TallyFilter {
  readonly from?: Day | undefined;
  readonly to?: Day | undefined;
  readonly coatClass?: CoatClass | undefined;
  readonly method?: MethodId | undefined;
  readonly person?: string | undefined;
  readonly toolId?: string | undefined;
  readonly dogId?: string | undefined;
}

export const filtered = (entries: readonly VisitEntry[], f: TallyFilter): readonly VisitEntry[] =>
  entries.filter(
    (e) =>
      (f.from === undefined || e.day >= f.from) &&
      (f.to === undefined || e.day <= f.to) &&
      (f.coatClass === undefined || e.coatClass === f.coatClass) &&
      (f.method === undefined || e.method === f.method) &&
      (f.person === undefined || e.person === f.person) &&
      (f.dogId === undefined || e.dogId === f.dogId) &&
      (f.toolId === undefined || e.tools.some((t) => t.toolId === f.toolId)),
  );

/** `2031-04` of a day. */
export function monthOf(on: Day): string {
  const { year, month } = civilFromDay(on);
  return `${year}-${String(month).padStart(2, '0')}`;
}

interface Measured {
  readonly key: string;
  readonly name: string;
  /** A value and what it weighs in the mean: hours for what is by the hour, 1 for what is by the visit. */
  readonly value: number;
  readonly weight: number;
}

const HOUR = 60;

/** What one entry says about a measure; undefined where it says nothing. */
function valueOf(e: VisitEntry, of: TallyOf): { value: number; weight: number } | undefined {
  const one = (value: number) => ({ value, weight: 1 });
  switch (of) {
    case 'grams':
      return e.weighedG === undefined ? undefined : one(e.weighedG);
    case 'minutes':
      return e.minutes > 0 ? one(e.minutes) : undefined;
    case 'pace':
      return e.minutes > 0 && e.plannedMinutes > 0 ? one(e.minutes / e.plannedMinutes) : undefined;
    case 'yield':
      return e.weighedG !== undefined && e.plannedG > 0 ? one(e.weighedG / e.plannedG) : undefined;
    case 'income':
      // A visit that was over before it began says nothing of an hour.
      return e.minutes >= 1 ? { value: (e.priceCents * HOUR) / e.minutes, weight: e.minutes / HOUR } : undefined;
    case 'noise':
      return one(e.noise);
  }
}

function keysOf(e: VisitEntry, by: TallyBy): readonly (readonly [key: string, name: string])[] {
  switch (by) {
    case 'month':
      return [[monthOf(e.day), monthOf(e.day)]];
    case 'class':
      return [[e.coatClass, e.coatClass]];
    case 'method':
      return [[e.method, e.method]];
    case 'tool':
      return e.tools.map((t) => [t.toolId, t.name]);
    case 'person':
      return [[e.person ?? '', e.person ?? '']];
    case 'dog':
      return [[e.dogId, e.dog]];
  }
}

/** By tool, what it gave and took itself, not the whole visit. */
function measured(e: VisitEntry, of: TallyOf, by: TallyBy): readonly Measured[] {
  if (by === 'tool' && (of === 'grams' || of === 'minutes')) {
    return e.tools.flatMap((t): Measured[] => {
      const value = of === 'grams' ? t.grams : t.minutes > 0 ? t.minutes : undefined;
      return value === undefined ? [] : [{ key: t.toolId, name: t.name, value, weight: 1 }];
    });
  }
  const own = valueOf(e, of);
  return own ? keysOf(e, by).map(([key, name]) => ({ key, name, ...own })) : [];
}

/** A day of a person is one measurement of noise, however many dogs it had. */
function noiseDays(entries: readonly VisitEntry[]): readonly VisitEntry[] {
  const days = new Map<string, VisitEntry>();
  for (const e of entries) {
    const key = `${e.day} ${e.person ?? ''}`;
    const before = days.get(key);
    days.set(key, before ? { ...before, noise: before.noise + e.noise, tools: [...before.tools, ...e.tools] } : e);
  }
  return [...days.values()];
}

export interface TallyGroup {
  readonly key: string;
  readonly name: string;
  /** Visits, or days for noise. */
  readonly n: number;
  readonly mean: number;
  readonly total: number;
  /** Holds eight in ten; undefined where there are too few to say. */
  readonly band?: { readonly low: number; readonly high: number } | undefined;
}

/** Fewer than this have no band. Guess. */
const LEAST_BAND = 5;

/** Quantile of sorted numbers, by linear interpolation between order statistics (Hyndman and Fan 1996, type 7). */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)] ?? NaN;
  const high = sorted[Math.ceil(at)] ?? NaN;
  return low + (high - low) * (at - Math.floor(at));
}

/** Entries counted together: months in their order, all else by what there is most of. */
export function tallied(entries: readonly VisitEntry[], of: TallyOf, by: TallyBy): readonly TallyGroup[] {
  const groups = new Map<string, { name: string; values: Measured[] }>();
  for (const e of of === 'noise' ? noiseDays(entries) : entries) {
    for (const m of measured(e, of, by)) {
      const own = groups.get(m.key) ?? { name: m.name, values: [] };
      own.values.push(m);
      groups.set(m.key, own);
    }
  }
  const all = [...groups].map(([key, { name, values }]): TallyGroup => {
    const weight = sum(values.map((v) => v.weight));
    const sorted = values.map((v) => v.value).sort((a, b) => a - b);
    return {
      key,
      name,
      n: values.length,
      mean: sum(values.map((v) => v.value * v.weight)) / weight,
      total: sum(values.map((v) => v.value * v.weight)),
      band: values.length >= LEAST_BAND ? { low: quantile(sorted, 0.1), high: quantile(sorted, 0.9) } : undefined,
    };
  });
  return by === 'month'
    ? all.sort((a, b) => a.key.localeCompare(b.key))
    : all.sort((a, b) => b.n - a.n || a.name.localeCompare(b.name));
}
