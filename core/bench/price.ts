/** The price of a visit: its minutes at the house's rates, and what the house charges apart from minutes. */
import { ceilTo } from '../quantity/index.ts';
import { carePrice, chargedApart, type CareItem } from '../dog/index.ts';
import type { HouseRules } from '../kit/index.ts';
import { workOf, type Crew } from './crew.ts';
import { PHASES } from './methods.ts';
import type { PlanStep } from './plan.ts';

/** Price in hundredths of the house's currency: by the minute, at least the minimum, rounded up. */
export const priceCents = (minutes: number, rates: HouseRules['rates']): number =>
  ceilTo(Math.max(rates.minimumCents, (minutes * rates.perHourCents) / 60), Math.max(1, rates.roundToCents));

/** Items of care in steps. */
export const careIn = (steps: readonly Pick<PlanStep, 'phase'>[]): readonly CareItem[] => [
  ...new Set(steps.flatMap((s) => PHASES[s.phase].care ?? [])),
];

/** What of a visit is charged by the minute, whole minutes of one person's work, and what has a price of its own. */
export function chargeOf(
  steps: readonly Pick<PlanStep, 'phase' | 'minutes' | 'zones'>[],
  house: Pick<HouseRules, 'care'>,
  crew: Crew | undefined,
): { readonly minutes: number; readonly cents: number } {
  const own = ({ phase }: Pick<PlanStep, 'phase'>): number | undefined => {
    const { care } = PHASES[phase];
    return care && carePrice(care, house);
  };
  const byMinutes = steps.filter((s) => own(s) === undefined);
  return {
    minutes: workOf(byMinutes, crew),
    cents: chargedApart(careIn(steps), house).cents,
  };
}

/** What a visit of these steps costs, hundredths. */
export function visitPrice(
  steps: readonly Pick<PlanStep, 'phase' | 'minutes' | 'zones'>[],
  house: Pick<HouseRules, 'rates' | 'care'>,
  crew: Crew | undefined,
): number {
  const { minutes, cents } = chargeOf(steps, house, crew);
  return priceCents(minutes, house.rates) + cents;
}
