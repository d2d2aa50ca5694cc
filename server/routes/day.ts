/** /api/day: today's dogs at tub and dryer, by the plans they would be worked with. */
import type { Router } from 'express';
import type { DayDog, DayPage, DryerUse } from '../../contract/day.ts';
import { openMethod } from '../../core/bench/index.ts';
import { usualDbA, type Tool } from '../../core/kit/index.ts';
import { addDays } from '../../core/quantity/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { planOf, planRoomOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { learnDogs } from '../services/outlooks.ts';
import { salonInstant } from '../salon-time.ts';
import { ok } from '../reply.ts';

const loudness = (tool: Tool): { dbA: number; measured: boolean } | undefined => {
  const usual = usualDbA(tool.kind);
  return usual === undefined ? undefined : { dbA: tool.dbA ?? usual, measured: tool.dbA !== undefined };
};

export function dayRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  on('GET /day', async () => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const room = planRoomOf(context);
    const wall = room.kit;
    const bookings = stores.bookings.between(
      salonInstant(today, 0, salon.timeZone),
      salonInstant(addDays(today, 1), 0, salon.timeZone),
    );
    await learnDogs(
      context,
      bookings.map((b) => b.dogId),
    );
    const dogs = bookings.flatMap(({ dogId, startsAt }): DayDog[] => {
      const dog = stores.dogs.find(dogId);
      if (!dog) return [];
      const check = stores.checks.latestOf(dogId);
      const plan = check && planOf(context, check, room);
      const best = plan?.recommended && openMethod(plan, plan.recommended.method);
      const dryers = (best?.steps ?? []).flatMap((s): DryerUse[] => {
        const tool = wall.find((t) => t.id === s.tool.id);
        const loud = tool && loudness(tool);
        return tool && loud ? [{ toolId: tool.id, name: tool.name, minutes: s.minutes, ...loud }] : [];
      });
      return [
        {
          dogId,
          name: dog.name,
          startsAt,
          weightKg: check?.weightKg ?? dog.weightKg,
          coatClass: dog.coatClass,
          method: best?.method ?? null,
          bathes: best?.steps.some((s) => s.phase === 'bath') ?? false,
          dryers,
        },
      ];
    });
    const page: DayPage = {
      today,
      timeZone: salon.timeZone,
      dogs,
      dryers: wall.flatMap((t) => {
        const loud = loudness(t);
        return loud ? [{ toolId: t.id, name: t.name, ...loud }] : [];
      }),
    };
    return ok(page);
  });
  return router;
}
