/**
 * How much undercoat a dog sets free on each day of a year before anything is known of the dog itself:
 * a baseline, a spring pulse and a smaller autumn pulse, hung on the day length of the place.
 *
 * Shapes and sizes are guesses in the range of common practice (a blow lasts 4 to 6 weeks, heaviest early,
 * fading to a daily handful; spring is the main one; indoor life flattens both).
 */
import { addDays, type Day } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type CoatClassRow, type Dog } from '../dog/index.ts';
import { lifeLight } from './dog-model.ts';
import { pulseShare } from './pulse.ts';
import { LENGTH_DAYS, lightSeason, lightSeasons, type Place, type TideName } from './seasons.ts';

export interface Pulse {
  readonly tide: TideName;
  readonly onset: Day;
  /** Days from the onset until 95 % of it is over. */
  readonly lengthDays: number;
  readonly grams: number;
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
  const season = lightSeason(place, from) * lifeLight(dog.outdoorShare);
  const tidal = coat.yearlyReleaseGPerM2 * bodySurfaceM2(dog.weightKg) * coat.seasonalShare * season;
  // A pulse that began up to three months before the window still runs into it.
  const pulses =
    season === 0
      ? []
      : lightSeasons(place, addDays(from, -90), addDays(to, 20)).map(({ tide, usual }) => ({
          tide,
          onset: usual,
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
