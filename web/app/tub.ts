/** What the label says and how this room pours, as it was last set on this device: dilution, contact time, units. */
import { useState } from 'react';
import { mlToUsFlOz, usFlOzToMl } from '../../core/quantity/index.ts';
import type { DayDog } from '../../contract/day.ts';
import { productFor, type Dilution } from '../../core/water/index.ts';
import { keepHere, keptHere } from './device-preferences.ts';

const KEY = 'woolly-tide.dilution';

export interface Label {
  readonly way: 'parts' | 'percent';
  readonly parts: number;
  readonly percent: number;
  /** Minutes the soap is left on before the rinse. */
  readonly contactMinutes: number;
  readonly unit: 'ml' | 'floz';
  /** The bottle in use. */
  readonly product: string;
}
const USUAL: Label = { way: 'parts', parts: 10, percent: 5, contactMinutes: 5, unit: 'ml', product: 'Shampoo' };
export const MOST_CONTACT_MINUTES = 30;

export function keptLabel(): Label {
  try {
    const kept: Partial<Label> = JSON.parse(keptHere(KEY) ?? '{}');
    return { ...USUAL, ...kept };
  } catch {
    return USUAL;
  }
}

export function useLabel(): readonly [Label, (label: Label) => void] {
  const [label, setLabel] = useState(keptLabel);
  return [
    label,
    (next) => {
      keepHere(KEY, JSON.stringify(next));
      setLabel(next);
    },
  ];
}

/** The dilution that was typed, where it is one. */
export function dilutionOf({ way, parts, percent }: Label): Dilution | undefined {
  if (way === 'parts') return parts >= 0 && parts <= 1000 ? { parts } : undefined;
  return percent > 0 && percent <= 100 ? { percent } : undefined;
}

/** The dogs that are bathed, each with what is mixed for it. */
export const mixesOf = <D extends Pick<DayDog, 'bathes' | 'weightKg' | 'coatClass'>>(
  dogs: readonly D[],
  dilution: Dilution,
) => dogs.flatMap((d) => (d.bathes ? [{ d, mix: productFor(d.weightKg, d.coatClass, dilution) }] : []));

/** Minutes of contact within what any label asks; a typing slip is no reason to leave soap on. */
export const contactOf = ({ contactMinutes }: Label): number =>
  contactMinutes >= 0 && contactMinutes <= MOST_CONTACT_MINUTES ? contactMinutes : USUAL.contactMinutes;

/** Millilitres of an amount typed in the unit this room pours in. */
export const typedMl = (amount: number, unit: Label['unit']): number => (unit === 'ml' ? amount : usFlOzToMl(amount));

/** As fine as a jug shows: fives of millilitres, fifties from a litre on. */
export const poured = (ml: number): number => {
  const step = ml >= 1000 ? 50 : 5;
  return Math.round(ml / step) * step;
};

/** A volume as this room pours it. */
export function volume(ml: number, unit: Label['unit']): string {
  if (unit === 'floz') {
    const oz = mlToUsFlOz(ml);
    return oz >= 64
      ? `${(oz / 128).toFixed(2)}\u00a0gal`
      : `${oz >= 8 ? Math.round(oz) : oz.toFixed(1)}\u00a0fl\u00a0oz`;
  }
  return ml >= 1000 ? `${(poured(ml) / 1000).toFixed(2)}\u00a0l` : `${poured(ml)}\u00a0ml`;
}
