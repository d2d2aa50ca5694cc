import '@fontsource-variable/atkinson-hyperlegible-next';
import '../app/palette.css';
import '../drawing/drawing.css';
import './owner.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
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

function App() {
  return <OwnerApp token={homeLink()} />;
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
