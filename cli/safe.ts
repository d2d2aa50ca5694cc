/**
 * The safe from the command line of the machine: backups, going back to one, everything out and in, a new passphrase.
 * `safe backup`, `safe backups`, `safe verify FILE`, `safe restore [--from FILE]`, `safe export --to FILE.zip`,
 * `safe import FILE.zip`, `safe passphrase --login NAME`; all with --data DIR. Exit 2 and a sentence when it cannot be done.
 */
import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { PASSPHRASE } from '../contract/door.ts';
import { weakness } from '../contract/passphrase-strength.ts';
import { sealed } from '../server/auth/secret.ts';
import { stores } from '../server/db/index.ts';
import { writeArchive } from '../server/storage/archive.ts';
import { backupFolder, backupsIn, makeBackup, newestGood } from '../server/storage/backups.ts';
import { openSalon, restore, salonFile, takeFolder } from '../server/storage/data-folder.ts';
import { readArchive } from '../server/storage/read-archive.ts';
import { lookedThrough } from '../server/storage/verify.ts';

const USAGE = `Usage: npm run safe -- backup | backups | verify FILE | restore [--from FILE] | export --to FILE.zip | import FILE.zip |
       passphrase --login NAME      (all with --data DIR; without it data/salon)`;

/** Ends the command with a sentence. */
class Refusal extends Error {}
const refuse = (sentence: string): never => {
  throw new Refusal(sentence);
};

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const when = (atMs: number): string => new Date(atMs).toISOString().slice(0, 16).replace('T', ' ');

/** The salon's file, read while the program may be at work on it. */
function reading(data: string): Database.Database {
  const file = salonFile(data);
  if (!existsSync(file)) refuse(`There is no salon in ${data}. Name its folder with --data.`);
  return new Database(file, { readonly: true, fileMustExist: true });
}

/** Work that wants the folder for itself. */
async function holding<T>(data: string, work: () => T | Promise<T>): Promise<T> {
  const folder = takeFolder(data);
  try {
    return await work();
  } finally {
    folder.letGo();
  }
}

async function typedPassphrase(): Promise<string> {
  const lines = createInterface({ input: process.stdin, output: process.stdin.isTTY ? process.stderr : undefined });
  try {
    return await lines.question(process.stdin.isTTY ? 'New passphrase: ' : '');
  } finally {
    lines.close();
  }
}

const COMMANDS: Readonly<
  Record<
    string,
    (at: {
      data: string;
      file: string | undefined;
      from: string | undefined;
      to: string | undefined;
      login: string | undefined;
    }) => Promise<void>
  >
> = {
  backup: async ({ data }) => {
    const db = reading(data);
    try {
      const made = await makeBackup(db, data, Date.now());
      say(`Made and looked through: ${join(backupFolder(data), made.name)} (${made.bytes} bytes).`);
    } finally {
      db.close();
    }
  },
  backups: async ({ data }) => {
    const all = backupsIn(data);
    if (all.length === 0) say(`There are no backups in ${backupFolder(data)}.`);
    for (const b of all) say(`${b.name}  ${when(b.atMs)}Z  ${b.bytes} bytes`);
  },
  verify: async ({ file = '' }) => {
    if (!existsSync(file)) refuse(`There is no file "${file}". Check the path.`);
    const found = lookedThrough(file, 'deep');
    if (!found.ok) return refuse(`${file} is damaged: ${found.what}.`);
    const rows = Object.entries(found.rows);
    say(
      `${file} is sound: schema ${found.schema}, ${rows.reduce((n, [, r]) => n + r, 0)} rows in ${rows.length} tables.`,
    );
    for (const [table, n] of rows) if (n > 0) say(`  ${table} ${n}`);
  },
  restore: ({ data, from }) => {
    if (!existsSync(data)) refuse(`There is no folder ${data}. Name the salon's with --data.`);
    return holding(data, () => {
      const good = from ?? newestGood(data)?.name;
      if (good === undefined) return refuse(`There is no good backup in ${backupFolder(data)}. Name one with --from.`);
      const path =
        from === undefined ? join(backupFolder(data), good) : existsSync(good) ? good : join(backupFolder(data), good);
      if (!existsSync(path)) refuse(`There is no backup "${good}". npm run safe -- backups lists what there is.`);
      const aside = restore(data, path, Date.now());
      say(`Back at ${path}.${aside === undefined ? '' : ` The file that was there is kept as ${aside}.`}`);
    });
  },
  export: async ({ data, to }) => {
    if (to === undefined) return refuse('Name the zip to write with --to FILE.zip.');
    if (existsSync(to)) refuse(`There is a file "${to}" already. Choose another name.`);
    const db = reading(data);
    try {
      db.exec('BEGIN');
      await writeArchive(db, resolve(to));
      db.exec('COMMIT');
    } finally {
      db.close();
    }
    say(`Everything is in ${to} (${statSync(to).size} bytes).`);
  },
  import: ({ data, file = '' }) => {
    if (!existsSync(file)) refuse(`There is no file "${file}". Check the path.`);
    mkdirSync(data, { recursive: true });
    return holding(data, async () => {
      const salon = salonFile(data);
      if (existsSync(salon))
        refuse(`There is a salon in ${data} already. Name an empty folder with --data: nothing is written over.`);
      const unnamed = `${salon}.importing`;
      for (const end of ['', '-wal', '-shm']) rmSync(unnamed + end, { force: true });
      const { rows } = await readArchive(file, unnamed);
      renameSync(unnamed, salon);
      say(
        `Read in: ${rows['dog'] ?? 0} dogs, ${rows['session'] ?? 0} sessions, ${rows['photo'] ?? 0} photos, into ${salon}.`,
      );
      if ((rows['account'] ?? 0) > 0)
        say('Passphrases do not leave a salon: set one with  npm run safe -- passphrase --login NAME');
    });
  },
  passphrase: ({ data, login }) => {
    if (login === undefined) return refuse('Name the account with --login NAME.');
    if (!existsSync(salonFile(data))) refuse(`There is no salon in ${data}. Name its folder with --data.`);
    return holding(data, async () => {
      const db = openSalon(data);
      try {
        const { accounts, write } = stores(db);
        const account =
          accounts.byLogin(login) ??
          refuse(
            `Nobody signs in as "${login}". There are: ${
              accounts
                .all()
                .map((a) => a.login)
                .join(', ') || 'no accounts'
            }.`,
          );
        const passphrase = await typedPassphrase();
        if (passphrase.length < PASSPHRASE.least || passphrase.length > PASSPHRASE.most)
          refuse(`A passphrase has ${PASSPHRASE.least} to ${PASSPHRASE.most} letters. Nothing was changed.`);
        const weak = await weakness(passphrase, [account.name, account.login]);
        if (weak !== undefined) refuse(`This passphrase ${weak}. Nothing was changed.`);
        const stored = await sealed(passphrase);
        write(() => {
          accounts.setPassphrase(account.id, stored);
          accounts.endOf(account.id, Date.now());
        });
        say(`${account.name} signs in with the new passphrase from now on, and is signed out everywhere.`);
      } finally {
        db.close();
      }
    });
  },
};

try {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { data: { type: 'string' }, from: { type: 'string' }, to: { type: 'string' }, login: { type: 'string' } },
  });
  const [command = '', file, ...more] = positionals;
  const work = Object.hasOwn(COMMANDS, command) ? COMMANDS[command] : undefined;
  if (!work || more.length > 0) throw new Refusal(USAGE);
  await work({
    data: resolve(values.data ?? 'data/salon'),
    file,
    from: values.from,
    to: values.to,
    login: values.login,
  });
} catch (problem) {
  const said = problem instanceof Error ? problem.message : String(problem);
  process.stderr.write(`${said.charAt(0).toUpperCase()}${said.slice(1)}${/[.)]$/.test(said) ? '' : '.'}\n`);
  process.exitCode = 2;
}
