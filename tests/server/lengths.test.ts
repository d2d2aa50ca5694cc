/** A booking's length means something: it is the forecast's, in the house's steps, and where the coat moves it is said once. */
import { expect } from 'chai';
import type { BookingRecord, BookingsPage, NextPage } from '../../contract/booking.ts';
import type { DogPage } from '../../contract/dog.ts';
import type { SheetPage } from '../../contract/roster.ts';
import { openLearnt, type Room } from './room.ts';

const DOG = 'demo-bollard';

describe('the length of a booking', () => {
  let room: Room;
  beforeEach(async () => {
    room = await openLearnt(DOG);
  });
  afterEach(() => room.close());
  const get = async <T>(path: string): Promise<T> => (await room.call('GET', path)).json;
  const page = () => get<DogPage>(`/dogs/${DOG}`);
  const book = async (minutes: number): Promise<BookingRecord> => {
    const { slots } = await get<NextPage>(`/dogs/${DOG}/next`);
    const draft = { id: 'long', dogId: DOG, startsAt: slots[0], minutes, note: '' };
    return (await room.call('POST', '/bookings', draft)).json;
  };
  /** Booked by somebody who was told of much less work. */
  const bookedShort = async (): Promise<BookingRecord> => {
    const booking = await book(30);
    const { told } = booking;
    if (told === null) throw new Error('nothing was told');
    room.stores.bookings.update(booking.id, booking, told / 2);
    const there = room.stores.bookings.find(booking.id);
    if (!there) throw new Error('no booking');
    return there;
  };

  it('is offered in the house’s steps and no shorter than its shortest, and keeps what was told', async () => {
    const { salon } = await get<{ salon: { house: object; version: number } }>('/salon');
    const next = await get<NextPage>(`/dogs/${DOG}/next`);
    expect(next.minutes % 15).to.equal(0);
    expect(next.minutes).to.be.at.least(next.outlook.minutes.likely);
    const { version, ...rest } = salon;
    await room.call('PUT', '/salon', {
      ...rest,
      house: { ...salon.house, visits: { step: 60, shortest: 240 } },
      version,
    });
    await room.call('GET', '/tide/learnt');
    await room.tide.settled();
    const longer = await get<NextPage>(`/dogs/${DOG}/next`);
    expect(longer.minutes).to.equal(240);
    expect(longer.outlook.minutes.likely, 'no visit is shorter').to.be.at.least(240);
    const booking = await book(240);
    expect(booking.told).to.equal((await page()).outlook?.minutes.likely);
    expect((await page()).outlook?.moved).to.equal(undefined);
  });

  it('that fits its coat no more is said in every room, and no more once it is put right', async () => {
    const booking = await bookedShort();
    const { outlook } = await page();
    expect(outlook?.moved).to.include({ likely: outlook?.minutes.likely, length: outlook?.length });
    expect((await get<BookingsPage>('/bookings')).likely).to.include({ [booking.id]: outlook?.minutes.likely });
    const sheet = await get<SheetPage>(`/sheet?day=${booking.startsAt.slice(0, 10)}`);
    expect(sheet.visits.find((v) => v.id === booking.id)?.likely).to.equal(outlook?.minutes.likely);
    const { id, version, startsAt, note } = booking;
    const { status } = await room.call('PUT', `/bookings/${id}`, { version, startsAt, note, minutes: outlook?.length });
    expect(status).to.equal(200);
    expect((await page()).outlook?.moved).to.equal(undefined);
    expect((await page()).outlook?.booked?.minutes).to.equal(outlook?.length);
    expect((await get<BookingsPage>('/bookings')).likely).to.not.have.property(id);
  });

  it('may be left as it is: that was seen, and is not said again', async () => {
    const booking = await bookedShort();
    const left = await room.call('POST', `/bookings/${booking.id}/leave`, { version: booking.version });
    expect(left.json).to.include({ minutes: booking.minutes, told: (await page()).outlook?.minutes.likely });
    expect((await page()).outlook?.moved).to.equal(undefined);
  });

  it('may be split: the other half stands within a week, once, and nothing more is said', async () => {
    const booking = await bookedShort();
    const { outlook } = await page();
    const split = () =>
      room.call('POST', `/bookings/${booking.id}/split`, { version: booking.version, second: 'other' });
    const { status, json } = await split();
    expect(status).to.equal(201);
    expect((await split()).status, 'sent again it is one').to.equal(200);
    const days = (Date.parse(json.startsAt) - Date.parse(booking.startsAt)) / 86_400_000;
    expect(days).to.be.within(0.3, 7.9);
    const half = Math.ceil((outlook?.minutes.likely ?? 0) / 2);
    expect(json.minutes).to.be.within(half, half + 30);
    expect(room.stores.bookings.find(booking.id)?.minutes).to.equal(json.minutes);
    expect((await page()).outlook?.moved).to.equal(undefined);
    expect((await split()).json.id).to.equal('other');
  });
});
