/**
 * npm run study -- book [--seeds N] [--write]
 *
 * Plans seeded salons of 20 to 1,000 dogs over 52 weeks: how far from the best any plan could be, how long it takes, and what
 * it comes to against the rules that calendars are filled with; then on forecasts that err, re-planned each week; then after
 * three lost days. With --write it replaces the tables in docs/model.md.
 */
import { ended, mean, randomNormal, seededRandom, sum } from '../core/quantity/index.ts';
import {
  account,
  AT_ONCE,
  CoatWalk,
  dayCost,
  dogAccount,
  dogCost,
  firstFit,
  hoursFrom,
  OVERTIME,
  planBook,
  pushed,
  repair,
  wholeDays,
  WITH_TIME,
  WORTH,
  YEAR_EFFORT,
  type Account,
  type BookPlan,
  type Hours,
  type Rule,
  type YearDog,
  type YearEffort,
} from '../core/book/index.ts';
import { makeSalon, PEAK_DAYS, STUDY_DAYS, type StudySalon } from './salons.ts';

const SIZES = [20, 60, 150, 300, 1000] as const;
/** Salons that are lived through week by week: each is planned fifty times. */
const LIVED = [60, 150] as const;
const RULES: readonly (readonly [string, Rule])[] = [
  ['six weeks, first fit', { kind: 'every', days: 42 }],
  ['eight weeks, first fit', { kind: 'every', days: 56 }],
  ['coat half full, first fit', { kind: 'load', share: 0.5 }],
];

const whole = (n: number): string => Math.round(n).toLocaleString('en-GB').replaceAll(',', ' ');

const planned = (dogs: readonly YearDog[], hours: Hours, effort?: YearEffort): BookPlan =>
  ended(planBook(dogs, hours, WORTH, effort));

const peakOver = ({ load }: Account, hours: Hours, from: number): number => {
  let t = 0;
  for (let d = from; d < from + PEAK_DAYS; d++) t += Math.max(0, (load[d] ?? 0) - (hours.minutes[d] ?? 0));
  return t;
};

const salonOf = (size: number, seed: number): StudySalon => makeSalon(seededRandom(1000 * seed + size), size);

/** What a plan says that its visits cost, without the time after the last of each dog. */
const saidCost = ({ arcs, years, cost }: BookPlan): number =>
  cost - sum(years.map((y, i) => arcs[i]?.end[y.nodes.at(-1) ?? 0] ?? 0));

/** What they cost when the year is lived through: every coat walked from visit to visit, each rest as it is. */
function livedCost({ dogs, hours }: StudySalon, { visits }: BookPlan): number {
  const load = new Float64Array(hours.minutes.length);
  let cost = 0;
  for (const [i, dog] of dogs.entries()) {
    const days = visits[i] ?? [];
    const own = dogAccount(dog, days, days.at(-1) ?? 0, WORTH);
    cost += dogCost(own, WORTH);
    for (const [k, d] of days.entries())
      load[d] = (load[d] ?? 0) + (own.minutes[k] ?? 0) + WORTH.visit * (own.parts[k] ?? 1);
  }
  return cost + sum([...load].map((m, d) => dayCost(hours, d, m)));
}

function certain(seeds: number): string[] {
  const gaps: string[] = [];
  const against: string[] = [];
  for (const size of SIZES) {
    const rows = Array.from({ length: size > 300 ? Math.min(2, seeds) : seeds }, (_, seed) => {
      const salon = salonOf(size, seed);
      const began = performance.now();
      const plan = planned(salon.dogs, salon.hours);
      const seconds = (performance.now() - began) / 1000;
      const kept = account(salon.dogs, plan.visits, salon.hours, WORTH);
      const rules = RULES.map(([, rule]) =>
        account(salon.dogs, firstFit(salon.dogs, salon.hours, rule), salon.hours, WORTH),
      );
      const open = salon.openDays.length;
      const over = salon.openDays.filter((d) => (kept.load[d] ?? 0) > 1.001 * (salon.hours.minutes[d] ?? 0)).length;
      return {
        salon,
        gap: plan.cost / plan.bound - 1,
        lived: livedCost(salon, plan) / saidCost(plan) - 1,
        over: over / open,
        seconds,
        accounts: [kept, ...rules],
      };
    });
    const worst = Math.max(...rows.map((r) => r.gap));
    gaps.push(
      `| ${size} | ${rows.length} | ${(100 * mean(rows.map((r) => r.gap))).toFixed(3)} % (${(100 * worst).toFixed(3)} %) | ${(100 * Math.max(...rows.map((r) => Math.abs(r.lived)))).toFixed(3)} % | ${(100 * mean(rows.map((r) => r.over))).toFixed(2)} % | ${mean(rows.map((r) => r.seconds)).toFixed(1)} s |`,
    );
    for (const [k, name] of ['planned', ...RULES.map(([n]) => n)].entries()) {
      const of = (value: (a: Account) => number): string =>
        whole(mean(rows.map((r) => (r.accounts[k] ? value(r.accounts[k]) : NaN))));
      const peak = whole(
        mean(rows.map((r) => (r.accounts[k] ? peakOver(r.accounts[k], r.salon.hours, r.salon.peak) : NaN))),
      );
      against.push(
        `| ${k === 0 ? size : ''} | ${name} | ${of((a) => a.cost)} | ${of((a) => a.visits)} | ${of((a) => a.labour)} | ${of((a) => a.overtime)} (${peak}) | ${of((a) => a.packedDays)} | ${of((a) => a.homeG / 1000)} | ${of((a) => a.lateDays)} |`,
      );
    }
    process.stderr.write(`${size} dogs: done\n`);
  }
  return [
    '| dogs | salons | above the bound, mean (worst) | as lived, off what is said (worst) | days over their hours | time |',
    '|---|---|---|---|---|---|',
    ...gaps,
    '',
    '| dogs | filled by | cost | visits | minutes at the table | overtime (dearest four weeks) | packed days | kg at home | late days |',
    '|---|---|---|---|---|---|---|---|---|',
    ...against,
  ];
}

/** Days before its start from which a blow is known better and better, and after it by which it is known. */
const KNOWN = { from: 30, by: 14, rest: 0.2 } as const;
/** Days by which a start is believed wrong long before: of one dog, and of the whole town. */
const ERROR = { dog: 6, town: 5 } as const;
/** Visits are agreed with owners so many days ahead. */
const AGREED_DAYS = 21;
const WEEK = 7;
const WEEKLY: YearEffort = { ...YEAR_EFFORT, evaluations: 40, triesPerDog: 4, nudgesPerTry: 20 };

/** A year lived through: each week what is believed is planned, what is near is agreed, and the week is worked. */
function lived(salon: StudySalon, seed: number): readonly (readonly number[])[] {
  const random = seededRandom(5_000_011 + seed);
  const town = [randomNormal(random, 0, ERROR.town), randomNormal(random, 0, ERROR.town)] as const;
  const errors = salon.dogs.map(() => [0, 1].map((k) => (town[k] ?? 0) + randomNormal(random, 0, ERROR.dog)));
  const visits: number[][] = salon.dogs.map(() => []);
  const agreed: number[][] = salon.dogs.map(() => []);
  const truth = salon.dogs.map((d) => d.coats.map((coat) => ({ coat, walk: new CoatWalk(coat) })));
  for (const dog of truth) for (const { coat, walk } of dog) walk.begin(0, coat.storeG);
  for (let today = 0; today < STUDY_DAYS; today += WEEK) {
    const left = STUDY_DAYS - today;
    const dogs = salon.dogs.map((dog, i): YearDog => {
      const share = (k: 0 | 1): number => {
        const ahead = (salon.onsets[i]?.[k] ?? 0) - today;
        const x = (ahead + KNOWN.by) / (KNOWN.from + KNOWN.by);
        return KNOWN.rest + (1 - KNOWN.rest) * Math.min(1, Math.max(0, x));
      };
      const sd = Math.hypot(ERROR.dog, ERROR.town);
      const [a, b] = [share(0), share(1)];
      const last = visits[i]?.at(-1);
      return {
        ...dog,
        ...salon.dogOn(i, today, truth[i]?.[0]?.walk.grams ?? 0, {
          late: [a * (errors[i]?.[0] ?? 0), b * (errors[i]?.[1] ?? 0)],
          spread: [a * sd, b * sd],
        }),
        days: dog.days.filter((d) => d > today).map((d) => d - today),
        lastVisit: last === undefined ? dog.lastVisit - today : last - today,
        fixed: (agreed[i] ?? []).filter((d) => d > today).map((d) => d - today),
      };
    });
    const hours = hoursFrom(Float64Array.from([0, ...salon.hours.minutes.subarray(today + 1)]), OVERTIME);
    if (hours.minutes.length !== left + 1) throw new RangeError('a week was lost');
    const plan = planned(dogs, hours, WEEKLY);
    for (const [i, days] of plan.visits.entries()) {
      agreed[i] = days.filter((d) => d <= AGREED_DAYS).map((d) => d + today);
      for (const d of days.filter((x) => x <= WEEK)) {
        visits[i]?.push(d + today);
        for (const { coat, walk } of truth[i] ?? []) {
          walk.walkTo(d + today);
          walk.begin(d + today, (1 - coat.takes) * walk.grams);
        }
      }
      for (const { walk } of truth[i] ?? []) walk.walkTo(Math.min(STUDY_DAYS, today + WEEK));
    }
  }
  return visits;
}

function uncertain(seeds: number): string[] {
  const rows: string[] = [];
  for (const size of LIVED) {
    const salons = Array.from({ length: seeds }, (_, seed) => salonOf(size, 100 + seed));
    const kinds: readonly (readonly [string, (s: StudySalon, seed: number) => readonly (readonly number[])[]])[] = [
      ['forecasts, re-planned each week', lived],
      ['perfect knowledge', (s) => planned(s.dogs, s.hours).visits],
      ['six weeks, first fit', (s) => firstFit(s.dogs, s.hours, { kind: 'every', days: 42 })],
    ];
    for (const [k, [name, visitsOf]] of kinds.entries()) {
      const accounts = salons.map((s, seed) => ({ s, a: account(s.dogs, visitsOf(s, seed), s.hours, WORTH) }));
      const of = (value: (a: Account) => number): string => whole(mean(accounts.map(({ a }) => value(a))));
      const peak = whole(mean(accounts.map(({ s, a }) => peakOver(a, s.hours, s.peak))));
      rows.push(
        `| ${k === 0 ? size : ''} | ${name} | ${of((a) => a.cost)} | ${of((a) => a.labour)} | ${of((a) => a.overtime)} (${peak}) | ${of((a) => a.packedDays)} | ${of((a) => a.lateDays)} |`,
      );
      process.stderr.write(`${size} dogs, ${name}: done\n`);
    }
  }
  return [
    '| dogs | filled by | cost | minutes at the table | overtime (dearest four weeks) | packed days | late days |',
    '|---|---|---|---|---|---|---|',
    ...rows,
  ];
}

/** Visits so near are agreed with their owners. */
const SOON_DAYS = 42;

function illness(seeds: number): string[] {
  const size = 300;
  const rows = Array.from({ length: seeds }, (_, seed) => {
    const salon = salonOf(size, seed);
    const plan = planned(salon.dogs, salon.hours);
    const day = salon.peak + 8;
    const lost = wholeDays(salon.openDays.filter((d) => d >= day).slice(0, 3));
    const timed = <T>(work: () => T): { readonly value: T; readonly ms: number } => {
      const began = performance.now();
      const value = work();
      return { value, ms: performance.now() - began };
    };
    const greedy = timed(() => pushed(plan.arcs, plan.years, salon.hours, lost));
    const once = timed(() => repair(plan.arcs, plan.years, salon.hours, day - 1, lost, AT_ONCE));
    const time = timed(() => repair(plan.arcs, plan.years, salon.hours, day - 1, lost, WITH_TIME));
    return [greedy, once, time].map(({ value, ms }) => ({
      ms,
      more: value.cost - plan.cost,
      moves: value.moves.length,
      soon: value.moves.filter((m) => m.from < day + SOON_DAYS).length,
    }));
  });
  const line = (name: string, k: number): string => {
    const of = (value: (r: (typeof rows)[number][number]) => number): number =>
      mean(rows.map((r) => (r[k] ? value(r[k]) : NaN)));
    return `| ${name} | ${of((r) => r.more).toFixed(0)} | ${of((r) => r.soon).toFixed(0)} | ${of((r) => r.moves).toFixed(0)} | ${of((r) => r.ms).toFixed(0)} ms |`;
  };
  return [
    `| ${size} dogs, three days lost in the dearest weeks | costs more | visits moved that lie within six weeks | in the year | time |`,
    '|---|---|---|---|---|',
    line('pushed to the next day with room', 0),
    line('answered at once', 1),
    line('repaired', 2),
  ];
}

/** The tables of the book's study. */
export function bookStudy(seeds: number): string {
  return [...certain(seeds), '', ...uncertain(Math.min(2, seeds)), '', ...illness(seeds)].join('\n');
}
