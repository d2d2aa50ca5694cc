/** Rooms that are looked into once in a while: the wall, rules, settings of the house, people. */
import { useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';
import { Menu, MenuLink } from '../ui/Menu.tsx';

export function HouseMenu() {
  const { role } = useWho();
  const { pathname } = useLocation();
  const pages = pagesFor(role).filter((p) => p.menu === 'house');
  const here = pages.some((p) => pathname === p.path || pathname.startsWith(`${p.path}/`));
  return (
    <Menu head={<span>House</span>} here={here}>
      {pages.map((p) => (
        <MenuLink key={p.path} to={p.path}>
          {labelOf(p)}
        </MenuLink>
      ))}
    </Menu>
  );
}
