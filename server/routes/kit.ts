/** /api/kit: the pieces on the wall and in owners' homes, their wear, their upkeep, and how they serve the dogs. */
import { setImmediate } from 'node:timers/promises';
import type { Router } from 'express';
import { coatCheck } from '../../contract/check-facts.ts';
import type { KitPage, ToolDraft } from '../../contract/kit.ts';
import { SHOP, toolRow, wearOf, type Use } from '../../core/kit/index.ts';
import { parseDay } from '../../core/quantity/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { AppContext, ServerContext } from '../context.ts';
import { activeChecks, coreDog, wallOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { sessionResult } from '../services/worked-sessions.ts';
import { found, Problem, stale } from '../problem.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';
import { createOnce, created, ok } from '../reply.ts';

/** Sessions that are folded before others are answered. */
const AT_ONCE = 20;

/** Every working of every piece, by its id; only sessions with new events are folded again. */
async function usesByTool(context: AppContext): Promise<ReadonlyMap<string, readonly Use[]>> {
  const { sessions } = context.stores;
  const known = context.memos.workings.of('', '', () => ({ upTo: 0, bySession: new Map(), byTool: new Map() }));
  const upTo = sessions.newestEvent();
  if (upTo === known.upTo) return known.byTool;
  for (const [i, id] of sessions.touchedSince(known.upTo).entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await setImmediate();
    const line = sessions.line(id);
    if (line) known.bySession.set(id, sessionResult(context, line).uses);
  }
  const byTool = new Map<string, Use[]>();
  for (const workings of known.bySession.values())
    for (const { toolId, ...use } of workings) {
      const own = byTool.get(toolId);
      if (own) own.push(use);
      else byTool.set(toolId, [use]);
    }
  for (const uses of byTool.values()) uses.sort((a, b) => a.day - b.day);
  // Anyone who asked meanwhile may have come further.
  if (upTo >= known.upTo) Object.assign(known, { upTo, byTool });
  return byTool;
}

async function kitPage(context: AppContext): Promise<KitPage> {
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  const tools = context.stores.kit.all();
  const upkeep = context.stores.kit.upkeep();
  const uses = await usesByTool(context);
  const wear = Object.fromEntries(
    tools.map((t) => [
      t.id,
      wearOf(
        t.kind,
        t.since === null ? undefined : parseDay(t.since),
        uses.get(t.id) ?? [],
        upkeep.flatMap((u) => {
          const on = u.toolId === t.id ? parseDay(u.day) : undefined;
          return on === undefined ? [] : [{ act: u.act, day: on }];
        }),
        today,
      ),
    ]),
  );
  return { today, currency: salon.house.rates.currency, tools, wear, upkeep };
}

export function kitRoutes(context: ServerContext, work: WorkerQueue): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  /** A piece in a home is of a kind that owners can be trusted with, and of a dog that exists. */
  const mustSuit = (draft: ToolDraft): void => {
    if (draft.homeOf === null) return;
    if (!stores.dogs.find(draft.homeOf)) {
      throw new Problem(
        409,
        'homeOf',
        `homeOf names no dog: "${draft.homeOf}". Choose the dog in whose home it lies, or none.`,
      );
    }
    if (!toolRow(draft.kind).forOwners) {
      const { name } = toolRow(draft.kind);
      throw new Problem(
        409,
        'kind',
        `kind "${draft.kind}": a ${name} is no tool for owners. Choose one that several hands can use.`,
      );
    }
  };

  on('GET /kit', async () => ok(await kitPage(context)));
  on('GET /kit/coverage', async () => {
    const today = todayOf(context, salonOf(context));
    const dogs = [...activeChecks(context)].flatMap(([dogId, check]) => {
      const dog = stores.dogs.find(dogId);
      return dog ? [{ dog: coreDog(dog, today), check: coatCheck(check) }] : [];
    });
    const asked = { dogs, kit: wallOf(context), shop: SHOP, house: salonOf(context).house };
    return ok(await work.run('coverage', asked));
  });
  on('POST /kit', ({ body: { id, ...draft } }) =>
    stores.write(() =>
      createOnce(
        { what: 'tool', id, there: stores.kit.find(id) },
        () => {
          mustSuit(draft);
          stores.kit.insert(id, draft);
        },
        () => found(stores.kit.find(id), 'tool', id),
      ),
    ),
  );
  on('PUT /kit/:id', ({ params: { id }, body: edit }) => {
    return ok(
      stores.write(() => {
        found(stores.kit.find(id), 'tool', id);
        mustSuit(edit);
        if (!stores.kit.update(id, edit)) throw stale(stores.kit.find(id), edit);
        return found(stores.kit.find(id), 'tool', id);
      }),
    );
  });
  on('DELETE /kit/:id', ({ params: { id } }) => {
    found(stores.write(() => stores.kit.remove(id)) || undefined, 'tool', id);
    return ok({ removed: id });
  });
  on('POST /kit/upkeep', async ({ body: { entries } }) => {
    stores.write(() => {
      for (const entry of entries) {
        found(stores.kit.find(entry.toolId), 'tool', entry.toolId);
        const owner = stores.kit.ownerOfUpkeep(entry.id);
        if (owner !== undefined && owner !== entry.toolId) {
          throw new Problem(409, 'id', `The entry id "${entry.id}" belongs to another piece. Make a new id.`);
        }
        stores.kit.addUpkeep(entry);
      }
    });
    return created(await kitPage(context));
  });
  on('DELETE /kit/upkeep/:id', ({ params: { id } }) => {
    found(stores.write(() => stores.kit.removeUpkeep(id)) || undefined, 'entry', id);
    return ok({ removed: id });
  });
  return router;
}
