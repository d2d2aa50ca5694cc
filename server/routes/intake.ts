/** Clients brought in from somebody's table: looked at first, all or nothing, and undone as one. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import Papa from 'papaparse';
import type { IntakePreview, IntakeRecord } from '../../contract/safe.ts';
import { guessColumns, readIntake, type Intake, type IntakeColumns } from '../../core/formats/index.ts';
import { formatDay } from '../../core/quantity/index.ts';
import type { StoredIntake } from '../db/intake.ts';
import { counter } from '../endpoint.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { asTyped } from '../table-text.ts';
import { found, Problem } from '../problem.ts';

const MOST_LINES = 20_000;
const SHOWN_LINES = 500;

interface Table {
  readonly header: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/** A table of text, with its head; a 400 when it is none. */
function tableOf(csv: string): Table {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
    transform: (v) => asTyped(v.trim()),
  });
  const header = (meta.fields ?? []).filter((h) => h !== '');
  if (header.length < 2 || data.length === 0)
    throw new Problem(
      400,
      'csv',
      'This is no table: its first line must name the columns, with a comma, a semicolon or a tab between them.',
    );
  if (data.length > MOST_LINES)
    throw new Problem(
      400,
      'csv',
      `This table has ${data.length} lines; ${MOST_LINES} at most are read at once. Split it.`,
    );
  return { header, rows: data };
}

export function intakeRoutes(kept: Kept): Router {
  const { stores, nowMs } = kept;
  const { router, on } = counter(kept);

  const read = (table: Table, columns: IntakeColumns): Intake => {
    const stray = Object.values(columns).find((head) => !table.header.includes(head));
    if (stray !== undefined)
      throw new Problem(
        400,
        'columns',
        `columns names "${stray.slice(0, 80)}", which is no column of this table. Choose one of its own.`,
      );
    for (const needed of ['dog', 'owner'] as const)
      if (columns[needed] === undefined)
        throw new Problem(
          400,
          'columns',
          `columns must say which column holds the ${needed === 'dog' ? 'dog’s' : 'owner’s'} name.`,
        );
    const known = stores.dogs.all().map((d) => ({ id: d.id, name: d.name, owner: d.owner.name, phone: d.owner.phone }));
    return readIntake(table.rows, columns, known, todayOf(kept, salonOf(kept)));
  };

  on('POST /intake/preview', ({ body: { csv, columns } }) => {
    const table = tableOf(csv);
    const guessed = columns ?? guessColumns(table.header);
    const { dogs, lines } =
      guessed.dog === undefined || guessed.owner === undefined ? { dogs: [], lines: [] } : read(table, guessed);
    const wrong = lines.filter((l) => l.problem !== undefined);
    const page: IntakePreview = {
      header: table.header,
      columns: guessed,
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
  on('POST /intake', ({ body: { id, csv, columns }, actor }) => {
    const table = tableOf(csv);
    return stores.write(() => {
      const there = stores.intake.find(id);
      if (there) return { status: 200, json: record(there) };
      const { dogs, lines } = read(table, columns);
      const wrong = lines.filter((l) => l.problem !== undefined);
      const [first] = wrong;
      if (first)
        throw new Problem(
          409,
          `csv.${first.line}`,
          `Line ${first.line}: ${first.problem} ${wrong.length > 1 ? `${wrong.length - 1} more lines cannot be taken. ` : ''}Nothing was brought in.`,
        );
      const dogIds = dogs.map((d) => {
        const dogId = randomUUID();
        stores.dogs.insert(dogId, {
          name: d.name,
          breed: d.breed,
          sex: d.sex,
          born: d.born === undefined ? null : formatDay(d.born),
          coatClass: d.coatClass,
          shape: d.shape,
          weightKg: d.weightKg,
          lastSeason: null,
          traits: d.neutered ? ['neutered'] : [],
          outdoorShare: 0.2,
          standingMinutes: null,
          homeCare: 'none',
          note: d.note,
          owner: { name: d.owner, phone: d.phone },
        });
        return dogId;
      });
      const visitIds = lines.flatMap(({ dog, visit }) => {
        const dogId = typeof dog === 'number' ? dogIds[dog] : dog;
        if (!visit || dogId === undefined) return [];
        const visitId = randomUUID();
        stores.intake.addVisit({
          id: visitId,
          dogId,
          day: visit.day,
          minutes: visit.minutes ?? null,
          grams: visit.grams ?? null,
        });
        return [visitId];
      });
      stores.intake.add({ id, atMs: nowMs(), who: actor.name, dogIds, visitIds });
      return { status: 201, json: record(found(stores.intake.find(id), 'intake', id)) };
    });
  });
  on('DELETE /intake/:id', ({ params: { id } }) =>
    stores.write(() => {
      const intake = found(stores.intake.find(id), 'intake', id);
      if (!intake.undone) {
        const touched = intake.dogIds.map((d) => stores.intake.touched(d)).filter((n) => n !== undefined);
        if (touched.length > 0)
          throw new Problem(
            409,
            null,
            `${touched.slice(0, 3).join(', ')}${touched.length > 3 ? ` and ${touched.length - 3} more` : ''} came in with this, and something was done with them since. Nothing was undone.`,
          );
        for (const visit of intake.visitIds) stores.intake.dropVisit(visit);
        for (const dog of intake.dogIds) stores.intake.dropDog(dog);
        stores.intake.undo(id, nowMs());
      }
      return { json: list() };
    }),
  );
  return router;
}
