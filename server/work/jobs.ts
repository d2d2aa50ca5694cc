/** What the worker queue can do: each job by its name, with what it is given and what it comes to. */
import type { Coverage } from '../../contract/kit.ts';
import type { IntakePreview } from '../../contract/safe.ts';
import type { PlanSummary } from '../../contract/salon.ts';
import { coverage, openMethod, planVisit, type Plan, type PlanRequest } from '../../core/bench/index.ts';
import { planDay, type DayAsked, type DaySheet } from '../../core/day/index.ts';
import { err, ok, type Result } from '../../core/quantity/index.ts';
import { readBookings, type BookingTable, type ReadBookings } from '../formats/booking-table.ts';
import { readCalendar, type CalendarFile, type ReadCalendar } from '../formats/calendar-reader.ts';
import { previewClients, readClients, type ClientTable, type ReadClients } from '../formats/client-table.ts';
import { Problem } from '../problem.ts';

type CoverageAsked = Parameters<typeof coverage>[0];

export interface Jobs {
  readonly calendar: { readonly given: CalendarFile; readonly result: ReadCalendar };
  readonly bookings: { readonly given: BookingTable; readonly result: ReadBookings };
  readonly clients: { readonly given: ClientTable; readonly result: ReadClients };
  readonly clientPreview: { readonly given: ClientTable; readonly result: IntakePreview };
  readonly coverage: { readonly given: CoverageAsked; readonly result: Coverage };
  readonly sheet: { readonly given: DayAsked; readonly result: DaySheet };
  /** What each plan comes to. */
  readonly plans: { readonly given: readonly PlanRequest[]; readonly result: readonly (PlanSummary | null)[] };
}
export type JobName = keyof Jobs;

const JOBS: { readonly [K in JobName]: (given: Jobs[K]['given']) => Jobs[K]['result'] } = {
  calendar: readCalendar,
  bookings: readBookings,
  clients: readClients,
  clientPreview: previewClients,
  coverage,
  sheet: (asked) => planDay(asked),
  plans: (requests) => requests.map((request) => planSummary(planVisit(request))),
};

/** What a preview shows of a plan; null where nothing is open to the dog. */
function planSummary(plan: Plan): PlanSummary | null {
  const chosen = plan.recommended && openMethod(plan, plan.recommended.method);
  if (!chosen) return null;
  const { method, minutes, priceCents, shareLeft, skinLoad, steps } = chosen;
  const cautions = [...new Set(steps.flatMap((s) => s.cautions))].sort();
  return { method, minutes, priceCents, shareLeft, skinLoad, tools: steps.map((s) => s.tool.kind), cautions };
}

/** What a job came to, or why what it was given was refused; what can be sent between threads. */
export type JobAnswer<K extends JobName> = Result<Jobs[K]['result'], Pick<Problem, 'status' | 'field' | 'message'>>;

/** Does a job. Throws what is a fault of ours. */
export function answered<K extends JobName>(name: K, given: Jobs[K]['given']): JobAnswer<K> {
  try {
    return ok(JOBS[name](given));
  } catch (problem) {
    if (!(problem instanceof Problem)) throw problem;
    const { status, field, message } = problem;
    return err({ status, field, message });
  }
}
