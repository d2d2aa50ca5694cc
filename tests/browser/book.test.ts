/**
 * The book in a browser: planned, stopped, taken singly, by the week and on the telephone, dragged by mouse and keys, rules
 * broken and said, somebody away repaired, all of it undone.
 */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { itInFull } from '../samples.ts';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

const TAKE_ALL = /^Take all \d+ of this week$/;

describe('the book', function () {
  this.timeout(240_000);
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page({ viewport: { width: 1280, height: 1400 } });
  });
  after(() => stage.close());
  const standing = () => stage.stores.bookings.between(new Date().toISOString(), '9999').filter((b) => !b.cancelled);
  const ahead = (): number => standing().length;
  const good = () => page.getByText(/of the best in this model\./);
  /** The week that is shown. */
  let week = 0;
  const isWeek = async (n: number): Promise<void> =>
    void (await page.waitForFunction(
      (w) => new URL(location.href).searchParams.get('week') === w,
      n > 0 ? String(n) : null,
    ));
  const planned = async (): Promise<void> => {
    await good().waitFor({ timeout: 120_000 });
    await page.waitForFunction(() => !document.querySelector('[data-learning]'), undefined, { timeout: 120_000 });
  };
  const done = (text: RegExp): Promise<void> => page.getByText(text).first().waitFor();
  const undo = async (): Promise<void> => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click();
    await page.getByRole('button', { name: 'Undo', exact: true }).waitFor({ state: 'detached' });
    await planned();
  };
  const card = (state: string): Locator => page.locator(`.wt-book-bookvisit.is-${state}`).first();
  /** Carries a card to a day's column by mouse, and holds it there until the room answers; again when the page moved under it. */
  const carry = async (from: Locator, column: number, answer: RegExp): Promise<void> => {
    const grip = from.locator('.wt-book-bookvisit-grip');
    for (let tries = 0; tries < 5; tries++) {
      await planned();
      await grip.scrollIntoViewIfNeeded();
      const [g, c] = [await grip.boundingBox(), await page.locator('.wt-book-day-column').nth(column).boundingBox()];
      if (!g || !c) throw new TypeError('nothing to drag');
      await page.mouse.move(g.x + g.width / 2, g.y + g.height / 2);
      await page.mouse.down();
      await page.mouse.move(g.x + 30, g.y + 30, { steps: 4 });
      await page.mouse.move(c.x + c.width / 2, c.y + 90, { steps: 6 });
      const told = await page
        .getByText(answer)
        .waitFor({ timeout: 5_000 })
        .then(() => true)
        .catch(() => false);
      if (told) return;
      await page.keyboard.press('Escape');
      await page.mouse.up();
    }
    throw new Error('the card could not be carried');
  };

  it('plans a year with its bound, draws it against the hours by season, month, week and day, and passes axe', async () => {
    await page.goto('/desk/calendar');
    await planned();
    expect(await page.locator('.wt-charts-weeks-proposed').count()).to.be.within(52, 53);
    // A week in which more than one visit is proposed.
    do {
      await page.getByRole('button', { name: 'After', exact: true }).click();
      await isWeek(++week);
    } while ((await page.getByRole('button', { name: TAKE_ALL }).count()) === 0);
    expect(await page.locator('.wt-book-day-column').count()).to.equal(7);
    expect(await axeFaults(page)).to.deep.equal([]);
    for (const [span, what] of [
      ['season', 'main table tbody tr'],
      ['month', '.wt-book-month td'],
      ['day', '.wt-book-day-column'],
    ] as const) {
      await page.getByLabel(span, { exact: true }).click();
      await page.locator(what).first().waitFor();
      expect(await axeFaults(page), span).to.deep.equal([]);
    }
    await page.getByLabel('week', { exact: true }).click();
  });

  it('says why a visit is on its day, and walks the weeks by keyboard', async () => {
    await card('proposed').locator('.wt-book-bookvisit-card').click();
    await page.getByText('Why this day').waitFor();
    await page
      .getByText(/at the table, .* in all/)
      .first()
      .waitFor();
    await page.getByRole('img', { name: /^In the coat if nobody touches it/ }).waitFor();
    await page.getByRole('button', { name: 'After', exact: true }).focus();
    await page.keyboard.press('Enter');
    await isWeek(week + 1);
    await page.getByRole('button', { name: 'Before', exact: true }).click();
    await isWeek(week);
  });

  it('takes one proposal, then all of the week, and undoes them', async () => {
    const before = ahead();
    // The visit that was asked about is still open.
    await page.getByRole('button', { name: /^Take [A-Z][a-z]{2} / }).click();
    await done(/^Down in the book: .* The owners still have to agree\.$/);
    expect(ahead()).to.equal(before + 1);
    expect(standing().filter((b) => !b.agreed)).to.have.lengthOf(1);
    await planned();
    await undo();
    expect(ahead()).to.equal(before);
    const all = page.getByRole('button', { name: TAKE_ALL });
    const many = Number((await all.innerText()).replace(/\D/g, ''));
    await all.click();
    await page.waitForFunction(() => document.querySelectorAll('.wt-book-bookvisit.is-proposed').length === 0);
    expect(ahead()).to.equal(before + many);
    await planned();
    await undo();
    expect(ahead()).to.equal(before);
  });

  itInFull(
    'drags a proposal by keys to the next day and takes it there; a closed day is said and not taken',
    async () => {
      const before = ahead();
      const first = card('proposed');
      const column = await first.evaluate((el) =>
        [...document.querySelectorAll('.wt-book-day-column')].indexOf(el.closest('.wt-book-day-column') ?? el),
      );
      await first.locator('.wt-book-bookvisit-grip').focus();
      await page.keyboard.press('Space');
      await page.locator('.wt-book-bookvisit.is-dragged').waitFor();
      // Where the columns are is measured once a card is taken up; a hand is slower than that.
      await page.waitForTimeout(200);
      await page.keyboard.press(column < 5 ? 'ArrowRight' : 'ArrowLeft');
      await page.locator('.wt-book-day-column.is-over').waitFor();
      await page.keyboard.press('Space');
      await page.getByRole('button', { name: 'Leave it' }).waitFor();
      await page.getByRole('button', { name: /^Take [A-Z]|all the same$/ }).click();
      await done(/^Down in the book/);
      expect(ahead()).to.equal(before + 1);
      await planned();
      await undo();
      expect(ahead()).to.equal(before);
      // The demo salon is shut on Sundays.
      await carry(card('proposed'), 6, /^The salon is closed that day\.$/);
      await page.mouse.up();
      expect(await page.getByRole('button', { name: /all the same$/ }).isDisabled()).to.equal(true);
      await page.getByRole('button', { name: 'Leave it' }).click();
      expect(ahead()).to.equal(before);
    },
  );

  itInFull('asks before it moves what an owner agreed to', async () => {
    while ((await page.locator('.wt-book-bookvisit.is-agreed').count()) === 0) {
      await page.getByRole('button', { name: 'After', exact: true }).click();
      await isWeek(++week);
    }
    const agreed = card('agreed');
    const name = await agreed.locator('strong').innerText();
    const column = await agreed.evaluate((el) =>
      [...document.querySelectorAll('.wt-book-day-column')].indexOf(el.closest('.wt-book-day-column') ?? el),
    );
    const was = standing().find((b) => b.dogName === name);
    await carry(agreed, column < 4 ? column + 1 : column - 1, /Ask before it\s+moves\./);
    await page.mouse.up();
    expect(standing().find((b) => b.id === was?.id)?.startsAt).to.equal(was?.startsAt);
    await page.getByRole('button', { name: /^They said yes/ }).click();
    await done(/^Moved: /);
    expect(standing().find((b) => b.id === was?.id)?.startsAt).to.not.equal(was?.startsAt);
    await planned();
    await undo();
    expect(standing().find((b) => b.id === was?.id)?.startsAt).to.equal(was?.startsAt);
  });

  itInFull(
    'says what moves when the salon is shut for days, lists whom to ask, moves nobody unasked, and takes it back',
    async () => {
      const before = standing();
      // From the first agreed visit on, three days.
      const from =
        before.find((b) => b.agreed && Date.parse(b.startsAt) > Date.now() + 2 * 86_400_000)?.startsAt.slice(0, 10) ??
        '';
      const to = new Date(Date.parse(from) + 2 * 86_400_000).toISOString().slice(0, 10);
      await page.getByLabel('First day').fill(from);
      await page.getByLabel('Last day').fill(to);
      await page.getByLabel('Why').fill('Ill');
      await page.getByRole('button', { name: 'See what moves' }).click();
      await page.getByText(/of work are lost\. .* costs/).waitFor();
      await page.getByText('Ask first: agreed').waitFor();
      await page.getByText('Seeking a better answer').waitFor({ state: 'detached', timeout: 60_000 });
      await page.getByRole('button', { name: 'Put it in the book' }).click();
      await done(/^In the book\..* to ask: see “To ring” on Today\.$/);
      expect(stage.stores.roster.people().length).to.equal(2);
      expect(standing().map((b) => [b.id, b.startsAt])).to.deep.equal(before.map((b) => [b.id, b.startsAt]));
      await planned();
      await undo();
    },
  );

  it('spreads a week over its days: the columns come to what the week is said to be, none beyond its hours', async () => {
    await page.goto('/desk/calendar');
    await planned();
    await page
      .getByRole('button', { name: TAKE_ALL })
      .or(page.getByRole('button', { name: 'After', exact: true }))
      .first()
      .waitFor();
    const minutesIn = (text: string): number => {
      const [, h, m, only] = /(?:(\d+)\s*h)?\s*(?:(\d+)\s*$|(\d+)\s*min)?/.exec(text.trim()) ?? [];
      return 60 * Number(h ?? 0) + Number(m ?? 0) + Number(only ?? 0);
    };
    let seen = 0;
    for (let n = 0; n < 12; n++) {
      // Both of one moment: the page goes on to the next week while it is read.
      const [said, ...columns] = await page.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('#week .wt-soft, .wt-book-day-column h3 .wt-soft')].map(
          (el) => el.innerText,
        ),
      );
      const [load = '', hours = ''] = (said ?? '').split(' of ');
      const loads = columns.map((t) => (/closed|free/.test(t) ? 0 : minutesIn(t)));
      const all = loads.reduce((t, x) => t + x, 0);
      // Each column is rounded by itself.
      expect(Math.abs(all - minutesIn(load)), `${said}: ${columns.join(', ')}`).to.be.at.most(columns.length);
      const open = columns.filter((t) => t !== 'closed').length;
      if (all > 0 && minutesIn(load) < 0.5 * minutesIn(hours)) {
        expect(Math.max(...loads), columns.join(', ')).to.be.at.most((1.2 * minutesIn(hours)) / open + 60);
        seen++;
      }
      await page.getByRole('button', { name: 'After', exact: true }).click();
    }
    expect(seen).to.be.greaterThan(2);
  });

  itInFull('is stopped while it thinks, and leaves what is agreed', async () => {
    const before = ahead();
    const fresh = await stage.page();
    // A slow machine: the plan takes long enough to be stopped.
    const line = await fresh.context().newCDPSession(fresh);
    await line.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // What plans comes late, so that it cannot be done before somebody has seen the button.
    await fresh.context().route(/\/book\.worker-.*\.js$/, async (route) => {
      await new Promise((later) => setTimeout(later, 4_000));
      await route.continue().catch(() => undefined);
    });
    await fresh.goto('/desk/calendar');
    await fresh.getByRole('button', { name: 'Stop' }).first().click();
    await fresh.getByText(/^Stopped/).waitFor();
    expect(ahead()).to.equal(before);
    await fresh.context().close();
  });
});

describe('the day’s sheet', function () {
  this.timeout(180_000);
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    // Whatever day it is: the salon is open, and both are at work.
    const salon = stage.stores.salon.find();
    if (!salon) throw new TypeError('no salon');
    stage.stores.salon.update({ ...salon, house: { ...salon.house, openWeekdays: [1, 2, 3, 4, 5, 6, 7] } });
    for (const p of stage.stores.roster.people()) stage.stores.roster.update({ ...p, weekdays: [1, 2, 3, 4, 5, 6, 7] });
    page = await stage.page({ viewport: { width: 1280, height: 1000 } });
  });
  after(() => stage.close());
  const laid = async (path = '/desk/calendar/day'): Promise<void> => {
    await page.goto(path);
    await page.locator('.wt-day-lanes').waitFor();
  };

  it('lays the day over people, dogs and places, and passes axe', async () => {
    await laid();
    await page.getByText(/^The last dog is done at \d\d:\d\d/).waitFor();
    for (const by of ['dog', 'place', 'person']) {
      await page.getByLabel(by, { exact: true }).click();
      expect(await axeFaults(page), by).to.deep.equal([]);
    }
    expect(await page.getByRole('list', { name: 'Runa' }).getByRole('listitem').count()).to.be.greaterThan(2);
  });

  it('checks a drag while it goes on, lays the rest about what was set, and takes it back', async () => {
    const bar = page.locator('button.wt-day-stagebar').first();
    const named = (await bar.getAttribute('aria-label')) ?? '';
    await bar.focus();
    await page.keyboard.press('Space');
    await page.locator('.wt-day-stagebar.is-dragged').waitFor();
    // Two hours and a half sooner something is always in the way: the owner, the clock, or another dog.
    for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowLeft');
    await page.locator('.wt-day-breaches li').first().waitFor();
    for (let i = 0; i < 36; i++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    await page.getByRole('button', { name: 'Undo what was set by hand' }).waitFor();
    await page
      .getByRole('button', { name: new RegExp(`^${named.split(', ').slice(0, 2).join(', ')}`) })
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Undo what was set by hand' }).click();
    await page.getByRole('button', { name: 'Undo what was set by hand' }).waitFor({ state: 'detached' });
    await page.getByRole('button', { name: named, exact: true }).waitFor();
  });

  it('follows what is begun, done and longer, says who is late, and the wall and the table show it', async () => {
    const first = page.locator('.wt-dogs-of-day > li').first();
    const name = await first.locator('strong').innerText();
    await first.getByRole('button', { name: 'Begin check' }).click();
    await first.getByRole('button', { name: 'Check done' }).waitFor();
    await first.getByRole('button', { name: '10 min longer' }).click();
    await first.getByRole('button', { name: 'Check done' }).click();
    await first.getByRole('button', { name: /^Begin (?!check)/ }).waitFor();
    await first.getByRole('button', { name: 'Undo' }).click();
    await first.getByRole('button', { name: 'Begin check' }).waitFor();
    await first.getByRole('button', { name: 'Begin check' }).click();
    await first.getByRole('button', { name: 'Check done' }).waitFor();
    await laid('/table/wall');
    await page.getByText(`${name}, check`, { exact: true }).waitFor();
    await page.goto('/table');
    await page.getByRole('listitem').filter({ hasText: name }).getByRole('link').first().waitFor();
  });

  it('says that nobody is at work when the roster is empty of hands that day', async () => {
    for (const p of stage.stores.roster.people()) stage.stores.roster.update({ ...p, weekdays: [] });
    await page.goto('/desk/calendar/day');
    await page.getByText(/^Nobody works on /).waitFor();
    await page.getByRole('link', { name: 'Who works when' }).last().click();
    await page.getByRole('button', { name: 'Somebody new' }).click();
    await page.getByLabel('Name').fill('Sanna');
    for (const d of ['Sat', 'Sun']) await page.getByLabel(d).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByText('Sanna', { exact: true }).waitFor();
    await laid();
    expect(await page.getByRole('list', { name: 'Sanna' }).count()).to.equal(1);
  });
});
