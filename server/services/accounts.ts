/** Accounts and the door: who is signed in on a device, and whether a secret fits that somebody shows. */
import { randomUUID } from 'node:crypto';
import { ROLES, type MePage } from '../../contract/account.ts';
import { weakness } from '../../contract/passphrase-strength.ts';
import { deviceCookie, LASTS, newSecret, secretHash, signInCookie, type Origin, type SignedIn } from '../auth/guard.ts';
import { fits, sealed } from '../auth/secret.ts';
import type { CountedFor } from '../auth/throttle.ts';
import type { ServerContext } from '../context.ts';
import type { StoredAccount } from '../db/accounts.ts';
import type { Log } from '../log.ts';
import { Problem } from '../problem.ts';

/** What the door needs to know beyond the file. */
export interface DoorRules {
  /** Passphrase that all accounts of a demo share; shown on its door. */
  readonly demoPassphrase?: string | undefined;
  /** Makes the first account from another machine; printed where the program was started. */
  readonly setUpCode?: string | undefined;
}

/** What a device is told of who is in on it, and how somebody is let in. */
function whoIsHere({ stores, nowMs, door }: ServerContext, rules: DoorRules) {
  const { accounts } = stores;

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
  /** Signs a device in: always under a new secret, whatever it sent. */
  const signIn = (account: StoredAccount, origin: Origin, shared: boolean) => {
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
    const now = me({ account, locked: false, row: { id, shared: shared ? 1 : 0 } }, origin);
    return { me: now, cookies: [signInCookie(secret, origin.secure), deviceCookie(device, origin.secure)] };
  };

  return { me, now: (origin: Origin): MePage => me(origin.signedIn, origin), signIn };
}

/** Whether secrets fit, how they are kept, and whether they are strong: each try counts until it has fitted. */
function secretChecks({ door: { throttle, places } }: ServerContext, log: Log) {
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

  /** Checks the person who is signed in once more, by their passphrase. */
  const mustBeThem = async (own: string, { origin }: { readonly origin: Origin }): Promise<StoredAccount> => {
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

  return { tried, sealedFor, mustBeThem, mustBeStrong };
}

export const accountService = (context: ServerContext, rules: DoorRules, log: Log) => ({
  ...whoIsHere(context, rules),
  ...secretChecks(context, log),
});
export type AccountService = ReturnType<typeof accountService>;
