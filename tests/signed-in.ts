/** Devices that are signed in: in this process without the quarter second that a passphrase takes, at a demo by its door. */
import type { Role } from '../contract/account.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import type { DoorState } from '../server/auth/door-state.ts';
import { DEMO_PASSPHRASE } from '../demo/accounts.ts';
import { newSecret, secretHash } from '../server/auth/guard.ts';
import type { Stores } from '../server/db/index.ts';

/** The cookie of a device at which somebody of a role is signed in; an account is made where there is none. */
export function signedInAs({ accounts, write }: Stores, role: Role, atMs: number, { shared = false } = {}): string {
  const secret = newSecret();
  acting.run(UNTRAILED, () =>
    write(() => {
      const there = accounts.all().find((a) => a.role === role && !a.ended);
      const id = there?.id ?? `test-${role}`;
      if (!there)
        accounts.insert({
          id,
          login: role,
          name: `The ${role}`,
          role,
          personId: null,
          passphrase: null,
          createdMs: atMs,
        });
      accounts.signIn({
        id: newSecret().slice(0, 20),
        hash: secretHash(secret),
        accountId: id,
        shared,
        device: 'a test',
        address: '127.0.0.1',
        atMs,
      });
    }),
  );
  return `woolly=${secret}`;
}

/** The same, having shown the passphrase just now: for owner's acts. */
export function confirmedAs(stores: Stores, door: DoorState, role: Role, atMs: number): string {
  const cookie = signedInAs(stores, role, atMs);
  const device = stores.accounts.signedIn(secretHash(cookie.slice(cookie.indexOf('=') + 1)));
  if (device) door.confirm(device.row.id);
  return cookie;
}

/** What our own pages send with what they ask. */
export const headersOf = (cookie: string): Record<string, string> => ({
  cookie,
  'x-woolly-tide': 'hand',
  'content-type': 'application/json',
});

/** Headers of a device that signed in to a demo that runs elsewhere. */
export async function signedInAt(base: string, login = 'runa'): Promise<Record<string, string>> {
  const answer = await fetch(`${base}/api/sign-in`, {
    method: 'POST',
    headers: headersOf(''),
    body: JSON.stringify({ login, passphrase: DEMO_PASSPHRASE, shared: false }),
  });
  if (!answer.ok) throw new Error(`the demo's door stays shut: ${answer.status} ${await answer.text()}`);
  return headersOf(
    answer.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; '),
  );
}
