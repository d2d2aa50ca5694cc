/**
 * Decides how much undercoat a dog sets free on each day of a year before anything is known of the dog itself:
 * a baseline, a spring pulse and a smaller autumn pulse, hung on the day length of the place.
 *
 * Shapes and sizes are guesses in the range of common practice (a blow lasts 4 to 6 weeks, heaviest early,
 * fading to a daily handful; spring is the main one; indoor life flattens both).
 */
import { addDays, clamp, day, type Day } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type CoatClassRow, type Dog } from '../dog/index.ts';
import { dayLengthHours } from '../sun/index.ts';

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

export type TideName = 'spring' | 'autumn';

export interface Pulse {
  readonly tide: TideName;
  readonly onset: Day;
  /** Days from the onset until 95 % of it is over. */
  readonly lengthDays: number;
  readonly grams: number;
}

/** Days after the equal day (12 h) at which a pulse begins. Guess. */
const ONSET_LAG_DAYS: Readonly<Record<TideName, number>> = { spring: 12, autumn: -8 };
const LENGTH_DAYS: Readonly<Record<TideName, number>> = { spring: 38, autumn: 32 };
/** Swing of day length over the year at which light gives full seasons, hours. Guess. */
const FULL_SEASON_SWING_HOURS = 8;
/** A dog under lamps all day keeps this share of its seasons. Guess. */
const INDOOR_SEASON = 0.45;
const EQUAL_DAY_HOURS = 12;

/** How strongly the light of a place makes seasons, 0 at the equator … 1 from about 50 degrees. */
export function lightSeason(place: Place, year: Day): number {
  let low = 24;
  let high = 0;
  for (let d = 0; d < 365; d += 5) {
    const hours = dayLengthHours(addDays(year, d), place.latitudeDeg, place.longitudeDeg);
    low = Math.min(low, hours);
    high = Math.max(high, hours);
  }
  return clamp((high - low) / FULL_SEASON_SWING_HOURS, 0, 1);
}

/** The days within [from, to] on which the day length passes 12 hours, upwards for spring and downwards for autumn. */
export function equalDays(place: Place, from: Day, to: Day): readonly { readonly tide: TideName; readonly day: Day }[] {
  const found: { tide: TideName; day: Day }[] = [];
  let before = dayLengthHours(addDays(from, -1), place.latitudeDeg, place.longitudeDeg);
  for (let d: number = from; d <= to; d++) {
    const hours = dayLengthHours(day(d), place.latitudeDeg, place.longitudeDeg);
    if (before < EQUAL_DAY_HOURS && hours >= EQUAL_DAY_HOURS) found.push({ tide: 'spring', day: day(d) });
    if (before > EQUAL_DAY_HOURS && hours <= EQUAL_DAY_HOURS) found.push({ tide: 'autumn', day: day(d) });
    before = hours;
  }
  return found;
}

/** Gamma density of shape 2, heaviest early; 95 % of it lies within lengthDays. */
export function pulseShare(daysSinceOnset: number, lengthDays: number): number {
  if (daysSinceOnset < 0) return 0;
  const theta = lengthDays / 4.744; // 95 % point of gamma(2, 1)
  return (daysSinceOnset / theta ** 2) * Math.exp(-daysSinceOnset / theta);
}

export interface ReleaseCurve {
  /** Grams set free each day, from `from` on. */
  readonly gramsPerDay: Float64Array;
  readonly from: Day;
  readonly pulses: readonly Pulse[];
  readonly season: number;
}

type ShedderFacts = Pick<Dog, 'coatClass' | 'weightKg' | 'outdoorShare'>;

function pulsesOf(
  dog: ShedderFacts,
  coat: CoatClassRow,
  place: Place,
  from: Day,
  to: Day,
): { pulses: Pulse[]; season: number } {
  const season = lightSeason(place, from) * (INDOOR_SEASON + (1 - INDOOR_SEASON) * clamp(dog.outdoorShare * 2, 0, 1));
  const tidal = coat.yearlyReleaseGPerM2 * bodySurfaceM2(dog.weightKg) * coat.seasonalShare * season;
  // A pulse that began up to three months before the window still runs into it.
  const pulses =
    season === 0
      ? []
      : equalDays(place, addDays(from, -90), addDays(to, 20)).map(({ tide, day: equal }) => ({
          tide,
          onset: addDays(equal, ONSET_LAG_DAYS[tide]),
          lengthDays: LENGTH_DAYS[tide],
          grams: tidal * (tide === 'spring' ? coat.springPart : 1 - coat.springPart),
        }));
  return { pulses, season };
}

/** Release of a dog over `days` days from a day. days: whole, above 0. */
export function releaseCurve(dog: ShedderFacts, place: Place, from: Day, days: number): ReleaseCurve {
  const coat = coatRow(dog.coatClass);
  const { pulses, season } = pulsesOf(dog, coat, place, from, addDays(from, days));
  const perYear = coat.yearlyReleaseGPerM2 * bodySurfaceM2(dog.weightKg);
  const baseline = (perYear * (1 - coat.seasonalShare * season)) / 365.25;
  const gramsPerDay = new Float64Array(days);
  for (let i = 0; i < days; i++) {
    let grams = baseline;
    for (const p of pulses) grams += p.grams * pulseShare(from + i - p.onset, p.lengthDays);
    gramsPerDay[i] = grams;
  }
  return { gramsPerDay, from, pulses, season };
}
