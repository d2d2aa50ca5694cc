/** /api/dogs: who comes here, who most needs a visit, and everything on one dog's page. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import type { DogListItem, DogPage } from '../../contract/dog.ts';
import { counter } from '../endpoint.ts';
import { bookedDays, dogToday, outlookOf, recordOf, salonOf, todayOf, type Kept } from '../facts.ts';
import { coatCheck } from '../../contract/check.ts';
import { zoneConditions } from '../../core/check/index.ts';
import { coatRow } from '../../core/dog/index.ts';
import { gramsByStage, meanGrade } from '../../core/tally/index.ts';
import { found, stale } from '../problem.ts';
import { formatDay, day } from '../../core/quantity/index.ts';

export function dogRoutes(kept: Kept): Router {
  const { stores } = kept;
  const { router, on } = counter(kept);

  on('GET /dogs', () => {
    const salon = salonOf(kept);
    const today = todayOf(kept, salon);
    const checks = stores.checks.latestByDog();
    const sessions = stores.sessions.latestFinishedByDog();
    const booked = bookedDays(kept, salon, today);
    const items = stores.dogs.all().map((dog): DogListItem => {
      const session = sessions.get(dog.id);
      const bookedDay = booked.get(dog.id);
      const { need } = outlookOf(kept, salon, today, dog, checks.get(dog.id), session, bookedDay);
      return {
        id: dog.id,
        name: dog.name,
        breed: dog.breed,
        coatClass: dog.coatClass,
        ownerName: dog.owner.name,
        lastVisit: session?.day ?? null,
        booked: bookedDay ?? null,
        need,
      };
    });
    items.sort((a, b) => b.need.urgency - a.need.urgency || a.name.localeCompare(b.name));
    return { json: { today, dogs: items } };
  });

  on('POST /dogs', ({ body: draft }) => {
    const id = randomUUID();
    return { status: 201, json: stores.write(() => (stores.dogs.insert(id, draft), stores.dogs.find(id))) };
  });

  on('GET /dogs/:id', ({ params: { id } }) => {
    const dog = found(stores.dogs.find(id), 'dog', id);
    const { today, bookings, need, next } = dogToday(kept, dog);
    const page: DogPage = {
      dog,
      today,
      need,
      next: next ?? null,
      checks: stores.checks.ofDog(id).map((c) => ({
        id: c.id,
        day: c.day,
        weightKg: c.weightKg,
        meanGrade: meanGrade(zoneConditions(coatCheck(c), coatRow(dog.coatClass))),
      })),
      sessions: stores.sessions.ofDog(id).map((s) => {
        const record = recordOf(kept, s);
        return {
          id: s.id,
          day: formatDay(day(s.day)),
          method: s.method,
          state: record.state,
          minutes: Math.round(record.workedMs / 60_000),
          plannedMinutes: s.snapshot.plan.minutes,
          gramsOut: record.gramsOut,
          stages: gramsByStage(record),
        };
      }),
      bookings: bookings.map((b) => ({ id: b.id, startsAt: b.startsAt, minutes: b.minutes })),
    };
    return { json: page };
  });

  on('PUT /dogs/:id', ({ params: { id }, body: edit }) => {
    return {
      json: stores.write(() => {
        const { owner } = found(stores.dogs.find(id), 'dog', id);
        if (!stores.dogs.update(id, edit, edit.version)) throw stale(stores.dogs.find(id), edit);
        // The last dog takes its owner's wishes along; before that, nobody says that all of them moved.
        if (stores.dogs.ofOwner(owner).length === 0) stores.post.moveWish(owner, edit.owner);
        return stores.dogs.find(id);
      }),
    };
  });
  return router;
}
