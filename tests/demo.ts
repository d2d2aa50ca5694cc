/** The demo salon, filled once for all tests of a run that want it of the same hour: processes of a run share a folder. */
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newMemos, type Memos } from '../server/context.ts';
import { openDb, stores, type Db, type Stores } from '../server/db/index.ts';
import { seededRandom } from '../core/quantity/index.ts';
import { simulatedOutside } from '../demo/devices/outside.ts';
import { fillDemo } from '../demo/seed.ts';
import { tideQuestion } from '../server/services/learn-tide.ts';
import { bookBefore } from '../server/services/tide-file.ts';
import { LearntKeeper, learntBefore } from '../server/services/learnt.ts';
import { TideDesk } from '../server/tide-desk.ts';

/** Minutes of visits, which are known by all that they are planned from: planned once for a run. */
const { minutes } = newMemos();
const HOUR_MS = 3_600_000;
const filled = new Map<number, Buffer>();
const shared = process.env.DEMO_FOLDER;

const hourOf = (nowMs: number): number => Math.floor(nowMs / HOUR_MS);

/** Whole or not at all: another process may look at any moment. */
function share(hour: number, bytes: Buffer): Buffer {
  filled.set(hour, bytes);
  if (!shared) return bytes;
  const file = join(shared, `${hour}.sqlite`);
  writeFileSync(`${file}.${process.pid}`, bytes);
  renameSync(`${file}.${process.pid}`, file);
  return bytes;
}

function demoFile(nowMs: number): Buffer {
  const hour = hourOf(nowMs);
  const known = filled.get(hour);
  if (known) return known;
  const file = shared && join(shared, `${hour}.sqlite`);
  if (file && existsSync(file)) {
    const bytes = readFileSync(file);
    filled.set(hour, bytes);
    return bytes;
  }
  const db = openDb(':memory:');
  fillDemo(stores(db), nowMs, { minutes });
  const bytes = db.serialize();
  db.close();
  return share(hour, bytes);
}

/** Fills the demo salon of an instant and has its tide learnt, as one that has been open for a while; once for a run and hour. */
export async function learnDemo(nowMs: number): Promise<void> {
  const db = demoDb(nowMs);
  const kept = stores(db);
  if (learntBefore(kept)) return void db.close();
  const keeper = new LearntKeeper(kept, () => nowMs);
  let written: Promise<void> | undefined;
  const tide = new TideDesk(undefined, (packed) => (written = keeper.keep(packed)));
  const context = { stores: kept, nowMs: () => nowMs, memos: freshMemos(), tide };
  await tide.atOnce(() => tideQuestion(context));
  await tide.settled();
  await written;
  tide.close();
  share(hourOf(nowMs), db.serialize());
  db.close();
}

/** A database of its own in memory, with the demo salon of an instant. */
export const demoDb = (nowMs: number): Db => openDb(Buffer.from(demoFile(nowMs)));

/** Puts the demo salon of today into a data folder, as a server that ran there would have left it. */
export const demoIn = (folder: string): void => writeFileSync(join(folder, 'woolly-tide.sqlite'), demoFile(Date.now()));

/** Nothing remembered of a salon but minutes. */
export const freshMemos = (): Memos => ({ ...newMemos(), minutes });

/** Simulated devices on a clock, with the same chance in every run. */
export const outsideAt = (nowMs: () => number) => simulatedOutside(nowMs, seededRandom(1));

/** What a server that is started on a file knows of it: what was learnt before, and the dogs as they were read then. */
export function knownAtStart(kept: Stores): { readonly memos: Memos; readonly tide: TideDesk } {
  const before = learntBefore(kept);
  const memos = freshMemos();
  bookBefore({ memos }, before?.dogs ?? []);
  return { memos, tide: new TideDesk(before) };
}
