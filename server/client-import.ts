/**
 * Clients brought in and taken out again, in short pieces between the requests. What comes in is written down before its first
 * piece, so that an import which fails or is cut off is taken back whole: at once, or at the next start.
 */
import { randomUUID } from 'node:crypto';
import { formatDay } from '../core/quantity/index.ts';
import type { IntakeDog } from '../core/formats/index.ts';
import type { Stores } from './db/index.ts';
import type { PastVisit, StoredIntake } from './db/intake.ts';
import type { ReadClients } from './formats/client-table.ts';
import { Problem } from './problem.ts';
import { Pauses, writeInPieces } from './work/pauses.ts';

type Imported = Pick<StoredIntake, 'dogIds' | 'visitIds'>;

function addDog(stores: Stores, id: string, d: IntakeDog): void {
  stores.dogs.insert(id, {
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
}

/** Brings in dogs and past visits: 201 when they are in, 200 when the same import is there already. */
export async function bringIn(
  stores: Stores,
  intake: { readonly id: string; readonly atMs: number; readonly who: string },
  { dogs, visits: read }: Pick<ReadClients, 'dogs' | 'visits'>,
): Promise<200 | 201> {
  const pauses = new Pauses();
  const dogIds = dogs.map(() => randomUUID());
  await pauses.take();
  const visits = read.map(({ dog, day, minutes = null, grams = null }): PastVisit => {
    const dogId = typeof dog === 'number' ? (dogIds[dog] ?? '') : dog;
    return { id: randomUUID(), dogId, day, minutes, grams };
  });
  await pauses.take();
  const imported = { dogIds, visitIds: visits.map((v) => v.id) };
  const begun = stores.write(() => {
    if (stores.intake.find(intake.id)) return false;
    if (stores.intake.unfinished().some((i) => i.id === intake.id))
      throw new Problem(409, 'id', 'This table is being brought in at this moment. Wait until it is there.');
    stores.intake.begin({ ...intake, ...imported });
    return true;
  });
  if (!begun) return 200;
  try {
    await writeInPieces(stores, dogs.entries(), ([i, d]) => addDog(stores, dogIds[i] ?? '', d));
    await writeInPieces(stores, visits, stores.intake.addVisit);
    stores.write(() => stores.intake.finish(intake.id));
    return 201;
  } catch (problem) {
    await drop(stores, { id: intake.id, ...imported });
    throw problem;
  }
}

/** Takes out what came in with an import; a dog that something was done with meanwhile stays, with its visits. */
export async function takeBack(stores: Stores, { dogIds, visitIds }: Imported): Promise<void> {
  await writeInPieces(stores, visitIds, stores.intake.dropVisit);
  await writeInPieces(stores, dogIds, (id) => {
    if (stores.intake.touched(id) === undefined) stores.intake.dropDog(id);
  });
}

async function drop(stores: Stores, intake: Imported & { readonly id: string }): Promise<void> {
  await takeBack(stores, intake);
  stores.write(() => stores.intake.drop(intake.id));
}

/** Takes back imports that were cut off when the program ended. */
export async function dropUnfinished(stores: Stores): Promise<void> {
  for (const intake of stores.intake.unfinished()) await drop(stores, intake);
}

/** Names of dogs of an import that something was done with since. */
export async function touchedSince(stores: Stores, { dogIds }: Imported): Promise<readonly string[]> {
  const pauses = new Pauses();
  const names: string[] = [];
  for (const id of dogIds) {
    const name = stores.intake.touched(id);
    if (name !== undefined) names.push(name);
    await pauses.take();
  }
  return names;
}
