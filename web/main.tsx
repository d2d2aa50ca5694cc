import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/sorts-mill-goudy/400.css';
import '@fontsource/sorts-mill-goudy/400-italic.css';
import './app/bootstrap.scss';
import './app/palette.css';
import './app/theme.css';
import './drawing/drawing.css';
import './desk/desk.css';
import './table/table.css';
import './table/session.css';
import './home/home.css';
import './app/narrow.css';
import type { DogPage } from '../contract/dog.ts';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { startTransition, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { router } from './app/routes.tsx';
import { showView, view } from './app/view.ts';
import { api, ApiProblem } from './data/client.ts';
import { askMe, ME_KEY } from './data/door.ts';
import { keepLastSeen, showLastSeen } from './data/last-seen.ts';
import { drawBeside } from './drawing/dog/useFigure.ts';
import { wantsAt } from './early.ts';

const queries = new QueryClient({
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

/** Who is here, and what the room will ask for, where whoever is here may have it. */
async function factsFirst(): Promise<void> {
  const { account, locked } = await queries.fetchQuery({ queryKey: ME_KEY, queryFn: askMe });
  if (!account || locked) return;
  await Promise.all(
    wantsAt(window.location.pathname).map(({ key, path }) =>
      queries.prefetchQuery({ queryKey: key, queryFn: () => api<object>('GET', path) }),
    ),
  );
  // A check is felt beside the one before, which only the dog's page names.
  const [, dogId] = /^\/desk\/dogs\/([^/]+)\/check\/?$/.exec(window.location.pathname) ?? [];
  const lastId = dogId && queries.getQueryData<DogPage>(['dog', dogId])?.checks[0]?.id;
  if (lastId)
    await queries.prefetchQuery({
      queryKey: ['check', lastId],
      queryFn: () => api<object>('GET', `/checks/${lastId}`),
    });
}
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
showView(view());
const root = document.getElementById('root');
if (!root) throw new TypeError('index.html has no #root');
const house = createRoot(root);
// Whoever shows the door asks again, and says what is wrong.
const facts = factsFirst().catch(() => undefined);
void showLastSeen(queries, Date.now())
  .then(() => {
    keepLastSeen(queries);
    return Promise.race([Promise.all([facts, roomFirst()]), new Promise((over) => setTimeout(over, PATIENCE_MS))]);
  })
  .then(() =>
    // As a transition it is done in slices, and keeps nothing else waiting.
    startTransition(() =>
      house.render(
        <StrictMode>
          <QueryClientProvider client={queries}>
            <RouterProvider router={router} />
          </QueryClientProvider>
        </StrictMode>,
      ),
    ),
  );

// Opens without a link from the second time on; where the page is not secure, as on a plain salon net, it needs one.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
}
