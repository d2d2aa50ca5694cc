/** What can be opened from anywhere by key or button: the finder, help on this room, the list of keys. Each is fetched when first asked for. */
import { CircleHelp, Search } from 'lucide-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { useView } from './useView.ts';

const Finder = lazy(() => import('../find/Finder.tsx'));
const Shortcuts = lazy(() => import('../find/Shortcuts.tsx'));
const HelpPanel = lazy(() => import('../help/HelpPanel.tsx'));

type Opened = 'find' | 'help' | 'keys';

/** Is something being typed, or walked by arrows and letters, there: its keys are its own. */
const takesKeys = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || target.closest('input, textarea, select, [role="listbox"], [data-zone]') !== null);

export function HeadKeys() {
  const [opened, setOpened] = useState<Opened>();
  const { singleKeys } = useView();
  const { pathname } = useLocation();
  // At the table hands are wet and elbows near: keys there would only be hit by mistake.
  const alone = singleKeys && !pathname.startsWith('/table/sessions/');
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.defaultPrevented || opened) return;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        setOpened('find');
        return;
      }
      if (!alone || e.ctrlKey || e.metaKey || e.altKey || takesKeys(e.target)) return;
      const asked = { '/': 'find', '?': 'keys', h: 'help' }[e.key];
      if (asked !== 'find' && asked !== 'keys' && asked !== 'help') return;
      e.preventDefault();
      setOpened(asked);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [alone, opened]);
  const close = (): void => setOpened(undefined);
  return (
    <>
      <Button look="plain" aria-keyshortcuts="/ Control+K" onClick={() => setOpened('find')}>
        <Search aria-hidden size={18} />
        <span>Find</span>
      </Button>
      <Button look="plain" aria-keyshortcuts="h" onClick={() => setOpened('help')}>
        <CircleHelp aria-hidden size={18} />
        <span className="visually-hidden">Help on this room</span>
      </Button>
      <Suspense fallback={null}>
        {opened === 'find' && <Finder onClose={close} />}
        {opened === 'keys' && <Shortcuts onClose={close} />}
        {opened === 'help' && <HelpPanel onClose={close} />}
      </Suspense>
    </>
  );
}
