/** What a forecast rests on: the salon's records as sightings of coats, and what the bench says of minutes. */
import { createHash } from 'node:crypto';
import type { DogRecord } from '../../contract/dog.ts';
import type { HomeBoutNote } from '../../contract/home.ts';
import { TIDE_FORMAT, TIDE_VERSION, type HomeNote, type LifeNote, type TideFile } from '../../contract/tide.ts';
import { outlineOf } from '../../core/bench/index.ts';
import { FINGER_GRADES, type CoatCheck } from '../../core/check/index.ts';
import { ZONE_IDS } from '../../core/dog/index.ts';
import { weekMinutes } from '../../core/book/index.ts';
import { day, ended, parseDay, type Day } from '../../core/quantity/index.ts';
import { HEEDED_DAYS, rhythm, type BookDog, type LifeEvent, type Sighting } from '../../core/tide/index.ts';
import { learntFor } from '../../core/tally/index.ts';
import type { AppContext, GatheredFile } from '../context.ts';
import { activeDogsInPieces, coreDog, planRoomOf, salonOf, todayOf, type PlanRoom } from '../facts.ts';
import { touchSeen, visitSeen } from './worked-sessions.ts';
import { salonDay, salonInstant } from '../salon-time.ts';
import { inPieces } from '../work/pauses.ts';

/** Rows by the dog they are of, in their order. */
function byDog<T extends { readonly dogId: string }>(rows: readonly T[]): ReadonlyMap<string, readonly T[]> {
  const found = new Map<string, T[]>();
  for (const row of rows) {
    const of = found.get(row.dogId);
    if (of) of.push(row);
    else found.set(row.dogId, [row]);
  }
  return found;
}

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

const lifeEvent = ({ kind, day: on, outdoorShare }: LifeNote): LifeEvent => ({
  kind,
  day: dayOf(on),
  ...(outdoorShare !== null && { outdoorShare }),
});

const sha256 = (text: string): string => createHash('sha256').update(text).digest('base64');
/** A room by its house and kit, digested once for all dogs that are planned in it. */
const digestOf = ({ house, kit }: PlanRoom): string => sha256(JSON.stringify([house, kit]));

/** Minutes of a visit at each load, as the bench plans them for a coat that is the same all over; a load a step. */
function* minutesAt(
  { memos }: AppContext,
  dog: DogRecord,
  room: PlanRoom,
  roomDigest: string,
): Generator<void, readonly number[]> {
  const facts = coreDog(dog);
  const learnt = learntFor(room.taught, dog.id, dog.coatClass);
  const planned = sha256(JSON.stringify([roomDigest, facts, learnt]));
  const before = memos.minutes.known(planned, '');
  if (before) return before;
  const made: number[] = [];
  for (const finger of FINGER_GRADES) {
    const felt = { finger, tug: finger >= 3 ? 3 : finger >= 2 ? 2 : 1, tie: 'none', skin: 'clear' } as const;
    const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, felt]));
    const check: CoatCheck = { day: day(0), weightKg: dog.weightKg, guardMm: {}, zones, inspection: {}, note: '' };
    made.push(outlineOf({ dog: facts, check, kit: room.kit, house: room.house, learnt }).minutes);
    yield;
  }
  // More hair never takes less time; where a coat grades no higher the time stays.
  const rising = made.map((_, i) => Math.max(...made.slice(0, i + 1)));
  return memos.minutes.put(planned, '', rising);
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
  for (const dog of dogs) yield* minutesAt(context, dog, room, digest);
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

function* gather(context: AppContext): Generator<void, TideFile> {
  const { stores } = context;
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  const room = planRoomOf(context);
  const digest = digestOf(room);
  const since = today - HEEDED_DAYS;
  const notes = byDog(stores.tide.notes());
  const bouts = byDog(stores.home.bouts());
  const lives = byDog(stores.tide.lives());
  const booked = byDog(stores.bookings.between(salonInstant(today, 0, salon.timeZone), '9999'));
  const { openMinute, closeMinute } = salon.house.hours;
  const people = stores.roster.people();
  const open = salon.house.openWeekdays;
  const rostered = weekMinutes(people, open);
  const doors = (closeMinute - openMinute) * salon.house.tables * open.length;
  const all = yield* activeDogsInPieces(context, salon, today);
  const dogs: BookDog[] = [];
  for (const d of all) {
    yield;
    const life = [
      ...(lives.get(d.id) ?? []).map(lifeEvent),
      ...(d.lastSeason === null ? [] : [{ kind: 'season' as const, day: dayOf(d.lastSeason) }]),
    ];
    const born = d.born === null ? undefined : parseDay(d.born);
    const minutes = yield* minutesAt(context, d, room, digest);
    dogs.push({
      id: d.id,
      name: d.name,
      owner: d.owner.name,
      dog: {
        coatClass: d.coatClass,
        weightKg: d.weightKg,
        outdoorShare: d.outdoorShare,
        homeCare: d.homeCare,
        life,
        ...(born !== undefined && { born }),
        ...(d.traits.includes('four-tides') && { fourTides: true }),
      },
      sightings: [
        ...stores.checks.linesOf(d.id, since).flatMap((c) => touchSeen(context, c, d.coatClass) ?? []),
        ...[...stores.sessions.linesOf(d.id, since)].reverse().flatMap((s) => visitSeen(context, s) ?? []),
        ...(notes.get(d.id) ?? []).map(noteSighting),
        ...(bouts.get(d.id) ?? []).map(boutSighting),
      ].sort((a, b) => a.day - b.day),
      minutesAt: minutes,
      rhythm: rhythm(coreDog(d), d.homeCare, salon.house.rhythm),
      booked: (booked.get(d.id) ?? []).map((b) => salonDay(Date.parse(b.startsAt), salon.timeZone)),
    });
  }
  return {
    format: TIDE_FORMAT,
    version: TIDE_VERSION,
    salon: salon.name,
    town: salon.town,
    today,
    place: { latitudeDeg: salon.latitudeDeg, longitudeDeg: salon.longitudeDeg },
    openWeekdays: salon.house.openWeekdays,
    minutesPerWeek: salon.house.shedHoursPerWeek === undefined ? rostered || doors : salon.house.shedHoursPerWeek * 60,
    roster: { people: people.map(({ version: _, ...p }) => p), away: stores.roster.away(today) },
    wishes: Object.fromEntries([...stores.roster.wishes()].map(([id, { version: _, ...wish }]) => [id, wish])),
    mostMinutes: Object.fromEntries(all.flatMap((d) => (d.standingMinutes ? [[d.id, d.standingMinutes]] : []))),
    unagreed: Object.fromEntries(
      [...booked].map(([id, of]) => [
        id,
        of.filter((b) => !b.agreed).map((b) => salonDay(Date.parse(b.startsAt), salon.timeZone)),
      ]),
    ),
    readings: stores.tide.readings().map(({ day: on, celsius }) => ({ day: on, celsius })),
    dogs,
  };
}
