/** /api/dogs/:id/checks and /api/checks: what hands found, and the plan that follows from it. */
import type { Router } from 'express';
import type { BenchCase, BenchCases, BenchPage } from '../../contract/bench.ts';
import type { CheckRecord } from '../../contract/check.ts';
import type { RankingsPage } from '../../contract/kit.ts';
import { METHOD_IDS, zoneRankings } from '../../core/bench/index.ts';
import { isZoneId } from '../../core/dog/index.ts';
import { paceByPerson } from '../../core/tally/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { activeDogs, planOf, planRequestOf, planRoomOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { learnDog } from '../services/outlooks.ts';
import { plannedFor } from '../services/worked-sessions.ts';
import { found, stale } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';

export function checkRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);

  on('GET /dogs/:id/checks', ({ params: { id } }) => {
    found(stores.dogs.find(id), 'dog', id);
    return ok({ checks: stores.checks.ofDog(id).map(({ id: own, day, weightKg }) => ({ id: own, day, weightKg })) });
  });

  on('POST /dogs/:id/checks', ({ params: { id }, body: draft }) => {
    return stores.write(() => {
      found(stores.dogs.find(id), 'dog', id);
      return createOnce(
        { what: 'check', id: draft.id, there: stores.checks.find(draft.id), isSame: (check) => check.dogId === id },
        () => stores.checks.insert(id, draft),
        () => found(stores.checks.find(draft.id), 'check', draft.id),
      );
    });
  });

  on('GET /checks/:id', ({ params: { id } }) => ok(found(stores.checks.find(id), 'check', id)));

  on('PUT /checks/:id', ({ params: { id }, body: edit }) => {
    return ok(
      stores.write(() => {
        found(stores.checks.find(id), 'check', id);
        if (!stores.checks.update(id, edit)) throw stale(stores.checks.find(id), edit);
        return found(stores.checks.find(id), 'check', id);
      }),
    );
  });

  /** A stored check, once what it felt has been learnt. */
  const learntCheck = async (id: string): Promise<CheckRecord> => {
    const check = found(stores.checks.find(id), 'check', id);
    await learnDog(context, check.dogId);
    return check;
  };

  on('GET /checks/:id/plan', async ({ params: { id } }) => ok(planOf(context, await learntCheck(id))));

  on('GET /checks/:id/bench', async ({ params: { id } }) => {
    const check = await learntCheck(id);
    const room = planRoomOf(context);
    const request = planRequestOf(context, check, room);
    const page: BenchPage = {
      request,
      plan: plannedFor(context, check.id, request),
      people: paceByPerson(room.taught, request.dog.coatClass),
    };
    return ok(page);
  });

  on('GET /bench/cases', () => {
    const room = planRoomOf(context);
    const salon = salonOf(context);
    const cases = activeDogs(context, salon, todayOf(context, salon)).flatMap((dog): BenchCase[] => {
      const check = stores.checks.latestOf(dog.id);
      if (!check) return [];
      const { kit, house, ...own } = planRequestOf(context, check, room);
      return [{ dogId: dog.id, checkId: check.id, name: dog.name, case: own }];
    });
    const page: BenchCases = { kit: room.kit, house: room.house, cases };
    return ok(page);
  });

  on('GET /checks/:id/rankings/:zone/:method', ({ params: { id, zone, method } }) => {
    const check = found(stores.checks.find(id), 'check', id);
    const here = found(isZoneId(zone) ? zone : undefined, 'zone', zone);
    const way = found(
      METHOD_IDS.find((m) => m === method),
      'method',
      method,
    );
    const page: RankingsPage = { zone: here, phases: zoneRankings(planRequestOf(context, check), here, way) };
    return ok(page);
  });
  return router;
}
