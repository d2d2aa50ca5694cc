/** /api/roster and /api/dogs/:id/wish: who works when, what is closed, who must not meet, what owners wish. */
import type { Router } from 'express';
import type { RosterPage, WishRecord } from '../../contract/roster.ts';
import { ANY_TIME } from '../../core/book/index.ts';
import { day, parseDay } from '../../core/quantity/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { mustBeBookable } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { found, Problem, stale } from '../problem.ts';
import { created, ok } from '../reply.ts';

export function rosterRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { roster } = stores;
  const { router, on } = apiRouter(context);
  const page = (): RosterPage => ({
    people: roster.people(),
    away: roster.away(todayOf(context, salonOf(context))),
    apart: roster.apart(),
  });
  const wishOf = (dogId: string): WishRecord => roster.wishes().get(dogId) ?? { ...ANY_TIME, version: 0 };

  on('GET /roster', () => ok(page()));
  on('PUT /roster/people/:id', ({ params: { id }, body: person }) => {
    if (person.id !== id) throw new Problem(400, 'id', `The person's id must be "${id}", as in the address.`);
    return ok(
      stores.write(() => {
        const there = roster.person(id);
        if (person.version === 0) {
          if (there) throw stale(there, person);
          roster.insert(person);
        } else if (!roster.update(person)) throw stale(found(there, 'person', id), person);
        return page();
      }),
    );
  });
  on('DELETE /roster/people/:id', ({ params: { id } }) =>
    ok(
      stores.write(() => {
        found(roster.drop(id) || undefined, 'person', id);
        return page();
      }),
    ),
  );
  on('POST /roster/away', ({ body: draft }) => {
    const [from, to] = [parseDay(draft.from) ?? day(0), parseDay(draft.to) ?? day(0)];
    if (to < from)
      throw new Problem(
        400,
        'to',
        `The last day, ${draft.to}, lies before the first, ${draft.from}. Choose a later one.`,
      );
    mustBeBookable(context, 'to', to);
    return created(
      stores.write(() => {
        if (draft.person !== null) found(roster.person(draft.person), 'person', draft.person);
        if (!roster.awayById(draft.id)) roster.addAway({ ...draft, from, to });
        return page();
      }),
    );
  });
  on('DELETE /roster/away/:id', ({ params: { id } }) =>
    ok(
      stores.write(() => {
        found(roster.dropAway(id) || undefined, 'absence', id);
        return page();
      }),
    ),
  );
  on('POST /roster/apart', ({ body: { a, b } }) => {
    return created(
      stores.write(() => {
        found(stores.dogs.find(a), 'dog', a);
        found(stores.dogs.find(b), 'dog', b);
        roster.addApart(a, b);
        return page();
      }),
    );
  });
  on('DELETE /roster/apart/:a/:b', ({ params: { a, b } }) =>
    ok(
      stores.write(() => {
        found(roster.dropApart(a, b) || undefined, 'pair', `${a}, ${b}`);
        return page();
      }),
    ),
  );
  on('GET /dogs/:id/wish', ({ params: { id } }) => {
    found(stores.dogs.find(id), 'dog', id);
    return ok(wishOf(id));
  });
  on('PUT /dogs/:id/wish', ({ params: { id }, body: wish }) => {
    return ok(
      stores.write(() => {
        found(stores.dogs.find(id), 'dog', id);
        if (wish.person !== null) found(roster.person(wish.person), 'person', wish.person);
        if (!roster.wish(id, wish)) throw stale(wishOf(id), wish);
        return wishOf(id);
      }),
    );
  });
  return router;
}
