/**
 * What it costs to let a coat wait from one visit to the next: minutes at the table, hair at home, packing.
 *
 * A coat is linear: what stands in it fades by a share a day, and release comes on top. So the grams on any day follow from
 * the day of the last visit alone, given what that visit left. Costs are in minutes of salon work.
 */
import { minutesAtLoad } from '../tide/index.ts';

/** A coat's year ahead. Index i of a row is the end of day i; day 0 is today. */
export interface CoatYear {
  /** Grams in the coat today, and those of a full one. */
  readonly storeG: number;
  readonly fullG: number;
  /** Share of what stands that still stands a day later; of what leaves by itself, the share that falls at home. */
  readonly keep: number;
  readonly fallShare: number;
  /** Share of what stands that a visit takes. */
  readonly takes: number;
  /** Grams that release alone would have put into an empty coat: one row a scenario of the tide, the likely one in the middle. */
  readonly grown: readonly Float64Array[];
  /** Minutes of a visit at each of the tide's MINUTE_LOADS. */
  readonly minutesAt: readonly number[];
}

/** Weights of one scenario, and of a low, a likely and a high one (10, 50 and 90 %): their mean by Swanson's rule. */
export const SCENARIO_WEIGHTS: Readonly<Record<number, readonly number[]>> = { 1: [1], 3: [0.3, 0.4, 0.3] };

/** What things are worth in minutes of work. Guesses: a house sets its own. */
export interface Worth {
  /** Each visit, whatever is done: welcome, room, clearing, the owner's way. */
  readonly visit: number;
  /** A gram that falls on the owner's floor. */
  readonly homeGram: number;
  /** A day on which the coat stands a whole load above PACKS_ABOVE: it packs, and skin under it does not dry. */
  readonly packedDay: number;
  /** A day beyond the longest interval, squared. */
  readonly lateDay: number;
  /** Of the next visit: a day beyond that on which every room says it is due, and one before it, squared. */
  readonly overdueDay: number;
  readonly earlyDay: number;
}
export const WORTH: Worth = { visit: 10, homeGram: 0.1, packedDay: 6, lateDay: 0.5, overdueDay: 1, earlyDay: 0.05 };
/** Load above which undercoat begins to pack. Guess. */
export const PACKS_ABOVE = 0.6;

/** Steps of the table that minutes are read from, up to a load of MOST_LOAD. */
const STEPS = 120;
const MOST_LOAD = 1.2;

/** One coat between visits: begun at the end of a day with what the visit left, then asked for later days. */
export class CoatWalk {
  /** What a day adds to the likely store, and the minutes of a visit by load. */
  private readonly adds: Float64Array;
  private readonly table: Float64Array;
  private readonly faded: Float64Array;
  private readonly likely: Float64Array;
  private readonly weights: readonly number[];
  private began = 0;
  private left = 0;
  private day = 0;
  private stands = 0;
  private lost = 0;
  private packs = 0;

  constructor(private readonly coat: CoatYear) {
    const { grown, keep, minutesAt } = coat;
    const weights = SCENARIO_WEIGHTS[grown.length];
    const likely = grown[grown.length >> 1];
    if (!weights || !likely) throw new RangeError(`a coat's year has 1 or 3 scenarios, not ${grown.length}`);
    this.weights = weights;
    this.likely = likely;
    this.adds = new Float64Array(likely.length);
    this.faded = new Float64Array(likely.length);
    this.faded[0] = 1;
    for (let d = 1; d < likely.length; d++) {
      this.adds[d] = (likely[d] ?? 0) - keep * (likely[d - 1] ?? 0);
      this.faded[d] = keep * (this.faded[d - 1] ?? 0);
    }
    this.table = Float64Array.from({ length: STEPS + 2 }, (_, i) => minutesAtLoad(minutesAt, (i * MOST_LOAD) / STEPS));
  }

  /** Begins at the end of a day with so many grams in the coat. */
  begin(day: number, grams: number): void {
    this.began = day;
    this.day = day;
    this.left = grams;
    this.stands = grams;
    this.lost = 0;
    this.packs = 0;
  }

  /** Through the end of a later day. */
  walkTo(day: number): void {
    const { keep, fullG } = this.coat;
    const { adds } = this;
    const packed = PACKS_ABOVE * fullG;
    let { stands, lost, packs } = this;
    for (let d = this.day + 1; d <= day; d++) {
      lost += stands * (1 - keep);
      stands = stands * keep + (adds[d] ?? 0);
      if (stands > packed) packs += stands - packed;
    }
    this.stands = stands;
    this.lost = lost;
    this.packs = packs;
    this.day = day;
  }

  /** Likely grams that stand. */
  get grams(): number {
    return this.stands;
  }
  /** Likely grams that have fallen at home since it began. */
  get fellG(): number {
    return this.lost * this.coat.fallShare;
  }
  /** Days above PACKS_ABOVE since it began, each by how far. */
  get packedDays(): number {
    return this.packs / this.coat.fullG;
  }

  /** Expected minutes of a visit on the day it has come to, over the scenarios. */
  minutes(): number {
    return this.minutesOn(this.day, this.stands);
  }

  private minutesOn(day: number, stands: number): number {
    const { table, weights, began, left, likely } = this;
    const { grown, fullG } = this.coat;
    const scale = STEPS / MOST_LOAD / fullG;
    const many = grown.length;
    const fade = many === 1 ? 0 : (this.faded[day - began] ?? 0);
    let m = 0;
    for (let k = 0; k < many; k++) {
      const row = grown[k] ?? likely;
      const store = row === likely ? stands : fade * (left - (row[began] ?? 0)) + (row[day] ?? 0);
      const at = Math.min(STEPS, Math.max(0, store * scale));
      const i = at | 0;
      const low = table[i] ?? 0;
      m += (weights[k] ?? 0) * (low + (at - i) * ((table[i + 1] ?? low) - low));
    }
    return m;
  }

  /**
   * Adds to rows what visits on the days of some nodes take and cost, each as the first after the beginning; the walk ends at
   * the last of them. Element i of a row is node first + i.
   */
  addVisits(day: Int32Array, first: number, count: number, minutes: Row, cost: Row, at: number, worth: Worth): void {
    const { keep, fullG, fallShare } = this.coat;
    const { adds } = this;
    const packed = PACKS_ABOVE * fullG;
    const perLost = worth.homeGram * fallShare * (1 - keep);
    const perPacked = worth.packedDay / fullG;
    let { stands, day: d } = this;
    let bears = perLost * (this.lost / (1 - keep)) + perPacked * this.packs;
    let [stood, packs] = [0, 0];
    for (let i = 0; i < count; i++) {
      const x = day[first + i] ?? 0;
      while (d < x) {
        d++;
        stood += stands;
        stands = stands * keep + (adds[d] ?? 0);
        if (stands > packed) packs += stands - packed;
      }
      bears += perLost * stood + perPacked * packs;
      this.lost += stood * (1 - keep);
      this.packs += packs;
      stood = 0;
      packs = 0;
      const m = this.minutesOn(x, stands);
      minutes[at + i] = (minutes[at + i] ?? 0) + m;
      cost[at + i] = (cost[at + i] ?? 0) + m + bears;
    }
    this.stands = stands;
    this.day = d;
  }
}

/** Room for the steps of a dog. */
export type Row = Float32Array | Float64Array;

/** Grams left by a visit on day w of a coat that comes every so many days: where such visits settle. */
export function restOf(coat: CoatYear, w: number, everyDays: number): number {
  const row = coat.grown[coat.grown.length >> 1];
  const left = 1 - coat.takes;
  const since = w - everyDays;
  if (since < 0) return left * Math.max(0, (row?.[w] ?? 0) + coat.keep ** w * coat.storeG);
  const fade = coat.keep ** everyDays;
  const came = Math.max(0, (row?.[w] ?? 0) - fade * (row?.[since] ?? 0));
  return (left * came) / (1 - left * fade);
}
