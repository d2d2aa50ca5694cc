/**
 * What an owner is reminded of, and when nothing is said: at most one message a day, none in quiet hours, nothing
 * twice, nothing to who has not asked. A message leads with what weighs most; the rest rides along in it.
 */
import { COMMON_PRACTICE, GUESS, type Day, type Source } from '../quantity/index.ts';
import type { DueCare, HomeCareKind } from './care.ts';

export const REMINDERS = ['visit-tomorrow', 'offer', 'blow', 'missed', 'visit-due', 'care'] as const;
export type ReminderKind = (typeof REMINDERS)[number];

export interface ReminderRow {
  readonly kind: ReminderKind;
  /** As said at the desk. */
  readonly name: string;
  /** Days after which the same occasion may be told again; Infinity: once. */
  readonly againAfterDays: number;
  readonly source: Source;
}

/** What weighs most first. */
export const REMINDER_ROWS: readonly ReminderRow[] = [
  { kind: 'visit-tomorrow', name: 'visit tomorrow', againAfterDays: Infinity, source: COMMON_PRACTICE },
  { kind: 'offer', name: 'dates are held', againAfterDays: Infinity, source: COMMON_PRACTICE },
  { kind: 'blow', name: 'the blow is starting', againAfterDays: Infinity, source: GUESS },
  { kind: 'missed', name: 'not brushed for a while', againAfterDays: Infinity, source: GUESS },
  { kind: 'visit-due', name: 'visit due, none agreed', againAfterDays: 14, source: GUESS },
  { kind: 'care', name: 'bath or nails due', againAfterDays: 14, source: GUESS },
];

/** Days ahead of the likely start on which a blow is announced: time to find the brushes. Guess. */
export const BLOW_AHEAD_DAYS = 7;
/** Days without brushing that are worth a word, in a blow and outside it; then twice and four times as many, then peace. */
export const MISSED_DAYS = { blow: 3, calm: 7 } as const;
const MISSED_TOLD = 3;
/** Days before it falls due that an owner without a date is asked to call; so near, the salon does the nails. Guess. */
export const VISIT_AHEAD_DAYS = 10;
/** Care that is worth a message of its own; the rest stands on the page. */
const TOLD_CARES: ReadonlySet<HomeCareKind> = new Set(['bath', 'nails']);

/** What is known of a dog's home on a day. */
export interface ReminderDog {
  readonly id: string;
  /** The next visit that is booked, whatever for: its booking and plain day. */
  readonly visit: { readonly id: string; readonly day: Day } | undefined;
  /** Dates that are held for it until its owner takes one, by the id of the offer. */
  readonly offer?: string | undefined;
  /** Where none is booked for the coat: when one is due. */
  readonly visitDue: Day | undefined;
  readonly blow: boolean;
  /** The blow that is under way or comes next, by its season. */
  readonly start: { readonly key: string; readonly likely: number } | undefined;
  /** The last day it was brushed; undefined while this home has noted nothing. */
  readonly lastBrushed: Day | undefined;
  readonly due: readonly DueCare[];
}

export interface Reminder {
  readonly kind: ReminderKind;
  readonly dogId: string;
  /** Names the occasion, so that it is not told twice. */
  readonly about: string;
}
export interface SentReminder extends Reminder {
  readonly day: Day;
}

/** Times of day without messages, minutes after midnight; from after to reaches over midnight; equal: none. */
export interface QuietHours {
  readonly fromMinute: number;
  readonly toMinute: number;
}
export const QUIET_HOURS: QuietHours = { fromMinute: 20 * 60, toMinute: 9 * 60 };

export const isQuiet = (minute: number, { fromMinute, toMinute }: QuietHours): boolean =>
  fromMinute <= toMinute ? minute >= fromMinute && minute < toMinute : minute >= fromMinute || minute < toMinute;

/** How often missed days have been worth a message by now: with each doubling once more. */
function timesMissed({ lastBrushed, blow }: ReminderDog, today: Day): number {
  if (lastBrushed === undefined) return 0;
  const missed = today - lastBrushed - 1;
  const worth = blow ? MISSED_DAYS.blow : MISSED_DAYS.calm;
  return missed < worth ? 0 : Math.min(MISSED_TOLD, 1 + Math.floor(Math.log2(missed / worth)));
}

/** A blow that began long before anybody asked for messages is no news. */
const isNews = (likelyStart: number, today: Day): boolean => Math.abs(likelyStart - today) <= BLOW_AHEAD_DAYS;

/** Is a day near enough for the salon to do then what is due? */
const isNear = (on: Day, today: Day): boolean => on - today <= VISIT_AHEAD_DAYS;

function occasions(dog: ReminderDog, today: Day): readonly Reminder[] {
  const { id: dogId, visit, offer, visitDue, start, lastBrushed, due } = dog;
  const found: Reminder[] = [];
  const add = (kind: ReminderKind, about: string): void => void found.push({ kind, dogId, about });
  if (visit?.day === today + 1) add('visit-tomorrow', `${visit.id} ${visit.day}`);
  if (offer !== undefined) add('offer', offer);
  if (start && isNews(start.likely, today)) add('blow', start.key);
  const times = timesMissed(dog, today);
  if (times > 0) add('missed', `since ${lastBrushed}, ${times}`);
  if (offer === undefined && visitDue !== undefined && isNear(visitDue, today)) add('visit-due', 'visit');
  // What the salon does at a visit that is near needs no message.
  if (visit && isNear(visit.day, today)) return found;
  for (const c of due) if (TOLD_CARES.has(c.kind) && c.due <= today) add('care', c.kind);
  return found;
}

const ROW = new Map(REMINDER_ROWS.map((r) => [r.kind, r]));

export type Silence = 'off' | 'nothing' | 'told-today' | 'quiet-hours';
export interface PostRequest {
  readonly asked: boolean;
  readonly quiet: QuietHours;
  readonly dogs: readonly ReminderDog[];
  readonly today: Day;
  /** Minutes after midnight where the salon is. */
  readonly minute: number;
  /** What this household was told before. */
  readonly told: readonly SentReminder[];
}
export interface Post {
  /** What there is to say, the weightiest first; what waits for tomorrow or for the end of quiet hours is here too. */
  readonly reminders: readonly Reminder[];
  /** Why it is not said now; undefined: it is. */
  readonly silence: Silence | undefined;
}

/** What a household is told now, or why not. */
export function postFor({ asked, quiet, dogs, today, minute, told }: PostRequest): Post {
  const rank = (r: Reminder): number => REMINDERS.indexOf(r.kind);
  const known = (r: Reminder): boolean =>
    told.some(
      (t) =>
        t.kind === r.kind &&
        t.dogId === r.dogId &&
        t.about === r.about &&
        today - t.day < (ROW.get(r.kind)?.againAfterDays ?? Infinity),
    );
  const reminders = dogs
    .flatMap((d) => occasions(d, today))
    .filter((r) => !known(r))
    .sort((a, b) => rank(a) - rank(b));
  const silence: Silence | undefined = !asked
    ? 'off'
    : reminders.length === 0
      ? 'nothing'
      : told.some((t) => t.day === today)
        ? 'told-today'
        : isQuiet(minute, quiet)
          ? 'quiet-hours'
          : undefined;
  return { reminders, silence };
}
