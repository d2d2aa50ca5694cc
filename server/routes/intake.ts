/** /api/intake: clients brought in from somebody's table, looked at first, all or nothing, and undone as one. */
import type { Router } from 'express';
import type { IntakeRecord } from '../../contract/safe.ts';
import type { IntakeColumns } from '../../core/formats/index.ts';
import { bringIn, takeBack, touchedSince } from '../client-import.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import type { ClientTable } from '../formats/client-table.ts';
import { found, Problem } from '../problem.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';
import { created, ok } from '../reply.ts';

export function intakeRoutes(context: ServerContext, work: WorkerQueue): Router {
  const { stores, nowMs } = context;
  const { router, on } = apiRouter(context);

  const table = (csv: string, columns: IntakeColumns | undefined): ClientTable => ({
    csv,
    columns,
    known: stores.dogs.names(),
    today: todayOf(context, salonOf(context)),
  });

  on('POST /intake/preview', async ({ body: { csv, columns } }) =>
    ok(await work.run('clientPreview', table(csv, columns))),
  );

  const list = (): { readonly intakes: readonly IntakeRecord[] } => ({ intakes: stores.intake.newest() });

  on('GET /intake', () => ok(list()));
  on('POST /intake', async ({ body: { id, csv, columns }, actor }) => {
    const there = stores.intake.find(id);
    if (there) return ok(there);
    const { dogs, visits, wrong } = await work.run('clients', table(csv, columns));
    if (wrong)
      throw new Problem(
        409,
        `csv.${wrong.first.line}`,
        `Line ${wrong.first.line}: ${wrong.first.problem} ${wrong.count > 1 ? `${wrong.count - 1} more lines cannot be taken. ` : ''}Nothing was brought in.`,
      );
    const isNew = await bringIn(stores, { id, atMs: nowMs(), who: actor.name }, { dogs, visits });
    const intake = found(stores.intake.find(id), 'intake', id);
    return isNew ? created(intake) : ok(intake);
  });
  on('DELETE /intake/:id', async ({ params: { id } }) => {
    const intake = found(stores.intake.find(id), 'intake', id);
    if (!intake.undone) {
      const touched = await touchedSince(stores, id);
      if (touched.length > 0)
        throw new Problem(
          409,
          null,
          `${touched.slice(0, 3).join(', ')}${touched.length > 3 ? ` and ${touched.length - 3} more` : ''} came in with this, and something was done with them since. Nothing was undone.`,
        );
      await takeBack(stores, id);
      stores.write(() => stores.intake.undo(id, nowMs()));
    }
    return ok(list());
  });
  return router;
}
