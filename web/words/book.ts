/** How the book's answers are said. */
import {
  gapOf,
  type BookSummary,
  type DayRule,
  type MovedProposal,
  type Otherwise,
  type WeekOver,
} from '../../core/book/index.ts';
import type { BookingRecord } from '../../contract/booking.ts';
import type { MovedLength } from '../../core/tide/index.ts';
import { minuteText, shortDay, weekdayName } from './dates.ts';
import { STAGE_WORDS } from './day.ts';
import { grams, listText, minutesText } from './figures.ts';

/** "0.2 %": how far above the best in this model a plan may be. */
export function gapText(plan: Pick<BookSummary, 'cost' | 'bound'>): string {
  const gap = 100 * gapOf(plan);
  return `${gap < 0.1 ? Math.max(0.01, gap).toFixed(2) : gap.toFixed(1)}\u00a0%`;
}
/** "Within 0.2 % of the best in this model." */
export const goodness = (plan: Pick<BookSummary, 'cost' | 'bound'>): string =>
  `Within ${gapText(plan)} of the best in this model.`;

/** Dogs that no day suits; '' where there are none. */
export const noDayText = (names: readonly string[]): string =>
  names.length === 0
    ? ''
    : `No day suits ${listText(names)}: nobody who may do the work is there when the owner can come. See wishes and who works.`;

/** Differences below these are no difference. */
const LITTLE_MINUTES = 1;
const LITTLE_GRAMS = 5;

/** "Tue 14 Apr: 12 min less at the table, 40 g more at home, 5 min dearer in all". */
export function otherwiseText(o: Otherwise): string {
  const minutes = Math.round(o.minutes);
  const cost = Math.round(o.cost);
  const said = [
    Math.abs(minutes) < LITTLE_MINUTES
      ? 'as long at the table'
      : `${minutesText(Math.abs(minutes))} ${minutes > 0 ? 'more' : 'less'} at the table`,
    ...(Math.abs(o.grams) < LITTLE_GRAMS
      ? []
      : [`${grams(Math.abs(o.grams))} ${o.grams > 0 ? 'more' : 'less'} on the floor at home`]),
    cost < LITTLE_MINUTES ? 'no dearer in all' : `${minutesText(cost)} dearer in all`,
  ];
  return `${shortDay(o.day)}: ${said.join(', ')}`;
}

/** What stands against a day, as a sentence. */
export function ruleText(rule: DayRule): string {
  switch (rule.code) {
    case 'past':
      return 'That day is past.';
    case 'closed':
      return rule.reason ? `Closed that day: ${rule.reason}.` : 'The salon is closed that day.';
    case 'nobody':
      return 'Nobody works that day.';
    case 'owner':
      return `The owner comes on ${listText([...rule.weekdays].sort().map(weekdayName), 'or')}.`;
    case 'owner-hours':
      return `Nobody works between ${minuteText(rule.from)} and ${minuteText(rule.to)}, when the owner can come.`;
    case 'nobody-does':
      return `Nobody there does this: ${listText(rule.stages.map((k) => STAGE_WORDS[k]))}.`;
    case 'person':
      return `${rule.name} is not there that day.`;
    case 'too-soon':
      return `Only ${rule.days} days from another visit: skin and coat rest ${rule.shortest}.`;
    case 'too-late':
      return `${rule.days} days after the visit before; this coat is let wait ${rule.longest} at most.`;
  }
}

/** Weeks that are named before the rest is counted. */
const NAMED_WEEKS = 3;

/** "If every blow comes ten days early, two weeks run over: …". */
export function earlyText(weeks: readonly WeekOver[]): string {
  if (weeks.length === 0) return 'If every blow comes ten days early, no week runs over.';
  const named = [...weeks].sort((a, b) => b.over - a.over).slice(0, NAMED_WEEKS);
  const rest = weeks.length - named.length;
  const text = listText(named.map((w) => `the week from ${shortDay(w.from)} by ${minutesText(Math.round(w.over))}`));
  return `If every blow comes ten days early, ${weeks.length === 1 ? 'one week runs' : `${weeks.length} weeks run`} over: ${text}${rest > 0 ? `, and ${rest} more by less` : ''}.`;
}

/** A booked length that fits its coat no more. */
export const movedText = (
  { dogName, minutes }: Pick<BookingRecord, 'dogName' | 'minutes'>,
  { likely }: MovedLength,
): string => `${dogName} is booked for ${minutesText(minutes)}. Its coat will likely take ${minutesText(likely)}.`;

/** A length in a list: as it is booked, and what is likely where that is another. */
export const lengthText = (minutes: number, likely: number | null | undefined): string =>
  likely == null ? minutesText(minutes) : `${minutesText(minutes)}, likely ${minutesText(likely)}`;

/** So many are named; of more it is said how many. */
const MOST_NAMED = 4;
/** What a newer plan moved: "Tar to Tue 14 Apr (was Thu 9 Apr)". '' where nothing did. */
export function movedProposalsText(moved: readonly MovedProposal[], nameOf: (dogId: string) => string): string {
  if (moved.length === 0) return '';
  const said = moved
    .slice(0, MOST_NAMED)
    .map(({ dogId, from, to }) =>
      to === undefined
        ? `${nameOf(dogId)} on ${shortDay(from)} is proposed no more`
        : `${nameOf(dogId)} to ${shortDay(to)} (was ${shortDay(from)})`,
    );
  const more = moved.length - said.length;
  return `${moved.length === 1 ? 'One other proposal' : `${moved.length} other proposals`} moved: ${listText(more > 0 ? [...said, `${more} more`] : said)}.`;
}
