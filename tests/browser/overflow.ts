/** What does not fit a screen: a page that scrolls sideways, words that are cut, keys that lie over one another. */
import type { Page } from 'playwright-core';

/** Widths and heights that rooms are looked at; 640 × 400 is a laptop's screen at 200 %. */
export const SIZES = [
  [1600, 900],
  [1280, 800],
  [1024, 768],
  [768, 1024],
  [640, 400],
  [390, 844],
  [320, 568],
] as const;

/** A name without a place to break it. */
export const LONG_NAME = `Brunnhildegardisabellaluminescentiaundomiel${'o'.repeat(17)}`;

/** What does not fit as the page stands once it has settled, each with its words. */
export async function overflowFaults(page: Page): Promise<readonly string[]> {
  // What measures itself draws again a frame after its place has changed.
  await page.evaluate(() => new Promise((on) => requestAnimationFrame(() => requestAnimationFrame(on))));
  return page.evaluate(() => {
    const faults: string[] = [];
    const root = document.documentElement;
    const wide = root.scrollWidth - root.clientWidth;
    const words = (el: Element): string =>
      `${el.tagName.toLowerCase()}.${el.getAttribute('class') ?? ''} "${(el.textContent ?? '').trim().slice(0, 50)}"`;
    const seen = (el: Element): boolean => el.checkVisibility({ visibilityProperty: true, opacityProperty: true });
    /** Within something that scrolls by itself, or that hides what is only for a screen reader. */
    const apart = (el: Element): boolean => {
      for (let up: Element | null = el; up && up !== document.body; up = up.parentElement) {
        const s = getComputedStyle(up);
        if (
          s.position === 'fixed' ||
          s.clipPath !== 'none' ||
          s.clip !== 'auto' ||
          s.overflowX === 'auto' ||
          s.overflowX === 'scroll'
        )
          return true;
      }
      return false;
    };
    if (wide > 0) {
      const out = [...document.body.querySelectorAll('*')].filter(
        (el) => !apart(el) && el.getBoundingClientRect().right > root.clientWidth + 0.5,
      );
      // The innermost ones say where.
      const inner = out.filter((el) => !out.some((o) => o !== el && el.contains(o)));
      faults.push(`wider by ${wide}: ${inner.slice(0, 3).map(words).join(', ')}`);
    }
    for (const el of document.querySelectorAll<HTMLElement>(
      'header :is(a, button), main :is(a, button, label, h1, h2, h3, p, li, th, td, dd, legend, summary)',
    )) {
      if (!seen(el) || apart(el)) continue;
      const s = getComputedStyle(el);
      if (s.overflowX === 'hidden' && s.textOverflow !== 'ellipsis' && el.scrollWidth > el.clientWidth + 1)
        faults.push(`cut: ${words(el)}`);
    }
    // The head is one row on a desk's screen.
    const header = document.querySelector('body header');
    if (header && root.clientWidth >= 1280) {
      const lines = new Set(
        [...header.querySelectorAll('a, button')].filter(seen).map((el) => {
          const { top, height } = el.getBoundingClientRect();
          return Math.round((top + height / 2) / 12);
        }),
      );
      if (lines.size > 1) faults.push(`the head wraps: ${lines.size} rows`);
    }
    const keys = [
      ...document.querySelectorAll('main :is(a, button, select, input:not([type="radio"], [type="checkbox"]))'),
    ].filter((el) => seen(el) && !el.closest('svg') && getComputedStyle(el).display !== 'inline');
    for (const [i, a] of keys.entries())
      for (const b of keys.slice(i + 1)) {
        if (a.contains(b) || b.contains(a)) continue;
        const [p, q] = [a.getBoundingClientRect(), b.getBoundingClientRect()];
        const over = Math.min(p.right, q.right) - Math.max(p.left, q.left);
        const under = Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top);
        if (
          over > 3 &&
          under > 3 &&
          getComputedStyle(a).position === 'static' &&
          getComputedStyle(b).position === 'static'
        )
          faults.push(`over one another: ${words(a)} and ${words(b)}`);
      }
    return faults;
  });
}
