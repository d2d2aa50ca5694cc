/**
 * Decides when the salon is copied and written out: one piece of work at a time, in a thread beside the requests, a few
 * waiting at most. What waits outlives a restart.
 */
import { existsSync, mkdirSync, readdirSync, rmSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import type { HoldingCopy, JobRecord, SafePage } from '../../contract/safe.ts';
import type { Db } from '../db/open.ts';
import type { Stores } from '../db/index.ts';
import { Problem } from '../problem.ts';
import { threadOf } from '../work/thread.ts';
import { backupDue, backupFolder, backupsIn, makeBackup } from './backups.ts';
import { exportFolder } from './data-folder.ts';
import { goneBy, stamp } from './backup-retention.ts';
import type { SafeWork } from './storage-thread.ts';
import type { Damaged, Sound } from './verify.ts';

export interface SafeNeeds {
  readonly stores: Stores;
  readonly nowMs: () => number;
  /** What is copied, and the folder where backups and zips lie; a salon in memory has none. */
  readonly at?: { readonly db: Db; readonly data: string } | undefined;
}

const MOST_WAITING = 4;
/** A zip lies ready so long. */
const ZIP_LASTS_MS = 24 * 3_600_000;
/** Less room than that on the disk is said. */
const LITTLE_ROOM = 200 * 1024 * 1024;
/** A clock may be corrected by so much without a word. */
const CLOCK_SLACK_MS = 5 * 60_000;

/** Bytes that are free on the disk of a folder; undefined where there is no such folder. */
function roomIn(folder: string): number | undefined {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize;
  } catch {
    return undefined;
  }
}

export class Safe {
  private running: Promise<void> | undefined;
  private closed = false;
  private backupFailed: string | undefined;
  constructor(private readonly needs: SafeNeeds) {}

  private place(): NonNullable<SafeNeeds['at']> {
    const { at } = this.needs;
    if (!at)
      throw new Problem(409, null, 'This salon is kept in memory only: there is no folder for backups and files.');
    return at;
  }
  private zipOf(id: string): string {
    return join(exportFolder(this.place().data), `${id}.zip`);
  }

  /** Where a finished job's zip lies. */
  zip(job: JobRecord): string | undefined {
    const path = this.zipOf(job.id);
    return job.state === 'done' && existsSync(path) ? path : undefined;
  }

  /** Takes a job in; the same id again is the same job. 429 when enough are waiting. */
  ask(id: string, kind: JobRecord['kind']): { readonly job: JobRecord; readonly made: boolean } {
    this.place();
    const { stores, nowMs } = this.needs;
    const there = stores.jobs.find(id);
    if (there) {
      if (there.kind !== kind) throw new Problem(409, 'id', `The id "${id}" is taken. Make a new id.`);
      return { job: there, made: false };
    }
    if (stores.jobs.open() >= MOST_WAITING)
      throw new Problem(429, null, `${MOST_WAITING} others are waiting already. Wait until they are done.`);
    stores.write(() => stores.jobs.add(id, kind, nowMs()));
    const job = stores.jobs.find(id);
    if (!job) throw new TypeError('a job that was added is not there');
    this.work();
    return { job, made: true };
  }

  /** Goes on with what was waiting when the program ended. */
  resume(): void {
    this.needs.stores.write(() => this.needs.stores.jobs.again());
    this.work();
  }

  /** Makes a backup when one is due. */
  async daily(): Promise<void> {
    const { at, nowMs } = this.needs;
    if (!at || this.closed || !backupDue(at.data, nowMs())) return;
    try {
      await this.backup();
      this.backupFailed = undefined;
    } catch (problem) {
      this.backupFailed = problem instanceof Error ? problem.message : String(problem);
    }
  }

  private work(): void {
    this.running ??= this.all().finally(() => {
      this.running = undefined;
    });
  }
  private async all(): Promise<void> {
    const { stores, nowMs } = this.needs;
    for (;;) {
      const job = this.closed ? undefined : stores.jobs.next();
      if (!job) return;
      stores.write(() => stores.jobs.begin(job.id));
      let file: string | null = null;
      let problem: string | null = null;
      try {
        file = job.kind === 'backup' ? await this.backup() : await this.export(job.id);
      } catch (e) {
        problem = e instanceof Error ? e.message : String(e);
      }
      // Ended under way: it waits for the next start.
      if (this.closed) return;
      stores.write(() => stores.jobs.end(job.id, nowMs(), file, problem));
      this.sweep();
    }
  }

  private async backup(): Promise<string> {
    const { db, data } = this.place();
    const { name } = await makeBackup(
      db,
      data,
      this.needs.nowMs(),
      (path) => this.inThread<Sound | Damaged>({ kind: 'look', path }),
      (to) => this.copy(db, to),
    );
    return name;
  }

  /** A copy of this moment, made beside the requests; a salon that is only in memory is copied here. */
  private async copy(db: Db, to: string): Promise<void> {
    // Left behind where a copy was cut off.
    rmSync(to, { force: true });
    if (db.memory) await db.backup(to);
    else await this.inThread({ kind: 'copy', database: db.name, to });
  }

  /** Everything as a zip, from a copy of this moment. */
  private async export(id: string): Promise<string> {
    const { db, data } = this.place();
    const out = exportFolder(data);
    mkdirSync(out, { recursive: true });
    const copy = join(out, `${id}.sqlite`);
    try {
      await this.copy(db, copy);
      await this.inThread({ kind: 'archive', database: copy, zip: this.zipOf(id) });
    } finally {
      for (const end of ['', '-wal', '-shm', '-journal']) rmSync(copy + end, { force: true });
    }
    return `woolly-tide-${stamp(this.needs.nowMs()).slice(0, 8)}.zip`;
  }

  private sweep(): void {
    const { stores, nowMs } = this.needs;
    for (const job of stores.jobs.endedBefore(nowMs() - ZIP_LASTS_MS)) {
      rmSync(this.zipOf(job.id), { force: true });
      stores.write(() => stores.jobs.drop(job.id));
    }
  }

  private inThread<T>(work: SafeWork): Promise<T> {
    const thread = threadOf('storage-thread', import.meta.url, work);
    return new Promise<T>((done, failed) => {
      thread.once('message', done);
      thread.once('error', failed);
      thread.once('exit', (code) => failed(new Error(`the thread ended with ${code}`)));
    }).finally(() => void thread.terminate());
  }

  /** Resolves when nothing is being done. */
  async settled(): Promise<void> {
    while (this.running) await this.running;
  }
  /** What is under way is not begun again; anyone who closes the database waits for `settled` first. */
  close(): void {
    this.closed = true;
  }

  page(): SafePage {
    const { at, stores } = this.needs;
    return {
      backups: at ? backupsIn(at.data) : [],
      jobs: stores.jobs.newest(),
      folder: at?.data ?? null,
      notices: this.notices(),
    };
  }

  /** Files beside the salon's own that hold what it held until now, with how long each stays. */
  copies(): readonly HoldingCopy[] {
    const { at, nowMs } = this.needs;
    if (!at) return [];
    const named = (folder: string): readonly string[] => (existsSync(folder) ? readdirSync(folder) : []);
    return [
      ...backupsIn(at.data).map((b) => ({ file: `backups/${b.name}`, goneByMs: goneBy(b) })),
      ...named(exportFolder(at.data))
        .filter((name) => name.endsWith('.zip'))
        .map((name) => ({ file: `out/${name}`, goneByMs: nowMs() + ZIP_LASTS_MS })),
      // What was put by before a change of schema or a restore is nobody's to thin out but the owner's.
      ...named(backupFolder(at.data))
        .filter((name) => name.startsWith('before-schema-'))
        .map((name) => ({ file: `backups/${name}`, goneByMs: null })),
      ...named(at.data)
        .filter((name) => name.includes('.before-restore-'))
        .map((name) => ({ file: name, goneByMs: null })),
    ];
  }

  /** Sentences on what is wrong with the machine. */
  notices(): readonly string[] {
    const { at, stores, nowMs } = this.needs;
    const said: string[] = [];
    const newest = stores.trail.newestMs();
    if (newest !== undefined && newest - nowMs() > CLOCK_SLACK_MS)
      said.push(
        `The clock of the salon’s computer was set back: something was saved at ${new Date(newest).toISOString().slice(0, 16)}Z, and it is ${new Date(nowMs()).toISOString().slice(0, 16)}Z now. Nothing is lost; put the clock right, or dates will be wrong.`,
      );
    if (at) {
      const room = roomIn(at.data);
      if (room === undefined)
        said.push(
          `The folder ${at.data} cannot be read: the disk may have been taken away. Nothing can be saved until it is back.`,
        );
      else if (room < LITTLE_ROOM)
        said.push(
          `Only ${Math.round(room / 1_048_576)} MB are left on the disk of ${at.data}. Make room before nothing more can be saved.`,
        );
    }
    if (this.backupFailed !== undefined) said.push(`The last backup was not made: ${this.backupFailed}.`);
    return said;
  }
}
