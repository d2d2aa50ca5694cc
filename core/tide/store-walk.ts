/**
 * The walk of the store: grams in a coat on given days, from what is set free, what fades and what is taken out.
 *
 * The only place that knows how a coat fills and empties; logs, forecasts and plans of a year are programs of days for it.
 * Release is a baseline and pulses; a share `loss` of what stands goes each day; visits and bouts take shares. That is
 * linear, so the store is the sum of what came from each source, each a closed form between two days (pulse.ts). What is given
 * first and fades later is walked as one with all else that only fades: `settle` comes last.
 */
import { isOver, LENGTH_IN_SCALES, NEAR_EQUAL, pulseHeld } from './pulse.ts';

/** Days on which a coat is looked at or worked, in order; several steps may share a day. Row k is step k. */
export interface StoreProgram {
  /** The end of this day is where the walk begins. */
  readonly from: number;
  readonly days: Float64Array;
  /** Baseline release since the step before, against the usual. */
  readonly base: Float64Array;
  /** Share of the store that a visit takes at the step, after it was looked at. */
  readonly takes: Float64Array;
  /** Bouts at home at the step, after the visit; a part of one is an expected one. */
  readonly bouts: Float64Array;
  /** A step at which more or less is found than came and went: what stands is lifted there. */
  readonly liftAt?: number | undefined;
}

/** Grams a pulse sets free, from its onset on; 95 % of them within lengthDays. */
export interface ReleasePulse {
  readonly onset: number;
  readonly lengthDays: number;
  readonly grams: number;
}

/** Days between two steps from which on the share that stands is computed for each by itself. */
const LONG_GAP = 40;

/** A walk over one program, with its own working room: one at a time uses it. */
export class StoreWalk {
  /** Share of what stood at the step before that still stands at a step, and share that a step leaves. */
  private readonly keep: Float64Array;
  private readonly left: Float64Array;
  /** What gives no more joins here before a step: from then on it only fades, whatever it came from. */
  private readonly rest: Float64Array;
  /** Share that still stands after so many whole days. */
  private readonly keepOver = new Float64Array(LONG_GAP).fill(1);
  private loss = 0;
  constructor(private readonly program: StoreProgram) {
    this.keep = new Float64Array(program.days.length);
    this.left = new Float64Array(program.days.length);
    this.rest = new Float64Array(program.days.length + 1);
  }

  /** How the store fades from now on: the share that goes each day, above 0, and the share that a bout takes; and its lift, a factor. */
  fade(loss: number, bout: number, lift = 1): void {
    const { days, takes, bouts, from, liftAt } = this.program;
    this.loss = loss;
    const { keepOver } = this;
    const overnight = Math.exp(-loss);
    for (let gap = 1; gap < keepOver.length; gap++) keepOver[gap] = keepOver[gap - 1]! * overnight;
    let before = from;
    const once = 1 - bout;
    // Bouts are mostly none, one, or as many as at the step before: few powers are taken.
    let [many, brushed] = [0, 1];
    for (let k = 0; k < days.length; k++) {
      const gap = days[k]! - before;
      this.keep[k] = keepOver[gap] ?? Math.exp(-loss * gap);
      before = days[k]!;
      const n = bouts[k]!;
      if (n !== many) brushed = n === 0 ? 1 : n === 1 ? once : once ** n;
      many = n;
      this.left[k] = (1 - takes[k]!) * brushed;
    }
    if (liftAt !== undefined) this.left[liftAt]! *= lift;
  }

  /** Share of what stands at a step that its visit and bouts leave. */
  leaves(step: number): number {
    return this.left[step]!;
  }

  /** Begins with so many grams: `settle` adds what stands of them. */
  addStart(grams: number): void {
    this.rest[0]! += grams;
  }

  /**
   * Adds to each step what stands of one pulse for as long as it gives; `settle` adds the rest. What it set free before the
   * walk began is not in it. To `released`: what it set free since the step before.
   */
  addPulse({ onset, lengthDays, grams }: ReleasePulse, into: Float64Array, released?: Float64Array): void {
    const { days, from } = this.program;
    const { keep, left, rest, loss } = this;
    const scale = lengthDays / LENGTH_IN_SCALES;
    const a = 1 - loss * scale;
    // The closed form of pulseHeld, the same factors for every step; near 0 it cancels.
    const closed = Math.abs(a) > NEAR_EQUAL ? grams / (a * a) : NaN;
    let x1 = Math.max(0, (from - onset) / scale);
    let out1 = Math.exp(-x1);
    let [part, before] = [0, from];
    let [step, shrinks] = [NaN, 1];
    let k = firstAfter(days, onset);
    for (; k < into.length && !isOver(x1); k++) {
      part *= keep[k]!;
      const on = days[k]!;
      if (on > before) {
        const isFirst = before < onset;
        const gap = isFirst ? on - onset : on - before;
        // Steps are mostly as far apart as the ones before: one exponential serves them all.
        if (gap !== step) {
          step = gap;
          shrinks = Math.exp(-gap / scale);
        }
        const x2 = x1 + gap / scale;
        const out2 = out1 * shrinks;
        const kept = isFirst ? Math.exp(-loss * gap) : keep[k]!;
        part += !Number.isNaN(closed)
          ? closed * ((1 + a * x1) * kept * out1 - (1 + a * x2) * out2)
          : grams * pulseHeld(x1, x2, out1, out2, kept, loss * scale);
        if (released) released[k]! += grams * ((1 + x1) * out1 - (1 + x2) * out2);
        x1 = x2;
        out1 = out2;
      }
      before = on;
      into[k]! += part;
      part *= left[k]!;
    }
    rest[k]! += part;
  }

  /** Adds to each step the baseline, in grams a day, and all that only fades. Returns what the last step leaves of the whole. */
  settle(gramsPerDay: number, into: Float64Array, released?: Float64Array): number {
    const { days, base, from } = this.program;
    const { keep, left, rest, loss } = this;
    let part = 0;
    let before = from;
    for (let k = 0; k < into.length; k++) {
      const perDay = gramsPerDay * base[k]!;
      part = (part + rest[k]!) * keep[k]! + (perDay * (1 - keep[k]!)) / loss;
      if (released) released[k]! += perDay * (days[k]! - before);
      before = days[k]!;
      into[k]! += part;
      part *= left[k]!;
    }
    part += rest[into.length]!;
    rest.fill(0);
    return part;
  }
}

/** The first step after a day. */
function firstAfter(days: Float64Array, on: number): number {
  let [low, high] = [0, days.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (days[middle]! > on) high = middle;
    else low = middle + 1;
  }
  return low;
}
