/** Decides what an owner's page shows of a dog: the week from what was really brushed, what is due, what the tide says. */
import type { DogRecord } from '../contract/dog.ts';
import { coatCheck } from '../contract/check.ts';
import {
  type HomeSetupFacts,
  type HomeSetupRecord,
  type HomeTide,
  type OwnerDog,
  type OwnerPage,
} from '../contract/home.ts';
import { TIED, zoneConditions, type ZoneCondition } from '../core/check/index.ts';
import { coatRow, zone } from '../core/dog/index.ts';
import {
  CLOSING_REPORTS,
  dueCare,
  HOME_PARTS,
  homeNeeds,
  homeTools,
  homeWeek,
  partOf,
  seedSeason,
  usualSetup,
  type HomePart,
  type HomeSetup,
  type HomeWeek,
  type HomeWeekRequest,
} from '../core/home/index.ts';
import { addDays, civilFromDay, day, parseDay, sum, type Day } from '../core/quantity/index.ts';
import { dogToday, recordOf, type Kept } from './facts.ts';
import { tideFile } from './tide-facts.ts';
import type { TideDesk } from './tide-desk.ts';
import type { Stores } from './db/index.ts';

/** How far back a home's bouts are read. */
const BACK_DAYS = 70;
const ADHERENCE_DAYS = 28;
/** Bouts shown on the page. */
const SHOWN_DAYS = 14;

export const setupRecord = ({ stores }: Kept, dog: DogRecord): HomeSetupRecord => {
  const { brushes: _, ...usual } = usualSetup(dog);
  return stores.home.setup(dog.id) ?? { ...usual, version: 0 };
};
const brushesOf = ({ stores }: Kept, dogId: string) =>
  stores.kit.all().flatMap((t) => (t.homeOf === dogId && !t.retired ? [t.kind] : []));

/** Dogs of one owner, this one first. */
export function householdOf({ stores }: Kept, dog: DogRecord): readonly DogRecord[] {
  const { name, phone } = dog.owner;
  const others = stores.dogs.all().filter((d) => d.id !== dog.id && d.owner.name === name && d.owner.phone === phone);
  return [dog, ...others];
}

const NONE: ReadonlySet<HomePart> = new Set();
/** Minutes a week that a dog would like outside a blow: how a household's minutes are shared out. */
const likes = (dog: DogRecord): number =>
  sum(
    homeNeeds({ dog, blow: false, dragged: NONE, packed: NONE, pinned: NONE, seeds: false, closed: NONE }).map(
      (n) => n.minutes / n.rhythmDays,
    ),
  );

/** Weeks that were planned for the same facts: a plan takes longer than a page may. */
const WEEKS = new WeakMap<Stores, Map<string, { readonly facts: string; readonly week: HomeWeek }>>();
function weekOf({ stores }: Kept, dogId: string, request: HomeWeekRequest): HomeWeek {
  const known = WEEKS.get(stores) ?? new Map();
  WEEKS.set(stores, known);
  const facts = JSON.stringify(request, (_, v) => (v instanceof Map || v instanceof Set ? [...v] : v));
  const before = known.get(dogId);
  if (before?.facts === facts) return before.week;
  const week = homeWeek(request);
  known.set(dogId, { facts, week });
  return week;
}

/** Where nobody may brush: a part any of whose zones was stopped, or of which something was reported that somebody must see. */
function closedParts(conditions: readonly ZoneCondition[], reported: readonly HomePart[]): ReadonlySet<HomePart> {
  const stopped = conditions.filter((c) => c.kind === 'stop').map((c) => partOf(zone(c.zone).region));
  return new Set([...stopped, ...reported]);
}

/** What the newest check and the comb of the session after it say of the coat. */
export function coatNow(kept: Kept, { check, session }: ReturnType<typeof dogToday>, dog: DogRecord) {
  const conditions = check ? zoneConditions(coatCheck(check), coatRow(dog.coatClass)) : [];
  // A comb proof from before the newest check is out of date: the check has spoken since.
  const comb = session && check && session.checkId === check.id ? recordOf(kept, session).comb : {};
  return { conditions, comb };
}

/** Parts that dragged at the comb, and that were packed or tied. */
function troubled({ conditions, comb }: ReturnType<typeof coatNow>) {
  const dragged = new Set(
    conditions.filter((c) => (comb[c.zone] ?? 'glides') !== 'glides').map((c) => partOf(zone(c.zone).region)),
  );
  const packed = new Set(
    conditions.filter((c) => c.kind === 'packed' || TIED.includes(c.kind)).map((c) => partOf(zone(c.zone).region)),
  );
  return { dragged, packed };
}

/** All that an owner's page shows of one dog. */
export function ownerDog(kept: Kept, desk: TideDesk, dog: DogRecord): OwnerDog {
  const { stores } = kept;
  const now = dogToday(kept, dog);
  const { salon, today, session, bookings, next } = now;
  const record = setupRecord(kept, dog);
  const household = householdOf(kept, dog);
  const share = likes(dog) / sum(household.map(likes));
  const setup: HomeSetup = {
    ...record,
    minutesByWeekday: record.minutesByWeekday.map((m) => Math.floor(2 * m * share) / 2),
    brushes: brushesOf(kept, dog.id),
  };
  const bouts = stores.home.boutsOf(dog.id, addDays(today, -BACK_DAYS));
  const visited = session && day(session.day);
  const last = new Map<HomePart, Day>(visited === undefined ? [] : HOME_PARTS.map((p) => [p, visited]));
  for (const b of bouts) {
    const on = parseDay(b.day);
    if (on === undefined || on > today) continue;
    for (const p of b.parts) if ((last.get(p) ?? -Infinity) < on) last.set(p, on);
  }
  const reports = stores.home.reportsOf(dog.id);
  const reported = reports.flatMap((r) =>
    !r.closed && r.part !== null && CLOSING_REPORTS.includes(r.kind) ? [r.part] : [],
  );
  const coat = coatNow(kept, now, dog);
  const { dragged, packed } = troubled(coat);
  const closed = closedParts(coat.conditions, reported);
  const tide = tideOf(desk, dog, today, now.tide !== 'baseline');
  const days = bouts.flatMap((b) => parseDay(b.day) ?? []);
  const doneToday = days.includes(today);
  // A home that has noted nothing yet has missed nothing.
  const lastBout = days.length === 0 ? today : Math.max(visited ?? -Infinity, ...days);
  const week = weekOf(kept, dog.id, {
    dog: { coatClass: dog.coatClass, traits: dog.traits },
    setup,
    today,
    blow: tide.blow,
    seedSeason: seedSeason(civilFromDay(today).month, salon.latitudeDeg),
    last,
    dragged,
    packed,
    closed,
    doneToday,
  });
  return {
    id: dog.id,
    name: dog.name,
    coatClass: dog.coatClass,
    shape: dog.shape,
    today,
    week,
    tools: homeTools(dog, setup),
    due: dueCare(dog, stores.home.lastCares(dog.id), visited, today, addDays(today, 6)),
    tide,
    closed: [...closed],
    missedDays: Math.max(0, today - lastBout - 1),
    doneToday,
    note: record.note,
    visit: bookings[0] ? { startsAt: bookings[0].startsAt, minutes: bookings[0].minutes } : null,
    visitDue: bookings[0] ? null : (next?.day ?? null),
    reports: reports.map(({ dogId: _, ...r }) => r),
    bouts: bouts.filter((b) => (parseDay(b.day) ?? 0) > today - SHOWN_DAYS),
  };
}

function tideOf(desk: TideDesk, dog: DogRecord, today: Day, priorBlow: boolean): HomeTide {
  const known = desk.digest(dog.id);
  const start = known?.starts.find((s) => s.tide !== 'life' && s.high > today - 45);
  return {
    blow: known?.blow ?? priorBlow,
    start: start ? { key: start.key, low: start.low, likely: start.likely, high: start.high } : null,
    effect: known
      ? {
          kept: known.effect.kept.likely,
          without: known.effect.without.likely,
          missedWeek: known.effect.missedWeek.likely,
        }
      : null,
  };
}

/** Bouts a day that a home plans: its class's, as far as it has days with minutes. */
function boutsPerDay(dog: DogRecord, { minutesByWeekday }: HomeSetupFacts): number {
  return Math.min(coatRow(dog.coatClass).home.boutsPerWeek, minutesByWeekday.filter((m) => m > 0).length) / 7;
}

/** Has the tide reckoned from today's facts; pages do not wait for it. */
export function askTide(kept: Kept, desk: TideDesk): void {
  desk.soon(() => {
    const book = tideFile(kept);
    const visits = new Map(book.dogs.map((d) => [d.id, d.booked[0]]));
    return {
      book,
      homes: kept.stores.dogs.all().map((d) => ({
        id: d.id,
        boutsPerDay: boutsPerDay(d, setupRecord(kept, d)),
        visit: visits.get(d.id),
      })),
    };
  });
}

/** Bouts done of those that were planned, over four weeks; null before anything was noted. */
export function adherenceOf({ stores }: Kept, dog: DogRecord, today: Day, setup: HomeSetupFacts): number | null {
  const from = addDays(today, -ADHERENCE_DAYS);
  const bouts = stores.home.boutsOf(dog.id, from);
  if (bouts.length === 0) return null;
  const days = new Set(bouts.map((b) => b.day)).size;
  return Math.min(1, days / Math.max(1, ADHERENCE_DAYS * boutsPerDay(dog, setup)));
}

/** The page a link opens. */
export function ownerPage(kept: Kept, desk: TideDesk, dogIds: readonly string[], feedToken: string): OwnerPage {
  const dogs = dogIds.flatMap((id) => kept.stores.dogs.find(id) ?? []);
  const salon = kept.stores.salon.find();
  return {
    salonName: salon?.name ?? '',
    timeZone: salon?.timeZone ?? 'UTC',
    feed: `/feed/${feedToken}.ics`,
    dogs: dogs.map((d) => ownerDog(kept, desk, d)),
  };
}
