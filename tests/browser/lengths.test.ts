/**
 * A booking whose coat has outgrown it, on the screen: said once, on the dog's page and in the book, put right in one tap; the
 * days ahead, the sheet and what its owner is told follow.
 */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import type { BookingRecord, NextPage } from '../../contract/booking.ts';
import { minutesText } from '../../web/words/figures.ts';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

const DOG = 'demo-bollard';
const NAME = 'Bollard';

describe('a booking that its coat has outgrown, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  let desk: Page;
  let home = '';
  const ask = async (method: string, path: string, body?: object): Promise<ReturnType<typeof JSON.parse>> => {
    const response = await fetch(`${stage.base}/api${path}`, {
      method,
      headers: stage.headers,
      ...(body && { body: JSON.stringify(body) }),
    });
    return response.json();
  };
  before(async () => {
    stage = await openStage();
    for (const b of stage.stores.bookings.ofDogFrom(DOG, '2000')) stage.stores.bookings.cancel(b.id, b.version);
    await untilTideIsLearnt(stage);
    home = (await ask('POST', '/home-links', { dogIds: [DOG] })).token;
    desk = await stage.page();
  });
  after(() => stage.close());

  /** Booked by somebody who was told of half the work. */
  async function bookedShort(id: string): Promise<{ booking: BookingRecord; likely: number; length: number }> {
    const next: NextPage = await ask('GET', `/dogs/${DOG}/next`);
    const draft = { id, dogId: DOG, startsAt: next.slots[0], minutes: 30, note: '' };
    const booking: BookingRecord = await ask('POST', '/bookings', draft);
    const told = booking.told ?? NaN;
    stage.stores.bookings.update(id, booking, told / 2);
    return { booking, likely: told, length: next.minutes };
  }
  const owners = async (): Promise<number> => {
    const response = await fetch(`${stage.base}/api/owner`, { headers: { 'x-home-link': home } });
    return (await response.json()).dogs[0].visits[0].minutes;
  };
  /** What the days ahead and the sheet of its day say of its length. */
  async function isSaid({ startsAt }: BookingRecord, words: string): Promise<void> {
    await desk.goto('/desk/calendar/list');
    const ahead = desk.locator('.wt-coming-coming li').filter({ hasText: NAME });
    await ahead.filter({ hasText: words }).waitFor();
    await desk.goto(`/desk/calendar/day?day=${startsAt.slice(0, 10)}`);
    await desk.locator('.wt-dogs-of-day li').filter({ hasText: NAME }).filter({ hasText: words }).waitFor();
  }
  const note = () => desk.getByRole('status').filter({ hasText: `${NAME} is booked for` });

  it('is said once and lengthened in one tap; days, sheet and owner follow', async () => {
    const { booking, likely, length } = await bookedShort('short-1');
    await isSaid(booking, `30 min, likely ${minutesText(likely)}`);
    expect(await owners(), 'the owner is told what is booked').to.equal(30);
    await desk.goto(`/desk/dogs/${DOG}`);
    await note().waitFor();
    expect(await note().innerText()).to.contain(`likely take ${minutesText(likely)}`);
    expect(await note().count()).to.equal(1);
    await note()
      .getByRole('button', { name: `Lengthen to ${minutesText(length)}` })
      .press('Enter');
    await note().waitFor({ state: 'detached' });
    await isSaid(booking, minutesText(length));
    expect(await desk.getByText('likely').count(), 'nothing more is said').to.equal(0);
    expect(await owners()).to.equal(length);
    const stands = stage.stores.bookings.find('short-1');
    stage.stores.bookings.cancel('short-1', stands?.version ?? 0);
  });

  it('is split over two days in one tap', async () => {
    const { booking } = await bookedShort('short-2');
    await desk.goto(`/desk/dogs/${DOG}`);
    await note().getByRole('button', { name: 'Split over two days' }).click();
    await note().waitFor({ state: 'detached' });
    const both = stage.stores.bookings.ofDogFrom(DOG, '2000');
    expect(both.map((b) => b.startsAt.slice(0, 10))).to.have.lengthOf(2);
    expect(both[0]?.startsAt).to.equal(booking.startsAt);
    expect(both[1]?.startsAt.slice(0, 10)).to.not.equal(booking.startsAt.slice(0, 10));
    await desk.goto('/desk/calendar/list');
    await desk.locator('.wt-coming-coming li').filter({ hasText: NAME }).nth(1).waitFor();
    expect(await desk.locator('.wt-coming-coming li').filter({ hasText: NAME }).getByText('likely').count()).to.equal(
      0,
    );
  });
});
