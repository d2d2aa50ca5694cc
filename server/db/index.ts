/** The stores of one open database. */
import { bookingStore } from './bookings.ts';
import { checkStore } from './checks.ts';
import { dogStore } from './dogs.ts';
import { homeStore } from './home.ts';
import { kitStore } from './kit.ts';
import type { Db } from './open.ts';
import { photoStore } from './photos.ts';
import { postStore } from './post.ts';
import { productStore } from './products.ts';
import { rosterStore } from './roster.ts';
import { salonStore } from './salon.ts';
import { sessionStore } from './sessions.ts';
import { sheetStore } from './sheet.ts';
import { tideStore } from './tide.ts';

/** Prepares every statement once; throws when the schema does not match the SQL. */
export function stores(db: Db) {
  return {
    dogs: dogStore(db),
    checks: checkStore(db),
    sessions: sessionStore(db),
    bookings: bookingStore(db),
    salon: salonStore(db),
    kit: kitStore(db),
    photos: photoStore(db),
    products: productStore(db),
    tide: tideStore(db),
    home: homeStore(db),
    post: postStore(db),
    roster: rosterStore(db),
    sheet: sheetStore(db),
    /** Runs work in one transaction that takes the write lock at once: all of it is kept, or nothing. */
    write: <T>(work: () => T): T => db.transaction(work).immediate(),
  };
}
export type Stores = ReturnType<typeof stores>;
export { openDb, migrate, NewerSchemaError, type Db } from './open.ts';
