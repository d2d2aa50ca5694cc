/** /api/roster and /api/dogs/:id/wish: who works when, what is closed, who must not meet, what owners wish. */
import { Router } from 'express';
import {
  absenceSchema,
  apartSchema,
  personSchema,
  wishSchema,
  type RosterPage,
  type WishRecord,
} from '../../contract/roster.ts';
import { ANY_TIME } from '../../core/book/index.ts';
import { day, parseDay } from '../../core/quantity/index.ts';
import { endpoint } from '../endpoint.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { found, parsed, Problem, stale } from '../problem.ts';

export function rosterRoutes(kept: Kept): Router {
  const { stores } = kept;
  const { roster } = stores;
  const router = Router();
  const page = (): RosterPage => ({
    people: roster.people(),
    away: roster.away(todayOf(kept, salonOf(kept))),
    apart: roster.apart(),
  });
  const wishOf = (dogId: string): WishRecord => roster.wishes().get(dogId) ?? { ...ANY_TIME, version: 0 };

  router.get(
    '/roster',
    endpoint(() => ({ json: page() })),
  );
  router.put(
    '/roster/people/:id',
    endpoint(({ params: { id = '' }, body }) => {
      const person = parsed(personSchema, body);
      if (person.id !== id) throw new Problem(400, 'id', `The person's id must be "${id}", as in the address.`);
      return {
        json: stores.write(() => {
          const there = roster.person(id);
          if (person.version === 0) {
            if (there) throw stale(there, person);
            roster.insert(person);
          } else if (!roster.update(person)) throw stale(found(there, 'person', id), person);
          return page();
        }),
      };
    }),
  );
  router.delete(
    '/roster/people/:id',
    endpoint(({ params: { id = '' } }) => ({
      json: stores.write(() => {
        found(roster.drop(id) || undefined, 'person', id);
        return page();
      }),
    })),
  );
  router.post(
    '/roster/away',
    endpoint(({ body }) => {
      const draft = parsed(absenceSchema, body);
      const [from, to] = [parseDay(draft.from) ?? day(0), parseDay(draft.to) ?? day(0)];
      if (to < from)
        throw new Problem(
          400,
          'to',
          `The last day, ${draft.to}, lies before the first, ${draft.from}. Choose a later one.`,
        );
      return {
        status: 201,
        json: stores.write(() => {
          if (draft.person !== null) found(roster.person(draft.person), 'person', draft.person);
          if (!roster.awayById(draft.id)) roster.addAway({ ...draft, from, to });
          return page();
        }),
      };
    }),
  );
  router.delete(
    '/roster/away/:id',
    endpoint(({ params: { id = '' } }) => ({
      json: stores.write(() => {
        found(roster.dropAway(id) || undefined, 'absence', id);
        return page();
      }),
    })),
  );
  router.post(
    '/roster/apart',
    endpoint(({ body }) => {
      const { a, b } = parsed(apartSchema, body);
      return {
        status: 201,
        json: stores.write(() => {
          found(stores.dogs.find(a), 'dog', a);
          found(stores.dogs.find(b), 'dog', b);
          roster.addApart(a, b);
          return page();
        }),
      };
    }),
  );
  router.delete(
    '/roster/apart/:a/:b',
    endpoint(({ params: { a = '', b = '' } }) => ({
      json: stores.write(() => {
        found(roster.dropApart(a, b) || undefined, 'pair', `${a}, ${b}`);
        return page();
      }),
    })),
  );
  router.get(
    '/dogs/:id/wish',
    endpoint(({ params: { id = '' } }) => {
      found(stores.dogs.find(id), 'dog', id);
      return { json: wishOf(id) };
    }),
  );
  router.put(
    '/dogs/:id/wish',
    endpoint(({ params: { id = '' }, body }) => {
      const wish = parsed(wishSchema, body);
      return {
        json: stores.write(() => {
          found(stores.dogs.find(id), 'dog', id);
          if (wish.person !== null) found(roster.person(wish.person), 'person', wish.person);
          if (!roster.wish(id, wish)) throw stale(wishOf(id), wish);
          return wishOf(id);
        }),
      };
    }),
  );
  return router;
}
