/** How stored records become core's facts, and what core concludes from them. */
import type { DogRecord } from '../contract/dog.ts';
import type { CheckRecord } from '../contract/check.ts';
import { unbookable } from '../contract/common.ts';
import { coatCheck } from '../contract/check-facts.ts';
import type { SalonRecord } from '../contract/salon.ts';
import { looseUndercoatG, paceByKind, type Learnt, type Plan, type PlanRequest } from '../core/bench/index.ts';
import { asHeld, zoneConditions, type CoatCheck } from '../core/check/index.ts';
import { clipOrdersOn, coatRow, type ClipOrder, type Dog } from '../core/dog/index.ts';
import type { HouseRules, Tool } from '../core/kit/index.ts';
import { ended, formatDay, parseDay, type Day } from '../core/quantity/index.ts';
import { learn, learntFor, type Reckoned, type Taught } from '../core/tally/index.ts';
import type { AppContext } from './context.ts';
import type { SessionLine, StoredSession } from './db/sessions.ts';
import { holdsNow } from './services/holds.ts';
import { lessonsOf, plannedFor, sessionResult } from './services/worked-sessions.ts';
import { found, Problem } from './problem.ts';
import { salonOf, todayOf, traitsOf } from './today.ts';
import { salonDay, salonInstant } from './salon-time.ts';

/** A stored dog as core reads it on a day. */
export const coreDog = (d: DogRecord, on: Day): Dog => ({
  name: d.name,
  breed: d.breed,
  sex: d.sex,
  born: d.born === null ? undefined : parseDay(d.born),
  coatClass: d.coatClass,
  weightKg: d.weightKg,
  traits: traitsOf(d, on),
  outdoorShare: d.outdoorShare,
  standingMinutes: d.standingMinutes ?? undefined,
  ...(d.care.length > 0 && { care: d.care }),
});

/** Refuses a day for which nothing can be booked or planned. */
export function mustBeBookable(context: AppContext, field: string, on: Day): void {
  const why = unbookable(on, todayOf(context, salonOf(context)));
  if (why !== undefined) throw new Problem(400, field, `${field} ${why}, not ${formatDay(on)}. Choose another day.`);
}

/** Refuses a day that is still to come. */
export function mustHaveBeen(context: AppContext, on: string): void {
  const today = todayOf(context, salonOf(context));
  if ((parseDay(on) ?? 0) > today)
    throw new Problem(400, 'day', `day ${on} is still to come: a log holds what was seen, up to ${formatDay(today)}.`);
}

/** The pieces that plans are made with: the salon's own, on the wall. */
export const wallOf = (context: AppContext): readonly Tool[] =>
  context.stores.kit.all().filter((t) => !t.retired && t.homeOf === null);

/** Days from the last bath before a day to that day, where one is on record. */
function daysSinceBath(context: AppContext, dogId: string, on: Day): number | undefined {
  const bathed = context.stores.sessions
    .linesOf(dogId)
    .find((line) => line.day < on && sessionResult(context, line).bathed);
  return bathed && on - bathed.day;
}

/** The house and the wall that plans are made with: read once for many dogs. */
export interface PlanRoom {
  readonly house: HouseRules;
  readonly kit: readonly Tool[];
  readonly taught: Taught;
  readonly today: Day;
}
export function planRoomOf(context: AppContext): PlanRoom {
  const salon = salonOf(context);
  return { house: salon.house, kit: wallOf(context), taught: taughtBy(context), today: todayOf(context, salon) };
}

/** Sessions that still say something about today's hands. */
const TEACHING_SESSIONS = 300;

/** What the newest finished sessions have taught about pace and grams: it takes longer than a plan. */
export function taughtBy(context: AppContext): Taught {
  const { stores, memos } = context;
  return memos.taught.of('', String(stores.sessions.teachings()), () => {
    const classes = new Map(stores.dogs.all().map((d) => [d.id, d.coatClass]));
    return learn(
      stores.sessions.finishedLines(TEACHING_SESSIONS).flatMap((line) => {
        const { dogId } = line;
        const coatClass = classes.get(dogId);
        return coatClass === undefined ? [] : [{ dogId, coatClass, lessons: lessonsOf(context, line) }];
      }),
    );
  });
}

/** What a plan took in of what the log taught: kept with the session that is worked from it. */
export const reckonedIn = ({ learnt }: PlanRequest): Reckoned => ({
  pace: paceByKind(learnt) ?? {},
  grams: learnt?.grams?.mean ?? 1,
});

/** What the log has taught a plan of this check: pace, and how much hair there is, which the coat's own outlook says. */
function learntOf({ tide }: AppContext, taught: Taught, dog: DogRecord, check: CoatCheck): Learnt {
  const learnt = learntFor(taught, dog.id, dog.coatClass);
  const known = tide.tide(dog.id)?.tide.checked;
  const touched = looseUndercoatG(coreDog(dog, check.day), check, zoneConditions(check, coatRow(dog.coatClass)));
  if (known?.day !== check.day || touched === 0) return learnt;
  const { low, likely, high } = known.grams;
  // In steps of a hundredth: what is learnt of other dogs moves it by less, and no plan changes for that.
  const mean = Math.exp(Math.round(100 * Math.log(likely / touched)) / 100);
  return { ...learnt, grams: { mean, doubt: ((high - low) / BAND_WIDTH / likely) ** 2, seen: 1 } };
}
/** An 80 % band of the normal distribution is so many standard deviations wide. */
const BAND_WIDTH = 2.563;

/** A check as it is worked today: the newest with what is held and what a vet has allowed since, an older one as it was. */
export function checkToWork(context: AppContext, dog: DogRecord, record: CheckRecord, today: Day): CoatCheck {
  const check = coatCheck(record);
  const isNewest = context.stores.checks.newestLine(dog.id)?.id === record.id;
  return isNewest ? asHeld(check, holdsNow(context, dog, today), traitsOf(dog, today)) : check;
}

/** The vet's orders to clip that hold for a dog today: one that came after the newest check holds all the same. */
export const clipOrdersOf = ({ clipOrders }: DogRecord, today: Day): readonly ClipOrder[] =>
  clipOrdersOn(
    clipOrders.flatMap((o) => {
      const on = parseDay(o.day);
      return on === undefined ? [] : [{ ...o, day: on }];
    }),
    today,
  );

/** What a plan is computed from: a stored check and its dog, and the room it would be worked in. */
export function planRequestOf(
  context: AppContext,
  record: CheckRecord,
  { house, kit, taught, today }: PlanRoom = planRoomOf(context),
): PlanRequest {
  const dog = found(context.stores.dogs.find(record.dogId), 'dog', record.dogId);
  const check = checkToWork(context, dog, record, today);
  return {
    dog: coreDog(dog, check.day),
    check,
    kit,
    house,
    clipOrders: clipOrdersOf(dog, today),
    daysSinceBath: daysSinceBath(context, dog.id, check.day),
    learnt: learntOf(context, taught, dog, check),
  };
}

/** The plan that a stored check leads to with today's kit and house rules. */
export const planOf = (context: AppContext, check: CheckRecord, room?: PlanRoom): Plan =>
  plannedFor(context, check.id, planRequestOf(context, check, room));

/** The newest finished session of a dog, without what is in it. */
export function lastFinishedLine(
  context: AppContext,
  dogId: string,
): (SessionLine & { readonly day: number }) | undefined {
  const { sessions } = context.stores;
  const isFinished = (line: SessionLine): boolean => sessionResult(context, line).finished;
  // It is among the newest two but for a dog whose sessions were left open.
  const newest = sessions.linesOf(dogId, 0, 2);
  return newest.find(isFinished) ?? (newest.length < 2 ? undefined : sessions.linesOf(dogId).find(isFinished));
}

/** The newest finished session of a dog. */
export function lastFinished(context: AppContext, dogId: string): StoredSession | undefined {
  const line = lastFinishedLine(context, dogId);
  return line && context.stores.sessions.find(line.id);
}

/** Dogs not seen for so long rest: lists leave them out, a search finds them. */
const RESTING_DAYS = 2 * 366;

/** The dogs that come here these years, by name; in steps. */
export const activeDogsInPieces = (
  context: AppContext,
  salon: SalonRecord,
  today: Day,
): Generator<void, readonly DogRecord[]> =>
  context.stores.dogs.activeInPieces(today - RESTING_DAYS, salonInstant(today, 0, salon.timeZone));
/** The same at once. */
export const activeDogs = (context: AppContext, salon: SalonRecord, today: Day): readonly DogRecord[] =>
  ended(activeDogsInPieces(context, salon, today));

/** The newest check of each dog that comes these years, by dog. */
export const activeChecks = (context: AppContext): ReadonlyMap<string, CheckRecord> => {
  const salon = salonOf(context);
  return new Map(
    activeDogs(context, salon, todayOf(context, salon)).flatMap((d) => {
      const check = context.stores.checks.latestOf(d.id);
      return check ? [[d.id, check] as const] : [];
    }),
  );
};

/** First booking for its coat of each dog from today on, by dog. */
export function bookedDays(context: AppContext, salon: SalonRecord, today: Day): ReadonlyMap<string, Day> {
  const from = salonInstant(today, 0, salon.timeZone);
  const days = new Map<string, Day>();
  for (const b of context.stores.bookings.between(from, '9999')) {
    if (b.service === 'coat' && !days.has(b.dogId)) days.set(b.dogId, salonDay(Date.parse(b.startsAt), salon.timeZone));
  }
  return days;
}
