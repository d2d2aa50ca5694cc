/** Draws of different dogs belong together as far as the town explains what each does not know: a Gaussian copula. */
import { clamp, normalQuantile, randomNormal, seededRandom, type Day } from '../quantity/index.ts';
import { evenDraws } from './ahead.ts';
import { GLOBALS } from './dog-model.ts';
import type { Fit } from './fit.ts';
import type { Town } from './town.ts';

/** Draws that stand for a dog, and for the sea. */
export const SCENARIOS = 60;

/** The season that starts next for a fit: its place among the sheds. */
function nextShed(fit: Fit, asOf: Day): number {
  return fit.model.sheds.findIndex((s) => s.usual + 20 > asOf && s.tide !== 'life');
}

/**
 * Draws of a dog in an order that goes with the town's: the k-th draws of all dogs share a late or an early season as far
 * as the town explains what each does not know (a Gaussian copula).
 */
export function drawsInStep(fit: Fit, town: Town, asOf: Day, stream: number): Int32Array {
  const draws = evenDraws(fit, SCENARIOS);
  const i = nextShed(fit, asOf);
  const shed = fit.model.sheds[i];
  if (!shed) return draws;
  const at = GLOBALS.length + i;
  const startOf = (r: number): number => fit.draws[r * fit.model.size + at] ?? 0;
  const sorted = Array.from(draws).sort((a, b) => startOf(a) - startOf(b));
  const mean = sorted.reduce((t, r) => t + startOf(r), 0) / sorted.length;
  const own = sorted.reduce((t, r) => t + (startOf(r) - mean) ** 2, 0) / sorted.length;
  const shared = town.shifts.find((s) => s.key === shed.key)?.sd ?? 0;
  const together = clamp(shared ** 2 / Math.max(own, 1e-6), 0, 1);
  const random = seededRandom(stream);
  const wanted = Array.from({ length: SCENARIOS }, (_, k) => {
    const z = normalQuantile((k + 0.5) / SCENARIOS);
    return { k, z: Math.sqrt(together) * z + Math.sqrt(1 - together) * randomNormal(random, 0, 1) };
  }).sort((a, b) => a.z - b.z);
  const placed = new Int32Array(SCENARIOS);
  for (const [rank, { k }] of wanted.entries()) placed[k] = sorted[rank] ?? 0;
  return placed;
}
