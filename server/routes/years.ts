/** /api/years: years that the salon wonders about. */
import type { Router } from 'express';
import type { YearsPage } from '../../contract/year.ts';
import type { ServerContext } from '../context.ts';
import { apiRouter } from '../endpoint.ts';
import { Problem } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';

/** As many as can be told from each other. */
const MOST_YEARS = 40;

export function yearRoutes(context: ServerContext): Router {
  const { years, write } = context.stores;
  const { router, on } = apiRouter(context);
  const page = (): YearsPage => ({ years: years.all() });

  on('GET /years', () => ok(page()));

  on('POST /years', ({ body: draft }) =>
    write(() =>
      createOnce(
        {
          what: 'year',
          id: draft.id,
          there: years.find(draft.id),
          isSame: (there) => JSON.stringify(there) === JSON.stringify(draft),
        },
        () => {
          if (years.all().length >= MOST_YEARS)
            throw new Problem(409, 'id', `There are ${MOST_YEARS} years already. Take one out first.`);
          years.add(draft);
        },
        page,
      ),
    ),
  );

  on('DELETE /years/:id', ({ params: { id } }) => {
    if (!write(() => years.remove(id)))
      throw new Problem(404, 'id', `There is no year "${id}". It may have been taken out already.`);
    return ok(page());
  });
  return router;
}
