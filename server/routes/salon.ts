/** /api/salon, /api/house and /api/rules: the house's side in open quarrels, what another would change, the rules of the trade. */
import type { Router } from 'express';
import type { RulesPage } from '../../contract/kit.ts';
import { rulesSpoken } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE, RULES } from '../../core/kit/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { activeChecks, planRequestOf, planRoomOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { housePreview } from '../services/house-preview.ts';
import { findPlaces } from '../gazetteer.ts';
import { Problem, stale } from '../problem.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';
import { created, ok } from '../reply.ts';

export function salonRoutes(context: ServerContext, work: WorkerQueue): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  on('GET /salon', () => {
    const salon = salonOf(context);
    return ok({ salon, today: todayOf(context, salon) });
  });
  on('POST /salon', ({ body }) =>
    stores.write(() => {
      if (stores.salon.find())
        throw new Problem(409, null, 'There is a salon in this file already. Change it under House rules.');
      stores.salon.insert({ ...body, house: DEFAULT_HOUSE, version: 1 });
      return created(salonOf(context));
    }),
  );
  on('GET /places', async ({ query: { find = '' } }) => ok({ places: await findPlaces(find.slice(0, 80)) }));
  on('PUT /salon', ({ body: edit }) => {
    return ok(
      stores.write(() => {
        if (!stores.salon.update(edit)) throw stale(salonOf(context), edit);
        return salonOf(context);
      }),
    );
  });
  on('POST /house/preview', async ({ body }) => ok(await housePreview(context, work, body.house)));
  on('GET /rules', () => {
    const spoken: Record<string, { dogs: number; zones: number }> = {};
    const checks = [...activeChecks(context).values()];
    const seen = new Map<string, ReadonlySet<string>>();
    const room = planRoomOf(context);
    for (const check of checks) {
      for (const [id, zones] of rulesSpoken(planRequestOf(context, check, room), seen)) {
        const own = (spoken[id] ??= { dogs: 0, zones: 0 });
        own.dogs++;
        own.zones += zones;
      }
    }
    const page: RulesPage = { rules: RULES, dogs: checks.length, spoken };
    return ok(page);
  });
  return router;
}
