/** What other house rules would do with the dogs that are booked next, and with everybody's next date. Nothing is written. */
import type { HousePreview, SalonRecord } from '../../contract/salon.ts';
import type { PlanRequest } from '../../core/bench/index.ts';
import { visitLengths, type HouseRules } from '../../core/kit/index.ts';
import type { Day } from '../../core/quantity/index.ts';
import { outlookOf, rhythm } from '../../core/tide/index.ts';
import type { DogRecord } from '../../contract/dog.ts';
import { bookDogAtOnce, bookRoom } from './tide-file.ts';
import type { AppContext } from '../context.ts';
import { activeDogsInPieces, bookedDays, coreDog, planRequestOf, planRoomOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { inPieces, Pauses } from '../work/pauses.ts';
import type { WorkerQueue } from '../work/worker-queue.ts';

/** Dogs whose plans a preview shows at most: the soonest booked. */
const MOST_PREVIEWED = 12;

interface Previewed {
  readonly dogId: string;
  readonly name: string;
  readonly day: Day;
  readonly request: PlanRequest;
}

/** The booked dogs whose coat is known, soonest first. */
function bookedNext(context: AppContext, salon: SalonRecord, today: Day): readonly Previewed[] {
  const { stores } = context;
  const room = planRoomOf(context);
  const soonest = [...bookedDays(context, salon, today)].sort((a, b) => a[1] - b[1]);
  const found: Previewed[] = [];
  for (const [dogId, day] of soonest) {
    if (found.length === MOST_PREVIEWED) break;
    const check = stores.checks.latestOf(dogId);
    const dog = stores.dogs.find(dogId);
    if (check && dog) found.push({ dogId, name: dog.name, day, request: planRequestOf(context, check, room) });
  }
  return found;
}

/** How many next dates another house would bring forward and put off, and by how many days in all. */
async function movedDates(
  context: AppContext,
  salon: SalonRecord,
  today: Day,
  house: HouseRules,
): Promise<HousePreview['moved']> {
  const pauses = new Pauses();
  const room = bookRoom(context);
  const dueIn = (rules: HouseRules, dog: DogRecord): number | undefined => {
    const of = bookDogAtOnce(context, dog, room);
    const known = context.tide.tide(dog.id);
    return (
      known &&
      outlookOf({ ...of, rhythm: rhythm(coreDog(dog, today), dog.homeCare, rules.rhythm) }, known.tide, known.from, {
        today,
        openWeekdays: rules.openWeekdays,
        rates: rules.rates,
        lengths: visitLengths(rules),
      }).due?.offer
    );
  };
  let [sooner, later, days] = [0, 0, 0];
  for (const dog of await inPieces(activeDogsInPieces(context, salon, today))) {
    await pauses.take();
    const [was, is] = [dueIn(salon.house, dog), dueIn(house, dog)];
    if (was === undefined || is === undefined) continue;
    if (is < was) sooner++;
    if (is > was) later++;
    days += is - was;
  }
  return { sooner, later, days };
}

export async function housePreview(context: AppContext, work: WorkerQueue, house: HouseRules): Promise<HousePreview> {
  const salon = salonOf(context);
  const today = todayOf(context, salon);
  const booked = bookedNext(context, salon, today);
  const summaries = await work.run(
    'plans',
    booked.flatMap(({ request }) => [request, { ...request, house }]),
  );
  return {
    plans: booked.map(({ dogId, name, day }, i) => ({
      dogId,
      name,
      day,
      before: summaries[2 * i] ?? null,
      after: summaries[2 * i + 1] ?? null,
    })),
    moved: await movedDates(context, salon, today, house),
  };
}
