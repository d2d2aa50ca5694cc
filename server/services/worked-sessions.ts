/**
 * What sessions and checks came to, folded from their log once: folding a session takes a millisecond, and a salon has a
 * hundred thousand.
 */
import { createHash } from 'node:crypto';
import { coatCheck } from '../../contract/check-facts.ts';
import { careIn, planVisit, type Plan, type PlanRequest } from '../../core/bench/index.ts';
import { zoneConditions } from '../../core/check/index.ts';
import { coatRow, type CoatClass } from '../../core/dog/index.ts';
import { day, formatDay } from '../../core/quantity/index.ts';
import { sessionRecord, type SessionRecord } from '../../core/table/index.ts';
import { touchOf, visitOf, type WorkedSession } from '../../core/tide/index.ts';
import { gramsByStage, meanGrade, stepLessons, type StepLesson } from '../../core/tally/index.ts';
import type { Stores } from '../db/index.ts';
import type { CheckLine } from '../db/checks.ts';
import type { SessionLine, StoredSession } from '../db/sessions.ts';
import type { AppContext, CheckSummary, PieceUse, Seen, SessionResult } from '../context.ts';
import { found } from '../problem.ts';

const MS_PER_MINUTE = 60_000;
const MS_PER_DAY = 86_400_000;
/** Only the newest sessions are asked what they have to teach: of older ones it is folded again when it is wanted. */
const TAUGHT_DAYS = 120;

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
  readonly result: SessionResult;
  readonly visit: Seen<'visit'>;
  readonly lessons: readonly StepLesson[];
}
/** Folds a session, and remembers all that comes of it, whichever of it was asked for. */
function folded(context: AppContext, { id, events }: SessionLine): Folded {
  const { stores, memos } = context;
  const s = found(stores.sessions.find(id), 'session', id);
  const session = worked(stores, s);
  const { record } = session;
  const finished = record.state === 'finished';
  const result: SessionResult = {
    finished,
    bathed: record.steps.some((step) => step.plan.phase === 'bath' && step.state === 'done'),
    care: careIn(record.steps.filter((step) => step.state === 'done').map((step) => step.plan)),
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
  const facts = String(events);
  memos.sessions.put(id, facts, result);
  memos.visits.put(id, facts, visit);
  if (context.nowMs() / MS_PER_DAY - s.day < TAUGHT_DAYS) memos.lessons.put(id, facts, lessons);
  return { result, visit, lessons };
}

/** What a session came to, by a line of the ledger. */
export const sessionResult = (context: AppContext, line: SessionLine): SessionResult =>
  context.memos.sessions.of(line.id, String(line.events), () => folded(context, line).result);

/** What a session tells of the coat's tide. */
export const visitSeen = (context: AppContext, line: SessionLine): Seen<'visit'> =>
  context.memos.visits.of(line.id, String(line.events), () => folded(context, line).visit);

/** What a session has to teach. */
export const lessonsOf = (context: AppContext, line: SessionLine): readonly StepLesson[] =>
  context.memos.lessons.of(line.id, String(line.events), () => folded(context, line).lessons);

/** What a check felt on a coat of a class, as the tide is told it. */
export const touchSeen = (
  { stores, memos }: AppContext,
  { id, version }: CheckLine,
  coatClass: CoatClass,
): Seen<'touch'> =>
  memos.touches.of(id, `${version} ${coatClass}`, () => {
    const check = stores.checks.find(id);
    return check && touchOf(coatCheck(check), coatClass);
  });

/** What a check came to on a coat of a class, by a line of its ledger. */
export const checkSummary = ({ stores, memos }: AppContext, line: CheckLine, coatClass: CoatClass): CheckSummary =>
  memos.checks.of(line.id, `${line.version} ${coatClass}`, () => {
    const c = found(stores.checks.find(line.id), 'check', line.id);
    const meanOf = meanGrade(zoneConditions(coatCheck(c), coatRow(coatClass)));
    return { id: c.id, day: c.day, weightKg: c.weightKg, meanGrade: meanOf };
  });

/** The plan of a request about a check; a page, a sheet and a date ask for the same one after another. */
export function plannedFor({ memos }: AppContext, checkId: string, request: PlanRequest): Plan {
  const facts = createHash('sha256').update(JSON.stringify(request)).digest('base64');
  return memos.plans.of(checkId, facts, () => planVisit(request));
}
