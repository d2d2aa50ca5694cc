/**
 * Decides the demo salon: a year behind it and bookings ahead, from a seed, relative to the day it is made.
 * Every past visit is computed by core as a real one would be: coat by the tide, check by the coat, plan by the
 * check, weights by the plan with the scatter of life.
 */
import type { CheckDraft } from '../contract/check.ts';
import { coatCheck } from '../contract/check-facts.ts';
import type { DogRecord } from '../contract/dog.ts';
import type { SalonEdit } from '../contract/salon.ts';
import { openMethod, planVisit, type MethodPlan } from '../core/bench/index.ts';
import { sessionRecord, walks, type SessionAct, type SessionEvent } from '../core/table/index.ts';
import { freeStarts, type Span } from '../core/book/index.ts';
import type { CombGrade, ZoneFindings } from '../core/check/index.ts';
import { bodySurfaceM2, breedOf, coatRow, zone, type Region, type ZoneId } from '../core/dog/index.ts';
import { DEFAULT_HOUSE } from '../core/kit/index.ts';
import {
  addDays,
  clamp,
  day,
  formatDay,
  isoWeekday,
  pick,
  randomInt,
  randomNormal,
  seededRandom,
  type Day,
  type Random,
} from '../core/quantity/index.ts';
import { HOME_CARE, leftBySession, nextOpenDay, rhythm } from '../core/tide/index.ts';
import type { Stores } from '../server/db/index.ts';
import { coreDog } from '../server/facts.ts';
import { salonDay, salonInstant } from '../server/salon-time.ts';
import { CAST, DEMO_KIT, DEMO_UPKEEP, HOME_BRUSHES, type CastDog } from './cast.ts';
import { dogId, fillHomes } from './homes.ts';
import { findingsForLoad } from './coat-of-day.ts';
import { Coat, townShifts, type TownShifts } from './coat-of-years.ts';
import { fillRoster } from './roster.ts';
import { fillAccounts } from './accounts.ts';
import { acting, UNTRAILED } from '../server/auth/acting.ts';
import { stationReading } from './devices/weather-station.ts';

export const DEMO_SALON: SalonEdit = {
  name: 'The Slipway Dog Room',
  town: 'Tarnholm',
  latitudeDeg: 60.2,
  longitudeDeg: 21.4,
  timeZone: 'Europe/Helsinki',
  house: {
    ...DEFAULT_HOUSE,
    tables: 2,
    tubs: 1,
    dryPlaces: 2,
    openWeekdays: [1, 2, 3, 4, 5, 6],
    hours: { openMinute: 8 * 60, closeMinute: 18 * 60 },
    // The rest of the week goes to clips and puppies.
    shedHoursPerWeek: 16,
  },
  version: 1,
};

/** Years of log behind the salon. */
const HISTORY_DAYS = 3 * 365;
const SEED = 20260404;
/** Has a hot spot in its newest check: nobody grooms there today. */
const SORE = 'Juniper';
/** Who works here, and how long they take against the plan. */
const HANDS = [
  { name: 'Runa', pace: 0.98 },
  { name: 'Bertil', pace: 1.14 },
] as const;

/** For so long hands have said on which zone they are. */
const WALKED_DAYS = 80;
/** Where this house takes longer than it thinks. */
const SLOW_ZONES: Partial<Readonly<Record<Region, number>>> = { breeches: 1.25, armpit: 1.2, ruff: 1.1 };

/** Fills an empty database. Same seed and same day, same salon. */
export function fillDemo(stores: Stores, nowMs: number, seed = SEED): void {
  // What the demo was filled with is nobody's doing.
  acting.run(UNTRAILED, () =>
    stores.write(() => {
      const random = seededRandom(seed);
      stores.salon.insert(DEMO_SALON);
      const today = salonDay(nowMs, DEMO_SALON.timeZone);
      const daysAgo = (days: number): string => formatDay(addDays(today, -days));
      for (const { id, daysInUse, ...tool } of DEMO_KIT) {
        stores.kit.insert(id, { ...tool, since: daysAgo(daysInUse), homeOf: null });
      }
      DEMO_UPKEEP.forEach(([toolId, act, days], i) =>
        stores.kit.addUpkeep({ id: `demo-upkeep-${i}`, toolId, act, day: daysAgo(days) }),
      );
      const book = new DemoBook(stores);
      for (let d = addDays(today, -HISTORY_DAYS - 120); d < today; d = day(d + 1))
        stores.tide.read(stationReading(DEMO_SALON, d), true);
      const shifts = townShifts(DEMO_SALON, today, random);
      CAST.forEach((cast, i) => new DemoDog(stores, book, random, today, shifts, cast, i).live());
      HOME_BRUSHES.forEach(([name, tool], i) =>
        stores.kit.insert(`home-brush-${i}`, { ...tool, costCents: null, since: null, homeOf: dogId(name) }),
      );
      fillHomes(stores, today, seededRandom(seed + 1));
      fillRoster(stores, today, DEMO_SALON);
      fillAccounts(stores, nowMs);
    }),
  );
}

/** The demo's book, so that no more dogs stand in the room than there are tables. */
class DemoBook {
  private readonly spans = new Map<Day, Span[]>();
  private count = 0;
  constructor(private readonly stores: Stores) {}

  /** Books the first free start on or after a day. */
  take(dogId: string, from: Day, minutes: number, random: Random): void {
    for (
      let d = nextOpenDay(from, DEMO_SALON.house.openWeekdays);
      ;
      d = nextOpenDay(addDays(d, 1), DEMO_SALON.house.openWeekdays)
    ) {
      const spans = this.spans.get(d) ?? [];
      const free = freeStarts(minutes, spans, DEMO_SALON.house.hours, DEMO_SALON.house.tables).filter(
        (s) => s % 30 === 0,
      );
      if (free.length === 0) continue;
      const start = free[Math.min(free.length - 1, randomInt(random, 0, 3))] ?? free[0];
      if (start === undefined) continue;
      this.spans.set(d, [...spans, { start, minutes }]);
      this.stores.bookings.insert({
        id: `demo-booking-${++this.count}`,
        dogId,
        startsAt: salonInstant(d, start, DEMO_SALON.timeZone),
        minutes,
        note: '',
      });
      return;
    }
  }
}

/** An owner of several dogs has one number. */
const phoneOf = (stores: Stores, owner: string, fresh: string): string =>
  stores.dogs.all().find((d) => d.owner.name === owner)?.owner.phone ?? fresh;

/** One dog's year. */
class DemoDog {
  private readonly id: string;
  private readonly record: DogRecord;
  private visits = 0;
  private notes = 0;
  constructor(
    private readonly stores: Stores,
    private readonly book: DemoBook,
    private readonly random: Random,
    private readonly today: Day,
    private readonly shifts: TownShifts,
    private readonly cast: CastDog,
    private readonly index: number,
  ) {
    this.id = dogId(cast.name);
    this.record = {
      id: this.id,
      name: cast.name,
      breed: cast.breed,
      sex: random() < 0.5 ? 'female' : 'male',
      born: formatDay(addDays(today, -Math.round(cast.years * 365.25) - randomInt(random, 0, 200))),
      coatClass: cast.coatClass,
      shape: breedOf(cast.breed)?.shape ?? 'retriever',
      lastSeason: null,
      weightKg: cast.weightKg,
      traits: cast.traits,
      outdoorShare: cast.outdoorShare,
      standingMinutes: null,
      homeCare: pick(random, HOME_CARE),
      note: '',
      owner: {
        name: cast.owner,
        phone: phoneOf(stores, cast.owner, `040 555 ${String(randomInt(random, 1000, 9999))}`),
      },
      version: 1,
    };
    const { id, version, ...draft } = this.record;
    stores.dogs.insert(id, draft);
  }

  live(): void {
    // The two newest clients have no history; the walk through the house starts with one of them.
    if (this.index === 8 || this.index === 20) return;
    const { cast, random } = this;
    const from = addDays(this.today, -HISTORY_DAYS);
    const coat = coatRow(cast.coatClass);
    const fullG = coat.fullLoadGPerM2 * bodySurfaceM2(cast.weightKg);
    const years = new Coat({
      dog: this.record,
      from,
      days: HISTORY_DAYS,
      place: DEMO_SALON,
      shifts: this.shifts,
      random,
    });
    let storeG = fullG * 0.3;
    let lastDay = from;
    let visitDay = nextOpenDay(addDays(from, randomInt(random, 3, 40)), DEMO_SALON.house.openWeekdays);
    let nextDue = visitDay;
    // Every fifth owner has let it slide for a while.
    const late = this.index % 5 === 3 ? 45 : this.cast.name === SORE ? 5 : 0;
    const until = addDays(this.today, -late);
    while (visitDay < until) {
      const home = years.until(lastDay, visitDay, storeG);
      for (const note of home.notes)
        this.stores.tide.addNote(this.id, { ...note, id: `${this.id}-home-${++this.notes}` });
      storeG = home.storeG;
      const worked = this.visit(visitDay, storeG / fullG);
      storeG *= worked.leftShare;
      lastDay = visitDay;
      nextDue = worked.next;
      // People come early, late, or skip one.
      const slip = Math.round(randomNormal(random, 2, 8)) + (random() < 0.12 ? 25 : 0);
      visitDay = nextOpenDay(
        addDays(nextDue, Math.max(slip, 10 - (nextDue - visitDay))),
        DEMO_SALON.house.openWeekdays,
      );
    }
    this.lookAhead(nextDue, storeG / fullG);
  }

  private check(on: Day, load: number, more: Partial<Record<ZoneId, ZoneFindings>> = {}): CheckDraft {
    const { cast, random } = this;
    const longer = cast.coatClass.startsWith('smooth') ? 1 : 1.4;
    const draft: CheckDraft = {
      id: `${this.id}-check-${++this.visits}`,
      day: formatDay(on),
      weightKg: Math.round(cast.weightKg * (1 + randomNormal(random, 0, 0.02)) * 10) / 10,
      guardMm: {
        back: cast.backMm,
        ruff: Math.round(cast.backMm * longer),
        breeches: Math.round(cast.backMm * longer * 0.95),
      },
      zones: { ...findingsForLoad(cast.coatClass, load, random), ...more },
      inspection: {
        eyes: 'fine',
        teeth: random() < 0.15 ? 'watch' : 'fine',
        ears: 'fine',
        joints: 'fine',
        stance: 'fine',
        breathing: 'fine',
        nails: random() < 0.2 ? 'watch' : 'fine',
        skin: 'fine',
        parasites: 'fine',
        lumps: 'fine',
        rear: 'fine',
      },
      note: '',
    };
    this.stores.checks.insert(this.id, draft);
    return draft;
  }

  /** A past visit: check, plan, session with its events. Returns what it left and when the next one fell due. */
  private visit(on: Day, load: number): { leftShare: number; next: Day } {
    const draft = this.check(on, load);
    const check = coatCheck(draft);
    const dog = coreDog(this.record);
    const plan = planVisit({ dog, check, kit: DEMO_KIT, house: DEMO_SALON.house });
    const chosen = plan.recommended && openMethod(plan, plan.recommended.method);
    if (!chosen) return { leftShare: 1, next: addDays(on, 7) };
    const { kind, against, ...method } = chosen;
    const id = `${this.id}-session-${this.visits}`;
    this.stores.sessions.insert({
      id,
      dogId: this.id,
      checkId: draft.id,
      day: on,
      method: method.method,
      snapshot: { plan: method, looseG: plan.looseG.likely, stops: plan.stops.zones, conditions: plan.conditions },
    });
    const events = this.eventsOf(id, on, method);
    this.stores.sessions.append(id, events);
    const left = leftBySession({
      day: on,
      looseG: plan.looseG.likely,
      record: sessionRecord(events, method.steps),
    });
    const { shortest, longest } = rhythm(dog, this.record.homeCare);
    const next = nextOpenDay(addDays(on, Math.round((shortest + 2 * longest) / 3)), DEMO_SALON.house.openWeekdays);
    return { leftShare: left.leftShare, next };
  }

  private eventsOf(sessionId: string, on: Day, plan: MethodPlan): readonly SessionEvent[] {
    const { random } = this;
    const events: SessionEvent[] = [];
    let atMs = Date.parse(salonInstant(on, 8 * 60 + 30 + 15 * randomInt(random, 0, 12), DEMO_SALON.timeZone));
    const log = (act: SessionAct): void => {
      events.push({ id: `${sessionId}-${events.length}`, atMs, act });
      atMs += 4000;
    };
    const hands = pick(random, HANDS);
    const walked = on >= addDays(this.today, -WALKED_DAYS);
    log({ kind: 'worker', name: hands.name });
    log({ kind: 'started' });
    plan.steps.forEach((step) => {
      const took = step.minutes * 60_000 * clamp(randomNormal(random, hands.pace, 0.15), 0.6, 1.6);
      if (walked && walks(step)) {
        // Lately hands say where they are: zone by zone, some slower than others.
        const all = step.zones.reduce((t, z) => t + z.minutes, 0);
        for (const z of step.zones) {
          log({ kind: 'zone', step: step.id, zone: z.zone });
          const share = all > 0 ? z.minutes / all : 1 / step.zones.length;
          atMs += Math.round(
            took * share * (SLOW_ZONES[zone(z.zone).region] ?? 1) * clamp(randomNormal(random, 0.97, 0.25), 0.4, 2),
          );
        }
      } else {
        log({ kind: 'step', step: step.id });
        atMs += Math.round(took);
      }
      if (step.gramsOut >= 3) {
        log({
          kind: 'weighed',
          step: step.id,
          grams: Math.round(step.gramsOut * clamp(randomNormal(random, 1, 0.2), 0.4, 1.8)),
        });
      }
      log({ kind: 'step-done', step: step.id });
    });
    const proof = plan.steps.findLast((s) => s.phase === 'comb' || s.phase === 'edge' || s.phase === 'finish');
    for (const { zone } of proof?.zones ?? []) {
      const result: CombGrade = random() < 0.93 ? 'glides' : random() < 0.85 ? 'drags' : 'stops';
      log({ kind: 'comb', zone, result });
    }
    log({ kind: 'finished' });
    return events;
  }

  /** What is open today: a vet to wait for, a check without a plan worked, bookings ahead, or nothing yet. */
  private lookAhead(nextDue: Day, load: number): void {
    const { random, today, index } = this;
    if (this.cast.name === SORE) {
      this.check(addDays(today, -2), load, {
        'hip.left': { finger: 2, tug: 2, comb: 'drags', tie: 'none', skin: 'hot-spot' },
      });
      return;
    }
    if (this.cast.name === 'Kelda' || this.cast.name === 'Anchor') {
      this.check(today, Math.max(load, this.cast.name === 'Kelda' ? 0.85 : 0.4));
      this.book.take(this.id, today, 120, random);
      return;
    }
    if (index % 3 === 2 || index % 5 === 3) return; // not booked: the list says who to ring
    // Who is due has been rung, and half of them like to come on the same day: one day is full.
    const soon = addDays(today, index % 2 === 0 ? 3 : randomInt(random, 0, 6));
    const wish = nextDue > today + 21 ? nextDue : soon;
    const visitDay = day(wish + (index % 7 === 0 ? 21 : 0));
    this.book.take(
      this.id,
      isoWeekday(visitDay) === 7 ? addDays(visitDay, 1) : visitDay,
      30 * randomInt(random, 2, 5),
      random,
    );
  }
}
