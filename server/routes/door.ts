/** /api/me and the door: the first account, signing in and out, handing a shared tablet over, and one's own secrets. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import { newSecret, secretHash, signInCookie } from '../auth/guard.ts';
import { fits } from '../auth/secret.ts';
import { addressKey, type CountedFor } from '../auth/throttle.ts';
import type { ServerContext } from '../context.ts';
import { apiRouter } from '../endpoint.ts';
import { found, Problem } from '../problem.ts';
import { created, ok } from '../reply.ts';
import type { AccountService, DoorRules } from '../services/accounts.ts';

export function doorRoutes(context: ServerContext, rules: DoorRules, service: AccountService): Router {
  const { stores, nowMs, door } = context;
  const { accounts } = stores;
  const { me, now, signIn, tried, sealedFor, mustBeStrong } = service;
  const { router, on } = apiRouter(context);

  on('GET /me', ({ origin }) => ok(now(origin)));

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
    const { me: page, cookies } = signIn(account, origin, false);
    return created(page, cookies);
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
    const { me: page, cookies } = signIn(account, origin, shared);
    return ok(page, cookies);
  });

  on('POST /sign-out', ({ origin }) => {
    const { signedIn } = origin;
    if (signedIn) stores.write(() => accounts.end(signedIn.row.id, nowMs()));
    return ok(me(undefined, origin), [signInCookie('', origin.secure)]);
  });

  on('POST /lock', ({ origin }) => {
    const { signedIn } = origin;
    if (!signedIn || signedIn.row.shared !== 1)
      throw new Problem(409, null, 'This device is your own. Sign out instead.');
    stores.write(() => accounts.lock(signedIn.row.id));
    return ok(me({ ...signedIn, locked: true }, origin));
  });

  on('POST /hand-over', async ({ body: { accountId, pin }, origin }) => {
    const { signedIn } = origin;
    if (!signedIn || signedIn.row.shared !== 1)
      throw new Problem(403, null, 'This device is not a shared one. Sign in with a passphrase.');
    const account = accounts.find(accountId);
    // Signing in on the tablet again must not begin the count again.
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
    return ok(me({ account, locked: false, row: { id: signedIn.row.id, shared: 1 } }, origin), [
      signInCookie(secret, origin.secure),
    ]);
  });
  return router;
}

/** One's own passphrase and PIN: each is changed by who has just shown the passphrase. */
export function ownSecretRoutes(
  context: ServerContext,
  { me, now, mustBeStrong, mustBeThem, sealedFor }: AccountService,
): Router {
  const { stores, nowMs, door } = context;
  const { accounts } = stores;
  const { router, on } = apiRouter(context);

  on('POST /me/confirm', async (ask) => {
    await mustBeThem(ask.body.own, ask);
    if (ask.origin.signedIn) door.confirm(ask.origin.signedIn.row.id);
    return ok(now(ask.origin));
  });

  on('PUT /me/passphrase', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    await mustBeStrong(ask.body.passphrase, [account.name, account.login]);
    const stored = await sealedFor(ask.body.passphrase);
    stores.write(() => {
      accounts.setPassphrase(account.id, stored);
      accounts.endOf(account.id, nowMs(), ask.origin.signedIn?.row.id);
    });
    return ok(now(ask.origin));
  });

  on('PUT /me/pin', async (ask) => {
    const account = await mustBeThem(ask.body.own, ask);
    const stored = await sealedFor(ask.body.pin);
    stores.write(() => accounts.setPin(account.id, stored));
    return ok({
      ...me(ask.origin.signedIn && { ...ask.origin.signedIn, account: { ...account, hasPin: true } }, ask.origin),
    });
  });
  return router;
}
