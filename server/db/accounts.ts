/** SQL of accounts and of devices signed in. */
import type { Account, AccountEdit, Role } from '../../contract/account.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  readonly person_id: string | null;
  readonly passphrase: string | null;
  readonly pin: string | null;
  readonly created_ms: number;
  readonly ended_ms: number | null;
  readonly version: number;
}
/** An account with what is kept of its secrets. */
export interface StoredAccount extends Account {
  readonly passphrase: string | null;
  readonly pin: string | null;
}
export interface NewAccount {
  readonly id: string;
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  readonly personId: string | null;
  readonly passphrase: string | null;
  readonly createdMs: number;
}

/** A device that is signed in, as its guard reads it. */
export interface SignInRow {
  readonly id: string;
  readonly token_hash: string;
  readonly before_hash: string | null;
  readonly before_until_ms: number | null;
  readonly account_id: string;
  readonly shared: number;
  readonly locked: number;
  readonly device: string;
  readonly address: string;
  readonly created_ms: number;
  readonly seen_ms: number;
  readonly hand_ms: number;
  readonly rotated_ms: number;
  readonly ended_ms: number | null;
  /** Account that opened the device with a passphrase. */
  readonly opened_by: string;
}

const record = (r: Row): StoredAccount => ({
  id: r.id,
  login: r.login,
  name: r.name,
  role: r.role,
  personId: r.person_id,
  hasPin: r.pin !== null,
  hasPassphrase: r.passphrase !== null,
  ended: r.ended_ms !== null,
  version: r.version,
  passphrase: r.passphrase,
  pin: r.pin,
});

/** A device that is signed in, with whose account. */
export interface SignedInRow {
  readonly row: SignInRow;
  readonly account: StoredAccount;
}

/** An account without its secrets. */
export const withoutSecrets = ({ passphrase: _p, pin: _n, ...account }: StoredAccount): Account => account;

/** Prepared statements over accounts and sign-ins. */
export function accountStore(db: Db) {
  const all = db.prepare<[], Row>('SELECT * FROM account ORDER BY name, id');
  const one = db.prepare<[string], Row>('SELECT * FROM account WHERE id = ?');
  const byLogin = db.prepare<[string], Row>('SELECT * FROM account WHERE login = ? AND ended_ms IS NULL');
  const count = db.prepare<[], { n: number }>('SELECT count(*) AS n FROM account');
  const insert = db.prepare(
    `INSERT INTO account (id, login, name, role, person_id, passphrase, created_ms)
     VALUES (@id, @login, @name, @role, @personId, @passphrase, @createdMs)`,
  );
  const update = db.prepare(
    `UPDATE account SET name = @name, role = @role, person_id = @personId,
       ended_ms = CASE WHEN @ended = 0 THEN NULL ELSE coalesce(ended_ms, @atMs) END, version = version + 1
     WHERE id = @id AND version = @version`,
  );
  const setPassphrase = db.prepare<[string, string]>('UPDATE account SET passphrase = ? WHERE id = ?');
  const setPin = db.prepare<[string | null, string]>('UPDATE account SET pin = ? WHERE id = ?');

  const signIn = db.prepare(
    `INSERT INTO sign_in (id, token_hash, account_id, opened_by, shared, device, address, created_ms, seen_ms, hand_ms, rotated_ms)
     VALUES (@id, @hash, @accountId, @accountId, @shared, @device, @address, @atMs, @atMs, @atMs, @atMs)`,
  );
  const byHash = db.prepare<[string, string], SignInRow>(
    'SELECT * FROM sign_in WHERE (token_hash = ? OR before_hash = ?) AND ended_ms IS NULL',
  );
  const signInById = db.prepare<[string], SignInRow>('SELECT * FROM sign_in WHERE id = ? AND ended_ms IS NULL');
  const open = db.prepare<[], SignInRow & { name: string }>(
    `SELECT s.*, a.name FROM sign_in s JOIN account a ON a.id = s.account_id WHERE s.ended_ms IS NULL
     ORDER BY s.seen_ms DESC, s.id`,
  );
  const touch = db.prepare<[number, number, string]>(
    'UPDATE sign_in SET seen_ms = ?, hand_ms = max(hand_ms, ?) WHERE id = ?',
  );
  const lock = db.prepare<[string]>('UPDATE sign_in SET locked = 1 WHERE id = ?');
  const rotate = db.prepare(
    `UPDATE sign_in SET before_hash = token_hash, before_until_ms = @untilMs, token_hash = @hash, rotated_ms = @atMs
     WHERE id = @id`,
  );
  const handOver = db.prepare(
    `UPDATE sign_in SET account_id = @accountId, locked = 0, before_hash = NULL, before_until_ms = NULL,
       token_hash = @hash, rotated_ms = @atMs, seen_ms = @atMs, hand_ms = @atMs WHERE id = @id`,
  );
  const end = db.prepare<[number, string]>('UPDATE sign_in SET ended_ms = ? WHERE id = ? AND ended_ms IS NULL');
  const endOf = db.prepare<[number, string, string]>(
    'UPDATE sign_in SET ended_ms = ? WHERE account_id = ? AND id <> ? AND ended_ms IS NULL',
  );
  const sweep = db.prepare<[number, number, number]>(
    'DELETE FROM sign_in WHERE ended_ms < ? OR seen_ms < ? OR created_ms < ?',
  );
  const knows = db.prepare<[string, string], { n: number }>(
    'SELECT count(*) AS n FROM known_device WHERE hash = ? AND account_id = ?',
  );
  const remember = db.prepare<[string, string, number]>(
    `INSERT INTO known_device (hash, account_id, seen_ms) VALUES (?, ?, ?)
     ON CONFLICT DO UPDATE SET seen_ms = excluded.seen_ms`,
  );

  const holders = new Map<string, SignedInRow>();
  const changes = db.prepare<[], number>('SELECT total_changes()').pluck();
  let heldAt = -1;
  return {
    all: (): readonly StoredAccount[] => all.all().map(record),
    find: (id: string): StoredAccount | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    /** An account that may sign in under this login. */
    byLogin: (login: string): StoredAccount | undefined => {
      const row = byLogin.get(login);
      return row && record(row);
    },
    none: (): boolean => count.get()?.n === 0,
    insert: (account: NewAccount): void => void insert.run(account),
    /** False when the stored version is another. */
    update: (id: string, edit: AccountEdit, atMs: number): boolean =>
      update.run({ ...edit, ended: edit.ended ? 1 : 0, id, atMs }).changes === 1,
    setPassphrase: (id: string, kept: string): void => void setPassphrase.run(kept, id),
    setPin: (id: string, kept: string | null): void => void setPin.run(kept, id),

    signIn: (s: {
      id: string;
      hash: string;
      accountId: string;
      shared: boolean;
      device: string;
      address: string;
      atMs: number;
    }): void => void signIn.run({ ...s, shared: s.shared ? 1 : 0 }),
    /** Who holds a token, or held it before it was turned over. Asked with every request: kept until anything in the file changes. */
    signedIn: (hash: string): SignedInRow | undefined => {
      const now = changes.get() ?? 0;
      if (now !== heldAt) holders.clear();
      heldAt = now;
      const known = holders.get(hash);
      if (known) return known;
      const row = byHash.get(hash, hash);
      const account = row && one.get(row.account_id);
      if (!row || !account) return undefined;
      const found = { row, account: record(account) };
      holders.set(hash, found);
      return found;
    },
    signInById: (id: string): SignInRow | undefined => signInById.get(id),
    signIns: (): readonly (SignInRow & { readonly name: string })[] => open.all(),
    touch: (id: string, seenMs: number, handMs: number): void => void touch.run(seenMs, handMs, id),
    lock: (id: string): void => void lock.run(id),
    rotate: (id: string, hash: string, atMs: number, untilMs: number): void =>
      void rotate.run({ id, hash, atMs, untilMs }),
    handOver: (id: string, accountId: string, hash: string, atMs: number): void =>
      void handOver.run({ id, accountId, hash, atMs }),
    end: (id: string, atMs: number): boolean => end.run(atMs, id).changes === 1,
    /** Signs an account out everywhere but at one device. */
    endOf: (accountId: string, atMs: number, but = ''): void => void endOf.run(atMs, accountId, but),
    /** Lets go of sign-ins that have ended, were not seen or were made before these times. */
    sweep: (endedMs: number, seenMs: number, createdMs: number): void => void sweep.run(endedMs, seenMs, createdMs),
    knows: (deviceHash: string, accountId: string): boolean => (knows.get(deviceHash, accountId)?.n ?? 0) > 0,
    remember: (deviceHash: string, accountId: string, atMs: number): void =>
      void remember.run(deviceHash, accountId, atMs),
  };
}
