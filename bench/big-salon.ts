/** A salon after twenty years: thousands of dogs, two million events, twenty people. Made up, the same each time. */
import type { Db } from '../server/db/index.ts';
import { stores } from '../server/db/index.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import { planVisit, openMethod, type PlanRequest } from '../core/bench/index.ts';
import { COAT_CLASSES, ZONE_IDS } from '../core/dog/index.ts';
import { DEFAULT_HOUSE, TOOL_KINDS, type Tool } from '../core/kit/index.ts';
import { day, pick, randomInt, seededRandom } from '../core/quantity/index.ts';
import { fillSmall } from '../tests/small-house.ts';

export interface BigSize {
  readonly dogs: number;
  readonly years: number;
  readonly events: number;
  readonly people: number;
}
export const BIG: BigSize = { dogs: 5_000, years: 20, events: 2_000_000, people: 20 };

const EVENTS_A_SESSION = 20;
const ZONES_A_CHECK = 6;
const DAY_MS = 86_400_000;
const SYLLABLES = ['ba', 'do', 'fe', 'ka', 'lu', 'mi', 'no', 'ri', 'sa', 'tu', 've', 'yl'] as const;

/** Fills an empty database. A dog comes for some years and then no more; today is the day of `nowMs`. */
export function fillBig(db: Db, nowMs: number, size: BigSize = BIG): void {
  const random = seededRandom(7);
  const kept = stores(db, () => nowMs);
  fillSmall(kept, nowMs);
  const name = (): string => {
    const word = Array.from({ length: randomInt(random, 2, 4) }, () => pick(random, SYLLABLES)).join('');
    return word.charAt(0).toUpperCase() + word.slice(1);
  };
  const today = Math.floor(nowMs / DAY_MS);
  const kit = TOOL_KINDS.map((kind): Tool => ({ id: kind, kind, name: kind }));
  const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, { finger: 2 as const, tug: 2 as const }]));
  const snapshotOf = new Map(
    COAT_CLASSES.map((coatClass) => {
      const request: PlanRequest = {
        dog: { name: 'd', breed: '', sex: 'male', coatClass, weightKg: 20, traits: [], outdoorShare: 0.3 },
        check: { day: day(20_000), weightKg: 20, guardMm: {}, zones, inspection: {}, note: '' },
        kit,
        house: DEFAULT_HOUSE,
      };
      const plan = planVisit(request);
      const method = plan.recommended && openMethod(plan, plan.recommended.method);
      if (!method) throw new TypeError(`nothing is open to ${coatClass}`);
      const { kind, against, ...asPlanned } = method;
      const steps = asPlanned.steps.slice(0, 4);
      const snapshot = JSON.stringify({
        plan: { ...asPlanned, steps },
        looseG: 200,
        stops: [],
        conditions: [],
      });
      return [coatClass, { snapshot, steps, method: asPlanned.method }] as const;
    }),
  );
  const dog = db.prepare(
    `INSERT INTO dog (id, name, breed, sex, coat_class, shape, weight_kg, traits, outdoor_share, home_care, note, owner_name, owner_phone)
     VALUES (?, ?, '', 'male', ?, 'spitz', ?, '[]', 0.3, 'some', '', ?, ?)`,
  );
  const check = db.prepare(
    `INSERT INTO coat_check (id, dog_id, day, weight_kg, guard_mm, inspection, note) VALUES (?, ?, ?, 20, '{}', '{}', '')`,
  );
  const zone = db.prepare(`INSERT INTO check_zone (check_id, zone, finger, tug) VALUES (?, ?, ?, ?)`);
  const session = db.prepare(
    'INSERT INTO session (id, dog_id, check_id, day, method, snapshot) VALUES (?, ?, ?, ?, ?, ?)',
  );
  const event = db.prepare('INSERT INTO session_event (id, session_id, at_ms, kind, act) VALUES (?, ?, ?, ?, ?)');
  const booking = db.prepare(`INSERT INTO booking (id, dog_id, starts_at, minutes, note) VALUES (?, ?, ?, 75, '')`);
  const perDog = Math.round(size.events / EVENTS_A_SESSION / size.dogs);
  const span = size.years * 365;
  db.pragma('synchronous = OFF');
  acting.run(UNTRAILED, () => {
    for (let from = 0; from < size.dogs; from += 250)
      kept.write(() => {
        for (let d = from; d < Math.min(size.dogs, from + 250); d++) {
          const id = `big-${d}`;
          const coatClass = pick(random, COAT_CLASSES);
          const made = snapshotOf.get(coatClass);
          if (!made) throw new TypeError('a class without a plan');
          const { snapshot, steps, method } = made;
          dog.run(
            id,
            name(),
            coatClass,
            randomInt(random, 8, 60),
            `${name()} ${name()}`,
            `0${randomInt(random, 1e6, 9e6)}`,
          );
          // Lives of about ten years at the salon, spread over all its years.
          const lasts = Math.min(span, 10 * 365);
          const begins = today - randomInt(random, 0, span - lasts) - lasts;
          for (let s = 0; s < perDog; s++) {
            const on = Math.min(today - 1, begins + Math.round(((s + random()) * lasts) / perDog));
            const [checkId, sessionId] = [`${id}-c${s}`, `${id}-s${s}`];
            check.run(checkId, id, on);
            for (let z = 0; z < ZONES_A_CHECK; z++)
              zone.run(checkId, ZONE_IDS[(z * 5) % ZONE_IDS.length], randomInt(random, 0, 4), randomInt(random, 0, 3));
            session.run(sessionId, id, checkId, on, method, snapshot);
            const at = on * DAY_MS + 8 * 3_600_000;
            const put = (e: number, kind: string, act: object): void =>
              void event.run(`${sessionId}-e${e}`, sessionId, at + e * 240_000, kind, JSON.stringify({ kind, ...act }));
            put(0, 'started', {});
            put(1, 'worker', { name: 'Runa' });
            for (let e = 2; e < EVENTS_A_SESSION - 1; e++) {
              const step = steps[Math.floor(((e - 2) * steps.length) / (EVENTS_A_SESSION - 3))]?.id ?? '';
              if (e % 3 === 0) put(e, 'weighed', { step, grams: randomInt(random, 1, 60), adds: true });
              else if (e % 3 === 1) put(e, 'step', { step });
              else put(e, 'step-done', { step });
            }
            put(EVENTS_A_SESSION - 1, 'finished', {});
          }
          if (begins + lasts > today - 200 && d % 2 === 0)
            booking.run(
              `${id}-b`,
              id,
              new Date((today + 1 + (d % 60)) * DAY_MS + (8 + (d % 8)) * 3_600_000).toISOString().replace('.000', ''),
            );
        }
      });
    for (let p = 0; p < size.people; p++)
      for (const first of kept.roster.people().slice(0, 1))
        kept.roster.insert({ ...first, id: `big-person-${p}`, name: name(), version: 0 });
  });
  db.pragma('synchronous = FULL');
  db.exec('ANALYZE');
  db.pragma('wal_checkpoint(TRUNCATE)');
}
