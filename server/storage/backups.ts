/** How backups are made, while the salon works: copied by the database engine, looked through, named, thinned out. */
import { closeSync, fsyncSync, mkdirSync, openSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { open, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupRecord } from '../../contract/safe.ts';
import type { Db } from '../db/open.ts';
import { backupName, keptBackups, lastFirst, readBackupName } from './backup-retention.ts';
import { lookedThrough, type Damaged, type Sound } from './verify.ts';

export const backupFolder = (data: string): string => join(data, 'backups');

/** Backups of a data folder, the one made last first. */
export function backupsIn(data: string): readonly BackupRecord[] {
  let names: readonly string[];
  try {
    names = readdirSync(backupFolder(data));
  } catch {
    return [];
  }
  return names
    .flatMap((name): BackupRecord[] => {
      const told = readBackupName(name);
      return told ? [{ name, ...told, bytes: statSync(join(backupFolder(data), name)).size }] : [];
    })
    .sort(lastFirst);
}

/** What is written is on the disk when this returns; at the start and in commands, where nobody else waits. */
export function settle(path: string): void {
  const file = openSync(path, 'r');
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}

/** The same beside the requests: of a large file it takes long. */
async function settled(path: string): Promise<void> {
  const file = await open(path);
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}

/** Looking a file through takes a while: callers choose whether here or in a thread. */
export type Look = (path: string) => Promise<Sound | Damaged>;
/** So does copying the file. */
export type Copy = (to: string) => Promise<void>;
const lookHere: Look = (path) => Promise.resolve(lookedThrough(path, 'deep'));

/**
 * A backup of an open database, verified before it has its name; the ones that need not stay are removed after. Throws,
 * with no backup made and none removed, when the copy is not sound.
 */
export async function makeBackup(
  db: Db,
  data: string,
  atMs: number,
  look: Look = lookHere,
  copy: Copy = async (to) => void (await db.backup(to)),
): Promise<BackupRecord> {
  const folder = backupFolder(data);
  mkdirSync(folder, { recursive: true });
  const number = 1 + Math.max(0, ...backupsIn(data).map((b) => b.number));
  const name = backupName({ atMs, number });
  const [path, unnamed] = [join(folder, name), join(folder, `${name}.unfinished`)];
  try {
    await copy(unnamed);
    const found = await look(unnamed);
    if (!found.ok) throw new Error(`the copy is not sound: ${found.what}`);
    await settled(unnamed);
    renameSync(unnamed, path);
    await settled(folder);
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(unnamed + end, { force: true });
  }
  const all = backupsIn(data);
  const kept = keptBackups(all);
  for (const b of all) if (!kept.has(b)) await rm(join(folder, b.name), { force: true });
  return { name, atMs: readBackupName(name)?.atMs ?? atMs, number, bytes: statSync(path).size };
}

/** The newest backup that is sound, looked through one after the other. */
export function newestGood(data: string): BackupRecord | undefined {
  return backupsIn(data).find((b) => lookedThrough(join(backupFolder(data), b.name), 'deep').ok);
}

const DUE_MS = 20 * 3_600_000;
/** Is another backup due. A clock that was set back makes one due, never takes one away. */
export const backupDue = (data: string, nowMs: number): boolean => {
  const [newest] = backupsIn(data);
  return !newest || Math.abs(nowMs - newest.atMs) >= DUE_MS;
};
