/** Every room by the accessibility rules, day and night, and by Tab alone; thumbs at the table; stale edits, empty and failed states. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';
import { ROOM_LIST, roomsOf, type Rooms } from './room-list.ts';
import { tabFaults } from './tab-walk.ts';

/** Opens an address and waits until the room has what it asked for. */
async function enter(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.locator('h1').first().waitFor();
  await page.waitForFunction(
    () => !document.querySelector('.wt-waiting, .wt-learning') && document.fonts.status === 'loaded',
  );
}

describe('the rooms', () => {
  let stage: Stage;
  let rooms: Rooms;
  before(async () => {
    stage = await openStage();
    rooms = await roomsOf(stage, 'rooms-session');
  });
  after(() => stage.close());

  describe('each: by the accessibility rules day and night, by Tab alone, no text cut or overflowing at desk, table and phone size', () => {
    let page: Page;
    before(async () => {
      page = await stage.page({ colorScheme: 'light', reducedMotion: 'reduce' });
    });
    after(() => page.context().close());
    for (const [name, pathIn] of ROOM_LIST) {
      it(name, async () => {
        const path = pathIn(rooms);
        await page.setViewportSize({ width: 1280, height: 800 });
        await enter(page, path);
        expect(await page.locator('h1').count()).to.equal(1);
        expect(await axeFaults(page), 'by day').to.deep.equal([]);
        expect(await tabFaults(page), 'by Tab').to.deep.equal([]);
        await page.getByRole('button', { name: 'Night' }).click();
        // Night changes colours and nothing else.
        expect(await axeFaults(page, 'color-contrast'), 'by night').to.deep.equal([]);
        await page.getByRole('button', { name: 'Day', exact: true }).click();
        for (const [width, height] of [
          [1280, 800],
          [1024, 768],
          [390, 844],
        ] as const) {
          await page.setViewportSize({ width, height });
          const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
          expect(over, `wider than ${width}`).to.be.at.most(0);
        }
      });
    }
  });

  it('are walked by Tab with open eyes: no ring, something that covers, and a trap are told', async () => {
    const page = await stage.page({ reducedMotion: 'reduce' });
    const spoil = (css: string) =>
      page.evaluate((text) => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(text);
        document.adoptedStyleSheets = [sheet];
      }, css);
    await enter(page, '/desk/help');
    await spoil('.wt-head a { outline: 0 !important; box-shadow: none !important; }');
    expect(await tabFaults(page)).to.include('a Dogs: no ring');
    await enter(page, '/desk/help');
    await page.evaluate(() => {
      const over = document.createElement('aside');
      over.className = 'over';
      document.body.append(over);
    });
    await spoil('.over { position: fixed; inset: 0 0 auto; height: 80px; z-index: 9999; }');
    expect((await tabFaults(page)).filter((fault) => fault.endsWith(': covered by aside.over'))).to.have.length.above(
      5,
    );
    await enter(page, '/desk/help');
    await page.evaluate(() =>
      document.querySelector('main')?.addEventListener('keydown', (e) => e.key === 'Tab' && e.preventDefault()),
    );
    const held = await tabFaults(page).then(
      () => 'let go',
      (fault: unknown) => String(fault),
    );
    expect(held).to.match(/held at /);
    await page.context().close();
  });

  it('put two versions together by field when somebody else saved the same dog', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs/demo-thrift/edit');
    await page.getByLabel('Weight, kg').fill('12.6');
    await page.getByLabel('Note').fill('no oats');
    const { dog } = await (await fetch(`${stage.base}/api/dogs/demo-thrift`, { headers: stage.headers })).json();
    const { id: _id, ...edit } = dog;
    const other = await fetch(`${stage.base}/api/dogs/demo-thrift`, {
      method: 'PUT',
      headers: stage.headers,
      body: JSON.stringify({ ...edit, breed: 'Corgi mix', note: 'bring oats' }),
    });
    expect(other.status).to.equal(200);
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByText('Breed: Pembroke corgi is now Corgi mix, by them').waitFor();
    await page.getByText(/^Weight, kg: .* is now 12.6, by you/).waitFor();
    // Both wrote a note: somebody has to choose.
    await page.getByText('Note, changed by both').waitFor();
    await page.getByLabel('theirs: bring oats').click();
    expect(stage.stores.dogs.find('demo-thrift')?.weightKg).to.not.equal(12.6);
    await page.getByRole('button', { name: 'Put both together' }).click();
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('heading', { name: 'Thrift' }).waitFor();
    expect(stage.stores.dogs.find('demo-thrift')).to.include({
      weightKg: 12.6,
      breed: 'Corgi mix',
      note: 'bring oats',
      version: 3,
    });
    await page.context().close();
  });

  it('refuse a new dog without a name beside the field, and take it in once it has one', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs/new');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.locator('.invalid-feedback', { hasText: 'name' }).first().waitFor();
    await page.getByLabel('Name').fill('Quay');
    await page.getByLabel('Owner').fill('Tilda Norrby');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.getByRole('heading', { name: 'Quay' }).waitFor();
    await page.getByText('Nobody has felt this coat yet.').waitFor();
    await page.context().close();
  });

  it('say when nothing matches, when nothing is there, and when the salon does not answer', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs?find=zzz');
    await page.getByText('No dog or owner is called “zzz”.').waitFor();
    await page.goto('/desk/dogs/nobody');
    await page.getByText('There is no dog "nobody".').waitFor();
    await page.route('**/api/dogs', (route) => route.abort());
    await page.goto('/desk/rules');
    await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Dogs', exact: true }).click();
    await page.getByText('The salon’s computer does not answer.').waitFor();
    await page.unroute('**/api/dogs');
    await page.getByRole('button', { name: 'Try again' }).click();
    await page.getByRole('heading', { name: /^To see to/ }).waitFor();
    await page.context().close();
  });
});
