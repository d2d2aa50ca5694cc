/** How likely a log is under what a model reads of it, and how that bends: Student's distribution for weights, probits with lapses for grades. */
import { normalDensity, normalShare, sum } from '../quantity/index.ts';
import type { DogModel } from './dog-model.ts';
import { GRADE } from './log-program.ts';
import { WEIGHT_FREEDOM } from './sightings.ts';

const NU = WEIGHT_FREEDOM;

/** Shares of the normal distribution, so many to the standard deviation: 1e-5 is near enough where slips cost 1e-2. */
const SHARES_TO = 8;
const PER_SD = 100;
const SHARES = Float64Array.from({ length: 2 * SHARES_TO * PER_SD + 2 }, (_, i) => normalShare(i / PER_SD - SHARES_TO));
function nearShare(x: number): number {
  if (x <= -SHARES_TO) return 0;
  if (x >= SHARES_TO) return 1;
  const at = (x + SHARES_TO) * PER_SD;
  const low = at | 0;
  const a = SHARES[low] ?? 0;
  return a + (at - low) * ((SHARES[low + 1] ?? 1) - a);
}

/** Within so many deviations a weight is what it says; beyond, its point may have slipped to the left or the right. */
const SLIP_BEYOND = 4;
const student = (r: number): number => (1 + (r * r) / NU) ** (-(NU + 1) / 2);

/** Log likelihood of what was seen, against what the model reads. */
export function logLikelihood(model: DogModel, reads: Float64Array): number {
  const { kind, low, high, sd, lapse, anyway } = model.log.likes;
  let total = 0;
  // Products are cheaper than sums of logarithms; none gets small enough to vanish in sixteen.
  let grades = 1;
  let weights = 1;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE)
      grades *=
        (anyway[k] ?? 0) +
        (1 - (lapse[k] ?? 0)) * (nearShare(((high[k] ?? 0) - x) / s) - nearShare(((low[k] ?? 0) - x) / s));
    else {
      const r = (low[k]! - x) / s;
      if (lapse[k] === 0 || Math.abs(r) < SLIP_BEYOND) weights *= 1 + (r * r) / NU;
      else {
        const away = Math.LN10 / s;
        total += Math.log(student(r) + lapse[k]! * (student(r - away) + student(r + away)));
      }
    }
    if ((k & 15) === 15) {
      total += Math.log(grades) - ((NU + 1) / 2) * Math.log(weights);
      grades = weights = 1;
    }
  }
  return total + Math.log(grades) - ((NU + 1) / 2) * Math.log(weights);
}

/** Slope and curvature (never below 0) of each sighting's log likelihood by what the model reads. */
export function likelihoodSlopes(model: DogModel, reads: Float64Array, slope: Float64Array, bend: Float64Array): void {
  const { kind, low, high, sd, lapse, anyway } = model.log.likes;
  for (let k = 0; k < model.sightings; k++) {
    const s = sd[k] ?? 1;
    const x = reads[k] ?? 0;
    if (kind[k] === GRADE) {
      const b = ((high[k] ?? 0) - x) / s;
      const a = ((low[k] ?? 0) - x) / s;
      const heeds = 1 - (lapse[k] ?? 0);
      const p = (anyway[k] ?? 0) + heeds * Math.max(0, normalShare(b) - normalShare(a));
      const [db, bdb] = Math.abs(b) < 40 ? [normalDensity(b), b * normalDensity(b)] : [0, 0];
      const [da, ada] = Math.abs(a) < 40 ? [normalDensity(a), a * normalDensity(a)] : [0, 0];
      const first = (heeds * (da - db)) / (s * p);
      slope[k] = first;
      bend[k] = Math.max(0, first * first - (heeds * (ada - bdb)) / (s * s * p));
    } else {
      [slope[k], bend[k]] = [0, 0];
      const r = (low[k]! - x) / s;
      const slips = lapse[k]! > 0 && Math.abs(r) >= SLIP_BEYOND;
      const ways = slips ? [0, Math.LN10 / s, -Math.LN10 / s] : [0];
      // Each reading of the weight counts as far as it is likely.
      const chances = ways.map((w) => (w === 0 ? 1 : lapse[k]!) * student(r - w));
      const all = sum(chances);
      for (const [i, w] of ways.entries()) {
        const q = NU * s * s + ((r - w) * s) ** 2;
        const share = chances[i]! / all;
        slope[k]! += (share * (NU + 1) * (r - w) * s) / q;
        bend[k]! += (share * (NU + 1)) / q;
      }
    }
  }
}
