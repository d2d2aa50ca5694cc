/** Rooms that are looked into once in a while: people, tools, hours, prices, logins, backups. */
import { useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';
import { Menu, MenuLink } from '../ui/Menu.tsx';

export function SalonMenu() {
  const { role } = useWho();
  const { pathname } = useLocation();
  const pages = pagesFor(role).filter((p) => p.menu === 'salon');
  const here = pages.some((p) => pathname === p.path || pathname.startsWith(`${p.path}/`));
  return (
    <Menu head={<span>Salon</span>} here={here}>
      {pages.map((p) => (
        <MenuLink key={p.path} to={p.path}>
          {labelOf(p)}
        </MenuLink>
      ))}
    </Menu>
  );
}
