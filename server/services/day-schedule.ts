/** What a day's sheet is laid from: who comes and works, the places, what was wanted by hand and what has begun. */
import type { CheckRecord } from '../../contract/check.ts';
import type { BookingRecord } from '../../contract/booking.ts';
import type { SheetPage, SheetVisit } from '../../contract/roster.ts';
import { openMethod, type MethodPlan } from '../../core/bench/index.ts';
import { ANY_TIME, dayPeople, freeStarts, type NamedPerson } from '../../core/book/index.ts';
import {
  PLACE_KINDS,
  stagesOf,
  careStage,
  usualStages,
  type DayAsked,
  type DayPlace,
  type DayVisit,
  stagesWithoutHands,
  unbegun,
  type Stage,
} from '../../core/day/index.ts';
import { usualDbA, type Tool } from '../../core/kit/index.ts';
import { addDays, formatDay, type Day } from '../../core/quantity/index.ts';
import type { SalonRecord } from '../../contract/salon.ts';
import type { AppContext } from '../context.ts';
import { planOf, planRoomOf, type PlanRoom } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { salonInstant, salonMinute, spanOf } from '../salon-time.ts';
import { outlookReader } from './outlooks.ts';
import { unworkedCheck } from './tide-file.ts';

/** An owner who was told a time is content to wait so long for a dog. Guess. */
const GRACE_MINUTES = 30;

const dbAOf = (tool: Tool | undefined): number | undefined => tool && (tool.dbA ?? usualDbA(tool.kind));

/** Bookings that stand on a day. */
export const bookingsOn = (context: AppContext, salon: SalonRecord, on: Day): readonly BookingRecord[] =>
  context.stores.bookings.between(salonInstant(on, 0, salon.timeZone), salonInstant(addDays(on, 1), 0, salon.timeZone));

/** Who works on a day, as the sheet needs them. */
function peopleOn(context: AppContext, salon: SalonRecord, on: Day): readonly NamedPerson[] {
  const { roster } = context.stores;
  return dayPeople({ people: roster.people(), away: roster.away(on) }, salon.house, on);
}

function placesOf(salon: SalonRecord, wall: readonly Tool[]): readonly DayPlace[] {
  const dryers = wall.filter((t) => usualDbA(t.kind) !== undefined).length;
  const many = {
    table: salon.house.tables,
    tub: salon.house.tubs ?? 1,
    dryer: salon.house.dryPlaces ?? Math.max(1, dryers),
  };
  return PLACE_KINDS.flatMap((kind) =>
    Array.from({ length: many[kind] }, (_, i) => ({ id: `${kind}-${i + 1}`, kind })),
  );
}

/** The way a dog would be worked: its recommended plan, where its coat is known. */
function recommendedOf(
  context: AppContext,
  check: CheckRecord | undefined,
  room: PlanRoom,
): { readonly checkId: string; readonly plan: MethodPlan } | undefined {
  const plan = check && planOf(context, check, room);
  const best = plan?.recommended && openMethod(plan, plan.recommended.method);
  return check && best ? { checkId: check.id, plan: best } : undefined;
}

/** Everything that a day's sheet is laid from. */
export function sheetPage(context: AppContext, on: Day): SheetPage {
  const { stores } = context;
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  const room = planRoomOf(context);
  const people = peopleOn(context, salon, on);
  const places = placesOf(salon, room.kit);
  const bookings = bookingsOn(context, salon, on);
  const ids = bookings.map((b) => b.id);
  const byDog = new Map(bookings.map((b) => [b.dogId, b.id]));
  const wishes = stores.roster.wishes();
  const loudest = Math.max(...room.kit.flatMap((t) => dbAOf(t) ?? []), -Infinity);
  const visits: DayVisit[] = [];
  const read: SheetVisit[] = [];
  const soonest = on === today ? salonMinute(context.nowMs(), salon.timeZone) : 0;
  const startsFor = ({ id, dogId, minutes }: BookingRecord): SheetVisit['starts'] => {
    const spans = bookings.filter((b) => b.id !== id).map((b) => spanOf(b, salon.timeZone));
    const { from, to } = wishes.get(dogId) ?? ANY_TIME;
    return freeStarts(minutes, spans, salon.house.hours, salon.house.tables)
      .filter((t) => t >= Math.max(from, soonest) && t <= to)
      .map((minute) => ({ minute, startsAt: salonInstant(on, minute, salon.timeZone) }));
  };
  const outlookOf = outlookReader(context);
  for (const b of bookings) {
    const dog = stores.dogs.find(b.dogId);
    if (!dog) continue;
    const isNext = stores.bookings.coatVisitsFrom(b.dogId, salonInstant(today, 0, salon.timeZone))[0]?.id === b.id;
    const outlook = isNext ? outlookOf(dog).outlook : undefined;
    const forCoat = b.service === 'coat';
    const check = stores.checks.latestOf(b.dogId);
    const known = forCoat ? recommendedOf(context, check, room) : undefined;
    // The steps of a coat that was worked since say how a visit is shared out, not how long the next one is.
    const minutes =
      outlook?.minutes.likely ?? (known && unworkedCheck(context, b.dogId) ? known.plan.minutes : b.minutes);
    const stages: readonly Stage[] = known
      ? stagesOf(
          known.plan.steps.map((s) => ({
            phase: s.phase,
            minutes: (s.minutes * minutes) / Math.max(1, known.plan.minutes),
            dbA: dbAOf(room.kit.find((t) => t.id === s.tool.id)),
          })),
        )
      : forCoat
        ? usualStages(b.minutes, loudest > 0 ? loudest : undefined)
        : [careStage(b.minutes)];
    const starts = salonMinute(Date.parse(b.startsAt), salon.timeZone);
    visits.push({
      id: b.id,
      dogId: b.dogId,
      weightKg: dog.weightKg,
      stages,
      arrive: { from: starts, to: starts },
      leave: { from: starts, to: starts + b.minutes + GRACE_MINUTES },
      with: wishes.get(b.dogId)?.person ?? undefined,
    });
    read.push({
      id: b.id,
      dogId: b.dogId,
      name: dog.name,
      startsAt: b.startsAt,
      minutes: b.minutes,
      service: b.service,
      agreed: b.agreed,
      planned: known !== undefined,
      checkId: known?.checkId ?? null,
      checked: check?.day === formatDay(on),
      isNext,
      likely: outlook?.moved?.likely ?? null,
      note: b.note,
      version: b.version,
      starts: startsFor(b),
    });
  }
  const stageCount = new Map(visits.map((v) => [v.id, v.stages.length]));
  const isStage = ({ bookingId, stage }: { readonly bookingId: string; readonly stage: number }): boolean =>
    stage < (stageCount.get(bookingId) ?? 0);
  const marks = stores.sheet.marks(ids).filter(isStage);
  const minuteNow = salonMinute(context.nowMs(), salon.timeZone);
  const asked: DayAsked = {
    people: people.map(({ name: _, ...p }) => p),
    places,
    visits,
    apart: stores.roster.apart().flatMap(({ a, b }): readonly (readonly [string, string])[] => {
      const [x, y] = [byDog.get(a), byDog.get(b)];
      return x && y ? [[x, y]] : [];
    }),
    pins: stores.sheet
      .pins(ids)
      .filter(isStage)
      .map((p) => ({
        visit: p.bookingId,
        stage: p.stage,
        person: p.person ?? undefined,
        notBefore: p.notBefore ?? undefined,
      })),
    // What runs longer than was thought goes on at least until now.
    begun: marks.map((m) => ({
      visit: m.bookingId,
      stage: m.stage,
      person: m.person ?? undefined,
      place: m.place ?? undefined,
      start: m.started,
      end: m.done || on !== today ? m.ends : Math.max(m.ends, minuteNow),
    })),
    paused: [],
    // Until somebody marks what is begun, the clock says nothing about where the day has come to.
    now: marks.length > 0 && on === today ? minuteNow : 0,
  };
  return {
    day: formatDay(on),
    today: formatDay(today),
    timeZone: salon.timeZone,
    asked,
    now: on === today ? minuteNow : null,
    visits: read,
    people: people.map(({ id, name }) => ({ id, name })),
    done: marks.filter((m) => m.done).map((m) => ({ visit: m.bookingId, stage: m.stage })),
  };
}

/** What a day's sheet is laid from before anything began; undefined where somebody's work can be done by nobody. */
export function dayToLay(context: AppContext, on: Day): DayAsked | undefined {
  const { asked } = sheetPage(context, on);
  return asked.visits.length === 0 || stagesWithoutHands(asked).length > 0 ? undefined : unbegun(asked);
}
