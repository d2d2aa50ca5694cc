/**
 * What waits for a vet, as the salon and the owner see it: found at a check, at the table or at home, it stands on the desk's list,
 * its part is out of card, page, strip and feed, nobody invites the dog; and all is back after the vet has seen it.
 */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { formatDay } from '../../core/quantity/index.ts';
import { salonDay } from '../../server/salon-time.ts';
import { axeFaults } from './axe.ts';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

const DOG = 'demo-bollard';
const NAME = 'Bollard';
/** The part that an owner has the rump in. */
const PART = /loin, hip and rump/i;
const CLEAR = { finger: 1, tug: 0, comb: 'glides', tie: 'none', skin: 'clear' } as const;

describe('what waits for a vet, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  let desk: Page;
  let home = '';
  let feed = '';
  const today = formatDay(salonDay(Date.now(), 'Europe/Helsinki'));
  const send = async (path: string, body: object): Promise<ReturnType<typeof JSON.parse>> => {
    const response = await fetch(`${stage.base}/api${path}`, {
      method: 'POST',
      headers: stage.headers,
      body: JSON.stringify(body),
    });
    const told = await response.json();
    expect(response.status, `${path}: ${JSON.stringify(told.error)}`).to.be.oneOf([200, 201]);
    return told;
  };
  const check = (id: string, skin: string) => ({
    id,
    day: today,
    weightKg: 30,
    guardMm: {},
    zones: { rump: { ...CLEAR, skin }, 'hip.left': CLEAR, 'hip.right': CLEAR, 'ribs.left': CLEAR },
    inspection: {},
    note: '',
  });

  before(async () => {
    stage = await openStage();
    const now = Date.now();
    for (const b of stage.stores.bookings.ofDogFrom(DOG, '2000')) stage.stores.bookings.cancel(b.id, b.version);
    for (const r of stage.stores.home.openReports()) stage.stores.home.closeReport(r.id, now);
    await send(`/dogs/${DOG}/checks`, check('clear-0', 'clear'));
    await untilTideIsLearnt(stage);
    const link = await send('/home-links', { dogIds: [DOG] });
    home = link.token;
    feed = link.feedToken;
    desk = await stage.page();
  });
  after(() => stage.close());

  const owners = async () => {
    const response = await fetch(`${stage.base}/api/owner`, { headers: { 'x-home-link': home } });
    return (await response.json()).dogs[0];
  };
  /** Everywhere that its owner reads: page, week, and the calendar of the week. */
  async function isLeftOut(): Promise<void> {
    const dog = await owners();
    expect(dog.closed).to.deep.equal(['hips']);
    expect(JSON.stringify(dog.week.days)).to.not.contain('"hips"');
    expect(await (await fetch(`${stage.base}/feed/${feed}.ics`)).text()).to.not.match(PART);
    await desk.goto(`/home/${DOG}`);
    const card = desk.locator('.wt-paper-fridge-stop').first();
    await card.waitFor();
    expect(await card.innerText()).to.match(/Do not brush loin, hip and rump/);
  }
  async function isBack(): Promise<void> {
    const dog = await owners();
    expect(dog.closed).to.deep.equal([]);
    expect(JSON.stringify(dog.week.days)).to.contain('"hips"');
    await desk.goto(`/home/${DOG}`);
    await desk.getByRole('heading', { name: NAME }).first().waitFor();
    expect(await desk.locator('.wt-paper-fridge-stop').count()).to.equal(0);
    await desk.goto('/desk/vet');
    await desk.getByRole('heading', { name: 'For the vet' }).waitFor();
    await desk.waitForLoadState('networkidle');
    expect(await desk.getByRole('link', { name: NAME, exact: true }).count()).to.equal(0);
  }
  async function isAskedAfter(words: RegExp): Promise<void> {
    await desk.goto('/desk/tide');
    const call = desk.locator('.wt-call').filter({ hasText: NAME });
    await call.waitFor();
    expect(await call.innerText())
      .to.match(words)
      .and.match(/Ask how it went at the vet/);
    expect(await call.getByRole('button', { name: /^Hold/ }).count(), 'no date is offered').to.equal(0);
  }
  /** The vet's word, by keyboard. */
  async function saysTheVet(): Promise<void> {
    await desk.goto('/desk/vet');
    const held = desk.locator('li.card').filter({ hasText: NAME });
    await held.getByRole('button', { name: 'The vet has seen it' }).press('Enter');
    expect(await axeFaults(desk)).to.deep.equal([]);
    await held.getByLabel('Who says so').fill('The vet in town');
    await held.getByLabel('In their words').fill('It has healed.');
    await held.getByLabel('In their words').press('Enter');
    await held.waitFor({ state: 'detached' });
  }

  it('a lump found at the table is held at once, and all is back after the vet has seen it', async () => {
    await send('/sessions', { id: 'lump', checkId: 'clear-0', method: 'dry-first' });
    const events = [
      { id: 'lump-1', atMs: Date.now() - 2000, act: { kind: 'started' } },
      { id: 'lump-2', atMs: Date.now() - 1000, act: { kind: 'met', zone: 'rump', skin: 'new-lump' } },
    ];
    await send('/sessions/lump/events', { events });
    await isLeftOut();
    await isAskedAfter(/A new lump at rump, found at the table on/);
    await saysTheVet();
    await isBack();
  });

  it('so is a hot spot at the check, and the dog’s own page says it', async () => {
    await send(`/dogs/${DOG}/checks`, check('spot', 'hot-spot'));
    await isLeftOut();
    await isAskedAfter(/A hot spot at rump, found at the coat check of/);
    await desk.goto(`/desk/dogs/${DOG}`);
    await desk.getByRole('heading', { name: 'For the vet' }).waitFor();
    await desk.getByText(/A hot spot at rump/).waitFor();
    await desk.getByText('A vet looks first: ask how it went before a date is offered.').waitFor();
    const phone = await stage.page({ viewport: { width: 390, height: 844 } });
    await phone.goto(`/o#${home}`);
    await phone.getByText('A vet looks first: tell us how it went').waitFor();
    expect(await phone.getByText('Please call us for a time').count(), 'nobody is invited').to.equal(0);
    await phone.context().close();
    await saysTheVet();
    await isBack();
  });

  it('so is what an owner reports from home', async () => {
    const report = { id: 'home-lump', day: today, kind: 'lump', part: 'hips', note: 'pea-sized', author: 'Otso' };
    const response = await fetch(`${stage.base}/api/owner/dogs/${DOG}/reports`, {
      method: 'POST',
      headers: { 'x-home-link': home, 'x-woolly-tide': 'hand', 'Content-Type': 'application/json' },
      body: JSON.stringify(report),
    });
    expect(response.status).to.equal(201);
    await isLeftOut();
    await isAskedAfter(/A lump at .*, seen at home on/);
    await saysTheVet();
    await isBack();
  });
});
