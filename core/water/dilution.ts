/**
 * How much product and water a dog takes: two washes, dilution as parts or per cent, by surface and coat.
 *
 * 1:10 is one part of concentrate to ten of water, eleven parts in all. That a coat is washed twice is common practice;
 * litres by surface and coat are guesses until a salon measures its own.
 */
import { sum } from '../quantity/index.ts';
import { bodySurfaceM2, coatRow, type CoatClass } from '../dog/index.ts';

/** One part of concentrate to so many of water; or the per cent of concentrate in the mix. */
export type Dilution = { readonly parts: number } | { readonly percent: number };

/** Share of concentrate in the mix, 0..1. Throws RangeError on parts below 0, or per cent outside 0..100. */
export function concentrateShare(d: Dilution): number {
  if ('parts' in d) {
    if (!(d.parts >= 0 && d.parts < Infinity)) throw new RangeError(`parts must be 0 or more, got ${d.parts}`);
    return 1 / (1 + d.parts);
  }
  if (!(d.percent > 0 && d.percent <= 100))
    throw new RangeError(`percent must be above 0 and at most 100, got ${d.percent}`);
  return d.percent / 100;
}

/** Parts of water to one of concentrate that make the same mix as a per cent. */
export const partsOf = (d: Dilution): number => 1 / concentrateShare(d) - 1;

export interface Mix {
  readonly concentrateMl: number;
  readonly waterMl: number;
}

/** Concentrate and water of a volume of ready mix, mL. */
export function mixOf(totalMl: number, d: Dilution): Mix {
  const concentrateMl = totalMl * concentrateShare(d);
  return { concentrateMl, waterMl: totalMl - concentrateMl };
}

/** Ready mix that a wash takes on a square metre of short coat, mL, and what each mL of water the coat holds adds. Guess. */
const MIX_ML_PER_M2 = 450;
const MIX_PER_HELD_ML = 0.55;
/** The second wash lathers on a coat that is wet and clean: it takes this much of the first. Guess. */
const SECOND_WASH = 0.7;

/** Ready mix for the two washes of a dog, mL. Throws RangeError unless weightKg is above 0. */
export function washesMl(weightKg: number, coatClass: CoatClass): readonly [number, number] {
  const first = bodySurfaceM2(weightKg) * (MIX_ML_PER_M2 + MIX_PER_HELD_ML * coatRow(coatClass).heldWaterMlPerM2);
  return [first, first * SECOND_WASH];
}

/** What one dog takes of a product, both washes together. */
export const productFor = (weightKg: number, coatClass: CoatClass, d: Dilution): Mix =>
  mixOf(sum(washesMl(weightKg, coatClass)), d);
