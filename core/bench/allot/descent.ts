/**
 * Coordinate descent over the passes in one zone. In one piece's effect the hair left is a quadratic and its cost a
 * logarithm, so the best effect of one piece, the others held, is the root of a quadratic; going round the pieces until
 * nothing moves is exact descent (block coordinate descent; Bertsekas, Nonlinear Programming, section 2.7, from memory).
 */
import { shieldFactor } from '../release.ts';
import type { Figures } from '../figures.ts';
import type { ZoneProblem } from './problem.ts';

/** What a gram, a minute and a blade minute are worth to whoever asks. */
export interface Prices {
  /** Grams that a minute must yield. */
  readonly minute: number;
  /** Grams that a blade minute must yield beside that. */
  readonly blade: number;
}

export interface ZoneAnswer {
  /** By act; 0 for water and air. */
  readonly passes: readonly number[];
  readonly leftG: number;
  readonly minutes: number;
  readonly bladeMinutes: number;
  readonly skin: number;
  readonly wear: number;
  /** Grams left, those above the target counted as they weigh, and minutes at their price. */
  readonly cost: number;
}

const MOST_SWEEPS = 9;
const STILL = 1e-3;

/** Computes what passes come to in a zone; also the only judge of a candidate. */
export function answerOf(p: ZoneProblem, passes: readonly number[], prices: Prices, f: Figures): ZoneAnswer {
  let { freeG: F, deepG: D, packedG: P } = p;
  const start = p.foundG;
  let minutes = 0;
  let bladeMinutes = 0;
  let skin = 0;
  let wear = 0;
  for (let k = 0; k < p.acts.length; k++) {
    const a = p.acts[k];
    const n = passes[k] ?? 0;
    if (!a) continue;
    const before = F + D + P;
    const e = a.hands ? 1 - Math.exp(-f.effectPerPass * n) : 1;
    const opened = P * a.open * e;
    F *= 1 - a.free * e;
    D = (D + opened) * (1 - a.deep * e);
    P -= opened;
    if (!a.hands || n === 0) continue;
    const own = n * a.minutesPerPass;
    minutes += own;
    if (a.blade) bladeMinutes += own;
    const shield = start === 0 ? 0 : (before + F + D + P) / 2 / start;
    skin += n * a.skinPerPass * shieldFactor(shield, f);
    wear += n * a.wearPerPass;
  }
  const leftG = F + D + P;
  return {
    passes,
    leftG,
    minutes,
    bladeMinutes,
    skin,
    wear,
    cost:
      leftG +
      (f.worthOfFall - 1) * Math.max(0, leftG - p.targetG) +
      prices.minute * minutes +
      prices.blade * bladeMinutes,
  };
}

/** Room for what comes after each act of a zone, and after the last; one descent at a time uses it. */
export interface Workspace {
  free: Float64Array;
  deep: Float64Array;
  packed: Float64Array;
}
/** Acts for which a workspace has room at first. */
const USUAL_ACTS = 31;
export const workspace = (acts = USUAL_ACTS): Workspace => ({
  free: new Float64Array(acts + 1),
  deep: new Float64Array(acts + 1),
  packed: new Float64Array(acts + 1),
});
function withRoom(room: Workspace, acts: number): Workspace {
  return room.free.length > acts ? room : Object.assign(room, workspace(2 * acts));
}

/** By act: 1 for those that stay at 0; undefined where all are free. */
export type Held = Uint8Array | undefined;

/**
 * Descends from passes, in place, to where no single piece's passes could be better; weight: what a gram counts,
 * strain: grams that all the skin (or topcoat) a zone bears is worth. held: by act, 1 for those that stay at 0.
 */
export function descend(
  p: ZoneProblem,
  effects: number[],
  weight: number,
  strainSkin: number,
  strainWear: number,
  prices: Prices,
  held: Held,
  room: Workspace,
  f: Figures,
): void {
  const { byAct } = p;
  const n = p.acts.length;
  const start = p.foundG;
  const { free: cF, deep: cD, packed: cP } = withRoom(room, n);
  for (let sweep = 0; sweep < MOST_SWEEPS; sweep++) {
    cF[n] = cD[n] = cP[n] = 1;
    for (let k = n - 1; k >= 0; k--) {
      const e = effects[k] ?? 0;
      const restFree = 1 - (byAct.free[k] ?? 0) * e;
      const restDeep = 1 - (byAct.deep[k] ?? 0) * e;
      const opens = (byAct.open[k] ?? 0) * e;
      const d1 = cD[k + 1] ?? 1;
      cF[k] = restFree * (cF[k + 1] ?? 1);
      cD[k] = restDeep * d1;
      cP[k] = (1 - opens) * (cP[k + 1] ?? 1) + opens * restDeep * d1;
    }
    let F = p.freeG;
    let D = p.deepG;
    let P = p.packedG;
    let moved = 0;
    for (let k = 0; k < n; k++) {
      const free = byAct.free[k] ?? 0;
      const deep = byAct.deep[k] ?? 0;
      const open = byAct.open[k] ?? 0;
      let e = effects[k] ?? 0;
      if ((byAct.minutes[k] ?? 0) > 0 && held?.[k] !== 1) {
        const d1 = cD[k + 1] ?? 1;
        const A = -F * free * (cF[k + 1] ?? 1) - D * deep * d1 + P * open * (d1 - (cP[k + 1] ?? 1));
        const B = -P * open * deep * d1;
        let perPass = (byAct.minutes[k] ?? 0) * prices.minute + (byAct.bladeMinutes[k] ?? 0) * prices.blade;
        if (strainSkin > 0) {
          const opened = P * open * e;
          const after = F * (1 - free * e) + (D + opened) * (1 - deep * e) + P - opened;
          const shield = start === 0 ? 0 : Math.min(1, (F + D + P + after) / 2 / start);
          perPass += strainSkin * (byAct.skin[k] ?? 0) * (f.bareSkin - (f.bareSkin - 1) * shield);
        }
        perPass += strainWear * (byAct.wear[k] ?? 0);
        const most = byAct.restAtFewest[k] ?? 1;
        const better = 1 - bestRest(A, B, perPass / (f.effectPerPass * weight), byAct.restAtMost[k] ?? 0, most);
        moved = Math.max(moved, Math.abs(better - e));
        effects[k] = e = better;
      }
      const opened = P * open * e;
      F *= 1 - free * e;
      D = (D + opened) * (1 - deep * e);
      P -= opened;
    }
    if (moved < STILL) return;
  }
}
/**
 * The rest x = 1 − effect that makes  A·(1−x) + B·(1−x)² − q·ln x  least between low and high.
 * A, B as in left = const + A·e + B·e² with B ≤ 0; q > 0 the cost of passes.
 */
function bestRest(A: number, B: number, q: number, low: number, high: number): number {
  const b = -A - 2 * B;
  if (b <= 0) return high;
  let x: number;
  if (B > -1e-12) x = q / b;
  else {
    const disc = b * b + 8 * B * q;
    if (disc <= 0) return high;
    x = (-b + Math.sqrt(disc)) / (4 * B);
  }
  x = Math.min(high, Math.max(low, x));
  if (x >= high) return high;
  return costOfRest(A, B, q, x) <= costOfRest(A, B, q, high) ? x : high;
}
const costOfRest = (A: number, B: number, q: number, x: number): number =>
  A * (1 - x) + B * (1 - x) * (1 - x) - q * Math.log(x);

export function passesFrom(p: ZoneProblem, effects: number[], f: Figures): number[] {
  const passes: number[] = [];
  for (let k = 0; k < p.acts.length; k++) {
    passes.push(p.acts[k]?.hands ? -Math.log(Math.max(1e-12, 1 - (effects[k] ?? 0))) / f.effectPerPass : 0);
  }
  return passes;
}

export function effectsFrom(p: ZoneProblem, passes: readonly number[], f: Figures): number[] {
  const effects: number[] = [];
  for (let k = 0; k < p.acts.length; k++) {
    effects.push(p.acts[k]?.hands ? 1 - Math.exp(-f.effectPerPass * (passes[k] ?? 0)) : 1);
  }
  return effects;
}
