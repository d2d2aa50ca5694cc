/** Starts the desk, the table and the home pages: styles, router, and what this device saw last. */
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/sorts-mill-goudy/400.css';
import '@fontsource/sorts-mill-goudy/400-italic.css';
import './ui/tokens.css';
import './ui/house.css';
import './ui/bootstrap.scss';
import './app/rooms-styles.ts';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { DeviceForms } from './app/DeviceForms.tsx';
import { showMarks } from './app/device-preferences.ts';
import { ROUTES } from './app/routes.tsx';
import { theme, themeMarks } from './app/theme.ts';
import { view, viewMarks } from './app/view.ts';
import { meQuery } from './data/door.ts';
import { keepLastSeen, showLastSeen } from './data/last-seen.ts';
import { prefetch, queries } from './data/queries.ts';
import { drawBeside } from './drawing/dog/useFigure.ts';

showMarks({ ...themeMarks(theme()), ...viewMarks(view()) });

const root = document.getElementById('root');
if (!root) throw new TypeError('index.html has no #root');

prefetch(meQuery);
// The router asks for the code of the room and for its first answers as soon as it is made.
const router = createBrowserRouter(ROUTES);
drawBeside(() => new Worker(new URL('./drawing/dog/figure.worker.ts', import.meta.url), { type: 'module' }));

/** The faces of the first lines, on their way with the page: set in others first, everything would move when they come. */
const FACES = ["1rem 'Atkinson Hyperlegible Next Variable'", "1rem 'Sorts Mill Goudy'"];
void Promise.allSettled([showLastSeen(queries, Date.now()), ...FACES.map((face) => document.fonts.load(face))]).then(
  () => {
    keepLastSeen(queries);
    createRoot(root).render(
      <StrictMode>
        <QueryClientProvider client={queries}>
          <DeviceForms>
            <RouterProvider router={router} />
          </DeviceForms>
        </QueryClientProvider>
      </StrictMode>,
    );
  },
);

// Opens without a link from the second time on; where the page is not secure, as on a plain salon net, it needs one. It fetches
// the whole house: only once the room has had time to be shown.
const WORKER_AFTER_MS = 3_000;
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  setTimeout(
    () => void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined),
    WORKER_AFTER_MS,
  );
