/** /api/sheet: a day over people and places, what is wanted by hand, what has begun; /api/calls: whom the desk rang. */
import type { Router } from 'express';
import { addDays, type Day } from '../../core/quantity/index.ts';
import { dayInRange } from '../../contract/common.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { mustBeBookable } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { found, Problem } from '../problem.ts';
import { bookingsOn, sheetPage } from '../services/day-schedule.ts';
import { learnDogs } from '../services/outlooks.ts';
import { salonDay } from '../salon-time.ts';
import { created, ok } from '../reply.ts';

/** Calls that are still remembered when somebody asks whom to ring. */
const CALLS_DAYS = 28;

export function sheetRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);
  const dayOf = (text: string | undefined): Day => {
    if (text === undefined) return todayOf(context, salonOf(context));
    const on = dayInRange(text);
    if (on === undefined)
      throw new Problem(400, 'day', `The day must be one that exists, written 2031-04-09, not "${text.slice(0, 40)}".`);
    mustBeBookable(context, 'day', on);
    return on;
  };
  /** The day of a booking that stands. */
  const dayOfBooking = (id: string): Day => {
    const booking = found(stores.bookings.find(id), 'booking', id);
    if (booking.cancelled)
      throw new Problem(409, 'bookingId', `The visit of ${booking.dogName} was cancelled. Choose another.`);
    return salonDay(Date.parse(booking.startsAt), salonOf(context).timeZone);
  };

  on('GET /sheet', async ({ query }) => {
    const wanted = dayOf(query['day']);
    await learnDogs(
      context,
      bookingsOn(context, salonOf(context), wanted).map((b) => b.dogId),
    );
    return ok(sheetPage(context, wanted));
  });
  on('PUT /sheet/pins', ({ body: { pins } }) => {
    return ok(
      stores.write(() => {
        const days = new Set(pins.map((p) => dayOfBooking(p.bookingId)));
        for (const p of pins) {
          if (p.person !== null && !stores.roster.person(p.person))
            throw new Problem(400, 'person', 'Only people on the roster can be named. Enter them under Staff first.');
          stores.sheet.setPin(p);
        }
        return sheetPage(context, [...days][0] ?? dayOf(undefined));
      }),
    );
  });
  on('DELETE /sheet/pins', ({ query }) => {
    const on = dayOf(query['day']);
    return ok(
      stores.write(() => {
        stores.sheet.dropPins(bookingsOn(context, salonOf(context), on).map((b) => b.id));
        return sheetPage(context, on);
      }),
    );
  });
  on('POST /sheet/marks', ({ body: mark }) => {
    return ok(
      stores.write(() => {
        const on = dayOfBooking(mark.bookingId);
        const known = mark.person !== null && stores.roster.person(mark.person) !== undefined;
        stores.sheet.setMark({ ...mark, person: known ? mark.person : null });
        return sheetPage(context, on);
      }),
    );
  });
  on('DELETE /sheet/marks/:booking/:stage', ({ params: { booking, stage } }) =>
    ok(
      stores.write(() => {
        const on = dayOfBooking(booking);
        const from = Number(stage);
        if (!Number.isInteger(from) || from < 0)
          throw new Problem(400, 'stage', `The stage must be a whole number from 0, not "${stage.slice(0, 20)}".`);
        stores.sheet.dropMarksFrom(booking, from);
        return sheetPage(context, on);
      }),
    ),
  );
  const calls = () => ({ calls: stores.sheet.calls(addDays(todayOf(context, salonOf(context)), -CALLS_DAYS)) });
  on('GET /calls', () => ok(calls()));
  on('POST /calls', ({ body: call }) => {
    return created(
      stores.write(() => {
        found(stores.dogs.find(call.dogId), 'dog', call.dogId);
        stores.sheet.addCall(call, todayOf(context, salonOf(context)));
        return calls();
      }),
    );
  });
  on('DELETE /calls/:id', ({ params: { id } }) =>
    ok(
      stores.write(() => {
        found(stores.sheet.dropCall(id) || undefined, 'call', id);
        return calls();
      }),
    ),
  );
  return router;
}
