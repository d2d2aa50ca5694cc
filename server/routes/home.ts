/** The groomer's side of the home: the owner's card, what the home is like, its links, what owners have found. */
import type { Router } from 'express';
import type { HomeDeskPage, HomeLinkMade } from '../../contract/home.ts';
import { priceCents } from '../../core/bench/index.ts';
import { apiRouter } from '../endpoint.ts';
import { randomUUID } from 'node:crypto';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { adherenceOf, householdOf, ownerDog, setupRecord, wishOf } from '../services/owner-page.ts';
import { feedTokenOf, newToken, tokenHash } from '../auth/owner-links.ts';
import { found, Problem, stale } from '../problem.ts';
import { bytes, created, ok } from '../reply.ts';
import { askTide } from '../services/learn-tide.ts';

export function homeRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const deskPage = (id: string): HomeDeskPage => {
    const dog = found(stores.dogs.find(id), 'dog', id);
    const salon = salonOf(context);
    const setup = setupRecord(context, dog);
    askTide(context);
    const seen = ownerDog(context, dog);
    const { effect } = seen.tide;
    const { rates } = salon.house;
    return {
      setup,
      dog: seen,
      salonName: salon.name,
      timeZone: salon.timeZone,
      ownerName: dog.owner.name,
      household: householdOf(context, dog).map((d) => ({ id: d.id, name: d.name })),
      links: stores.home.linksOf(id),
      adherence: adherenceOf(context, dog, todayOf(context, salon), setup),
      post: wishOf(context, dog),
      missedWeekCost: effect && {
        cents: Math.max(0, priceCents(effect.missedWeek, rates) - priceCents(effect.kept, rates)),
        currency: rates.currency,
      },
    };
  };
  on('GET /dogs/:id/home', ({ params: { id } }) => ok(deskPage(id)));
  on('PUT /dogs/:id/home', ({ params: { id }, body: { version, ...facts } }) => {
    return stores.write(() => {
      const dog = found(stores.dogs.find(id), 'dog', id);
      if (!stores.home.saveSetup(id, facts, version)) throw stale(setupRecord(context, dog), { ...facts, version });
      // The minutes are the household's: its other dogs share them.
      for (const other of householdOf(context, dog).slice(1)) {
        const { version: theirs, ...home } = setupRecord(context, other);
        stores.home.saveSetup(other.id, { ...home, minutesByWeekday: facts.minutesByWeekday }, theirs);
      }
      return ok(deskPage(id));
    });
  });

  on('POST /home-links', ({ body: { dogIds } }) => {
    const token = newToken();
    const feedToken = feedTokenOf(token);
    const [hash, feedHash] = [tokenHash(token), tokenHash(feedToken)];
    if (hash === undefined || feedHash === undefined) throw new TypeError('a new token is no token');
    return stores.write(() => {
      const dogs = dogIds.map((id) => found(stores.dogs.find(id), 'dog', id));
      const [first] = dogs;
      if (first && dogs.some((d) => d.owner.name !== first.owner.name || d.owner.phone !== first.owner.phone))
        throw new Problem(400, 'dogIds', 'dogIds must be dogs of one owner. Make a link for each owner.');
      const row = { id: randomUUID(), tokenHash: hash, feedHash, atMs: context.nowMs() };
      stores.home.addLink(row, dogIds);
      const link = found(stores.home.findLink(row.id), 'link', row.id);
      const made: HomeLinkMade = { ...link, token, feedToken };
      return created(made);
    });
  });
  on('DELETE /home-links/:id', ({ params: { id } }) =>
    stores.write(() => {
      found(stores.home.findLink(id), 'link', id);
      stores.home.endLink(id, context.nowMs());
      return ok(found(stores.home.findLink(id), 'link', id));
    }),
  );

  on('GET /home-reports', () => {
    const reports = stores.home.openReports();
    return ok({ reports: reports.map((r) => ({ ...r, dogName: stores.dogs.find(r.dogId)?.name ?? '' })) });
  });
  on('POST /home-reports/:id/close', ({ params: { id }, body: { answer } }) =>
    stores.write(() => {
      found(stores.home.findReport(id), 'report', id);
      stores.home.closeReport(id, context.nowMs(), answer.trim());
      return ok(found(stores.home.findReport(id), 'report', id));
    }),
  );
  on('GET /home-reports/:id/photo', ({ params: { id } }) =>
    bytes('image/jpeg', found(stores.home.photo(id), 'photo of report', id)),
  );
  return router;
}
