/** Does beside the server what reads a whole file: looks it through, or writes it out. Answers once and ends. */
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import { writeArchive } from './archive.ts';
import { lookedThrough } from './verify.ts';

export type SafeWork =
  | { readonly kind: 'look'; readonly path: string }
  | { readonly kind: 'archive'; readonly database: string; readonly zip: string };

async function done(work: SafeWork): Promise<unknown> {
  if (work.kind === 'look') return lookedThrough(work.path, 'deep');
  const db = new Database(work.database, { readonly: true, fileMustExist: true });
  try {
    await writeArchive(db, work.zip);
    return { ok: true };
  } finally {
    db.close();
  }
}

const { given }: { given: SafeWork } = workerData;
parentPort?.postMessage(await done(given));
