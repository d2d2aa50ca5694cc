/**
 * Care around the coat: what else is done to a dog on a visit, as rows with their minutes, their rhythm and where it is done.
 * Common practice; minutes are guesses until the house says its own. Glands are in no row: they are left alone unless they
 * trouble the dog, and then they are for a vet or a trained hand.
 */
import { COMMON_PRACTICE, GUESS, type Source } from '../quantity/index.ts';
import type { DogTrait } from './traits.ts';
import type { Region } from './zones.ts';

export const CARE_ITEMS = ['nails', 'ears', 'teeth', 'eyes', 'pads', 'sanitary', 'tidy'] as const;
export type CareItem = (typeof CARE_ITEMS)[number];

export interface CareRow {
  readonly item: CareItem;
  readonly name: string;
  /** What is done, and how. */
  readonly does: string;
  readonly regions: readonly Region[];
  /** Minutes for a dog of middle size. */
  readonly minutes: number;
  /** Done before the water, or on the dry and finished coat. */
  readonly when: 'before-water' | 'last';
  /** How often, in words; undefined where each visit decides. */
  readonly rhythm?: string | undefined;
  /** Dogs on which it is never done. */
  readonly notOn: readonly DogTrait[];
  readonly minutesSource: Source;
  readonly source: Source;
}

const row = (
  item: CareItem,
  name: string,
  does: string,
  regions: readonly Region[],
  minutes: number,
  more: Partial<Pick<CareRow, 'when' | 'rhythm' | 'notOn'>> = {},
): CareRow => ({
  item,
  name,
  does,
  regions,
  minutes,
  when: 'last',
  notOn: [],
  ...more,
  minutesSource: GUESS,
  source: COMMON_PRACTICE,
});

export const CARE: readonly CareRow[] = [
  row('nails', 'nails', 'A little at a time; stop at the first dark dot in the cut.', ['forefoot', 'hindfoot'], 6, {
    when: 'before-water',
    rhythm: 'every 4 to 6 weeks',
  }),
  row('ears', 'ears wiped', 'A soft cloth over one finger, no pressure, no deeper than you see.', ['ears'], 3, {
    rhythm: 'weekly, at home too',
  }),
  row('teeth', 'teeth brushed', 'Lips lifted, small circles along the gum; paste made for dogs.', ['face'], 3, {
    rhythm: 'looked at each visit',
  }),
  row('eyes', 'eyes wiped', 'From the inner corner outward, a clean cloth for each eye.', ['face'], 2),
  row(
    'pads',
    'pads and the hair between them',
    'Hair between the pads short, fine comb, blunt tips; wiped after salt and grit, balm on cracked pads.',
    ['forefoot', 'hindfoot'],
    6,
  ),
  row(
    'sanitary',
    'sanitary area',
    'Short and clean under the tail and at the belly; skin stretched, blunt tips.',
    ['groin'],
    5,
    {
      notOn: ['show-coat'],
    },
  ),
  row(
    'tidy',
    'feet, hocks and pasterns tidied',
    'Outline followed, nothing cut that stands to show.',
    ['forefoot', 'hindfoot', 'hindleg'],
    8,
    {
      notOn: ['show-coat'],
    },
  ),
];

const BY_ITEM = new Map(CARE.map((c) => [c.item, c]));

/** The row of an item. */
export function careRow(item: CareItem): CareRow {
  const found = BY_ITEM.get(item);
  if (!found) throw new RangeError(`no such care: ${item}`);
  return found;
}

/** Said wherever care is chosen. */
export const GLANDS =
  'Glands are left alone unless they trouble the dog: full or sore ones are for a vet or a trained hand.';

/** What a house takes for an item: minutes of its own, and a price of its own in place of that of the minutes. */
export interface CareTerms {
  readonly minutes?: number | undefined;
  readonly cents?: number | undefined;
}
export interface CareHouse {
  readonly care?: Partial<Readonly<Record<CareItem, CareTerms>>> | undefined;
}

/** Minutes of an item in this house. */
export const careMinutes = (item: CareItem, { care }: CareHouse): number =>
  care?.[item]?.minutes ?? careRow(item).minutes;
/** Price of an item where the house has one of its own, hundredths; undefined where its minutes are charged. */
export const carePrice = (item: CareItem, { care }: CareHouse): number | undefined => care?.[item]?.cents;

/** Which of the items chosen for a dog are done to it: none that its traits rule out. */
export const careFor = (items: readonly CareItem[] | undefined, traits: readonly DogTrait[]): readonly CareItem[] =>
  CARE_ITEMS.filter((i) => items?.includes(i) && !careRow(i).notOn.some((t) => traits.includes(t)));

/** Minutes and prices of the items that a house charges apart from its minutes. */
export function chargedApart(
  items: readonly CareItem[],
  house: CareHouse,
): { readonly minutes: number; readonly cents: number } {
  let [minutes, cents] = [0, 0];
  for (const item of items) {
    const price = carePrice(item, house);
    if (price === undefined) continue;
    minutes += careMinutes(item, house);
    cents += price;
  }
  return { minutes, cents };
}
