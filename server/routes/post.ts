/** /api/post: reminders at the desk. How an owner wants them, what went to the outbox, and what waits. */
import type { Router } from 'express';
import type { PostPage } from '../../contract/post.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf } from '../today.ts';
import { mustReach, wishOf } from '../services/owner-page.ts';
import type { ReminderSender } from '../reminders/sender.ts';
import { found, Problem, stale } from '../problem.ts';
import { ok, text } from '../reply.ts';

/** Messages shown. */
const SHOWN = 100;

export function postRoutes(context: ServerContext, office: ReminderSender): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const page = (): PostPage => {
    const { households, atMs } = office.state();
    return {
      sent: stores.post.newest(SHOWN),
      households,
      at: atMs === undefined ? null : new Date(atMs).toISOString(),
      timeZone: salonOf(context).timeZone,
    };
  };
  on('GET /post', () => ok(page()));
  on('POST /post/run', async () => {
    await office.run();
    return ok(page());
  });
  on('GET /post/:id/eml', ({ params: { id } }) => {
    const { eml } = found(stores.post.find(id), 'message', id);
    if (eml === null) throw new Problem(404, null, `Message ${id} went as a text: there is no mail to download.`);
    return text('message/rfc822', 'reminder.eml', eml);
  });
  on('POST /post/:id/stop', ({ params: { id } }) =>
    stores.write(() => {
      const { owner } = found(stores.post.find(id), 'message', id);
      const wish = stores.post.wish(owner);
      if (wish) stores.post.saveWish(owner, { ...wish, channel: 'off' }, wish.version);
      return ok(page());
    }),
  );
  on('PUT /dogs/:id/post', ({ params: { id }, body: { version, ...wish } }) => {
    return stores.write(() => {
      const dog = found(stores.dogs.find(id), 'dog', id);
      mustReach(dog, wish);
      if (!stores.post.saveWish(dog.owner, wish, version)) throw stale(wishOf(context, dog), { ...wish, version });
      return ok(wishOf(context, dog));
    });
  });
  return router;
}
