/** One current picture of each main view, from the demo salon, into docs/screenshots; importing this module takes them. */
import type { BrowserContextOptions, Page } from 'playwright-core';
import { DEMO_PASSPHRASE } from '../demo/accounts.ts';
import type { MethodPlan } from '../core/bench/index.ts';
import type { SessionEvent } from '../core/table/index.ts';
import { packedSession, putOn } from './browser/at-table.ts';
import { openStage } from './browser/stage.ts';
import { logOf, upTo } from './core/session-log.ts';

const TABLE: BrowserContextOptions = { viewport: { width: 1024, height: 768 }, hasTouch: true };
const PHONE: BrowserContextOptions = { viewport: { width: 390, height: 844 }, hasTouch: true };

const stage = await openStage();

async function picture(
  name: string,
  path: string,
  options: BrowserContextOptions = {},
  act: (page: Page) => Promise<void> = async () => {},
): Promise<void> {
  const page = await stage.page(options);
  await page.goto(path);
  await page.locator('h1').first().waitFor();
  await act(page);
  await page.waitForLoadState('networkidle');
  // What comes a moment later is there, and every dog is drawn.
  await page.waitForFunction(() => !document.querySelector('.wt-coat-coatmap[aria-busy], .wt-charts-thumb-place'));
  await page.waitForTimeout(400);
  await page.mouse.move(0, 0);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.context().close();
}

/** Several shots side by side on one picture. */
async function mount(name: string, shots: readonly { readonly png: Buffer; readonly width: number }[]): Promise<void> {
  const sheet = await stage.page({ viewport: { width: 1500, height: 300 } });
  const images = shots.map(
    ({ png, width }) =>
      `<img style="flex:none;width:${width === 1024 ? 474 : 356}px" src="data:image/png;base64,${png.toString('base64')}">`,
  );
  await sheet.setContent(
    `<body style="margin:0;padding:14px;background:#8a8577;display:flex;flex-wrap:wrap;align-items:flex-start;align-content:flex-start;gap:14px;width:1472px">${images.join('')}</body>`,
  );
  await sheet.waitForTimeout(300);
  await sheet.screenshot({ path: `docs/screenshots/${name}.png`, fullPage: true });
  await sheet.context().close();
}

const keldaCheck = stage.stores.checks.latestOf('demo-kelda')?.id ?? '';

const learnt = async (page: Page): Promise<void> => {
  await page.locator('.wt-charts-tide').first().waitFor({ timeout: 300_000 });
  await page.getByRole('progressbar').waitFor({ state: 'detached', timeout: 300_000 });
};
/** Until the call list has its dates, and no better ones are looked for. */
await picture('desk-today', '/desk/today', {}, async (page) => {
  await page
    .getByRole('button', { name: /^Yes: .*\d:\d/ })
    .first()
    .waitFor({ timeout: 300_000 });
  await page.waitForFunction(() => !document.querySelector('[data-learning]'), undefined, { timeout: 300_000 });
});
await picture('desk-book-visit', '/desk/calendar/new?dog=demo-velvet', {}, async (page) => {
  await page.getByRole('group', { name: 'Free times' }).getByRole('button').nth(5).click();
});
await picture('desk-tide', '/desk/tide', {}, learnt);
await picture('desk-book', '/desk/calendar', { viewport: { width: 1280, height: 1180 } }, async (page) => {
  await page.locator('.wt-book-bookweek').waitFor({ timeout: 300_000 });
  await page.waitForFunction(() => !document.querySelector('[data-learning]'), undefined, { timeout: 300_000 });
  // A week with both kinds of visits.
  const has = async (state: string): Promise<boolean> =>
    (await page.locator(`.wt-book-bookvisit.is-${state}`).count()) > 0;
  do await page.getByRole('button', { name: 'After', exact: true }).click();
  while (!((await has('agreed')) && (await has('proposed'))));
  await page.locator('.wt-book-bookvisit.is-proposed .wt-book-bookvisit-card').first().click();
  await page.getByText('Why this day').waitFor();
});
/** A full day: some more dogs on the salon's next one. */
const full = stage.stores.bookings.between(new Date(Date.now() + 86_400_000).toISOString(), '9999')[0];
const from = (full?.startsAt ?? '').slice(0, 10);
for (const [i, dog] of ['saffron', 'skerry', 'rowan'].entries())
  await fetch(`${stage.base}/api/bookings/tentative`, {
    method: 'POST',
    headers: stage.headers,
    body: JSON.stringify({ id: `picture-${i}`, dogId: `demo-${dog}`, from, minutes: 60, agreed: true }),
  });
await picture(
  'desk-sheet',
  `/desk/calendar/day?day=${from}`,
  { viewport: { width: 1280, height: 960 } },
  async (page) => {
    await page.locator('.wt-day-lanes').waitFor();
  },
);
await picture('desk-dog-tide', '/desk/dogs/demo-bollard/tide', { viewport: { width: 1280, height: 1320 } }, learnt);
await picture('desk-dogs', '/desk/dogs');
await picture('desk-dog', '/desk/dogs/demo-kelda');
await picture('desk-coat-check', '/desk/dogs/demo-pilot/check', {}, async (page) => {
  const panel = page.locator('.wt-check-check > section').last();
  const pick = (test: string, grade: string) =>
    panel.getByRole('group', { name: test }).getByRole('radio', { name: grade, exact: true }).click();
  const zone = (id: string) => page.locator(`[data-zone="${id}"]`).first().click();
  for (const [label, mm] of [
    ['Hair at back, mm', '45'],
    ['Hair at ruff, mm', '60'],
    ['Breeches, mm', '62'],
  ] as const)
    await page.getByLabel(label).fill(mm);
  await page.getByRole('button', { name: 'The rest is fine' }).click();
  await panel.getByRole('radio', { name: 'One zone' }).click();
  for (const [id, finger, tug, comb] of [
    ['breeches.left', 'plate', 'handful', 'stops'],
    ['ruff.left', 'no skin', 'tuft', 'stops'],
    ['tail', 'no skin', 'tuft', 'drags'],
    ['ribs.left', 'push', 'tuft', 'drags'],
  ] as const) {
    await zone(id);
    await pick('Finger to skin', finger);
    await pick('Gentle tug brings', tug);
    await pick('Comb', comb);
    const mirror = panel.getByRole('button', { name: 'Other side the same' });
    if (await mirror.isEnabled()) await mirror.click();
  }
  await panel.getByRole('button', { name: 'Spread to zones not felt' }).click();
  await zone('armpit.left');
  await pick('Tied hair', 'mat');
  await zone('hip.left');
  await pick('Skin', 'pink');
  await page.evaluate(() => window.scrollTo(0, 0));
});
await picture('desk-kit', '/desk/kit');
await picture('desk-plan', `/desk/dogs/demo-kelda/plan/${keldaCheck}`, { viewport: { width: 1280, height: 1100 } });
await picture('desk-tally', '/desk/reports?by=month&span=all');
await picture(
  'desk-practice',
  '/desk/practice/packed-or-matted',
  { viewport: { width: 1280, height: 1000 } },
  async (page) => {
    await page.getByRole('button', { name: 'All', exact: true }).click();
    await page.getByRole('button', { name: 'All five tests' }).click();
    await page.locator('.wt-practice-answers li').first().waitFor();
    await page.getByRole('button', { name: 'None', exact: true }).click();
    await page.getByRole('group', { name: 'Choose many places' }).getByRole('button', { name: 'Rear' }).click();
    await page.getByRole('radio', { name: 'Work' }).check();
    await page.getByRole('button', { name: 'undercoat rake, fixed pins' }).click();
    await page.getByText(/about \d+/).waitFor();
    await page.evaluate(() => window.scrollTo(0, 0));
  },
);
await picture('finder', '/desk/dogs', {}, async (page) => {
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find anything' }).fill('book kelda friday 2pm');
  await page.getByRole('option').first().waitFor();
});
/** A session as it stands twenty-odd minutes in: one device walks through the soap, another has the tail. */
const device = 'd-picture';
async function sessionInWork(id: string): Promise<string> {
  await packedSession(stage, 'demo-kelda', id);
  const page = await (await fetch(`${stage.base}/api/sessions/${id}`, { headers: stage.headers })).json();
  const { steps }: MethodPlan = page.snapshot.plan;
  const inSoap = steps.findIndex((s) => s.phase === 'soapy-work');
  const acts = upTo({ steps }, inSoap, 5, 0.6);
  const shift = Date.now() - 96_000 - (acts.at(-1)?.[0] ?? 0);
  const mine = logOf(
    acts.map(([atMs, act]) => [atMs + shift, act] as const),
    device,
  );
  const [bath, soap] = [steps[inSoap - 1], steps[inSoap]];
  if (!soap || !bath) throw new TypeError('wet first has a bath and a slicker');
  const who: SessionEvent[] = [
    { id: `${id}-who`, atMs: shift - 9, device, act: { kind: 'worker', name: 'Runa' } },
    { id: `${id}-kg`, atMs: shift - 8, device, act: { kind: 'dog-weighed', kg: 44.2, by: 'scale' } },
    {
      id: `${id}-g`,
      atMs: Date.now() - 99_000,
      device,
      act: { kind: 'weighed', step: bath.id, grams: 118, by: 'scale' },
    },
    { id: `${id}-b`, atMs: Date.now() - 60_000, device: 'd-two', act: { kind: 'worker', name: 'Bertil' } },
    { id: `${id}-t`, atMs: Date.now() - 59_000, device: 'd-two', act: { kind: 'zone', step: soap.id, zone: 'tail' } },
  ];
  const events = [...mine.map((e) => ({ ...e, id: `${id}-${e.id}` })), ...who];
  await fetch(`${stage.base}/api/sessions/${id}/events`, {
    method: 'POST',
    headers: stage.headers,
    body: JSON.stringify({ events }),
  });
  return `/table/sessions/${id}`;
}

/** Screens of the table side by side: tablet above, phone below, in one theme. */
async function tableSheet(name: string, colorScheme: 'light' | 'dark'): Promise<void> {
  const shots: { readonly png: Buffer; readonly width: number }[] = [];
  for (const [size, options] of [
    ['tablet', TABLE],
    ['phone', PHONE],
  ] as const) {
    const page = await stage.page({ ...options, colorScheme });
    await page.addInitScript((own) => localStorage.setItem('wt-device', own), device);
    const shoot = async (): Promise<void> => {
      await page.mouse.move(0, 0);
      await page.waitForTimeout(500);
      shots.push({ png: await page.screenshot(), width: options.viewport?.width ?? 0 });
    };
    await page.goto(await sessionInWork(`${name}-${size}`));
    await page.getByText('All kept').waitFor();
    await page.getByRole('button', { name: /^Next:/ }).waitFor();
    await shoot();
    await page.getByRole('button', { name: 'Pink' }).tap();
    await page.getByText(/turned pink/).waitFor();
    await shoot();
    await page.getByRole('button', { name: /^(Leave it there|Keep the plan|Go on)$/ }).tap();
    await putOn(stage, { bowl: true, hairG: 0, dogKg: 0 });
    await page.getByRole('button', { name: 'Whole step done' }).tap();
    await page.getByRole('button', { name: 'Start from nothing' }).tap();
    await page.getByText('Nothing on it.').waitFor();
    await putOn(stage, { hairG: 124 });
    await page.getByRole('button', { name: /^Take 124/ }).waitFor();
    await shoot();
    await page.getByRole('button', { name: /^Take 124/ }).tap();
    if (size === 'phone') {
      await page
        .getByRole('button', { name: /^(Next:|Step done|Start:)/ })
        .first()
        .waitFor();
      await page.getByRole('button', { name: 'Found' }).tap();
      await page.getByRole('heading', { name: /^What is at|^Where/ }).waitFor();
      await shoot();
    }
    await page.context().close();
  }
  await mount(name, shots);
}
await tableSheet('table-day', 'light');
await tableSheet('table-night', 'dark');
await picture('table-record', '/table/sessions/demo-bollard-session-2', TABLE);

/** The owner's page today, in a bout, and what came out; beside it the card and a visit told. */
async function homeSheet(): Promise<void> {
  const shots: { readonly png: Buffer; readonly width: number }[] = [];
  const page = await stage.page(PHONE);
  const shoot = async (): Promise<void> => {
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(400);
    shots.push({ png: await page.screenshot(), width: 390 });
  };
  const made = await fetch(`${stage.base}/api/home-links`, {
    method: 'POST',
    headers: stage.headers,
    body: JSON.stringify({ dogIds: ['demo-bollard'] }),
  });
  const { token }: { token: string } = await made.json();
  await page.goto(`/o#${token}`);
  await page.getByRole('heading', { name: 'The week' }).waitFor();
  await shoot();
  await page.getByRole('button', { name: /^Brush \d/ }).tap();
  await page.getByText(/^1 of /).waitFor();
  await shoot();
  await page.getByRole('button', { name: 'Next', exact: true }).tap();
  await page.getByRole('button', { name: 'Enough for today' }).tap();
  await page.getByRole('heading', { name: 'What came out?' }).waitFor();
  await shoot();
  await page.getByRole('button', { name: 'a handful' }).tap();
  await page.getByText('Done for today.').waitFor();
  await page.getByRole('heading', { name: 'The week' }).scrollIntoViewIfNeeded();
  await shoot();
  for (const path of ['/home/demo-bollard', '/home/demo-bollard/visits/demo-bollard-session-2']) {
    await page.goto(path);
    await page.locator('h1').first().waitFor();
    await shoot();
  }
  await page.context().close();
  await mount('home', shots);
}
await homeSheet();

/** The door, a shared tablet that waits for a PIN, the keys, and clients that are about to come in. */
async function doorSheet(): Promise<void> {
  const shots: { readonly png: Buffer; readonly width: number }[] = [];
  const door = await stage.page({ ...TABLE, signedOut: true });
  const shoot = async (page: Page): Promise<void> => {
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(400);
    shots.push({ png: await page.screenshot(), width: 1024 });
  };
  await door.goto('/desk/tide');
  await door.getByRole('button', { name: 'Come in' }).waitFor();
  await shoot(door);
  await door.getByLabel('Name you sign in with').fill('maren');
  await door.getByLabel('Passphrase', { exact: true }).fill(DEMO_PASSPHRASE);
  await door.getByLabel(/^This tablet belongs/).check();
  await door.getByRole('button', { name: 'Come in' }).tap();
  await door.getByRole('heading', { name: 'Tide', exact: true }).waitFor();
  await door.goto('/table');
  await door.getByRole('button', { name: /^Maren/ }).tap();
  await door.getByRole('button', { name: 'Hand the tablet over' }).tap();
  await door.getByRole('heading', { name: 'Whose hands are these?' }).waitFor();
  await shoot(door);
  await door.context().close();
  const page = await stage.page({ viewport: TABLE.viewport ?? null });
  await page.goto('/desk/safe');
  await page.getByRole('heading', { name: 'Take everything out' }).waitFor();
  await shoot(page);
  await page.goto('/desk/intake');
  await page.locator('input[type=file]').setInputFiles({
    name: 'clients.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Client,Mobile,Pet,Breed,Kg,Last visit\nSiv Lundt,070 1,Muffin,samoyed,22,3/4/2025\nOlle Varg,,Grit,beagle,9,2025-02-01\nIda Bjerke,070 5,Loppa,newfoundland,55,2025-03-14\n',
    ),
  });
  await page.getByText(/cannot be taken yet/).waitFor();
  await shoot(page);
  await page.context().close();
  await mount('door', shots);
}
await doorSheet();
await stage.close();
