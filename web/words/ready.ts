/**
 * Decides what is made ready before a page is first drawn by this device: the browser reads its tables of dates and moneys
 * when the first is said, and would keep a room waiting while it is drawn.
 */
import { shortDay } from './dates.ts';
import { money } from './figures.ts';

/** Whatever the currency: it is the first of all that takes its time. */
const FIRST_SAID: readonly (() => unknown)[] = [() => shortDay(0), () => money(0, 'EUR'), () => money(1, 'EUR')];

/** Says one of each to nobody, each in a task of its own. */
export async function wordsReady(): Promise<void> {
  for (const say of FIRST_SAID) {
    await new Promise((on) => setTimeout(on));
    say();
  }
}
