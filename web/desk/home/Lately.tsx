/** What this home did lately and what it does to the next visit. */
import { Link } from 'react-router';
import type { HomeDeskPage } from '../../../contract/home.ts';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { capital, minutesText, money, percent } from '../../words/figures.ts';
import { partNames } from '../../words/home.ts';
import { AMOUNT_WORDS } from '../../words/tide.ts';

/** A visit that is short by less is not worth a call, minutes. */
const SHORT_BY = 10;
const SHOWN = 6;

export function Lately({ page }: { page: HomeDeskPage }) {
  const { dog, adherence, missedWeekCost } = page;
  const { effect } = dog.tide;
  const visit = dog.visits.find((v) => v.service === 'coat');
  // As this home has brushed lately: between kept and not at all.
  const expected =
    effect && Math.round(effect.without + (effect.kept - effect.without) * (adherence ?? (dog.missedDays > 5 ? 0 : 1)));
  const short = expected && visit ? expected - visit.minutes : 0;
  return (
    <Sheet aria-labelledby="lately">
      <h2 id="lately">What it does</h2>
      {adherence !== null && <p>Over four weeks {percent(adherence)} of the planned days were brushed.</p>}
      {effect && (
        <p>
          This coat kept at home: <strong>{minutesText(Math.round(effect.kept))}</strong>; without:{' '}
          <strong>{minutesText(Math.round(effect.without))}</strong>. A missed week:{' '}
          {minutesText(Math.round(effect.missedWeek))}
          {missedWeekCost &&
            missedWeekCost.cents > 0 &&
            `, ${money(missedWeekCost.cents, missedWeekCost.currency)} more`}
          .
        </p>
      )}
      {short > SHORT_BY && visit && expected && (
        <Notice>
          {minutesText(visit.minutes)} are booked; as this home brushes, it takes about {minutesText(expected)}.{' '}
          <Link to={`/desk/dogs/${dog.id}/next`}>Lengthen it, or bring it forward</Link>
        </Notice>
      )}
      {dog.bouts.length === 0 ? (
        <p>Nothing was noted at home in two weeks.</p>
      ) : (
        <ul className="wt-bare wt-log">
          {dog.bouts
            .toReversed()
            .slice(0, SHOWN)
            .map((b) => (
              <li key={b.id}>
                {dateText(b.day)}: {minutesText(Math.max(1, Math.round(b.minutes)))}
                {b.amount && `, ${AMOUNT_WORDS[b.amount]}`}
                {b.author && `, ${b.author}`}
                <span className="wt-soft"> {capital(partNames(b.parts))}</span>
              </li>
            ))}
        </ul>
      )}
      {dog.reports.length > 0 && (
        <p>
          <Link to="/desk/today">What this home has found</Link>
        </p>
      )}
    </Sheet>
  );
}
