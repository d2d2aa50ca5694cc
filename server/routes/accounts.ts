/** Accounts: the first one, signing in and out, handing a shared tablet over, and the owner's keys. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import { ROLES, type KeysPage, type MePage } from '../../contract/account.ts';
import type { ApiKey } from '../../contract/api.ts';
import { deviceCookie, newSecret, secretHash, signInCookie, LASTS, type Origin, type SignedIn } from '../auth/guard.ts';
import { fits, sealed, weakness } from '../auth/secret.ts';
import { failedOnce, waitMs, type Counted } from '../auth/throttle.ts';
import { withoutSecrets, type StoredAccount } from '../db/accounts.ts';
import { counter, type Ask, type Reply } from '../endpoint.ts';
import type { Kept } from '../facts.ts';
import { found, Problem, stale } from '../problem.ts';

/** What the door needs to know beyond the file. */
export interface DoorRules {
  /** Passphrase that all accounts of a demo share; shown on its door. */
  readonly demoPassphrase?: string | undefined;
  /** Makes the first account from another machine; printed where the program was started. */
  readonly setUpCode?: string | undefined;
}

const FAILED_KEPT_MS = 24 * 3_600_000;
/** Secrets that are derived at once: each takes 32 MB and a thread. */
const MOST_AT_ONCE = 8;

export function accountRoutes(kept: Kept, rules: DoorRules): Router {
  const { stores, nowMs } = kept;
  const { accounts } = stores;
  const { router, on } = counter(kept);
  let deriving = 0;
  const derived = async <T>(work: () => Promise<T>): Promise<T> => {
    if (deriving >= MOST_AT_ONCE)
      throw new Problem(429, null, 'Many people sign in at this moment. Wait a few seconds, and try again.');
    deriving++;
    try {
      return await work();
    } finally {
      deriving--;
    }
  };

  const me = (
    signedIn: (Pick<SignedIn, 'account' | 'locked'> & { readonly row: { readonly shared: number } }) | undefined,
    origin: Origin,
  ): MePage => {
    const all = accounts.all().filter((a) => !a.ended);
    const shared = signedIn?.row.shared === 1;
    return {
      account: signedIn
        ? (({ id, login, name, role, hasPin }) => ({ id, login, name, role, hasPin }))(signedIn.account)
        : null,
      first: accounts.none(),
      codeNeeded: !origin.onMachine,
      salon: stores.salon.find() !== undefined,
      shared,
      locked: signedIn?.locked ?? false,
      colleagues: shared ? all.map(({ id, name, role, hasPin }) => ({ id, name, role, hasPin })) : [],
      demo:
        rules.demoPassphrase === undefined
          ? null
          : {
              passphrase: rules.demoPassphrase,
              people: [...all]
                .sort((a, b) => ROLES.indexOf(a.role) - ROLES.indexOf(b.role))
                .map(({ login, name, role }) => ({ login, name, role })),
            },
    };
  };
  const now = (origin: Origin): Reply => ({ json: me(origin.signedIn, origin) });

  /** Signs a device in: always under a new secret, whatever it sent. */
  const signIn = (account: StoredAccount, origin: Origin, shared: boolean, status: number): Reply => {
    const [secret, device] = [newSecret(), origin.knownBy ?? newSecret()];
    const atMs = nowMs();
    stores.write(() => {
      if (origin.signedIn) accounts.end(origin.signedIn.row.id, atMs);
      accounts.signIn({
        id: randomUUID(),
        hash: secretHash(secret),
        accountId: account.id,
        shared,
        device: origin.device,
        address: origin.address,
        atMs,
      });
      accounts.remember(secretHash(device), account.id, atMs);
      accounts.sweep(atMs - LASTS.unseenMs, atMs - LASTS.unseenMs, atMs - LASTS.inAllMs, atMs - FAILED_KEPT_MS);
    });
    return {
      status,
      json: me({ account, locked: false, row: { shared: shared ? 1 : 0 } }, origin),
      cookies: [signInCookie(secret, origin.secure), deviceCookie(device, origin.secure)],
    };
  };

  /** Refuses a try that comes too soon after others failed. */
  const mustWait = (counts: readonly (readonly [Counted, string])[]): void => {
    const waits = counts.map(([kind, key]) => {
      const failures = accounts.failures(`${kind} ${key}`);
      return failures ? waitMs(kind, failures, nowMs()) : 0;
    });
    const seconds = Math.ceil(Math.max(0, ...waits) / 1000);
    if (seconds > 0)
      throw new Problem(429, null, `This was tried too often and did not fit. Wait ${seconds} seconds, and try again.`);
  };
  const failed = (counts: readonly (readonly [Counted, string])[]): void =>
    stores.write(() => {
      for (const [kind, key] of counts) {
        const counted = `${kind} ${key}`;
        accounts.setFailures(counted, failedOnce(accounts.failures(counted), nowMs()));
      }
    });
  const fitted = (counts: readonly (readonly [Counted, string])[]): void =>
    stores.write(() => {
      for (const [kind, key] of counts) if (kind !== 'address') accounts.clearFailures(`${kind} ${key}`);
    });

  /** Checks whoever is signed in once more, by their passphrase. */
  const mustBeThem = async (own: string, { origin }: Ask): Promise<StoredAccount> => {
    const account = origin.signedIn?.account;
    if (!account) throw new Problem(401, null, 'Nobody is signed in on this device.');
    const counts = [['account', account.id]] as const;
    mustWait(counts);
    if (!(await derived(() => fits(own, account.passphrase)))) {
      failed(counts);
      throw new Problem(403, 'own', 'own: this is not your passphrase. Type the one you sign in with.');
    }
    fitted(counts);
    return account;
  };
  const mustBeStrong = (passphrase: string, about: readonly string[]): void => {
    const weak = weakness(passphrase, about);
    if (weak !== undefined)
      throw new Problem(
        400,
        'passphrase',
        `This passphrase ${weak}. Take three or four words that have nothing to do with each other.`,
      );
  };

  on('GET /me', ({ origin }) => now(origin));

  on('POST /first-owner', async ({ body: { name, login, passphrase, code }, origin }) => {
    if (!origin.onMachine && (rules.setUpCode === undefined || code !== rules.setUpCode))
      throw new Problem(
        403,
        'code',
        'The first account is made on the salon’s computer itself, or with the code it printed when it started.',
      );
    mustBeStrong(passphrase, [name, login]);
    const stored = await derived(() => sealed(passphrase));
    const id = randomUUID();
    const account = stores.write(() => {
      if (!accounts.none())
        throw new Problem(409, null, 'There is an account already. Sign in, or ask its owner for one.');
      accounts.insert({ id, login, name, role: 'owner', personId: null, passphrase: stored, createdMs: nowMs() });
      return found(accounts.find(id), 'account', id);
    });
    return signIn(account, origin, false, 201);
  });

  on('POST /sign-in', async ({ body: { login, passphrase, shared }, origin }) => {
    const typed = login.trim().toLowerCase();
    const account = accounts.byLogin(typed);
    const known = account && origin.knownBy !== undefined && accounts.knows(secretHash(origin.knownBy), account.id);
    // A device that was signed in before is not slowed by tries from elsewhere.
    const counts: readonly (readonly [Counted, string])[] = known
      ? [['device', `${secretHash(origin.knownBy ?? '')} ${account.id}`]]
      : [
          ['account', typed],
          ['address', origin.address],
        ];
    mustWait(counts);
    const fit = await derived(() => fits(passphrase, account?.passphrase));
    if (!account || !fit) {
      failed(counts);
      throw new Problem(401, null, 'This name and passphrase do not fit together. Look at both, and try again.');
    }
    fitted(counts);
    return signIn(account, origin, shared, 200);
  });

  on('POST /sign-out', ({ origin }) => {
    const { signedIn } = origin;
    if (signedIn) stores.write(() => accounts.end(signedIn.row.id, nowMs()));
    return { json: me(undefined, origin), cookies: [signInCookie('', origin.secure)] };
  });

  on('POST /lock', ({ origin }) => {
    const { signedIn } = origin;
    if (!signedIn || signedIn.row.shared !== 1)
      throw new Problem(409, null, 'This device is your own. Sign out instead.');
    stores.write(() => accounts.lock(signedIn.row.id));
    return { json: me({ ...signedIn, locked: true }, origin) };
  });

  on('POST /hand-over', async ({ body: { accountId, pin }, origin }) => {
    const { signedIn } = origin;
    if (!signedIn || signedIn.row.shared !== 1)
      throw new Problem(403, null, 'This device is not a shared one. Sign in with a passphrase.');
    const account = accounts.find(accountId);
    const counts: readonly (readonly [Counted, string])[] = [['pin', `${signedIn.row.id} ${accountId}`]];
    mustWait(counts);
    const fit = await derived(() => fits(pin, account?.pin));
    if (!account || account.ended || !fit) {
      failed(counts);
      throw new Problem(403, 'pin', 'This PIN does not fit. Try again, or sign in with a passphrase.');
    }
    fitted(counts);
    const secret = newSecret();
    stores.write(() => accounts.handOver(signedIn.row.id, account.id, secretHash(secret), nowMs()));
    return {
      json: me({ account, locked: false, row: { shared: 1 } }, origin),
      cookies: [signInCookie(secret, origin.secure)],
    };
  });

  on('PUT /me/passphrase', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    mustBeStrong(ask.body.passphrase, [account.name, account.login]);
    const stored = await derived(() => sealed(ask.body.passphrase));
    stores.write(() => {
      accounts.setPassphrase(account.id, stored);
      accounts.endOf(account.id, nowMs(), ask.origin.signedIn?.row.id);
    });
    return now(ask.origin);
  });

  on('PUT /me/pin', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    const stored = await derived(() => sealed(ask.body.pin));
    stores.write(() => accounts.setPin(account.id, stored));
    return {
      json: {
        ...me(ask.origin.signedIn && { ...ask.origin.signedIn, account: { ...account, hasPin: true } }, ask.origin),
      },
    };
  });

  const keys = ({ origin }: Pick<Ask<ApiKey>, 'origin'>): KeysPage => ({
    accounts: accounts.all().map(withoutSecrets),
    signIns: accounts.signIns().map((s) => ({
      id: s.id,
      accountId: s.account_id,
      name: s.name,
      device: s.device,
      address: s.address,
      shared: s.shared === 1,
      createdMs: s.created_ms,
      seenMs: s.seen_ms,
      own: s.id === origin.signedIn?.row.id,
    })),
  });
  const mustHavePerson = (personId: string | null): void => {
    if (personId !== null) found(stores.roster.person(personId), 'person', personId);
  };

  on('GET /keys', (ask) => ({ json: keys(ask) }));
  on('POST /accounts', async (ask) => {
    const { passphrase, ...draft } = ask.body;
    mustBeStrong(passphrase, [draft.name, draft.login]);
    const stored = await derived(() => sealed(passphrase));
    return stores.write(() => {
      mustHavePerson(draft.personId);
      const there = accounts.find(draft.id);
      if (there) {
        if (there.login !== draft.login)
          throw new Problem(409, 'id', `The account id "${draft.id}" is taken. Make a new id.`);
        return { status: 200, json: keys(ask) };
      }
      if (accounts.all().some((a) => a.login === draft.login))
        throw new Problem(409, 'login', `login "${draft.login}" is taken. Choose another.`);
      accounts.insert({ ...draft, passphrase: stored, createdMs: nowMs() });
      return { status: 201, json: keys(ask) };
    });
  });
  on('PUT /accounts/:id', (ask) => {
    const {
      params: { id },
      body: edit,
    } = ask;
    return stores.write(() => {
      const there = found(accounts.find(id), 'account', id);
      mustHavePerson(edit.personId);
      const owners = accounts.all().filter((a) => a.role === 'owner' && !a.ended && a.hasPassphrase && a.id !== id);
      if (owners.length === 0 && there.role === 'owner' && (edit.role !== 'owner' || edit.ended))
        throw new Problem(409, 'role', 'This is the only owner who can sign in. Make another owner first.');
      if (!accounts.update(id, edit, nowMs()))
        throw stale(withoutSecrets(found(accounts.find(id), 'account', id)), edit);
      if (edit.ended) accounts.endOf(id, nowMs());
      return { json: keys(ask) };
    });
  });
  on('PUT /accounts/:id/passphrase', async (ask) => {
    const {
      params: { id },
      body,
    } = ask;
    await mustBeThem(body.own, ask);
    const account = found(accounts.find(id), 'account', id);
    mustBeStrong(body.passphrase, [account.name, account.login]);
    const stored = await derived(() => sealed(body.passphrase));
    stores.write(() => {
      accounts.setPassphrase(id, stored);
      accounts.setPin(id, null);
      accounts.endOf(id, nowMs(), ask.origin.signedIn?.row.id);
    });
    return { json: keys(ask) };
  });
  on('DELETE /sign-ins/:id', (ask) => {
    found(stores.write(() => accounts.end(ask.params.id, nowMs())) || undefined, 'sign-in', ask.params.id);
    return { json: keys(ask) };
  });
  return router;
}
