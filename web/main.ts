/**
 * Decides what is done before anything else of a page runs: it shows itself as this device does, holds presses until somebody
 * is there to take them, and has asked who is here and what the room at this address will want. The answers are on their way
 * while the rest is still read; a room that asks for something else loses nothing.
 */
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
import './app/rooms-styles.ts';
import './app/narrow.css';
import { codeAt, wantsAt } from './app/first.ts';
import { holdPresses, noteTyped } from './app/held.ts';
import { lookMarks } from './app/look.ts';
import { showMarks, tellWays } from './app/on-device.ts';
import { askedBeside, isServed } from './app/served.ts';
import { ask } from './data/asked.ts';

const { pathname } = window.location;
showMarks(lookMarks());
tellWays();
/** Called once what stands has been shown. */
const onceShown = (act: () => void): void =>
  void requestAnimationFrame(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = act;
    port2.postMessage(undefined);
  });
/** What the house stands on, then the house: piece by piece, so that a press between two of them is not kept waiting. */
const PIECES: readonly (() => Promise<unknown>)[] = [
  () => import('react-dom/client'),
  () => import('./app/router.ts'),
  () => import('./app/House.tsx'),
  () => import('./house.tsx'),
];
async function build(): Promise<void> {
  for (const piece of PIECES) {
    await piece();
    await new Promise((on) => setTimeout(on));
  }
}
/** Called once the page has been read to its end. */
function onceRead(act: () => void): void {
  if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', act, { once: true });
  else act();
}
if (isServed()) {
  holdPresses();
  onceRead(() => {
    noteTyped();
    askedBeside().forEach(ask);
    onceShown(() => void build().then(() => codeAt(pathname)));
  });
} else {
  for (const path of ['/me', ...wantsAt(pathname).map(({ path }) => path)]) ask(path);
  codeAt(pathname);
  onceRead(() => void build());
}
