/** Files that are read in: beside the requests, within a limit, with a sentence; what comes in comes whole. */
import { expect } from 'chai';
import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import { readBookings } from '../../server/formats/booking-table.ts';
import { readCalendar, type CalendarFile, type ReadCalendar } from '../../server/formats/calendar-reader.ts';
import { DogNames } from '../../server/formats/dog-names.ts';
import { bringIn, dropUnfinished } from '../../server/client-import.ts';
import { Problem } from '../../server/problem.ts';
import { salonDay, salonInstant, salonMinute } from '../../server/salon-time.ts';
import { Pauses, writeInPieces } from '../../server/work/pauses.ts';
import { WorkerQueue } from '../../server/work/worker-queue.ts';
import { samples } from '../samples.ts';
import { TANSY } from '../small-house.ts';
import { dump, NOW, openRoom, type Room } from './room.ts';

const TODAY = parseDay('2031-04-09') ?? day(0);
const ZONE = 'Europe/Mariehamn';

interface EventText {
  readonly start: string;
  readonly end?: string;
  readonly more?: readonly string[];
}
const calendar = (events: readonly EventText[], more: readonly string[] = []): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//made up//EN',
    ...more,
    ...events.flatMap(({ start, end, more: lines = [] }, i) => [
      'BEGIN:VEVENT',
      `UID:event-${i}`,
      'SUMMARY:Bollard',
      `DTSTART${start}`,
      ...(end === undefined ? [] : [`DTEND${end}`]),
      ...lines,
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const read = (ics: string, change: Partial<CalendarFile> = {}): ReadCalendar =>
  readCalendar({ ics, timeZone: ZONE, from: TODAY, to: day(TODAY + 400), ...change });
const startsOf = ({ events }: ReadCalendar): readonly string[] =>
  events.map((e) => (e.kind === 'time' ? new Date(e.startMs).toISOString().slice(0, 16) : 'a day'));
const repeats = (rule: string): string =>
  calendar([{ start: ':20260301T090000', end: ':20260301T100000', more: [`RRULE:${rule}`] }]);

describe('a calendar that is read in', () => {
  it('yields the times of a rule that began years ago, however many are past', () => {
    const daily = read(repeats('FREQ=DAILY'));
    expect(daily.events).to.have.length(401);
    expect(startsOf(daily)[0]).to.equal('2031-04-09T06:00');
    // A thousand times in all: the last ones fall into the window.
    const counted = read(repeats('FREQ=DAILY;COUNT=1900'));
    expect(counted.events.length).to.be.within(30, 60);
    expect(read(repeats('FREQ=WEEKLY;INTERVAL=2;BYDAY=MO')).events.length).to.be.within(27, 30);
    expect(read(repeats('FREQ=DAILY;UNTIL=20300101T000000')).events).to.deep.equal([]);
  });

  for (const [rule, why] of [
    ['FREQ=SECONDLY;BYMONTH=1', 'too-often'],
    ['FREQ=MINUTELY', 'too-often'],
    ['FREQ=HOURLY;INTERVAL=6', 'too-often'],
    ['FREQ=YEARLY;BYYEARDAY=366;BYMONTH=1', 'bad-rule'],
    ['FREQ=MONTHLY;BYDAY=6MO', 'bad-rule'],
    ['FREQ=YEARLY;INTERVAL=999999999', 'bad-rule'],
  ] as const)
    it(`leaves out what repeats as ${rule}, and reads the rest`, () => {
      const ics = calendar([
        { start: ':20260301T090000', end: ':20260301T100000', more: [`RRULE:${rule}`] },
        { start: ':20310501T090000', end: ':20310501T100000' },
      ]);
      const { events, unread } = read(ics);
      expect(unread).to.deep.equal([{ summary: 'Bollard', why }]);
      expect(events).to.have.length(1);
    });

  it('takes a zone by its IANA or its Windows name, from its own file, or not at all', () => {
    const at = (tzid: string) => ({ start: `;TZID=${tzid}:20310501T090000`, end: `;TZID=${tzid}:20310501T100000` });
    expect(startsOf(read(calendar([at('America/New_York')])))).to.deep.equal(['2031-05-01T13:00']);
    expect(startsOf(read(calendar([at('W. Europe Standard Time')])))).to.deep.equal(['2031-05-01T07:00']);
    expect(startsOf(read(calendar([{ start: ':20310501T090000', end: ':20310501T100000' }])))).to.deep.equal([
      '2031-05-01T06:00',
    ]);
    expect(read(calendar([at('The moon')]))).to.deep.equal({
      events: [],
      unread: [{ summary: 'Bollard', why: 'unknown-zone', zone: 'The moon' }],
    });
    // Six hours behind in the file that says so; the next file has no such zone.
    const zone = [
      ...['BEGIN:VTIMEZONE', 'TZID:The moon', 'BEGIN:STANDARD', 'DTSTART:19700101T000000'],
      ...['TZOFFSETFROM:-0600', 'TZOFFSETTO:-0600', 'END:STANDARD', 'END:VTIMEZONE'],
    ];
    expect(startsOf(read(calendar([at('The moon')], zone)))).to.deep.equal(['2031-05-01T15:00']);
    expect(read(calendar([at('The moon')])).unread).to.have.length(1);
  });

  it('leaves out single times of a rule that were cancelled, and moves those that were moved', () => {
    const weekly = [{ start: ':20310501T090000', end: ':20310501T100000', more: ['RRULE:FREQ=WEEKLY;COUNT=3'] }];
    const exception = (id: string, more: readonly string[]): readonly string[] => [
      ...['BEGIN:VEVENT', 'UID:event-0', 'SUMMARY:Bollard', `RECURRENCE-ID:${id}`, ...more, 'END:VEVENT'],
    ];
    const moved = ['DTSTART:20310509T120000', 'DTEND:20310509T130000'];
    const cancelled = ['DTSTART:20310515T090000', 'DTEND:20310515T100000', 'STATUS:CANCELLED'];
    const ics = calendar(weekly).replace(
      'END:VCALENDAR',
      [...exception('20310508T090000', moved), ...exception('20310515T090000', cancelled), 'END:VCALENDAR'].join(
        '\r\n',
      ),
    );
    expect(startsOf(read(ics))).to.deep.equal(['2031-05-01T06:00', '2031-05-09T09:00']);
  });

  it('keeps one event’s exceptions from another’s times, and is no slower for many events', () => {
    const weekly = { start: ':20310501T090000', end: ':20310501T100000', more: ['RRULE:FREQ=WEEKLY;COUNT=2'] };
    const moved = ['BEGIN:VEVENT', 'UID:event-0', 'SUMMARY:Bollard', 'RECURRENCE-ID:20310508T090000'];
    const ics = calendar([weekly, weekly]).replace(
      'END:VCALENDAR',
      [...moved, 'DTSTART:20310509T120000', 'DTEND:20310509T130000', 'END:VEVENT', 'END:VCALENDAR'].join('\r\n'),
    );
    expect(startsOf(read(ics))).to.deep.equal([
      '2031-05-01T06:00',
      '2031-05-09T09:00',
      '2031-05-01T06:00',
      '2031-05-08T06:00',
    ]);
    // Thousands of events were a minute's work when each looked through all the others.
    const single = { start: ':20310501T090000', end: ':20310501T100000' };
    expect(read(calendar(Array.from({ length: 4_900 }, () => single))).events).to.have.length(4_900);
  });

  it('is refused whole when it holds more times than are read at once', () => {
    const many = calendar(
      Array.from({ length: 14 }, () => ({ start: ':20260301T090000', more: ['RRULE:FREQ=DAILY'] })),
    );
    expect(() => read(many)).to.throw(Problem, 'holds more than 5000 times');
  });
});

describe('the queue of work beside the server', () => {
  it('ends what never ends, says so, and goes on with the next', async () => {
    const work = new WorkerQueue(2_000);
    const given = (ics: string): CalendarFile => ({ ics, timeZone: ZONE, from: TODAY, to: day(TODAY + 400) });
    const endless = given(repeats('FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30'));
    const [ended, next] = await Promise.allSettled([
      work.run('calendar', endless),
      work.run('calendar', given(repeats('FREQ=WEEKLY'))),
    ]);
    expect(ended).to.have.nested.property('reason.status', 422);
    expect(ended).to.have.nested.property('reason.message').that.includes('takes too long to read');
    expect(next).to.have.nested.property('value.events').with.length(57);
    work.close();
    const late = await work.run('plans', []).catch((problem: unknown) => problem);
    expect(late).to.be.instanceOf(Problem);
  });

  it('lets so many wait and no more', async () => {
    const work = new WorkerQueue(60_000);
    const asked = Array.from({ length: 12 }, () => work.run('plans', []).catch((problem: unknown) => problem));
    work.close();
    const refused = (await Promise.all(asked)).map((p) => (p instanceof Problem ? p.status : 0));
    expect(refused.filter((status) => status === 429)).to.have.length(4);
    expect(refused.filter((status) => status === 503)).to.have.length(8);
  });
});

describe('long work between the requests', () => {
  it('is written in pieces, all of it', async () => {
    const pieces: number[] = [];
    const write = <T>(work: () => T): T => {
      pieces.push(0);
      return work();
    };
    const items = Array.from({ length: 30 }, (_, i) => i);
    const seen: number[] = [];
    await writeInPieces({ write }, items, (i) => {
      const until = performance.now() + 3;
      while (performance.now() < until);
      seen.push(i);
    });
    expect(seen).to.deep.equal(items);
    expect(pieces.length).to.be.within(3, 30);
    const pauses = new Pauses();
    expect(pauses.due()).to.equal(false);
  });
});

describe('files over HTTP', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  it('that never end are ended within six seconds, while everybody else is answered', async () => {
    const began = performance.now();
    const answer = room.call('POST', '/calendar/read', { ics: repeats('FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30') });
    let slowest = 0;
    let over = false;
    void answer.finally(() => (over = true));
    while (!over) {
      const asked = performance.now();
      expect((await room.call('GET', '/health')).status).to.equal(200);
      slowest = Math.max(slowest, performance.now() - asked);
      await new Promise((soon) => setTimeout(soon, 20));
    }
    const { status, json } = await answer;
    expect([status, json.error.message]).to.deep.equal([422, json.error.message]);
    expect(json.error.message).to.match(/takes too long to read.*Nothing was read in/);
    // How long it takes is measured by the bench; here it is enough that it is no stand-still.
    expect(slowest).to.be.lessThan((performance.now() - began) / 2);
  });

  it('name what was left out and why', async () => {
    const ics = calendar([
      { start: ':20310501T090000', end: ':20310501T100000' },
      { start: ':20310501T090000', more: ['RRULE:FREQ=HOURLY'] },
      { start: ';TZID=The moon:20310501T090000' },
    ]);
    const { json } = await room.call('POST', '/calendar/read', { ics });
    expect(json).to.deep.equal({
      booked: 1,
      moved: 0,
      closed: 0,
      left: ['Bollard: it repeats more often than once a day', 'Bollard: its time zone is not known here (The moon)'],
    });
  });

  it('with a closing of eight thousand years close only the days that are read, and no calendar fails for it', async () => {
    const ics = calendar([{ start: ';VALUE=DATE:19000101', end: ';VALUE=DATE:99991231' }]);
    expect((await room.call('POST', '/calendar/read', { ics })).json.closed).to.equal(1);
    const [person] = room.stores.roster.people();
    const feed = await room.raw('GET', `/roster/people/${person?.id}/calendar.ics`, {});
    expect(feed.status).to.equal(200);
    for (const { id } of room.stores.roster.away(TODAY)) await room.call('DELETE', `/roster/away/${id}`);
  });
});

describe('a table of bookings', () => {
  const dogs = [
    { id: 'a', name: 'Tansy', owner: 'Ada Vik' },
    { id: 'b', name: 'Tansy', owner: 'Bo Holm' },
    { id: 'c', name: 'Burr', owner: 'Bo Holm' },
  ];
  it('finds dogs by name, and by owner where two have one name', () => {
    const names = new DogNames(dogs);
    expect(names.find(' burr ')?.id).to.equal('c');
    expect(names.find('Tansy')).to.equal(undefined);
    expect(names.find('tansy', 'BO HOLM')?.id).to.equal('b');
    expect(names.find('Moss')).to.equal(undefined);
  });

  it('says of each line what is wrong with it', () => {
    const csv = [
      'Date,Time,Minutes,Dog,Agreed',
      '2031-05-02,09:30,60,Burr,no',
      '2031-05-02,24:00,60,Burr,',
      '2031-05-02,09:75,60,Burr,',
      '2131-05-02,09:30,60,Burr,',
      '2031-05-02,09:30,5,Burr,',
      '2031-05-02,09:30,60,Tansy,',
    ].join('\n');
    const { bookings, left } = readBookings({ csv, timeZone: ZONE, today: TODAY, dogs });
    expect(bookings).to.deep.equal([
      { dogId: 'c', startsAt: '2031-05-02T06:30:00Z', minutes: 60, note: '', agreed: false },
    ]);
    expect(left).to.deep.equal([
      'line 3: no date and time such as 2031-04-09 and 09:30',
      'line 4: no date and time such as 2031-04-09 and 09:30',
      'line 5: the date 2131-05-02 must lie between 1970 and 2041-12-31',
      'line 6: minutes must be a whole number from 10 to 600',
      'line 7: no one dog is called "Tansy"',
    ]);
    const long = `date,time,minutes,dog\n${'2031-05-02,09:30,60,Burr\n'.repeat(5_001)}`;
    expect(() => readBookings({ csv: long, timeZone: ZONE, today: TODAY, dogs })).to.throw(Problem, '5000 at most');
  });
});

describe('clients brought in', () => {
  const dog = (i: number) => ({
    name: `Dog ${i}`,
    owner: 'Ada Vik',
    phone: '',
    breed: '',
    sex: 'female' as const,
    neutered: true,
    born: undefined,
    weightKg: 20,
    coatClass: 'medium-double' as const,
    shape: 'spitz' as const,
    note: '',
  });
  const intake = (n: number) => ({
    dogs: Array.from({ length: n }, (_, i) => dog(i)),
    visits: Array.from({ length: n }, (_, i) => ({ dog: i, day: TODAY, minutes: 60, grams: undefined })),
  });
  const about = { id: 'import-a', atMs: NOW, who: 'Runa' };

  it('are taken back whole when one of them cannot be written', async () => {
    const room = await openRoom({ demo: false });
    const before = dump(room.db);
    let left = 30;
    const broken: Room['stores'] = {
      ...room.stores,
      intake: {
        ...room.stores.intake,
        addVisit: (id, visit) => {
          if (left-- === 0) throw new Error('the disk is gone');
          room.stores.intake.addVisit(id, visit);
        },
      },
    };
    const outcome = await bringIn(broken, about, intake(60)).catch((problem: unknown) => String(problem));
    expect(outcome).to.equal('Error: the disk is gone');
    expect(room.stores.dogs.all()).to.deep.equal([]);
    expect(room.stores.intake.unfinished()).to.deep.equal([]);
    expect(await bringIn(room.stores, about, intake(60))).to.equal(true);
    expect(await bringIn(room.stores, about, intake(60)), 'it is there').to.equal(false);
    expect(room.stores.dogs.all()).to.have.length(60);
    expect(dump(room.db)).not.to.equal(before);
    await room.close();
  });

  it('that were cut off by the end of the program are taken back at the next start', async () => {
    const room = await openRoom({ demo: false });
    room.stores.write(() => {
      room.stores.intake.begin(about);
      room.stores.dogs.insert('half-a', TANSY);
      room.stores.intake.noteDog(about.id, 'half-a');
      room.stores.intake.addVisit(about.id, { id: 'visit-a', dogId: 'half-a', day: TODAY, minutes: null, grams: null });
    });
    expect((await room.call('GET', '/intake')).json.intakes).to.deep.equal([]);
    await dropUnfinished(room.stores);
    expect(room.stores.dogs.all()).to.deep.equal([]);
    expect(room.stores.intake.unfinished()).to.deep.equal([]);
    await room.close();
  });
});

describe('the salon’s clock', () => {
  it('tells days and minutes as the zone does, over every change of the clock (against Temporal)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.parse('1973-01-01'), max: Date.parse('2199-12-30') }),
        fc.constantFrom('Europe/Mariehamn', 'America/St_Johns', 'Asia/Kathmandu', 'Australia/Lord_Howe', 'UTC'),
        (ms, zone) => {
          const there = Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(zone);
          expect(salonMinute(ms, zone)).to.equal(there.hour * 60 + there.minute);
          expect(formatDay(salonDay(ms, zone))).to.equal(there.toPlainDate().toString());
        },
      ),
      { seed: 29, numRuns: samples(400, 5_000) },
    );
    // The hour that is there twice, and the one that is not.
    for (const text of [
      '2031-10-26T00:30:00Z',
      '2031-10-26T01:30:00Z',
      '2031-03-30T00:59:00Z',
      '2031-03-30T01:00:00Z',
    ]) {
      const there = Temporal.Instant.from(text).toZonedDateTimeISO(ZONE);
      expect(salonMinute(Date.parse(text), ZONE), text).to.equal(there.hour * 60 + there.minute);
    }
    expect(() => salonDay(NaN, ZONE)).to.throw(RangeError);
  });

  it('knows minute 1440 as the midnight that follows, and no minute before the first', () => {
    expect(salonInstant(TODAY, 1440, ZONE)).to.equal(salonInstant(day(TODAY + 1), 0, ZONE));
    expect(salonInstant(TODAY, 1500, ZONE)).to.equal(salonInstant(day(TODAY + 1), 60, ZONE));
    expect(() => salonInstant(TODAY, -1, ZONE)).to.throw(RangeError);
  });
});
