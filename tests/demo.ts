/** The demo salon, filled once for all tests of a run that want it of the same hour: processes of a run share a folder. */
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newMemos, type Memos } from '../server/context.ts';
import { openDb, stores, type Db } from '../server/db/index.ts';
import { seededRandom } from '../core/quantity/index.ts';
import { simulatedOutside } from '../demo/devices/outside.ts';
import { fillDemo } from '../demo/seed.ts';

const HOUR_MS = 3_600_000;
const filled = new Map<number, Buffer>();
const shared = process.env.DEMO_FOLDER;

function demoFile(nowMs: number): Buffer {
  const hour = Math.floor(nowMs / HOUR_MS);
  let bytes = filled.get(hour);
  const file = shared && join(shared, `${hour}.sqlite`);
  if (!bytes && file && existsSync(file)) bytes = readFileSync(file);
  if (!bytes) {
    const db = openDb(':memory:');
    fillDemo(stores(db), nowMs);
    bytes = db.serialize();
    db.close();
    if (file) {
      // Whole or not at all: another process may look at any moment.
      writeFileSync(`${file}.${process.pid}`, bytes);
      renameSync(`${file}.${process.pid}`, file);
    }
  }
  filled.set(hour, bytes);
  return bytes;
}

/** A database of its own in memory, with the demo salon of an instant. */
export const demoDb = (nowMs: number): Db => openDb(Buffer.from(demoFile(nowMs)));

/** Puts the demo salon of today into a data folder, as a server that ran there would have left it. */
export const demoIn = (folder: string): void => writeFileSync(join(folder, 'woolly-tide.sqlite'), demoFile(Date.now()));

const { minutes } = newMemos();
/** Nothing remembered of a salon; only minutes, which are known by all that they are planned from, are planned once for a run. */
export const freshMemos = (): Memos => ({ ...newMemos(), minutes });

/** Simulated devices on a clock, with the same chance in every run. */
export const outsideAt = (nowMs: () => number) => simulatedOutside(nowMs, seededRandom(1));
