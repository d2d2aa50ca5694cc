/** /api/checks/:id/photos and /api/photos: pictures of a zone or the whole dog, kept with the check, bare of what a camera writes. */
import express, { Router } from 'express';
import { ID_PATTERN } from '../../contract/common.ts';
import { MOST_PHOTOS, PHOTO_LIMIT_BYTES, photoZone, type PhotoRecord } from '../../contract/photo.ts';
import { bareJpeg } from '../../core/formats/index.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { endpoint } from '../endpoint.ts';
import type { Kept } from '../facts.ts';
import { found, Problem } from '../problem.ts';

export function photoRoutes({ stores }: Kept): Router {
  const router = Router();
  router.get(
    '/checks/:id/photos',
    endpoint(({ params: { id = '' } }) => {
      found(stores.checks.find(id), 'check', id);
      return { json: { photos: stores.photos.ofCheck(id) } };
    }),
  );
  router.put(
    '/checks/:id/photos/:photoId',
    express.raw({ type: 'image/jpeg', limit: PHOTO_LIMIT_BYTES }),
    endpoint(({ params: { id = '', photoId = '' }, query, body }) => {
      if (!ID_PATTERN.test(photoId))
        throw new Problem(400, 'photoId', 'photoId must be 1 to 64 letters, digits or dashes.');
      const zone = photoZone(query.zone);
      if (zone === undefined) {
        const some = ZONE_IDS.slice(0, 3).join(', ');
        throw new Problem(400, 'zone', `zone must be one of the zones (${some} …) or left out, not "${query.zone}".`);
      }
      if (!(body instanceof Uint8Array) || body.length === 0) {
        throw new Problem(415, null, 'A photo is sent as the bytes of a JPEG file, with Content-Type: image/jpeg.');
      }
      const picture = bareJpeg(body);
      if (!picture.ok) {
        const what = picture.error === 'not-jpeg' ? 'These bytes are no JPEG file.' : 'This JPEG file is broken.';
        throw new Problem(400, null, `${what} Take the photo again, or choose another file.`);
      }
      const { width, height, bytes } = picture.value;
      return stores.write(() => {
        found(stores.checks.find(id), 'check', id);
        const there = stores.photos.find(photoId);
        if (there && there.checkId !== id) {
          throw new Problem(409, 'photoId', `The photo id "${photoId}" belongs to another check. Make a new id.`);
        }
        if (there) return { status: 200, json: there };
        if (stores.photos.ofCheck(id).length >= MOST_PHOTOS) {
          throw new Problem(409, null, `A check keeps ${MOST_PHOTOS} photos at most. Remove one first.`);
        }
        const photo: PhotoRecord = { id: photoId, checkId: id, zone, width, height };
        stores.photos.insert(photo, bytes);
        return { status: 201, json: photo };
      });
    }),
  );
  router.get(
    '/photos/:id',
    endpoint(({ params: { id = '' } }) => ({
      bytes: { type: 'image/jpeg', body: found(stores.photos.jpeg(id), 'photo', id) },
    })),
  );
  router.delete(
    '/photos/:id',
    endpoint(({ params: { id = '' } }) => {
      found(stores.write(() => stores.photos.remove(id)) || undefined, 'photo', id);
      return { json: { removed: id } };
    }),
  );
  return router;
}
