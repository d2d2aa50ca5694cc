/** What a plan is: values only, so that it can be kept with the session that was worked from it. */
import type { Interval80 } from '../quantity/index.ts';
import type { ClipOrder, DogTrait, ZoneId } from '../dog/index.ts';
import type { Stops, TieGrade, ZoneCondition } from '../check/index.ts';
import type { Chosen, StandIn, ToolKind, Wetness } from '../kit/index.ts';
import type { MethodId, PhaseId } from './methods.ts';

/** What is done about a tie before any water. */
export type TieWay = 'work-out' | 'split' | 'clip' | 'leave';

export interface TieDecision {
  readonly zone: ZoneId;
  readonly tie: TieGrade;
  readonly way: TieWay;
  /** The piece that does it. */
  readonly tool?: string | undefined;
  readonly minutes: number;
  /** What decided: the house's way, the tie itself, a vet's order, the ceiling on dematting, or that nothing in the room may do it. */
  readonly because: 'house' | 'only-way' | 'ceiling' | 'ordered' | 'nothing-may';
  /** Whom a tie is left to. */
  readonly leftTo?: 'vet' | 'trained-hand' | 'breeder' | undefined;
}

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

/** What a method comes to: today's visit, and the visits after it that the same work takes where one does not hold it. */
export interface MethodPlan {
  readonly method: MethodId;
  readonly steps: readonly PlanStep[];
  /** Minutes on the clock of today's visit: what its steps add up to. */
  readonly minutes: number;
  /** Whole minutes of one person's work in it: the clock, or more where two work. The price follows them. */
  readonly workMinutes: number;
  readonly gramsOut: number;
  /** Share of the loose coat left at its end, 0..1. */
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
  /** The visits after today's, where the work takes several. */
  readonly later: readonly LaterVisit[];
  /** Days between two of its visits. */
  readonly gapDays?: { readonly least: number; readonly most: number } | undefined;
  /** Zones that may be worked and that no visit comes to. */
  readonly left: readonly LeftZone[];
  readonly score: number;
}

/** A plan as it was kept with a session: visits, left zones and minutes of work are absent in those kept before there were any. */
export type KeptPlan = Omit<MethodPlan, 'workMinutes' | 'later' | 'left'> &
  Partial<Pick<MethodPlan, 'workMinutes' | 'later' | 'left'>>;

export interface LaterVisit {
  readonly steps: readonly PlanStep[];
  readonly minutes: number;
  readonly priceCents: number;
  readonly gramsOut: number;
  /** Share of the loose coat, as it was found before the first visit, left after this one. */
  readonly shareLeft: number;
}

/** A zone that is not worked: its tie is for somebody else, or the visits do not hold it. */
export type LeftZone =
  | { readonly zone: ZoneId; readonly why: 'tie'; readonly leftTo: TieDecision['leftTo'] }
  | { readonly zone: ZoneId; readonly why: 'not-held' };

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
  /** No dryer of the kit may dry these zones of this dog; what a towel and a warm room would take. */
  | {
      readonly code: 'no-dryer-may';
      readonly refused: readonly { readonly name: string; readonly rule: string }[];
      readonly zones: readonly ZoneId[];
      readonly roomHours: number;
    }
  | { readonly code: 'for-clean-coats' }
  | { readonly code: 'nothing-to-work-with' }
  /** A last resort, where other methods are open. */
  | { readonly code: 'not-needed' }
  /** Even with the least of hand work it takes longer than there is time. */
  | { readonly code: 'needs-minutes'; readonly minutes: number; readonly most: number }
  | { readonly code: 'needs-tool'; readonly phase: PhaseId }
  | { readonly code: 'ties-unsettled'; readonly zones: readonly ZoneId[] };

/** A measured difference between two methods. */
export interface Comparison {
  readonly measure: 'hair-left' | 'minutes' | 'skin' | 'dryer' | 'dust' | 'visits';
  readonly value: number;
  readonly than: number;
}

export type MethodOutcome =
  | ({ readonly kind: 'open'; readonly against: readonly Comparison[] } & MethodPlan)
  | { readonly kind: 'ruled-out'; readonly method: MethodId; readonly why: MethodRuling };

/** Remarks on the whole visit. */
export type PlanNote =
  /** The comb falls through already: a bath, or nothing. */
  | { readonly code: 'clean' }
  | { readonly code: 'over-visits'; readonly visits: number; readonly bears: number }
  /** Zones are clipped by order of a vet, or for a surgery. */
  | { readonly code: 'clip-ordered'; readonly order: ClipOrder }
  /** Flakes, or a coat that is dull with them: what clears it, and what is for a vet. */
  | { readonly code: 'flaking' }
  /** Regrowth after the clipper. */
  | { readonly code: 'clipped-before' }
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
  /** What is done about each tie. */
  readonly ties: readonly TieDecision[];
  /** What is done today where there is no groom. */
  readonly instead?: Instead | undefined;
}

export type Instead =
  /** Parasites are the whole dog's matter. */
  | { readonly code: 'isolate' }
  | { readonly code: 'vet-first' }
  | { readonly code: 'nothing-needed' }
  | { readonly code: 'no-tools' };

/** The open outcome of a method in a plan, if it is open. */
export function openMethod(plan: Plan, id: string): Extract<MethodOutcome, { kind: 'open' }> | undefined {
  for (const m of plan.methods) if (m.kind === 'open' && m.method === id) return m;
  return undefined;
}
