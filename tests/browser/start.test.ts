/** How the house starts on a device: by the device's own ways, its head before its room, nothing moving as answers come. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

/** The Core Web Vitals call 0.1 good (web.dev, Cumulative Layout Shift); half of it is ours. */
const MOST_SHIFT = 0.05;

describe('the start of the house', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
    // While the tide is learnt its room says how far it is: that is another page than this is about.
    await untilTideIsLearnt(stage);
  });
  after(() => stage.close());

  /** Keeps answers whose address matches waiting until it is called. */
  async function heldBack(page: Page, which: RegExp): Promise<() => void> {
    let go: () => void = () => undefined;
    const gone = new Promise<void>((on) => (go = on));
    await page.route(which, async (route) => {
      await gone;
      await route.continue();
    });
    return () => go();
  }
  /** What has moved in the page since it was opened, by itself. */
  const shift = (page: Page): Promise<number> =>
    page.evaluate(
      () =>
        new Promise<number>((told) => {
          new PerformanceObserver((list) => {
            let moved = 0;
            for (const e of list.getEntries()) if ('value' in e && typeof e.value === 'number') moved += e.value;
            told(moved);
          }).observe({ type: 'layout-shift', buffered: true });
          setTimeout(() => told(0), 300);
        }),
    );

  it('begins with today, wherever it is entered', async () => {
    const page = await stage.page();
    for (const path of ['/', '/desk', '/desk/']) {
      await page.goto(path);
      await page.waitForURL('**/desk/today');
    }
    await page.context().close();
  });

  it('shows its head at once, and the room when its answers come, with nothing moved', async () => {
    const page = await stage.page();
    for (const path of ['/desk/tide', '/desk/dogs', '/desk/dogs/demo-juniper']) {
      const go = await heldBack(page, /\/api\/(tide|dogs)/);
      await page.goto(path, { waitUntil: 'commit' });
      await page.getByRole('navigation', { name: 'Rooms' }).waitFor();
      await page.getByText('One moment').waitFor();
      go();
      await page.locator('main h1').waitFor();
      await page.waitForLoadState('networkidle');
      expect(await shift(page), path).to.be.at.most(MOST_SHIFT);
      await page.unrouteAll({ behavior: 'wait' });
    }
    await page.context().close();
  });

  it('takes presses in its head while the room is still on its way', async () => {
    const page = await stage.page();
    const go = await heldBack(page, /\/assets\/DogsRoom-/);
    await page.goto('/desk/dogs', { waitUntil: 'commit' });
    await page.getByRole('button', { name: 'Night' }).click();
    expect(await page.locator('html').getAttribute('data-bs-theme')).to.equal('dark');
    await page.getByRole('button', { name: 'Find', exact: true }).click();
    await page.getByRole('dialog').waitFor();
    go();
    await page.keyboard.press('Escape');
    await page.getByRole('heading', { level: 1, name: 'Dogs' }).waitFor();
    await page.context().close();
  });

  it('is as this device shows things before anything of it is shown', async () => {
    const page = await stage.page({ locale: 'en-US', colorScheme: 'dark' });
    await page.goto('/desk/you');
    await page.getByRole('radio', { name: 'largest' }).check({ force: true });
    await page.addInitScript(() => {
      // The marks of the root at the moment in which the first piece of the house stands.
      new MutationObserver((_, observer) => {
        const root = document.getElementById('root');
        if (!root?.firstElementChild) return;
        const { bsTheme, wtText } = document.documentElement.dataset;
        sessionStorage.setItem('first', `${bsTheme} ${wtText}`);
        observer.disconnect();
      }).observe(document, { childList: true, subtree: true });
    });
    await page.goto('/desk/dogs/demo-juniper');
    expect(await page.evaluate(() => sessionStorage.getItem('first'))).to.equal('dark largest');
    await page
      .getByText(/\d\slb/)
      .first()
      .waitFor();
    await page.context().close();
  });
});
