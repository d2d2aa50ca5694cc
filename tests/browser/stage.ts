/** The built interface on a server with a demo salon, and a headless Chromium to look at it. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { expect } from 'chai';
import { chromium, type BrowserContextOptions, type Page } from 'playwright-core';
import type { TideFile, TideLearntAnswer } from '../../contract/tide.ts';
import { factsWord } from '../../core/tide/index.ts';
import { createApp } from '../../server/app.ts';
import { openDb, stores, type Db, type Stores } from '../../server/db/index.ts';
import { DoorState } from '../../server/auth/door-state.ts';
import type { TideDesk } from '../../server/tide-desk.ts';
import { demoDb, demoIn, knownAtStart, outsideAt } from '../demo.ts';
import { listen } from '../listen.ts';
import { DEMO_SALON } from '../../demo/seed.ts';
import { DEMO, up } from '../process.ts';
import { confirmedAs, headersOf, signedInAt } from '../signed-in.ts';
import { logInto } from '../log.ts';

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

export interface Visit {
  readonly base: string;
  /** Of the device that all pages are, but those that are signed out: it belongs to the owner. */
  readonly headers: Record<string, string>;
  /** A page in a context of its own: no storage is shared. */
  page: (options?: BrowserContextOptions & { readonly signedOut?: boolean }) => Promise<Page>;
  /** Lets complaints pass that a test asked for; how many there were. */
  forgive: (what: RegExp) => number;
  /** Ends browser and server; fails when a page or the server complained, or a page asked beyond its server. */
  close: () => Promise<void>;
}
export interface Stage extends Visit {
  readonly stores: Stores;
  readonly db: Db;
  readonly door: DoorState;
}

/** Debian's Chromium; where there is one without windows, that: it takes a third less of the processor. */
const chromiumPath = (): string =>
  execFileSync('sh', ['-c', 'command -v chromium-headless-shell || command -v chromium'], { encoding: 'utf8' }).trim();

export interface Killable {
  readonly page: Page;
  /** Ends the whole browser as a dead battery does. */
  kill: () => void;
  readonly ended: Promise<void>;
  close: () => Promise<void>;
}

/** A Chromium of its own on a profile that stays, to be killed and started again. */
export async function killable(profile: string, baseURL: string, headers: Record<string, string>): Promise<Killable> {
  const child = spawn(
    chromiumPath(),
    [...FLAGS, '--remote-debugging-port=0', `--user-data-dir=${profile}`, 'about:blank'],
    // In a group of its own: what starts it may wait for it, and would be killed alone.
    { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
  );
  const end = (signal: 'SIGKILL' | 'SIGTERM'): void => {
    if (child.pid !== undefined) process.kill(-child.pid, signal);
  };
  const ended = new Promise<void>((over) => child.once('close', () => over()));
  let said = '';
  const address = await new Promise<string>((found) => {
    child.stderr.on('data', (d) => {
      said += String(d);
      const [, url] = said.match(/DevTools listening on (ws:\S+)/) ?? [];
      if (url) found(url);
    });
  });
  const browser = await chromium.connectOverCDP(address);
  const context = browser.contexts()[0];
  if (!context) throw new TypeError('the browser has no context');
  await context.addCookies(cookiesOf(headers, baseURL));
  const page = patient(await context.newPage());
  page.setDefaultTimeout(30_000);
  const go = page.goto.bind(page);
  page.goto = (url, options) => go(new URL(url, baseURL).href, options);
  return {
    page,
    kill: () => end('SIGKILL'),
    ended,
    close: async () => {
      await browser.close();
      if (child.exitCode === null && child.signalCode === null) end('SIGTERM');
      await ended;
    },
  };
}

/** The cookies of a device, for a browser. */
export const cookiesOf = ({ cookie = '' }: Record<string, string>, url: string) =>
  cookie.split('; ').map((c) => ({ name: c.slice(0, c.indexOf('=')), value: c.slice(c.indexOf('=') + 1), url }));

/**
 * A page that its user waits for, until its room has a heading or says what is wrong. Anyone who says that the first byte is
 * enough ("commit") does not wait.
 */
function patient(page: Page): Page {
  const takesKeys = (): Promise<void> =>
    page
      .locator('main h1, [role="alert"], html:not(:has(script[src^="/assets/main-"]))')
      .first()
      .waitFor({ state: 'attached' });
  const go = page.goto.bind(page);
  const again = page.reload.bind(page);
  page.goto = async (url, options) => {
    const answer = await go(url, options);
    if (options?.waitUntil !== 'commit') await takesKeys();
    return answer;
  };
  page.reload = async (options) => {
    const answer = await again(options);
    if (options?.waitUntil !== 'commit') await takesKeys();
    return answer;
  };
  return page;
}

/** A headless Chromium on a running house. */
async function visit(
  base: string,
  headers: Record<string, string>,
  complaints: string[],
  leave: () => Promise<void>,
): Promise<Visit> {
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: FLAGS });
  return {
    base,
    headers,
    page: async ({ signedOut = false, ...options } = {}) => {
      // Devices stand where the salon does: near midnight the day would be another elsewhere.
      const here = {
        baseURL: base,
        viewport: { width: 1280, height: 800 },
        locale: 'en-GB',
        timezoneId: DEMO_SALON.timeZone,
        // What moves only to show what moved is drawn sixty times a second: a test that looks at it asks for it.
        reducedMotion: 'reduce' as const,
        // Each new device would fetch all of the house into its worker: a test of the house without a link allows it.
        serviceWorkers: 'block' as const,
      };
      const context = await browser.newContext({ ...here, ...options });
      const own = options.baseURL ?? base;
      if (!signedOut) await context.addCookies(cookiesOf(headers, own));
      const open = context.newPage.bind(context);
      context.newPage = async () => patient(await open());
      const page = await context.newPage();
      page.setDefaultTimeout(30_000);
      page.on('pageerror', (e) => complaints.push(`${page.url()}: ${e.message}`));
      page.on('request', (r) => {
        if (!r.url().startsWith(own) && !/^(data|blob):/.test(r.url())) complaints.push(`asked ${r.url()}`);
      });
      page.on('console', (m) => {
        // A refusal that a test asks for is logged by the browser as a failed resource; it is not a fault of the page.
        if (m.type() === 'error' && !m.text().startsWith('Failed to load resource')) complaints.push(m.text());
      });
      return page;
    },
    forgive: (what) => {
      const rest = complaints.filter((c) => !what.test(c));
      const forgiven = complaints.length - rest.length;
      complaints.splice(0, complaints.length, ...rest);
      return forgiven;
    },
    close: async () => {
      await browser.close();
      await leave();
      expect(complaints).to.deep.equal([]);
    },
  };
}

/** The demo's tide, for all stages of a process: they begin with the same salon, and what is learnt again serves them all. */
let tideOfDemo: TideDesk | undefined;

interface Opened {
  /** Nothing at all in the file. */
  readonly empty?: boolean;
  /** A salon of the test's own, with the demo's accounts. */
  readonly fill?: (stores: Stores) => void;
}

/** A server in this process: real clock, a demo salon in memory, another or nothing at all, its stores at hand. */
export async function openStage({ empty = false, fill }: Opened = {}): Promise<Stage> {
  const own = empty || fill !== undefined;
  const db = own ? openDb(':memory:') : demoDb(Date.now());
  const kept = stores(db);
  fill?.(kept);
  const complaints: string[] = [];
  const log = logInto(complaints);
  const doorState = new DoorState();
  const known = knownAtStart(kept);
  const tide = own ? known.tide : (tideOfDemo ??= known.tide);
  const listening = await listen(
    createApp({
      stores: kept,
      nowMs: Date.now,
      outside: outsideAt(Date.now),
      memos: known.memos,
      log,
      tide,
      doorState,
      webRoot: resolve('dist'),
    }),
  );
  const leave = async (): Promise<void> => {
    if (own) tide.close();
    else await tide.rested();
    await listening.close();
    db.close();
  };
  const headers = headersOf(empty ? '' : confirmedAs(kept, doorState, 'owner', Date.now()));
  return { ...(await visit(listening.base, headers, complaints, leave)), stores: kept, db, door: doorState };
}

/** The demo command itself, in a folder of its own that it has filled before; Ctrl-C ends it, cleanly. */
export async function openDemo(): Promise<Visit> {
  const folder = mkdtempSync(join(tmpdir(), 'woolly-tide-demo-'));
  demoIn(folder);
  const demo = await up(DEMO, folder);
  return visit(demo.base, await signedInAt(demo.base), [], async () => {
    demo.child.kill('SIGINT');
    expect((await demo.ended).code).to.equal(0);
  });
}

/** Opens an address and waits until the room has what it asked for. */
export async function enter(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.locator('h1').first().waitFor();
  await page.waitForFunction(
    () => !document.querySelector('.wt-waiting, [data-learning]') && document.fonts.status === 'loaded',
  );
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
      const rings = [el, el.nextElementSibling, el.querySelector('.wt-coat-zone-edge')].filter((x) => x !== null);
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

/** Until the salon's computer has learnt the tide: while it does, the tide's room says how far it is. */
export async function untilTideIsLearnt({ base, headers }: Pick<Visit, 'base' | 'headers'>): Promise<void> {
  const ask = async (path: string) => (await fetch(`${base}/api${path}`, { headers })).json();
  for (;;) {
    const { known }: TideLearntAnswer = await ask('/tide/learnt');
    const file: TideFile = await ask('/tide');
    if (known?.facts === factsWord(file)) return;
    await new Promise((on) => setTimeout(on, 200));
  }
}
