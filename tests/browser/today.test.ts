/** Today: the day's dogs, the call list with times to offer, and what is booked from there; the demo plans the year behind it. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { day } from '../../core/quantity/index.ts';
import { MOVED } from '../../web/pages.ts';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

describe('today', function () {
  this.timeout(240_000);
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
  });
  after(() => stage.close());
  const standing = () => stage.stores.bookings.between(new Date().toISOString(), '9999').filter((b) => !b.cancelled);
  const ahead = (): number => standing().length;
  const planned = async (): Promise<void> => {
    await page.locator('[aria-labelledby="ring"] li').first().waitFor({ timeout: 120_000 });
    await page
      .getByRole('button', { name: /^Yes: .*\d/ })
      .first()
      .waitFor({ timeout: 120_000 });
    await page.waitForFunction(() => !document.querySelector('[data-learning]'), undefined, { timeout: 120_000 });
  };
  const done = (text: RegExp): Promise<void> => page.getByText(text).first().waitFor();
  const undo = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByRole('button', { name: 'Undo', exact: true }).waitFor({ state: 'detached' });
    await planned();
  };

  it('opens first, says who is here and who is next, whom to ring and what to mix, and passes axe', async () => {
    await page.goto('/');
    await page.waitForURL('**/desk/today');
    await page.getByRole('heading', { name: 'Dogs of the day' }).waitFor();
    await page.getByText(/^The last one is done at/).waitFor();
    await page.getByRole('group', { name: 'Tub, noise and what is open' }).getByRole('link', { name: 'Tub' }).waitFor();
    await planned();
    // A number to tap stands beside who is to be rung.
    expect(await page.locator('[aria-labelledby="ring"] a[href^="tel:"]').count()).to.be.greaterThan(0);
    expect(await axeFaults(page)).to.deep.equal([]);
  });

  it('shows a day of eight dogs and the first calls on one screen, without scrolling', async () => {
    const { stores } = stage;
    const salon = stores.salon.find() ?? expect.fail('no salon');
    stores.salon.update({ ...salon, house: { ...salon.house, tables: 4 } });
    const from = new Date().toISOString().slice(0, 10);
    const there = () => stores.bookings.between(`${from}T00:00:00Z`, `${from}T23:00:00Z`);
    const booked = new Set(standing().map((b) => b.dogId));
    const free = stores.dogs.all().filter((d) => !booked.has(d.id));
    for (let i = 0; there().length < 8; i++) {
      const startsAt = `${from}T${String(7 + (i % 8)).padStart(2, '0')}:00:00Z`;
      stores.bookings.insert({ id: `eight-${i}`, dogId: free[i]?.id ?? '', startsAt, minutes: 45, note: '' });
    }
    await page.reload();
    await page.getByText(/^The last one is done at/).waitFor();
    await planned();
    const low = await page.evaluate(() =>
      [...document.querySelectorAll('[aria-labelledby="dogs"], [aria-labelledby="ring"] li:nth-child(1) button')].map(
        (el) => Math.round(el.getBoundingClientRect().bottom),
      ),
    );
    expect(await page.locator('[aria-labelledby="dogs"] li').count()).to.equal(8);
    expect(low.length).to.be.greaterThan(3);
    expect(Math.max(...low)).to.be.at.most(800);
    for (const b of there()) if (b.id.startsWith('eight-')) stores.bookings.cancel(b.id, b.version);
    await page.reload();
  });

  it('says what does not answer without a link, in each of its parts, and waits for nothing', async () => {
    const alone = await stage.page();
    await alone.route('**/api/dogs/*/starts?*', (route) => route.abort());
    await alone.goto('/desk/calendar/new?dog=demo-mist');
    await alone.getByText('The salon’s computer does not answer.').first().waitFor();
    await alone.route('**/api/tide', (route) => route.abort());
    await alone.route('**/api/sheet', (route) => route.abort());
    await alone.getByRole('link', { name: 'Today', exact: false }).first().click();
    await alone.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await alone.getByRole('button', { name: 'Try again' }).first().waitFor();
    await alone.waitForFunction(() => document.querySelectorAll('.wt-waiting').length === 0);
    await alone.context().close();
  });

  it('leads on from each old address', async () => {
    for (const [old, now] of Object.entries(MOVED)) {
      await page.goto(`${old}?seen=1`);
      await page.waitForURL((url) => url.pathname === now && url.search === '?seen=1');
    }
    await page.goto('/desk/today');
  });

  it('rings: yes books an agreed time, no answer leaves the dog for today', async () => {
    const before = ahead();
    const line = page.locator('[aria-labelledby="ring"] li').filter({ hasText: 'What to say' }).first();
    const name = await line.locator('strong').first().innerText();
    await line
      .getByRole('button', { name: /^Yes: / })
      .first()
      .click();
    await done(new RegExp(`^Booked: ${name}`));
    expect(ahead()).to.equal(before + 1);
    expect(standing().find((b) => b.dogName === name)?.agreed).to.equal(true);
    await planned();
    await undo();
    const next = page.locator('[aria-labelledby="ring"] li').filter({ hasText: 'What to say' }).first();
    const other = await next.locator('strong').first().innerText();
    // By its name: a plan that comes meanwhile may put another dog first.
    const rung = page
      .locator('[aria-labelledby="ring"] li')
      .filter({ has: page.locator('strong').getByText(other, { exact: true }) });
    await rung.getByRole('button', { name: 'No answer' }).click();
    await page.waitForFunction(
      (gone) =>
        ![...document.querySelectorAll('[aria-labelledby="ring"] strong')].some((el) => el.textContent === gone),
      other,
    );
    expect(ahead()).to.equal(before);
  });

  it('refuses a yes to a day on which the salon has been closed since, says why, and books nothing', async () => {
    await planned();
    const before = ahead();
    const line = page.locator('[aria-labelledby="ring"] li').filter({ hasText: 'What to say' }).first();
    const { roster } = stage.stores;
    // Another device closed every day to come, and this page has not heard of it.
    const today = Math.floor(Date.now() / 86_400_000);
    roster.addAway({ id: 'shut', person: null, from: day(today - 1), to: day(today + 400), reason: 'Storm' });
    await line
      .getByRole('button', { name: /^Yes: / })
      .first()
      .click();
    await page
      .getByRole('alert')
      .filter({ hasText: /closed.*Storm/i })
      .waitFor();
    expect(ahead()).to.equal(before);
    roster.dropAway('shut');
  });
});
