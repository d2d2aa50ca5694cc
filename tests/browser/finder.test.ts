/** The finder, help and keys by keyboard alone; settings that are seen at once; a newer build that is told and not forced. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

describe('finding anything', () => {
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
    await page.goto('/desk/rules');
    await page.getByRole('heading', { level: 1 }).waitFor();
  });
  after(() => stage.close());

  const box = () => page.getByRole('combobox', { name: 'Find anything' });
  const first = async (text: string): Promise<string> => {
    await page.keyboard.press('Control+k');
    await box().fill(text);
    const option = page.getByRole('listbox', { name: 'Found' }).getByRole('option').first();
    await option.waitFor();
    return (await option.textContent()) ?? '';
  };
  const leave = async (): Promise<void> => {
    await page.keyboard.press('Escape');
    await box().waitFor({ state: 'detached' });
  };

  it('opens by /, walks by arrows, goes by Enter, and remembers where one was', async () => {
    // A room is remembered once it has been looked at for a moment.
    await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.startsWith('woolly-tide.recent.')));
    await page.keyboard.press('/');
    await box().waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await box().fill('bollard');
    await page.getByRole('option', { name: /Dog.*Bollard/ }).waitFor();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { level: 1, name: 'Bollard' }).waitFor();
    await page.keyboard.press('/');
    await page.getByRole('option', { name: /Lately.*Rules/ }).waitFor();
    await leave();
  });

  it('remembers a room whose heading came late', async () => {
    const slow = await stage.page();
    await slow.goto('/desk/dogs');
    // Longer than the moment after which a room is looked at.
    await slow.route('**/api/dogs/demo-kelda', async (route) => {
      await slow.waitForTimeout(2_500);
      await route.continue();
    });
    await slow.getByRole('link', { name: 'Kelda', exact: true }).click();
    await slow.getByRole('heading', { level: 1, name: 'Kelda' }).waitFor();
    await slow.waitForFunction(() =>
      Object.keys(localStorage).some(
        (key) => key.startsWith('woolly-tide.recent.') && localStorage.getItem(key)?.includes('Kelda'),
      ),
    );
    await slow.context().close();
  });

  it('finds owners, rooms, tools, rules, words and days, with a slip of the finger', async () => {
    expect(await first('ansa merri')).to.match(/Dog.*Bollard/);
    await leave();
    expect(await first('backups')).to.match(/Room.*Backups and export/);
    await leave();
    expect(await first('steel comb')).to.match(/Tool.*Steel comb/);
    await leave();
    expect(await first('breechs')).to.match(/Word.*Breeches/);
    await leave();
    expect(await first('2031-04-09')).to.match(/Day.*9 April 2031/);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/desk\/calendar\/day\?day=2031-04-09/);
    await page.keyboard.press('Control+k');
    await box().fill('xqzzv');
    await page.getByText('Nothing is called “xqzzv”.').waitFor();
    await leave();
  });

  it('helps on the room, lists the keys, and leaves the focus where it was', async () => {
    await page.goto('/desk/kit');
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.keyboard.press('h');
    await page.getByRole('dialog').getByText('What hangs on the wall').waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    await page.keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keys' }).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.keyboard.press('Escape');
    await page.getByRole('dialog').waitFor({ state: 'detached' });
    await page.goto('/desk/help?find=packed');
    await page.getByText('It washes and blows out').waitFor();
  });

  it('shows letters, contrast, clock and units as this device wants them, and minds its keys', async () => {
    await page.goto('/desk/you');
    const say = page.locator('.wt-keys-view [role="status"]');
    await say.waitFor();
    expect(await say.textContent()).to.match(/14:05; 24.kg, 21.°C, 250.mL/);
    const small = await page.evaluate(() => getComputedStyle(document.documentElement).fontSize);
    for (const name of ['largest', 'high', 'am and pm', 'lb', '°F', 'fl oz'])
      await page.getByRole('radio', { name, exact: true }).check();
    expect(await say.textContent()).to.match(/2:05.pm; 52\.9.lb, 70.°F, 8\.5.fl.oz/i);
    const large = await page.evaluate(() => getComputedStyle(document.documentElement).fontSize);
    expect(parseFloat(large)).to.be.greaterThan(parseFloat(small) * 1.3);
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.getByLabel(/^Single letters/).uncheck();
    await page.locator('h1').click();
    await page.keyboard.press('h');
    await page.waitForTimeout(300);
    expect(await page.getByRole('dialog').count()).to.equal(0);
    await page.reload();
    await page.locator('.wt-keys-view').waitFor();
    expect(await page.getByRole('radio', { name: 'largest' }).isChecked()).to.equal(true);
    await page.goto('/desk/dogs/demo-bollard/edit');
    const weight = page.getByLabel('Weight, lb');
    await weight.fill('55.1');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('55.1\u00a0lb').waitFor();
    expect(stage.stores.dogs.find('demo-bollard')?.weightKg).to.be.closeTo(25, 0.01);
    await page.evaluate(() => localStorage.clear());
  });

  it('says that a newer build is served, and takes it only when told', async () => {
    const other = await stage.page();
    await other.route('**/api/health', (r) => r.fulfill({ json: { ok: true, build: 'main-another.js' } }));
    await other.goto('/desk/dogs');
    await other.getByText('A newer version of Woolly Tide is here.').waitFor();
    await other.unroute('**/api/health');
    await other.getByRole('button', { name: 'Take it now' }).click();
    await other.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
    await other.waitForTimeout(500);
    expect(await other.getByText('A newer version').count()).to.equal(0);
  });

  it('can be installed: its manifest and every picture in it are served', async () => {
    const manifest: { icons: { src: string }[]; start_url: string } = await (
      await fetch(`${stage.base}/app.webmanifest`)
    ).json();
    expect(manifest.start_url).to.equal('/');
    for (const { src } of manifest.icons)
      expect((await fetch(`${stage.base}${src}`)).headers.get('content-type')).to.match(/^image\//);
  });
});
