/** /api/me, /api/accounts, /api/keys: the first account, signing in and out, handing a shared tablet over, and the owner's keys. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import { ROLES, type KeysPage, type MePage } from '../../contract/account.ts';
import type { ApiKey, ReplyOf } from '../../contract/api.ts';
import { weakness } from '../../contract/passphrase-strength.ts';
import type { Log } from '../log.ts';
import { deviceCookie, newSecret, secretHash, signInCookie, LASTS, type Origin, type SignedIn } from '../auth/guard.ts';
import { fits, sealed } from '../auth/secret.ts';
import { addressKey, type CountedFor } from '../auth/throttle.ts';
import { withoutSecrets, type StoredAccount } from '../db/accounts.ts';
import { apiRouter, type AnswerOf, type Ask } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { found, Problem, stale } from '../problem.ts';

/** Who is signed in, said with the cookies that make it so. */
type MeAnswer = AnswerOf<ReplyOf<'GET /me'>>;

/** What the door needs to know beyond the file. */
export interface DoorRules {
  /** Passphrase that all accounts of a demo share; shown on its door. */
  readonly demoPassphrase?: string | undefined;
  /** Makes the first account from another machine; printed where the program was started. */
  readonly setUpCode?: string | undefined;
}

export function accountRoutes(context: ServerContext, rules: DoorRules, log: Log): Router {
  const { stores, nowMs, door } = context;
  const { throttle, places } = door;
  const { accounts } = stores;
  const { router, on } = apiRouter(context);

  const me = (
    signedIn:
      | (Pick<SignedIn, 'account' | 'locked'> & { readonly row: { readonly id: string; readonly shared: number } })
      | undefined,
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
      confirmed: signedIn !== undefined && door.isConfirmed(signedIn.row.id),
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
  const now = (origin: Origin): MeAnswer => ({ json: me(origin.signedIn, origin) });

  /** Signs a device in: always under a new secret, whatever it sent. */
  const signIn = (account: StoredAccount, origin: Origin, shared: boolean, status: number): MeAnswer => {
    const [secret, device] = [newSecret(), origin.knownBy ?? newSecret()];
    const atMs = nowMs();
    const id = randomUUID();
    stores.write(() => {
      if (origin.signedIn) accounts.end(origin.signedIn.row.id, atMs);
      accounts.signIn({
        id,
        hash: secretHash(secret),
        accountId: account.id,
        shared,
        device: origin.device,
        address: origin.address,
        atMs,
      });
      accounts.remember(secretHash(device), account.id, atMs);
      accounts.sweep(atMs - LASTS.unseenMs, atMs - LASTS.unseenMs, atMs - LASTS.inAllMs);
    });
    door.hand(id);
    door.confirm(id);
    return {
      status,
      json: me({ account, locked: false, row: { id, shared: shared ? 1 : 0 } }, origin),
      cookies: [signInCookie(secret, origin.secure), deviceCookie(device, origin.secure)],
    };
  };

  /** Looks whether a secret fits, once it is its turn: each try counts from here on until it has fitted. */
  const tried = async (
    counts: CountedFor,
    { known, what, who }: { readonly known: boolean; readonly what: string; readonly who: string },
    look: () => Promise<boolean>,
  ): Promise<boolean> => {
    const waitMs = throttle.begin(counts);
    if (waitMs > 0) {
      log.info({ who }, `${what} refused: tried too often`);
      const seconds = Math.ceil(waitMs / 1000);
      throw new Problem(429, null, `This was tried too often and did not fit. Wait ${seconds} seconds, and try again.`);
    }
    const fit = await places[known ? 'known' : 'unknown'].run(look);
    if (fit) throttle.fitted(counts);
    log.info({ who }, fit ? what : `${what} refused: it does not fit`);
    return fit;
  };
  const sealedFor = (secret: string): Promise<string> => places.known.run(() => sealed(secret));

  /** Checks whoever is signed in once more, by their passphrase. */
  const mustBeThem = async (own: string, { origin }: Ask): Promise<StoredAccount> => {
    const account = origin.signedIn?.account;
    if (!account) throw new Problem(401, null, 'Nobody is signed in on this device.');
    const about = { known: true, what: 'own passphrase shown', who: account.login };
    if (!(await tried([['own', account.id]], about, () => fits(own, account.passphrase))))
      throw new Problem(403, 'own', 'own: this is not your passphrase. Type the one you sign in with.');
    return account;
  };
  const mustBeStrong = async (passphrase: string, about: readonly string[]): Promise<void> => {
    const weak = await weakness(passphrase, about);
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
    await mustBeStrong(passphrase, [name, login]);
    const stored = await sealedFor(passphrase);
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
    const device = origin.knownBy === undefined ? undefined : secretHash(origin.knownBy);
    const known = account !== undefined && device !== undefined && accounts.knows(device, account.id);
    // A device that was signed in before is not slowed by tries from elsewhere.
    const counts: CountedFor = known
      ? [['device', `${device} ${account.id}`]]
      : [
          ['account', typed],
          ['address', addressKey(origin.address)],
        ];
    const about = { known, what: 'sign-in', who: typed.slice(0, 40) };
    const fit = await tried(counts, about, () => fits(passphrase, account?.passphrase));
    if (!account || !fit)
      throw new Problem(401, null, 'This name and passphrase do not fit together. Look at both, and try again.');
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
    // Signing the tablet in anew must not begin the count anew.
    const counts: CountedFor = [
      ['pin', accountId],
      ['opener', signedIn.row.opened_by],
    ];
    const about = { known: true, what: 'hand-over', who: account?.login ?? '' };
    const fit = await tried(counts, about, () => fits(pin, account?.pin));
    if (!account || account.ended || !fit)
      throw new Problem(403, 'pin', 'This PIN does not fit. Try again, or sign in with a passphrase.');
    const secret = newSecret();
    stores.write(() => accounts.handOver(signedIn.row.id, account.id, secretHash(secret), nowMs()));
    door.hand(signedIn.row.id);
    door.unconfirm(signedIn.row.id);
    return {
      json: me({ account, locked: false, row: { id: signedIn.row.id, shared: 1 } }, origin),
      cookies: [signInCookie(secret, origin.secure)],
    };
  });

  on('POST /me/confirm', async (ask) => {
    await mustBeThem(ask.body.own, ask);
    if (ask.origin.signedIn) door.confirm(ask.origin.signedIn.row.id);
    return now(ask.origin);
  });

  on('PUT /me/passphrase', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    await mustBeStrong(ask.body.passphrase, [account.name, account.login]);
    const stored = await sealedFor(ask.body.passphrase);
    stores.write(() => {
      accounts.setPassphrase(account.id, stored);
      accounts.endOf(account.id, nowMs(), ask.origin.signedIn?.row.id);
    });
    return now(ask.origin);
  });

  on('PUT /me/pin', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    const stored = await sealedFor(ask.body.pin);
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
    await mustBeStrong(passphrase, [draft.name, draft.login]);
    const stored = await sealedFor(passphrase);
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
      log.info({ who: ask.actor.name, login: draft.login, role: draft.role }, 'account made');
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
      const change = { role: edit.role, before: there.role, ended: edit.ended };
      log.info({ who: ask.actor.name, login: there.login, ...change }, 'account changed');
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
    await mustBeStrong(body.passphrase, [account.name, account.login]);
    const stored = await sealedFor(body.passphrase);
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
