/** /api/dogs/:id/home-card: what the owner does until the next visit. */
import { Router } from 'express';
import { coatCheck } from '../../contract/check.ts';
import type { HomeCardPage } from '../../contract/home.ts';
import { zoneConditions } from '../../core/check/index.ts';
import { coatRow } from '../../core/dog/index.ts';
import { homeCard } from '../../core/home/index.ts';
import { formatDay } from '../../core/quantity/index.ts';
import { endpoint } from '../endpoint.ts';
import { dogToday, recordOf, type Kept } from '../facts.ts';
import { found } from '../problem.ts';

export function homeRoutes(kept: Kept): Router {
  const { stores } = kept;
  const router = Router();
  router.get(
    '/dogs/:id/home-card',
    endpoint(({ params: { id = '' } }) => {
      const dog = found(stores.dogs.find(id), 'dog', id);
      const { salon, today, check, session, bookings, booked, next, tide } = dogToday(kept, dog);
      const page: HomeCardPage = {
        dogId: id,
        dogName: dog.name,
        salonName: salon.name,
        day: formatDay(today),
        card: homeCard({
          dog,
          conditions: check ? zoneConditions(coatCheck(check), coatRow(dog.coatClass)) : [],
          // A comb proof from before the newest check is out of date: the check has spoken since.
          comb: session && check && session.checkId === check.id ? recordOf(kept, session).comb : {},
          tide,
          nextVisit: booked ?? next?.day,
        }),
        bookedAt: bookings[0]?.startsAt ?? null,
        timeZone: salon.timeZone,
      };
      return { json: page };
    }),
  );
  return router;
}
