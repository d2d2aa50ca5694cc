/** Decides in which unit hair is measured on this device: the ruler in hand. Stored and sent are always millimetres. */
import { useState } from 'react';
import { inchToMm, mmToInch } from '../../core/quantity/index.ts';
import { keepHere, keptHere } from './device-preferences.ts';

export const HAIR_UNITS = ['mm', 'in'] as const;
export type HairUnit = (typeof HAIR_UNITS)[number];
const KEY = 'woolly-tide.hair-unit';

const kept = (): HairUnit => HAIR_UNITS.find((u) => u === keptHere(KEY)) ?? 'mm';

export function useHairUnit(): readonly [HairUnit, (unit: HairUnit) => void] {
  const [unit, setUnit] = useState(kept);
  return [
    unit,
    (to) => {
      keepHere(KEY, to);
      setUnit(to);
    },
  ];
}

const rounded = (value: number, per: number): number => Math.round(value * per) / per;
/** Hundredths of an inch and tenths of a millimetre are as fine as a ruler goes. */
export const hairShown = (mm: number, unit: HairUnit): number => (unit === 'mm' ? mm : rounded(mmToInch(mm), 100));
export const hairMm = (shown: number, unit: HairUnit): number => (unit === 'mm' ? shown : rounded(inchToMm(shown), 10));
