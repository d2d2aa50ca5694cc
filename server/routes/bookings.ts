/** /api/bookings and /api/dogs/:id/next: when to come again, and the date that was agreed. */
import type { Router } from 'express';
import {
  BOOKABLE_MINUTES,
  type BookingDraft,
  type BookingRecord,
  type CancelReason,
  type NextPage,
  type StartsPage,
} from '../../contract/booking.ts';
import { dayInRange } from '../../contract/common.ts';
import type { DogRecord } from '../../contract/dog.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import { busiest, freeStarts, isClosed } from '../../core/book/index.ts';
import { SERVICES, serviceMinutes, type Service } from '../../core/dog/index.ts';
import { visitLengths } from '../../core/kit/index.ts';
import { bookedLength } from '../../core/tide/index.ts';
import { addDays, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import { bookingIcs } from '../calendar.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { mustBeBookable } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { dogToday } from '../services/dog-today.ts';
import { startOn, startsOn } from '../services/offer.ts';
import { learnDog, likelyMinutesAt, likelyWhereMoved, usualMinutes } from '../services/outlooks.ts';
import { found, Problem, stale } from '../problem.ts';
import { takenOn } from '../services/taken.ts';
import { bookVisit } from '../services/offers.ts';
import { isoMinute, salonDay, salonInstant, salonMinute } from '../salon-time.ts';
import { createOnce, ok, text } from '../reply.ts';

/** Days on and after the proposed one that are offered with their free times. */
const OFFERED_DAYS = 4;
/** Times offered on one day, spread over it. */
const OFFERED_TIMES = 6;
/** Days that may be asked about in one go. */
const MOST_DAYS_ASKED = 14;
/** A visit that is split is done within a week. */
const SPLIT_DAYS = 7;
/** Furthest look ahead for a day with a free time. */
const LOOK_DAYS = 28;

export function bookingRoutes(context: ServerContext): Router {
  const { stores } = context;
  const { router, on } = apiRouter(context);

  /** Refuses a booking that no table is free for. */
  const mustFit = (b: Pick<BookingDraft, 'dogId' | 'startsAt' | 'minutes'>, visit?: string): void => {
    const salon = salonOf(context);
    const ms = Date.parse(b.startsAt);
    const day = salonDay(ms, salon.timeZone);
    mustBeBookable(context, 'startsAt', day);
    const span = { start: salonMinute(ms, salon.timeZone), minutes: b.minutes };
    if (busiest(span, takenOn(context, salon, day, { dogId: b.dogId, visit })) >= salon.house.tables) {
      throw new Problem(
        409,
        'startsAt',
        `No table is free for ${b.minutes} minutes at ${b.startsAt}. Choose another time.`,
      );
    }
  };

  /** Offered starts: free times on the first open days from the proposed one on. */
  const offers = (dogId: string, from: Day, minutes: number, salon: SalonRecord): readonly string[] => {
    const out: string[] = [];
    let days = 0;
    const now = isoMinute(context.nowMs());
    const away = stores.roster.away(from);
    for (let i = 0; i < LOOK_DAYS && days < OFFERED_DAYS; i++) {
      const day = addDays(from, i);
      if (isClosed({ away }, salon.house.openWeekdays, day)) continue;
      const starts = freeStarts(minutes, takenOn(context, salon, day, { dogId }), salon.house.hours, salon.house.tables)
        .map((m) => salonInstant(day, m, salon.timeZone))
        .filter((s) => s > now);
      const every = Math.max(1, Math.ceil(starts.length / OFFERED_TIMES));
      const chosen = starts.filter((_, k) => k % every === 0);
      if (chosen.length > 0) days++;
      out.push(...chosen);
    }
    return out;
  };

  /** How long a visit is booked for where nobody says: by what is known of the coat, by what such dogs take, or by what it is for. */
  const usualLength = async (
    dog: DogRecord,
    service: Service,
    salon: SalonRecord,
  ): Promise<Pick<StartsPage, 'minutes' | 'by'>> => {
    const own = serviceMinutes(service, salon.house);
    if (own !== undefined) return { minutes: Math.max(BOOKABLE_MINUTES.least, own), by: 'service' };
    await learnDog(context, dog.id);
    const { outlook } = dogToday(context, dog);
    if (outlook) return { minutes: outlook.length, by: 'coat' };
    return { minutes: bookedLength(await usualMinutes(context, dog), visitLengths(salon.house)), by: 'usual' };
  };

  on('GET /dogs/:id/next', async ({ params: { id } }) => {
    const dog = found(stores.dogs.find(id), 'dog', id);
    await learnDog(context, id);
    const { salon, bookings, outlook } = dogToday(context, dog);
    if (!outlook?.due)
      throw new Problem(409, null, `Nothing is known of ${dog.name}'s coat yet. Do a coat check first.`);
    const minutes = outlook.length;
    const page: NextPage = {
      dogId: id,
      dogName: dog.name,
      outlook: { ...outlook, due: outlook.due },
      minutes,
      currency: salon.house.rates.currency,
      slots: offers(id, outlook.due.offer, minutes, salon),
      booked: bookings,
    };
    return ok(page);
  });

  on('GET /dogs/:id/starts', async ({ params: { id }, query }) => {
    const dog = found(stores.dogs.find(id), 'dog', id);
    const salon = salonOf(context);
    const days = (query['days'] ?? '').split(',').slice(0, MOST_DAYS_ASKED);
    const asked = days.map((text) => {
      const on = dayInRange(text);
      if (on === undefined)
        throw new Problem(
          400,
          'days',
          `Each of the days must be one that exists, written 2031-04-09, not "${text.slice(0, 40)}".`,
        );
      return on;
    });
    const service = serviceOf(query['service']);
    const length = lengthOf(query['minutes']);
    const { minutes, by } =
      length === undefined ? await usualLength(dog, service, salon) : { minutes: length, by: 'asked' as const };
    const page: StartsPage = {
      minutes,
      by,
      days: asked.map((on) => ({ day: formatDay(on), ...startsOn(context, salon, dog, on, minutes) })),
    };
    return ok(page);
  });

  on('POST /bookings/tentative', ({ body: { id, dogId, day: wanted, minutes, agreed, startsAt: offered } }) => {
    return stores.write(() => {
      const dog = found(stores.dogs.find(dogId), 'dog', dogId);
      return createOnce(
        { what: 'booking', id, there: stores.bookings.find(id) },
        () => {
          const salon = salonOf(context);
          const day = parseDay(wanted) ?? todayOf(context, salon);
          mustBeBookable(context, 'day', day);
          const startsAt = startOn(context, salon, dog, day, minutes, offered);
          bookVisit(context, dog, { id, dogId, startsAt, minutes, note: '', agreed: agreed ?? false });
        },
        () => found(stores.bookings.find(id), 'booking', id),
      );
    });
  });

  on('GET /bookings', () => {
    const salon = salonOf(context);
    const from = salonInstant(todayOf(context, salon), 0, salon.timeZone);
    const bookings = stores.bookings.between(from, '9999');
    return ok({ bookings, likely: Object.fromEntries(likelyWhereMoved(context, bookings)) });
  });

  on('POST /bookings', ({ body: draft }) => {
    return stores.write(() => {
      const dog = found(stores.dogs.find(draft.dogId), 'dog', draft.dogId);
      return createOnce(
        {
          what: 'booking',
          id: draft.id,
          there: stores.bookings.find(draft.id),
          isSame: (booking) => booking.dogId === draft.dogId,
        },
        () => {
          mustFit(draft);
          bookVisit(context, dog, draft);
        },
        () => found(stores.bookings.find(draft.id), 'booking', draft.id),
      );
    });
  });

  /** Likely minutes of a booking's visit as things stand. */
  const likelyNow = ({ dogId, service }: BookingRecord, startsAt: string): number | null => {
    const dog = service === 'coat' ? stores.dogs.find(dogId) : undefined;
    return dog ? likelyMinutesAt(context, dog, startsAt) : null;
  };

  on('PUT /bookings/:id', ({ params: { id }, body: edit }) => {
    return ok(
      stores.write(() => {
        const there = standing(stores.bookings.find(id), id);
        if (there.version !== edit.version) throw stale(there, edit);
        mustFit({ ...edit, dogId: there.dogId }, id);
        stores.bookings.update(id, edit, likelyNow(there, edit.startsAt));
        return found(stores.bookings.find(id), 'booking', id);
      }),
    );
  });

  /** Something done to a booking that stands, as it stood when somebody looked. */
  const toStanding =
    (act: (id: string, version: number, why: CancelReason | undefined) => boolean) =>
    ({
      params: { id },
      body: { version, why },
    }: {
      params: { id: string };
      body: { version: number; why?: CancelReason | undefined };
    }) =>
      ok(
        stores.write(() => {
          const there = standing(stores.bookings.find(id), id);
          if (!act(id, version, why)) throw stale(there, { version });
          return found(stores.bookings.find(id), 'booking', id);
        }),
      );
  // Its length stays; that it fits no more has been seen, and is not said again.
  on(
    'POST /bookings/:id/leave',
    toStanding((id, version) => {
      const there = standing(stores.bookings.find(id), id);
      return stores.bookings.update(id, { ...there, version }, likelyNow(there, there.startsAt));
    }),
  );
  on('POST /bookings/:id/split', ({ params: { id }, body: { version, second } }) =>
    stores.write(() => {
      const there = standing(stores.bookings.find(id), id);
      return createOnce(
        { what: 'booking', id: second, there: stores.bookings.find(second), isSame: (b) => b.dogId === there.dogId },
        () => {
          if (there.version !== version) throw stale(there, { version });
          const salon = salonOf(context);
          const likely = likelyNow(there, there.startsAt);
          const minutes = bookedLength((likely ?? there.minutes) / 2, visitLengths(salon.house));
          const day = salonDay(Date.parse(there.startsAt), salon.timeZone);
          const [startsAt] = offers(there.dogId, addDays(day, 1), minutes, salon);
          if (startsAt === undefined || salonDay(Date.parse(startsAt), salon.timeZone) > day + SPLIT_DAYS)
            throw new Problem(
              409,
              'minutes',
              `No table is free for the other ${minutes} minutes of ${there.dogName} within a week. Lengthen it, or move it.`,
            );
          stores.bookings.update(id, { ...there, minutes, version }, likely);
          const other = { ...there, id: second, startsAt, minutes };
          stores.bookings.insert(other, { agreed: false, told: likely });
        },
        () => found(stores.bookings.find(second), 'booking', second),
      );
    }),
  );
  on('POST /bookings/:id/cancel', toStanding(stores.bookings.cancel));
  on('POST /bookings/:id/agree', toStanding(stores.bookings.agree));
  on('POST /bookings/:id/unagree', toStanding(stores.bookings.unagree));

  on('POST /bookings/:id/restore', ({ params: { id }, body: { version } }) => {
    return ok(
      stores.write(() => {
        const there = found(stores.bookings.find(id), 'booking', id);
        if (there.version !== version || !there.cancelled) throw stale(there, { version });
        mustFit(there, id);
        stores.bookings.restore(id, version);
        return found(stores.bookings.find(id), 'booking', id);
      }),
    );
  });

  on('GET /bookings/:id/calendar.ics', ({ params: { id } }) => {
    const booking = found(stores.bookings.find(id), 'booking', id);
    return text(
      'text/calendar',
      `visit-${booking.startsAt.slice(0, 10)}.ics`,
      bookingIcs(booking, salonOf(context), context.nowMs()),
    );
  });
  return router;
}

/** What a visit is for, as a query names it: the coat, where nothing is said. Throws a Problem of 400 that names what there is. */
function serviceOf(text: string | undefined): Service {
  if (text === undefined) return 'coat';
  const service = SERVICES.find((s) => s === text);
  if (service === undefined)
    throw new Problem(400, 'service', `service must be one of ${SERVICES.join(', ')}, not "${text.slice(0, 40)}".`);
  return service;
}

/** A length, as a query names it. Throws a Problem of 400 where nothing can be booked for so long. */
function lengthOf(text: string | undefined): number | undefined {
  if (text === undefined) return undefined;
  const minutes = text === '' ? Number.NaN : Number(text);
  const { least, most } = BOOKABLE_MINUTES;
  if (!Number.isInteger(minutes) || minutes < least || minutes > most)
    throw new Problem(
      400,
      'minutes',
      `minutes must be a whole number from ${least} to ${most}, not "${text.slice(0, 40)}".`,
    );
  return minutes;
}

function standing(booking: BookingRecord | undefined, id: string): BookingRecord {
  const there = found(booking, 'booking', id);
  if (there.cancelled) throw new Problem(409, 'id', 'This booking was cancelled. Make a new one.');
  return there;
}
