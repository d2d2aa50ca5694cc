/** A month as its weeks and days, and a season as its weeks: how full each is, and who comes. */
import type { BookSummary, PlannedWeek } from '../../../core/book/index.ts';
import { addDays, isoWeekday, sum, type Day } from '../../../core/quantity/index.ts';
import { useView } from '../../app/useView.ts';
import { Button } from '../../ui/Button.tsx';
import { Table } from '../../ui/Table.tsx';
import { Tip } from '../../ui/Tip.tsx';
import { monthYear, shortDay, weekdaysHere } from '../../words/dates.ts';
import { minutesText, percent } from '../../words/figures.ts';
import css from './book.module.css';

interface MonthProps {
  readonly plan: BookSummary;
  /** A day in the month. */
  readonly day: Day;
  readonly nameOf: (id: string) => string;
  readonly hoursOn: (day: Day) => number;
  readonly onDay: (day: Day) => void;
}
const dayOfMonth = (d: Day): number => new Date(d * 86_400_000).getUTCDate();
const monthOf = (d: Day): string => new Date(d * 86_400_000).toISOString().slice(0, 7);
/** Names shown on a day before the rest is counted. */
const NAMES = 3;

export function Month({ plan, day, nameOf, hoursOn, onDay }: MonthProps) {
  const first = addDays(day, 1 - dayOfMonth(day));
  const { weekStart } = useView();
  const start = addDays(first, -((isoWeekday(first) - weekStart + 7) % 7));
  const days = Array.from({ length: 42 }, (_, i) => addDays(start, i)).filter(
    (d, i, all) =>
      monthOf(d) === monthOf(day) || all.slice(i - (i % 7), i - (i % 7) + 7).some((x) => monthOf(x) === monthOf(day)),
  );
  const weeks = Array.from({ length: days.length / 7 }, (_, w) => days.slice(7 * w, 7 * w + 7));
  return (
    <Table bare className={css.month}>
      <caption>{monthYear(day)}</caption>
      <thead>
        <tr>
          {weekdaysHere().map((w) => (
            <th key={w.value} scope="col">
              {w.word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {weeks.map((week) => (
          <tr key={week[0]}>
            {week.map((d) => {
              const visits = plan.visits.filter((v) => v.day === d);
              const load = sum(visits.map((v) => v.length ?? v.minutes));
              const hours = hoursOn(d);
              const names = visits.map((v) => nameOf(v.dogId));
              return (
                <td
                  key={d}
                  className={
                    monthOf(d) !== monthOf(day) ? 'is-other' : hours === 0 && d > plan.from ? 'is-shut' : undefined
                  }
                >
                  <Tip says={`${shortDay(d)}${visits.length === 0 && hours === 0 && d > plan.from ? ', closed' : ''}`}>
                    <button type="button" onClick={() => onDay(d)}>
                      <span className={css.monthDay}>
                        {dayOfMonth(d)}
                        {load > 0 && <span className="wt-soft">{minutesText(Math.round(load))}</span>}
                      </span>
                      {names.slice(0, NAMES).map((n, i) => (
                        <span key={`${n} ${i}`} className={visits[i]?.agreed ? `${css.comer} is-agreed` : css.comer}>
                          {n}
                        </span>
                      ))}
                      {names.length > NAMES && <span className="wt-soft">and {names.length - NAMES} more</span>}
                    </button>
                  </Tip>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Weeks that a season shows. */
export const SEASON_WEEKS = 13;

interface SeasonProps {
  readonly plan: BookSummary;
  readonly weeks: readonly { readonly week: PlannedWeek; readonly index: number }[];
  readonly nameOf: (id: string) => string;
  readonly onWeek: (index: number) => void;
}
export function Season({ plan, weeks, nameOf, onWeek }: SeasonProps) {
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">Week from</th>
          <th scope="col">Full</th>
          <th scope="col">Who comes</th>
        </tr>
      </thead>
      <tbody>
        {weeks.map(({ week, index }) => {
          const visits = plan.visits.filter((v) => v.day >= week.from && v.day < week.from + week.days);
          const load = week.agreed + week.proposed;
          return (
            <tr key={week.from}>
              <th scope="row">
                <Button look="plain" onClick={() => onWeek(index)}>
                  {shortDay(week.from)}
                </Button>
              </th>
              <td>
                {week.hours === 0 ? 'closed' : percent(load / week.hours)}{' '}
                <span className="wt-soft">{minutesText(Math.round(load))}</span>
              </td>
              <td>
                {visits.map((v, i) => (
                  <span key={`${v.dogId} ${v.day}`} className={v.agreed ? `${css.comer} is-agreed` : css.comer}>
                    {nameOf(v.dogId)}
                    {i < visits.length - 1 ? ', ' : ''}
                  </span>
                ))}
              </td>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}
