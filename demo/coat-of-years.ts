/**
 * How the demo's coats ran over the years: each dog with its own habit, each year with the town's weather, and what
 * its home saw of it. Made-up truth for made-up dogs.
 */
import type { DogRecord } from '../contract/dog.ts';
import type { HomeNote } from '../contract/tide.ts';
import { bodySurfaceM2, coatRow } from '../core/dog/index.ts';
import {
  addDays,
  clamp,
  day,
  formatDay,
  randomInt,
  randomNormal,
  type Day,
  type Random,
} from '../core/quantity/index.ts';
import {
  LENGTH_DAYS,
  lightSeasons,
  pulseOut,
  START_IN_SCALES,
  LENGTH_IN_SCALES,
  type HomeAmount,
  type LifePulse,
  type Place,
} from '../core/tide/index.ts';
import { stationReading } from './devices/weather-station.ts';

/** Days by which a season ran late in town, by its key. */
export type TownShifts = ReadonlyMap<string, number>;

const YEARS_BACK = 4;
const warmthBefore = (place: Place, usual: Day): number => {
  let sum = 0;
  for (let d = 20; d < 85; d++) sum += stationReading(place, addDays(usual, -d)).celsius;
  return sum / 65;
};

/** Shifts of the last years and the one to come: warm weeks bring a season on. */
export function townShifts(place: Place, today: Day, random: Random): TownShifts {
  const seasons = lightSeasons(place, addDays(today, -YEARS_BACK * 366), addDays(today, 60));
  const heat = seasons.map((s) => ({ ...s, warmth: warmthBefore(place, s.usual) }));
  return new Map(
    heat.map((s) => {
      const same = heat.filter((o) => o.tide === s.tide);
      const usual = same.reduce((t, o) => t + o.warmth, 0) / same.length;
      return [s.key, -1.5 * (s.warmth - usual) + randomNormal(random, 3, 2.5)];
    }),
  );
}

interface Needs {
  readonly dog: DogRecord;
  readonly from: Day;
  readonly days: number;
  readonly place: Place;
  readonly shifts: TownShifts;
  readonly random: Random;
}

/** One dog's coat over the years. */
export class Coat {
  private readonly release: Float64Array;
  private readonly yearG: number;
  private readonly starts: readonly number[];
  private readonly falls: number;
  private readonly bout = 0.07;
  private readonly writes: 'often' | 'says' | 'never';
  private readonly hand: number;
  constructor(private readonly needs: Needs) {
    const { dog, from, days, place, shifts, random } = needs;
    const coat = coatRow(dog.coatClass);
    const own = clamp(randomNormal(random, 1, 0.2), 0.6, 1.5);
    const yearG = coat.yearlyReleaseGPerM2 * bodySurfaceM2(dog.weightKg) * own;
    this.yearG = yearG;
    const seasonal = coat.seasonalShare * (0.5 + Math.min(0.5, dog.outdoorShare));
    this.release = new Float64Array(days + 1).fill((yearG * (1 - seasonal)) / 365);
    this.falls = coat.fallPerDay;
    this.hand = Math.exp(randomNormal(random, 0, 0.25));
    const habit = { spring: randomNormal(random, 0, 9), autumn: randomNormal(random, 0, 9) };
    const sheds = lightSeasons(place, addDays(from, -100), addDays(from, days + 30)).map((s) => ({
      onset:
        s.usual +
        (s.tide === 'spring' ? habit.spring : habit.autumn) +
        (shifts.get(s.key) ?? 0) +
        randomNormal(random, 0, 3.5),
      length: LENGTH_DAYS[s.tide] * Math.exp(randomNormal(random, 0, 0.12)),
      grams:
        yearG *
        seasonal *
        (s.tide === 'spring' ? coat.springPart : 1 - coat.springPart) *
        Math.exp(randomNormal(random, 0, 0.15)),
    }));
    for (const shed of sheds) this.sheds(shed);
    this.starts = sheds.map((s) => s.onset + (START_IN_SCALES * s.length) / LENGTH_IN_SCALES);
    this.writes = dog.homeCare === 'none' ? (random() < 0.4 ? 'says' : 'never') : random() < 0.6 ? 'often' : 'says';
  }

  private sheds({ onset, length, grams }: { onset: number; length: number; grams: number }): void {
    const { from, days } = this.needs;
    for (let i = Math.max(0, Math.floor(onset - from)); i <= days && i < onset - from + 3 * length; i++)
      this.release[i] =
        (this.release[i] ?? 0) + grams * (pulseOut(from + i + 1 - onset, length) - pulseOut(from + i - onset, length));
  }

  /** A shed by the dog's life that begins on a day, whatever the light does. */
  blowsOn(onset: Day, { lengthDays, ofYear }: LifePulse): void {
    this.sheds({ onset, length: lengthDays, grams: ofYear * this.yearG });
  }

  /** The coat from the end of one day to a visit on another, and what its home wrote down. */
  until(last: Day, visit: Day, startG: number): { storeG: number; notes: readonly Omit<HomeNote, 'id'>[] } {
    const { dog, from, random } = this.needs;
    const perWeek = { none: 0, some: 1.7, steady: 4 }[dog.homeCare];
    const notes: Omit<HomeNote, 'id'>[] = [];
    let store = startG;
    for (let d = last + 1; d <= visit; d++) {
      store = store * (1 - this.falls) + (this.release[d - from] ?? 0);
      const on = formatDay(day(d));
      const author = dog.owner.name;
      if (this.writes !== 'never' && this.starts.some((s) => Math.round(s + 1) === d) && random() < 0.7)
        notes.push({
          day: formatDay(day(Math.min(visit, d + randomInt(random, 0, 5)))),
          what: 'started',
          amount: null,
          grams: null,
          author,
        });
      if (random() >= perWeek / 7) continue;
      const grams = store * this.bout * Math.exp(randomNormal(random, 0, 0.25));
      store -= grams;
      if (this.writes === 'often' && random() < 0.35)
        notes.push({ day: on, what: 'brushed', amount: amountOf(grams / this.hand), grams: null, author });
    }
    return { storeG: store, notes };
  }
}

const amountOf = (grams: number): HomeAmount =>
  grams < 0.7 ? 'none' : grams < 3 ? 'pinch' : grams < 13 ? 'handful' : grams < 55 ? 'bowl' : 'bag';
