/**
 * Decides what is kept in mind of sessions and coats between two questions: folding a session takes a millisecond, and a
 * salon has a hundred thousand. What is kept is known by the facts it was reckoned from, so that it can never be stale.
 */
import { createHash } from 'node:crypto';
import { coatCheck } from '../contract/check-facts.ts';
import type { DogPage, SessionSummary } from '../contract/dog.ts';
import { planVisit, type Plan, type PlanRequest } from '../core/bench/index.ts';
import { zoneConditions } from '../core/check/index.ts';
import { coatRow, type CoatClass } from '../core/dog/index.ts';
import { day, formatDay, type Day } from '../core/quantity/index.ts';
import type { SessionRecord } from '../core/table/index.ts';
import type { Outlook } from '../core/tide/index.ts';
import { gramsByStage, meanGrade, type VisitEntry } from '../core/tally/index.ts';
import type { Stores } from './db/index.ts';
import type { CheckLine } from './db/checks.ts';
import type { SessionLine, StoredSession } from './db/sessions.ts';
import { found } from './problem.ts';

/** What a session came to. */
export interface SessionGist {
  readonly summary: SessionSummary;
  readonly finished: boolean;
  /** The dog was bathed. */
  readonly bathed: boolean;
}

/** Values that were reckoned, the newest asked for first to stay. */
class Mind<V> {
  private readonly known = new Map<string, { readonly as: string; readonly value: V }>();
  constructor(private readonly most: number) {}
  /** The value of a key that was reckoned from just these facts; reckons it otherwise. */
  of(key: string, as: string, reckon: () => V): V {
    const before = this.known.get(key);
    if (before?.as === as) {
      this.known.delete(key);
      this.known.set(key, before);
      return before.value;
    }
    const value = reckon();
    this.known.delete(key);
    this.known.set(key, { as, value });
    if (this.known.size > this.most) for (const oldest of this.known.keys()) return (this.known.delete(oldest), value);
    return value;
  }
}

/** What the list of a dog's checks says of one. */
export type CheckGist = DogPage['checks'][number];

interface Minds {
  readonly checks: Mind<CheckGist>;
  readonly sessions: Mind<SessionGist>;
  /** Entries of the tally; none for a session that is not finished. */
  readonly entries: Mind<VisitEntry | undefined>;
  readonly plans: Mind<Plan>;
  readonly outlooks: Mind<Outlook & { readonly lastVisit: Day | undefined }>;
}
const MINDS = new WeakMap<Stores, Minds>();
/** What is kept in mind of one file. */
export function mindsOf(stores: Stores): Minds {
  const known = MINDS.get(stores);
  if (known) return known;
  const made = {
    checks: new Mind<CheckGist>(50_000),
    sessions: new Mind<SessionGist>(50_000),
    entries: new Mind<VisitEntry | undefined>(20_000),
    plans: new Mind<Plan>(400),
    outlooks: new Mind<Outlook & { readonly lastVisit: Day | undefined }>(8_000),
  };
  MINDS.set(stores, made);
  return made;
}

/** What a session came to, by a line of the ledger and a fold of what is stored. */
export function gistOf(stores: Stores, line: SessionLine, fold: (s: StoredSession) => SessionRecord): SessionGist {
  return mindsOf(stores).sessions.of(line.id, String(line.events), () => {
    const s = found(stores.sessions.find(line.id), 'session', line.id);
    const record = fold(s);
    return {
      finished: record.state === 'finished',
      bathed: record.steps.some((step) => step.plan.phase === 'bath' && step.state === 'done'),
      summary: {
        id: s.id,
        day: formatDay(day(s.day)),
        method: s.method,
        state: record.state,
        minutes: Math.round(record.workedMs / 60_000),
        plannedMinutes: s.snapshot.plan.minutes,
        gramsOut: record.gramsOut,
        stages: gramsByStage(record),
      },
    };
  });
}

/** What a check came to on a coat of a class, by a line of its ledger. */
export function checkGistOf(stores: Stores, line: CheckLine, coatClass: CoatClass): CheckGist {
  return mindsOf(stores).checks.of(line.id, `${line.version} ${coatClass}`, () => {
    const c = found(stores.checks.find(line.id), 'check', line.id);
    const meanOf = meanGrade(zoneConditions(coatCheck(c), coatRow(coatClass)));
    return { id: c.id, day: c.day, weightKg: c.weightKg, meanGrade: meanOf };
  });
}

/** The plan of a request about a check; a page, a sheet and a date ask for the same one after another. */
export function plannedFor(stores: Stores, checkId: string, request: PlanRequest): Plan {
  const facts = createHash('sha256').update(JSON.stringify(request)).digest('base64');
  return mindsOf(stores).plans.of(checkId, facts, () => planVisit(request));
}
