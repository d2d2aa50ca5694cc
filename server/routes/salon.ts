/** /api/salon, /api/house and /api/rules: the house's side in open quarrels, what another would change, the rules of the trade. */
import { Router } from 'express';
import type { RulesPage } from '../../contract/kit.ts';
import {
  housePreviewSchema,
  salonEditSchema,
  type HousePreview,
  type PlanGist,
  type SalonRecord,
} from '../../contract/salon.ts';
import { openMethod, planVisit, rulesSpoken, type Plan } from '../../core/bench/index.ts';
import { RULES, type HouseRules } from '../../core/kit/index.ts';
import { endpoint } from '../endpoint.ts';
import { bookedDays, outlookOf, planRequestOf, planRoomOf, salonOf, todayOf, type Kept } from '../facts.ts';
import { parsed, stale } from '../problem.ts';

export function salonRoutes(kept: Kept): Router {
  const { stores } = kept;
  const router = Router();
  router.get(
    '/salon',
    endpoint(() => {
      const salon = salonOf(kept);
      return { json: { salon, today: todayOf(kept, salon) } };
    }),
  );
  router.put(
    '/salon',
    endpoint(({ body }) => {
      const edit = parsed(salonEditSchema, body);
      return {
        json: stores.write(() => {
          if (!stores.salon.update(edit)) throw stale(salonOf(kept), edit);
          return salonOf(kept);
        }),
      };
    }),
  );
  router.post(
    '/house/preview',
    endpoint(({ body }) => ({ json: housePreview(kept, parsed(housePreviewSchema, body).house) })),
  );
  router.get(
    '/rules',
    endpoint(() => {
      const spoken: Record<string, { dogs: number; zones: number }> = {};
      const checks = [...stores.checks.latestByDog().values()];
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
    }),
  );
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
  const checks = stores.checks.latestByDog();
  const sessions = stores.sessions.latestFinishedByDog();
  const booked = bookedDays(kept, salon, today);
  const room = planRoomOf(kept);
  const plans: HousePreview['plans'][number][] = [];
  for (const [dogId, day] of [...booked].sort((a, b) => a[1] - b[1])) {
    const check = checks.get(dogId);
    const dog = stores.dogs.find(dogId);
    if (!check || !dog || plans.length === MOST_PREVIEWED) continue;
    const request = planRequestOf(kept, check, room);
    const before = gist(planVisit(request));
    plans.push({ dogId, name: dog.name, day, before, after: gist(planVisit({ ...request, house })) });
  }
  let [sooner, later, days] = [0, 0, 0];
  for (const dog of stores.dogs.all()) {
    const next = (of: SalonRecord): number | undefined =>
      outlookOf(kept, of, today, dog, checks.get(dog.id), sessions.get(dog.id), undefined).next?.day;
    const [was, is] = [next(salon), next({ ...salon, house })];
    if (was === undefined || is === undefined) continue;
    if (is < was) sooner++;
    if (is > was) later++;
    days += is - was;
  }
  return { plans, moved: { sooner, later, days } };
}
