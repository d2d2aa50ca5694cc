/** The stores of one open database. */
import { accountStore } from './accounts.ts';
import { bookingStore } from './bookings.ts';
import { checkStore } from './checks.ts';
import { dogStore } from './dogs.ts';
import { forgetStore } from './forget.ts';
import { intakeStore } from './intake.ts';
import { holdStore } from './holds.ts';
import { homeStore } from './home.ts';
import { jobStore } from './jobs.ts';
import { kitStore } from './kit.ts';
import type { Db } from './open.ts';
import { offerStore } from './offers.ts';
import { photoStore } from './photos.ts';
import { postStore } from './post.ts';
import { practiceStore } from './practice.ts';
import { productStore } from './products.ts';
import { yearStore } from './years.ts';
import { rosterStore } from './roster.ts';
import { salonStore } from './salon.ts';
import { sessionStore } from './sessions.ts';
import { sheetStore } from './sheet.ts';
import { countTouches } from './touched.ts';
import { keepTrail, trailStore } from './trail.ts';
import { tideStore } from './tide.ts';

/** Prepares every statement once; throws when the schema does not match the SQL. The clock is the trail's. */
export function stores(db: Db, nowMs: () => number = Date.now) {
  keepTrail(db, nowMs);
  const changes = db.prepare<[], { state: string }>(
    "SELECT total_changes() || ' ' || data_version AS state FROM pragma_data_version",
  );
  return {
    accounts: accountStore(db),
    trail: trailStore(db),
    jobs: jobStore(db),
    intake: intakeStore(db),
    forget: forgetStore(db),
    dogs: dogStore(db),
    checks: checkStore(db),
    sessions: sessionStore(db),
    bookings: bookingStore(db),
    offers: offerStore(db),
    salon: salonStore(db),
    kit: kitStore(db),
    photos: photoStore(db),
    practice: practiceStore(db),
    products: productStore(db),
    years: yearStore(db),
    tide: tideStore(db),
    home: homeStore(db),
    holds: holdStore(db),
    post: postStore(db),
    roster: rosterStore(db),
    sheet: sheetStore(db),
    touched: countTouches(db),
    /** Another word as soon as anything was written, here or by another connection. */
    state: (): string => changes.get()?.state ?? '',
    /** Runs work in one transaction that takes the write lock at once: all of it is kept, or nothing. */
    write: <T>(work: () => T): T => db.transaction(work).immediate(),
  };
}
export type Stores = ReturnType<typeof stores>;
export { openDb, migrate, newestSchema, NewerSchemaError, type Db } from './open.ts';
