/**
 * One dog, one answer: what the list of dogs says of each is what its own page, its next date, its owner's page, the tide
 * and the book of every device, and the command line say; in random salons with checks, imports and bookings.
 */
import { expect } from 'chai';
import type { BookingRecord, NextPage } from '../../contract/booking.ts';
import type { DogListItem, DogPage } from '../../contract/dog.ts';
import type { HoldsPage } from '../../contract/hold.ts';
import type { OwnerDog } from '../../contract/home.ts';
import type { SheetPage } from '../../contract/roster.ts';
import type { TideFile, TideLearntAnswer } from '../../contract/tide.ts';
import { bookReport } from '../../cli/book.ts';
import { tideReport } from '../../cli/tide.ts';
import { callList, outlooks, visitOn, withNewer, type Outlook } from '../../core/tide/index.ts';
import { placesHeld } from '../../core/check/index.ts';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import { salonDay } from '../../server/salon-time.ts';
import { fillRandom } from '../random-salon.ts';
import { samples } from '../samples.ts';
import { NOW, openRoom, type Room } from './room.ts';

/** A fact as a room says it: whose, which, and the value in one form. */
type Said = Readonly<Record<string, unknown>>;
const said = (o: Outlook | null | undefined): Said =>
  o
    ? {
        due: o.due?.day,
        visit: o.visit,
        minutes: o.minutes.likely,
        price: o.priceCents,
        grams: Math.round(o.grams.likely),
        booked: o.booked?.day,
        bookedMinutes: o.booked?.minutes,
        hold: JSON.stringify(placesHeld(o.holds)),
      }
    : {};

/** The same of a row of the list; the offered day it does not say. */
const listed = ({ outlook: o, booked }: DogListItem): Said =>
  o
    ? {
        due: o.due ?? undefined,
        visit: o.visit,
        minutes: o.minutes,
        price: o.priceCents,
        grams: o.grams,
        booked: booked ?? undefined,
        bookedMinutes: o.bookedMinutes ?? undefined,
        hold: JSON.stringify(o.holds),
      }
    : {};

/** All values of one room held against those of the list. */
function agrees(room: string, dog: string, list: Said, here: Said): void {
  for (const [fact, value] of Object.entries(here)) expect(value, `${dog}, ${fact}: ${room}`).to.deep.equal(list[fact]);
}

async function walk(room: Room, salon: string): Promise<number> {
  const get = async <T>(path: string): Promise<T> => (await room.call('GET', path)).json;
  await get('/tide/learnt');
  await room.tide.settled();
  await room.tide.onesSettled();
  const { dogs } = await get<{ dogs: readonly DogListItem[] }>('/dogs');
  const file = await get<TideFile>('/tide');
  const { known, newer } = await get<TideLearntAnswer>('/tide/learnt');
  if (!known) throw new Error('nothing was learnt');
  const learnt = withNewer(known.learnt, newer);
  const onDevice = outlooks(file, learnt);
  const calls = new Map(callList(file, learnt).map((c) => [c.dog.id, c]));
  const report = new Map(tideReport(file, day(file.today)).dogs.map((d) => [d.id, d]));
  const plan: {
    dogs: readonly { id: string; visits: readonly { day: string; minutes: number; agreed: boolean }[] }[];
  } = JSON.parse(JSON.stringify(bookReport(file, day(file.today))));
  const holds = await get<HoldsPage>('/holds');
  const { bookings } = await get<{ bookings: readonly BookingRecord[] }>('/bookings');
  for (const dog of dogs) {
    const { id, outlook, booked, need } = dog;
    const name = `${salon}, ${dog.name}`;
    const list = listed(dog);
    expect(outlook, name).to.not.equal(null);
    agrees('its page', name, list, said((await get<DogPage>(`/dogs/${id}`)).outlook));
    agrees('a device', name, list, said(onDevice.get(id)));
    const next = await get<NextPage | { error: unknown }>(`/dogs/${id}/next`);
    if (outlook && outlook.due !== null)
      agrees('next date', name, list, 'outlook' in next ? said(next.outlook) : { due: 'nothing' });
    else expect(next, name).to.have.property('error');
    const home = (await get<{ dog: OwnerDog }>(`/dogs/${id}/home`)).dog;
    const owner = home.outlook;
    agrees('the owner’s holds', name, list, { hold: JSON.stringify(placesHeld(home.holds)) });
    const held = holds.dogs.find((d) => d.dogId === id)?.holds ?? [];
    agrees('the list for the vet', name, list, { hold: JSON.stringify(placesHeld(held)) });
    agrees('the owner’s page', name, list, {
      due: owner?.due?.day,
      minutes: owner?.minutes.likely,
      grams: owner && Math.round(owner.grams.likely),
      booked: owner?.booked?.day,
    });
    const printed = report.get(id);
    agrees('wt tide', name, list, {
      due: printed && 'due' in printed && printed.due ? parseDay(printed.due['50 %']) : undefined,
      minutes: printed && 'minutes' in printed ? printed.minutes?.['50 %'] : undefined,
      price: printed && 'priceCents' in printed ? printed.priceCents : undefined,
    });
    const first = bookings.find((b) => b.dogId === id);
    agrees('the bookings', name, list, {
      booked: first && salonDay(Date.parse(first.startsAt), 'Europe/Mariehamn'),
      bookedMinutes: first?.minutes,
    });
    const inBook = plan.dogs.find((d) => d.id === id)?.visits.find((v) => v.agreed);
    if (booked !== null && booked > file.today)
      agrees('wt book', name, list, { booked: inBook && parseDay(inBook.day), minutes: inBook?.minutes });
    const proposed = plan.dogs.find((d) => d.id === id)?.visits[0];
    const [facts, tide] = [file.dogs.find((d) => d.id === id), learnt.dogs.find((t) => t.id === id)];
    if (proposed && booked === null && facts && tide) {
      const ahead = visitOn(facts, tide, learnt.from, parseDay(proposed.day) ?? day(0));
      expect(proposed.minutes, `${name}, the first proposal`).to.equal(ahead.minutes.likely);
    }
    const call = calls.get(id);
    if (call) agrees('the call list', name, list, said(call.outlook));
    if (need.reason.code === 'vet-first') expect(call, `${name} waits for a vet and is not called`).to.equal(undefined);
    if (booked !== null) {
      const sheet = await get<SheetPage>(`/sheet?day=${formatDay(day(booked))}`);
      const visit = sheet.visits.find((v) => v.dogId === id && v.isNext);
      agrees('the sheet', name, list, { bookedMinutes: visit?.minutes });
    }
  }
  return dogs.length;
}

describe('one dog, one answer', () => {
  const SALONS = samples(3, 200);
  it(`holds over HTTP, on devices and in the command line, in ${SALONS} random salons`, async function () {
    this.timeout(20_000 * SALONS);
    let dogs = 0;
    for (let seed = 1; seed <= SALONS; seed++) {
      const room = await openRoom({ demo: false, learns: true });
      fillRandom(room.stores, NOW, salonDay(NOW, 'Europe/Mariehamn'), seed, 5);
      room.setClock(NOW);
      dogs += await walk(room, `salon ${seed}`);
      expect(room.errors).to.deep.equal([]);
      await room.close();
    }
    expect(dogs).to.be.at.least(SALONS * 4);
  });
});
