/** Who is in, in the head of the house: hand over, own secrets, and the owner's rooms. */
import { UserRound } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import { Link } from 'react-router';
import { useLock, useSignOut } from '../data/door.ts';
import { ROLE_WORDS, useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';

export function WhoMenu() {
  const who = useWho();
  const lock = useLock();
  const signOut = useSignOut();
  return (
    <Dropdown align="end" className="wt-who">
      <Dropdown.Toggle as="button" type="button" className="wt-plain">
        <UserRound aria-hidden size={18} />
        <span>{who.name}</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <Dropdown.Header>{ROLE_WORDS[who.role].name}</Dropdown.Header>
        {who.shared && (
          <Dropdown.Item as="button" onClick={() => lock.mutate(undefined)}>
            Hand the tablet over
          </Dropdown.Item>
        )}
        {pagesFor(who.role)
          .filter((p) => p.menu === 'name')
          .map((p) => (
            <Dropdown.Item key={p.path} as={Link} to={p.path}>
              {labelOf(p)}
            </Dropdown.Item>
          ))}
        <Dropdown.Divider />
        <Dropdown.Item as="button" onClick={() => signOut.mutate(undefined)}>
          Sign out
        </Dropdown.Item>
      </Dropdown.Menu>
    </Dropdown>
  );
}
