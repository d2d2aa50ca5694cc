/** How large a dog is in square metres, the base of every gram, minute and millilitre. */

/**
 * Body surface of a dog in square metres from its weight in kilograms: 0.101 · kg^(2/3).
 * Source: veterinary weight-to-surface conversion for dogs, K = 10.1 (dosing tables, e.g. 10 kg 0.46 m²).
 * Throws RangeError unless 0 < kg < Infinity.
 */
export function bodySurfaceM2(weightKg: number): number {
  if (!(weightKg > 0 && weightKg < Infinity)) throw new RangeError(`weightKg must be above 0, got ${weightKg}`);
  return 0.101 * Math.cbrt(weightKg) ** 2;
}
