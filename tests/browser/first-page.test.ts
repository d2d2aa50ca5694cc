/** The first page of a room, made by the salon's computer: read without scripts, true to the device, and no press on it lost. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';
import { untilSeenIsKept } from './seen.ts';

describe('the first page', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  /** Lets go of the house's code, which waits until then. */
  async function heldBack(page: Page): Promise<() => void> {
    let go: () => void = () => undefined;
    const gone = new Promise<void>((on) => (go = on));
    await page.route('**/assets/house-*.js', async (route) => {
      await gone;
      await route.continue();
    });
    return () => go();
  }
  const stands = (page: Page) => page.locator('html[data-wt-stands]');

  it('can be read, and its links be followed, where no script runs', async () => {
    const page = await stage.page({ javaScriptEnabled: false });
    await page.goto('/desk/dogs', { waitUntil: 'commit' });
    await page.getByRole('link', { name: 'Juniper', exact: true }).click();
    await page.getByRole('heading', { level: 1, name: 'Juniper' }).waitFor();
    await page.getByText('Next date').first().waitFor();
    await page.context().close();
  });

  it('holds presses until somebody takes them, and gives them on in their order', async () => {
    const page = await stage.page();
    const go = await heldBack(page);
    await page.goto('/desk/dogs', { waitUntil: 'commit' });
    await page.getByRole('button', { name: 'Night' }).click();
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    expect(await page.getByRole('dialog').count()).to.equal(0);
    expect(await page.locator('html').getAttribute('data-bs-theme')).to.equal('light');
    go();
    await page.getByRole('dialog').waitFor();
    expect(await page.locator('html').getAttribute('data-bs-theme')).to.equal('dark');
    await page.context().close();
  });

  it('is not shown before everything on it is in its place, however late that is set', async () => {
    const page = await stage.page();
    await page.route('**/assets/placed-*.js', async (route) => {
      await page.waitForTimeout(1_200);
      await route.continue();
    });
    await page.goto(`/desk/dogs/demo-kelda/plan/${stage.stores.checks.latestOf('demo-kelda')?.id ?? ''}`);
    const [shown, placed] = await page.evaluate(() => {
      const script = performance.getEntriesByType('resource').find((e) => e.name.includes('/placed-'));
      return [performance.getEntriesByName('first-paint')[0]?.startTime, script?.startTime];
    });
    expect((shown ?? 0) - (placed ?? NaN)).to.be.above(1_000);
    expect(await page.locator('[data-placed]').count()).to.equal(0);
    expect(await page.locator('.wt-tread').first().getAttribute('style')).to.match(/left: [\d.]+%/);
    await page.context().close();
  });

  itInFull('is made once more where a large answer is another by the time the device has it', async () => {
    const page = await stage.page();
    await page.goto('/desk/tide');
    await page.locator('.wt-tide').waitFor();
    await page.route('**/api/tide', async (route) => {
      const response = await route.fetch();
      const file = await response.json();
      await route.fulfill({
        response,
        headers: { ...response.headers(), etag: 'W/"new"' },
        json: { ...file, dogs: [] },
      });
    });
    await page.goto('/desk/tide');
    await page.getByText('No dogs yet.').waitFor();
    expect(await page.locator('.wt-tide').count()).to.equal(0);
    await page.context().close();
  });

  it('goes on with what was typed into it', async () => {
    const page = await stage.page();
    const go = await heldBack(page);
    await page.goto('/desk/dogs', { waitUntil: 'commit' });
    await page.getByRole('searchbox').fill('juni');
    go();
    await stands(page).waitFor();
    await page.getByRole('link', { name: 'Mist', exact: true }).waitFor({ state: 'detached' });
    expect(await page.getByRole('searchbox').inputValue()).to.equal('juni');
    await page.getByRole('link', { name: 'Juniper', exact: true }).waitFor();
    await page.context().close();
  });

  itInFull('leads on by itself where nobody comes to take presses', async () => {
    const page = await stage.page();
    await heldBack(page);
    await page.goto('/desk/dogs', { waitUntil: 'commit' });
    await page.getByRole('link', { name: 'Juniper', exact: true }).click();
    await page.waitForURL('**/desk/dogs/demo-juniper', { waitUntil: 'commit' });
    await page.context().close();
  });

  itInFull('is as this device shows things from its first byte, once the device was here', async () => {
    const page = await stage.page({ locale: 'en-US', colorScheme: 'dark' });
    const first = await page.goto('/desk/dogs/demo-juniper');
    // Its language came with the question; what it prefers is known from the second time on.
    expect(await first?.text()).to.match(/<html lang="en" data-bs-theme="light"[\s\S]*lb/);
    await page.locator('html[data-bs-theme="dark"]').waitFor();
    await page.goto('/desk/you');
    await page.getByRole('radio', { name: 'largest' }).check({ force: true });
    const again = await page.goto('/desk/dogs/demo-juniper');
    expect(await again?.text()).to.match(/<html lang="en" data-bs-theme="dark" data-wt-text="largest"/);
    await page.context().close();
  });

  it('gives way to what only the device knows: a check that was begun', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs/demo-juniper/check');
    await page.locator('#room .wt-stage > .wt-coatmap [data-zone="back"]').first().focus();
    await page.keyboard.press('3');
    const felt = page.getByText('1 of 32 zones felt');
    await felt.waitFor();
    // React marks where one piece of a text ends.
    const served = (await (await page.reload())?.text())?.replaceAll('<!-- -->', '');
    expect(served).to.include('0 of 32 zones felt');
    await felt.waitFor();
    await page.context().close();
  });

  itInFull('finds itself in what stands, though the device saw more before', async () => {
    const page = await stage.page();
    await page.goto('/desk/kit');
    await page.getByRole('heading', { name: 'On the wall' }).waitFor();
    // What was seen is kept some moments later.
    await untilSeenIsKept(page, 'kit');
    const line = await page.context().newCDPSession(page);
    await line.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // A page that did not find itself would complain, which fails the stage.
    for (const path of ['/desk/dogs/demo-juniper', '/desk/dogs/demo-fathom']) {
      await page.goto(path);
      await page.getByRole('heading', { name: 'Brushes at home' }).waitFor();
    }
    await page.context().close();
  });

  itInFull('is bare at the door, and in rooms that the device makes itself', async () => {
    const stranger = await stage.page({ signedOut: true });
    const door = await stranger.goto('/desk/dogs');
    expect(await door?.text()).to.include('<div id="root"></div>');
    await stranger.getByLabel('Passphrase').waitFor();
    await stranger.context().close();
    const page = await stage.page();
    expect(await (await page.goto('/table/sessions/none'))?.text()).to.include('<div id="root"></div>');
    await page.context().close();
  });
});
