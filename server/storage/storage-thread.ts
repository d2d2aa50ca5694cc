/** Does beside the server what reads a whole file: copies it, looks it through, or writes it out. Answers once and ends. */
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import { writeArchive } from './archive.ts';
import { lookedThrough } from './verify.ts';

export type SafeWork =
  | { readonly kind: 'copy'; readonly database: string; readonly to: string }
  | { readonly kind: 'look'; readonly path: string }
  | { readonly kind: 'archive'; readonly database: string; readonly zip: string };

async function done(work: SafeWork): Promise<unknown> {
  if (work.kind === 'look') return lookedThrough(work.path, 'deep');
  const db = new Database(work.database, { readonly: true, fileMustExist: true });
  try {
    // The copy holds what was there when it began. Writers do not wait for it, nor it for them.
    if (work.kind === 'copy') db.prepare('VACUUM INTO ?').run(work.to);
    else await writeArchive(db, work.zip);
    return { ok: true };
  } finally {
    db.close();
  }
}

const { given }: { given: SafeWork } = workerData;
parentPort?.postMessage(await done(given));
