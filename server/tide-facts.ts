/** Decides what a forecast rests on: the salon's records as sightings of coats, and what the bench says of minutes. */
import type { DogRecord } from '../contract/dog.ts';
import { coatCheck } from '../contract/check.ts';
import { TIDE_FORMAT, TIDE_VERSION, type HomeNote, type LifeNote, type TideFile } from '../contract/tide.ts';
import { outlines } from '../core/bench/index.ts';
import { FINGER_GRADES, type CoatCheck } from '../core/check/index.ts';
import { ZONE_IDS } from '../core/dog/index.ts';
import { day, parseDay, type Day } from '../core/quantity/index.ts';
import { rhythm, touchOf, visitOf, type BookDog, type LifeEvent, type Sighting } from '../core/tide/index.ts';
import { learntFor } from '../core/tally/index.ts';
import type { Stores } from './db/index.ts';
import type { StoredSession } from './db/sessions.ts';
import { coreDog, planRoomOf, recordOf, salonOf, todayOf, type Kept, type PlanRoom } from './facts.ts';
import { salonDay, salonInstant } from './salon-time.ts';

type Visit = Extract<Sighting, { kind: 'visit' }> | undefined;
/** What each session came to when it had so many events: folding years of logs takes a second. */
const VISITS = new WeakMap<Stores, Map<string, { readonly events: number; readonly visit: Visit }>>();
/** Minutes by load, while dog, house, kit and what the log taught are the same. */
const MINUTES = new WeakMap<Stores, { room: string; readonly of: Map<string, readonly number[]> }>();

function visitsByDog(kept: Kept): ReadonlyMap<string, readonly Sighting[]> {
  const { stores } = kept;
  const known = VISITS.get(stores) ?? new Map();
  VISITS.set(stores, known);
  const counts = stores.sessions.eventCounts();
  const of = (s: StoredSession): Visit => {
    const events = counts.get(s.id) ?? 0;
    const before = known.get(s.id);
    if (before?.events === events) return before.visit;
    const record = recordOf(kept, s);
    const visit =
      record.state === 'finished' ? visitOf({ day: day(s.day), looseG: s.snapshot.looseG, record }) : undefined;
    known.set(s.id, { events, visit });
    return visit;
  };
  const rows = stores.sessions.all().map((s) => ({ dogId: s.dogId, visit: of(s) }));
  return new Map([...byDog(rows)].map(([id, of]) => [id, of.flatMap((r) => r.visit ?? [])]));
}

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

const lifeEvent = ({ kind, day: on, outdoorShare }: LifeNote): LifeEvent => ({
  kind,
  day: dayOf(on),
  ...(outdoorShare !== null && { outdoorShare }),
});

/** Minutes of a visit at each load, as the bench plans them for a coat that is the same all over. */
function minutesAt(kept: Kept, dog: DogRecord, room: PlanRoom): readonly number[] {
  const { stores } = kept;
  const now = JSON.stringify([room.house, room.kit, stores.sessions.teachings()]);
  let known = MINUTES.get(stores);
  if (known?.room !== now) MINUTES.set(stores, (known = { room: now, of: new Map() }));
  const key = `${dog.id} ${dog.version}`;
  const before = known.of.get(key);
  if (before) return before;
  const facts = coreDog(dog);
  const requests = FINGER_GRADES.map((finger) => {
    const felt = { finger, tug: finger >= 3 ? 3 : finger >= 2 ? 2 : 1, tie: 'none', skin: 'clear' } as const;
    const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, felt]));
    const check: CoatCheck = { day: day(0), weightKg: dog.weightKg, guardMm: {}, zones, inspection: {}, note: '' };
    const learnt = learntFor(room.taught, dog.id, dog.coatClass);
    return { dog: facts, check, kit: room.kit, house: room.house, learnt };
  });
  const made = [...outlines(requests)].flatMap((few) => few.outlines.map((o) => o.minutes));
  // More hair never takes less time; where a coat grades no higher the time stays.
  const rising = made.map((_, i) => Math.max(...made.slice(0, i + 1)));
  known.of.set(key, rising);
  return rising;
}

/** All that the salon's forecasts rest on today. */
export function tideFile(kept: Kept): TideFile {
  const { stores } = kept;
  const salon = salonOf(kept);
  const today = todayOf(kept, salon);
  const room = planRoomOf(kept);
  const visits = visitsByDog(kept);
  const notes = byDog(stores.tide.notes());
  const lives = byDog(stores.tide.lives());
  const checks = byDog(stores.checks.all());
  const booked = byDog(stores.bookings.between(salonInstant(today, 0, salon.timeZone), '9999'));
  const { openMinute, closeMinute } = salon.house.hours;
  return {
    format: TIDE_FORMAT,
    version: TIDE_VERSION,
    salon: salon.name,
    town: salon.town,
    today,
    place: { latitudeDeg: salon.latitudeDeg, longitudeDeg: salon.longitudeDeg },
    openWeekdays: salon.house.openWeekdays,
    minutesPerWeek:
      salon.house.shedHoursPerWeek === undefined
        ? (closeMinute - openMinute) * salon.house.tables * salon.house.openWeekdays.length
        : salon.house.shedHoursPerWeek * 60,
    readings: stores.tide.readings().map(({ day: on, celsius }) => ({ day: on, celsius })),
    dogs: stores.dogs.all().map((d): BookDog => {
      const life = [
        ...(lives.get(d.id) ?? []).map(lifeEvent),
        ...(d.lastSeason === null ? [] : [{ kind: 'season' as const, day: dayOf(d.lastSeason) }]),
      ];
      const born = d.born === null ? undefined : parseDay(d.born);
      return {
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
          ...(checks.get(d.id) ?? []).flatMap((c) => touchOf(coatCheck(c), d.coatClass) ?? []),
          ...(visits.get(d.id) ?? []),
          ...(notes.get(d.id) ?? []).map(noteSighting),
        ].sort((a, b) => a.day - b.day),
        minutesAt: minutesAt(kept, d, room),
        rhythm: rhythm(coreDog(d), d.homeCare, salon.house.rhythm),
        booked: (booked.get(d.id) ?? []).map((b) => salonDay(Date.parse(b.startsAt), salon.timeZone)),
      };
    }),
  };
}
