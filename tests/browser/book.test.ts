/** The book in a browser: the year is planned and can be stopped, proposals are taken singly and by the week, and undone. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

describe('the book', function () {
  this.timeout(240_000);
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
  });
  after(() => stage.close());
  const ahead = (): number =>
    stage.stores.bookings.between(new Date().toISOString(), '9999').filter((b) => !b.cancelled).length;
  const good = () => page.getByText(/of the best that any plan could do\.|No plan could be better\./);
  const planned = async (): Promise<void> => {
    await good().waitFor({ timeout: 120_000 });
    await page.waitForFunction(() => !document.querySelector('.wt-learning'), undefined, { timeout: 120_000 });
  };

  it('plans a year with its bound, draws it against the hours, and passes axe', async () => {
    await page.goto('/desk/book');
    await planned();
    expect(await page.locator('.wt-weeks-proposed').count()).to.equal(52);
    expect(await page.locator('#week').innerText()).to.match(/of 14\sh\s53/);
    expect(await axeFaults(page)).to.deep.equal([]);
  });

  it('says what another week would cost, and walks the weeks by keyboard', async () => {
    await page.getByRole('button', { name: 'Week after' }).focus();
    for (let i = 1; i <= 6; i++) {
      const before = await page.locator('#week').innerText();
      await page.keyboard.press('Enter');
      await page.waitForFunction((was) => document.querySelector<HTMLElement>('#week')?.innerText !== was, before);
    }
    expect(new URL(page.url()).searchParams.get('week')).to.equal('6');
    const why = page.getByText('Why this day').first();
    await why.click();
    await page
      .getByText(/at the table, .* in all/)
      .first()
      .waitFor();
    await page.goto('/desk/book');
    await planned();
  });

  it('takes one proposal, then all of the week, and undoes them', async () => {
    const before = ahead();
    await page
      .getByRole('button', { name: /^Take (?!all)/ })
      .first()
      .click();
    await page.getByText(/^Down in the book: /).waitFor();
    expect(ahead()).to.equal(before + 1);
    await planned();
    await page.getByRole('button', { name: /^Take all \d+ of this week$/ }).click();
    await page.waitForFunction(() => document.querySelectorAll('.wt-visits button').length === 0);
    expect(ahead()).to.be.greaterThan(before + 2);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText(/^Down in the book: /).waitFor({ state: 'detached' });
    expect(ahead()).to.equal(before);
  });

  it('is stopped while it thinks, and leaves what is agreed', async () => {
    const before = ahead();
    const fresh = await stage.page();
    // A slow machine: the plan takes long enough to be stopped.
    const line = await fresh.context().newCDPSession(fresh);
    await line.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    await fresh.goto('/desk/book');
    await fresh.getByRole('button', { name: 'Stop' }).first().click();
    await fresh.getByText(/^Stopped/).waitFor();
    expect(ahead()).to.equal(before);
    await fresh.context().close();
  });
});
