/** The safe: the trail of changes, backups, everything taken out as a zip. */
import type { Router } from 'express';
import type { ChangesPage } from '../../contract/safe.ts';
import type { Log } from '../log.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { found, Problem } from '../problem.ts';
import type { Safe } from '../storage/safe.ts';
import { accepted, file, ok } from '../reply.ts';

const SHOWN_CHANGES = 60;

export function safeRoutes(context: ServerContext, safe: Safe, log: Log): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  on('GET /changes', ({ query }) => {
    const before = query['before'] === undefined ? Number.MAX_SAFE_INTEGER : Number(query['before']);
    if (!Number.isSafeInteger(before))
      throw new Problem(400, 'before', `before must be the id of a change, not "${query['before']?.slice(0, 80)}".`);
    const dog = query['dog'];
    const changes =
      dog === undefined ? stores.trail.before(before, SHOWN_CHANGES) : stores.trail.ofDog(dog, before, SHOWN_CHANGES);
    const page: ChangesPage = {
      changes,
      before: changes.length === SHOWN_CHANGES ? (changes.at(-1)?.id ?? null) : null,
    };
    return ok(page);
  });
  on('GET /safe', () => ok(safe.page()));
  on('POST /backups', ({ body: { id } }) => {
    const { job, made } = safe.ask(id, 'backup');
    return made ? accepted(job) : ok(job);
  });
  on('POST /exports', ({ actor, body: { id } }) => {
    log.info({ who: actor.name, id }, 'export asked for');
    const { job, made } = safe.ask(id, 'export');
    return made ? accepted(job) : ok(job);
  });
  on('POST /forget', ({ actor, body }) => {
    log.info({ who: actor.name, dogId: body.dogId }, 'owner forgotten');
    const done = stores.write(() => {
      const { owner } = found(stores.dogs.find(body.dogId), 'dog', body.dogId);
      return stores.forget.owner(owner, context.nowMs());
    });
    stores.forget.settle();
    return ok({ ...done, copies: safe.copies() });
  });
  on('GET /exports/:id', ({ actor, params: { id } }) => {
    const job = found(stores.jobs.find(id), 'export', id);
    const path = found(job.kind === 'export' ? safe.zip(job) : undefined, 'finished export', id);
    log.info({ who: actor.name, id }, 'export taken');
    return file('application/zip', job.file ?? 'woolly-tide.zip', path);
  });
  return router;
}
