/** /api/offers: starts that are held for a dog until its owner takes one of them on the page. */
import type { Router } from 'express';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { found, Problem } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';
import { holdStarts, offersPage } from '../services/offers.ts';
import { isoMinute } from '../salon-time.ts';

export function offerRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);

  on('GET /offers', () => ok(offersPage(context)));

  on('POST /offers', ({ body: draft }) =>
    stores.write(() => {
      const dog = found(stores.dogs.find(draft.dogId), 'dog', draft.dogId);
      return createOnce(
        { what: 'offer', id: draft.id, there: stores.offers.find(draft.id), isSame: (o) => o.dogId === dog.id },
        () => holdStarts(context, dog, draft),
        () => found(stores.offers.find(draft.id), 'offer', draft.id),
      );
    }),
  );

  on('DELETE /offers/:id', ({ params: { id } }) =>
    stores.write(() => {
      found(stores.offers.find(id), 'offer', id);
      if (!stores.offers.answer(id, 'let-go', isoMinute(context.nowMs())))
        throw new Problem(409, 'id', 'This offer is settled already.');
      return ok(offersPage(context));
    }),
  );
  return router;
}
