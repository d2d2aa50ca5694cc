/** What a plan is: values only, so that it can be kept with the session that was worked from it. */
import type { Interval80 } from '../quantity/index.ts';
import type { DogTrait, ZoneId } from '../dog/index.ts';
import type { Stops, ZoneCondition } from '../check/index.ts';
import type { Chosen, StandIn, ToolKind, Wetness } from '../kit/index.ts';
import type { MethodId, PhaseId } from './methods.ts';

export interface PlanZoneWork {
  readonly zone: ZoneId;
  readonly minutes: number;
  readonly passes: number;
}

export interface PlanStep {
  /** Stable within a plan: phase and tool. */
  readonly id: string;
  readonly phase: PhaseId;
  readonly tool: { readonly id: string; readonly kind: ToolKind; readonly name: string };
  /** In working order. */
  readonly zones: readonly PlanZoneWork[];
  readonly wetness: Wetness;
  /** Whole minutes, at least 1. */
  readonly minutes: number;
  /** Grams expected out in this step. */
  readonly gramsOut: number;
  /** Share of the dog's loose coat expected to be left after it, 0..1. */
  readonly shareLeft: number;
  /** Rule ids of the cautions that stand beside it, most specific first. */
  readonly cautions: readonly string[];
  /** Why this tool: the runner-up it beat and the measures of both. */
  readonly chosen: ToolChoice;
}

export interface ToolChoice {
  readonly fit: number;
  readonly reach: number;
  readonly beat?: { readonly kind: ToolKind; readonly fit: number; readonly reach: number } | undefined;
  /** The measure that decided; absent in plans kept before there was one. */
  readonly because?: Chosen['because'] | undefined;
  /** Rule that prefers it here. */
  readonly preferred?: string | undefined;
  /** What it stands in for, and what the kind stood in for would have moved against what it moves. */
  readonly standsIn?: (StandIn & { readonly ownYield: number }) | undefined;
  /** Rules that ruled other pieces of the kit out in the largest zone of the step. */
  readonly ruledOut: readonly { readonly kind: ToolKind; readonly rule: string }[];
}

export interface MethodPlan {
  readonly method: MethodId;
  readonly steps: readonly PlanStep[];
  readonly minutes: number;
  readonly gramsOut: number;
  /** Share of the loose coat left at the end, 0..1. */
  readonly shareLeft: number;
  /** Largest skin load of any zone as a share of what it bears, 0..1. */
  readonly skinLoad: number;
  /** Largest topcoat wear of any zone as a share of what this coat bears, 0..1. */
  readonly wear: number;
  /** Minutes of force dryer. */
  readonly dryerMinutes: number;
  /** Grams that fly as dry dust and hair into the room. */
  readonly dustG: number;
  readonly priceCents: number;
  /** Minutes for which the dog stands. */
  readonly standingMinutes: number;
  /** Share of the workable surface over which the comb falls through at the end, 0..1, and where it does not. */
  readonly falls: number;
  readonly notFalling: readonly ZoneId[];
  /** Grams a minute below which hand work stopped. */
  readonly stopYield: number;
  /** How far the minutes are from the best that any could be, as a share of the hair out, at most. */
  readonly gap: number;
  /** What cut the work short of what the coat asks, where something did. */
  readonly cut?: { readonly fullMinutes: number; readonly for: 'time' | 'dog' } | undefined;
  readonly bands: Bands;
  readonly score: number;
}

export interface Bands {
  readonly minutes: Interval80;
  readonly gramsOut: Interval80;
  readonly priceCents: Interval80;
}

/** Why a method is not open to this dog today. */
export type MethodRuling =
  | { readonly code: 'not-for-class' }
  | { readonly code: 'for-traits'; readonly traits: readonly DogTrait[] }
  | { readonly code: 'nothing-tied' }
  | { readonly code: 'for-outdoor-dogs' }
  | { readonly code: 'needs-force-dryer' }
  | { readonly code: 'needs-dryer' }
  /** Even with the least of hand work it takes longer than there is time. */
  | { readonly code: 'needs-minutes'; readonly minutes: number; readonly most: number }
  | { readonly code: 'needs-tool'; readonly phase: PhaseId }
  | { readonly code: 'ties-unsettled'; readonly zones: readonly ZoneId[] };

/** A measured difference between two methods. */
export interface Comparison {
  readonly measure: 'hair-left' | 'minutes' | 'skin' | 'dryer' | 'dust' | 'standing';
  readonly value: number;
  readonly than: number;
}

export type MethodOutcome =
  | ({ readonly kind: 'open'; readonly against: readonly Comparison[] } & MethodPlan)
  | { readonly kind: 'ruled-out'; readonly method: MethodId; readonly why: MethodRuling };

/** Remarks on the whole visit. */
export type PlanNote =
  | { readonly code: 'over-standing'; readonly minutes: number; readonly bears: number }
  | { readonly code: 'cut-short'; readonly full: number; readonly minutes: number; readonly for: 'time' | 'dog' }
  | { readonly code: 'zones-assumed'; readonly zones: number }
  | { readonly code: 'blade-capped'; readonly minutes: number }
  | { readonly code: 'bathed-lately'; readonly days: number; readonly gap: number };

export interface Plan {
  /** Why there is no groom at all today, or which zones are left alone. */
  readonly stops: Stops;
  readonly conditions: readonly ZoneCondition[];
  readonly surfaceM2: number;
  /** Loose undercoat before work, grams, and its 80 % band. */
  readonly looseG: Interval80;
  readonly methods: readonly MethodOutcome[];
  readonly recommended:
    | {
        readonly method: MethodId;
        readonly runnerUp?: MethodId | undefined;
        readonly because: readonly Comparison[];
      }
    | undefined;
  readonly notes: readonly PlanNote[];
}
