/**
 * How the interface loads and answers, in Chromium with the processor slowed down four times: compressed JavaScript of a first
 * load, largest paint, the slowest answer to a press, the longest time for which nothing else could be done, and, without
 * slow-down, how much of that was work: the rest the machine gave to others. Beside each stands a page that holds one heading and one button, in the same browser under the same conditions.
 */
import type { CDPSession, Page } from 'playwright-core';
import { openStage, untilTideIsLearnt, type Stage } from './browser/stage.ts';

const SLOWED = 4;
const SETTLES_MS = 1500;
/** Presses and keys that people do all day, by the room. */
const ROOMS: readonly (readonly [name: string, path: string, act: (page: Page) => Promise<void>])[] = [
  [
    'dogs',
    '/desk/dogs',
    async (page) => {
      await page.getByRole('searchbox').first().pressSequentially('bol');
      await page.waitForTimeout(300);
    },
  ],
  [
    'tide',
    '/desk/tide',
    async (page) => {
      await page.getByRole('radio', { name: 'grams' }).click({ force: true });
      await page.waitForTimeout(300);
    },
  ],
  [
    'check',
    '/desk/dogs/demo-juniper/check',
    async (page) => {
      const zone = page.locator('#room .wt-coat-stage > .wt-coat-coatmap [data-zone="back"]');
      await zone.focus();
      for (const key of ['2', 'ArrowRight', '3', 'ArrowRight', '1']) await page.keyboard.press(key);
    },
  ],
  [
    'plan',
    'plan',
    async (page) => {
      await page.locator('.wt-plan-tread').nth(1).click();
      await page.keyboard.press('+');
      await page.waitForTimeout(300);
    },
  ],
  [
    'practice',
    '/desk/practice/line-brushing',
    async (page) => {
      await page.getByRole('button', { name: 'All', exact: true }).click();
      await page.getByRole('button', { name: 'All five tests' }).click();
      await page.waitForTimeout(500);
    },
  ],
  [
    'tally',
    '/desk/reports',
    async (page) => {
      await page.getByRole('radio', { name: 'Minutes', exact: true }).click({ force: true });
      await page.waitForTimeout(300);
    },
  ],
];

interface Felt {
  readonly paintMs: number;
  readonly answerMs: number;
  readonly blockedMs: number;
  /** The longest task by what it took of the processor; 0 where that was not looked at. */
  readonly busyMs: number;
  readonly jsBytes: number;
  /** The same page once more, as on any day but the first. */
  readonly againMs: number;
}

/** Watches a page from its first moment: paints, answers to presses, tasks that kept everything else waiting. */
const WATCH = `
  window.__felt = { paint: 0, answer: 0, blocked: 0 };
  new PerformanceObserver((l) => { for (const e of l.getEntries()) __felt.paint = Math.max(__felt.paint, e.startTime); }).observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((l) => { for (const e of l.getEntries()) __felt.answer = Math.max(__felt.answer, e.duration); }).observe({ type: 'event', durationThreshold: 16, buffered: true });
  new PerformanceObserver((l) => { for (const e of l.getEntries()) __felt.blocked = Math.max(__felt.blocked, e.duration); }).observe({ type: 'longtask', buffered: true });
`;

/** Listens to a browser's tasks from now on; the answer says the longest of a page's main thread, in processor time. */
async function tasksOf(line: CDPSession): Promise<() => Promise<number>> {
  const events: { name: string; pid: number; tid: number; tdur?: number; args?: { name?: string } }[] = [];
  line.on('Tracing.dataCollected', ({ value }) => {
    for (const e of value)
      if (
        'name' in e &&
        (e.name === 'thread_name' || e.name === 'RunTask' || e.name === 'ThreadControllerImpl::RunTask')
      )
        events.push(JSON.parse(JSON.stringify(e)));
  });
  await line.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', 'devtools.timeline'] },
  });
  return async () => {
    const complete = new Promise((whole) => line.once('Tracing.tracingComplete', whole));
    await line.send('Tracing.end');
    await complete;
    const mains = new Set(
      events.filter((e) => e.args?.name === 'CrRendererMain').map(({ pid, tid }) => `${pid} ${tid}`),
    );
    return Math.max(0, ...events.filter((e) => mains.has(`${e.pid} ${e.tid}`)).map((e) => (e.tdur ?? 0) / 1000));
  };
}

async function feel(page: Page, path: string, slowed: number, act: (page: Page) => Promise<void>): Promise<Felt> {
  const line: CDPSession = await page.context().newCDPSession(page);
  await line.send('Network.enable');
  await line.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  // As it travels: scripts have their compressed twins, whose length is said.
  let jsBytes = 0;
  line.on('Network.responseReceived', (e) => {
    if (/\.js(\?|$)/.test(e.response.url) && !e.response.url.endsWith('/sw.js'))
      jsBytes += Number(e.response.headers['Content-Length'] ?? e.response.headers['content-length'] ?? Infinity);
  });
  await page.addInitScript(WATCH);
  const longest = slowed === 1 ? await tasksOf(line) : async () => 0;
  await page.goto(path, { waitUntil: 'commit' });
  // Looking into the page would take its time: it is left alone until it has long been there.
  await page.waitForTimeout(SETTLES_MS * slowed);
  await page.locator('h1').first().waitFor();
  const atLoad = jsBytes;
  await act(page);
  await page.waitForTimeout(500);
  const felt: { paint: number; answer: number; blocked: number } = await page.evaluate('window.__felt');
  const busyMs = await longest();
  await page.reload({ waitUntil: 'commit' });
  await page.waitForTimeout(SETTLES_MS * slowed);
  const again: { paint: number } = await page.evaluate('window.__felt');
  return {
    againMs: again.paint,
    paintMs: felt.paint,
    answerMs: felt.answer,
    blockedMs: felt.blocked,
    busyMs,
    jsBytes: atLoad,
  };
}

/** A page that does nothing: what the browser itself takes. */
const BARE =
  '<!doctype html><html lang="en"><title>bare</title><h1>Bare</h1><button onclick="this.textContent = Number(this.textContent) + 1">0</button></html>';

async function bare(stage: Stage, slowed: number): Promise<Felt> {
  const page = await stage.page();
  await page.route('**/bare', (r) => r.fulfill({ contentType: 'text/html', body: BARE }));
  const felt = await feel(page, '/bare', slowed, async (p) => {
    await p.locator('button').click();
  });
  await page.context().close();
  return felt;
}

/** Each visit is a first one, on a device that was never here; of as many the middle one counts. */
const VISITS = 3;
async function middling(feelOnce: () => Promise<Felt>): Promise<Felt> {
  const visits: Felt[] = [];
  for (let visit = 0; visit < VISITS; visit++) visits.push(await feelOnce());
  const middle = (of: keyof Felt): number => visits.map((v) => v[of]).sort((a, b) => a - b)[(VISITS - 1) / 2] ?? NaN;
  return {
    paintMs: middle('paintMs'),
    answerMs: middle('answerMs'),
    blockedMs: middle('blockedMs'),
    busyMs: middle('busyMs'),
    jsBytes: middle('jsBytes'),
    againMs: middle('againMs'),
  };
}

const figures: [name: string, value: number, unit: string, reference: string, ratio: number][] = [];
const stage = await openStage();
try {
  const planOf = stage.stores.checks.latestOf('demo-kelda')?.id ?? '';
  const addressOf = (path: string): string => (path === 'plan' ? `/desk/dogs/demo-kelda/plan/${planOf}` : path);
  // The salon's computer has been running for a while.
  const before = await stage.page();
  for (const [, path] of ROOMS) await before.goto(addressOf(path));
  await before.context().close();
  await untilTideIsLearnt(stage);
  for (const slowed of [SLOWED, 1]) {
    const nothing = await middling(() => bare(stage, slowed));
    const by = slowed === 1 ? '' : `-cpu/${slowed}`;
    for (const [name, path, act] of ROOMS) {
      const felt = await middling(async () => {
        const page = await stage.page({ serviceWorkers: 'allow' });
        const once = await feel(page, addressOf(path), slowed, act);
        await page.context().close();
        return once;
      });
      if (slowed !== 1) {
        figures.push(
          [`web-${name}-js`, felt.jsBytes / 1000, 'kB', 'limit 250 kB', felt.jsBytes / 250_000],
          [
            `web-${name}-paint${by}`,
            felt.paintMs,
            'ms',
            `bare page ${Math.round(nothing.paintMs)} ms`,
            felt.paintMs / Math.max(1, nothing.paintMs),
          ],
          [
            `web-${name}-paint-again${by}`,
            felt.againMs,
            'ms',
            `bare page ${Math.round(nothing.againMs)} ms`,
            felt.againMs / Math.max(1, nothing.againMs),
          ],
          [
            `web-${name}-answer${by}`,
            felt.answerMs,
            'ms',
            `bare button ${Math.round(nothing.answerMs)} ms`,
            felt.answerMs / Math.max(16, nothing.answerMs),
          ],
        );
      }
      figures.push([`web-${name}-blocked${by}`, felt.blockedMs, 'ms', 'limit 50 ms', felt.blockedMs / 50]);
      if (slowed === 1) figures.push([`web-${name}-busy`, felt.busyMs, 'ms', 'limit 50 ms', felt.busyMs / 50]);
    }
  }
} finally {
  await stage.close();
}
console.log(JSON.stringify(figures));
