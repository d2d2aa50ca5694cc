/** Decides the price of a visit from its minutes and the house's rates. */
import { ceilTo } from '../quantity/index.ts';
import type { HouseRules } from '../kit/index.ts';

/** Price in hundredths of the house's currency: by the minute, at least the minimum, rounded up. */
export const priceCents = (minutes: number, rates: HouseRules['rates']): number =>
  ceilTo(Math.max(rates.minimumCents, (minutes * rates.perHourCents) / 60), Math.max(1, rates.roundToCents));
