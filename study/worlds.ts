/**
 * Makes towns whose truth is known: dogs that shed day by day, people who log some of it, and get some of it wrong.
 *
 * Nothing here is taken from the model that is tested: coats, pulses, habits, errors and the calendar are its own, and
 * most worlds contradict the model on purpose. Days are whole days since 1970-01-01, as everywhere.
 */
import {
  pick,
  randomInt,
  randomNormal,
  type Day,
  type Random,
  addDays,
  day,
  dayFromCivil,
} from '../core/quantity/index.ts';
import type { CoatClass } from '../core/dog/index.ts';
import type { BookDog, HomeAmount, HomeCare, Sighting, TideDog } from '../core/tide/index.ts';

export interface World {
  readonly name: string;
  /** Spread of starts in days: of a dog's habit, of the town's year, of the rest; and what temperature explains of it. */
  readonly habit: number;
  readonly town: number;
  readonly rest: number;
  readonly perDegree: number;
  /** Shape of a blow over its length, 0..1, any scale. */
  readonly shape: (x: number) => number;
  /** Spread of a season's size, and its drift a year, as logarithms. */
  readonly sizes: number;
  readonly drift: number;
  /** Scale: a constant factor, its drift a year. */
  readonly scale: number;
  readonly scaleDrift: number;
  /** Share of home bouts that are not logged, of weights that are mistyped, of brushings by a stranger's hand. */
  readonly forgotten: number;
  readonly mistyped: number;
  readonly strangers: number;
  /** The town's own days from the equinox, spring and autumn; and days for each 10 kg of dog. */
  readonly lag: readonly [number, number];
  readonly bySize: number;
}

const gamma = (x: number): number => x * Math.exp(-4.74 * x);
const TRUE: World = {
  name: 'true',
  habit: 10.5,
  town: 4.8,
  rest: 2.6,
  perDegree: -1.9,
  shape: gamma,
  sizes: 0.2,
  drift: 0,
  scale: 1,
  scaleDrift: 0,
  forgotten: 0.15,
  mistyped: 0.01,
  strangers: 0.03,
  lag: [11, -7],
  bySize: 0,
};
const WRONG: World = { ...TRUE, habit: 13.2, town: 5.2, rest: 4.2, perDegree: -2 };

export const WORLDS: readonly World[] = [
  TRUE,
  { ...TRUE, name: 'true, other towns', lag: [19, -1], perDegree: -1.4 },
  {
    ...WRONG,
    name: 'other pulse shapes',
    // A slow swell with a second, lesser one behind it.
    shape: (x) =>
      Math.sin(Math.PI * Math.min(1, x / 0.75)) ** 2 + (x > 0.6 ? 0.35 * Math.sin((Math.PI * (x - 0.6)) / 0.4) : 0),
  },
  { ...WRONG, name: 'biased, drifting scales', scale: 1.3, scaleDrift: 0.12 },
  { ...WRONG, name: 'forgotten and mistyped logs', forgotten: 0.5, mistyped: 0.07, strangers: 0.12 },
  { ...WRONG, name: 'another photoperiod', lag: [31, -24], bySize: 2.5 },
  { ...WRONG, name: 'drifting amplitude', sizes: 0.4, drift: 0.2 },
  {
    ...WRONG,
    name: 'all of it at once',
    shape: (x) => Math.sin(Math.PI * Math.min(1, x)) ** 1.5,
    scale: 0.75,
    scaleDrift: -0.08,
    forgotten: 0.4,
    mistyped: 0.04,
    strangers: 0.08,
    lag: [27, 4],
    sizes: 0.3,
    drift: 0.1,
  },
];

/** What the study's own dogs are made of: grams a square metre a year, seasonal part, share that falls a day. */
const KINDS: readonly {
  coatClass: CoatClass;
  kg: readonly [number, number];
  year: number;
  seasonal: number;
  falls: number;
  full: number;
}[] = [
  { coatClass: 'medium-double', kg: [10, 38], year: 820, seasonal: 0.64, falls: 0.018, full: 250 },
  { coatClass: 'long-double', kg: [8, 44], year: 900, seasonal: 0.57, falls: 0.009, full: 300 },
  { coatClass: 'heavy-double', kg: [26, 58], year: 1150, seasonal: 0.66, falls: 0.009, full: 400 },
  { coatClass: 'smooth-double', kg: [9, 34], year: 700, seasonal: 0.48, falls: 0.026, full: 115 },
];

export interface Visit {
  readonly day: Day;
  readonly grams: number;
  readonly share: number;
}
export interface StudyDog {
  readonly dog: TideDog;
  readonly sightings: readonly Sighting[];
  /** Weighed truth of each visit as the salon's scale told it without a slip. */
  readonly visits: readonly Visit[];
  /** Day on which a tenth of the blow was out, by season key. */
  readonly truth: Readonly<Record<string, number>>;
}
export interface StudyTown {
  readonly dogs: readonly StudyDog[];
  readonly issue: Day;
  readonly target: string;
  /** The right fixed date: the town's mean start over all years and dogs. */
  readonly fixed: number;
  /** Degrees C above usual in the weeks before, by season key. */
  readonly warmth: Readonly<Record<string, number>>;
}

const TOWN_LATITUDE = 57;
export const STUDY_PLACE = { latitudeDeg: TOWN_LATITUDE, longitudeDeg: 12 };
const YEARS = 3;

const equinox = (year: number, spring: boolean): number =>
  dayFromCivil({ year, month: spring ? 3 : 9, dayOfMonth: spring ? 20 : 22 });

/** Number of days of a blow until a tenth of it is out, for a shape over a length. */
function tenth(shape: (x: number) => number, length: number): number {
  const parts = Array.from({ length: 900 }, (_, i) =>
    shape === gamma || i < 400 ? Math.max(0, shape((i + 0.5) / 400)) : 0,
  );
  const all = parts.reduce((a, b) => a + b, 0);
  let sum = 0;
  for (const [i, p] of parts.entries()) {
    sum += p;
    if (sum >= 0.1 * all) return ((i + 1) / 400) * length;
  }
  return length;
}

/** One town up to a summer: YEARS years of logs and the season to come. */
export function makeTown(world: World, random: Random, dogs: number): StudyTown {
  const last = 2030 + randomInt(random, 0, 8);
  const salonOff = [randomNormal(random, 0, 6), randomNormal(random, 0, 6)];
  const warmth: Record<string, number> = {};
  const shift: Record<string, number> = {};
  for (let y = last - YEARS - 1; y <= last; y++) {
    for (const spring of [true, false]) {
      const key = `${spring ? 'spring' : 'autumn'} ${y}`;
      const degrees = randomNormal(random, 0, 1.9);
      warmth[key] = degrees + randomNormal(random, 0, 0.4);
      const explained = world.perDegree * degrees;
      const rest = Math.sqrt(Math.max(1, world.town ** 2 - (world.perDegree * 1.9) ** 2));
      shift[key] = explained + randomNormal(random, 0, rest);
    }
  }
  const usual = (year: number, spring: boolean): number =>
    equinox(year, spring) + (spring ? world.lag[0] : world.lag[1]) + (salonOff[spring ? 0 : 1] ?? 0);
  const issue = day(Math.round(usual(last, true)) - 30);
  const made = Array.from({ length: dogs }, () => makeDog(world, random, last, issue, usual, shift));
  const starts = made.flatMap((d) => d.tenths);
  return {
    dogs: made.map(({ study }) => study),
    issue,
    target: `spring ${last}`,
    fixed: starts.reduce((a, b) => a + b, 0) / starts.length,
    warmth,
  };
}

function makeDog(
  world: World,
  random: Random,
  last: number,
  issue: Day,
  usual: (year: number, spring: boolean) => number,
  shift: Readonly<Record<string, number>>,
): { study: StudyDog; tenths: number[] } {
  const kind = pick(random, KINDS);
  const kg = kind.kg[0] + random() * (kind.kg[1] - kind.kg[0]);
  const m2 = 0.1 * kg ** 0.667;
  const log = (sd: number): number => Math.exp(randomNormal(random, 0, sd));
  const yearG = kind.year * m2 * log(0.28);
  const outdoorShare = 0.15 + 0.45 * random();
  // Lamps flatten a year, here by the study's own measure.
  const seasonal = Math.min(0.9, kind.seasonal * 1.08 * (0.5 + Math.min(0.5, outdoorShare)) * log(0.18));
  const falls = kind.falls * log(0.25);
  const length = [37 * log(0.12), 31 * log(0.12)];
  const springPart = 0.56 + random() * 0.1;
  const habit0 = randomNormal(random, 0, world.habit);
  const habit1 = 0.3 * habit0 + Math.sqrt(1 - 0.09) * randomNormal(random, 0, world.habit);
  const homeCare: HomeCare = pick(random, ['none', 'some', 'steady'] as const);
  const logs = random() < 0.55;
  // Who logs bouts logs most of the habit.
  const habits = { none: 0, some: 0.017, steady: 0.038 }[homeCare] * log(0.3) * (logs ? 0.25 : 1);

  const saysStarted = random() < 0.6;
  const weighsAtHome = random() < 0.15;
  const boutTakes = 0.075 * log(0.35);
  // From a bout now and then to one every other day; most homes brush more in a blow.
  const brushes = 0.03 * Math.exp(2.6 * random());
  const brushesBusy = Math.min(0.8, brushes * (1 + 4 * random()));
  const hand = log(0.3);
  const touchBias = log(0.2);
  const interval = randomInt(random, 36, 62);
  const from = issue - 366 * YEARS - 40;
  const until = issue + 130;

  const release = new Float64Array(until - from + 1).fill((yearG * (1 - seasonal)) / 365);
  const truth: Record<string, number> = {};
  const tenths: number[] = [];
  for (let y = last - YEARS - 1; y <= last; y++) {
    for (const spring of [true, false]) {
      const key = `${spring ? 'spring' : 'autumn'} ${y}`;
      const start =
        usual(y, spring) +
        (world.bySize * (kg - 25)) / 10 +
        (spring ? habit0 : habit1) +
        (shift[key] ?? 0) +
        randomNormal(random, 0, world.rest);
      const long = (length[spring ? 0 : 1] ?? 35) * (world.shape === gamma ? 1 : 1.25);
      const grams =
        yearG *
        seasonal *
        (spring ? springPart : 1 - springPart) *
        log(world.sizes) *
        Math.exp(world.drift * (y - last + 1));
      const ten = tenth(world.shape, long);
      truth[key] = start + ten;
      if (spring) tenths.push(start + ten - usual(y, true) + usual(last, true));
      let whole = 0;
      for (let i = 0; i < 200; i++) whole += Math.max(0, world.shape((i + 0.5) / 200)) / 200;
      for (let d = Math.ceil(start); d < start + long * 2.2; d++) {
        const x = Math.max(0, d - 0.5 - start) / long;
        if (d >= from && d <= until && (world.shape === gamma || x <= 1))
          release[d - from] =
            (release[d - from] ?? 0) +
            (grams * Math.max(0, world.shape(x))) / (long * (world.shape === gamma ? 1 / 4.74 ** 2 : whole));
      }
    }
  }

  const sightings: Sighting[] = [];
  const visits: Visit[] = [];
  let store = 25 * (yearG / 365) * log(0.4);
  let nextVisit = from + randomInt(random, 4, 50);
  const full = kind.full * m2;
  const said = new Set<string>();
  for (let d = from; d <= until; d++) {
    const on = day(d);
    store = store * (1 - falls - habits) + (release[d - from] ?? 0);
    if (logs || weighsAtHome) {
      const today = release[d - from] ?? 0;
      const busy = today > (1.8 * yearG) / 365;
      if (random() < (busy ? brushesBusy : brushes)) {
        const takes = Math.min(0.5, boutTakes * log(0.25) * (random() < world.strangers ? 0.3 : 1));
        const grams = store * takes;
        store -= grams;
        if (random() >= world.forgotten) {
          if (weighsAtHome && random() < 0.5)
            sightings.push({ kind: 'brushed', day: on, grams: Math.round(grams * log(0.12)) });
          else sightings.push({ kind: 'brushed', day: on, amount: amountOf((grams / hand) * log(0.4)) });
        }
      }
    }
    if (saysStarted) {
      for (const [key, ten] of Object.entries(truth)) {
        if (said.has(key) || d < ten + 1) continue;
        said.add(key);
        if (random() < 0.8 && d <= ten + 2)
          sightings.push({ kind: 'started', day: day(d + Math.round(randomNormal(random, 0, 4))) });
      }
    }
    if (d >= nextVisit) {
      const load = Math.max(1e-3, (store / full) * touchBias);
      const felt = (steps: readonly number[], sd: number): number => {
        const x = load * log(sd);
        let grade = 0;
        for (let i = 0; i + 1 < steps.length; i++) {
          const [a, b] = [steps[i] ?? 0, steps[i + 1] ?? 1];
          if (x >= b) grade = i + 1;
          else if (x > a) {
            grade = i + Math.log(x / a) / Math.log(b / a);
            break;
          }
        }
        return Math.round(Math.min(steps.length - 1, Math.max(0, grade)) * 10) / 10;
      };
      sightings.push({
        kind: 'touch',
        day: on,
        finger: felt([0.06, 0.18, 0.4, 0.7, 0.95], 0.3),
        tug: felt([0.07, 0.2, 0.45, 0.8], 0.45),
      });
      const takes = 0.6 + 0.3 * random();
      const share = takes * (0.85 + 0.13 * random());
      const weighed = store * share * log(0.1) * world.scale * Math.exp((world.scaleDrift * (d - issue)) / 365);
      store *= 1 - takes;
      const told = takes * log(0.06);
      const slip = random() < world.mistyped ? pick(random, [10, 0.1, 1.9, 0.5] as const) : 1;
      visits.push({ day: on, grams: weighed, share: share * (told / takes) });
      sightings.push({
        kind: 'visit',
        day: on,
        takes: Math.min(0.97, told),
        ...(random() < 0.92 && {
          weighed: { grams: Math.max(1, Math.round(weighed * slip)), share: share * (told / takes) },
        }),
      });
      nextVisit = d + Math.max(18, Math.round(randomNormal(random, interval, 8)));
    }
  }
  return {
    study: {
      dog: {
        coatClass: kind.coatClass,
        weightKg: kg,
        outdoorShare,
        homeCare,
        life: [],
      },
      sightings: sightings.sort((a, b) => a.day - b.day),
      visits,
      truth,
    },
    tenths,
  };
}

/** The study's own idea of amounts. */
function amountOf(grams: number): HomeAmount {
  return grams < 0.8 ? 'none' : grams < 3.5 ? 'pinch' : grams < 14 ? 'handful' : grams < 50 ? 'bowl' : 'bag';
}

export const yearsBefore = (issue: Day, years: number): Day => addDays(issue, -Math.round(years * 365.25));

/** A town's dogs as a salon's book holds them on the day of its forecast, nothing booked. */
export const dogsInBook = (town: Pick<StudyTown, 'dogs' | 'issue'>): readonly BookDog[] =>
  town.dogs.map((d, i) => ({
    id: `dog-${i}`,
    name: `Dog ${i}`,
    owner: 'Owner',
    dog: d.dog,
    sightings: d.sightings.filter((s) => s.day <= town.issue),
    minutesAt: [40, 55, 80, 110, 140],
    rhythm: { shortest: 28, longest: 63 },
    holds: [],
    booked: [],
  }));
