/** The house from inside: wordmark, the three places, the rooms of the place, and the room itself. */
import { Moon, Sun } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import type { Role } from '../../contract/account.ts';
import { useWho } from '../door/me.ts';
import { useOutboxes } from './outbox.ts';
import { useTheme } from './theme.ts';
import { WhoMenu } from './WhoMenu.tsx';

const PLACES = [
  { to: '/desk', name: 'Desk' },
  { to: '/table', name: 'Table' },
  { to: '/home', name: 'Home' },
] as const;

/** A room that not everybody may look into names those who may. */
const ROOMS: Readonly<Record<string, readonly { to: string; name: string; roles?: readonly Role[] }[]>> = {
  desk: [
    { to: '/desk/tide', name: 'Tide' },
    { to: '/desk/book', name: 'Book' },
    { to: '/desk/sheet', name: 'Sheet' },
    { to: '/desk/dogs', name: 'Dogs' },
    { to: '/desk/day', name: 'Today' },
    { to: '/desk/bench', name: 'Bench' },
    { to: '/desk/ahead', name: 'Ahead' },
    { to: '/desk/homes', name: 'Homes' },
    { to: '/desk/tally', name: 'Tally', roles: ['owner', 'groomer'] },
    { to: '/desk/kit', name: 'Kit' },
    { to: '/desk/rules', name: 'Rules' },
    { to: '/desk/house', name: 'House rules' },
  ],
  table: [
    { to: '/table/wall', name: 'Wall' },
    { to: '/table/devices', name: 'Scale and meters' },
  ],
};

export function Shell() {
  const { pathname } = useLocation();
  const place = pathname.split('/')[1] ?? 'desk';
  const [theme, toggleTheme] = useTheme();
  const { role } = useWho();
  useOutboxes();
  const main = useRef<HTMLElement>(null);
  const first = useRef(true);
  // A new room is read from its top by keyboard and screen reader alike.
  useEffect(() => {
    if (first.current) first.current = false;
    else main.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }, [pathname]);
  return (
    <div className={`wt-house wt-place-${place}${pathname.startsWith('/table/sessions/') ? ' wt-at-session' : ''}`}>
      <a className="wt-skip" href="#room">
        Skip to the room
      </a>
      <header className="wt-head">
        <NavLink to="/desk/tide" className="wt-mark" aria-label="Woolly Tide, to the tide">
          <img src="/mark.svg" alt="" width={30} height={30} />
          <span>Woolly Tide</span>
        </NavLink>
        <nav className="wt-places" aria-label="Places">
          {PLACES.map((p) => (
            <NavLink key={p.to} to={p.to}>
              {p.name}
            </NavLink>
          ))}
        </nav>
        <nav className="wt-rooms" aria-label="Rooms">
          {(ROOMS[place] ?? [])
            .filter((r) => !r.roles || r.roles.includes(role))
            .map((r) => (
              <NavLink key={r.to} to={r.to}>
                {r.name}
              </NavLink>
            ))}
        </nav>
        <button type="button" className="wt-plain" onClick={toggleTheme}>
          {theme === 'light' ? <Moon aria-hidden size={18} /> : <Sun aria-hidden size={18} />}
          <span className="visually-hidden">{theme === 'light' ? 'Night' : 'Day'}</span>
        </button>
        <WhoMenu />
      </header>
      <main id="room" ref={main} tabIndex={-1} className="wt-room">
        <Outlet />
      </main>
    </div>
  );
}
