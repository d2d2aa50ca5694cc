/** How forecasts are said. */
import type {
  Advice,
  Call,
  HomeAmount,
  LearntBook,
  Lesson,
  LogQuestion,
  SeasonShift,
  StartAhead,
} from '../../core/tide/index.ts';
import { civilFromDay, day, type Interval80 } from '../../core/quantity/index.ts';
import { dayMonth, shortDay } from './dates.ts';
import { daysText, minutesText, percent } from './figures.ts';
import { TIDE_WORDS } from './reasons.ts';

/** "3–14 April", "28 March–9 April". */
export function spanText({ low, high }: Pick<Interval80, 'low' | 'high'>): string {
  const civil = (value: number) => civilFromDay(day(Math.round(value)));
  const [a, b] = [civil(low), civil(high)];
  return a.month === b.month && a.year === b.year
    ? a.dayOfMonth === b.dayOfMonth
      ? dayMonth(low)
      : `${a.dayOfMonth}–${dayMonth(high)}`
    : `${dayMonth(low)}–${dayMonth(high)}`;
}

export const shedWord = ({ key, tide }: Pick<StartAhead, 'key' | 'tide'>): string =>
  tide === 'life' ? (LIFE_SHEDS[key.split(' ')[0] ?? ''] ?? 'shed') : TIDE_WORDS[tide];
const LIFE_SHEDS: Readonly<Record<string, string>> = {
  season: 'shed after her season',
  litter: 'shed after her litter',
  illness: 'shed after the illness',
  'puppy-coat': 'puppy coat change',
};

/** A start that is known to so many days or worse is said with its weeks. */
const WEEKS_FROM_DAYS = 18;

/** "spring blow starts 3–14 April", "… known to 3 weeks"; one that somebody saw is said as seen, all else as an estimate. */
export function startText(s: StartAhead, today: number): string {
  if (s.seen !== undefined) return `${shedWord(s)} seen to start on ${dayMonth(s.seen)}`;
  if (s.high < today) return `${shedWord(s)} since about ${dayMonth(s.likely)}, by estimate`;
  const wide = s.high - s.low >= WEEKS_FROM_DAYS ? `, known to ${Math.round((s.high - s.low) / 7)} weeks` : '';
  return `${shedWord(s)} starts ${spanText(s)}${wide}`;
}

/** Why a dog without a blow is called. */
export const dueText = ({ outlook: { due } }: Call, today: number): string =>
  due.day <= today + 1 ? 'Due, and not booked' : `Due about ${dayMonth(due.day)}`;

/** What the owner is told of a visit on a day, to be sent as it stands. */
export function ownerWords({ dog, start, outlook, later }: Call, today: number, on: number): string {
  const minutes = outlook.minutes.likely;
  const when = !start
    ? `${dog.name}’s coat is ready for a visit`
    : start.likely <= today
      ? `${dog.name} has begun its ${shedWord(start)}`
      : `${dog.name}’s ${shedWord(start)} will start about ${dayMonth(start.likely)}`;
  const cost = later > minutes + 4 ? ` Three weeks later it would take ${minutesText(later - minutes)} longer.` : '';
  return `${when}. ${shortDay(on)} would be a good day to come; it will take about ${minutesText(minutes)}.${cost} Until then, please brush a little most days.`;
}

/** An entry of the log that does not fit, as a question. */
export const questionText = (q: LogQuestion): string =>
  q.code === 'started-out-of-season'
    ? `“It has started” of ${shortDay(q.day)} is far from any season. Is the day right?`
    : `“It has started” was said on ${shortDay(q.first)} and again on ${shortDay(q.day)}. Which is right? The first counts.`;

/** "Spring is running 9 days early in town (80 %: 5–13)." */
export function shiftText({ tide, days: late, sd }: SeasonShift): string {
  const n = Math.round(Math.abs(late));
  const band = 1.28 * sd;
  const name = tide.charAt(0).toUpperCase() + tide.slice(1);
  if (n === 0 || Math.abs(late) < band / 2)
    return `${name} is about as usual in town, give or take ${daysText(Math.max(1, Math.round(band)))}.`;
  return `${name} is running ${daysText(n)} ${late < 0 ? 'early' : 'late'} in town, give or take ${Math.max(1, Math.round(band))}.`;
}

/** The shift of the season that is under way or comes next. */
export function currentShift(
  { town, from }: LearntBook,
  usualOf: (key: string) => number | undefined,
): SeasonShift | undefined {
  return town.shifts.find((s) => (usualOf(s.key) ?? -Infinity) > from - 45);
}

export const AMOUNT_WORDS: Readonly<Record<HomeAmount, string>> = {
  none: 'nothing',
  pinch: 'a pinch',
  handful: 'a handful',
  bowl: 'a bowl',
  bag: 'a bag',
};

const factor = (v: number): string => `${percent(Math.abs(v - 1))} ${v > 1 ? 'more' : 'less'}`;

/** "2 to 8 before", "3 before to 2 after". */
function againstTown(low: number, high: number): string {
  const [a, b] = [Math.round(low), Math.round(high)];
  if (b <= 0) return `${-b} to ${-a} before`;
  return a >= 0 ? `${a} to ${b} after` : `${-a} before to ${b} after`;
}

/** What a lesson says; every figure with its 80 % band. */
export function lessonText({ what, value, low, high }: Lesson): string {
  const n = Math.round(Math.abs(value));
  const band = `${Math.round(low)} to ${Math.round(high)}`;
  switch (what) {
    case 'spring-start':
    case 'autumn-start': {
      const season = what === 'spring-start' ? 'spring' : 'autumn';
      const span = `80 %: ${againstTown(low, high)}`;
      return n === 0
        ? `It starts its ${season} blow with the town (${span}).`
        : `It starts its ${season} blow ${daysText(n)} ${value < 0 ? 'before' : 'after'} the town (${span}).`;
    }
    case 'length':
      return `Its spring blow lasts about ${Math.round(value)} days (80 %: ${band}).`;
    case 'seasonal':
      return `${percent(value)} of its undercoat comes in the seasons (80 %: ${percent(low)} to ${percent(high)}).`;
    case 'loss':
      return Math.abs(value - 1) < 0.05
        ? 'It drops at home about what its coat class does.'
        : `It drops ${factor(value)} at home than its coat class does (80 %: ×${low.toFixed(2)} to ×${high.toFixed(2)}).`;
    case 'handful':
      return `A handful of this home is ${Math.abs(value - 1) < 0.05 ? 'of the usual size' : `${factor(value)} than usual`}.`;
    default:
      return `${what}: ×${value.toFixed(2)} (80 %: ×${low.toFixed(2)} to ×${high.toFixed(2)}).`;
  }
}

const ADVICE_WORDS: Readonly<Record<Advice, string>> = {
  'weigh-a-visit': 'How much it sheds: weigh the hair of one more visit.',
  'weigh-at-home': 'How much falls at home: weigh what one brushing at home brings out.',
  'say-when-it-starts': 'Its own start: one “it has started” a season tells more than many touch tests.',
  'first-visit-only-a-range': 'How its visits weigh: before two weighed visits only ranges can be given.',
  'light-gives-none': 'Its seasons: light gives hardly any here, so only its own log can tell.',
};
export const adviceText = (a: Advice): string => ADVICE_WORDS[a];
