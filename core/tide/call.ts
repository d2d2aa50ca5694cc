/** Whom to call: dogs whose blow is near or whose coat is due, that nobody has booked; who loses most by waiting first. */
import { addDays, type Day } from '../quantity/index.ts';
import { byWaiting, waitsForVet } from '../check/index.ts';
import type { LearntBook } from './caseload.ts';
import type { DogTide, StartAhead } from './look-ahead.ts';
import { WORTH_ASKING_DAYS } from './need.ts';
import type { Due } from './due.ts';
import { outlookOf, visitOn, type Outlook } from './outlook.ts';
import type { BookDog, TideBook } from './tide-book.ts';

/** Starts and due days that lie this near are called about. Guess: three weeks are as far as people plan. */
export const CALL_WITHIN_DAYS = 21;
/** A blow that began longer ago is no longer news: the dog is due or overdue by its store. Guess. */
const NEWS_DAYS = 28;
/** A blow that is likely this much later than CALL_WITHIN_DAYS is called about where it may begin before. Guess. */
const LIKELY_LATER_DAYS = 7;
/** What waiting costs is said for so many days later. */
export const WAIT_DAYS = 21;
/** A booking this long after the start still meets the blow. Guess: most of a blow is out after five weeks. */
const MEETS_DAYS = 35;

export interface Call {
  readonly dog: BookDog;
  readonly tide: DogTide;
  readonly outlook: Outlook & { readonly due: Due };
  /** The blow that makes it urgent; none: its coat is due by its store or its rhythm. */
  readonly start: StartAhead | undefined;
  /** Minutes of the same visit WAIT_DAYS later. */
  readonly later: number;
}

function callOf(dog: BookDog, tide: DogTide, from: Day, book: TideBook): readonly Call[] {
  const { today } = book;
  const outlook = outlookOf(dog, tide, from, book);
  const { due, holds } = outlook;
  // A dog that waits for a vet is asked after, not invited.
  if (!due || waitsForVet(holds)) return [];
  const start = tide.starts.find(
    (s) =>
      s.likely >= today - NEWS_DAYS &&
      s.low <= today + CALL_WITHIN_DAYS &&
      s.likely <= today + WAIT_DAYS + LIKELY_LATER_DAYS &&
      // A coat that was worked in its blow, and is due only when that is over, needs nobody to ring.
      due.day <= s.likely + MEETS_DAYS,
  );
  if (!start && due.day > today + CALL_WITHIN_DAYS) return [];
  // Who comes while the blow lasts, or about when its coat is due, has its date.
  const inTime = Math.max(Math.max(today, start?.likely ?? today) + MEETS_DAYS, due.day + WORTH_ASKING_DAYS);
  if (dog.booked.some((b) => b.day >= today && b.day <= inTime)) return [];
  const later = visitOn(dog, tide, from, addDays(outlook.visit, WAIT_DAYS)).minutes.likely;
  return [{ dog, tide, outlook: { ...outlook, due }, start, later }];
}

/** Dogs to call: those whose blow is near first, and of each kind who loses most by waiting. */
export function callList(book: TideBook, learnt: LearntBook): readonly Call[] {
  const byId = new Map(learnt.dogs.map((t) => [t.id, t]));
  const gain = ({ later, outlook }: Call): number => later - outlook.minutes.likely;
  return book.dogs
    .flatMap((dog) => {
      const tide = byId.get(dog.id);
      return tide ? callOf(dog, tide, learnt.from, book) : [];
    })
    .sort(
      (a, b) =>
        Number(b.start !== undefined) - Number(a.start !== undefined) ||
        // A blow by what waiting costs; a coat that is due by how soon it is.
        (a.start && b.start ? gain(b) - gain(a) : a.outlook.due.day - b.outlook.due.day) ||
        b.outlook.minutes.likely - a.outlook.minutes.likely,
    );
}

/** Dogs whose owners are asked how it went at the vet, not invited; who waits longest first. */
export const askAfter = ({ dogs }: TideBook): readonly BookDog[] =>
  dogs.filter((d) => waitsForVet(d.holds)).sort(byWaiting);
