/** What waits for a vet in words: what was found, where, by whom and when. Nothing is called an illness. */
import type { Hold, HoldFinding, HoldSource, VetAllows } from '../../core/check/index.ts';
import { zoneName } from '../../core/dog/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import { capital, listText } from './figures.ts';

const FINDINGS: Partial<Readonly<Record<HoldFinding, string>>> = {
  'new-lump': 'a new lump',
  lump: 'a lump',
  'red-skin': 'red skin',
  'hot-spot': 'a hot spot',
  wound: 'a wound',
  parasites: 'fleas, ticks or mites',
  joints: 'joints that hurt',
  stance: 'an uneven stance or step',
  breathing: 'breathing that is not quiet',
  'wide-pelt-frail': 'felt over much of a frail dog',
};
const FOUND: Readonly<Record<HoldSource, string>> = {
  check: 'found at the coat check of',
  table: 'found at the table on',
  owner: 'seen at home on',
};
export const ALLOWS: Readonly<Record<VetAllows, { readonly word: string; readonly says: string }>> = {
  'as-usual': { word: 'Groom as usual', says: 'The place is worked again, gently at first.' },
  'not-there': {
    word: 'Leave the place alone',
    says: 'The rest of the dog may be groomed; of a whole dog, nothing yet.',
  },
};

/** Of a hold, as much as its words need; a list on an owner's page knows no more. */
export type HoldTold = Pick<Hold, 'place' | 'since' | 'finding' | 'source'> & {
  readonly seen?: { readonly day: Day; readonly who: string } | boolean | undefined;
};

const findingWord = (finding: HoldFinding): string => FINDINGS[finding] ?? 'something that a vet should see';

/** Holds that were found together are said together, a sentence each. sayDay: how this page says a day. */
export function holdTexts(holds: readonly HoldTold[], sayDay: (day: Day) => string): readonly string[] {
  const together = new Map<string, HoldTold[]>();
  for (const h of holds) {
    const seen = typeof h.seen === 'object' ? h.seen.day : h.seen;
    const key = `${h.finding} ${h.source} ${h.since} ${h.place === 'dog'} ${seen}`;
    together.set(key, [...(together.get(key) ?? []), h]);
  }
  return [...together.values()].flatMap(([first, ...more]) => {
    if (!first) return [];
    const places = [first, ...more].flatMap(({ place }) => (place === 'dog' ? [] : [zoneName(place)]));
    const where = places.length > 0 ? ` at ${listText(places)}` : '';
    const found = `${capital(findingWord(first.finding))}${where}, ${FOUND[first.source]} ${sayDay(first.since)}.`;
    if (typeof first.seen === 'object')
      return [`${found} Seen on ${sayDay(first.seen.day)} (${first.seen.who}): to be left alone.`];
    return [first.seen ? `${found} A vet has seen it: to be left alone.` : found];
  });
}
