/** A day as it is worked, in few acts: a call, a new client, somebody ill, a cancellation, a dog on the table, and what people ask. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { day, formatDay, isoWeekday, parseDay } from '../../core/quantity/index.ts';
import { fillSmall } from '../small-house.ts';
import { begin, smallTargets } from './at-table.ts';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

/** One grade in hand, drawn over a zone: what a first plan needs. */
async function feel(table: Page): Promise<void> {
  const map = table.locator('#room .wt-coat-stage > .wt-coat-coatmap');
  await map.locator('[data-zone]').first().waitFor();
  await table
    .getByRole('button', { name: /^push/ })
    .or(table.getByRole('radio', { name: /^push/ }))
    .first()
    .tap();
  await map.locator('[data-zone]').first().tap();
}

describe('a day as it is worked', function () {
  this.timeout(240_000);
  let stage: Stage;
  let page: Page;
  /** Taps and what is typed, each one act. */
  let acts = 0;
  const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> => {
    acts++;
    await page.getByRole('main').getByRole(role, { name }).first().click();
  };
  const typed = async (label: string, text: string): Promise<void> => {
    acts++;
    await page.getByLabel(label, { exact: true }).first().fill(text);
  };
  const ask = async (text: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill(text);
    await page.getByRole('option').first().waitFor();
    await page.keyboard.press('Enter');
    acts += 2;
  };
  const standing = () => stage.stores.bookings.between('2000', '9999');
  const of = (dogName: string) => standing().filter((b) => b.dogName === dogName);
  let tomorrow = '';
  before(async () => {
    stage = await openStage({
      fill: (kept) => {
        fillSmall(kept, Date.now());
        const salon = kept.salon.find() ?? expect.fail('no salon');
        kept.salon.update({ ...salon, house: { ...salon.house, openWeekdays: EVERY_DAY, tables: 3 } });
        for (const p of kept.roster.people())
          kept.roster.update({
            ...p,
            weekdays: EVERY_DAY,
            can: ['check', 'dry-work', 'bath', 'drying', 'finish', 'rest'],
          });
      },
    });
    page = await stage.page();
    await page.goto('/desk/today');
    const today = (await (await fetch(`${stage.base}/api/dogs`, { headers: stage.headers })).json()).today;
    tomorrow = formatDay(day(Number(today) + 1));
  });
  after(() => stage.close());

  it('agrees a time with somebody who calls, in three acts', async () => {
    acts = 0;
    await ask('book tansy tomorrow 9:00');
    await page.getByRole('heading', { name: /Tansy/ }).waitFor();
    await tap(/^Book .*09:00/);
    await page.getByText(/^Booked: Tansy, /).waitFor();
    expect(acts).to.be.at.most(3);
    const [made] = of('Tansy').filter((b) => b.startsAt.startsWith(tomorrow));
    expect(made).to.include({ agreed: true, service: 'coat' });
  });

  it('takes in a new client by name and number, with a length that is said to be a guess', async () => {
    await page.goto('/desk/calendar/new');
    await tap('New client');
    await typed('Dog’s name', 'Quill');
    await typed('Breed or mix', 'Samoyed');
    await typed('Owner', 'Siv Lund');
    await typed('Phone', '040 555 0101');
    await tap('Add and choose a time');
    await page.getByText('what such dogs usually take; nobody has felt this coat yet').waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await typed('Day', tomorrow);
    const free = page.getByRole('group', { name: 'Free times' }).getByRole('button');
    await free.nth(2).click();
    await tap(/^Book /);
    await page.getByText(/^Booked: Quill, /).waitFor();
    const [quill] = of('Quill');
    expect(quill?.startsAt.startsWith(tomorrow)).to.equal(true);
    const dog = stage.stores.dogs.find(quill?.dogId ?? '');
    expect(dog).to.deep.include({ breed: 'Samoyed', owner: { name: 'Siv Lund', phone: '040 555 0101' } });
  });

  it('books nails alone, moves the visit to another time, and cancels it with a reason', async () => {
    await page.goto('/desk/calendar/new?dog=dog-b&for=nails');
    await typed('Day', tomorrow);
    await page.getByRole('group', { name: 'Free times' }).getByRole('button').first().click();
    await tap(/^Book /);
    await page.getByText(/^Booked: Burr, /).waitFor();
    const [nails] = of('Burr');
    expect(nails?.service).to.equal('nails');
    await page.goto(`/desk/calendar/visits/${nails?.id ?? ''}`);
    expect(await axeFaults(page)).to.deep.equal([]);
    await typed('Another time', '15:30');
    await tap(/^Move to .*15:30/);
    await page.getByText(/^Moved to .*15:30/).waitFor();
    await page.getByRole('radio', { name: 'did not come' }).check();
    await tap('Cancel Burr’s visit');
    await page.getByText(/is free again: did not come/).waitFor();
    await page.getByRole('link', { name: 'Who could come instead' }).waitFor();
    expect(of('Burr')).to.deep.equal([]);
    await tap('Undo');
    await page.getByRole('heading', { name: 'Move it' }).waitFor();
    expect(of('Burr')).to.have.length(1);
  });

  it('answers for somebody who is ill tomorrow, with three agreed visits, in few acts, and moves nobody unasked', async () => {
    // The other one is away already: whoever is left is the only one.
    const on = parseDay(tomorrow) ?? day(0);
    stage.stores.roster.addAway({ id: 'off', person: 'demo-bertil', from: on, to: on, reason: '' });
    const there = () => standing().filter((b) => b.startsAt.startsWith(tomorrow));
    expect(there()).to.have.length(3);
    const before = there().map((b) => [b.id, b.startsAt]);
    acts = 0;
    await page.goto('/desk/calendar/ill?in=1');
    acts++;
    await tap('Runa');
    await page.getByRole('heading', { name: /^To ring, in this order 3/ }).waitFor();
    expect(there().map((b) => [b.id, b.startsAt])).to.deep.equal(before);
    expect(await axeFaults(page)).to.deep.equal([]);
    for (let left = 3; left > 0; left--) {
      await page.getByRole('heading', { name: new RegExp(`^To ring, in this order ${left}`) }).waitFor();
      await tap(/^Yes: /);
    }
    await page.getByText('Nobody is booked that day any more.').waitFor();
    expect(acts).to.be.at.most(5);
    expect(there()).to.deep.equal([]);
    expect(standing().filter((b) => before.some(([id]) => id === b.id))).to.have.length(3);
    expect(isoWeekday(on)).to.be.within(1, 7);
  });

  it('works a dog that comes today from the table: the check, one of three ways, and it begins', async () => {
    const table = await stage.page({ viewport: { width: 1024, height: 768 }, hasTouch: true });
    const at = new Date(Date.now() + 60_000).toISOString().slice(0, 16);
    stage.stores.bookings.insert({ id: 'now', dogId: 'dog-b', startsAt: `${at}:00Z`, minutes: 60, note: '' });
    await table.goto('/table');
    await table.getByRole('link', { name: 'Check Burr’s coat' }).tap();
    await feel(table);
    await table.getByRole('button', { name: /^Save/ }).tap();
    await table.getByRole('heading', { name: 'Burr: how to work today' }).waitFor();
    const ways = table.getByRole('button', { name: /^Begin/ });
    expect(await ways.count()).to.be.within(1, 3);
    expect(await axeFaults(table)).to.deep.equal([]);
    await ways.first().tap();
    await table.waitForURL(/\/table\/sessions\//);
    // Hair by hand, where there is no scale.
    await begin(table, 'Runa');
    await table.getByRole('button', { name: 'More', exact: true }).tap();
    await table.getByRole('button', { name: 'Weigh hair now' }).tap();
    await table.getByLabel('No scale here: grams by hand').fill('14,5');
    expect(await smallTargets(table)).to.deep.equal([]);
    await table.getByRole('button', { name: 'Write it down' }).tap();
    await table.getByRole('heading', { name: 'Hair on the scale?' }).waitFor({ state: 'detached' });
    const [session] = stage.stores.sessions.linesSince(0, 1);
    const weighed = () =>
      stage.stores.sessions.events(session?.id ?? '').flatMap(({ act }) => (act.kind === 'weighed' ? [act] : []));
    while (weighed().length === 0) await table.waitForTimeout(100);
    expect(weighed()[0]).to.include({ grams: 14.5, by: 'hand' });
    await table.goto('/table');
    await table.getByRole('link', { name: /^(Begin|Go on) with Burr$/ }).waitFor();
    await table.context().close();
  });

  it('comes from somebody who walks in to a plan in six acts, what is typed and felt aside', async () => {
    const table = await stage.page({ viewport: { width: 1024, height: 768 }, hasTouch: true });
    let taps = 0;
    const touch = async (name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> => {
      taps++;
      await table.getByRole('main').getByRole(role, { name }).first().tap();
    };
    await table.goto('/table');
    await touch('Somebody walks in', 'link');
    await touch('New client');
    for (const [label, text] of [
      ['Dog’s name', 'Rill'],
      ['Breed or mix', 'Samoyed'],
      ['Owner', 'Ove Berg'],
    ] as const)
      await table.getByLabel(label, { exact: true }).fill(text);
    await touch('Add and choose a time');
    await touch('It is here now: check the coat', 'link');
    await feel(table);
    await touch(/^Save/);
    await table.getByRole('heading', { name: 'Rill: how to work today' }).waitFor();
    await table.getByRole('button', { name: 'Begin', exact: true }).waitFor();
    expect(taps).to.be.at.most(6);
    await table.context().close();
  });

  it('answers what people ask, from the finder, in three acts', async () => {
    for (const [text, at, says] of [
      ['when will tansy blow', /\/desk\/dogs\/dog-a\/tide/, /tide$/],
      ['why this tool', /\/desk\/reports\/plans/, /^Plans for all dogs/],
      ['what if no dryer', /\/desk\/reports\/plans\?with=no-dryer/, /^Plans for all dogs/],
      ['what did we take in May', /\/desk\/reports\?view=takings&month=\d{4}-05/, /^Reports/],
      ['which brush should tansy’s owner buy', /\/desk\/dogs\/dog-a#brushes/, /^Tansy/],
      ['what does grade 3 mean', /\/desk\/help\/grades/, /^The grades of touch/],
      ['who is overdue', /\/desk\/dogs$/, /^Dogs/],
      ['who can come thursday', /\/desk\/calendar\?show=day&day=\d+/, /^Calendar/],
      ['what is in the tub today', /\/desk\/today\/tub/, /^Tub, noise and stock/],
      ['somebody is ill', /\/desk\/calendar\/ill/, /^Somebody is ill/],
    ] as const) {
      await page.goto('/desk/rules');
      acts = 0;
      await ask(text);
      await page.waitForURL(at);
      await page.getByRole('heading', { level: 1, name: says }).waitFor();
      expect(acts, text).to.be.at.most(3);
    }
  });
});
