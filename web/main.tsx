import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/sorts-mill-goudy/400.css';
import '@fontsource/sorts-mill-goudy/400-italic.css';
import 'bootstrap/dist/css/bootstrap.min.css';
import './app/palette.css';
import './app/theme.css';
import './drawing/drawing.css';
import './desk/desk.css';
import './table/table.css';
import './table/session.css';
import './home/home.css';
import './app/narrow.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { router } from './app/routes.tsx';
import { ApiProblem } from './data/client.ts';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // A refusal stays a refusal; only a lost link is worth another try.
      retry: (count, problem) => problem instanceof ApiProblem && problem.status === 0 && count < 2,
    },
  },
});

const root = document.getElementById('root');
if (!root) throw new TypeError('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);

// Opens without a link from the second time on; where the page is not secure, as on a plain salon net, it needs one.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
}
