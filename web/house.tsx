/** Decides how the house comes to stand on its page: by itself, or out of a page that the salon's computer made. */
import { hydrate, QueryClient } from '@tanstack/react-query';
import { startTransition } from 'react';
import { createRoot, hydrateRoot } from 'react-dom/client';
import { learnFirst, learnRest } from './app/first.ts';
import { givePresses } from './app/held.ts';
import { House } from './app/House.tsx';
import { whenIdle } from './app/later.tsx';
import { isTrueHere } from './app/on-device.ts';
import { createBrowserRouter, RouterProvider } from './app/router.ts';
import { ROUTES } from './app/routes.tsx';
import { menusFetched } from './app/Shell.tsx';
import { servedFacts, type ServedFacts } from './app/served.ts';
import { mayBe } from './data/asked.ts';
import { api, ApiProblem } from './data/client.ts';
import { askMe, keepSeenMe } from './data/door.ts';
import { keepLastSeen, showLastSeen } from './data/last-seen.ts';
import { drawBeside } from './drawing/dog/useFigure.ts';
import { wordsReady } from './words/ready.ts';

const mind = new QueryClient({
  defaultOptions: {
    // The salon's computer is on the salon's own net: what a device thinks of the wider one says nothing.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: 5_000,
      // A refusal stays a refusal; only a lost link is worth another try.
      retry: (count, problem) => problem instanceof ApiProblem && problem.status === 0 && count < 2,
    },
  },
});

/** However long answers take, the house is shown after this; what is missing is waited for in its room. */
const PATIENCE_MS = 600;

function pageRoot(): HTMLElement {
  const root = document.getElementById('root');
  if (!root) throw new TypeError('index.html has no #root');
  return root;
}
const router = createBrowserRouter(ROUTES);
const roomFirst = (): Promise<void> =>
  new Promise((there) => {
    if (router.state.initialized) return there();
    const end = router.subscribe(({ initialized }) => {
      if (!initialized) return;
      end();
      there();
    });
  });

drawBeside(() => new Worker(new URL('./drawing/dog/figure.worker.ts', import.meta.url), { type: 'module' }));
const page = pageRoot();
/** Everything on the page takes presses, those that were held too; then what may wait until nothing else is to be done. */
function takePresses(): void {
  document.documentElement.setAttribute('data-wt-stands', '');
  givePresses();
  whenIdle(() => {
    // Opens without a link from the second time on; where the page is not secure, as on a plain salon net, it needs one.
    if (import.meta.env.PROD && 'serviceWorker' in navigator)
      void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
  });
}
let stands: () => void = () => undefined;
const stood = new Promise<void>((now) => (stands = now));
const house = (
  <House mind={mind} onStanding={stands}>
    <RouterProvider router={router} />
  </House>
);

/** The page stands already, made by the salon's computer as this device shows things: it only comes alive. */
async function comeAlive({ beside }: ServedFacts): Promise<void> {
  await Promise.all([
    roomFirst(),
    learnRest(mind, window.location.pathname, (path) => api<object>('GET', path)),
    wordsReady(),
  ]);
  // What came since is another answer than the page was made of: it would not find itself in what stands.
  if (!beside.every(({ path, tag }) => mayBe(path, tag))) return makeHere();
  startTransition(() => void hydrateRoot(page, house));
  keepSeenMe(mind);
  // Until then it must know what the page was made of, and no more: it would not find itself in what stands.
  // Its menus stand too, and take presses when their code is there.
  await Promise.all([stood, menusFetched()]);
  void showLastSeen(mind, Date.now()).then(() => keepLastSeen(mind, true));
}

/** The page is made here: when what its room needs has come, or has kept it waiting long enough. */
async function makeHere(): Promise<void> {
  await showLastSeen(mind, Date.now());
  keepLastSeen(mind);
  const facts = learnFirst(mind, window.location.pathname, askMe, (path) => api<object>('GET', path))
    // Whoever shows the door asks again, and says what is wrong.
    .catch(() => undefined);
  await Promise.race([Promise.all([facts, roomFirst()]), new Promise((over) => setTimeout(over, PATIENCE_MS))]);
  // As a transition it is done in slices, and keeps nothing else waiting.
  startTransition(() => createRoot(page).render(house));
  await stood;
}

const served = servedFacts();
if (served) hydrate(mind, served.mind);
void (served && isTrueHere(served.told) ? comeAlive(served) : makeHere()).then(takePresses);
