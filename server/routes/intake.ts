/** /api/intake: clients brought in from somebody's table, looked at first, all or nothing, and undone as one. */
import type { Router } from 'express';
import type { IntakePreview, IntakeRecord } from '../../contract/safe.ts';
import type { IntakeColumns } from '../../core/formats/index.ts';
import { bringIn, takeBack, touchedSince } from '../client-import.ts';
import type { StoredIntake } from '../db/intake.ts';
import { counter } from '../endpoint.ts';
import { salonOf, todayOf, type Served } from '../facts.ts';
import type { ReadClients } from '../formats/client-table.ts';
import { found, Problem } from '../problem.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';

const SHOWN_LINES = 500;

export function intakeRoutes(kept: Served, work: WorkerQueue): Router {
  const { stores, nowMs } = kept;
  const { router, on } = counter(kept);

  const read = (csv: string, columns: IntakeColumns | undefined): Promise<ReadClients> =>
    work.run('clients', { csv, columns, known: stores.dogs.names(), today: todayOf(kept, salonOf(kept)) });

  on('POST /intake/preview', async ({ body: { csv, columns: chosen } }) => {
    const { header, columns, dogs, lines } = await read(csv, chosen);
    const wrong = lines.filter((l) => l.problem !== undefined);
    const page: IntakePreview = {
      header,
      columns,
      // What is wrong first: it is what there is to do.
      rows: [...wrong, ...lines.filter((l) => l.problem === undefined)].slice(0, SHOWN_LINES).map((l) => ({
        line: l.line,
        dog: l.dogName,
        owner: l.ownerName,
        newDog: l.newDog,
        visit: l.visit !== undefined,
        problem: l.problem ?? null,
      })),
      dogs: dogs.length,
      visits: lines.filter((l) => l.visit && l.problem === undefined).length,
      problems: wrong.length,
    };
    return { json: page };
  });

  const record = ({ dogIds, visitIds, ...i }: StoredIntake): IntakeRecord => ({
    ...i,
    dogs: dogIds.length,
    visits: visitIds.length,
  });
  const list = (): { readonly intakes: readonly IntakeRecord[] } => ({ intakes: stores.intake.newest().map(record) });

  on('GET /intake', () => ({ json: list() }));
  on('POST /intake', async ({ body: { id, csv, columns }, actor }) => {
    const there = stores.intake.find(id);
    if (there) return { status: 200, json: record(there) };
    const { dogs, lines } = await read(csv, columns);
    const wrong = lines.filter((l) => l.problem !== undefined);
    const [first] = wrong;
    if (first)
      throw new Problem(
        409,
        `csv.${first.line}`,
        `Line ${first.line}: ${first.problem} ${wrong.length > 1 ? `${wrong.length - 1} more lines cannot be taken. ` : ''}Nothing was brought in.`,
      );
    const status = await bringIn(stores, { id, atMs: nowMs(), who: actor.name }, { dogs, lines });
    return { status, json: record(found(stores.intake.find(id), 'intake', id)) };
  });
  on('DELETE /intake/:id', async ({ params: { id } }) => {
    const intake = found(stores.intake.find(id), 'intake', id);
    if (!intake.undone) {
      const touched = await touchedSince(stores, intake);
      if (touched.length > 0)
        throw new Problem(
          409,
          null,
          `${touched.slice(0, 3).join(', ')}${touched.length > 3 ? ` and ${touched.length - 3} more` : ''} came in with this, and something was done with them since. Nothing was undone.`,
        );
      await takeBack(stores, intake);
      stores.write(() => stores.intake.undo(id, nowMs()));
    }
    return { json: list() };
  });
  return router;
}
