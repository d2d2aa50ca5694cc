/**
 * The outlook of each dog as every room of the server tells it: its records as they stand now, and its coat as it was
 * learnt last. Core says what follows (core/tide/outlook.ts); here it is only asked.
 */
import type { BookingRecord } from '../../contract/booking.ts';
import type { DogRecord } from '../../contract/dog.ts';
import { factsOf, needOf, outlookOf, visitOn, type BookDog, type Outlook } from '../../core/tide/index.ts';
import { visitLengths } from '../../core/kit/index.ts';
import type { AppContext } from '../context.ts';
import { salonDay } from '../salon-time.ts';
import { atMost } from '../work/at-most.ts';
import { inPieces } from '../work/pauses.ts';
import { bookDog, bookDogAtOnce, bookRoom, tideHead } from './tide-file.ts';

/** A page waits no longer than this for a dog to be learnt again: it shows what was known before, and is told of the rest. */
const MOST_WAIT_MS = 1_500;

/** What a room says of a dog before anything was learnt of its coat: who waits for a vet, what is booked. */
export type DogFacts = ReturnType<typeof needOf>;
export interface DogOutlook {
  readonly facts: DogFacts;
  readonly outlook: Outlook | undefined;
}

/** A dog's records, and its coat as it was learnt where its minutes are planned too. */
function coatOf(context: AppContext, dog: DogRecord, room: ReturnType<typeof bookRoom>) {
  const of = bookDogAtOnce(context, dog, room);
  return { of, known: of.minutesAt.length > 0 ? context.tide.tide(dog.id) : undefined };
}

/** A reader of outlooks at one moment: for many dogs, what they share is read once. */
export function outlookReader(context: AppContext): (dog: DogRecord) => DogOutlook {
  const room = bookRoom(context);
  const { openWeekdays, rates } = room.salon.house;
  const house = { today: room.today, openWeekdays, rates, lengths: visitLengths(room.salon.house) };
  return (dog) => {
    const { of, known } = coatOf(context, dog, room);
    const outlook = known && outlookOf(of, known.tide, known.from, house);
    return { facts: outlook ?? needOf(of, room.today, undefined), outlook };
  };
}

/** Likely minutes of a visit of a dog that starts at an instant; null where nothing was learnt of its coat. */
export function likelyMinutesAt(context: AppContext, dog: DogRecord, startsAt: string): number | null {
  const room = bookRoom(context);
  const { of, known } = coatOf(context, dog, room);
  return known
    ? visitOn(of, known.tide, known.from, salonDay(Date.parse(startsAt), room.salon.timeZone)).minutes.likely
    : null;
}

export const outlookNow = (context: AppContext, dog: DogRecord): DogOutlook => outlookReader(context)(dog);

/** Has all of some dogs learnt, as far as their records say more than was learnt. */
export const learnDogs = async (context: AppContext, ids: readonly string[]): Promise<void> =>
  void (await Promise.all(ids.map((id) => learnDog(context, id))));

/** Has a dog learnt again if its records say more than was learnt. */
export async function learnDog(context: AppContext, dogId: string): Promise<void> {
  const dog = context.stores.dogs.find(dogId);
  // Of a dog that was forgotten nothing is learnt.
  if (!dog) return;
  const room = bookRoom(context);
  // Of a dog that nobody has felt, worked or brushed there is nothing to learn but with all the others.
  if (bookDogAtOnce(context, dog, room).sightings.length === 0) return;
  const of: BookDog = await inPieces(bookDog(context, dog, room));
  const known = context.tide.tide(dogId);
  if (known?.tide.facts === factsOf(of)) return;
  await atMost(MOST_WAIT_MS, context.tide.one({ ...tideHead(context, room), dogs: [of] }));
  // What was felt is taken by what was learnt of it, and its minutes with it.
  await inPieces(bookDog(context, dog, room));
}

/** Finger grade of a coat that nobody has felt yet: between the two ends of the scale. Guess. */
const UNFELT_GRADE = 2;

/** Minutes of a dog that nobody has felt: what the bench plans for its breed, weight and coat at a middling grade. */
export async function usualMinutes(context: AppContext, dog: DogRecord): Promise<number> {
  const { minutesAt } = await inPieces(bookDog(context, dog, bookRoom(context)));
  return minutesAt[UNFELT_GRADE] ?? 0;
}

/** Of bookings in order, likely minutes of those that are their dog's next one and whose length fits no more, by id. */
export function likelyWhereMoved(context: AppContext, bookings: readonly BookingRecord[]): ReadonlyMap<string, number> {
  const read = outlookReader(context);
  const seen = new Set<string>();
  return new Map(
    bookings.flatMap((b) => {
      if (b.service !== 'coat' || seen.has(b.dogId)) return [];
      seen.add(b.dogId);
      const dog = context.stores.dogs.find(b.dogId);
      const moved = dog && read(dog).outlook?.moved;
      return moved ? [[b.id, moved.likely] as const] : [];
    }),
  );
}
