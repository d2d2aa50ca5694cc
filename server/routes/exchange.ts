/** /api/calendar and /api/bookings as files: a person's feed and free/busy, another calendar read in, tables both ways. */
import { randomUUID } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import type { Router } from 'express';
import Papa from 'papaparse';
import type { ReadIn } from '../../contract/booking.ts';
import type { DaySheet } from '../../core/day/index.ts';
import { addDays, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import { eventsOf, personFeed, type PersonVisit } from '../calendar.ts';
import { counter } from '../endpoint.ts';
import { salonOf, todayOf, type Kept } from '../facts.ts';
import { asTyped } from '../table-text.ts';
import { found, Problem } from '../problem.ts';
import { isoMinute, salonDay, salonInstant, salonMinute } from '../salon-time.ts';
import { sheetOf } from '../sheet-facts.ts';

/** Days ahead that a feed holds, and of those the first that are laid over people. */
const FEED = { days: 200, laidDays: 14 } as const;
/** Days ahead to which what recurs in another calendar is read. */
const READ_DAYS = 400;
const COLUMNS = ['date', 'time', 'minutes', 'dog', 'owner', 'agreed', 'note'] as const;
const MOST_MINUTES = 600;
const FEWEST_MINUTES = 10;

export function exchangeRoutes(kept: Kept): Router {
  const { stores } = kept;
  const { router, on } = counter(kept);
  /** Dogs by name; two of one name are told apart by their owners. */
  const dogNamed = (name: string, owner: string): { readonly id: string } | undefined => {
    const same = stores.dogs
      .all()
      .filter((d) => d.name.toLowerCase() === name.trim().toLowerCase())
      .filter((d) => owner.trim() === '' || d.owner.name.toLowerCase() === owner.trim().toLowerCase());
    return same.length === 1 ? same[0] : undefined;
  };
  const windowOf = (behind: number, ahead: number): readonly [string, string] => {
    const salon = salonOf(kept);
    const today = todayOf(kept, salon);
    return [
      salonInstant(addDays(today, -behind), 0, salon.timeZone),
      salonInstant(addDays(today, ahead), 0, salon.timeZone),
    ];
  };

  on('GET /roster/people/:id/calendar.ics', async ({ params: { id } }) => {
    const person = found(stores.roster.person(id), 'person', id);
    const salon = salonOf(kept);
    const today = todayOf(kept, salon);
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
        sheet = sheetOf(kept, on);
        sheets.set(on, sheet);
      }
      const mine = sheet.laid.filter((l) => l.visit === booking.id && l.person === id);
      if (mine.length === 0) continue;
      const ms = (minute: number): number => Date.parse(salonInstant(on, minute, salon.timeZone));
      const first = Math.min(...mine.map((l) => l.start));
      visits.push({ booking, startMs: ms(first), endMs: ms(Math.max(...mine.map((l) => l.end))), sure: true });
    }
    const away = stores.roster.away(today).filter((a) => a.person === null || a.person === id);
    const body = personFeed({ person, visits, away, salon, nowMs: kept.nowMs() });
    return { text: { type: 'text/calendar', fileName: `${id}.ics`, body } };
  });

  on('POST /calendar/read', ({ body: { ics } }) => {
    const salon = salonOf(kept);
    const today = todayOf(kept, salon);
    const events = eventsOf(ics, salon.timeZone, today, addDays(today, READ_DAYS));
    if (!events)
      throw new Problem(
        400,
        'ics',
        'This is no calendar that can be read: it must be an .ics file. Nothing was read in.',
      );
    return {
      json: stores.write((): ReadIn => {
        const left: string[] = [];
        let [booked, moved, closed] = [0, 0, 0];
        for (const e of events) {
          if (e.kind === 'days') {
            stores.roster.addAway({ id: e.uid, person: null, from: e.from, to: e.to, reason: e.summary }, e.uid);
            closed++;
            continue;
          }
          const minutes = Math.round((e.endMs - e.startMs) / 60_000);
          const dog = dogNamed(e.summary.split(/[:,(–-]/)[0] ?? '', '');
          if (!dog || minutes < FEWEST_MINUTES || minutes > MOST_MINUTES) {
            left.push(e.summary.slice(0, 80));
            continue;
          }
          const startsAt = isoMinute(e.startMs);
          const there = stores.bookings.byUid(e.uid);
          if (!there) {
            stores.bookings.insert({ id: randomUUID(), dogId: dog.id, startsAt, minutes, note: '' }, { uid: e.uid });
            booked++;
          } else if (!there.cancelled && (there.startsAt !== startsAt || there.minutes !== minutes)) {
            stores.bookings.update(there.id, { startsAt, minutes, note: there.note, version: there.version });
            moved++;
          }
        }
        return { booked, moved, closed, left };
      }),
    };
  });

  on('GET /bookings.csv', () => {
    const { timeZone } = salonOf(kept);
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
    const body = Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true });
    return { text: { type: 'text/csv', fileName: 'bookings.csv', body: `${body}\r\n` } };
  });
  on('POST /bookings/read', ({ body: { csv } }) => {
    const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: (h) => h.trim().toLowerCase(),
      transform: asTyped,
    });
    const missing = (['date', 'time', 'minutes', 'dog'] as const).filter((c) => !meta.fields?.includes(c));
    if (missing.length > 0)
      throw new Problem(
        400,
        'csv',
        `The first line must name the columns date, time, minutes and dog; ${missing.join(' and ')} is missing. Nothing was read in.`,
      );
    const { timeZone } = salonOf(kept);
    return {
      json: stores.write((): ReadIn => {
        let booked = 0;
        const left: string[] = [];
        for (const [i, row] of data.entries()) {
          const on = parseDay((row['date'] ?? '').trim());
          const at = /^(\d{1,2}):(\d{2})$/.exec((row['time'] ?? '').trim());
          const minute = at ? Number(at[1]) * 60 + Number(at[2]) : NaN;
          const minutes = Number(row['minutes']);
          const dog = dogNamed(row['dog'] ?? '', row['owner'] ?? '');
          const line = `line ${i + 2}`;
          if (on === undefined || !(minute < 1440)) left.push(`${line}: no date and time such as 2031-04-09 and 09:30`);
          else if (!dog) left.push(`${line}: no one dog is called "${(row['dog'] ?? '').slice(0, 40)}"`);
          else if (!Number.isInteger(minutes) || minutes < FEWEST_MINUTES || minutes > MOST_MINUTES)
            left.push(`${line}: minutes must be a whole number from ${FEWEST_MINUTES} to ${MOST_MINUTES}`);
          else {
            const startsAt = salonInstant(on, minute, timeZone);
            const uid = `csv ${dog.id} ${startsAt}`;
            const there =
              stores.bookings.byUid(uid) ??
              stores.bookings.ofDogFrom(dog.id, startsAt).find((b) => b.startsAt === startsAt);
            if (there) continue;
            stores.bookings.insert(
              {
                id: randomUUID(),
                dogId: dog.id,
                startsAt,
                minutes,
                note: (row['note'] ?? '').slice(0, 500),
              },
              { uid, agreed: (row['agreed'] ?? 'yes').trim().toLowerCase() !== 'no' },
            );
            booked++;
          }
        }
        return { booked, moved: 0, closed: 0, left };
      }),
    };
  });
  return router;
}
