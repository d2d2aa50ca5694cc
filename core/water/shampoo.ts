/**
 * Which shampoo for which wash, by what the coat and the skin need, and whether a conditioner follows. Common practice:
 * the first wash cleanses, the second treats. What a vet has named goes before all of it.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import { zoneConditions, type CoatCheck } from '../check/index.ts';
import { coatRow, type CoatClass, type DogTrait } from '../dog/index.ts';
import { skinState } from './rhythm.ts';

export const SHAMPOOS = ['cleansing', 'de-shedding', 'soothing', 'conditioning', 'vet'] as const;
export type Shampoo = (typeof SHAMPOOS)[number];

export interface ShampooRow {
  readonly shampoo: Shampoo;
  readonly name: string;
  readonly why: string;
  readonly source: Source;
}
const row = (shampoo: Shampoo, name: string, why: string): ShampooRow => ({
  shampoo,
  name,
  why,
  source: COMMON_PRACTICE,
});
export const SHAMPOO_ROWS: Readonly<Record<Shampoo, ShampooRow>> = {
  cleansing: row(
    'cleansing',
    'cleansing',
    'The first wash takes dirt and oil off, so that the second reaches hair and skin.',
  ),
  'de-shedding': row('de-shedding', 'de-shedding', 'Slip lets loose undercoat go.'),
  soothing: row('soothing', 'soothing, mild', 'Skin flakes or is pink: nothing strong on it.'),
  conditioning: row('conditioning', 'conditioning', 'A kept coat needs care, not strength.'),
  vet: row('vet', 'only what the vet has named', 'Skin trouble has its own shampoo and its own rhythm.'),
};

/** Share of zones that are loose or packed from which the second wash is there to let hair go. Guess. */
const SHEDDING_ZONES = 0.3;

export interface Washes {
  readonly first: Shampoo;
  readonly second: Shampoo;
  /** Does a conditioner follow. */
  readonly conditioner: boolean;
}

/** The washes of a dog as its check found it. */
export function washesFor(
  check: Pick<CoatCheck, 'zones'>,
  { coatClass, traits }: { readonly coatClass: CoatClass; readonly traits: readonly DogTrait[] },
): Washes {
  const skin = skinState(
    Object.values(check.zones).map((z) => z.skin),
    traits,
  );
  // It softens the hair that has to stay hard.
  const conditioner = coatClass !== 'harsh-double';
  if (skin === 'vet') return { first: 'vet', second: 'vet', conditioner: false };
  if (skin !== 'sound') return { first: 'soothing', second: 'soothing', conditioner };
  const conditions = zoneConditions(check, coatRow(coatClass));
  const shedding = conditions.filter((c) => c.kind === 'loose' || c.kind === 'packed').length / conditions.length;
  return { first: 'cleansing', second: shedding >= SHEDDING_ZONES ? 'de-shedding' : 'conditioning', conditioner };
}
