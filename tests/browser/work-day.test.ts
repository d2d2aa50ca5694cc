/**
 * A whole day as it is worked, in few acts, from an empty salon: first steps, calls, somebody who walks in, a dog at the table
 * from its check to what was paid, a finding, an offer, somebody late and somebody ill, a gap that is filled, the sums, and what
 * people ask. Taps and fields are counted where the act is counted; what is felt of a coat is not.
 */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { day, formatDay, isoWeekday, parseDay } from '../../core/quantity/index.ts';
import { atEnd, begin, goOn, smallTargets } from './at-table.ts';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
/** A town in whose morning or noon this runs, whatever the hour is here: a working day must lie ahead. */
const hourUtc = new Date().getUTCHours();
const TOWN =
  hourUtc >= 5 && hourUtc < 13
    ? { find: 'reykjavik', name: /^Reykjavík, /, timezoneId: 'Atlantic/Reykjavik' }
    : hourUtc >= 13 && hourUtc < 21
      ? { find: 'los angeles', name: /^Los Angeles, United States/, timezoneId: 'America/Los_Angeles' }
      : { find: 'perth', name: /^Perth, Australia/, timezoneId: 'Australia/Perth' };
const TABLET = { width: 1024, height: 768 };
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, signedOut: true } as const;

/** One grade in hand, drawn over so many zones: one is what a first plan needs. */
async function feel(page: Page, grade = /^push/, zones = 1): Promise<void> {
  const map = page.locator('#room .wt-coat-stage > .wt-coat-coatmap');
  await map.locator('[data-zone]').first().waitFor();
  await page
    .getByRole('button', { name: grade })
    .or(page.getByRole('radio', { name: grade }))
    .first()
    .tap();
  const seen = map.locator('[data-zone]');
  for (let i = 0; i < Math.min(zones, await seen.count()); i++) await seen.nth(i).tap({ force: true });
}

describe('a day as it is worked', function () {
  this.timeout(240_000);
  let stage: Stage;
  /** The desk, and the tablet at the table: two pages of the same device. */
  let page: Page;
  let table: Page;
  /** Taps and what is typed, each one act. */
  let acts = 0;
  const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button', on = page): Promise<void> => {
    acts++;
    await on.getByRole('main').getByRole(role, { name }).first().tap();
  };
  const typed = async (label: string, text: string, on = page): Promise<void> => {
    acts++;
    await on.getByLabel(label, { exact: true }).first().fill(text);
  };
  const ask = async (text: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Find anything' }).fill(text);
    await page.locator('[role="option"]').first().waitFor();
    await page.keyboard.press('Enter');
    acts += 2;
  };
  const standing = () => stage.stores.bookings.between('2000', '9999');
  /** A client who rings for the first time: name and number, and what the dog is. */
  const newClient = async (dog: string, owner: string, phone: string): Promise<void> => {
    await page.goto('/desk/calendar/new');
    await tap('New client');
    await typed('Dog’s name', dog);
    await typed('Breed or mix', 'Samoyed');
    await typed('Owner', owner);
    await typed('Phone', phone);
    await tap('Add and choose a time');
    await page.getByLabel('Day', { exact: true }).waitFor();
  };
  const book = async (dog: string, time: string, on?: string): Promise<void> => {
    if (on !== undefined) await typed('Day', on);
    await typed('Another time', time);
    await tap(new RegExp(`^Book .*${time}`));
    await page.getByText(new RegExp(`^Booked: ${dog}, `)).waitFor();
  };
  const of = (dogName: string) => standing().filter((b) => b.dogName === dogName);
  const dogOf = (name: string) => stage.stores.dogs.all().find((d) => d.name === name) ?? expect.fail(`no ${name}`);
  let tomorrow = '';
  let link = '';
  let phone: Page;
  before(async () => {
    stage = await openStage({ empty: true });
    page = await stage.page({ signedOut: true, hasTouch: true, timezoneId: TOWN.timezoneId });
  });
  after(() => stage.close());

  it('begins with an empty salon', async () => {
    await page.goto('/');
    await typed('Your name', 'Ylva');
    await typed('Name to sign in with', 'ylva');
    await typed('Passphrase', 'four dry oat biscuits');
    await page.getByRole('button', { name: 'Make the owner’s key' }).tap();
    await page.getByRole('heading', { name: 'Where is the salon?' }).waitFor();
    await typed('Name of the salon', 'The Shed');
    await typed('Town', TOWN.find);
    await page.getByRole('button', { name: TOWN.name }).first().tap();
    await page.getByRole('button', { name: 'Open the salon' }).tap();
    await page.getByRole('heading', { name: 'First steps' }).waitFor();
    await page.getByRole('button', { name: 'These are the hours' }).tap();
    await page.getByRole('button', { name: 'Add', exact: true }).tap();
    await page.getByRole('button', { name: 'That is everybody' }).tap();
    await page.getByRole('button', { name: /^Hang these \d+ up/ }).tap();
    await page.getByText(/^\d+ pieces\.$/).waitFor();
    // So that the day holds on whatever day this is run: open on all of them, with a second pair of hands.
    const { stores } = stage;
    const salon = stores.salon.find() ?? expect.fail('no salon');
    const house = { ...salon.house, openWeekdays: EVERY_DAY, tables: 3, hours: { openMinute: 0, closeMinute: 1440 } };
    stores.salon.update({ ...salon, house });
    const [ylva] = stores.roster.people();
    if (!ylva) expect.fail('nobody works here');
    const always = { ...ylva, weekdays: EVERY_DAY, from: 0, to: 1440, pause: { minutes: 0, from: 0, to: 0 } };
    stores.roster.update(always);
    stores.roster.insert({ ...always, id: 'second', name: 'Bertil', version: 0 });
    await page.reload();
    const dogs = await page.request.get('/api/dogs', { headers: { 'x-woolly-tide': 'hand' } });
    const on = day(Number((await dogs.json()).today));
    tomorrow = formatDay(day(on + 1));
    table = await page.context().newPage();
    await table.setViewportSize(TABLET);
  });

  it('comes from the first dog to its plan in twelve acts', async () => {
    await page.goto('/desk/start');
    acts = 0;
    await tap('Write one down', 'link');
    await typed('Name', 'Tansy');
    await typed('Breed or mix', 'Samoyed');
    await tap('Take what is usual');
    await typed('Owner', 'Ada Vik');
    await tap(/^(Save|Add)/);
    await page.getByRole('heading', { level: 1, name: 'Tansy' }).waitFor();
    await tap(/check/i, 'link');
    await feel(page);
    acts += 2;
    await tap('Save and plan');
    await page.locator('.wt-plan-step-name-button').first().waitFor();
    expect(acts).to.be.at.most(12);
  });

  it('agrees a time with somebody who calls, in three acts', async () => {
    acts = 0;
    await ask('book tansy tomorrow 9:00');
    await page.getByRole('heading', { name: /Tansy/ }).waitFor();
    await tap(/^Book .*09:00/);
    await page.getByText(/^Booked: Tansy, /).waitFor();
    expect(acts).to.be.at.most(3);
    const [made] = of('Tansy');
    expect(made).to.include({ agreed: true, service: 'coat' });
    expect(made?.startsAt.startsWith(tomorrow)).to.equal(true);
  });

  it('takes in two clients by name and number, with a length that is said to be a guess', async () => {
    await newClient('Quill', 'Siv Lund', '040 555 0101');
    await page.getByText('what such dogs usually take; nobody has felt this coat yet').waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await book('Quill', '11:00', tomorrow);
    expect(dogOf('Quill')).to.deep.include({ breed: 'Samoyed', owner: { name: 'Siv Lund', phone: '040 555 0101' } });
    await newClient('Burr', 'Ole Dahl', '040 555 0102');
    await page.getByLabel('What for').selectOption({ label: 'Nails' });
    await book('Burr', '13:00', tomorrow);
    expect(of('Burr')[0]?.service).to.equal('nails');
  });

  it('moves a visit to another time, and calls it off with a reason that can be taken back', async () => {
    await page.goto(`/desk/calendar/visits/${of('Burr')[0]?.id ?? ''}`);
    expect(await axeFaults(page)).to.deep.equal([]);
    await typed('Another time', '15:30');
    await tap(/^Move to .*15:30/);
    await page.getByText(/^Moved to .*15:30/).waitFor();
    await page.getByRole('radio', { name: 'did not come' }).check();
    await tap('Cancel Burr’s visit');
    await page.getByText(/is free again: did not come/).waitFor();
    expect(of('Burr')).to.deep.equal([]);
    await tap('Undo');
    await page.getByRole('heading', { name: 'Move it' }).waitFor();
    expect(of('Burr')).to.have.length(1);
  });

  it('fills a gap from those who gain most by coming sooner, in one call', async () => {
    await newClient('Wren', 'Liv Moe', '040 555 0103');
    await book('Wren', '10:00', formatDay(day((parseDay(tomorrow) ?? 0) + 27)));
    // It was shown at the door: its coat is packed, and its date far off.
    await table.goto(`/table/dogs/${dogOf('Wren').id}/check`);
    await feel(table, /^no skin/, 12);
    await table.getByRole('button', { name: /^Save/ }).tap();
    await table.getByRole('heading', { name: 'Wren: how to work today' }).waitFor();
    await page.goto(`/desk/calendar/visits/${of('Burr')[0]?.id ?? ''}`);
    await page.getByRole('radio', { name: 'the owner cancels' }).check();
    await tap('Cancel Burr’s visit');
    const wren = page.locator('[aria-labelledby="gap"] li').filter({ hasText: 'Wren' });
    await wren.getByRole('link', { name: /040 555 0103/ }).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await wren.getByRole('button', { name: 'Yes: 15:30' }).tap();
    await page.getByText(/^Booked: Wren, .*15:30/).waitFor();
    expect(of('Wren').map((b) => b.startsAt.slice(0, 10))).to.deep.equal([tomorrow]);
  });

  it('comes from somebody who walks in to a plan in six acts, what is typed and felt aside', async () => {
    acts = 0;
    await table.goto('/table');
    await tap('Somebody walks in', 'link', table);
    await tap('New client', 'button', table);
    for (const [label, text] of [
      ['Dog’s name', 'Rill'],
      ['Breed or mix', 'Samoyed'],
      ['Owner', 'Ove Berg'],
      ['Phone', '040 555 0104'],
    ] as const)
      await table.getByLabel(label, { exact: true }).fill(text);
    await tap('Add and choose a time', 'button', table);
    await tap('It is here now: check the coat', 'link', table);
    await feel(table);
    await tap(/^Save/, 'button', table);
    await table.getByRole('heading', { name: 'Rill: how to work today' }).waitFor();
    const ways = table.getByRole('button', { name: /^Begin/ });
    await ways.first().waitFor();
    expect(acts).to.be.at.most(6);
    expect(await ways.count()).to.be.within(1, 3);
    expect(await axeFaults(table)).to.deep.equal([]);
    await ways.first().tap();
    await table.waitForURL(/\/table\/sessions\//);
  });

  it('takes hair by hand, where there is no scale', async () => {
    await begin(table, 'Ylva');
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
  });

  it('comes from the end of a session to the next date and what was paid in six acts', async () => {
    await goOn(table, async (p) => (await atEnd(p)) || (await p.getByText(/^Feel again/).count()) > 0);
    acts = 0;
    if (!(await atEnd(table))) await tap('Enough felt', 'button', table);
    await tap('Finish the session', 'button', table);
    await table.getByRole('heading', { name: 'Before Rill goes home' }).waitFor();
    await tap(/^Book /, 'button', table);
    await table.getByText(/^Next: /).waitFor();
    await tap('Paid by card', 'button', table);
    await table.getByText(/^Paid .* by card/).waitFor();
    expect(acts).to.be.at.most(6);
    expect(await axeFaults(table)).to.deep.equal([]);
    expect(await smallTargets(table)).to.deep.equal([]);
    expect(of('Rill')).to.have.length(1);
  });

  it('holds two dates for an owner, who finds something, takes one of them on the page, and reads the answer', async () => {
    const burr = dogOf('Burr');
    await page.goto(`/desk/dogs/${burr.id}/home`);
    await tap('Make a link for Burr');
    link = await page.locator('.wt-home-plan-address code').innerText();
    await page.goto(`/desk/calendar/new?dog=${burr.id}`);
    await typed('Day', formatDay(day((parseDay(tomorrow) ?? 0) + 6)));
    for (const time of ['09:00', '14:00']) {
      await typed('Another time', time);
      await tap('Add this time to the offer');
    }
    await tap('Hold and offer by link');
    await page.getByText(/^Held for Burr until .*09:00 or .*14:00/).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);

    phone = await stage.page({ ...PHONE, timezoneId: TOWN.timezoneId });
    await phone.goto(link);
    await phone.getByRole('heading', { name: 'Which date suits Burr?' }).waitFor();
    expect(await axeFaults(phone)).to.deep.equal([]);
    await phone.getByRole('button', { name: /14:00$/ }).tap();
    await phone.getByText(/^Booked: .*14:00\.$/).waitFor();
    expect(of('Burr').map((b) => [b.agreed, b.service])).to.deep.equal([[true, 'coat']]);
    expect(stage.stores.offers.held('2000')).to.deep.equal([]);

    await phone.getByRole('button', { name: 'I found something' }).tap();
    await phone.getByLabel('A knot').check();
    await phone.getByRole('button', { name: 'Tell them' }).tap();
    await page.goto('/desk/today');
    const found = page.locator('[aria-labelledby="findings"]');
    await found.getByText(/a knot/).waitFor();
    await found
      .getByRole('button', { name: /Answer/ })
      .first()
      .tap();
    await found.locator('.wt-acts button').first().tap();
    await found.getByRole('button', { name: 'Send the answer' }).tap();
    await found.waitFor({ state: 'detached' });
    const said = stage.stores.home.reportsOf(burr.id)[0]?.answer ?? '';
    expect(said).to.not.equal('');
    await phone.reload();
    await phone.getByText(said).first().waitFor();
    await phone.context().close();
  });

  it('tells who is kept waiting when a dog takes forty minutes longer, in three acts', async () => {
    const now = new Date(Date.now() + 60_000).toISOString().slice(0, 16);
    await newClient('Fern', 'Tor Vang', '040 555 0105');
    const fern = dogOf('Fern');
    stage.stores.bookings.insert({ id: 'fern', dogId: fern.id, startsAt: `${now}:00Z`, minutes: 60, note: '' });
    await page.goto('/desk/today');
    await page
      .getByRole('button', { name: /^Begin / })
      .first()
      .tap();
    await page.getByRole('button', { name: '40 min longer' }).waitFor();
    acts = 0;
    await tap('40 min longer');
    const told = page.locator('[aria-labelledby="dogs"] [role="status"]').filter({ hasText: /Fern is ready/ });
    await told.getByRole('link', { name: /040 555 0105/ }).waitFor();
    acts++;
    expect(acts).to.be.at.most(3);
  });

  it('answers for somebody who is ill tomorrow, with three agreed visits, in five acts, and moves nobody unasked', async () => {
    // The other one is away already: whoever is left is the only one.
    const on = parseDay(tomorrow) ?? day(0);
    stage.stores.roster.addAway({ id: 'off', person: 'second', from: on, to: on, reason: '' });
    const there = () => standing().filter((b) => b.startsAt.startsWith(tomorrow));
    expect(there().map((b) => [b.dogName, b.agreed])).to.deep.equal([
      ['Tansy', true],
      ['Quill', true],
      ['Wren', true],
    ]);
    const before = there().map((b) => [b.id, b.startsAt]);
    acts = 0;
    await page.goto('/desk/calendar/ill?in=1');
    acts++;
    await tap('Ylva');
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

  it('shows in the evening what came in, as it was written down', async () => {
    const paid = stage.stores.sessions
      .linesSince(0, 1)
      .flatMap(({ id }) => stage.stores.sessions.events(id))
      .flatMap(({ act }) => (act.kind === 'paid' ? [act.cents] : []));
    expect(paid).to.have.length(1);
    expect(paid[0]).to.be.greaterThan(0);
    acts = 0;
    await ask('what did we take this month');
    await page.getByRole('heading', { name: /^Taken in / }).waitFor();
    expect(acts).to.be.at.most(3);
    const sums = page.locator('[aria-labelledby="takings"]');
    await sums.getByText('As it was written down at the table.').waitFor();
    expect(await sums.locator('.wt-lead').innerText()).to.match(
      new RegExp(`${((paid[0] ?? 0) / 100).toFixed(2).replace(/\.00$/, '(\\.00)?')}.* from one visit`),
    );
  });

  it('answers what people ask, from the finder, in three acts', async () => {
    for (const [text, at, says] of [
      ['when will tansy blow', /\/desk\/dogs\/[0-9a-f]+\/tide/, /tide$/],
      ['why this tool', /\/desk\/reports\/plans/, /^Plans for all dogs/],
      ['what if no dryer', /\/desk\/reports\/plans\?with=no-dryer/, /^Plans for all dogs/],
      ['what did we take in May', /\/desk\/reports\?view=takings&month=\d{4}-05/, /^Reports/],
      ['which brush should tansy’s owner buy', /\/desk\/dogs\/[0-9a-f]+#brushes/, /^Tansy/],
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
