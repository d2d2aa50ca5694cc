/** What the log teaches the salon: tables of estimates, each with its 80 % interval. */
import type { Estimate, HomeDay, VisitEntry } from '../core/tally/index.ts';
import type { StockMove } from '../core/water/index.ts';

export interface TallyRow {
  readonly key: string;
  readonly estimate: Estimate;
}

export interface TallyPage {
  readonly sessions: number;
  /** Minutes against plan, 1 = as planned. */
  readonly pace: {
    readonly overall: Estimate;
    readonly tools: readonly TallyRow[];
    readonly people: readonly TallyRow[];
    readonly classes: readonly TallyRow[];
    readonly zones: readonly TallyRow[];
  };
  /** Grams against plan. */
  readonly yields: {
    readonly overall: Estimate;
    readonly tools: readonly TallyRow[];
    readonly people: readonly TallyRow[];
    readonly classes: readonly TallyRow[];
    readonly zones: readonly TallyRow[];
    readonly dogs: readonly TallyRow[];
  };
  /** Steps that take longer or give less than planned, surely. */
  readonly off: readonly { readonly step: string; readonly what: 'minutes' | 'grams'; readonly estimate: Estimate }[];
}

/** What charts of the tally are drawn from: two years and a season of finished visits, and what stands beside them. */
export interface TallyLedger {
  readonly today: number;
  readonly currency: string;
  readonly entries: readonly VisitEntry[];
  readonly moves: readonly StockMove[];
  readonly home: readonly HomeDay[];
}
