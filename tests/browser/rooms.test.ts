/** Rooms together: stale edits, empty, failed and broken states; and that the walk by Tab sees what is wrong. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { enter, openStage, type Stage } from './stage.ts';
import { tabFaults } from './tab-walk.ts';

/** Whether these words stand in what the device keeps of what it saw last. */
const keepsLastSeen = (page: Page, words: string): Promise<boolean> =>
  page.evaluate(
    (sought) =>
      new Promise<boolean>((told) => {
        const opened = indexedDB.open('keyval-store');
        opened.onsuccess = () => {
          const kept = opened.result.transaction('keyval').objectStore('keyval').get('woolly-tide.last-seen');
          kept.onsuccess = () => told(JSON.stringify(kept.result ?? '').includes(sought));
        };
      }),
    words,
  );

describe('the rooms', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  it('are walked by Tab with open eyes: no ring, something that covers, and a trap are told', async () => {
    const page = await stage.page({ reducedMotion: 'reduce' });
    const spoil = (css: string) =>
      page.evaluate((text) => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(text);
        document.adoptedStyleSheets = [sheet];
      }, css);
    await enter(page, '/desk/help');
    await spoil('.wt-app-head a { outline: 0 !important; box-shadow: none !important; }');
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
    await page.getByText(/^Weight: [\d.]+.kg is now 12\.6.kg, by you/).waitFor();
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
    await page.getByText('please fill this in').first().waitFor();
    const name = page.getByLabel('Name');
    // The first field at fault is gone to.
    expect(await name.evaluate((el) => el === document.activeElement)).to.equal(true);
    expect(await name.getAttribute('aria-invalid')).to.equal('true');
    await name.fill('Quay');
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

  it('break alone: the head of the house stands, the next room opens, and the one that broke can be loaded again', async () => {
    const page = await stage.page();
    // Asked by the device itself, and answered with what no room can draw.
    await page.goto('/desk/dogs');
    await page.route('**/api/kit', (route) => route.fulfill({ json: { tools: 'no list' } }));
    await page.getByRole('button', { name: 'Salon', exact: true }).click();
    await page
      .getByRole('menuitem', { name: 'Tools', exact: true })
      .or(page.getByRole('link', { name: 'Tools', exact: true }))
      .first()
      .click();
    await page.getByRole('heading', { name: 'This room could not be shown' }).waitFor();
    const rooms = page.getByRole('navigation', { name: 'Rooms' });
    await rooms.getByRole('link', { name: 'Dogs', exact: true }).click();
    await page.getByRole('heading', { name: /^To see to/ }).waitFor();
    await page.goBack();
    await page.getByRole('heading', { name: 'This room could not be shown' }).waitFor();
    expect(stage.forgive(/flatMap is not a function/)).to.be.greaterThan(0);
    await page.unroute('**/api/kit');
    // Some moments later the device keeps what it saw last, here what broke the room: it must not break it for days.
    while (!(await keepsLastSeen(page, 'no list'))) await page.waitForTimeout(100);
    await page.route('**/api/kit', (route) => setTimeout(() => void route.continue(), 500));
    await page.getByRole('button', { name: 'Load it again' }).click();
    await page.getByRole('heading', { name: 'On the wall' }).waitFor();
    await page.context().close();
  });

  it('begin with less than 250 kB of code', async () => {
    const html = await (await fetch(new URL('/desk/dogs', stage.base))).text();
    const code = [...html.matchAll(/"(\/assets\/[^"]+\.js)"/g)].map(([, path = '']) => path);
    expect(code).to.not.be.empty;
    const sizes = await Promise.all(
      [...new Set(code)].map(async (path) => {
        const answer = await fetch(new URL(path, stage.base), { headers: { 'accept-encoding': 'br' } });
        return Number(answer.headers.get('content-length'));
      }),
    );
    // A file without a length would count as nothing.
    expect(Math.min(...sizes)).to.be.greaterThan(0);
    expect(sizes.reduce((all, bytes) => all + bytes, 0)).to.be.below(250_000);
  });
});
