/** What is chosen or ordered for a dog's visits apart from its form: care around the coat, a vet's order to clip. */
import type { Router } from 'express';
import type { ServerContext } from '../context.ts';
import { apiRouter } from '../endpoint.ts';
import { mustHaveBeen } from '../facts.ts';
import { found } from '../problem.ts';
import { ok } from '../reply.ts';

export function dogChoiceRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  on('PUT /dogs/:id/clip-orders', ({ params: { id }, body: { orders } }) =>
    ok(
      stores.write(() => {
        found(stores.dogs.find(id), 'dog', id);
        for (const { day: on } of orders) mustHaveBeen(context, on);
        stores.dogs.orderClips(id, orders);
        return found(stores.dogs.find(id), 'dog', id);
      }),
    ),
  );

  on('PUT /dogs/:id/care', ({ params: { id }, body: { care } }) =>
    ok(
      stores.write(() => {
        found(stores.dogs.find(id), 'dog', id);
        stores.dogs.chooseCare(id, care);
        return found(stores.dogs.find(id), 'dog', id);
      }),
    ),
  );
  return router;
}
