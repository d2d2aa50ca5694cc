/** The day dog by dog: when it comes, where it is, when it is ready; its next stage is begun and ended here. */
import { Link } from 'react-router';
import type { SheetPage } from '../../../contract/roster.ts';
import type { DaySheet } from '../../../core/day/index.ts';
import { BookedFact } from '../../app/BookedFact.tsx';
import { Refusal } from '../../app/state.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { lengthText } from '../../words/book.ts';
import { clockText, minuteText } from '../../words/dates.ts';
import { capital, minutesText } from '../../words/figures.ts';
import type { SheetNames } from './names.ts';
import { progressOf, StageKeys, useStageActs, whereOf } from './StageKeys.tsx';

interface Props {
  readonly page: SheetPage;
  readonly sheet: Pick<DaySheet, 'laid'>;
  readonly names: SheetNames;
}

export function DogList({ page, sheet, names }: Props) {
  const acts = useStageActs();
  const { now } = page;
  return (
    <Sheet aria-labelledby="dogs">
      <h2 id="dogs">Dogs of the day</h2>
      <Refusal error={acts.error} />
      <ul className="wt-bare wt-rows wt-dogs-of-day">
        {page.visits.map((v) => {
          const at = progressOf(page, sheet, v.id);
          const { mine, underWay, next, ready } = at;
          if (mine.length === 0) return null;
          return (
            <li key={v.id}>
              <div>
                <strong>
                  <Link to={v.checkId ? `/desk/dogs/${v.dogId}/plan/${v.checkId}` : `/desk/dogs/${v.dogId}`}>
                    {v.name}
                  </Link>
                </strong>{' '}
                <span className="wt-soft">
                  comes at <Link to={`/desk/calendar/visits/${v.id}`}>{clockText(v.startsAt, page.timeZone)}</Link> for{' '}
                  <BookedFact booking={v} isNext={v.isNext} zone={page.timeZone}>
                    {lengthText(v.minutes, v.likely)}
                  </BookedFact>
                  , ready at {minuteText(ready)}
                  {!v.agreed && ', not agreed yet'}
                  {!v.planned && ', by its length: the coat was never checked'}
                </span>
                <div>
                  {underWay
                    ? `${capital(whereOf(names, underWay))} until ${minuteText(underWay.end)}`
                    : next
                      ? `${next.start <= (now ?? 0) ? 'Now' : `At ${minuteText(next.start)}`}: ${whereOf(names, next)}, ${minutesText(next.end - next.start)}`
                      : 'Done, ready to go home'}
                </div>
              </div>
              {now !== null && (
                <div className="wt-acts">
                  <StageKeys at={at} names={names} now={now} acts={acts} />
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </Sheet>
  );
}
