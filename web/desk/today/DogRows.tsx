/** Today dog by dog, a line each: when it comes, what is done with it now or next, when it is ready, and the one key for it. */
import { Link } from 'react-router';
import type { SheetPage } from '../../../contract/roster.ts';
import type { DaySheet } from '../../../core/day/index.ts';
import { BookedFact } from '../../app/BookedFact.tsx';
import { Refusal } from '../../app/state.tsx';
import { clockText, minuteText } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import type { SheetNames } from '../sheet/names.ts';
import { progressOf, StageKeys, useStageActs, whereOf } from '../sheet/StageKeys.tsx';
import css from './today.module.css';

/** So long after its time a stage that nobody has begun is said to be open: when the dog is ready is not known then. */
const WAITED_MINUTES = 15;

type Progress = ReturnType<typeof progressOf>;

function stateText({ underWay, next, ready }: Progress, names: SheetNames, now: number): string {
  if (underWay) return `${capital(whereOf(names, underWay))} until ${minuteText(underWay.end)}`;
  if (!next) return 'Ready to go home';
  if (next.start < now - WAITED_MINUTES) return `Not begun: ${whereOf(names, next)}`;
  const when = next.start <= now ? 'Next' : minuteText(next.start);
  return `${when}: ${whereOf(names, next)}. Ready ${minuteText(ready)}`;
}

interface Props {
  readonly page: SheetPage;
  readonly sheet: Pick<DaySheet, 'laid'>;
  readonly names: SheetNames;
}

export function DogRows({ page, sheet, names }: Props) {
  const acts = useStageActs();
  const now = page.now ?? 0;
  return (
    <>
      <Refusal error={acts.error} />
      <ul className={`wt-bare ${css.rows}`}>
        {page.visits.map((v) => {
          const at = progressOf(page, sheet, v.id);
          if (at.mine.length === 0) return null;
          return (
            <li key={v.id}>
              <Link to={`/desk/calendar/visits/${v.id}`}>
                <BookedFact booking={v} isNext={v.isNext} zone={page.timeZone}>
                  {clockText(v.startsAt, page.timeZone)}
                </BookedFact>
              </Link>
              <strong>
                <Link to={v.checkId ? `/desk/dogs/${v.dogId}/plan/${v.checkId}` : `/desk/dogs/${v.dogId}`}>
                  {v.name}
                </Link>
              </strong>
              <span>
                {stateText(at, names, now)}
                {!v.agreed && <span className="wt-soft">, not agreed yet</span>}
              </span>
              <span className="d-flex flex-wrap justify-end g-2">
                <StageKeys at={at} names={names} now={now} acts={acts} size="sm" />
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
