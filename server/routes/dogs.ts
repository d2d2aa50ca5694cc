/** /api/dogs: who comes here, who most needs a visit, and everything on one dog's page. */
import type { Router } from 'express';
import type { DogListItem, DogPage, OutlookLine } from '../../contract/dog.ts';
import { checkSummary, sessionResult } from '../services/worked-sessions.ts';
import { placesHeld } from '../../core/check/index.ts';
import type { Outlook } from '../../core/tide/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { activeDogs } from '../facts.ts';
import { salonOf, todayOf, traitsOf } from '../today.ts';
import { dogToday } from '../services/dog-today.ts';
import { dogHolds } from '../services/holds.ts';
import { learnDog, outlookReader } from '../services/outlooks.ts';
import { found, stale } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';

/** Longest text that is looked for, and most dogs that are found. */
const MOST_LETTERS = 80;
const MOST_FOUND = 60;

const lineOf = ({ due, visit, minutes, grams, priceCents, booked, moved, holds }: Outlook): OutlookLine => ({
  due: due?.day ?? null,
  visit,
  minutes: minutes.likely,
  grams: Math.round(grams.likely),
  priceCents,
  bookedMinutes: booked?.minutes ?? null,
  movedTo: moved?.likely ?? null,
  holds: placesHeld(holds),
});

export function dogRoutes(context: ServerContext): Router {
  const { stores, tide } = context;
  const { router, on } = apiRouter(context);

  on('GET /dogs', async ({ query }) => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const find = query['find']?.trim().slice(0, MOST_LETTERS) ?? '';
    const dogs = find === '' ? activeDogs(context, salon, today) : stores.dogs.named(find, MOST_FOUND);
    await tide.onesSettled();
    const read = outlookReader(context);
    const items = dogs.map((dog): DogListItem => {
      const { facts, outlook } = read(dog);
      return {
        id: dog.id,
        name: dog.name,
        breed: dog.breed,
        coatClass: dog.coatClass,
        ownerName: dog.owner.name,
        phone: dog.owner.phone,
        lastVisit: facts.lastVisit ?? null,
        booked: facts.booked?.day ?? null,
        need: facts.need,
        outlook: outlook ? lineOf(outlook) : null,
      };
    });
    items.sort((a, b) => b.need.urgency - a.need.urgency || a.name.localeCompare(b.name));
    return ok({ today, dogs: items });
  });

  on('POST /dogs', ({ body: { id, ...draft } }) =>
    stores.write(() =>
      createOnce(
        { what: 'dog', id, there: stores.dogs.find(id) },
        () => stores.dogs.insert(id, draft),
        () => found(stores.dogs.find(id), 'dog', id),
      ),
    ),
  );

  on('GET /dogs/:id', async ({ params: { id } }) => {
    const dog = found(stores.dogs.find(id), 'dog', id);
    await learnDog(context, id);
    const { today, bookings, facts, outlook } = dogToday(context, dog);
    const page: DogPage = {
      dog,
      traits: traitsOf(dog, today),
      today,
      need: facts.need,
      outlook: outlook ?? null,
      holds: dogHolds(context, dog, today),
      checks: stores.checks
        .linesOf(id, 0)
        .map((line) => checkSummary(context, line, dog.coatClass))
        .reverse(),
      sessions: stores.sessions.linesOf(id).map((line) => sessionResult(context, line).summary),
      bookings,
    };
    return ok(page);
  });

  on('PUT /dogs/:id', ({ params: { id }, body: edit }) => {
    return ok(
      stores.write(() => {
        const { owner } = found(stores.dogs.find(id), 'dog', id);
        if (!stores.dogs.update(id, edit, edit.version)) throw stale(stores.dogs.find(id), edit);
        // The last dog takes its owner's wishes along; before that, nobody says that all of them moved.
        if (stores.dogs.ofOwner(owner).length === 0) stores.post.moveWish(owner, edit.owner);
        return found(stores.dogs.find(id), 'dog', id);
      }),
    );
  });
  return router;
}
