/**
 * Decides on which days light turns the coat, and how strongly: the seasons of a place.
 *
 * The day on which day length has risen by half of its yearly swing is the same, to a day or two, at every latitude from
 * the tropics to the polar circle: so light sets a date for all, and its strength by latitude. How far a salon's dogs
 * keep from that date is learnt.
 */
import { addDays, clamp, dayFromCivil, civilFromDay, type Day } from '../quantity/index.ts';
import { dayLengthHours } from '../sun/index.ts';

export interface Place {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Two seasons for most coats; coats that shed in four have lesser ones between. */
export const TIDES = ['spring', 'summer', 'autumn', 'winter'] as const;
export type TideName = (typeof TIDES)[number];

/** Swing of day length over the year at which light gives full seasons, hours. Guess. */
const FULL_SEASON_SWING_HOURS = 8;
/** Beyond this latitude the sun stays up or down for days on end and light is a poor clock. */
export const POLAR_DEG = 64;
/** Days from the day of light to the usual start of the blow. Guess; learnt for each salon. */
const LAG_DAYS: Readonly<Record<TideName, number>> = { spring: 12, summer: 12, autumn: -8, winter: -8 };
/** Until 95 % of it is out. Common practice: 4 to 6 weeks; lesser waves shorter (guess). */
export const LENGTH_DAYS: Readonly<Record<TideName, number>> = { spring: 38, summer: 26, autumn: 32, winter: 26 };

/** How strongly the light of a place makes seasons, 0 at the equator … 1 from about 50 degrees. */
export function lightSeason(place: Place, year: Day): number {
  const { low, high } = swing(place, civilFromDay(year).year);
  return clamp((high - low) / FULL_SEASON_SWING_HOURS, 0, 1);
}

/** Shortest and longest day of a year, hours. */
function swing({ latitudeDeg, longitudeDeg }: Place, year: number): { readonly low: number; readonly high: number } {
  const at = (month: number): number =>
    dayLengthHours(dayFromCivil({ year, month, dayOfMonth: 21 }), latitudeDeg, longitudeDeg);
  const [june, december] = [at(6), at(12)];
  return { low: Math.min(june, december), high: Math.max(june, december) };
}

/** The day within a calendar year on which day length passes half of its swing, upwards or downwards. */
function middleDay(place: Place, year: number, upwards: boolean): Day {
  const { low, high } = swing(place, year);
  // Near the equator light never says so: the equinox stands in, with no trust in it.
  if (high - low < 0.1)
    return dayFromCivil({ year, month: upwards === place.latitudeDeg >= 0 ? 3 : 9, dayOfMonth: 21 });
  const middle = (low + high) / 2;
  const north = place.latitudeDeg >= 0;
  // In the north light rises from the December to the June solstice; in the south the other way round.
  const from =
    upwards === north
      ? dayFromCivil({ year: year - 1, month: 12, dayOfMonth: 22 })
      : dayFromCivil({ year, month: 6, dayOfMonth: 22 });
  let [lo, hi] = [0, 181];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    const hours = dayLengthHours(addDays(from, mid), place.latitudeDeg, place.longitudeDeg);
    if (upwards ? hours >= middle : hours <= middle) hi = mid;
    else lo = mid + 1;
  }
  return addDays(from, lo);
}

/** A season that light gives: its key is its name and the calendar year of its day. */
export interface LightSeason {
  readonly key: string;
  readonly tide: TideName;
  readonly year: number;
  /** The day of light, and the day on which a blow usually begins here as far as light alone knows. */
  readonly lightDay: Day;
  readonly usual: Day;
}

/** A quarter of a year, from a tide to the lesser one that follows it. */
const QUARTER_DAYS = 91;

const MEMO = new Map<string, LightSeason>();

function seasonOf(place: Place, tide: TideName, year: number): LightSeason {
  const key = `${tide} ${year}`;
  const memo = `${place.latitudeDeg} ${key}`;
  const known = MEMO.get(memo);
  if (known) return known;
  const main = tide === 'spring' || tide === 'summer';
  const middle = middleDay(place, year, main);
  const lightDay = tide === 'summer' || tide === 'winter' ? addDays(middle, QUARTER_DAYS) : middle;
  const made = { key, tide, year, lightDay, usual: addDays(lightDay, LAG_DAYS[tide]) };
  if (MEMO.size > 2000) MEMO.clear();
  MEMO.set(memo, made);
  return made;
}

/** Seasons whose usual start lies within [from, to], in order of time. */
export function lightSeasons(
  place: Place,
  from: Day,
  to: Day,
  tides: readonly TideName[] = ['spring', 'autumn'],
): readonly LightSeason[] {
  const found: LightSeason[] = [];
  for (let year = civilFromDay(from).year - 1; year <= civilFromDay(to).year + 1; year++) {
    for (const tide of tides) {
      const season = seasonOf(place, tide, year);
      if (season.usual >= from && season.usual <= to) found.push(season);
    }
  }
  return found.sort((a, b) => a.usual - b.usual);
}

/** How far light is to be trusted as a clock, 0..1: little near the equator, less beyond the polar circle. Guess. */
export function lightTrust(place: Place, year: Day): number {
  const beyond = clamp((Math.abs(place.latitudeDeg) - POLAR_DEG) / 8, 0, 1);
  return clamp(lightSeason(place, year) * 2.5, 0, 1) * (1 - 0.6 * beyond);
}
