/**
 * How the salon's folder is taken into use: by one program at a time, readable for nobody else, never onto a damaged or a
 * missing file where there are backups, and with a copy put by before a newer program changes how the file is built.
 */
import {
  accessSync,
  chmodSync,
  constants,
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { newestSchema, openDb, type Db } from '../db/open.ts';
import { backupFolder, backupsIn, newestGood, settle } from './backups.ts';
import { stamp } from './backup-retention.ts';
import { lookedThrough } from './verify.ts';

const FILE = 'woolly-tide.sqlite';
const LOCK = 'woolly-tide.lock';

export const salonFile = (data: string): string => join(data, FILE);

/** Why a folder cannot be taken into use, as a sentence for whoever started the program. */
export class DataFolderProblem extends Error {
  override readonly name = 'DataFolderProblem';
}

const said = (problem: unknown): string => (problem instanceof Error ? problem.message : String(problem));

/**
 * Holds a folder until it is let go, or the program ends, however it ends: the lock is the operating system's. Throws
 * DataFolderProblem when another holds it, or nothing can be written there.
 */
export function takeFolder(data: string): { readonly letGo: () => void } {
  try {
    mkdirSync(data, { recursive: true });
    accessSync(data, constants.W_OK | constants.X_OK);
  } catch (problem) {
    throw new DataFolderProblem(
      `nothing can be written to the folder ${data} (${said(problem)}). Give this user leave to write there, or choose another with --data`,
    );
  }
  let lock: Database.Database | undefined;
  try {
    lock = new Database(join(data, LOCK), { timeout: 200 });
    lock.exec('PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE');
  } catch (problem) {
    lock?.close();
    if (problem instanceof Database.SqliteError && problem.code.startsWith('SQLITE_BUSY'))
      throw new DataFolderProblem(
        `another Woolly Tide is at work in ${data}. Two on one file would be in each other's way: close that one first, or choose another folder with --data`,
      );
    throw new DataFolderProblem(
      `nothing can be written to the folder ${data} (${said(problem)}). Give this user leave to write there, or choose another with --data`,
    );
  }
  const held = lock;
  sweepLeftovers(data);
  keepPrivate(data);
  return { letGo: () => held.close() };
}

/** Files of ours that something under way writes to; the person who was at it when the program ended does not come back to it. */
const LEFT_OVER = /(?:\.unfinished|\.restoring)(?:-wal|-shm|-journal)?$/;
/** A copy that a zip is made from. */
const EXPORT_COPY = /\.sqlite(?:-wal|-shm|-journal)?$/;
const entries = (folder: string): readonly string[] => (existsSync(folder) ? readdirSync(folder) : []);
/** Where zips lie. */
export const exportFolder = (data: string): string => join(data, 'out');

/** Takes away what an end in the middle left behind. The folder must be held. */
function sweepLeftovers(data: string): void {
  for (const folder of [data, backupFolder(data), exportFolder(data)])
    for (const name of entries(folder))
      if (LEFT_OVER.test(name) || (folder === exportFolder(data) && EXPORT_COPY.test(name)))
        rmSync(join(folder, name), { force: true });
}

/** Names and numbers of clients are for the program's own user: 0700 for folders, 0600 for files. */
function keepPrivate(data: string): void {
  process.umask(0o077);
  for (const folder of [data, backupFolder(data), exportFolder(data)]) {
    if (!existsSync(folder)) continue;
    chmodSync(folder, 0o700);
    for (const name of readdirSync(folder))
      if (/\.(?:sqlite|zip|lock)/.test(name)) chmodSync(join(folder, name), 0o600);
  }
}

/** The sentence about a file that is damaged, with the way back. Nothing is touched. */
function damagedSentence(data: string, what: string): string {
  const good = newestGood(data);
  const back = good
    ? `The newest good backup is ${good.name}. To go back to it: npm run safe -- restore --data ${data}. The damaged file is kept beside it`
    : `There is no good backup in ${backupFolder(data)}`;
  return `the salon's file ${salonFile(data)} is damaged (${what}). It was left as it is. ${back}`;
}

/** Copies the file before its schema is changed; the copy is looked through. */
function putBy(file: string, data: string, schema: number, atMs: number): void {
  const folder = backupFolder(data);
  mkdirSync(folder, { recursive: true });
  const copy = join(folder, `before-schema-${newestSchema()}-${stamp(atMs)}.sqlite`);
  const db = new Database(file);
  try {
    db.pragma('wal_checkpoint(TRUNCATE)');
  } finally {
    db.close();
  }
  const unnamed = `${copy}.unfinished`;
  copyFileSync(file, unnamed);
  settle(unnamed);
  const found = lookedThrough(unnamed, 'quick');
  for (const end of ['-wal', '-shm']) rmSync(unnamed + end, { force: true });
  if (!found.ok || found.schema !== schema)
    throw new DataFolderProblem(
      `a copy could not be put by before the file is changed. Make room on the disk, and start again`,
    );
  renameSync(unnamed, copy);
}

/** Refuses to begin a new salon where one was: its file is gone or empty, and there are backups of it. */
function mustBeNew(data: string): void {
  if (backupsIn(data).length === 0) return;
  const good = newestGood(data);
  const back = good
    ? `The newest good backup is ${good.name}. To go back to it: npm run safe -- restore --data ${data}`
    : `None of the backups in ${backupFolder(data)} is good`;
  throw new DataFolderProblem(
    `the salon's file ${salonFile(data)} is missing or empty, and there are backups of it. ${back}. To begin a new salon, choose an empty folder with --data`,
  );
}

/**
 * The salon's database of a folder that is held, sound and of this program's schema; a new one where none was before, or
 * where that is asked for. Throws DataFolderProblem with the way out.
 */
export function openSalon(data: string, { atMs = Date.now(), anew = false } = {}): Db {
  const file = salonFile(data);
  if (!existsSync(file) || statSync(file).size === 0) {
    if (!anew) mustBeNew(data);
  } else {
    try {
      accessSync(file, constants.W_OK);
    } catch {
      throw new DataFolderProblem(`the salon's file ${file} can only be read. Give this user leave to write to it`);
    }
    const found = lookedThrough(file, 'quick');
    if (!found.ok) throw new DataFolderProblem(damagedSentence(data, found.what));
    if (found.schema < newestSchema()) putBy(file, data, found.schema, atMs);
  }
  return openDb(file);
}

/**
 * Puts a backup in the place of the salon's file. The file that was there is kept beside it under a name that tells when.
 * Answers with that name. The folder must be held.
 */
export function restore(data: string, backup: string, atMs: number): string | undefined {
  const found = lookedThrough(backup, 'deep');
  if (!found.ok)
    throw new DataFolderProblem(
      `${backup} is no sound backup (${found.what}). Nothing was changed; choose another with --from`,
    );
  const file = salonFile(data);
  const unnamed = `${file}.restoring`;
  try {
    copyFileSync(backup, unnamed);
    settle(unnamed);
  } catch (problem) {
    rmSync(unnamed, { force: true });
    throw new DataFolderProblem(
      `the backup could not be copied (${said(problem)}). Nothing was changed; make room on the disk, and do it again`,
    );
  }
  let aside: string | undefined;
  if (existsSync(file)) {
    aside = `${file}.before-restore-${stamp(atMs)}`;
    for (const end of ['', '-wal', '-shm']) if (existsSync(file + end)) renameSync(file + end, aside + end);
  }
  renameSync(unnamed, file);
  settle(data);
  return aside;
}
