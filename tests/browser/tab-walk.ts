/** A room by Tab alone: focus is seen, nothing covers it, it is never trapped, and comes round. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';

/** Rooms have fewer stops than this; one that has more holds somebody. */
const MOST_STOPS = 420;

interface Stop {
  readonly name: string;
  readonly wrong: string;
}
declare global {
  interface Window {
    wtStops?: Stop[];
    /** 'round': the focus has come round, or has left the page; else what holds it. */
    wtEnd?: string | undefined;
  }
}

/** From now on looks at where the focus stands each time Tab is about to move it on. All in one: a page knows no names of ours. */
const watch = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const seen = new Set<Element>();
    const stops: { name: string; wrong: string }[] = [];
    const first = document.activeElement;
    let last: Element | undefined;
    window.wtStops = stops;
    window.wtEnd = undefined;
    window.addEventListener(
      'keydown',
      ({ key }) => {
        const el = document.activeElement;
        if (key !== 'Tab' || window.wtEnd !== undefined || (el === first && stops.length === 0)) return;
        if (!el || el === document.body || el === first) {
          window.wtEnd = 'round';
          return;
        }
        const said = (el.getAttribute('aria-label') ?? el.textContent ?? '').trim().slice(0, 40);
        const stop = { name: `${el.tagName.toLowerCase()} ${said}`, wrong: '' };
        // A date or a time has stops within.
        const within = el === last && el instanceof HTMLInputElement && /date|time|month/.test(el.type);
        last = el;
        if (within) return;
        if (seen.has(el)) {
          window.wtEnd = `held at ${stop.name}`;
          return;
        }
        seen.add(el);
        stops.push(stop);
        if (el.closest('svg')) return;
        const box = el.getBoundingClientRect();
        // A choice that is drawn by its label shows the ring there.
        const shown = [el, el.nextElementSibling, el.parentElement].some((e) => {
          if (!e) return false;
          const s = getComputedStyle(e);
          return (
            (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2) ||
            (e !== el && s.boxShadow !== 'none' && s.boxShadow !== '')
          );
        });
        const x = Math.min(innerWidth - 1, Math.max(0, box.left + box.width / 2));
        const y = Math.min(innerHeight - 1, Math.max(0, box.top + Math.min(box.height, innerHeight) / 2));
        const top = document.elementFromPoint(x, y);
        const clear =
          top !== null &&
          (el.contains(top) ||
            top.contains(el) ||
            top.closest('label')?.contains(el) === true ||
            el.nextElementSibling?.contains(top) === true ||
            top.closest('.wt-plan-tread, .wt-plan-stairs-board, .wt-coat-layers') !== null);
        if (!shown && getComputedStyle(el).boxShadow === 'none') stop.wrong = 'no ring';
        else if (box.width < 1 || box.height < 1) stop.wrong = 'without size';
        else if (!clear) stop.wrong = `covered by ${top?.tagName.toLowerCase()}.${top?.getAttribute('class') ?? ''}`;
      },
      true,
    );
  });

/** Presses between two looks at how far the focus has come. */
const AT_A_TIME = 25;

/**
 * Walks a room by Tab from its very top until the focus comes round: what is wrong on the way. Fails for a room that holds the
 * focus, or lets it go nowhere.
 */
export async function tabFaults(page: Page): Promise<readonly string[]> {
  await page.locator('.wt-app-skip').focus();
  await watch(page);
  let end: string | undefined;
  for (let pressed = 0; pressed < MOST_STOPS + AT_A_TIME && end === undefined; pressed += AT_A_TIME) {
    // Sent one after the other without waiting for each: the page takes them in their order.
    await Promise.all(Array.from({ length: AT_A_TIME }, () => page.keyboard.press('Tab')));
    end = await page.evaluate(() => window.wtEnd);
  }
  const stops = await page.evaluate(() => window.wtStops ?? []);
  expect(end, 'the focus').to.equal('round');
  expect(stops.length, 'stops').to.be.within(5, MOST_STOPS - 1);
  return stops.filter(({ wrong }) => wrong !== '').map(({ name, wrong }) => `${name}: ${wrong}`);
}
