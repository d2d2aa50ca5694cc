/**
 * The simulated weather station: a day's mean temperature at a place, from the climate normal, a mood of
 * the season that lasts for weeks, and the weather of the day. It stands in for a service; the same day always reads the same.
 */
import { normalQuantile, seededRandom, type Day } from '../../core/quantity/index.ts';
import { usualCelsius, type Place, type Reading } from '../../core/tide/index.ts';

const MOOD_DAYS = 45;
const MOOD_SD = 2.2;
const DAY_SD = 2.6;

const chance = (seed: number): number => normalQuantile(0.0005 + 0.999 * seededRandom(seed)());

/** The mood of a stretch of weeks, between its neighbours. */
function mood(place: Place, on: Day): number {
  const at = on / MOOD_DAYS;
  const low = Math.floor(at);
  const of = (n: number): number => MOOD_SD * chance(Math.round(place.latitudeDeg * 100) * 7919 + n);
  return of(low) + (at - low) * (of(low + 1) - of(low));
}

/** The station's reading of a day, to a tenth of a degree. */
export const stationReading = (place: Place, on: Day): Reading => ({
  day: on,
  celsius: Math.round(10 * (usualCelsius(place, on) + mood(place, on) + DAY_SD * chance(on * 31 + 17))) / 10,
});
