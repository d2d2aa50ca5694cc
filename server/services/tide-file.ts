/** What a forecast rests on: the salon's records as sightings of coats, and what the bench says of minutes. */
import { createHash } from 'node:crypto';
import type { CheckRecord } from '../../contract/check.ts';
import type { DogRecord } from '../../contract/dog.ts';
import type { HomeBoutNote } from '../../contract/home.ts';
import { TIDE_FORMAT, TIDE_VERSION, type HomeNote, type LifeNote, type TideFile } from '../../contract/tide.ts';
import { openMethod, outlineOf } from '../../core/bench/index.ts';
import { careFor, chargedApart } from '../../core/dog/index.ts';
import { FINGER_GRADES } from '../../core/check/index.ts';
import { weekMinutes } from '../../core/book/index.ts';
import { day, ended, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import {
  checkAtGrade,
  foundCoat,
  HEEDED_DAYS,
  minutesAtLoad,
  rhythm,
  USUAL_TAKES,
  type BookDog,
  type LifeEvent,
  type Sighting,
} from '../../core/tide/index.ts';
import { visitLengths } from '../../core/kit/index.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import { learntFor } from '../../core/tally/index.ts';
import type { AppContext, GatheredFile } from '../context.ts';
import {
  activeDogsInPieces,
  checkToWork,
  clipOrdersOf,
  coreDog,
  lastFinishedLine,
  planOf,
  planRoomOf,
  type PlanRoom,
} from '../facts.ts';
import { salonOf, todayOf, traitsOf } from '../today.ts';
import { holdsNow } from './holds.ts';
import { touchSeen, visitSeen } from './worked-sessions.ts';
import { salonDay, salonInstant } from '../salon-time.ts';
import { inPieces } from '../work/pauses.ts';

const dayOf = (text: string): Day => parseDay(text) ?? day(0);

const noteSighting = ({ what, day: on, amount, grams }: HomeNote): Sighting =>
  what === 'started'
    ? { kind: 'started', day: dayOf(on) }
    : { kind: 'brushed', day: dayOf(on), ...(amount !== null && { amount }), ...(grams !== null && { grams }) };

const boutSighting = ({ day: on, amount }: HomeBoutNote): Sighting => ({
  kind: 'brushed',
  day: dayOf(on),
  ...(amount !== null && { amount }),
});

/** A visit that was brought in: it took what visits usually take. */
const pastVisit = ({ day: on, grams }: { readonly day: number; readonly grams: number | null }): Sighting => ({
  kind: 'visit',
  day: day(on),
  takes: USUAL_TAKES,
  ...(grams !== null && { weighed: { grams, share: USUAL_TAKES } }),
});

const lifeEvent = ({ kind, day: on, outdoorShare }: LifeNote): LifeEvent => ({
  kind,
  day: dayOf(on),
  ...(outdoorShare !== null && { outdoorShare }),
});

const sha256 = (text: string): string => createHash('sha256').update(text).digest('base64');
/** A room by its house and kit, digested once for all dogs that are planned in it. */
const digestOf = ({ house, kit }: PlanRoom): string => sha256(JSON.stringify([house, kit]));

/** What the newest check found that nothing was worked on since. */
export function unworkedCheck(context: AppContext, dogId: string): CheckRecord | undefined {
  const { checks } = context.stores;
  const line = checks.newestLine(dogId);
  const session = lastFinishedLine(context, dogId);
  const check = line && checks.find(line.id);
  return check && session && formatDay(day(session.day)) >= check.day ? undefined : check;
}

type BookRoom = ReturnType<typeof bookRoom>;

/**
 * Minutes of a visit at each load, as the bench plans them for this coat fuller and emptier than it was found; where nobody has
 * worked it since, so that the coat as it was found takes what its plan takes. A plan a step.
 */
function* minutesAt(
  context: AppContext,
  dog: DogRecord,
  check: CheckRecord | undefined,
  { room, digest, today }: BookRoom,
): Generator<void, readonly number[]> {
  const { memos, tide } = context;
  const facts = coreDog(dog, today);
  const found = check && checkToWork(context, dog, check, today);
  const clipOrders = clipOrdersOf(dog, today);
  const learnt = learntFor(room.taught, dog.id, dog.coatClass);
  const checked = check && tide.tide(dog.id)?.tide.checked;
  const planned = sha256(
    JSON.stringify([digest, facts, found, clipOrders, learnt, checked?.day, checked?.grams.likely.toFixed(1)]),
  );
  const before = memos.minutes.known(planned, '');
  if (before) return before;
  const made: number[] = [];
  for (const finger of FINGER_GRADES) {
    yield;
    const at = checkAtGrade(dog, finger, day(0), found);
    made.push(outlineOf({ dog: facts, check: at, kit: room.kit, house: room.house, clipOrders, learnt }).minutes);
  }
  // More hair never takes less time; where a coat grades no higher the time stays. No visit is shorter than the house's shortest.
  const { shortest } = visitLengths(room.house);
  const rising = made.map((_, i) => Math.max(...made.slice(0, i + 1)));
  const visits = (by: number): readonly number[] => rising.map((m) => Math.max(shortest, m * by));
  if (!check || !found) return memos.minutes.put(planned, '', visits(1));
  yield;
  const plan = planOf(context, check, room);
  const best = plan.recommended && openMethod(plan, plan.recommended.method);
  const by = best ? best.minutes / Math.max(1, minutesAtLoad(rising, foundCoat(found, facts).load)) : 1;
  return memos.minutes.put(planned, '', visits(by));
}

/** A dog's records as its forecasts read them, but for what the bench says of minutes. */
function readDog(
  context: AppContext,
  d: DogRecord,
  check: CheckRecord | undefined,
  on: BookRoom,
): Omit<BookDog, 'minutesAt'> {
  const { stores } = context;
  const since = on.today - HEEDED_DAYS;
  const born = d.born === null ? undefined : parseDay(d.born);
  const sightings: readonly Sighting[] = [
    ...stores.checks.linesOf(d.id, since).flatMap((c) => touchSeen(context, c, d.coatClass) ?? []),
    ...[...stores.sessions.linesOf(d.id, since)].reverse().flatMap((s) => visitSeen(context, s) ?? []),
    ...stores.intake.pastVisits(d.id, since).map(pastVisit),
    ...stores.tide.notesOf(d.id).map(noteSighting),
    ...stores.home.boutsOf(d.id, day(since)).map(boutSighting),
  ];
  return {
    ...standing(context, d, check, on),
    dog: {
      ...lifeless(d),
      life: [
        ...stores.tide.livesOf(d.id).map(lifeEvent),
        ...(d.lastSeason === null ? [] : [{ kind: 'season' as const, day: dayOf(d.lastSeason) }]),
      ],
      ...(born !== undefined && { born }),
      ...(d.traits.includes('four-tides') && { fourTides: true }),
    },
    sightings: [...sightings].sort((a, b) => a.day - b.day),
  };
}

/** All of a dog that needs no log. */
const standing = (context: AppContext, d: DogRecord, check: CheckRecord | undefined, { salon, today }: BookRoom) => ({
  id: d.id,
  name: d.name,
  owner: d.owner.name,
  rhythm: rhythm(coreDog(d, today), d.homeCare, salon.house.rhythm),
  apart: chargedApart(careFor(d.care, traitsOf(d, today)), salon.house),
  booked: bookedOf(context, d.id, salon, today),
  ...(check && { found: foundCoat(checkToWork(context, d, check, today), coreDog(d, today)) }),
  holds: holdsNow(context, d, today),
});
const lifeless = ({ coatClass, weightKg, outdoorShare, homeCare }: DogRecord) => ({
  coatClass,
  weightKg,
  outdoorShare,
  homeCare,
});
const bookedOf = ({ stores }: AppContext, dogId: string, salon: SalonRecord, today: Day): BookDog['booked'] =>
  stores.bookings.coatVisitsFrom(dogId, salonInstant(today, 0, salon.timeZone)).map((b) => ({
    day: salonDay(Date.parse(b.startsAt), salon.timeZone),
    minutes: b.minutes,
    agreed: b.agreed,
    ...(b.told !== null && { told: b.told }),
  }));

/** What a dog's records were read at: another word when something was written about it, or a day is over. */
const stampOf = ({ stores }: AppContext, dogId: string, today: Day): string =>
  `${today} ${stores.touched.ofDog(dogId)}`;

/** What one dog's forecasts rest on, as its records stand now. */
export function* bookDog(context: AppContext, d: DogRecord, on: BookRoom): Generator<void, BookDog> {
  const { bookDogs } = context.memos;
  const check = unworkedCheck(context, d.id);
  const minutes = yield* minutesAt(context, d, check, on);
  const stamp = stampOf(context, d.id, on.today);
  const known = bookDogs.known(d.id, stamp);
  if (known && known.minutesAt === minutes) return known;
  return bookDogs.put(d.id, stamp, { ...(known ?? readDog(context, d, check, on)), minutesAt: minutes });
}

/** The facts of a dog that was read before the program was started: as good as read, until something is written. */
const BEFORE = 'before';
export function bookBefore({ memos }: Pick<AppContext, 'memos'>, dogs: readonly BookDog[]): void {
  for (const dog of dogs) memos.bookDogs.put(dog.id, BEFORE, dog);
}

/**
 * The same at once, for lists: what is known of a dog is read again where something was written, with the minutes that were
 * planned last. Of a dog that was never read only the newest day of each kind is said, and no minutes.
 */
export function bookDogAtOnce(context: AppContext, d: DogRecord, on: BookRoom): BookDog {
  const { bookDogs } = context.memos;
  const { salon, today } = on;
  const stamp = stampOf(context, d.id, today);
  const known = bookDogs.known(d.id, stamp);
  if (known) return known;
  if (context.stores.touched.isUntouched(d.id)) {
    const before = bookDogs.known(d.id, BEFORE);
    if (before) return { ...before, booked: bookedOf(context, d.id, salon, today) };
  }
  const check = unworkedCheck(context, d.id);
  const last = bookDogs.last(d.id);
  if (last) return bookDogs.put(d.id, stamp, { ...readDog(context, d, check, on), minutesAt: last.minutesAt });
  const session = lastFinishedLine(context, d.id);
  const felt = context.stores.checks.newestLine(d.id);
  const touched = felt && touchSeen(context, felt, d.coatClass);
  return {
    ...standing(context, d, check, on),
    dog: { ...lifeless(d), life: [] },
    sightings: [
      ...(touched ? [touched] : []),
      ...(session ? [{ kind: 'visit' as const, day: day(session.day), takes: USUAL_TAKES }] : []),
      ...context.stores.intake.pastVisits(d.id, 0).slice(-1).map(pastVisit),
    ].sort((a, b) => a.day - b.day),
    minutesAt: [],
  };
}

/** What the facts of dogs are read with: the same for all of them. */
export function bookRoom(context: AppContext) {
  const room = planRoomOf(context);
  return { salon: salonOf(context), today: room.today, room, digest: digestOf(room) };
}

/** Computes piece by piece what forecasts rest on, so that anyone who asks first does not wait: each step is short. */
export function* warmTide(context: AppContext): Generator<void, void> {
  const { stores } = context;
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  const dogs = yield* activeDogsInPieces(context, salon, today);
  const since = today - HEEDED_DAYS;
  for (const dog of dogs)
    for (const line of stores.sessions.linesOf(dog.id, since)) {
      visitSeen(context, line);
      yield;
    }
  const on = bookRoom(context);
  for (const dog of dogs) {
    yield* minutesAt(context, dog, unworkedCheck(context, dog.id), on);
  }
  for (const dog of dogs)
    for (const line of stores.checks.linesOf(dog.id, since)) {
      touchSeen(context, line, dog.coatClass);
      yield;
    }
}

/** What a gathered file rests on: a page, its device and the tide's thread ask for the same within a moment. */
const factsNow = (context: AppContext): string =>
  `${todayOf(context, salonOf(context))} ${context.stores.state()} ${context.tide.times}`;

/** Gathers again, a dog a step; what is written meanwhile is gathered the next time. */
function* gathering(context: AppContext): Generator<void, GatheredFile> {
  const facts = factsNow(context);
  const known = context.memos.tide.known('', facts);
  return known ?? context.memos.tide.put('', facts, { file: yield* gather(context) });
}

/** All that the salon's forecasts rest on today. */
export const tideFile = (context: AppContext): TideFile => ended(gathering(context)).file;

/** A file as JSON, a dog a step: of thousands of dogs it is long. The same text as JSON.stringify makes of it. */
function* writing({ dogs, ...head }: TideFile): Generator<void, string> {
  const texts: string[] = [];
  for (const dog of dogs) {
    texts.push(JSON.stringify(dog));
    yield;
  }
  return `${JSON.stringify({ ...head, dogs: [] }).slice(0, -2)}${texts.join(',')}]}`;
}

/** The same, written. */
export function tideText(context: AppContext): string {
  const all = ended(gathering(context));
  return (all.text ??= ended(writing(all.file)));
}

/** The same, gathered and written between the requests: nobody waits for it but who asks. */
export async function tideTextInPieces(context: AppContext): Promise<string> {
  const all = await inPieces(gathering(context));
  return (all.text ??= await inPieces(writing(all.file)));
}

/** Visits from today on that are for something else than the coat. */
const othersFrom = ({ stores }: AppContext, salon: SalonRecord, today: Day): TideFile['others'] =>
  stores.bookings
    .between(salonInstant(today, 0, salon.timeZone), '9999')
    .flatMap((b) =>
      b.service === 'coat' ? [] : [{ day: salonDay(Date.parse(b.startsAt), salon.timeZone), minutes: b.minutes }],
    );

/** All of a tide book but its dogs. */
export function tideHead(context: AppContext, { salon, today }: BookRoom): Omit<TideFile, 'dogs'> {
  const { stores } = context;
  const { openMinute, closeMinute } = salon.house.hours;
  const people = stores.roster.people();
  const open = salon.house.openWeekdays;
  const rostered = weekMinutes(people, open);
  const doors = (closeMinute - openMinute) * salon.house.tables * open.length;
  return {
    format: TIDE_FORMAT,
    version: TIDE_VERSION,
    salon: salon.name,
    town: salon.town,
    today,
    place: { latitudeDeg: salon.latitudeDeg, longitudeDeg: salon.longitudeDeg },
    openWeekdays: open,
    rates: salon.house.rates,
    lengths: visitLengths(salon.house),
    evenDays: salon.house.evenDays,
    minutesPerWeek: salon.house.shedHoursPerWeek === undefined ? rostered || doors : salon.house.shedHoursPerWeek * 60,
    roster: { people: people.map(({ version: _, ...p }) => p), away: stores.roster.away(today) },
    apart: stores.roster.apart().map(({ a, b }): readonly [string, string] => [a, b]),
    others: othersFrom(context, salon, today),
    wishes: Object.fromEntries([...stores.roster.wishes()].map(([id, { version: _, ...wish }]) => [id, wish])),
    readings: stores.tide.readings().map(({ day: on, celsius }) => ({ day: on, celsius })),
  };
}

function* gather(context: AppContext): Generator<void, TideFile> {
  const on = bookRoom(context);
  const all = yield* activeDogsInPieces(context, on.salon, on.today);
  const dogs: BookDog[] = [];
  for (const d of all) {
    yield;
    dogs.push(yield* bookDog(context, d, on));
  }
  return {
    ...tideHead(context, on),
    mostMinutes: Object.fromEntries(all.flatMap((d) => (d.standingMinutes ? [[d.id, d.standingMinutes]] : []))),
    dogs,
  };
}
