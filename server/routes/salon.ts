/** /api/salon, /api/house and /api/rules: the house's side in open quarrels, what another would change, the rules of the trade. */
import type { Router } from 'express';
import type { RulesPage } from '../../contract/kit.ts';
import type { HousePreview, PlanGist, SalonRecord } from '../../contract/salon.ts';
import { openMethod, planVisit, rulesSpoken, type Plan } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE, RULES, type HouseRules } from '../../core/kit/index.ts';
import { counter } from '../endpoint.ts';
import {
  activeChecks,
  activeDogs,
  bookedDays,
  lastFinished,
  outlookOf,
  planRequestOf,
  planRoomOf,
  salonOf,
  todayOf,
  type Kept,
} from '../facts.ts';
import { findPlaces } from '../places.ts';
import { Problem, stale } from '../problem.ts';

export function salonRoutes(kept: Kept): Router {
  const { stores } = kept;
  const { router, on } = counter(kept);
  on('GET /salon', () => {
    const salon = salonOf(kept);
    return { json: { salon, today: todayOf(kept, salon) } };
  });
  on('POST /salon', ({ body }) =>
    stores.write(() => {
      if (stores.salon.find())
        throw new Problem(409, null, 'There is a salon in this file already. Change it under House rules.');
      stores.salon.insert({ ...body, house: DEFAULT_HOUSE, version: 1 });
      return { status: 201, json: salonOf(kept) };
    }),
  );
  on('GET /places', async ({ query: { find = '' } }) => ({ json: { places: await findPlaces(find.slice(0, 80)) } }));
  on('PUT /salon', ({ body: edit }) => {
    return {
      json: stores.write(() => {
        if (!stores.salon.update(edit)) throw stale(salonOf(kept), edit);
        return salonOf(kept);
      }),
    };
  });
  on('POST /house/preview', ({ body }) => ({ json: housePreview(kept, body.house) }));
  on('GET /rules', () => {
    const spoken: Record<string, { dogs: number; zones: number }> = {};
    const checks = [...activeChecks(kept).values()];
    const seen = new Map<string, ReadonlySet<string>>();
    const room = planRoomOf(kept);
    for (const check of checks) {
      for (const [id, zones] of rulesSpoken(planRequestOf(kept, check, room), seen)) {
        const own = (spoken[id] ??= { dogs: 0, zones: 0 });
        own.dogs++;
        own.zones += zones;
      }
    }
    const page: RulesPage = { rules: RULES, dogs: checks.length, spoken };
    return { json: page };
  });
  return router;
}

const gist = (plan: Plan): PlanGist | null => {
  const chosen = plan.recommended && openMethod(plan, plan.recommended.method);
  if (!chosen) return null;
  const { method, minutes, priceCents, shareLeft, skinLoad, steps } = chosen;
  const cautions = [...new Set(steps.flatMap((s) => s.cautions))].sort();
  return { method, minutes, priceCents, shareLeft, skinLoad, tools: steps.map((s) => s.tool.kind), cautions };
};

/** Dogs whose plans a preview shows at most: the soonest booked. */
const MOST_PREVIEWED = 12;

/** What another house would do with the dogs that are booked next, and with everybody's next date. Nothing is written. */
function housePreview(kept: Kept, house: HouseRules): HousePreview {
  const { stores } = kept;
  const salon = salonOf(kept);
  const today = todayOf(kept, salon);
  const booked = bookedDays(kept, salon, today);
  const room = planRoomOf(kept);
  const plans: HousePreview['plans'][number][] = [];
  for (const [dogId, day] of [...booked].sort((a, b) => a[1] - b[1])) {
    const check = stores.checks.latestOf(dogId);
    const dog = stores.dogs.find(dogId);
    if (!check || !dog || plans.length === MOST_PREVIEWED) continue;
    const request = planRequestOf(kept, check, room);
    const before = gist(planVisit(request));
    plans.push({ dogId, name: dog.name, day, before, after: gist(planVisit({ ...request, house })) });
  }
  let [sooner, later, days] = [0, 0, 0];
  for (const dog of activeDogs(kept, salon, today)) {
    const [check, session] = [stores.checks.latestOf(dog.id), lastFinished(kept, dog.id)];
    const next = (of: SalonRecord): number | undefined =>
      outlookOf(kept, of, today, dog, check, session, undefined).next?.day;
    const [was, is] = [next(salon), next({ ...salon, house })];
    if (was === undefined || is === undefined) continue;
    if (is < was) sooner++;
    if (is > was) later++;
    days += is - was;
  }
  return { plans, moved: { sooner, later, days } };
}
