/** /api/calendar and /api/bookings as files: a person's feed and free/busy, another calendar read in, tables both ways. */
import { randomUUID } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import type { Router } from 'express';
import Papa from 'papaparse';
import { BOOKABLE_MINUTES, type ReadIn } from '../../contract/booking.ts';
import type { DaySheet } from '../../core/day/index.ts';
import { addDays, day, formatDay, type Day } from '../../core/quantity/index.ts';
import { personFeed, type PersonVisit } from '../calendar.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { salonOf, todayOf } from '../today.ts';
import { BOOKING_COLUMNS } from '../formats/booking-table.ts';
import type { UnreadEvent } from '../formats/calendar-reader.ts';
import { DogNames } from '../formats/dog-names.ts';
import { found } from '../problem.ts';
import { isoMinute, salonDay, salonInstant, salonMinute } from '../salon-time.ts';
import { bookingsOn, dayToLay } from '../services/day-schedule.ts';
import { learnDogs } from '../services/outlooks.ts';
import { writeInPieces } from '../work/pauses.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';
import { ok, text } from '../reply.ts';

/** Days ahead that a feed holds, and of those the first that are laid over people. */
const FEED = { days: 200, laidDays: 7 } as const;
/** Days ahead to which what recurs in another calendar is read. */
const READ_DAYS = 400;

/** What came of a file, as it is counted. A second reading of the same file writes nothing twice: events go by their UID. */
type Counts = { -readonly [K in keyof ReadIn]: ReadIn[K] extends readonly string[] ? string[] : ReadIn[K] };

export function exchangeRoutes(context: ServerContext, work: WorkerQueue): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const windowOf = (behind: number, ahead: number): readonly [string, string] => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    return [
      salonInstant(addDays(today, -behind), 0, salon.timeZone),
      salonInstant(addDays(today, ahead), 0, salon.timeZone),
    ];
  };

  /** The sheet that the day's room shows; laid by the queue, and remembered as long as the day's facts are the same. */
  const laidSheet = async (on: Day): Promise<Pick<DaySheet, 'laid'>> => {
    const asked = dayToLay(context, on);
    if (!asked) return { laid: [] };
    const [key, facts] = [formatDay(on), JSON.stringify(asked)];
    const { sheets } = context.memos;
    return sheets.known(key, facts) ?? sheets.put(key, facts, await work.run('sheet', asked));
  };

  on('GET /roster/people/:id/calendar.ics', async ({ params: { id } }) => {
    const person = found(stores.roster.person(id), 'person', id);
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const visits: PersonVisit[] = [];
    const sheets = new Map<Day, Pick<DaySheet, 'laid'>>();
    for (const booking of stores.bookings.between(...windowOf(0, FEED.days))) {
      const startMs = Date.parse(booking.startsAt);
      const on = salonDay(startMs, salon.timeZone);
      if (on > today + FEED.laidDays) {
        // Who works it is not laid out yet: everybody may be asked.
        visits.push({ booking, startMs, endMs: startMs + booking.minutes * 60_000, sure: false });
        continue;
      }
      let sheet = sheets.get(on);
      if (!sheet) {
        // Others are answered between two days.
        await setImmediate();
        await learnDogs(
          context,
          bookingsOn(context, salon, on).map((b) => b.dogId),
        );
        sheet = await laidSheet(on);
        sheets.set(on, sheet);
      }
      const mine = sheet.laid.filter((l) => l.visit === booking.id && l.person === id);
      if (mine.length === 0) continue;
      const ms = (minute: number): number => Date.parse(salonInstant(on, minute, salon.timeZone));
      const first = Math.min(...mine.map((l) => l.start));
      visits.push({ booking, startMs: ms(first), endMs: ms(Math.max(...mine.map((l) => l.end))), sure: true });
    }
    const away = stores.roster.away(today).filter((a) => a.person === null || a.person === id);
    const body = personFeed({ person, visits, away, salon, nowMs: context.nowMs() });
    return text('text/calendar', `${id}.ics`, body);
  });

  on('POST /calendar/read', async ({ body: { ics } }) => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const to = addDays(today, READ_DAYS);
    const { events, unread } = await work.run('calendar', { ics, timeZone: salon.timeZone, from: today, to });
    const dogs = new DogNames(stores.dogs.names());
    const json: Counts = { booked: 0, moved: 0, closed: 0, left: unread.map(unreadSentence) };
    await writeInPieces(stores, events, (e) => {
      if (e.kind === 'days') {
        // What began long ago, or never ends, closes the days that are read.
        const [from, until] = [Math.max(e.from, today - READ_DAYS), Math.min(e.to, to)];
        stores.roster.addAway({ id: e.uid, person: null, from: day(from), to: day(until), reason: e.summary }, e.uid);
        json.closed++;
        return;
      }
      const minutes = Math.round((e.endMs - e.startMs) / 60_000);
      const dog = dogs.find(e.summary.split(/[:,(–-]/)[0] ?? '');
      if (!dog || minutes < BOOKABLE_MINUTES.least || minutes > BOOKABLE_MINUTES.most) {
        json.left.push(e.summary.slice(0, 80));
        return;
      }
      const startsAt = isoMinute(e.startMs);
      const there = stores.bookings.byUid(e.uid);
      if (!there) {
        stores.bookings.insert({ id: randomUUID(), dogId: dog.id, startsAt, minutes, note: '' }, { uid: e.uid });
        json.booked++;
      } else if (!there.cancelled && (there.startsAt !== startsAt || there.minutes !== minutes)) {
        stores.bookings.update(there.id, { startsAt, minutes, note: there.note, version: there.version });
        json.moved++;
      }
    });
    return ok(json);
  });

  on('GET /bookings.csv', () => {
    const { timeZone } = salonOf(context);
    const owners = new Map(stores.dogs.all().map((d) => [d.id, d.owner.name]));
    const two = (n: number): string => String(n).padStart(2, '0');
    const rows = stores.bookings.between(windowOf(0, 0)[0], '9999').map((b) => {
      const ms = Date.parse(b.startsAt);
      const minute = salonMinute(ms, timeZone);
      return {
        date: formatDay(salonDay(ms, timeZone)),
        time: `${two(Math.floor(minute / 60))}:${two(minute % 60)}`,
        minutes: b.minutes,
        dog: b.dogName,
        owner: owners.get(b.dogId) ?? '',
        agreed: b.agreed ? 'yes' : 'no',
        note: b.note,
      };
    });
    const body = Papa.unparse({ fields: [...BOOKING_COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true });
    return text('text/csv', 'bookings.csv', `${body}\r\n`);
  });
  on('POST /bookings/read', async ({ body: { csv } }) => {
    const salon = salonOf(context);
    const { bookings, left } = await work.run('bookings', {
      csv,
      timeZone: salon.timeZone,
      today: todayOf(context, salon),
      dogs: stores.dogs.names(),
    });
    const json: Counts = { booked: 0, moved: 0, closed: 0, left: [...left] };
    await writeInPieces(stores, bookings, ({ agreed, ...b }) => {
      const uid = `csv ${b.dogId} ${b.startsAt}`;
      const there =
        stores.bookings.byUid(uid) ??
        stores.bookings.ofDogFrom(b.dogId, b.startsAt).find(({ startsAt }) => startsAt === b.startsAt);
      if (there) return;
      stores.bookings.insert({ id: randomUUID(), ...b }, { uid, agreed });
      json.booked++;
    });
    return ok(json);
  });
  return router;
}

const WHY: Readonly<Record<UnreadEvent['why'], string>> = {
  'too-often': 'it repeats more often than once a day',
  'bad-rule': 'the way it repeats contradicts itself',
  'bad-time': 'it has no day and time that can be read',
  'unknown-zone': 'its time zone is not known here',
};
const unreadSentence = ({ summary, why, zone }: UnreadEvent): string =>
  `${summary || 'an event without a name'}: ${WHY[why]}${zone === undefined ? '' : ` (${zone})`}`;
