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
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { router } from './app/routes.tsx';
import { showView, view } from './app/view.ts';
import { ApiProblem } from './data/client.ts';
import { askEarly } from './data/early.ts';
import { keepLastSeen, showLastSeen } from './data/last-seen.ts';

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

askEarly(queries, window.location.pathname);
showView(view());
const root = document.getElementById('root');
if (!root) throw new TypeError('index.html has no #root');
const house = createRoot(root);
void showLastSeen(queries, Date.now()).then(() => {
  keepLastSeen(queries);
  house.render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  );
});

// Opens without a link from the second time on; where the page is not secure, as on a plain salon net, it needs one.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  void navigator.serviceWorker.register('/sw.js', { updateViaCache: 'none' }).catch(() => undefined);
}
