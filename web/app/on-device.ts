/**
 * Decides how a device's own ways are known: what it keeps, what it prefers, which languages it speaks. A page that the salon's
 * computer makes for a device goes by what that device said of itself with a cookie; all that such a page was told is written
 * down, so that the device can see whether it is right.
 */
import { WAYS_COOKIE, type DeviceWays } from '../../contract/page.ts';

/** Of all that a device keeps, what changes the first look at a room; the rest stays on it. */
const SHOWS = ['woolly-tide.view', 'woolly-tide.theme', 'woolly-tide.hair-unit', 'woolly-tide.dilution'];
const YEAR_S = 365 * 86_400;
const MOST_LANGUAGES = 6;

interface Lent {
  readonly ways: DeviceWays;
  readonly told: Map<string, string | null>;
}
let lent: Lent | undefined;

/** What a page made elsewhere was told: by the name of what is kept, or of what is preferred. */
export type Told = Readonly<Record<string, string | null>>;

const DARK = '(prefers-color-scheme: dark)';
const CONTRAST = '(prefers-contrast: more)';
const LANGUAGES = '(languages)';

const ownKept = (name: string): string | null =>
  typeof localStorage === 'undefined' ? null : localStorage.getItem(name);
const ownPrefers = (query: string): boolean => typeof matchMedia !== 'undefined' && matchMedia(query).matches;
/** Tests and tools without a page are where a European device is. */
const ownLanguages = (): readonly string[] => (typeof document === 'undefined' ? ['en-GB'] : navigator.languages);

const yes = (preferred: boolean): string | null => (preferred ? 'yes' : null);
/** Of all languages, the two that are gone by: the first, and the first English. */
const goneBy = (languages: readonly string[]): string =>
  [languages[0], languages.find((l) => l.startsWith('en'))].join(' ');

/** The answer to a question about this device; where another's page is made, that one's, written down as told. */
function answered<T>(name: string, own: () => T, theirs: (ways: DeviceWays) => T, as: (answer: T) => string | null): T {
  if (!lent) return own();
  const answer = theirs(lent.ways);
  lent.told.set(name, as(answer));
  return answer;
}

/** What this device keeps under a name, null where nothing is. */
export const keptHere = (name: string): string | null =>
  answered(
    name,
    () => ownKept(name),
    ({ kept }) => kept[name] ?? null,
    (kept) => kept,
  );
export const darkHere = (): boolean =>
  answered(
    DARK,
    () => ownPrefers(DARK),
    ({ dark }) => dark,
    yes,
  );
export const contrastHere = (): boolean =>
  answered(
    CONTRAST,
    () => ownPrefers(CONTRAST),
    ({ contrast }) => contrast,
    yes,
  );
export const languagesHere = (): readonly string[] =>
  answered(LANGUAGES, ownLanguages, ({ languages }) => languages, goneBy);

/** Is what a page was told of this device so. */
export const isTrueHere = (told: Told): boolean =>
  Object.entries(told).every(([name, answer]) => {
    switch (name) {
      case DARK:
      case CONTRAST:
        return answer === yes(ownPrefers(name));
      case LANGUAGES:
        return answer === goneBy(ownLanguages());
      default:
        return answer === ownKept(name);
    }
  });

/** Writes marks into the page's root, where its styles find them. */
export function showMarks(marks: Readonly<Record<string, string>>): void {
  const root = document.documentElement;
  // What stands there already is left alone: a change of the root has every style reckoned anew.
  for (const [name, value] of Object.entries(marks))
    if (root.getAttribute(name) !== value) root.setAttribute(name, value);
}

export function keepHere(name: string, value: string): void {
  localStorage.setItem(name, value);
  tellWays();
}

/** Sends the ways of this device along with whatever it asks for, so that pages are made by them. */
export function tellWays(): void {
  const kept = Object.fromEntries(
    SHOWS.flatMap((name) => {
      const value = ownKept(name);
      return value === null ? [] : [[name, value] as const];
    }),
  );
  const ways: DeviceWays = {
    kept,
    dark: ownPrefers(DARK),
    contrast: ownPrefers(CONTRAST),
    languages: ownLanguages().slice(0, MOST_LANGUAGES),
  };
  const cookie = `${WAYS_COOKIE}=${encodeURIComponent(JSON.stringify(ways))}`;
  if (!document.cookie.split('; ').includes(cookie))
    document.cookie = `${cookie}; path=/; max-age=${YEAR_S}; samesite=strict`;
}

/** Makes something by the ways of another device; not to be done twice at once. */
export async function asOn<T>(
  ways: DeviceWays,
  make: () => Promise<T>,
): Promise<{ readonly made: T; readonly told: Told }> {
  const told = new Map<string, string | null>();
  lent = { ways, told };
  try {
    return { made: await make(), told: Object.fromEntries(told) };
  } finally {
    lent = undefined;
  }
}
