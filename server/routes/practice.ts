/** /api/practice: what a person practised on made-up coats and answered; how far everybody is. */
import type { Router } from 'express';
import type { PracticePage } from '../../contract/practice.ts';
import { askCard, rightAnswer } from '../../core/practice/index.ts';
import type { Actor } from '../auth/acting.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../facts.ts';
import { Problem } from '../problem.ts';

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

  on('GET /practice', ({ actor }) => ({ json: page(accountOf(actor)) }));

  on('GET /practice/people', () => ({ json: { people: stores.practice.people() } }));

  on('GET /practice/bouts/:id', ({ actor, params: { id } }) => {
    const found = stores.practice.bout(id);
    if (found?.accountId !== accountOf(actor)) {
      throw new Problem(404, 'id', `You have no practice bout "${id}". Open it from your own list.`);
    }
    const { accountId: _own, ...bout } = found;
    return { json: bout };
  });

  on('POST /practice/bouts', ({ actor, body }) => {
    const accountId = accountOf(actor);
    return stores.write(() => {
      const there = stores.practice.bout(body.id);
      if (there) {
        if (there.accountId !== accountId || JSON.stringify(there.acts) !== JSON.stringify(body.acts)) {
          throw new Problem(409, 'id', `The bout id "${body.id}" is taken. Make a new id.`);
        }
        return { status: 200, json: page(accountId) };
      }
      stores.practice.addBout(accountId, body, context.nowMs());
      return { status: 201, json: page(accountId) };
    });
  });

  on('POST /practice/answers', ({ actor, body }) => {
    const accountId = accountOf(actor);
    return stores.write(() => {
      const by = stores.practice.answeredBy(body.id);
      if (by !== undefined && by !== accountId) {
        throw new Problem(409, 'id', `The answer id "${body.id}" is taken. Make a new id.`);
      }
      if (by === undefined) {
        const right = rightAnswer(askCard(body.card, body.seed)) === body.answer;
        stores.practice.addAnswer(accountId, body, right, todayOf(context, salonOf(context)));
      }
      return { status: by === undefined ? 201 : 200, json: page(accountId) };
    });
  });
  return router;
}
