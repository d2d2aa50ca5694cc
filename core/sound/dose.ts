/**
 * How much noise a person has taken in a day, by three published rules side by side, and how long is left.
 *
 * A dose is the sum of time at a level over the time allowed at that level; 1 is the whole day's. The rules differ in
 * the level they allow for eight hours and in how many decibels halve the time.
 */
import { published, type Source } from '../quantity/index.ts';

export const NOISE_RULES = ['niosh', 'osha', 'eu'] as const;
export type NoiseRuleId = (typeof NOISE_RULES)[number];

export interface NoiseRule {
  readonly id: NoiseRuleId;
  readonly name: string;
  /** Level allowed for eight hours, dB(A). */
  readonly criterionDbA: number;
  /** Decibels that halve the time. */
  readonly exchangeDb: number;
  /** Levels below this add nothing, dB(A). */
  readonly thresholdDbA: number;
  readonly source: Source;
}

export const NOISE_ROWS: readonly NoiseRule[] = [
  {
    id: 'niosh',
    name: 'NIOSH',
    criterionDbA: 85,
    exchangeDb: 3,
    thresholdDbA: 80,
    source: published(
      'NIOSH Publication 98-126 (1998), Criteria for a Recommended Standard: Occupational Noise Exposure',
    ),
  },
  {
    id: 'osha',
    name: 'OSHA',
    criterionDbA: 90,
    exchangeDb: 5,
    thresholdDbA: 80,
    source: published('29 CFR 1910.95, Table G-16 and Table G-16a'),
  },
  {
    id: 'eu',
    name: 'EU',
    criterionDbA: 87,
    exchangeDb: 3,
    thresholdDbA: 0,
    source: published('Directive 2003/10/EC, article 3: exposure limit value 87 dB(A), 8 h'),
  },
];

/** Action values of Directive 2003/10/EC, article 3, daily exposure level over 8 hours, dB(A). */
export const EU_ACTION = { lowerDbA: 80, upperDbA: 85, limitDbA: 87 } as const;

const REFERENCE_MINUTES = 8 * 60;

const BY_ID = new Map(NOISE_ROWS.map((r) => [r.id, r]));

/** The row of a noise rule. */
export function noiseRule(id: NoiseRuleId): NoiseRule {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`no such noise rule: ${id}`);
  return found;
}

/** Minutes a day allowed at a level, dB(A); Infinity below what the rule counts at all. */
export function allowedMinutes(levelDbA: number, rule: NoiseRule): number {
  if (levelDbA < rule.thresholdDbA) return Infinity;
  return REFERENCE_MINUTES / 2 ** ((levelDbA - rule.criterionDbA) / rule.exchangeDb);
}

/** Time beside a source. */
export interface Exposure {
  readonly levelDbA: number;
  readonly minutes: number;
}

/** Share of a day's noise, 1 = all that is allowed. Throws RangeError on minutes below 0. */
export function noiseDose(exposures: readonly Exposure[], rule: NoiseRule): number {
  return exposures.reduce((dose, { levelDbA, minutes }) => {
    if (!(minutes >= 0)) throw new RangeError(`minutes must be 0 or more, got ${minutes}`);
    return dose + minutes / allowedMinutes(levelDbA, rule);
  }, 0);
}

/** Level which, held for eight hours, would be the same dose, dB(A); -Infinity for none. */
export const dayLevelDbA = (dose: number, rule: NoiseRule): number =>
  rule.criterionDbA + rule.exchangeDb * Math.log2(dose);

/** Minutes still allowed at a level after a dose; 0 when the day's is used up. */
export const minutesLeft = (dose: number, levelDbA: number, rule: NoiseRule): number =>
  dose >= 1 ? 0 : (1 - dose) * allowedMinutes(levelDbA, rule);

/** Share of a protector's rating by which it is counted in the field. NIOSH 98-126, 6.4: earmuffs 75 %, formable plugs 50 %, other plugs 30 %. */
export const PROTECTORS = { muffs: 0.75, 'formable-plugs': 0.5, 'other-plugs': 0.3 } as const;
export type Protector = keyof typeof PROTECTORS;

/**
 * Level at the ear under a protector, dB(A), from an A-weighted level: level − (derated rating − 7).
 * nrrDb: the rating on its label. NIOSH 98-126, 6.4. A rating so small that nothing is left takes nothing off.
 */
export const protectedDbA = (levelDbA: number, protector: Protector, nrrDb: number): number =>
  levelDbA - Math.max(0, nrrDb * PROTECTORS[protector] - 7);
