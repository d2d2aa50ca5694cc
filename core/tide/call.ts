/** Decides whom to call before their blow: who starts soon and is not booked, what it costs to wait, and which day to propose. */
import { clamp, day, type Day } from '../quantity/index.ts';
import {
  minutesAtLoad,
  type BookDog,
  type DogTide,
  type LearntBook,
  type StartAhead,
  type TideBook,
} from './caseload.ts';
import { nextOpenDay } from './next-visit.ts';

/** Starts that lie this near are called about.  */
export const CALL_WITHIN_DAYS = 21;
/** A blow that began longer ago is no longer news: the dog is due or overdue by its store. */
const NEWS_DAYS = 28;
/** A visit does most good when the heaviest part is loose: so many days after the start. Guess. */
const BEST_AFTER_START = 10;
/** What waiting costs is said for so many days later. */
export const WAIT_DAYS = 21;
/** A booking this long after the start still meets the blow. */
const MEETS_DAYS = 35;

export interface Call {
  readonly dog: BookDog;
  readonly tide: DogTide;
  /** The blow that makes it urgent; none: its coat is due by its store or its rhythm. */
  readonly start: StartAhead | undefined;
  readonly propose: Day;
  readonly minutes: number;
  /** Minutes of the same visit WAIT_DAYS later. */
  readonly later: number;
  /** Grams in the coat on the proposed day, 80 % band. */
  readonly grams: { readonly low: number; readonly likely: number; readonly high: number };
}

const rounded = (minutes: number): number => Math.ceil(minutes / 5) * 5;

/** Minutes of a visit if it were held so many days ahead. */
export function minutesAhead(d: BookDog, t: DogTide, daysAhead: number): number {
  const at = clamp(Math.round(daysAhead) - 1, 0, t.bare.likely.length - 1);
  return minutesAtLoad(d.minutesAt, (t.bare.likely[at] ?? 0) / t.fullG);
}

/** Dogs to call: those whose blow is near first, and of each kind who loses most by waiting. */
export function callList(book: TideBook, learnt: LearntBook): readonly Call[] {
  const today = learnt.from;
  const byId = new Map(learnt.dogs.map((t) => [t.id, t]));
  return book.dogs
    .flatMap((dog): Call[] => {
      const tide = byId.get(dog.id);
      const start = tide?.starts.find(
        (s) => s.likely >= today - NEWS_DAYS && s.low <= today + CALL_WITHIN_DAYS && s.likely <= today + WAIT_DAYS + 7,
      );
      if (!tide) return [];
      const dueSoon = tide.due.likely <= today + CALL_WITHIN_DAYS;
      if (!start && !dueSoon) return [];
      if (dog.booked.some((b) => b >= today && b <= (start ? start.likely + MEETS_DAYS : today + MEETS_DAYS)))
        return [];
      const lastVisit = dog.sightings.reduce((d, s) => (s.kind === 'visit' ? Math.max(d, s.day) : d), -Infinity);
      // Nothing is known of a coat that nobody has felt.
      if (dog.sightings.length === 0) return [];
      // Just seen: its skin rests first, and what the blow brings is met by the next visit.
      const rested = Math.max(today + 1, lastVisit + dog.rhythm.shortest);
      const wish = start ? start.likely + BEST_AFTER_START : tide.due.likely;
      const propose = nextOpenDay(day(Math.round(Math.max(rested, wish))), book.openWeekdays);
      const ahead = propose - today;
      const at = clamp(ahead - 1, 0, tide.bare.likely.length - 1);
      return [
        {
          dog,
          tide,
          start,
          propose,
          minutes: rounded(minutesAhead(dog, tide, ahead)),
          later: rounded(minutesAhead(dog, tide, ahead + WAIT_DAYS)),
          grams: {
            low: tide.bare.low[at] ?? 0,
            likely: tide.bare.likely[at] ?? 0,
            high: tide.bare.high[at] ?? 0,
          },
        },
      ];
    })
    .sort(
      (a, b) =>
        Number(b.start !== undefined) - Number(a.start !== undefined) ||
        // A blow by what waiting costs; a coat that is due by how soon it is.
        (a.start && b.start ? b.later - b.minutes - (a.later - a.minutes) : a.tide.due.likely - b.tide.due.likely) ||
        b.minutes - a.minutes ||
        a.propose - b.propose,
    );
}
