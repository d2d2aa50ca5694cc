/** The built interface on a server of its own with a demo salon, and a headless Chromium to look at it. */
import { execFileSync } from 'node:child_process';
import { resolve } from 'node:path';
import { expect } from 'chai';
import { chromium, type Browser, type BrowserContextOptions, type Page } from 'playwright-core';
import { createApp } from '../../server/app.ts';
import { openDb, stores, type Stores } from '../../server/db/index.ts';
import { fillDemo } from '../../server/demo/seed.ts';
import { listen } from '../listen.ts';

const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export interface Stage {
  readonly base: string;
  readonly stores: Stores;
  /** A page in a context of its own: no storage is shared. Faults on it fail the test that closes it. */
  page: (options?: BrowserContextOptions) => Promise<Page>;
  /** What pages complained of since the stage was opened. */
  readonly complaints: readonly string[];
  close: () => Promise<void>;
}

/** Opens the stage: real clock, database in memory. */
export async function openStage(): Promise<Stage> {
  const db = openDb(':memory:');
  const kept = stores(db);
  fillDemo(kept, Date.now());
  const complaints: string[] = [];
  const app = createApp({
    stores: kept,
    nowMs: Date.now,
    log: { error: (e: unknown) => void complaints.push(JSON.stringify(e)) },
    webRoot: resolve('dist'),
  });
  const { base, close } = await listen(app);
  const executablePath = execFileSync('sh', ['-c', 'command -v chromium'], { encoding: 'utf8' }).trim();
  const browser: Browser = await chromium.launch({ executablePath, args: FLAGS });
  return {
    base,
    stores: kept,
    complaints,
    page: async (options = {}) => {
      const context = await browser.newContext({ baseURL: base, viewport: { width: 1280, height: 800 }, ...options });
      const page = await context.newPage();
      page.setDefaultTimeout(10_000);
      page.on('pageerror', (e) => complaints.push(`${page.url()}: ${e.message}`));
      page.on('request', (r) => {
        if (!r.url().startsWith(base) && !/^(data|blob):/.test(r.url())) complaints.push(`asked ${r.url()}`);
      });
      page.on('console', (m) => {
        // A refusal that a test asks for is logged by the browser as a failed resource; it is not a fault of the page.
        if (m.type() === 'error' && !m.text().startsWith('Failed to load resource')) complaints.push(m.text());
      });
      return page;
    },
    close: async () => {
      await browser.close();
      await close();
      db.close();
      expect(complaints).to.deep.equal([]);
    },
  };
}

/** Moves the focus with Tab alone to the control of this name; fails when it does not come round. */
export async function tabTo(page: Page, name: string | RegExp, most = 150): Promise<void> {
  const matches = (text: string): boolean => (typeof name === 'string' ? text === name : name.test(text));
  const seen: string[] = [];
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const { text, ringed } = await page.evaluate(() => {
      const el = document.activeElement;
      if (!el || el === document.body) return { text: '', ringed: true };
      const labels = el instanceof HTMLInputElement || el instanceof HTMLTextAreaElement ? [...(el.labels ?? [])] : [];
      const said = el.getAttribute('aria-label') ?? (labels[0] ?? el).textContent ?? '';
      // Visible focus: on the element, on its styled neighbour (a choice), or on its edge (a zone of the map).
      const rings = [el, el.nextElementSibling, el.querySelector('.wt-zone-edge')].filter((x) => x !== null);
      const ringed = rings.some((x) => {
        const style = getComputedStyle(x);
        return (
          (style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) >= 2) || parseFloat(style.strokeWidth) >= 5
        );
      });
      return { text: said.trim(), ringed };
    });
    seen.push(text);
    expect(ringed, `focus is visible on "${text}"`).to.equal(true);
    if (matches(text)) return;
  }
  expect.fail(`Tab never came to ${name}: ${seen.join(' | ')}`);
}
