/** The house from inside: wordmark, the three places, the rooms of the place, and the room itself. */
import { Moon, Sun } from 'lucide-react';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { labelOf, pagesFor } from '../pages.ts';
import { HeadKeys } from './HeadKeys.tsx';
import { HouseMenu } from './HouseMenu.tsx';
import { NewVersion } from './NewVersion.tsx';
import { useOutboxes } from './outbox.ts';
import { rememberRoom } from './recent.ts';
import { setTheme, theme as themeHere, type Theme } from './theme.ts';
import { WhoMenu } from './WhoMenu.tsx';

const PLACES = [
  { to: '/desk', name: 'Desk' },
  { to: '/table', name: 'Table' },
  { to: '/home', name: 'Home' },
] as const;

const REMEMBERED_AFTER_MS = 1500;

const ConfirmDialog = lazy(() => import('../door/ConfirmDialog.tsx').then((m) => ({ default: m.ConfirmDialog })));

export function Shell() {
  const { pathname } = useLocation();
  const place = pathname.split('/')[1] ?? 'desk';
  const [theme, show] = useState<Theme>(themeHere);
  const toggleTheme = (): void => {
    const other = theme === 'light' ? 'dark' : 'light';
    setTheme(other);
    show(other);
  };
  const { role, id: accountId } = useWho();
  useOutboxes();
  const main = useRef<HTMLElement>(null);
  const first = useRef(true);
  // A new room is read from its top by keyboard and screen reader alike.
  useEffect(() => {
    if (first.current) first.current = false;
    else main.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }, [pathname]);
  // A room is remembered by what stands over it, once it has been looked at for a moment: on a slow link that comes later.
  useEffect(() => {
    const looking = setInterval(() => {
      const name = main.current?.querySelector('h1')?.textContent;
      if (!name || main.current?.querySelector('[role="alert"]')) return;
      rememberRoom(accountId, { to: pathname, name });
      clearInterval(looking);
    }, REMEMBERED_AFTER_MS);
    return () => clearInterval(looking);
  }, [pathname, accountId]);
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
          {pagesFor(role)
            .filter((p) => p.menu === 'row' && p.path.startsWith(`/${place}/`))
            .map((p) => (
              <NavLink key={p.path} to={p.path}>
                {labelOf(p)}
              </NavLink>
            ))}
          {place === 'desk' && <HouseMenu />}
        </nav>
        <HeadKeys />
        <button type="button" className="wt-plain" onClick={toggleTheme}>
          {theme === 'light' ? <Moon aria-hidden size={18} /> : <Sun aria-hidden size={18} />}
          <span className="visually-hidden">{theme === 'light' ? 'Night' : 'Day'}</span>
        </button>
        <WhoMenu />
      </header>
      <NewVersion />
      {role === 'owner' && (
        <Suspense fallback={null}>
          <ConfirmDialog />
        </Suspense>
      )}
      <main id="room" ref={main} tabIndex={-1} className="wt-room">
        <Outlet />
      </main>
    </div>
  );
}
