/** What an owner's page shows of a dog: the week from what was really brushed, what is due, what the tide says. */
import type { DogRecord } from '../../contract/dog.ts';
import {
  type HomeSetupFacts,
  type HomeSetupRecord,
  type HomeTide,
  type OwnerDog,
  type OwnerOutlook,
  type OwnerPage,
} from '../../contract/home.ts';
import { UNASKED, type OwnerPost, type OwnerPostRecord, type PostChannel } from '../../contract/post.ts';
import { TIED, zoneConditions, type Hold } from '../../core/check/index.ts';
import { coatRow, mindAdvice, zone } from '../../core/dog/index.ts';
import {
  dueCare,
  HOME_CARES,
  type HomeCareKind,
  HOME_PARTS,
  homeNeeds,
  homeTools,
  twoMinutes,
  homeWeek,
  partOf,
  seedSeason,
  usualSetup,
  type HomePart,
  type HomeSetup,
  type HomeWeek,
  type HomeWeekRequest,
} from '../../core/home/index.ts';
import { addDays, civilFromDay, day, parseDay, sum, type Day } from '../../core/quantity/index.ts';
import type { Outlook } from '../../core/tide/index.ts';
import type { Feed } from '../calendar.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import { salonInstant } from '../salon-time.ts';
import type { AppContext } from '../context.ts';
import { checkToWork } from '../facts.ts';
import { traitsOf } from '../today.ts';
import { dogToday } from './dog-today.ts';
import { holdsNow } from './holds.ts';
import { offerOf } from './offers.ts';
import { recordOf, sessionResult } from './worked-sessions.ts';
import { Problem } from '../problem.ts';
import type { Stores } from '../db/index.ts';

/** How far back a home's bouts are read. */
const BACK_DAYS = 70;
const ADHERENCE_DAYS = 28;
/** Bouts shown on the page. */
const SHOWN_DAYS = 14;

/** A home that nobody has described: it has the minutes that all its dogs usually ask. */
export function usualHome(stores: Stores, dog: DogRecord): HomeSetupFacts {
  const { brushes: _, ...usual } = usualSetup(dog);
  const all = stores.dogs.ofOwner(dog.owner).map((d) => usualSetup(d).minutesByWeekday);
  return { ...usual, minutesByWeekday: usual.minutesByWeekday.map((_m, i) => sum(all.map((m) => m[i] ?? 0))) };
}
export const setupRecord = ({ stores }: AppContext, dog: DogRecord): HomeSetupRecord =>
  stores.home.setup(dog.id) ?? { ...usualHome(stores, dog), version: 0 };
const brushesOf = ({ stores }: AppContext, dogId: string) =>
  stores.kit.all().flatMap((t) => (t.homeOf === dogId && !t.retired ? [t.kind] : []));

/** Dogs of one owner, this one first. */
export const householdOf = ({ stores }: AppContext, dog: DogRecord): readonly DogRecord[] => [
  dog,
  ...stores.dogs.ofOwner(dog.owner).filter((d) => d.id !== dog.id),
];

const NONE: ReadonlySet<HomePart> = new Set();
/** Minutes a week that a dog would like outside a blow: how a household's minutes are shared out. */
const likes = (dog: DogRecord): number =>
  sum(
    homeNeeds({ dog, blow: false, dragged: NONE, packed: NONE, pinned: NONE, seeds: false, closed: NONE }).map(
      (n) => n.minutes / n.rhythmDays,
    ),
  );

/** The week at home of a request; planning one takes longer than a page may. */
function weekOf({ memos }: AppContext, dogId: string, request: HomeWeekRequest): HomeWeek {
  const facts = JSON.stringify(request, (_, v) => (v instanceof Map || v instanceof Set ? [...v] : v));
  return memos.weeks.of(dogId, facts, () => homeWeek(request));
}

/** Where nobody may brush: a part any of whose zones is held. */
const closedParts = (holds: readonly Hold[]): ReadonlySet<HomePart> =>
  new Set(holds.flatMap(({ place }) => (place === 'dog' ? [] : [partOf(zone(place).region)])));

/** What the newest check and the comb of the session after it say of the coat. */
export function coatNow(
  context: AppContext,
  { check, today, session: last }: ReturnType<typeof dogToday>,
  dog: DogRecord,
) {
  const session = last();
  const conditions = check ? zoneConditions(checkToWork(context, dog, check, today), coatRow(dog.coatClass)) : [];
  // A comb proof from before the newest check is out of date: the check has spoken since.
  const comb = session && check && session.checkId === check.id ? recordOf(context.stores, session).comb : {};
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

/** Visits that are looked back over for what the salon did besides the coat. */
const VISITS_BACK = 8;

/** When the salon last did what a home would do, by its finished sessions. */
function salonCares(context: AppContext, dogId: string): ReadonlyMap<HomeCareKind, Day> {
  const last = new Map<HomeCareKind, Day>();
  for (const line of context.stores.sessions.linesOf(dogId).slice(0, VISITS_BACK)) {
    const { finished, bathed, care } = sessionResult(context, line);
    if (!finished) continue;
    const done: readonly HomeCareKind[] = [
      'look-over',
      ...(bathed ? (['bath'] as const) : []),
      ...care.flatMap((item) => HOME_CARES.find((kind) => kind === item) ?? []),
    ];
    for (const kind of done) if (!last.has(kind)) last.set(kind, day(line.day));
  }
  return last;
}

/** What a dog's home did and was told, and what the tide says of it: all but the plan, which takes longer. */
export function homeNow(context: AppContext, dog: DogRecord) {
  const { stores } = context;
  const now = dogToday(context, dog);
  const { today } = now;
  const session = now.session();
  const bouts = stores.home.boutsOf(dog.id, addDays(today, -BACK_DAYS));
  const visited = session && day(session.day);
  const days = bouts.flatMap((b) => parseDay(b.day) ?? []);
  return {
    ...now,
    visited,
    bouts,
    doneToday: days.includes(today),
    // A home that has noted nothing yet has missed nothing.
    lastBrushed: days.length === 0 ? undefined : day(Math.max(visited ?? -Infinity, ...days)),
    homeTide: tideOf(context, now.outlook, dog),
    due: dueCare(dog, stores.home.lastCares(dog.id), salonCares(context, dog.id), today, addDays(today, 6)),
  };
}

/** All that an owner's page shows of one dog. */
export function ownerDog(context: AppContext, dog: DogRecord): OwnerDog {
  const { stores } = context;
  const now = homeNow(context, dog);
  const { salon, today, bookings, outlook, visited, bouts, doneToday, lastBrushed, homeTide, due } = now;
  const record = setupRecord(context, dog);
  const household = householdOf(context, dog);
  const share = likes(dog) / sum(household.map(likes));
  const setup: HomeSetup = {
    ...record,
    minutesByWeekday: record.minutesByWeekday.map((m) => Math.floor(2 * m * share) / 2),
    brushes: brushesOf(context, dog.id),
  };
  const last = new Map<HomePart, Day>(visited === undefined ? [] : HOME_PARTS.map((p) => [p, visited]));
  for (const b of bouts) {
    const on = parseDay(b.day);
    if (on === undefined || on > today) continue;
    for (const p of b.parts) if ((last.get(p) ?? -Infinity) < on) last.set(p, on);
  }
  const reports = stores.home.reportsOf(dog.id);
  const coat = coatNow(context, now, dog);
  const { dragged, packed } = troubled(coat);
  const holds = holdsNow(context, dog, today);
  const closed = closedParts(holds);
  const traits = traitsOf(dog, today);
  const home = { coatClass: dog.coatClass, traits };
  const tools = homeTools(home, setup);
  const week = weekOf(context, dog.id, {
    dog: home,
    setup,
    today,
    blow: homeTide.blow,
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
    tools,
    short: twoMinutes(week.needs, tools.use, [...closed]) ?? null,
    mind: mindAdvice('home', { traits, weightKg: dog.weightKg, newHere: visited === undefined }).map((a) => a.id),
    due,
    tide: homeTide,
    closed: [...closed],
    holds: holds.map(({ place, since, finding, source, seen }) => ({
      place,
      since,
      finding,
      source,
      seen: seen !== undefined,
    })),
    missedDays: Math.max(0, today - (lastBrushed ?? today) - 1),
    doneToday,
    note: record.note,
    visits: bookings.map(({ startsAt, minutes, service }) => ({ startsAt, minutes, service })),
    offer: heldFor(context, dog.id),
    outlook: outlook ? ownerOutlook(outlook) : null,
    reports: reports.map(({ dogId: _, ...r }) => r),
    bouts: bouts.filter((b) => (parseDay(b.day) ?? 0) > today - SHOWN_DAYS),
  };
}

function heldFor(context: AppContext, dogId: string): OwnerDog['offer'] {
  const offer = offerOf(context, dogId);
  return offer ? { id: offer.id, starts: offer.starts, minutes: offer.minutes, endsAt: offer.endsAt } : null;
}

const ownerOutlook = ({ due, booked, visit, minutes, grams }: Outlook): OwnerOutlook => ({
  due,
  booked,
  visit,
  minutes,
  grams,
});

function tideOf({ tide }: AppContext, outlook: Outlook | undefined, dog: DogRecord): HomeTide {
  const effect = tide.effect(dog.id);
  return {
    blow: outlook?.blow ?? false,
    start: outlook?.start ?? null,
    effect: effect
      ? { kept: effect.kept.likely, without: effect.without.likely, missedWeek: effect.missedWeek.likely }
      : null,
  };
}

/** Bouts a day that a home plans: its class's, as far as it has days with minutes. */
export function boutsPerDay(dog: DogRecord, { minutesByWeekday }: HomeSetupFacts): number {
  return Math.min(coatRow(dog.coatClass).home.boutsPerWeek, minutesByWeekday.filter((m) => m > 0).length) / 7;
}

/** Bouts done of those that were planned, over four weeks; null before anything was noted. */
export function adherenceOf({ stores }: AppContext, dog: DogRecord, today: Day, setup: HomeSetupFacts): number | null {
  const from = addDays(today, -ADHERENCE_DAYS);
  const bouts = stores.home.boutsOf(dog.id, from);
  if (bouts.length === 0) return null;
  const days = new Set(bouts.map((b) => b.day)).size;
  return Math.min(1, days / Math.max(1, ADHERENCE_DAYS * boutsPerDay(dog, setup)));
}

/** Ways in which an owner can be reached. */
const waysOf = ({ phone }: DogRecord['owner'], { email }: OwnerPost): readonly PostChannel[] => [
  'off',
  ...(email === '' ? [] : (['mail'] as const)),
  ...(phone === '' ? [] : (['text'] as const)),
];

/** How the owner of a dog wants to be reminded. */
export const wishOf = ({ stores }: AppContext, { owner }: DogRecord): OwnerPostRecord =>
  stores.post.wish(owner) ?? UNASKED;

/** Refuses a way for which there is no address. */
export function mustReach({ owner }: DogRecord, wish: OwnerPost): void {
  if (waysOf(owner, wish).includes(wish.channel)) return;
  throw wish.channel === 'mail'
    ? new Problem(400, 'email', 'channel "mail" needs an email address. Write one, or choose another way.')
    : new Problem(400, 'channel', 'channel "text" needs a phone number. Write it on the dog’s page, or choose mail.');
}

/** The page a link opens. */
export function ownerPage(context: AppContext, dogIds: readonly string[], feedToken: string): OwnerPage {
  const dogs = dogIds.flatMap((id) => context.stores.dogs.find(id) ?? []);
  const salon = context.stores.salon.find();
  const [first] = dogs;
  const wish = first ? wishOf(context, first) : UNASKED;
  return {
    post: { channel: wish.channel, quiet: wish.quiet, ways: first ? waysOf(first.owner, wish) : ['off'] },
    salonName: salon?.name ?? '',
    timeZone: salon?.timeZone ?? 'UTC',
    feed: `/feed/${feedToken}.ics`,
    dogs: dogs.map((d) => ownerDog(context, d)),
  };
}

/** The calendar of some dogs' homes. */
export function feedOf(context: AppContext, salon: SalonRecord, today: Day, dogs: readonly OwnerDog[]): Feed {
  const { stores } = context;
  const ids = dogs.map((d) => d.id);
  return {
    dogs,
    visits: ids.flatMap((id) => stores.bookings.ofDogFrom(id, salonInstant(today, 0, salon.timeZone))),
    salon,
    nowMs: context.nowMs(),
    // Every bout, check, visit and day may change what is planned.
    sequence: Math.max(0, today - 20_000) + sum(ids.map(stores.home.changes)),
  };
}
