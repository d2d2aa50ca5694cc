/**
 * /api/owner: what an owner's link opens, and nothing else. The link travels in a header, so that no address and no log
 * holds it. Whatever is wrong with it, the answer is the same.
 */
import type { Router } from 'express';
import { ID_PATTERN } from '../../contract/common.ts';
import type { ApiKey, WhoOf } from '../../contract/api.ts';
import { parseDay } from '../../core/quantity/index.ts';
import { apiRouter, type Ask } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { mustReach, ownerPage, wishOf } from '../services/owner-page.ts';
import { answerOffer } from '../services/offers.ts';
import { feedTokenOf } from '../auth/owner-links.ts';
import { pictureOf } from '../picture.ts';
import { Problem } from '../problem.ts';
import { nothingHere } from '../auth/guard.ts';
import type { Limited } from '../auth/daily-limits.ts';
import { createOnce, ok } from '../reply.ts';
import { askTide } from '../services/learn-tide.ts';

type LinkKey = { [K in ApiKey]: WhoOf<K> extends 'link' ? K : never }[ApiKey];

export function ownerRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);

  const notAhead = (on: string): void => {
    // A phone's own day may be one ahead of the salon's.
    if ((parseDay(on) ?? 0) > todayOf(context, salonOf(context)) + 1)
      throw new Problem(400, 'day', `day ${on} is still to come: note what was done.`);
  };
  const page = ({ link }: Pick<Ask<LinkKey>, 'link'>) => {
    askTide(context);
    return ownerPage(context, link.dogIds, feedTokenOf(link.token));
  };
  const today = (): number => todayOf(context, salonOf(context));
  /** An entry of a dog's home that is sent again changes nothing; one that belongs to another dog is nobody's. */
  const once = (
    ask: Pick<Ask<LinkKey>, 'link'> & { readonly params: { readonly id: string } },
    {
      what,
      id,
      there,
    }: { readonly what: Limited; readonly id: string; readonly there: { readonly dogId: string } | undefined },
    add: () => void,
  ) =>
    stores.write(() =>
      createOnce(
        { what: 'entry', id, there, isSame: ({ dogId }) => dogId === ask.params.id, refusal: nothingHere },
        () => {
          context.door.links.take(ask.link.id, what, today());
          add();
        },
        () => page(ask),
      ),
    );

  on('GET /owner', (ask) => ok(page(ask)));
  on('POST /owner/dogs/:id/bouts', (ask) => {
    const { id } = ask.params;
    const bout = ask.body;
    notAhead(bout.day);
    return once(ask, { what: 'bouts', id: bout.id, there: stores.home.findBout(bout.id) }, () =>
      stores.home.addBout(id, bout),
    );
  });
  on('POST /owner/dogs/:id/cares', (ask) => {
    const { id } = ask.params;
    const care = ask.body;
    notAhead(care.day);
    return once(ask, { what: 'notes', id: care.id, there: stores.home.findCare(care.id) }, () =>
      stores.home.addCare(id, care),
    );
  });
  on('POST /owner/dogs/:id/offers', (ask) => {
    const dog = stores.dogs.find(ask.params.id);
    const offer = stores.offers.find(ask.body.id);
    if (!dog || offer?.dogId !== dog.id) throw nothingHere();
    return once(ask, { what: 'offers', id: offer.id, there: stores.bookings.find(offer.id) }, () =>
      answerOffer(context, dog, ask.body),
    );
  });
  on('POST /owner/dogs/:id/started', (ask) => {
    const { id } = ask.params;
    const word = ask.body;
    notAhead(word.day);
    return once(ask, { what: 'notes', id: word.id, there: stores.tide.findNote(word.id) }, () =>
      stores.tide.addNote(id, { ...word, what: 'started', amount: null, grams: null }),
    );
  });
  on('POST /owner/dogs/:id/reports', (ask) => {
    const { id } = ask.params;
    const report = ask.body;
    notAhead(report.day);
    return once(ask, { what: 'reports', id: report.id, there: stores.home.findReport(report.id) }, () =>
      stores.home.addReport(id, report),
    );
  });
  on('PUT /owner/dogs/:id/reports/:reportId/photo', (ask) => {
    const { id } = ask.params;
    const { reportId = '' } = ask.params;
    const report = ID_PATTERN.test(reportId) ? stores.home.findReport(reportId) : undefined;
    if (report?.dogId !== id) throw nothingHere();
    const { bytes, width, height } = pictureOf(ask.body);
    context.door.links.take(ask.link.id, 'photos', today());
    context.door.links.take(ask.link.id, 'megapixels', today(), (width * height) / 1e6);
    stores.write(() => stores.home.setPhoto(report.id, bytes));
    return ok(page(ask));
  });
  on('PUT /owner/post', (ask) => {
    const { link } = ask;
    const wish = ask.body;
    const dog = stores.dogs.find(link.dogIds[0] ?? '');
    if (!dog) throw nothingHere();
    return stores.write(() => {
      const before = wishOf(context, dog);
      const after = { ...before, ...wish };
      mustReach(dog, after);
      stores.post.saveWish(dog.owner, after, before.version);
      return ok(page(ask));
    });
  });
  return router;
}
