/** Rooms that are looked into once in a while: the wall, rules, settings of the house, people. */
import { Dropdown } from 'react-bootstrap';
import { NavLink, useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { roomsFor } from './rooms.ts';

export function HouseMenu() {
  const { role } = useWho();
  const { pathname } = useLocation();
  const rooms = roomsFor(role, (r) => r.hangs === 'house');
  const here = rooms.some((r) => pathname === r.to || pathname.startsWith(`${r.to}/`));
  return (
    <Dropdown className={here ? 'wt-house-menu is-here' : 'wt-house-menu'}>
      <Dropdown.Toggle as="button" type="button" className="wt-plain">
        <span>House</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {rooms.map((r) => (
          <Dropdown.Item key={r.to} as={NavLink} to={r.to}>
            {r.name}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
