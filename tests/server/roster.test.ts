/** Who works when, what owners wish, the day's sheet, calls, and files in and out, over HTTP. */
import { expect } from 'chai';
import ICAL from 'ical.js';
import { Temporal } from 'temporal-polyfill';
import type { BookingRecord } from '../../contract/booking.ts';
import type { RosterPage, SheetPage } from '../../contract/roster.ts';
import type { TideFile } from '../../contract/tide.ts';
import {
  account,
  ANY_TIME,
  atWork,
  awayAnswers,
  hoursOf,
  lastDayOf,
  lossOf,
  planTide,
  rulesAgainst,
  weeksOf,
  weeksOverIfEarly,
  whoComesSooner,
  WORTH,
  yearOfTide,
  type YearBook,
} from '../../core/book/index.ts';
import { breachesOf, IMPOSSIBLE, planDay, rippled } from '../../core/day/index.ts';
import { addDays, day, ended, formatDay, isoWeekday, parseDay, sum } from '../../core/quantity/index.ts';
import { learnBook, type LearntBook } from '../../core/tide/index.ts';
import { stores } from '../../server/db/index.ts';
import { demoDb } from '../demo.ts';
import { dump, NOW, openRoom, type Room } from './room.ts';

/** The day of the demo for which most is agreed. */
const MONDAY = '2031-06-02';
const FULL = ((): string => {
  const db = demoDb(NOW);
  const days = stores(db)
    .bookings.between('2031-04-10', '2031-06')
    .map((b) => b.startsAt.slice(0, 10));
  db.close();
  const many = (on: string): number => days.filter((d) => d === on).length;
  return days.reduce((full, d) => (many(d) > many(full) ? d : full), '');
})();
const SANNA = {
  id: 'sanna',
  name: 'Sanna',
  weekdays: [4],
  from: 480,
  to: 960,
  pause: { minutes: 30, from: 660, to: 780 },
  can: ['check', 'bath', 'drying'],
  mostHeavy: 1,
  protectDb: 0,
  version: 0,
};
const sheet = async (room: Room, on = FULL): Promise<SheetPage> => (await room.call('GET', `/sheet?day=${on}`)).json;
const tide = async (room: Room): Promise<TideFile> => (await room.call('GET', '/tide')).json;

/** What the tide rests on takes long to compute the first time: one room for all that ask for it. */
let shared: Room;
before(async () => {
  shared = await openRoom();
});
after(() => shared.close());

describe('the roster', () => {
  it('keeps people, days away and pairs apart, refuses what it cannot keep, and the year’s hours follow', async () => {
    const room = shared;
    const before = hoursOf(await tide(room), day(parseDay('2031-04-09') ?? 0));
    expect((await room.call('PUT', '/roster/people/sanna', SANNA)).status).to.equal(200);
    const again = await room.call('PUT', '/roster/people/sanna', SANNA);
    expect(again.status).to.equal(409);
    expect(again.json.error.stored.name).to.equal('Sanna');
    const wrote = dump(room.db);
    for (const [path, body, field] of [
      ['/roster/people/sanna', { ...SANNA, version: 1, to: 480 }, 'to'],
      ['/roster/people/other', SANNA, 'id'],
    ] as const) {
      const answer = await room.call('PUT', path, body);
      expect([answer.status, answer.json.error.field]).to.deep.equal([400, field]);
    }
    const away = { id: 'a1', person: 'sanna', from: '2031-05-10', to: '2031-05-09', reason: '' };
    expect((await room.call('POST', '/roster/away', away)).status).to.equal(400);
    expect((await room.call('POST', '/roster/away', { ...away, to: '2031-05-20', person: 'nobody' })).status).to.equal(
      404,
    );
    expect((await room.call('POST', '/roster/apart', { a: 'demo-kelda', b: 'demo-kelda' })).status).to.equal(400);
    expect(dump(room.db)).to.equal(wrote);
    const { json: page }: { json: RosterPage } = await room.call('POST', '/roster/away', { ...away, to: '2031-05-20' });
    expect(page.away.map((a) => a.id)).to.include('a1');
    const file = await tide(room);
    const on = addDays(day(parseDay('2031-05-08') ?? 0), 7);
    expect(atWork(file.roster ?? { people: [], away: [] }, file.openWeekdays, on).map((p) => p.name)).to.not.include(
      'Sanna',
    );
    // The salon's shed hours are shared over the days by who is there: more on Sanna's day than on others, nothing when it is closed.
    const hours = hoursOf(file, day(parseDay('2031-04-09') ?? 0));
    expect(hours.minutes[1]).to.be.greaterThan(hours.minutes[2] ?? 0);
    expect(before.minutes[1]).to.equal(before.minutes[2]);
    const closed = file.roster?.away.find((a) => a.person === null);
    expect(hours.minutes[(closed?.from ?? 0) - (parseDay('2031-04-09') ?? 0)]).to.equal(0);
    expect((await room.call('DELETE', '/roster/away/a1')).json.away.map((a: { id: string }) => a.id)).to.not.include(
      'a1',
    );
    expect((await room.call('DELETE', '/roster/people/sanna')).status).to.equal(200);
    expect((await room.call('DELETE', '/roster/people/sanna')).status).to.equal(404);
    expect(room.errors).to.deep.equal([]);
  });

  it('keeps what an owner wishes, and the year is planned by it: days, purse, household, what a dog bears', async () => {
    const room = shared;
    const wish = { ...ANY_TIME, weekdays: [2], mostVisits: 3, household: 'harbour', version: 0 };
    for (const dog of ['demo-anchor', 'demo-dorey'])
      expect((await room.call('PUT', `/dogs/${dog}/wish`, wish)).json.version).to.equal(1);
    expect((await room.call('PUT', '/dogs/demo-anchor/wish', wish)).status).to.equal(409);
    expect((await room.call('PUT', '/dogs/nobody/wish', wish)).status).to.equal(404);
    expect(
      (await room.call('PUT', '/dogs/demo-anchor/wish', { ...wish, version: 1, person: 'ghost' })).status,
    ).to.equal(404);
    room.db.exec("UPDATE dog SET standing_minutes = 45 WHERE id = 'demo-kelda'");
    const file = await tide(room);
    const learnt = ended(learnBook(file));
    const { dogs, members, hours } = yearOfTide(file, learnt);
    const at = members.findIndex((m) => m.includes('demo-anchor'));
    expect(members[at]).to.have.members(['demo-anchor', 'demo-dorey']);
    expect(dogs[at]?.coats).to.have.lengthOf(2);
    expect(dogs[at]?.mostVisits).to.equal(3);
    // 2031-04-09 is a Wednesday: Tuesdays are the days 6, 13 and so on, where the salon is open.
    expect(dogs[at]?.days.every((d) => d % 7 === 6 && (hours.minutes[d] ?? 0) > 0)).to.equal(true);
    expect(dogs.find((d) => d.id === 'demo-kelda')?.mostMinutes).to.deep.equal([45]);
  });
});

describe('the sheet over HTTP', () => {
  it('holds the day’s dogs with the stages of their plans, people at work, places, and dogs that must not meet', async () => {
    const room = await openRoom();
    const page = await sheet(room);
    expect(page.visits.length).to.be.at.least(3);
    expect(page.people.map((p) => p.name)).to.deep.equal(['Bertil', 'Runa']);
    expect(page.asked.places.map((p) => p.id)).to.deep.equal(['table-1', 'table-2', 'tub-1', 'dryer-1', 'dryer-2']);
    const laid = planDay(page.asked);
    expect(breachesOf(page.asked, laid).filter((b) => IMPOSSIBLE.includes(b.code))).to.deep.equal([]);
    expect((await room.call('GET', '/sheet?day=tomorrow')).status).to.equal(400);
    const today = (await room.call('GET', '/sheet')).json;
    expect(today.asked.apart).to.have.lengthOf(1);
    // On a day nobody works there are no hands.
    expect((await sheet(room, '2031-04-13')).people).to.deep.equal([]);
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  it('keeps pins and marks; what runs long is as long as the clock says, and nothing else begins before now', async () => {
    const room = await openRoom();
    const [visit] = (await sheet(room)).visits;
    const pin = { bookingId: visit?.id ?? '', stage: 0, person: 'demo-runa', notBefore: 600 };
    const pinned: SheetPage = (await room.call('PUT', '/sheet/pins', { pins: [pin] })).json;
    expect(pinned.asked.pins).to.deep.equal([{ visit: visit?.id, stage: 0, person: 'demo-runa', notBefore: 600 }]);
    expect((await room.call('PUT', '/sheet/pins', { pins: [{ ...pin, person: 'ghost' }] })).status).to.equal(400);
    expect((await room.call('DELETE', `/sheet/pins?day=${FULL}`)).json.asked.pins).to.deep.equal([]);

    // On that day, ten in the morning in Helsinki: the check was begun at nine and was to take ten minutes.
    room.setClock(Date.parse(`${FULL}T07:00:00Z`));
    const mark = {
      bookingId: visit?.id ?? '',
      stage: 0,
      person: 'demo-runa',
      place: 'table-1',
      started: 540,
      ends: 550,
      done: false,
    };
    const marked: SheetPage = (await room.call('POST', '/sheet/marks', mark)).json;
    expect(marked.now).to.equal(600);
    expect(marked.asked.now).to.equal(600);
    expect(marked.asked.begun[0]).to.include({ start: 540, end: 600 });
    const late = rippled(marked.asked, planDay({ ...marked.asked, begun: [], now: 0 }));
    expect(late.laid.filter((l) => l.stage > 0 || l.visit !== visit?.id).every((l) => l.start >= 600)).to.equal(true);
    const done: SheetPage = (await room.call('POST', '/sheet/marks', { ...mark, ends: 580, done: true })).json;
    expect(done.asked.begun[0]).to.include({ start: 540, end: 580 });
    expect(done.done).to.deep.equal([{ visit: visit?.id, stage: 0 }]);
    expect((await room.call('DELETE', `/sheet/marks/${visit?.id}/0`)).json.asked.begun).to.deep.equal([]);
    expect((await room.call('DELETE', `/sheet/marks/${visit?.id}/x`)).status).to.equal(400);
    expect((await room.call('POST', '/sheet/marks', { ...mark, ends: 500 })).status).to.equal(400);
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  it('remembers whom it rang, and a date counts as agreed once the owner said so', async () => {
    const room = shared;
    const call = { id: 'c1', dogId: 'demo-kelda', outcome: 'no-answer', offered: ['2031-04-20'] };
    expect((await room.call('POST', '/calls', call)).status).to.equal(201);
    expect((await room.call('POST', '/calls', call)).json.calls).to.have.lengthOf(1);
    expect((await room.call('POST', '/calls', { ...call, outcome: 'shouted' })).status).to.equal(400);
    expect((await room.call('DELETE', '/calls/c1')).json.calls).to.deep.equal([]);
    const hold = { id: 'h1', dogId: 'demo-kelda', day: '2031-05-21', minutes: 60 };
    const held: BookingRecord = (await room.call('POST', '/bookings/tentative', hold)).json;
    expect(held.agreed).to.equal(false);
    const ofKelda = (await tide(room)).dogs.find((d) => d.id === 'demo-kelda')?.booked ?? [];
    expect(ofKelda.filter((b) => !b.agreed)).to.have.lengthOf(1);
    const agreed: BookingRecord = (await room.call('POST', '/bookings/h1/agree', { version: held.version })).json;
    expect(agreed.agreed).to.equal(true);
    expect((await room.call('POST', '/bookings/h1/agree', { version: held.version })).status).to.equal(409);
    // On a day that is closed nothing is put down, and it says why.
    const closure = (await tide(room)).roster?.away.find((a) => a.person === null);
    const shut = formatDay(closure?.from ?? day(0));
    const refused = await room.call('POST', '/bookings/tentative', { ...hold, id: 'h2', day: shut });
    expect([refused.status, refused.json.error.field]).to.deep.equal([409, 'day']);
    expect(refused.json.error.message).to.match(
      /^Kelda cannot come on .* The salon is closed that day.*Choose another day\.$/,
    );
  });

  it('puts a date down on the very day that was said, or says which fact of people, owner or dogs stands against it', async () => {
    const room = await openRoom();
    const people = room.stores.roster.people();
    const put = async (id: string, more: object = {}) =>
      room.call('POST', '/bookings/tentative', { id, dogId: 'demo-sisu', day: MONDAY, minutes: 60, ...more });
    const wish = async (dogId: string, more: object, version: number) =>
      room.call('PUT', `/dogs/${dogId}/wish`, { ...ANY_TIME, ...more, version });
    const why = async (id: string, more: object = {}): Promise<string> => {
      const before = dump(room.db);
      const { status, json } = await put(id, more);
      expect([status, json.error.field]).to.deep.equal([409, 'day']);
      expect(dump(room.db)).to.equal(before);
      return json.error.message;
    };
    const first = (await put('o-1')).json;
    expect(first.startsAt.slice(0, 10)).to.equal(MONDAY);
    // The owner’s weekdays and hours.
    await wish('demo-grebe', { weekdays: [2] }, 0);
    expect(await why('o-2', { dogId: 'demo-grebe' })).to.include('The owner comes on Tuesday.');
    await wish('demo-grebe', { from: 15 * 60, to: 16 * 60 }, 1);
    const late = (await put('o-3', { dogId: 'demo-grebe' })).json;
    const local = Temporal.Instant.from(late.startsAt).toZonedDateTimeISO('Europe/Mariehamn');
    expect(local.hour).to.be.within(15, 16);
    // Whom the owner wishes for, and what nobody there does.
    const [one] = people;
    if (!one) throw new TypeError('nobody works here');
    await room.call('POST', '/roster/away', { id: 'off', person: one.id, from: MONDAY, to: MONDAY, reason: 'ill' });
    await wish('demo-mist', { person: one.id }, 0);
    expect(await why('o-4', { dogId: 'demo-mist' })).to.include(`${one.name} is not there that day.`);
    room.db.exec(`UPDATE person SET can = '["check"]' WHERE id <> '${one.id}'`);
    expect(await why('o-5', { dogId: 'demo-drift' })).to.match(/Nobody there does this: .*bath/);
    // Dogs that must not meet: another time of the same day, and a refusal where there is none.
    await room.call('DELETE', '/roster/away/off');
    await room.call('POST', '/roster/apart', { a: 'demo-sisu', b: 'demo-drift' });
    const beside = (await put('o-6', { dogId: 'demo-drift' })).json;
    expect(Date.parse(beside.startsAt)).to.be.at.least(Date.parse(first.startsAt) + 60 * 60_000);
    await room.call('POST', '/roster/apart', { a: 'demo-sisu', b: 'demo-saffron' });
    room.stores.bookings.update('o-1', { ...first, minutes: 600 }, 60);
    expect(await why('o-7', { dogId: 'demo-saffron' })).to.include('It would meet Sisu, and they must not.');
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });
});

const event = (lines: readonly string[]): string => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const calendar = (...events: readonly string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//desk//EN', ...events, 'END:VCALENDAR'].join('\r\n');

describe('calendars and tables', () => {
  it('gives each person a feed that a calendar reads: their work on each dog, days away, over the clock change', async () => {
    const room = await openRoom();
    const text = (await room.call('GET', '/roster/people/demo-bertil/calendar.ics')).text;
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
    const page = await sheet(room);
    const laid = planDay(page.asked);
    const mine = laid.laid.filter((l) => l.person === 'demo-bertil');
    for (const visit of new Set(mine.map((l) => l.visit))) {
      const first = Math.min(...mine.filter((l) => l.visit === visit).map((l) => l.start));
      const event = events.find((e) => e.uid.startsWith(visit));
      // Helsinki in April is three hours ahead.
      expect(event?.startDate.toJSDate().toISOString()).to.equal(
        new Date(Date.parse(`${FULL}T00:00:00Z`) + (first - 180) * 60_000).toISOString(),
      );
    }
    // Who works a dog in a fortnight is laid out; later ones may be anybody's.
    const status = (e: ICAL.Event): unknown => e.component.getFirstPropertyValue('status');
    expect(new Set(events.map(status))).to.include.members(['CONFIRMED', 'TENTATIVE']);
    expect(events.filter((e) => e.startDate.isDate).map((e) => e.summary)).to.have.members([
      'Holiday',
      'The floor is laid anew',
    ]);
    expect((await room.call('GET', '/roster/people/nobody/calendar.ics')).status).to.equal(404);
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  it('reads another calendar: dogs as visits, whole days as closures, recurrence, zones and the hour that is not there', async () => {
    const room = await openRoom();
    const ics = calendar(
      event(['UID:one', 'DTSTART:20310520T070000Z', 'DTEND:20310520T083000Z', 'SUMMARY:Kelda: bath']),
      event(['UID:floating', 'DTSTART:20311026T033000', 'DURATION:PT1H', 'SUMMARY:Kelda']),
      event(['UID:spring', 'DTSTART:20320328T033000', 'DURATION:PT1H', 'SUMMARY:Anchor']),
      event(['UID:weekly', 'DTSTART;VALUE=DATE:20310701', 'RRULE:FREQ=WEEKLY;COUNT=3', 'SUMMARY:Market day']),
      event(['UID:long', 'DTSTART;VALUE=DATE:20311224', 'DTEND;VALUE=DATE:20320102', 'SUMMARY:Winter']),
      event(['UID:gone', 'STATUS:CANCELLED', 'DTSTART:20310521T070000Z', 'DTEND:20310521T083000Z', 'SUMMARY:Kelda']),
      event(['UID:who', 'DTSTART:20310522T070000Z', 'DTEND:20310522T083000Z', 'SUMMARY:Dentist']),
    );
    const { json } = await room.call('POST', '/calendar/read', { ics });
    expect(json).to.deep.equal({ booked: 3, moved: 0, closed: 4, left: ['Dentist'] });
    const bookings: readonly BookingRecord[] = (await room.call('GET', '/bookings')).json.bookings;
    const starts = bookings.map((b) => b.startsAt);
    expect(starts).to.include('2031-05-20T07:00:00Z');
    // 26 October 2031 has half past three twice over in Helsinki only from three to four in summer time: the later clock is two hours ahead.
    expect(starts.filter((s) => s.startsWith('2031-10-26'))).to.have.lengthOf(1);
    // 28 March 2032 skips from three to four: half past three is half past four.
    expect(starts).to.include('2032-03-28T01:30:00Z');
    const { away }: RosterPage = (await room.call('GET', '/roster')).json;
    const winter = away.find((a) => a.reason === 'Winter');
    expect(
      [winter?.from, winter?.to].map((d) => new Date(Number(d) * 86_400_000).toISOString().slice(0, 10)),
    ).to.deep.equal(['2031-12-24', '2032-01-01']);
    // Read again it changes nothing; moved in the calendar, it moves here.
    const count = bookings.length;
    expect((await room.call('POST', '/calendar/read', { ics })).json).to.deep.include({ booked: 0, moved: 0 });
    const later = ics.replace('DTSTART:20310520T070000Z', 'DTSTART:20310520T071500Z');
    expect((await room.call('POST', '/calendar/read', { ics: later })).json).to.deep.include({ booked: 0, moved: 1 });
    expect((await room.call('GET', '/bookings')).json.bookings).to.have.lengthOf(count);
    const wrote = dump(room.db);
    expect((await room.call('POST', '/calendar/read', { ics: 'no calendar' })).status).to.equal(400);
    expect(dump(room.db)).to.equal(wrote);
    expect(room.errors).to.deep.equal([]);
    await room.close();
  });

  it('writes bookings as a table and reads its own table back without a change, quotes and all', async () => {
    const room = await openRoom();
    const before: readonly BookingRecord[] = (await room.call('GET', '/bookings')).json.bookings;
    const first = before.find((b) => Date.parse(b.startsAt) > NOW);
    await room.call('PUT', `/bookings/${first?.id}`, {
      ...first,
      id: undefined,
      dogId: undefined,
      dogName: undefined,
      agreed: undefined,
      cancelled: undefined,
      told: undefined,
      service: undefined,
      cancelledWhy: undefined,
      note: 'says "gently", please',
    });
    const csv = (await room.call('GET', '/bookings.csv')).text;
    expect(csv).to.include('"says ""gently"", please"');
    expect((await room.call('POST', '/bookings/read', { csv })).json).to.deep.equal({
      booked: 0,
      moved: 0,
      closed: 0,
      left: [],
    });
    room.db.exec('DELETE FROM booking');
    const { json } = await room.call('POST', '/bookings/read', { csv });
    expect(json.booked).to.equal(before.length);
    const after: readonly BookingRecord[] = (await room.call('GET', '/bookings')).json.bookings;
    const facts = (all: readonly BookingRecord[]) => all.map((b) => [b.dogId, b.startsAt, b.minutes, b.agreed]).sort();
    expect(facts(after)).to.deep.equal(facts(before));
    const odd =
      'date,time,minutes,dog\n2031-05-01,9:30,60,Kelda\nsoon,9:30,60,Kelda\n2031-05-01,9:30,5,Kelda\n2031-05-01,9:30,60,Nobody\n';
    const read = (await room.call('POST', '/bookings/read', { csv: odd })).json;
    expect(read.booked).to.equal(1);
    expect(read.left).to.deep.equal([
      'line 3: no date and time such as 2031-04-09 and 09:30',
      'line 4: minutes must be a whole number from 10 to 600',
      'line 5: no one dog is called "Nobody"',
    ]);
    expect((await room.call('POST', '/bookings/read', { csv: 'a,b\n1,2' })).status).to.equal(400);
    await room.close();
  });
});

describe('somebody is away', () => {
  let file: TideFile;
  let learnt: LearntBook;
  before(async function () {
    this.timeout(120_000);
    file = await tide(shared);
    learnt = ended(learnBook(file));
  });

  it('lists agreed visits of lost days to be asked about, and no other date in the book is touched', () => {
    const year = yearOfTide(file, learnt);
    const plan = ended(planTide(year));
    const booked = file.dogs.flatMap((d) =>
      d.booked.filter((b) => b.day > file.today).map((b) => ({ id: d.id, ...b })),
    );
    const from = day(Math.min(...booked.map((b) => b.day)));
    const absence = { id: 'x', person: null, from, to: addDays(from, 1), reason: '' };
    const lost = lossOf(file, learnt.from, absence);
    expect([...lost.keys()].map((d) => d + learnt.from)).to.include(from);
    const isLost = (d: number): boolean => d >= absence.from && d <= absence.to;
    const answers = [...awayAnswers(file, learnt, year, plan, absence)];
    expect(answers).to.have.lengthOf(2);
    for (const { moves, lost: minutes } of answers) {
      expect(minutes).to.be.closeTo(sum([...lost.values()]), 1e-6);
      const inBook = moves.filter((m) => m.was !== 'planned');
      expect(inBook.every((m) => isLost(m.from) && (m.to === undefined || !isLost(m.to)))).to.equal(true);
      for (const b of booked.filter((x) => isLost(x.day)))
        expect(
          inBook.some((m) => m.dogIds.includes(b.id) && m.from === b.day),
          b.id,
        ).to.equal(true);
      for (const m of inBook)
        expect(m.was).to.equal(
          booked.some((b) => b.id === m.dogIds[0] && b.day === m.from && !b.agreed) ? 'tentative' : 'agreed',
        );
      for (const m of moves) if (m.to !== undefined) expect(isLost(m.to)).to.equal(false);
    }
    expect(answers[1]?.more).to.be.at.most((answers[0]?.more ?? 0) + 1e-6);
    // One of two people away takes half a day's minutes, and the doors stay open.
    const one = lossOf(file, learnt.from, { ...absence, person: 'demo-runa' });
    for (const [d, m] of one)
      expect(m).to.be.within(0.3 * (year.hours.minutes[d] ?? 0), 0.7 * (year.hours.minutes[d] ?? 0));
    const nothing = [
      ...awayAnswers(file, learnt, year, plan, { ...absence, from: addDays(from, 900), to: addDays(from, 901) }),
    ];
    expect(nothing[0]?.moves).to.deep.equal([]);
  });

  it('says which weeks run over when the tide is early, and who had better come sooner', () => {
    const year = yearOfTide(file, learnt);
    const plan = ended(planTide(year));
    const { from } = learnt;
    // On time it is the plan's own overtime; with a tenth of the hours nearly every week runs over.
    const over = weeksOverIfEarly(year, plan, from, 0).map((w) => w.over);
    expect(sum(over)).to.be.closeTo(account(year.dogs, plan.visits, year.hours, WORTH).overtime, 53);
    const few = { ...year, hours: { ...year.hours, minutes: year.hours.minutes.map((m) => m / 10) } };
    expect(weeksOverIfEarly(few, plan, from, 10).length).to.be.greaterThan(30);
    // A visit that was put off by a fortnight gains by the day it was planned for.
    const i = plan.visits.findIndex(
      ([f = 0, s = 0], k) => f > 10 && s - f > 28 && (year.dogs[k]?.fixed.length ?? 1) === 0,
    );
    const first = plan.visits[i]?.[0] ?? 0;
    const late = plan.visits.map((v, k) => (k === i ? v.with(0, first + 14) : v));
    const sooner = whoComesSooner(year, { ...plan, visits: late }, from, addDays(from, first));
    const [dogId] = year.members[i] ?? [];
    expect(sooner.some((s) => s.dogId === dogId && s.from === addDays(from, first + 14) && s.gain > 0)).to.equal(true);
    for (const [a, b] of sooner.slice(1).map((s, k) => [sooner[k], s] as const))
      expect(a?.gain).to.be.at.least(b?.gain ?? 0);
    // Agreed for that later day it gains as much, though the free day lies within its rest before the visit that it gives up.
    const agreed = year.dogs.map((d, k) =>
      k === i
        ? {
            ...d,
            fixed: [first + 14],
            days: d.days.filter((x) => Math.abs(x - first - 14) >= d.shortest),
            open: d.days,
          }
        : d,
    );
    expect(agreed[i]?.days.includes(first)).to.equal(false);
    const gaps = whoComesSooner({ ...year, dogs: agreed }, { ...plan, visits: late }, from, addDays(from, first));
    expect(gaps.find((s) => s.dogId === dogId)?.gain).to.equal(sooner.find((s) => s.dogId === dogId)?.gain);
  });

  it('says which rules a day breaks', () => {
    const [dog] = file.dogs;
    if (!dog) throw new TypeError('no dogs');
    const closed = file.roster?.away.find((a) => a.person === null);
    const codes = (on: number, others: readonly number[] = []) =>
      rulesAgainst(
        { ...file, wishes: { [dog.id]: { ...ANY_TIME, weekdays: [2] } } },
        dog.id,
        day(on),
        others.map(day),
      ).map((r) => r.code);
    expect(codes(file.today)).to.include('past');
    expect(codes(closed?.from ?? 0)).to.include('closed');
    // 2031-04-15 is a Tuesday, 13 April a Sunday.
    expect(codes(file.today + 6)).to.deep.equal([]);
    expect(codes(file.today + 4)).to.include.members(['closed', 'owner']);
    expect(codes(file.today + 6, [file.today + 1])).to.deep.equal(['too-soon']);
    expect(codes(file.today + 6, [file.today - 300])).to.deep.equal(['too-late']);
  });
});

describe('days of a salon, wherever and whenever it is', () => {
  const SEEN: readonly (readonly [string, string, string])[] = [
    // Fourteen hours ahead and eleven behind: the same moment is two days apart.
    ['Pacific/Kiritimati', '2031-04-09T11:00:00Z', '2031-04-10'],
    ['Pacific/Pago_Pago', '2031-04-09T10:30:00Z', '2031-04-08'],
    // Leap day, year's end, and the days on which clocks are changed.
    ['Pacific/Kiritimati', '2032-02-28T11:00:00Z', '2032-02-29'],
    ['Europe/Helsinki', '2031-12-31T22:30:00Z', '2032-01-01'],
    ['America/New_York', '2032-03-14T06:30:00Z', '2032-03-14'],
    ['America/New_York', '2031-11-02T05:30:00Z', '2031-11-02'],
  ];
  for (const [zone, at, today] of SEEN)
    it(`${zone} at ${at} is ${today}; dates are held, laid, planned and exported on the salon's own day`, async () => {
      const room = await openRoom();
      const salon = room.stores.salon.find();
      if (!salon) throw new TypeError('no salon');
      room.stores.salon.update({
        ...salon,
        timeZone: zone,
        house: { ...salon.house, openWeekdays: [1, 2, 3, 4, 5, 6, 7] },
      });
      room.db.exec(
        "DELETE FROM booking; DELETE FROM visit_wish; UPDATE person SET weekdays = '[1,2,3,4,5,6,7]'; DELETE FROM absence",
      );
      room.setClock(Date.parse(at));
      expect((await room.call('GET', '/sheet')).json.today).to.equal(today);
      const tomorrow = formatDay(addDays(day(parseDay(today) ?? 0), 1));
      const hold = { id: 'h', dogId: 'demo-kelda', day: tomorrow, minutes: 60 };
      const held: BookingRecord = (await room.call('POST', '/bookings/tentative', hold)).json;
      const local = Temporal.Instant.from(held.startsAt).toZonedDateTimeISO(zone);
      const on = local.toPlainDate().toString();
      expect(on).to.equal(tomorrow);
      const page = await sheet(room, on);
      expect(page.visits.map((v) => v.id)).to.deep.equal(['h']);
      const minute = local.hour * 60 + local.minute;
      expect(page.asked.visits[0]?.arrive).to.deep.equal({ from: minute, to: minute });
      expect(minute).to.be.within(8 * 60, 17 * 60);
      const csv = (await room.call('GET', '/bookings.csv')).text.split('\r\n')[1];
      expect(csv).to.match(new RegExp(`^${on},${local.toPlainTime().toString({ smallestUnit: 'minute' })},60,Kelda,`));
      // Weeks of the plan begin on Mondays, and a year of days has no gap.
      const from = day(parseDay(today) ?? 0);
      const { people, away }: RosterPage = (await room.call('GET', '/roster')).json;
      const book: YearBook = {
        today: from,
        place: salon,
        openWeekdays: [1, 2, 3, 4, 5, 6, 7],
        minutesPerWeek: 960,
        rates: salon.house.rates,
        lengths: { step: 15, shortest: 30 },
        readings: [],
        dogs: [],
        roster: { people, away },
      };
      const hours = hoursOf(book, from);
      const weeks = weeksOf(from, lastDayOf(hours));
      expect(weeks[0]?.first).to.equal(1);
      expect(weeks.at(-1)?.last).to.equal(lastDayOf(hours));
      for (const [i, { first, last }] of weeks.entries()) {
        const next = weeks[i + 1];
        if (!next) continue;
        expect(isoWeekday(addDays(from, last)), 'a week ends on a Sunday').to.equal(7);
        expect([next.first, last - first]).to.deep.equal([last + 1, i === 0 ? last - 1 : 6]);
      }
      expect(hours.minutes.slice(1).every((m) => m > 0)).to.equal(true);
      expect(room.errors).to.deep.equal([]);
      await room.close();
    });
});
