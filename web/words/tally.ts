/** The tally in words: what is counted, by what, and what changed since last year. */
import { METHODS } from '../../core/bench/index.ts';
import { COAT_CLASSES, coatRow } from '../../core/dog/index.ts';
import type { ChangeWhat, TallyBy, TallyOf, YearChange } from '../../core/tally/index.ts';
import { unreachable } from '../../core/quantity/index.ts';
import { monthName } from './dates.ts';
import { grams, minutesText, money, percent } from './figures.ts';
import { volumeText } from './units.ts';

const NBSP = '\u00a0';

export const OF_WORDS: Readonly<Record<TallyOf, { readonly name: string; readonly each: string }>> = {
  grams: { name: 'Hair', each: 'grams weighed a visit' },
  minutes: { name: 'Minutes', each: 'minutes worked a visit' },
  pace: { name: 'Time against plan', each: 'minutes worked for each minute planned' },
  yield: { name: 'Hair against plan', each: 'grams weighed for each gram planned' },
  income: { name: 'Income', each: 'an hour at the table, by the price told' },
  noise: { name: 'Noise', each: 'share of a day’s noise, by person and day (NIOSH)' },
};
export const BY_WORDS: Readonly<Record<TallyBy, string>> = {
  month: 'month',
  class: 'coat',
  method: 'way',
  tool: 'tool',
  person: 'person',
  dog: 'dog',
};

/** A value of a measure as it is said. */
export function valueText(of: TallyOf, value: number, currency: string): string {
  switch (of) {
    case 'grams':
      return grams(value);
    case 'minutes':
      return minutesText(Math.round(value));
    case 'pace':
    case 'yield':
      return `×${NBSP}${value.toFixed(2)}`;
    case 'income':
      return money(Math.round(value / 100) * 100, currency);
    case 'noise':
      return percent(value);
    default:
      return unreachable(of);
  }
}

/** What a group is called. */
export function groupName(by: TallyBy, key: string, name: string): string {
  switch (by) {
    case 'month':
      return monthName(key);
    case 'class': {
      const found = COAT_CLASSES.find((c) => c === key);
      return found ? coatRow(found).name : key;
    }
    case 'method':
      return METHODS.find((m) => m.id === key)?.name ?? key;
    case 'person':
      return name === '' ? 'nobody said' : name;
    case 'tool':
    case 'dog':
      return name;
    default:
      return unreachable(by);
  }
}

const CHANGE_WORDS: Readonly<Record<ChangeWhat, (value: number, currency: string) => string>> = {
  visits: (v) => `${Math.round(v)} visits`,
  minutes: (v) => `${minutesText(Math.round(v))} a visit`,
  grams: (v) => `${grams(v)} of hair a visit`,
  pace: (v) => `${v.toFixed(2)} minutes worked for each planned`,
  income: (v, currency) => `${money(Math.round(v / 100) * 100, currency)} an hour at the table`,
  noise: (v) => `${percent(v)} of a day’s noise on a working day`,
  product: (v) => `${volumeText(v)} of concentrate a bathed dog`,
  home: (v) => `${minutesText(Math.round(v))} of brushing at home in a week`,
};

/** "Visits take longer: 58 min, 51 min the year before (112 and 98 visits)." */
export function changeText(c: YearChange, currency: string): string {
  const say = CHANGE_WORDS[c.what];
  const by =
    c.before === 0 ? '' : ` (${percent(Math.abs(c.now / c.before - 1))} ${c.now > c.before ? 'more' : 'less'})`;
  return `${say(c.now, currency)}, ${say(c.before, currency)} the year before${by}.`;
}

export const visitsText = (n: number): string => (n === 1 ? 'one visit' : `${n} visits`);
