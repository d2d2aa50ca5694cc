/**
 * One demo dog's life up to today. Every visit is computed by core as a real one would be: coat by the tide, check by the coat,
 * plan by the check, weights by the plan with the scatter of life. What is older than the program is only a line on paper.
 */
import type { CheckDraft } from '../contract/check.ts';
import { coatCheck } from '../contract/check-facts.ts';
import type { DogRecord } from '../contract/dog.ts';
import type { SalonEdit } from '../contract/salon.ts';
import { openMethod, planVisit, type MethodPlan } from '../core/bench/index.ts';
import type { CombGrade, ZoneFindings } from '../core/check/index.ts';
import { bodySurfaceM2, breedOf, coatRow, zone, type Region, type ZoneId } from '../core/dog/index.ts';
import {
  addDays,
  clamp,
  formatDay,
  pick,
  randomInt,
  randomNormal,
  type Day,
  type Random,
} from '../core/quantity/index.ts';
import { sessionRecord, walks, type SessionAct, type SessionEvent } from '../core/table/index.ts';
import { HOME_CARE, leftBySession, lifeRow, nextOpenDay, rhythm, USUAL_TAKES } from '../core/tide/index.ts';
import type { Stores } from '../server/db/index.ts';
import { coreDog } from '../server/facts.ts';
import { salonInstant } from '../server/salon-time.ts';
import { DEMO_KIT, type CastDog } from './cast.ts';
import { findingsForLoad } from './coat-of-day.ts';
import { Coat, type TownShifts } from './coat-of-years.ts';
import { dogId } from './homes.ts';
import type { Part, WorkClock } from './work-clock.ts';

/** Years of visits behind the salon, and for how long this program has kept them. */
const HISTORY_DAYS = 3 * 365;
export const KEPT_DAYS = 400;
/** For so long hands have said on which zone they are. */
const WALKED_DAYS = 80;
/** How long hands take against the plan. */
const PACE: Readonly<Record<string, number>> = { Runa: 0.98, Bertil: 1.14 };
/** Bertil leaves the comb to who is there for it. */
const FINISHER = 'Runa';
/** Where this house takes longer than it thinks. */
const SLOW_ZONES: Partial<Readonly<Record<Region, number>>> = { breeches: 1.25, armpit: 1.2, ruff: 1.1 };

export interface DemoSalon {
  readonly stores: Stores;
  readonly salon: SalonEdit;
  readonly clock: WorkClock;
  readonly random: Random;
  readonly today: Day;
  readonly shifts: TownShifts;
  /** The import that the paper came in with. */
  readonly intake: string;
}

/** An owner of several dogs has one number. */
const phoneOf = (stores: Stores, owner: string, fresh: string): string =>
  stores.dogs.all().find((d) => d.owner.name === owner)?.owner.phone ?? fresh;

interface WorkedEvents {
  readonly events: readonly SessionEvent[];
  readonly parts: readonly Part[];
}

export class DemoDog {
  readonly id: string;
  private readonly record: DogRecord;
  private readonly years: Coat;
  private readonly fullG: number;
  private readonly random: Random;
  private storeG: number;
  private lastDay: Day;
  private checks = 0;
  private papers = 0;
  private notes = 0;
  constructor(
    private readonly at: DemoSalon,
    readonly cast: CastDog,
  ) {
    const { stores, random, today, salon, shifts } = at;
    this.random = random;
    this.id = dogId(cast.name);
    this.record = {
      id: this.id,
      name: cast.name,
      breed: cast.breed,
      sex: random() < 0.5 || cast.inSeasonDaysAgo !== undefined ? 'female' : 'male',
      born: formatDay(addDays(today, -Math.round(cast.years * 365.25) - randomInt(random, 0, 200))),
      coatClass: cast.coatClass,
      shape: breedOf(cast.breed)?.shape ?? 'retriever',
      lastSeason: cast.inSeasonDaysAgo === undefined ? null : formatDay(addDays(today, -cast.inSeasonDaysAgo)),
      weightKg: cast.weightKg,
      traits: cast.traits,
      care: [],
      clipOrders: [],
      outdoorShare: cast.outdoorShare,
      standingMinutes: cast.standingMinutes ?? null,
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
    const from = addDays(today, -HISTORY_DAYS);
    this.fullG = coatRow(cast.coatClass).fullLoadGPerM2 * bodySurfaceM2(cast.weightKg);
    this.storeG = this.fullG * 0.3;
    this.lastDay = from;
    this.years = new Coat({ dog: this.record, from, days: HISTORY_DAYS, place: salon, shifts, random });
    const { pulse } = lifeRow('season');
    if (cast.blowDaysAgo !== undefined && pulse) this.years.blowsOn(addDays(today, -cast.blowDaysAgo), pulse);
  }

  /** Visits at the dog's rhythm, those before a day; the last on a day of its own, where it has one. */
  live(before: Day): void {
    const { random } = this;
    const { lastDaysAgo } = this.cast;
    const open = this.cast.weekdays ?? this.at.salon.house.openWeekdays;
    const { shortest, longest } = rhythm(coreDog(this.record, before), this.record.homeCare);
    const last = lastDaysAgo === undefined ? undefined : nextOpenDay(addDays(this.at.today, -lastDaysAgo), open);
    const until = last === undefined ? before : addDays(last, -shortest);
    let on = nextOpenDay(addDays(this.lastDay, randomInt(random, 3, 40)), open);
    while (on < until) {
      this.comes(on);
      // People come early, late, or skip one.
      const slip = Math.round(randomNormal(random, 2, 8)) + (random() < 0.12 ? 25 : 0);
      const due = Math.round((shortest + 2 * longest) / 3);
      on = nextOpenDay(addDays(on, Math.max(shortest, due + slip)), open);
    }
    if (last !== undefined) this.comes(last);
  }

  /** A visit, as the program kept it; what is older, as a line on paper. */
  comes(on: Day): void {
    this.homeUntil(on);
    this.storeG *= on < addDays(this.at.today, -KEPT_DAYS) ? this.onPaper(on) : this.visit(on);
  }

  /** The coat and what its home wrote, up to a day. */
  homeUntil(on: Day): void {
    const home = this.years.until(this.lastDay, on, this.storeG);
    for (const note of home.notes)
      this.at.stores.tide.addNote(this.id, { ...note, id: `${this.id}-home-${++this.notes}` });
    this.storeG = home.storeG;
    this.lastDay = on;
  }

  /** A check on a day; of a coat at least so full, where that is wanted. */
  check(on: Day, more: Partial<Record<ZoneId, ZoneFindings>> = {}, atLeast = 0): void {
    this.at.stores.checks.insert(this.id, this.felt(on, more, atLeast));
  }

  /** What hands feel on a day. */
  private felt(on: Day, more: Partial<Record<ZoneId, ZoneFindings>> = {}, atLeast = 0): CheckDraft {
    const { cast, random } = this;
    const load = Math.max(atLeast, this.storeG / this.fullG);
    const longer = cast.coatClass.startsWith('smooth') ? 1 : 1.4;
    return {
      id: `${this.id}-check-${++this.checks}`,
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
  }

  /** A visit before the program: its day and mostly its bag. Returns the share of hair that stays. */
  private onPaper(on: Day): number {
    const { random } = this;
    const takes = clamp(randomNormal(random, USUAL_TAKES, 0.08), 0.5, 0.95);
    const grams = Math.round(takes * this.storeG * clamp(randomNormal(random, 1, 0.15), 0.5, 1.6));
    this.at.stores.intake.addVisit(this.at.intake, {
      id: `${this.id}-paper-${++this.papers}`,
      dogId: this.id,
      day: on,
      minutes: null,
      grams: random() < 0.8 ? grams : null,
    });
    return 1 - takes;
  }

  /** A visit that the program kept: check, plan, session with its events. Returns the share of hair that stays. */
  private visit(wanted: Day): number {
    const { stores, salon } = this.at;
    const draft = this.felt(wanted);
    const check = coatCheck(draft);
    const dog = coreDog(this.record, check.day);
    const plan = planVisit({ dog, check, kit: DEMO_KIT, house: salon.house });
    const chosen = plan.recommended && openMethod(plan, plan.recommended.method);
    if (!chosen) return 1;
    const { kind, against, ...method } = chosen;
    const id = `${this.id}-session-${this.checks}`;
    const { on, events } = this.workedFrom(id, wanted, method);
    stores.checks.insert(this.id, { ...draft, day: formatDay(on) });
    stores.sessions.insert({
      id,
      dogId: this.id,
      checkId: draft.id,
      day: on,
      method: method.method,
      snapshot: { plan: method, looseG: plan.looseG.likely, stops: plan.stops.zones, conditions: plan.conditions },
    });
    stores.sessions.append(id, events);
    return leftBySession({ day: on, looseG: plan.looseG.likely, record: sessionRecord(events, method.steps) })
      .leftShare;
  }

  /** The session's events at the first hours in which who works it can, on a day or soon after it. */
  private workedFrom(sessionId: string, wanted: Day, plan: MethodPlan): { on: Day; events: readonly SessionEvent[] } {
    const { clock, salon } = this.at;
    for (let on = wanted; ; on = nextOpenDay(addDays(on, 1), salon.house.openWeekdays)) {
      const there = clock.at(on);
      const first = pick(this.random, there);
      for (const person of [first, ...there.filter((p) => p !== first)]) {
        const { events, parts } = this.worked(sessionId, on, plan, person.name);
        const start = clock.take(on, parts, 8 * 60 + 30 + 15 * randomInt(this.random, 0, 20));
        if (start === undefined) continue;
        const fromMs = Date.parse(salonInstant(on, start, salon.timeZone));
        return { on, events: events.map((e) => ({ ...e, atMs: fromMs + e.atMs })) };
      }
    }
  }

  /** What somebody logged of a plan, from its first minute on, and who had the dog meanwhile. */
  private worked(sessionId: string, on: Day, plan: MethodPlan, name: string): WorkedEvents {
    const { random } = this;
    const events: SessionEvent[] = [];
    let atMs = 0;
    const log = (act: SessionAct): void => {
      events.push({ id: `${sessionId}-${events.length}`, atMs, act });
      atMs += 4000;
    };
    const parts: Part[] = [];
    let hands = { name, fromMs: 0 };
    const people = new Map(this.at.clock.at(on).map((p) => [p.name, p.id]));
    const close = (): void => {
      const person = people.get(hands.name) ?? '';
      parts.push({ person, from: Math.floor(hands.fromMs / 60_000), to: Math.ceil(atMs / 60_000) });
    };
    const walked = on >= addDays(this.at.today, -WALKED_DAYS);
    log({ kind: 'worker', name });
    log({ kind: 'started' });
    plan.steps.forEach((step) => {
      if (PROOF_PHASES.includes(step.phase) && hands.name !== FINISHER && people.has(FINISHER)) {
        close();
        hands = { name: FINISHER, fromMs: atMs };
        log({ kind: 'worker', name: FINISHER });
      }
      const took = step.minutes * 60_000 * clamp(randomNormal(random, PACE[hands.name] ?? 1, 0.15), 0.6, 1.6);
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
    const proof = plan.steps.findLast((s) => PROOF_PHASES.includes(s.phase));
    for (const { zone } of proof?.zones ?? []) {
      const result: CombGrade = random() < 0.93 ? 'glides' : random() < 0.85 ? 'drags' : 'stops';
      log({ kind: 'comb', zone, result });
    }
    log({ kind: 'finished' });
    close();
    return { events, parts };
  }
}

/** Steps that prove or finish a coat. */
const PROOF_PHASES: readonly MethodPlan['steps'][number]['phase'][] = ['comb', 'edge', 'finish'];
