/** /api/holds: what waits for a vet, and what a vet has said. */
import type { Router } from 'express';
import type { DogHolds } from '../../contract/hold.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { activeDogsInPieces, mustHaveBeen } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { found } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';
import { dogHolds, inOrderOfWaiting } from '../services/holds.ts';
import { inPieces, Pauses } from '../work/pauses.ts';

export function holdRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const heldNow = (dogId: string): DogHolds =>
    dogHolds(context, found(stores.dogs.find(dogId), 'dog', dogId), todayOf(context, salonOf(context)));

  on('GET /holds', async () => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const pauses = new Pauses();
    const held: DogHolds[] = [];
    for (const dog of await inPieces(activeDogsInPieces(context, salon, today))) {
      await pauses.take();
      const dogs = dogHolds(context, dog, today);
      if (dogs.holds.length > 0) held.push(dogs);
    }
    return ok({ today, dogs: inOrderOfWaiting(held) });
  });
  on('POST /dogs/:id/vet-words', ({ params: { id }, body: word }) => {
    mustHaveBeen(context, word.day);
    return stores.write(() => {
      found(stores.dogs.find(id), 'dog', id);
      return createOnce(
        { what: 'word', id: word.id, there: stores.holds.findWord(word.id) },
        () => stores.holds.addWord(id, word),
        () => heldNow(id),
      );
    });
  });
  on('DELETE /vet-words/:id', ({ params: { id } }) =>
    stores.write(() => {
      const { dogId } = found(stores.holds.findWord(id), 'word', id);
      stores.holds.dropWord(id);
      return ok(heldNow(dogId));
    }),
  );
  return router;
}
