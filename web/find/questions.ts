/**
 * What people ask in their own words: a visit to book, and questions that one room answers. Each is known by words that it
 * cannot be asked without.
 */
import { addDays, civilFromDay, formatDay, type Day } from '../../core/quantity/index.ts';
import type { DogListItem } from '../../contract/dog.ts';
import { dayTyped } from './dates.ts';
import { readTime } from '../ui/form/clock-text.ts';

export interface Answer {
  readonly name: string;
  readonly says: string;
  readonly to: string;
}

/** What a question is asked with. */
export interface Asking {
  readonly dogs: readonly Pick<DogListItem, 'id' | 'name' | 'ownerName'>[];
  readonly today: Day;
  /** Is 4/9 the fourth of September. */
  readonly dayFirst: boolean;
  /** How a day and a time are written here. */
  readonly dayText: (day: Day) => string;
  readonly timeText: (minute: number) => string;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

const wordsOf = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .replace(/[?!,“”"]/g, ' ')
    .split(/\s+/)
    .filter((w) => w !== '');

type Dog = Asking['dogs'][number];

/** The dog that is named, and the words without its name. */
function dogIn(
  words: readonly string[],
  dogs: readonly Dog[],
): { readonly dog: Dog; readonly rest: readonly string[] } | undefined {
  for (const dog of dogs) {
    const name = wordsOf(dog.name);
    const at = words.findIndex((_, i) => name.every((n, k) => words[i + k]?.replace(/[’']s$/, '') === n));
    if (name.length > 0 && at >= 0) return { dog, rest: [...words.slice(0, at), ...words.slice(at + name.length)] };
  }
  return undefined;
}

/** A day in the words, alone or two together, and the words without it. */
function dayIn(
  words: readonly string[],
  { today, dayFirst }: Asking,
): { readonly on: Day; readonly rest: readonly string[] } | undefined {
  for (const long of [3, 2, 1])
    for (let i = 0; i + long <= words.length; i++) {
      const on = dayTyped(words.slice(i, i + long).join(' '), today, dayFirst);
      if (on !== undefined) return { on, rest: [...words.slice(0, i), ...words.slice(i + long)] };
    }
  return undefined;
}

/** What of a booking was said: whom, when. */
function saidOf(words: readonly string[], asking: Asking) {
  const named = dogIn(words, asking.dogs);
  const dated = dayIn(named?.rest ?? words, asking);
  const minute = (dated?.rest ?? named?.rest ?? [])
    .filter((w) => w !== 'at' && w !== 'on')
    .map((w) => readTime(w))
    .find((m) => m !== undefined);
  return { dog: named?.dog, on: dated?.on, minute };
}

/** "book Birk friday 2pm": the visit as it would be booked; Enter opens it. */
function booking(words: readonly string[], asking: Asking): Answer {
  const { dog, on, minute } = saidOf(words, asking);
  const asked = new URLSearchParams();
  if (dog) asked.set('dog', dog.id);
  else if (words.length > 0 && on === undefined) asked.set('find', words.join(' '));
  if (on !== undefined) asked.set('day', formatDay(on));
  if (minute !== undefined) asked.set('time', String(minute));
  const when = [
    ...(on === undefined ? [] : [asking.dayText(on)]),
    ...(minute === undefined ? [] : [asking.timeText(minute)]),
  ].join(', ');
  return {
    name: `Book ${dog?.name ?? 'a visit'}${when && `: ${when}`}`,
    says: '',
    to: `/desk/calendar/new${asked.size > 0 ? `?${asked.toString()}` : ''}`,
  };
}

/** A month named in the words, as the last one of that name. */
function monthIn(words: readonly string[], today: Day): string | undefined {
  const at = words.map((w) => MONTHS.indexOf(w.slice(0, 3))).find((m) => m >= 0);
  if (at === undefined) return undefined;
  const { year, month } = civilFromDay(today);
  return `${at + 1 > month ? year - 1 : year}-${String(at + 1).padStart(2, '0')}`;
}

interface Question {
  /** Beginnings of words: of each list one is there. */
  readonly with: readonly (readonly string[])[];
  readonly answer: (words: readonly string[], asking: Asking) => Answer;
}

/** What is asked of no dog in particular. */
const OF_ALL: readonly Question[] = [
  {
    with: [['why'], ['tool', 'rake', 'brush']],
    answer: () => ({
      name: 'Why this tool',
      says: 'Open a plan and choose a part of the dog',
      to: '/desk/reports/plans',
    }),
  },
  {
    with: [['no', 'without'], ['dryer']],
    answer: () => ({
      name: 'What if there is no dryer',
      says: 'Every dog, planned without it',
      to: '/desk/reports/plans?with=no-dryer',
    }),
  },
  {
    with: [['take', 'took', 'taking', 'earn', 'income']],
    answer: (words, { today }) => {
      const month = monthIn(words, today);
      return {
        name: 'What we took in a month',
        says: 'The sum, by person and way, beside the hours',
        to: `/desk/reports?view=takings${month ? `&month=${month}` : ''}`,
      };
    },
  },
  {
    with: [
      ['brush', 'comb'],
      ['buy', 'owner'],
    ],
    answer: () => ({
      name: 'Which brush an owner should buy',
      says: 'Open the dog: Brushes at home',
      to: '/desk/dogs',
    }),
  },
  {
    with: [['grade']],
    answer: () => ({
      name: 'What the grades mean',
      says: 'The five touch tests, word by word',
      to: '/desk/help/grades',
    }),
  },
  {
    with: [['overdue']],
    answer: () => ({ name: 'Who is overdue', says: 'Those to see to, first', to: '/desk/dogs' }),
  },
  {
    with: [['who'], ['come', 'free']],
    answer: (words, asking) => {
      const on = dayIn(words, asking)?.on ?? addDays(asking.today, 1);
      return {
        name: `Who can come on ${asking.dayText(on)}`,
        says: 'Who gains most by coming then',
        to: `/desk/calendar?show=day&day=${on}`,
      };
    },
  },
  {
    with: [
      ['tub', 'bath'],
      ['today', 'what'],
    ],
    answer: () => ({ name: 'What is in the tub today', says: 'What to mix, and for whom', to: '/desk/today/tub' }),
  },
  {
    with: [['ill', 'sick', 'away']],
    answer: () => ({
      name: 'Somebody is ill or away',
      says: 'Which visits are touched, whom to ring, what to offer',
      to: '/desk/calendar/ill',
    }),
  },
  {
    with: [['late']],
    answer: () => ({ name: 'The day runs late', says: 'New times, and whom to tell', to: '/desk/calendar/day' }),
  },
];

/** What is asked of one dog. */
const ofDog = ({ id, name, ownerName }: Dog): readonly Question[] => [
  {
    with: [['blow', 'shed', 'when', 'due']],
    answer: () => ({
      name: `When ${name} blows its coat`,
      says: 'Its year ahead, and when it is due',
      to: `/desk/dogs/${id}/tide`,
    }),
  },
  {
    with: [['brush', 'comb', 'buy']],
    answer: () => ({
      name: `Which brush ${ownerName || 'the owner'} should buy for ${name}`,
      says: '',
      to: `/desk/dogs/${id}#brushes`,
    }),
  },
  {
    with: [['phone', 'number', 'call', 'ring']],
    answer: () => ({ name: `${name}: ${ownerName}’s number`, says: '', to: `/desk/dogs/${id}` }),
  },
];

/** Answers to what is asked, the likeliest first; none where it is no question that is known. */
export function answersTo(text: string, asking: Asking): readonly Answer[] {
  const words = wordsOf(text);
  if (words[0] === 'book') return [booking(words.slice(1), asking)];
  if (words.length < 2) return [];
  const dog = dogIn(words, asking.dogs)?.dog;
  const begins = (any: readonly string[]): boolean => words.some((w) => any.some((a) => w.startsWith(a)));
  return (dog ? ofDog(dog) : OF_ALL).filter((q) => q.with.every(begins)).map((q) => q.answer(words, asking));
}
