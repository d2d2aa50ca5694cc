/** /api/keys, /api/accounts, /api/sign-ins: who may come in, and on which devices they are. */
import type { Router } from 'express';
import type { KeysPage } from '../../contract/account.ts';
import type { ApiKey } from '../../contract/api.ts';
import type { ServerContext } from '../context.ts';
import type { Origin } from '../auth/guard.ts';
import { withoutSecrets } from '../db/accounts.ts';
import type { Stores } from '../db/index.ts';
import { apiRouter, type Ask } from '../endpoint.ts';
import type { Log } from '../log.ts';
import { found, Problem, stale } from '../problem.ts';
import { createOnce, ok } from '../reply.ts';
import type { AccountService } from '../services/accounts.ts';

/** Who may come in, and the devices they are in on. */
const keysPage = ({ accounts }: Stores, origin: Origin): KeysPage => ({
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

export function accountRoutes(
  context: ServerContext,
  { mustBeStrong, mustBeThem, sealedFor }: AccountService,
  log: Log,
): Router {
  const { stores, nowMs } = context;
  const { accounts } = stores;
  const { router, on } = apiRouter(context);

  const keys = (ask: Pick<Ask<ApiKey>, 'origin'>): KeysPage => keysPage(stores, ask.origin);
  const mustHavePerson = (personId: string | null): void => {
    if (personId !== null) found(stores.roster.person(personId), 'person', personId);
  };

  on('GET /keys', (ask) => ok(keys(ask)));
  on('POST /accounts', async (ask) => {
    const { passphrase, ...draft } = ask.body;
    await mustBeStrong(passphrase, [draft.name, draft.login]);
    const stored = await sealedFor(passphrase);
    return stores.write(() => {
      mustHavePerson(draft.personId);
      return createOnce(
        {
          what: 'account',
          id: draft.id,
          there: accounts.find(draft.id),
          isSame: (account) => account.login === draft.login,
        },
        () => {
          if (accounts.all().some((a) => a.login === draft.login))
            throw new Problem(409, 'login', `login "${draft.login}" is taken. Choose another.`);
          accounts.insert({ ...draft, passphrase: stored, createdMs: nowMs() });
          log.info({ who: ask.actor.name, login: draft.login, role: draft.role }, 'account made');
        },
        () => keys(ask),
      );
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
      return ok(keys(ask));
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
    return ok(keys(ask));
  });
  on('DELETE /sign-ins/:id', (ask) => {
    found(stores.write(() => accounts.end(ask.params.id, nowMs())) || undefined, 'sign-in', ask.params.id);
    return ok(keys(ask));
  });
  return router;
}
