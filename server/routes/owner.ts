/**
 * /api/owner: what an owner's link opens, and nothing else. The link travels in a header, so that no address and no log
 * holds it. Whatever is wrong with it, the answer is the same.
 */
import express, { Router } from 'express';
import { ID_PATTERN } from '../../contract/common.ts';
import {
  homeBoutSchema,
  homeCareSchema,
  homeReportSchema,
  homeStartedSchema,
  type HomeLink,
} from '../../contract/home.ts';
import { ownPostSchema } from '../../contract/post.ts';
import { PHOTO_LIMIT_BYTES } from '../../contract/photo.ts';
import { bareJpeg } from '../../core/formats/index.ts';
import { parseDay } from '../../core/quantity/index.ts';
import { endpoint, type Ask } from '../endpoint.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { askTide, mustReach, ownerPage, wishOf } from '../home-facts.ts';
import { feedTokenOf, tokenHash } from '../home-links.ts';
import { parsed, Problem } from '../problem.ts';
import type { TideDesk } from '../tide-desk.ts';

const NOTHING_HERE = 'There is nothing here. If this was your dog’s page, please ask the salon for a new link.';
const nothingHere = (): Problem => new Problem(404, null, NOTHING_HERE);

export function ownerRoutes(kept: Kept, desk: TideDesk): Router {
  const { stores } = kept;
  const router = Router();

  const linkOf = ({ homeLink = '' }: Ask): HomeLink => {
    const hash = tokenHash(homeLink);
    const link = hash === undefined ? undefined : stores.home.openLink(hash);
    if (!link) throw nothingHere();
    return link;
  };
  /** A dog that the link is for. */
  const dogOf = (ask: Ask): { readonly id: string; readonly link: HomeLink } => {
    const link = linkOf(ask);
    const { id = '' } = ask.params;
    if (!link.dogIds.includes(id)) throw nothingHere();
    return { id, link };
  };
  const notAhead = (on: string): void => {
    // A phone's own day may be one ahead of the salon's.
    if ((parseDay(on) ?? 0) > todayOf(kept, salonOf(kept)) + 1)
      throw new Problem(400, 'day', `day ${on} is still to come: note what was done.`);
  };
  const page = ({ homeLink = '' }: Ask, link: HomeLink) => {
    askTide(kept, desk);
    return ownerPage(kept, desk, link.dogIds, feedTokenOf(homeLink));
  };
  /** An entry of a dog's home that is sent again changes nothing; one that belongs to another dog is nobody's. */
  const once = (before: { readonly dogId: string } | undefined, dogId: string, add: () => void): boolean => {
    if (before && before.dogId !== dogId) throw nothingHere();
    if (!before) add();
    return !before;
  };

  router.get(
    '/owner',
    endpoint((ask) => ({ json: page(ask, linkOf(ask)) })),
  );
  router.post(
    '/owner/dogs/:id/bouts',
    endpoint((ask) => {
      const { id, link } = dogOf(ask);
      const bout = parsed(homeBoutSchema, ask.body);
      notAhead(bout.day);
      const added = stores.write(() => once(stores.home.findBout(bout.id), id, () => stores.home.addBout(id, bout)));
      return { status: added ? 201 : 200, json: page(ask, link) };
    }),
  );
  router.post(
    '/owner/dogs/:id/cares',
    endpoint((ask) => {
      const { id, link } = dogOf(ask);
      const care = parsed(homeCareSchema, ask.body);
      notAhead(care.day);
      const added = stores.write(() => once(stores.home.findCare(care.id), id, () => stores.home.addCare(id, care)));
      return { status: added ? 201 : 200, json: page(ask, link) };
    }),
  );
  router.post(
    '/owner/dogs/:id/started',
    endpoint((ask) => {
      const { id, link } = dogOf(ask);
      const word = parsed(homeStartedSchema, ask.body);
      notAhead(word.day);
      const added = stores.write(() =>
        once(stores.tide.findNote(word.id), id, () =>
          stores.tide.addNote(id, { ...word, what: 'started', amount: null, grams: null }),
        ),
      );
      return { status: added ? 201 : 200, json: page(ask, link) };
    }),
  );
  router.post(
    '/owner/dogs/:id/reports',
    endpoint((ask) => {
      const { id, link } = dogOf(ask);
      const report = parsed(homeReportSchema, ask.body);
      notAhead(report.day);
      const added = stores.write(() =>
        once(stores.home.findReport(report.id), id, () => stores.home.addReport(id, report)),
      );
      return { status: added ? 201 : 200, json: page(ask, link) };
    }),
  );
  router.put(
    '/owner/dogs/:id/reports/:reportId/photo',
    express.raw({ type: 'image/jpeg', limit: PHOTO_LIMIT_BYTES }),
    endpoint((ask) => {
      const { id, link } = dogOf(ask);
      const { reportId = '' } = ask.params;
      const report = ID_PATTERN.test(reportId) ? stores.home.findReport(reportId) : undefined;
      if (report?.dogId !== id) throw nothingHere();
      if (!(ask.body instanceof Uint8Array) || ask.body.length === 0)
        throw new Problem(415, null, 'A photo is sent as the bytes of a JPEG file, with Content-Type: image/jpeg.');
      const picture = bareJpeg(ask.body);
      if (!picture.ok) throw new Problem(400, null, 'These bytes are no JPEG file. Take the photo again.');
      const { bytes } = picture.value;
      stores.write(() => stores.home.setPhoto(report.id, bytes));
      return { json: page(ask, link) };
    }),
  );
  router.put(
    '/owner/post',
    endpoint((ask) => {
      const link = linkOf(ask);
      const wish = parsed(ownPostSchema, ask.body);
      const dog = stores.dogs.find(link.dogIds[0] ?? '');
      if (!dog) throw nothingHere();
      return stores.write(() => {
        const before = wishOf(kept, dog);
        const after = { ...before, ...wish };
        mustReach(dog, after);
        stores.post.saveWish(dog.owner, after, before.version);
        return { json: page(ask, link) };
      });
    }),
  );
  return router;
}
