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
import type { Use } from '../core/kit/index.ts';
import { sessionRecord, type SessionRecord } from '../core/table/index.ts';
import { touchOf, visitOf, type Outlook, type Sighting, type WorkedSession } from '../core/tide/index.ts';
import { gramsByStage, meanGrade, stepLessons, type StepLesson, type VisitEntry } from '../core/tally/index.ts';
import type { Stores } from './db/index.ts';
import type { CheckLine } from './db/checks.ts';
import type { SessionLine, StoredSession } from './db/sessions.ts';
import { found } from './problem.ts';

/** A working of a piece in a session. */
export interface PieceUse extends Use {
  readonly toolId: string;
}

/** What a session came to. */
export interface SessionGist {
  readonly summary: SessionSummary;
  readonly finished: boolean;
  /** The dog was bathed. */
  readonly bathed: boolean;
  readonly uses: readonly PieceUse[];
}

const MS_PER_MINUTE = 60_000;

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
    return this.put(key, as, reckon());
  }
  /** Keeps a value that was reckoned beside another. */
  put(key: string, as: string, value: V): V {
    this.known.delete(key);
    this.known.set(key, { as, value });
    if (this.known.size > this.most) for (const oldest of this.known.keys()) return (this.known.delete(oldest), value);
    return value;
  }
}

/** What the list of a dog's checks says of one. */
export type CheckGist = DogPage['checks'][number];

/** What the tide is told by a session or a check; nothing by one that is not finished, or felt nothing. */
type Told<K extends Sighting['kind']> = Extract<Sighting, { kind: K }> | undefined;

interface Minds {
  readonly checks: Mind<CheckGist>;
  readonly sessions: Mind<SessionGist>;
  /** Small, and every forecast goes through all of them: none is let go of. */
  readonly visits: Mind<Told<'visit'>>;
  readonly touches: Mind<Told<'touch'>>;
  /** What finished sessions have to teach: long, and only asked of the newest. */
  readonly lessons: Mind<readonly StepLesson[]>;
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
    visits: new Mind<Told<'visit'>>(Infinity),
    touches: new Mind<Told<'touch'>>(Infinity),
    lessons: new Mind<readonly StepLesson[]>(1_000),
    entries: new Mind<VisitEntry | undefined>(20_000),
    plans: new Mind<Plan>(400),
    outlooks: new Mind<Outlook & { readonly lastVisit: Day | undefined }>(8_000),
  };
  MINDS.set(stores, made);
  return made;
}

/** The fold of a stored session. */
export const recordOf = (stores: Stores, s: StoredSession): SessionRecord =>
  sessionRecord(stores.sessions.events(s.id), s.snapshot.plan.steps);

/** A stored session as core reads what was worked. */
export const worked = (stores: Stores, s: StoredSession): WorkedSession => ({
  day: day(s.day),
  looseG: s.snapshot.looseG,
  record: recordOf(stores, s),
});

/** What a session worked of each piece: the clock's minutes, or those written down instead. */
const usesIn = (record: SessionRecord, s: StoredSession): readonly PieceUse[] =>
  record.steps.flatMap((step): PieceUse[] => {
    const { tool } = step.plan;
    // Another kind was used in its place: which piece nobody wrote down, so the planned one rests.
    const minutes = step.did
      ? step.did.tool === tool.kind
        ? step.did.minutes
        : 0
      : step.state === 'skipped'
        ? 0
        : step.workedMs / MS_PER_MINUTE;
    return minutes > 0 ? [{ toolId: tool.id, day: day(s.day), minutes, dogId: s.dogId }] : [];
  });

interface Folded {
  readonly gist: SessionGist;
  readonly visit: Told<'visit'>;
  readonly lessons: readonly StepLesson[];
}
/** Folds a session, and keeps in mind all that comes of it, whichever of it was asked for. */
function folded(stores: Stores, { id, events }: SessionLine): Folded {
  const s = found(stores.sessions.find(id), 'session', id);
  const session = worked(stores, s);
  const { record } = session;
  const finished = record.state === 'finished';
  const gist: SessionGist = {
    finished,
    bathed: record.steps.some((step) => step.plan.phase === 'bath' && step.state === 'done'),
    uses: usesIn(record, s),
    summary: {
      id: s.id,
      day: formatDay(day(s.day)),
      method: s.method,
      state: record.state,
      minutes: Math.round(record.workedMs / MS_PER_MINUTE),
      plannedMinutes: s.snapshot.plan.minutes,
      gramsOut: record.gramsOut,
      stages: gramsByStage(record),
    },
  };
  const visit = finished ? visitOf(session) : undefined;
  const lessons = finished ? stepLessons(record, s.snapshot.reckoned) : [];
  const minds = mindsOf(stores);
  const as = String(events);
  minds.sessions.put(id, as, gist);
  minds.visits.put(id, as, visit);
  minds.lessons.put(id, as, lessons);
  return { gist, visit, lessons };
}

/** What a session came to, by a line of the ledger. */
export const gistOf = (stores: Stores, line: SessionLine): SessionGist =>
  mindsOf(stores).sessions.of(line.id, String(line.events), () => folded(stores, line).gist);

/** What a session tells of the coat's tide. */
export const sightingOf = (stores: Stores, line: SessionLine): Told<'visit'> =>
  mindsOf(stores).visits.of(line.id, String(line.events), () => folded(stores, line).visit);

/** What a session has to teach. */
export const lessonsOf = (stores: Stores, line: SessionLine): readonly StepLesson[] =>
  mindsOf(stores).lessons.of(line.id, String(line.events), () => folded(stores, line).lessons);

/** What a check felt on a coat of a class, as the tide is told it. */
export const touchIn = (stores: Stores, { id, version }: CheckLine, coatClass: CoatClass): Told<'touch'> =>
  mindsOf(stores).touches.of(id, `${version} ${coatClass}`, () => {
    const check = stores.checks.find(id);
    return check && touchOf(coatCheck(check), coatClass);
  });

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
