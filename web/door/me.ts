/** Who is in the house, for the rooms behind the door. */
import { createContext, useContext } from 'react';
import type { MePage, Role } from '../../contract/account.ts';

const Me = createContext<MePage | undefined>(undefined);
export const MeProvider = Me.Provider;

/** Anyone who came in. Throws before the door. */
export function useWho(): NonNullable<MePage['account']> & { readonly shared: boolean } {
  const me = useContext(Me);
  if (!me?.account) throw new TypeError('nobody has come through the door');
  return { ...me.account, shared: me.shared };
}

export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly does: string }>> = {
  owner: { name: 'Owner', does: 'everything, and who may come in' },
  groomer: { name: 'Groomer', does: 'dogs, checks, plans, sessions, kit, the book' },
  bather: { name: 'Bather', does: 'checks and sessions at tub and table' },
  desk: { name: 'Desk', does: 'owners, dates, the day’s sheet, reminders' },
};
