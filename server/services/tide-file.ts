/** What a forecast rests on: the salon's records as sightings of coats, and what the bench says of minutes. */
import { createHash } from 'node:crypto';
import type { CheckRecord } from '../../contract/check.ts';
import { coatCheck } from '../../contract/check-facts.ts';
import type { DogRecord } from '../../contract/dog.ts';
import type { HomeBoutNote } from '../../contract/home.ts';
import { TIDE_FORMAT, TIDE_VERSION, type HomeNote, type LifeNote, type TideFile } from '../../contract/tide.ts';
import { openMethod, outlineOf } from '../../core/bench/index.ts';
import { FINGER_GRADES, type CoatCheck } from '../../core/check/index.ts';
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
  type FoundCoat,
  type LifeEvent,
  type Sighting,
} from '../../core/tide/index.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import { learntFor } from '../../core/tally/index.ts';
import type { AppContext, GatheredFile } from '../context.ts';
import {
  activeDogsInPieces,
  coreDog,
  lastFinishedLine,
  planOf,
  planRoomOf,
  salonOf,
  todayOf,
  type PlanRoom,
} from '../facts.ts';
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

/** Minutes of a visit at each load, as the bench plans them for this coat fuller and emptier than it was found; a load a step. */
function* minutesAt(
  { memos }: AppContext,
  dog: DogRecord,
  found: CoatCheck | undefined,
  room: PlanRoom,
  roomDigest: string,
): Generator<void, readonly number[]> {
  const facts = coreDog(dog);
  const learnt = learntFor(room.taught, dog.id, dog.coatClass);
  const planned = sha256(JSON.stringify([roomDigest, facts, found, learnt]));
  const before = memos.minutes.known(planned, '');
  if (before) return before;
  const made: number[] = [];
  for (const finger of FINGER_GRADES) {
    const check = checkAtGrade(dog, finger, day(0), found);
    made.push(outlineOf({ dog: facts, check, kit: room.kit, house: room.house, learnt }).minutes);
    yield;
  }
  // More hair never takes less time; where a coat grades no higher the time stays.
  const rising = made.map((_, i) => Math.max(...made.slice(0, i + 1)));
  return memos.minutes.put(planned, '', rising);
}

/** The same so that the coat as it was found takes what its plan takes. */
function minutesAsFound(
  context: AppContext,
  check: CheckRecord,
  { load }: FoundCoat,
  usual: readonly number[],
  room: PlanRoom,
): readonly number[] {
  const plan = planOf(context, check, room);
  const best = plan.recommended && openMethod(plan, plan.recommended.method);
  const by = best ? best.minutes / Math.max(1, minutesAtLoad(usual, load)) : 1;
  return usual.map((m) => m * by);
}

/** What one dog's forecasts rest on, as its records stand now; read again when something was written about it. */
export function* bookDog(
  context: AppContext,
  d: DogRecord,
  on: { readonly salon: SalonRecord; readonly today: Day; readonly room: PlanRoom; readonly digest: string },
): Generator<void, BookDog> {
  const { stores, memos } = context;
  const { salon, today, room, digest } = on;
  const checked = context.tide.tide(d.id)?.tide.checked;
  const facts = `${today} ${digest} ${stores.touched.ofDog(d.id)} ${checked?.day} ${checked?.grams.likely.toFixed(1)}`;
  const known = memos.bookDogs.known(d.id, facts);
  if (known) return known;
  const since = today - HEEDED_DAYS;
  const check = unworkedCheck(context, d.id);
  const felt = check && coatCheck(check);
  const found = felt && foundCoat(felt, coreDog(d));
  const usual = yield* minutesAt(context, d, felt, room, digest);
  const minutes = check && found ? minutesAsFound(context, check, found, usual, room) : usual;
  const born = d.born === null ? undefined : parseDay(d.born);
  const sightings: readonly Sighting[] = [
    ...stores.checks.linesOf(d.id, since).flatMap((c) => touchSeen(context, c, d.coatClass) ?? []),
    ...[...stores.sessions.linesOf(d.id, since)].reverse().flatMap((s) => visitSeen(context, s) ?? []),
    ...stores.intake.pastVisits(d.id, since).map(pastVisit),
    ...stores.tide.notesOf(d.id).map(noteSighting),
    ...stores.home.boutsOf(d.id, day(since)).map(boutSighting),
  ];
  return memos.bookDogs.put(d.id, facts, {
    id: d.id,
    name: d.name,
    owner: d.owner.name,
    dog: {
      coatClass: d.coatClass,
      weightKg: d.weightKg,
      outdoorShare: d.outdoorShare,
      homeCare: d.homeCare,
      life: [
        ...stores.tide.livesOf(d.id).map(lifeEvent),
        ...(d.lastSeason === null ? [] : [{ kind: 'season' as const, day: dayOf(d.lastSeason) }]),
      ],
      ...(born !== undefined && { born }),
      ...(d.traits.includes('four-tides') && { fourTides: true }),
    },
    sightings: [...sightings].sort((a, b) => a.day - b.day),
    minutesAt: minutes,
    rhythm: rhythm(coreDog(d), d.homeCare, salon.house.rhythm),
    booked: stores.bookings.ofDogFrom(d.id, salonInstant(today, 0, salon.timeZone)).map((b) => ({
      day: salonDay(Date.parse(b.startsAt), salon.timeZone),
      minutes: b.minutes,
      agreed: b.agreed,
    })),
    ...(found && { found }),
  });
}

/** What the facts of dogs are read with: the same for all of them. */
export function bookRoom(context: AppContext) {
  const salon = salonOf(context);
  const room = planRoomOf(context);
  return { salon, today: todayOf(context, salon), room, digest: digestOf(room) };
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
  const room = planRoomOf(context);
  const digest = digestOf(room);
  for (const dog of dogs) {
    const check = unworkedCheck(context, dog.id);
    yield* minutesAt(context, dog, check && coatCheck(check), room, digest);
  }
  for (const dog of dogs)
    for (const line of stores.checks.linesOf(dog.id, since)) {
      touchSeen(context, line, dog.coatClass);
      yield;
    }
}

/** What a gathered file rests on: a page, its device and the tide's thread ask for the same within a moment. */
const factsNow = (context: AppContext): string => `${todayOf(context, salonOf(context))} ${context.stores.state()}`;

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

/** All of a tide book but its dogs. */
export function tideHead(context: AppContext, { salon, today }: ReturnType<typeof bookRoom>): Omit<TideFile, 'dogs'> {
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
    minutesPerWeek: salon.house.shedHoursPerWeek === undefined ? rostered || doors : salon.house.shedHoursPerWeek * 60,
    roster: { people: people.map(({ version: _, ...p }) => p), away: stores.roster.away(today) },
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
