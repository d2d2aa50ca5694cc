/** How a year that is wondered about is said. */
import { AS_TODAY, STRONGER_LEAVES, type YearChange } from '../../core/book/index.ts';
import type { PlannedYear } from '../work/what-if.worker.ts';
import { gapText } from './book.ts';
import { weekdayName } from './dates.ts';
import { capital, listText, minutesText, money, percent } from './figures.ts';

/** What is otherwise than today. */
export function changeText(c: YearChange): string {
  const parts = [
    c.handDays > 0 && `one more person ${c.handDays === 1 ? 'one day' : `${c.handDays} days`} a week`,
    c.openWeekday !== null && `open on ${weekdayName(c.openWeekday)}`,
    c.strongerDryer && 'a stronger dryer',
    c.moreDogs > 0 && (c.moreDogs === 1 ? 'one more dog' : `${c.moreDogs} more dogs`),
    c.homesBrush && 'every home brushes',
    c.secondTub && 'a second tub',
  ].filter((p): p is string => typeof p === 'string');
  return parts.length === 0 ? 'As today' : capital(listText(parts));
}

export const isAsToday = (c: YearChange): boolean => JSON.stringify(c) === JSON.stringify(AS_TODAY);

/** Figures of a year, line by line; '' where nobody asked. */
export const YEAR_LINES: readonly (readonly [label: string, (y: PlannedYear, currency: string) => string])[] = [
  ['Dogs', (y) => String(y.dogs)],
  ['Visits', (y) => String(y.visits)],
  ['At the table', (y) => minutesText(Math.round(y.labour))],
  ['Of the planned hours', (y) => percent(y.weeks.reduce((t, w) => t + w.proposed, 0) / Math.max(1, y.hours))],
  ['Beyond them', (y) => minutesText(Math.round(y.overtime))],
  ['Full days', (y) => String(y.fullDays)],
  ['Days that coats stand packed', (y) => String(Math.round(y.packedDays))],
  [
    'Fullest days end with a tub more',
    (y) =>
      y.tubMinutes === undefined
        ? ''
        : Math.round(y.tubMinutes) < 1
          ? 'as they do'
          : `${minutesText(Math.round(y.tubMinutes))} sooner`,
  ],
  ['Income', (y, currency) => money(y.incomeCents, currency)],
  ['Hair on owners’ floors', (y) => `${(y.homeG / 1000).toFixed(1)} kg`],
  ['Above the best in this model', (y) => `at most ${gapText(y)}`],
];

/** What the model does not know of a change. */
export function limitsText(c: YearChange): readonly string[] {
  return [
    'Every year here is planned anew from today’s coats and agreed visits; who leaves, who is ill and who walks in is in none of them.',
    'A year counts people’s minutes, not tubs, tables and dryers.',
    ...(c.secondTub
      ? [
          'So a second tub changes no line but one: the five fullest days are laid with it and without, owners coming when it suits.',
        ]
      : []),
    ...(c.handDays > 0
      ? [
          'The new person works as your first one does, on the days with the fewest hours. Their pay is not in the income.',
        ]
      : []),
    ...(c.openWeekday !== null ? ['Everybody works on the new day too.'] : []),
    ...(c.strongerDryer
      ? [`A stronger dryer is taken to leave ${percent(STRONGER_LEAVES)} of the drying: a guess.`]
      : []),
    ...(c.moreDogs > 0 ? ['New dogs are like those you have, and come alone.'] : []),
    ...(c.homesBrush ? ['Every home is taken to brush a few minutes every other day, all year. Few do.'] : []),
  ];
}
