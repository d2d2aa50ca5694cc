/** A year with another room, on the screen: planned beside today's, kept under a name, and set beside a third. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

describe('a year with another room, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  let desk: Page;
  before(async () => {
    stage = await openStage();
    await untilTideIsLearnt(stage);
    desk = await stage.page();
  });
  after(() => stage.close());

  const row = (label: string) =>
    desk.getByRole('row').filter({ has: desk.getByRole('rowheader', { name: label, exact: true }) });
  /** Figures of a line, once every year is planned. */
  const line = async (label: string): Promise<readonly string[]> => {
    await desk.getByRole('progressbar').first().waitFor({ state: 'detached', timeout: 120_000 });
    return row(label).getByRole('cell').allTextContents();
  };

  it('is planned beside today’s, from the book', async () => {
    await desk.goto('/desk/calendar');
    await desk.getByRole('link', { name: 'What if' }).click();
    await desk.getByRole('heading', { level: 1, name: 'What if' }).waitFor();
    await desk.getByLabel('More dogs').fill('10');
    await desk.getByRole('columnheader', { name: '10 more dogs' }).waitFor();
    const [now, more] = (await line('Dogs')).map(Number);
    expect((more ?? 0) - (now ?? 0)).to.equal(10);
    const [visits, moreVisits] = (await line('Visits')).map(Number);
    expect(moreVisits).to.be.greaterThan(visits ?? Infinity);
    // Figures stay in the address: the page opened again shows the same year.
    expect(desk.url()).to.contain('dogs=10');
  });

  it('is kept under a name, shown beside another, and taken out', async () => {
    await desk.getByLabel('Name of this year').fill('Ten more');
    await desk.getByRole('button', { name: 'Keep it' }).click();
    const kept = desk.getByRole('listitem').filter({ hasText: 'Ten more' });
    await kept.getByRole('button', { name: 'Show beside' }).click();
    await desk.getByLabel('More dogs').fill('0');
    await desk.getByLabel('One more person, days a week').fill('2');
    await desk.getByRole('columnheader', { name: 'Ten more' }).waitFor();
    await desk.getByRole('columnheader', { name: /one more person/i }).waitFor();
    const dogs = (await line('Dogs')).map(Number);
    expect(dogs).to.have.length(3);
    expect(dogs[2]).to.equal((dogs[0] ?? 0) + 10);
    expect(dogs[1]).to.equal(dogs[0]);
    expect(stage.stores.years.all().map((y) => y.name)).to.deep.equal(['Ten more']);
    await kept.getByRole('button', { name: 'Take out' }).click();
    await kept.waitFor({ state: 'detached' });
    expect(stage.stores.years.all()).to.deep.equal([]);
    expect(await desk.getByText('does not know').count()).to.equal(1);
  });
});
