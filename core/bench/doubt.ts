/**
 * How sure minutes and grams are, and what the log teaches about them.
 *
 * What the log has taught comes as ratios with their doubt (core/tally). The 80 % ranges come from gamma quantiles with
 * the spread of one visit and that of what is not known yet.
 */
import { gammaQuantile, sum, type Interval80 } from '../quantity/index.ts';
import type { ToolKind } from '../kit/index.ts';
import { PHASES, type PhaseWork } from './methods.ts';
import type { Bands, PlanStep } from './plan.ts';
import { chargeOf, priceCents } from './price.ts';
import type { Learnt, PlanRequest } from './request.ts';

/** Squared relative spread of one measurement about its house's ratio, by what is measured. Guess. */
const SPREAD = { minutes: 0.05, grams: 0.16 } as const;
/** Squared relative doubt about a start value that nobody has measured. Guess. */
const START_DOUBT = { minutes: 0.03, grams: 0.09 } as const;

/** Minutes against usual, by kind of tool. */
export function paceByKind(learnt: Learnt | undefined): Partial<Record<ToolKind, number>> | undefined {
  if (!learnt) return undefined;
  const pace: Partial<Record<ToolKind, number>> = {};
  for (const [kind, ratio] of Object.entries(learnt.pace)) if (isKind(kind, learnt) && ratio) pace[kind] = ratio.mean;
  return pace;
}
const isKind = (kind: string, { pace }: Learnt): kind is ToolKind => kind in pace;

/** The 80 % range about a value with this squared relative spread. A spread of 0 is no range. */
export function bandAbout(likely: number, spread: number): Interval80 {
  if (likely <= 0 || spread <= 1e-9) return { low: likely, likely, high: likely };
  const shape = 1 / spread;
  const scale = likely / shape;
  return { low: gammaQuantile(0.1, shape, scale), likely, high: gammaQuantile(0.9, shape, scale) };
}

/** Squared relative spread of one kind of work about its plan, beyond what is common to the whole visit. Guess. */
const WORK_SPREAD: Readonly<Record<PhaseWork, number>> = {
  hands: 0.06,
  ties: 0.25,
  bath: 0.04,
  rewash: 0.04,
  condition: 0.04,
  mist: 0.09,
  towel: 0.06,
  drying: 0.06,
  air: 0.06,
  care: 0.15,
};

const shareOf = ({ low, likely, high }: Interval80, share: number): Interval80 => ({
  low: low * share,
  likely: likely * share,
  high: high * share,
});

/** Loose hair on the dog, its range by touch and by what its weighed sessions have taught. */
export const looseBand = (grams: number, learnt: Learnt | undefined): Interval80 =>
  bandAbout(grams, SPREAD.grams * 0.6 + (learnt?.grams?.doubt ?? START_DOUBT.grams));

/**
 * Ranges of a plan's minutes, grams and price. Steps are taken as independent but for the hand that works them all; what
 * comes out is a share of what was found, so its range never promises more than there may be.
 */
export function bandsOf(steps: readonly PlanStep[], request: PlanRequest, foundG: number): Bands {
  const minutes = sum(steps.map((s) => s.minutes));
  let variance = 0;
  let doubt = 0;
  for (const s of steps) {
    variance += WORK_SPREAD[PHASES[s.phase].work] * s.minutes * s.minutes;
    doubt += (request.learnt?.pace[s.tool.kind]?.doubt ?? START_DOUBT.minutes) * (minutes ? s.minutes / minutes : 0);
  }
  const ofMinutes = bandAbout(minutes, minutes === 0 ? 0 : variance / minutes ** 2 + doubt + SPREAD.minutes * 0.25);
  const charge = chargeOf(steps, request.house, request.crew);
  const price = (m: number): number =>
    priceCents(minutes === 0 ? 0 : (charge.minutes * m) / minutes, request.house.rates) + charge.cents;
  const gramsOut = sum(steps.map((s) => s.gramsOut));
  return {
    minutes: {
      low: Math.floor(ofMinutes.low),
      likely: minutes,
      high: Math.ceil(ofMinutes.high),
    },
    gramsOut: shareOf(looseBand(foundG, request.learnt), foundG === 0 ? 0 : gramsOut / foundG),
    priceCents: { low: price(ofMinutes.low), likely: price(minutes), high: price(ofMinutes.high) },
  };
}
