/** A room by Tab alone: focus is seen, nothing covers it, it is never trapped, and comes round. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';

/** Rooms have fewer stops than this; one that has more holds somebody. */
const MOST_STOPS = 420;

/** Where the focus is: what it is called, and what is wrong with how it is seen; '' for nothing. */
const stop = (page: Page): Promise<{ readonly name: string; readonly wrong: string; readonly at: number }> =>
  page.evaluate(() => {
    const el = document.activeElement;
    if (!el || el === document.body) return { name: '', wrong: '', at: -1 };
    const name = `${el.tagName.toLowerCase()} ${(el.getAttribute('aria-label') ?? el.textContent ?? '').trim().slice(0, 40)}`;
    const all = [...document.querySelectorAll('*')];
    const at = all.indexOf(el);
    const box = el.getBoundingClientRect();
    if (el.closest('svg')) return { name, wrong: '', at };
    const style = getComputedStyle(el);
    // A choice that is drawn by its label shows the ring there.
    const shown = [el, el.nextElementSibling, el.parentElement].some((e) => {
      if (!e) return false;
      const s = getComputedStyle(e);
      return (
        (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) >= 2) ||
        (e !== el && s.boxShadow !== 'none' && s.boxShadow !== '')
      );
    });
    if (!shown && style.boxShadow === 'none') return { name, wrong: 'no ring', at };
    if (box.width < 1 || box.height < 1) return { name, wrong: 'without size', at };
    const x = Math.min(innerWidth - 1, Math.max(0, box.left + box.width / 2));
    const y = Math.min(innerHeight - 1, Math.max(0, box.top + Math.min(box.height, innerHeight) / 2));
    const top = document.elementFromPoint(x, y);
    const clear =
      top !== null &&
      (el.contains(top) ||
        top.contains(el) ||
        top.closest('label')?.contains(el) === true ||
        el.nextElementSibling?.contains(top) === true ||
        top.closest('.wt-tread, .wt-stairs-board, .wt-layers') !== null);
    return {
      name,
      wrong: clear ? '' : `covered by ${top?.tagName.toLowerCase()}.${top?.getAttribute('class') ?? ''}`,
      at,
    };
  });

/**
 * Walks a room by Tab from its very top until the focus comes round: what is wrong on the way. Fails for a room that holds the
 * focus, or lets it go nowhere.
 */
export async function tabFaults(page: Page): Promise<readonly string[]> {
  await page.locator('.wt-skip').focus();
  const wrong: string[] = [];
  const seen = new Set<number>();
  let stops = 0;
  for (; stops < MOST_STOPS; stops++) {
    await page.keyboard.press('Tab');
    const at = await stop(page);
    if (at.at < 0 || seen.has(at.at)) break;
    seen.add(at.at);
    if (at.wrong !== '') wrong.push(`${at.name}: ${at.wrong}`);
  }
  expect(stops, 'comes round').to.be.within(5, MOST_STOPS - 1);
  return wrong;
}
