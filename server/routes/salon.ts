/** /api/salon, /api/kit and /api/rules: the house's side in open quarrels, its tools, and the rules of the trade. */
import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { salonEditSchema, toolDraftSchema } from '../../contract/salon.ts';
import { RULES } from '../../core/kit/index.ts';
import { endpoint } from '../endpoint.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { found, parsed, stale } from '../problem.ts';

export function salonRoutes(kept: Kept): Router {
  const { stores } = kept;
  const router = Router();
  router.get(
    '/salon',
    endpoint(() => {
      const salon = salonOf(kept);
      return { json: { salon, today: todayOf(kept, salon) } };
    }),
  );
  router.put(
    '/salon',
    endpoint(({ body }) => {
      const edit = parsed(salonEditSchema, body);
      return {
        json: stores.write(() => {
          if (!stores.salon.update(edit)) throw stale(salonOf(kept), edit);
          return salonOf(kept);
        }),
      };
    }),
  );
  router.get(
    '/kit',
    endpoint(() => ({ json: { tools: stores.salon.kit() } })),
  );
  router.post(
    '/kit',
    endpoint(({ body }) => {
      const draft = parsed(toolDraftSchema, body);
      const id = randomUUID();
      stores.write(() => stores.salon.addTool(id, draft));
      return { status: 201, json: { id, ...draft } };
    }),
  );
  router.delete(
    '/kit/:id',
    endpoint(({ params: { id = '' } }) => {
      found(stores.write(() => stores.salon.removeTool(id)) || undefined, 'tool', id);
      return { json: { removed: id } };
    }),
  );
  router.get(
    '/rules',
    endpoint(() => ({ json: { rules: RULES } })),
  );
  return router;
}
