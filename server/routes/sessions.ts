/** /api/sessions: a plan picked up and worked, as an append-only list of events. */
import type { Router } from 'express';
import type { CheckRecord } from '../../contract/check.ts';
import type { SessionDraft, SessionListItem, SessionLog, SessionPage } from '../../contract/session.ts';
import {
  faultsOf,
  openMethod,
  planByHand,
  planVisit,
  roomOf,
  worksite,
  type MethodId,
  type MethodPlan,
  type PlanRequest,
  type PlanStep,
  type Script,
} from '../../core/bench/index.ts';
import { day, formatDay } from '../../core/quantity/index.ts';
import { peopleIn } from '../../core/tally/index.ts';
import { isNewHere, sessionRecord, type SessionEvent } from '../../core/table/index.ts';
import type { StoredSession } from '../db/sessions.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { planRequestOf, planRoomOf, reckonedIn } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { sessionResult } from '../services/worked-sessions.ts';
import type { Live } from '../live.ts';
import { found, Problem } from '../problem.ts';
import { createOnce, created, ok } from '../reply.ts';

const RECENT = 40;

/** The plan of a script that somebody changed. One that breaks what must never be broken is refused, no matter who sends it. */
function byHand(request: PlanRequest, method: MethodId, script: Script): MethodPlan {
  const room = new Set(roomOf(request.kit).map((t) => t.id));
  for (const [i, step] of script.entries()) {
    if (!room.has(step.toolId)) {
      throw new Problem(
        409,
        `script.${i}.toolId`,
        `The piece "${step.toolId}" does not hang on the wall. Choose one of the kit for this step.`,
      );
    }
  }
  const site = worksite(request);
  const broken = faultsOf(script, site.found, site.job).find((f) => f.severity === 'never');
  if (broken) {
    const said = broken.rule === undefined ? `"${broken.code}"` : `the rule "${broken.rule}"`;
    throw new Problem(
      409,
      'script',
      `The step "${broken.step}" breaks ${said} at ${broken.zones.join(', ') || 'the whole dog'}. Mend it on the stairs first.`,
    );
  }
  return planByHand(request, method, script, site);
}

/** Ids of the steps that a session ever had: those it started with, and those it was planned again with. */
const stepIds = (planned: readonly PlanStep[], events: readonly SessionEvent[]): ReadonlySet<string> =>
  new Set([planned, ...events.map(({ act }) => (act.kind === 'replanned' ? act.steps : []))].flat().map((s) => s.id));

const subjectOf = (id: string): string => `session ${id}`;

export function sessionRoutes(context: ServerContext, live: Live): Router {
  const { stores, nowMs } = context;
  const { router, on, stream } = apiRouter(context);
  const page = (s: StoredSession): SessionPage => {
    const dog = found(stores.dogs.find(s.dogId), 'dog', s.dogId);
    const check = found(stores.checks.find(s.checkId), 'check', s.checkId);
    const room = planRoomOf(context);
    const events = stores.sessions.events(s.id);
    return {
      id: s.id,
      dogId: s.dogId,
      dogName: dog.name,
      shape: dog.shape,
      coatClass: dog.coatClass,
      checkId: s.checkId,
      day: formatDay(day(s.day)),
      snapshot: s.snapshot,
      events,
      record: sessionRecord(events, s.snapshot.plan.steps),
      request: { ...planRequestOf(context, check, room), crew: s.snapshot.crew },
      newHere: isNewHere(stores.sessions.linesOf(s.dogId).map((line) => sessionResult(context, line).summary)),
      // Those whose hands the log knows, and those who work here and have not begun.
      people: [...new Set([...peopleIn(room.taught), ...context.stores.roster.people().map((p) => p.name)])],
    };
  };
  const log = (id: string): SessionLog => ({ events: stores.sessions.events(id), nowMs: nowMs() });

  on('GET /sessions', () => {
    const sessions = stores.sessions.linesSince(0, RECENT).map((line): SessionListItem => {
      const { id, day: on, method, plannedMinutes, state } = sessionResult(context, line).summary;
      const { dogId } = line;
      return {
        id,
        dogId,
        dogName: stores.dogs.find(dogId)?.name ?? '',
        day: on,
        method,
        minutes: plannedMinutes,
        state,
      };
    });
    return ok({ sessions });
  });

  /** Opens a session on a check: its plan as it is today, or as hands have changed it. */
  const begin = (draft: SessionDraft, check: CheckRecord): void => {
    const request = { ...planRequestOf(context, check), crew: draft.crew };
    const plan = planVisit(request);
    const outcome = openMethod(plan, draft.method);
    if (!outcome) {
      throw new Problem(
        409,
        'method',
        `The method "${draft.method}" is not open to this dog today. Choose one that the plan offers.`,
      );
    }
    const { kind, against, ...asPlanned } = outcome;
    const methodPlan = draft.script ? byHand(request, draft.method, draft.script) : asPlanned;
    stores.sessions.insert({
      id: draft.id,
      dogId: check.dogId,
      checkId: check.id,
      day: todayOf(context, salonOf(context)),
      method: draft.method,
      snapshot: {
        plan: methodPlan,
        looseG: plan.looseG.likely,
        stops: plan.stops.zones,
        conditions: plan.conditions,
        crew: draft.crew,
        reckoned: reckonedIn(request),
      },
    });
  };
  on('POST /sessions', ({ body: draft }) => {
    return stores.write(() => {
      const check = found(stores.checks.find(draft.checkId), 'check', draft.checkId);
      return createOnce(
        {
          what: 'session',
          id: draft.id,
          there: stores.sessions.find(draft.id),
          isSame: (session) => session.checkId === check.id,
        },
        () => begin(draft, check),
        () => page(found(stores.sessions.find(draft.id), 'session', draft.id)),
      );
    });
  });

  on('GET /sessions/:id', ({ params: { id } }) => ok(page(found(stores.sessions.find(id), 'session', id))));

  stream('GET /sessions/:id/stream', live, ({ params: { id } }) => {
    const text = String(id);
    found(stores.sessions.find(text), 'session', text);
    return { subject: subjectOf(text), first: log(text) };
  });

  on('POST /sessions/:id/events', ({ params: { id }, body: { events } }) => {
    const before = stores.write(() => {
      const session = found(stores.sessions.find(id), 'session', id);
      const there = stores.sessions.events(id);
      const steps = stepIds(session.snapshot.plan.steps, [...there, ...events]);
      for (const [i, e] of events.entries()) {
        const owner = stores.sessions.ownerOfEvent(e.id);
        if (owner !== undefined && owner !== id) {
          throw new Problem(409, `events.${i}.id`, `The event id "${e.id}" belongs to another session. Make a new id.`);
        }
        if ('step' in e.act && !steps.has(e.act.step)) {
          throw new Problem(
            400,
            `events.${i}.act.step`,
            `The step "${e.act.step}" is not in this session’s plan. Send the id of one that is, as GET /sessions/:id gives them.`,
          );
        }
      }
      stores.sessions.append(id, events);
      return new Set(there.map((e) => e.id));
    });
    const now = log(id);
    const fresh = now.events.filter((e) => !before.has(e.id));
    // Said once it is kept: what a page shows as everybody's is on the disk.
    if (fresh.length > 0) live.say(subjectOf(id), { ...now, events: fresh });
    const answer: SessionLog = now;
    return created(answer);
  });
  return router;
}
