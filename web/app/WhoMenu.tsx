/** Who is in, in the head of the house: hand over, own secrets, and the owner's rooms. */
import { UserRound } from 'lucide-react';
import { useLock, useSignOut } from '../data/door.ts';
import { ROLE_WORDS, useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';
import { Menu, MenuAct, MenuHead, MenuLine, MenuLink } from '../ui/Menu.tsx';

export function WhoMenu() {
  const who = useWho();
  const lock = useLock();
  const signOut = useSignOut();
  return (
    <Menu
      end
      head={
        <>
          <UserRound aria-hidden size={18} />
          <span>{who.name}</span>
        </>
      }
    >
      <MenuHead>{ROLE_WORDS[who.role].name}</MenuHead>
      {who.shared && <MenuAct onPick={() => lock.mutate(undefined)}>Hand the tablet over</MenuAct>}
      {pagesFor(who.role)
        .filter((p) => p.menu === 'name')
        .map((p) => (
          <MenuLink key={p.path} to={p.path}>
            {labelOf(p)}
          </MenuLink>
        ))}
      <MenuLine />
      <MenuAct onPick={() => signOut.mutate(undefined)}>Sign out</MenuAct>
    </Menu>
  );
}
