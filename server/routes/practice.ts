/** /api/practice: what a person practised on made-up coats and answered; how far everybody is. */
import type { Router } from 'express';
import type { PracticePage } from '../../contract/practice.ts';
import { askCard, rightAnswer } from '../../core/practice/index.ts';
import type { Actor } from '../auth/acting.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { Problem } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';

/** Practice belongs to somebody who is signed in. */
function accountOf({ id }: Actor): string {
  if (id === null) throw new Problem(401, null, 'Sign in to practise: progress is kept by person.');
  return id;
}

export function practiceRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const page = (accountId: string): PracticePage => ({
    today: todayOf(context, salonOf(context)),
    ...stores.practice.page(accountId),
  });

  on('GET /practice', ({ actor }) => ok(page(accountOf(actor))));

  on('GET /practice/people', () => ok({ people: stores.practice.people() }));

  on('GET /practice/bouts/:id', ({ actor, params: { id } }) => {
    const found = stores.practice.bout(id);
    if (found?.accountId !== accountOf(actor)) {
      throw new Problem(404, 'id', `You have no practice bout "${id}". Open it from your own list.`);
    }
    const { accountId: _own, ...bout } = found;
    return ok(bout);
  });

  on('POST /practice/bouts', ({ actor, body }) => {
    const accountId = accountOf(actor);
    return stores.write(() => {
      return createOnce(
        {
          what: 'bout',
          id: body.id,
          there: stores.practice.bout(body.id),
          isSame: (bout) => bout.accountId === accountId && JSON.stringify(bout.acts) === JSON.stringify(body.acts),
        },
        () => stores.practice.addBout(accountId, body, context.nowMs()),
        () => page(accountId),
      );
    });
  });

  on('POST /practice/answers', ({ actor, body }) => {
    const accountId = accountOf(actor);
    return stores.write(() => {
      return createOnce(
        {
          what: 'answer',
          id: body.id,
          there: stores.practice.answeredBy(body.id),
          isSame: (by) => by === accountId,
        },
        () => {
          const right = rightAnswer(askCard(body.card, body.seed)) === body.answer;
          stores.practice.addAnswer(accountId, body, right, todayOf(context, salonOf(context)));
        },
        () => page(accountId),
      );
    });
  });
  return router;
}
