/**
 * Clients brought in and taken out again, in short pieces between the requests. What comes in is written down before its first
 * piece, so that an import which fails or is cut off is taken back whole: at once, or at the next start.
 */
import { randomUUID } from 'node:crypto';
import { formatDay } from '../core/quantity/index.ts';
import type { IntakeDog } from '../core/formats/index.ts';
import type { Stores } from './db/index.ts';
import type { ReadClients } from './formats/client-table.ts';
import { Problem } from './problem.ts';
import { Pauses, writeInPieces } from './work/pauses.ts';

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

/** Brings in dogs and past visits; false: the same import is there already. */
export async function bringIn(
  stores: Stores,
  intake: { readonly id: string; readonly atMs: number; readonly who: string },
  { dogs, visits: read }: Pick<ReadClients, 'dogs' | 'visits'>,
): Promise<boolean> {
  const { id } = intake;
  const begun = stores.write(() => {
    if (stores.intake.find(id)) return false;
    if (stores.intake.unfinished().includes(id))
      throw new Problem(409, 'id', 'This table is being brought in at this moment. Wait until it is there.');
    stores.intake.begin(intake);
    return true;
  });
  if (!begun) return false;
  try {
    const dogIds: string[] = [];
    await writeInPieces(stores, dogs, (d) => {
      const dogId = randomUUID();
      dogIds.push(dogId);
      addDog(stores, dogId, d);
      stores.intake.noteDog(id, dogId);
    });
    await writeInPieces(stores, read, ({ dog, day, minutes = null, grams = null }) => {
      const dogId = typeof dog === 'number' ? (dogIds[dog] ?? '') : dog;
      stores.intake.addVisit(id, { id: randomUUID(), dogId, day, minutes, grams });
    });
    stores.write(() => stores.intake.finish(id));
    return true;
  } catch (problem) {
    await drop(stores, id);
    throw problem;
  }
}

/** Takes out what came in with an import; a dog that something was done with meanwhile stays, with its visits. */
export async function takeBack(stores: Stores, intakeId: string): Promise<void> {
  await writeInPieces(stores, stores.intake.visitIds(intakeId), stores.intake.dropVisit);
  await writeInPieces(stores, stores.intake.dogIds(intakeId), (id) => {
    if (stores.intake.touched(id) === undefined) stores.intake.dropDog(id);
  });
}

async function drop(stores: Stores, intakeId: string): Promise<void> {
  await takeBack(stores, intakeId);
  stores.write(() => stores.intake.drop(intakeId));
}

/** Takes back imports that were cut off when the program ended. */
export async function dropUnfinished(stores: Stores): Promise<void> {
  for (const id of stores.intake.unfinished()) await drop(stores, id);
}

/** Names of dogs of an import that something was done with since. */
export async function touchedSince(stores: Stores, intakeId: string): Promise<readonly string[]> {
  const pauses = new Pauses();
  const names: string[] = [];
  for (const id of stores.intake.dogIds(intakeId)) {
    const name = stores.intake.touched(id);
    if (name !== undefined) names.push(name);
    await pauses.take();
  }
  return names;
}
