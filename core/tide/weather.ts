/**
 * How warm the weeks before a season were against what is usual: the part of a year's shift that can be measured.
 *
 * Usual is what the town's own readings of other years say; where they are few, a climate normal by latitude stands in
 * (a guess: mean and swing of the year by latitude, coldest a month after the shortest day). A constant error of the
 * normal does no harm, since a salon's offset is learnt beside it.
 */
import { addDays, civilFromDay, dayFromCivil, sum, type Day } from '../quantity/index.ts';
import { lightSeasons, type Place, type TideName } from './seasons.ts';

export interface Reading {
  readonly day: Day;
  /** Mean temperature of the day, degrees C. */
  readonly celsius: number;
}

/** The stretch whose warmth tells: so many days before the usual start, up to so many. Guess. */
export const WARMTH_DAYS = { from: 85, to: 20 } as const;
/** Fewer readings than this, of the stretch's sixty-five days, say nothing of a season. Guess. */
const LEAST_READINGS = 20;
/** Other years' readings of the same stretch that outweigh the normal. Guess. */
const OWN_YEARS = 2;
const YEAR_DAYS = 365.25;

/** Usual mean temperature of a day at a latitude, degrees C. Guess, for towns near sea level. */
export function usualCelsius({ latitudeDeg }: Place, on: Day): number {
  const north = Math.abs(latitudeDeg);
  const mean = 27 - 0.0075 * north ** 2 - 0.05 * north;
  const swing = Math.min(16, 0.24 * north);
  const { year } = civilFromDay(on);
  const coldest = dayFromCivil({ year, month: latitudeDeg >= 0 ? 1 : 7, dayOfMonth: 22 });
  return mean - swing * Math.cos((2 * Math.PI * (on - coldest)) / YEAR_DAYS);
}

/** Older readings are of another climate: thirty years are the usual normal. */
const READ_BACK_DAYS = 30 * 366;

/** Warmth against the usual by season key, of seasons whose stretch has enough readings until a day. */
export function warmthOf(
  readings: readonly Reading[],
  place: Place,
  asOf: Day,
  tides: readonly TideName[] = ['spring', 'autumn'],
): Readonly<Record<string, number>> {
  const known = readings.filter((r) => r.day <= asOf && r.day >= asOf - READ_BACK_DAYS);
  if (known.length === 0) return {};
  const earliest = known.reduce((first, r) => (r.day < first ? r.day : first), asOf);
  const seasons = lightSeasons(place, earliest, addDays(asOf, WARMTH_DAYS.from), tides);
  const stretches = seasons.flatMap((s) => {
    const own = known.filter((r) => r.day >= s.usual - WARMTH_DAYS.from && r.day <= s.usual - WARMTH_DAYS.to);
    if (own.length < LEAST_READINGS) return [];
    return [
      { key: s.key, tide: s.tide, off: sum(own.map((r) => r.celsius - usualCelsius(place, r.day))) / own.length },
    ];
  });
  return Object.fromEntries(
    stretches.map(({ key, tide, off }) => {
      const others = stretches.filter((s) => s.tide === tide && s.key !== key);
      const usual = others.length < OWN_YEARS ? 0 : sum(others.map((s) => s.off)) / others.length;
      return [key, off - usual];
    }),
  );
}
