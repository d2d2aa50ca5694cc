/** /api/checks/:id/photos and /api/photos: pictures of a zone or the whole dog, kept with the check, bare of what a camera writes. */
import type { Router } from 'express';
import { ID_PATTERN } from '../../contract/common.ts';
import { MOST_PHOTOS, photoZone, type PhotoRecord } from '../../contract/photo.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { pictureOf } from '../picture.ts';
import { found, Problem } from '../problem.ts';
import { bytes, createOnce, ok } from '../reply.ts';

export function photoRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  on('GET /checks/:id/photos', ({ params: { id } }) => {
    found(stores.checks.find(id), 'check', id);
    return ok({ photos: stores.photos.ofCheck(id) });
  });
  on('PUT /checks/:id/photos/:photoId', ({ params: { id, photoId }, query, body }) => {
    if (!ID_PATTERN.test(photoId))
      throw new Problem(400, 'photoId', 'photoId must be 1 to 64 letters, digits or dashes.');
    const zone = photoZone(query.zone);
    if (zone === undefined) {
      const some = ZONE_IDS.slice(0, 3).join(', ');
      throw new Problem(400, 'zone', `zone must be one of the zones (${some} …) or left out, not "${query.zone}".`);
    }
    const { width, height, bytes } = pictureOf(body);
    return stores.write(() => {
      found(stores.checks.find(id), 'check', id);
      const photo: PhotoRecord = { id: photoId, checkId: id, zone, width, height };
      return createOnce(
        { what: 'photo', id: photoId, there: stores.photos.find(photoId), isSame: (p) => p.checkId === id },
        () => {
          if (stores.photos.ofCheck(id).length >= MOST_PHOTOS)
            throw new Problem(409, null, `A check keeps ${MOST_PHOTOS} photos at most. Remove one first.`);
          stores.photos.insert(photo, bytes);
        },
        () => found(stores.photos.find(photoId), 'photo', photoId),
      );
    });
  });
  on('GET /photos/:id', ({ params: { id } }) => bytes('image/jpeg', found(stores.photos.jpeg(id), 'photo', id)));
  on('DELETE /photos/:id', ({ params: { id } }) => {
    found(stores.write(() => stores.photos.remove(id)) || undefined, 'photo', id);
    return ok({ removed: id });
  });
  return router;
}
