/** npm run pictures: one current picture of each main view, from the demo salon, into docs/screenshots. */
import type { BrowserContextOptions, Page } from 'playwright-core';
import { openStage } from './browser/stage.ts';

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
  await page.mouse.move(0, 0);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.context().close();
}

const keldaCheck = stage.stores.checks.latestOf('demo-kelda')?.id ?? '';
const juniperCheck = stage.stores.checks.latestOf('demo-juniper')?.id ?? '';
const anchorCheck = stage.stores.checks.latestOf('demo-anchor')?.id ?? '';

await picture('desk-dogs', '/desk/dogs');
await picture('desk-dog', '/desk/dogs/demo-kelda');
await picture('desk-coat-check', '/desk/dogs/demo-pilot/check', {}, async (page) => {
  const panel = page.locator('.wt-check > section').last();
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
});
await picture('desk-coat-check-below', '/desk/dogs/demo-thrift/check', {}, async (page) => {
  await page.getByRole('button', { name: 'From below' }).click();
  await page.locator('[data-zone="belly"]').click();
});
await picture('desk-note', `/desk/dogs/demo-juniper/note/${juniperCheck}`);
await picture('desk-plan-why', `/desk/dogs/demo-kelda/plan/${keldaCheck}?zone=ruff.left`, {}, async (page) => {
  await page.getByRole('heading', { name: /why these tools/ }).evaluate((el) => el.scrollIntoView({ block: 'center' }));
});
await picture('desk-kit', '/desk/kit');
await picture('desk-rules', '/desk/rules');
await picture('desk-plan', `/desk/dogs/demo-kelda/plan/${keldaCheck}`, { viewport: { width: 1280, height: 1100 } });
// The stairs in hand: a step dragged where a rule forbids it.
await picture(
  'desk-plan-changed',
  `/desk/dogs/demo-anchor/plan/${anchorCheck}`,
  { viewport: { width: 1280, height: 1100 } },
  async (page) => {
    const blade = page.locator('.wt-tread[aria-label*="Blade"]').first();
    await blade.click();
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Earlier' }).click();
    await page.locator('.wt-fault').first().waitFor();
    await page.locator('#stairs').evaluate((el) => el.scrollIntoView());
  },
);
await picture('desk-plan-night', `/desk/dogs/demo-anchor/plan/${anchorCheck}?method=dry-first`, {
  colorScheme: 'dark',
});
await picture('desk-next-date', '/desk/dogs/demo-bollard/next');
await picture('desk-ahead', '/desk/ahead');
await picture('desk-bench', '/desk/bench', {}, async (page) => {
  await page.getByText(/^\d+ dogs, .* at the table/).waitFor();
});
await picture('desk-today', '/desk/day');
await picture('desk-house-rules', '/desk/house', {}, async (page) => {
  await page.getByRole('radio', { name: /Slicker, then rake/ }).check();
  await page.getByRole('radio', { name: /Lifting only/ }).check();
  await page.getByText(/of the next \d+ plans change/).waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
});
await picture('table-session', `/desk/dogs/demo-kelda/plan/${keldaCheck}`, TABLE, async (page) => {
  await page.getByRole('button', { name: 'Take it to the table' }).tap();
  await page.getByRole('button', { name: 'Start', exact: true }).tap();
  await page.getByRole('button', { name: 'Done, next' }).tap();
  await page.getByText('Step 2 of').waitFor();
});
await picture('table-record', '/table/sessions/demo-bollard-session-2', TABLE);
await picture('home-card', '/home/demo-bollard', PHONE);
await stage.close();
