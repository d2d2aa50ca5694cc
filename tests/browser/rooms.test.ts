/** Every room by the accessibility rules, day and night; thumbs at the table; stale edits, empty and failed states. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

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
  let plan = '';
  let session = '';
  let note = '';
  before(async () => {
    stage = await openStage();
    const check = stage.stores.checks.latestOf('demo-kelda');
    plan = `/desk/dogs/demo-kelda/plan/${check?.id ?? ''}`;
    note = `/desk/dogs/demo-juniper/note/${stage.stores.checks.latestOf('demo-juniper')?.id ?? ''}`;
    const answer = await fetch(`${stage.base}/api/sessions`, {
      method: 'POST',
      headers: stage.headers,
      body: JSON.stringify({ id: 'rooms-session', checkId: check?.id, method: 'wet-first' }),
    });
    expect(answer.status).to.equal(201);
    session = '/table/sessions/rooms-session';
  });
  after(() => stage.close());

  const ROOMS: readonly (readonly [string, () => string])[] = [
    ['the tide', () => '/desk/tide?dog=demo-bollard'],
    ['a dog’s tide', () => '/desk/dogs/demo-bollard/tide'],
    ['Dogs', () => '/desk/dogs'],
    ['a dog', () => '/desk/dogs/demo-bollard'],
    ['a dog’s home', () => '/desk/dogs/demo-bollard/home'],
    ['what homes found', () => '/desk/homes'],
    ['reminders to homes', () => '/desk/post'],
    ['a new dog', () => '/desk/dogs/new'],
    ['the coat check', () => '/desk/dogs/demo-juniper/check'],
    ['a plan, asked why', () => `${plan}?zone=ruff.left`],
    ['the bench sheet', () => plan.replace('/plan/', '/sheet/')],
    ['the note for owner and vet', () => note],
    ['Bench', () => '/desk/bench'],
    ['the next date', () => '/desk/dogs/demo-bollard/next'],
    ['Today', () => '/desk/day'],
    ['the sheet', () => '/desk/sheet'],
    ['Staff', () => '/desk/staff'],
    ['the wall', () => '/table/wall'],
    ['Ahead', () => '/desk/ahead'],
    ['Kit', () => '/desk/kit'],
    ['a piece', () => '/desk/kit/force-dryer'],
    ['Rules', () => '/desk/rules?rule=warn-rake'],
    ['House rules', () => '/desk/house'],
    ['the tally', () => '/desk/tally'],
    ['the table', () => '/table'],
    ['scale and meters', () => '/table/devices'],
    ['a session', () => session],
    ['a record', () => '/table/sessions/demo-bollard-session-1'],
    ['a visit, for the owner', () => '/home/demo-bollard/visits/demo-bollard-session-1'],
    ['Home', () => '/home'],
    ['a home card', () => '/home/demo-bollard'],
    ['a strip for the wall', () => '/home/demo-rowan?as=strip'],
    ['nothing', () => '/desk/attic'],
  ];

  describe('each: by the accessibility rules day and night, no text cut or overflowing at desk, table and phone size', () => {
    let page: Page;
    before(async () => {
      page = await stage.page({ colorScheme: 'light', reducedMotion: 'reduce' });
    });
    after(() => page.context().close());
    for (const [name, path] of ROOMS) {
      it(name, async () => {
        await page.setViewportSize({ width: 1280, height: 800 });
        await enter(page, path());
        expect(await page.locator('h1').count()).to.equal(1);
        expect(await axeFaults(page), 'by day').to.deep.equal([]);
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
    await page.goto('/desk/dogs');
    await page.getByText('The salon’s computer does not answer.').waitFor();
    await page.unroute('**/api/dogs');
    await page.getByRole('button', { name: 'Try again' }).click();
    await page.getByRole('heading', { name: /^To see to/ }).waitFor();
    await page.context().close();
  });
});
