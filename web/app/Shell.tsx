/** The house from inside: wordmark, the two places, the rooms of the place, and the room itself. */
import { Moon, Sun } from 'lucide-react';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { NavLink, Outlet, useLocation } from 'react-router';
import { useWho } from '../door/me.ts';
import { useReports } from '../data/hooks.ts';
import { pagesFor } from '../pages.ts';
import { Button } from '../ui/Button.tsx';
import { Tabs } from '../ui/Tabs.tsx';
import { HeadKeys } from './HeadKeys.tsx';
import { NewVersion } from './NewVersion.tsx';
import { useOutboxes } from './outbox.ts';
import { rememberRoom } from './recent.ts';
import { SalonMenu } from './SalonMenu.tsx';
import { setTheme, theme as themeHere, type Theme } from './theme.ts';
import { WhoMenu } from './WhoMenu.tsx';
import css from './app.module.css';

const PLACES = [
  { to: '/desk', word: 'Desk' },
  { to: '/table', word: 'Table' },
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
  const reports = useReports();
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
  const rooms = pagesFor(role)
    .filter((p) => p.menu === 'row' && p.path.startsWith(`/${place}/`))
    .map((p) => ({
      to: p.path,
      word: p.title,
      waiting: p.path === '/desk/today' ? (reports.data?.reports.length ?? 0) : 0,
    }));
  return (
    <div
      className={css.house}
      data-place={place}
      data-at={pathname.startsWith('/table/sessions/') ? 'session' : undefined}
    >
      <a className={css.skip} href="#room">
        Skip to the room
      </a>
      <header className={css.head}>
        <NavLink to="/desk/today" className={css.mark ?? ''} aria-label="Woolly Tide, to today">
          <img src="/mark.svg" alt="" width={30} height={30} />
          <span>Woolly Tide</span>
        </NavLink>
        <Tabs name="Places" look="pill" tabs={PLACES} className={css.places} />
        <Tabs name="Rooms" look="line" tabs={rooms} className={css.rooms}>
          {place === 'desk' && <SalonMenu />}
        </Tabs>
        <HeadKeys />
        <Button look="plain" onClick={toggleTheme}>
          {theme === 'light' ? <Moon aria-hidden size={18} /> : <Sun aria-hidden size={18} />}
          <span className="visually-hidden">{theme === 'light' ? 'Night' : 'Day'}</span>
        </Button>
        <WhoMenu />
      </header>
      <NewVersion />
      {role === 'owner' && (
        <Suspense fallback={null}>
          <ConfirmDialog />
        </Suspense>
      )}
      <main id="room" ref={main} tabIndex={-1} className={css.room}>
        <Outlet />
      </main>
    </div>
  );
}
