/** Decides who can be tried in the demo salon: one account of each role, all with the passphrase that the demo's door shows. */
import { scryptSync } from 'node:crypto';
import type { Role } from '../contract/account.ts';
import type { Stores } from '../server/db/index.ts';

export const DEMO_PASSPHRASE = 'a rake for every coat';
export const DEMO_PIN = '2468';

const PEOPLE: readonly (readonly [login: string, name: string, role: Role, personId: string | null])[] = [
  ['runa', 'Runa', 'owner', 'demo-runa'],
  ['maren', 'Maren', 'groomer', null],
  ['bertil', 'Bertil', 'bather', 'demo-bertil'],
  ['disa', 'Disa', 'desk', null],
];

/** These words are printed on the door: nothing is gained by making them dear to try. */
const cheap = (text: string): string => {
  const salt = Buffer.from('demo demo demo demo');
  const key = scryptSync(text, salt, 32, { N: 1024, r: 8, p: 1 });
  return `scrypt$10$8$1$${salt.toString('base64url')}$${key.toString('base64url')}`;
};

export function fillAccounts({ accounts }: Stores, nowMs: number): void {
  const [passphrase, pin] = [cheap(DEMO_PASSPHRASE), cheap(DEMO_PIN)];
  for (const [login, name, role, personId] of PEOPLE) {
    const id = `demo-${login}-account`;
    accounts.insert({ id, login, name, role, personId, passphrase, createdMs: nowMs });
    accounts.setPin(id, pin);
  }
}
