/** All that is known and concluded of one dog today. */
import type { DogRecord } from '../../contract/dog.ts';
import type { AppContext } from '../context.ts';
import { lastFinished } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import type { StoredSession } from '../db/sessions.ts';
import { salonInstant } from '../salon-time.ts';
import { outlookNow } from './outlooks.ts';

export function dogToday(context: AppContext, dog: DogRecord) {
  const { stores } = context;
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  return {
    salon,
    today,
    check: stores.checks.latestOf(dog.id),
    /** Read when it is asked for: most do not. */
    session: (): StoredSession | undefined => lastFinished(context, dog.id),
    bookings: stores.bookings.ofDogFrom(dog.id, salonInstant(today, 0, salon.timeZone)),
    ...outlookNow(context, dog),
  };
}
