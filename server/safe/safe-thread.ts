/** Does beside the server what reads a whole file: copies it, looks it through, or writes it out. Answers once and ends. */
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import { writeArchive } from './archive.ts';
import { settle } from './backups.ts';
import { lookedThrough } from './verify.ts';

export type SafeWork =
  | { readonly kind: 'copy'; readonly from: string; readonly to: string }
  | { readonly kind: 'look'; readonly path: string }
  | { readonly kind: 'archive'; readonly database: string; readonly zip: string };

async function done(work: SafeWork): Promise<unknown> {
  if (work.kind === 'look') return lookedThrough(work.path, 'deep');
  const from = work.kind === 'copy' ? work.from : work.database;
  const db = new Database(from, { readonly: true, fileMustExist: true });
  try {
    if (work.kind === 'copy') {
      // What stood when the copy was begun: whoever writes meanwhile neither waits nor is waited for.
      db.prepare('VACUUM INTO ?').run(work.to);
      // Brought to the disk here: of a large copy that takes long, and the server would stand still for it.
      settle(work.to);
      return { ok: true };
    }
    await writeArchive(db, work.zip);
    return { ok: true };
  } finally {
    db.close();
  }
}

const { given }: { given: SafeWork } = workerData;
parentPort?.postMessage(await done(given));
