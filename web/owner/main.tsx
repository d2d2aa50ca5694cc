import '@fontsource-variable/atkinson-hyperlegible-next';
import '../ui/tokens.css';
import './base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { ErrorBoundary } from 'react-error-boundary';
import { homeLink } from './link.ts';
import { OwnerApp } from './OwnerApp.tsx';

const root = document.getElementById('root');
if (!root) throw new TypeError('owner.html has no #root');
const dark = matchMedia('(prefers-color-scheme: dark)');
const follow = (): void => {
  document.documentElement.dataset['bsTheme'] = dark.matches ? 'dark' : 'light';
};
follow();
dark.addEventListener('change', follow);

/** What is said when the page itself fails: what was noted waits on the phone and is sent with the next start. */
function Broken() {
  return (
    <main role="alert">
      <h1>This page could not be shown</h1>
      <p>What you noted is safe. Load the page again; if it stays like this, please ring the salon.</p>
      <button type="button" onClick={() => window.location.reload()}>
        Load it again
      </button>
    </main>
  );
}

function App() {
  return (
    <ErrorBoundary FallbackComponent={Broken}>
      <OwnerApp token={homeLink()} />
    </ErrorBoundary>
  );
}
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
// Another link pasted into the same tab opens its own page.
addEventListener('hashchange', () => location.reload());

if (import.meta.env.PROD && 'serviceWorker' in navigator)
  void navigator.serviceWorker.register('/o/sw.js', { scope: '/o', updateViaCache: 'none' }).catch(() => undefined);
