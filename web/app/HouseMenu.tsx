/** Rooms that are looked into once in a while: the wall, rules, settings of the house, people. */
import { Dropdown } from 'react-bootstrap';
import { NavLink, useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';

export function HouseMenu() {
  const { role } = useWho();
  const { pathname } = useLocation();
  const pages = pagesFor(role).filter((p) => p.menu === 'house');
  const here = pages.some((p) => pathname === p.path || pathname.startsWith(`${p.path}/`));
  return (
    <Dropdown className={here ? 'wt-house-menu is-here' : 'wt-house-menu'}>
      <Dropdown.Toggle as="button" type="button" className="wt-plain">
        <span>House</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {pages.map((p) => (
          <Dropdown.Item key={p.path} as={NavLink} to={p.path}>
            {labelOf(p)}
          </Dropdown.Item>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}
