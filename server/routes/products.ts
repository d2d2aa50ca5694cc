/** /api/products: what was bought, mixed and counted, and what should be left. */
import type { Router } from 'express';
import type { ProductsPage } from '../../contract/product.ts';
import { stockOf } from '../../core/water/index.ts';
import { sentMove } from '../db/products.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { Problem } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';

const SHOWN_MOVES = 20;

export function productRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const page = (): ProductsPage => {
    const moves = stores.products.moves();
    return {
      stock: stockOf(moves, todayOf(context, salonOf(context))),
      moves: moves.slice(-SHOWN_MOVES).reverse().map(sentMove),
    };
  };

  on('GET /products', () => ok(page()));

  on('POST /products/moves', ({ body: draft }) => {
    return stores.write(() => {
      return createOnce(
        {
          what: 'move',
          id: draft.id,
          there: stores.products.find(draft.id),
          isSame: (move) =>
            JSON.stringify(sentMove(move)) === JSON.stringify(sentMove({ ...move, ...draft, day: move.day })),
        },
        () => stores.products.add(draft),
        page,
      );
    });
  });

  on('DELETE /products/moves/:id', ({ params: { id } }) => {
    if (!stores.write(() => stores.products.remove(id))) {
      throw new Problem(404, 'id', `There is no move "${id}". It may have been taken back already.`);
    }
    return ok(page());
  });
  return router;
}
