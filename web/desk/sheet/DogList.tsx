/** The day dog by dog: when it comes, where it is, when it is ready; its next stage is begun and ended here. */
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { lengthText } from '../../words/book.ts';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { SheetPage } from '../../../contract/roster.ts';
import type { DaySheet, ScheduledStage } from '../../../core/day/index.ts';
import { BookedFact } from '../../app/BookedFact.tsx';
import { Refusal } from '../../app/state.tsx';
import { useMark, useUnmark } from '../../data/hooks.ts';
import { clockText, minuteText } from '../../words/dates.ts';
import { capital, minutesText } from '../../words/figures.ts';
import type { SheetNames } from './names.ts';

/** So much longer a stage may take at a tap. */
const LONGER_BY = [10, 20, 40] as const;

/** Where a visit has come to: the stage under way, and the first that has not begun. */
function progressOf(page: SheetPage, sheet: Pick<DaySheet, 'laid'>, visit: string) {
  const mine = sheet.laid.filter((l) => l.visit === visit).sort((a, b) => a.stage - b.stage);
  const begun = new Set(page.asked.begun.filter((b) => b.visit === visit).map((b) => b.stage));
  const done = new Set(page.done.filter((d) => d.visit === visit).map((d) => d.stage));
  const underWay = mine.find((l) => begun.has(l.stage) && !done.has(l.stage));
  const next = mine.find((l) => !begun.has(l.stage));
  return { mine, underWay, next, ready: Math.max(...mine.map((l) => l.end)) };
}

interface Props {
  readonly page: SheetPage;
  readonly sheet: Pick<DaySheet, 'laid'>;
  readonly names: SheetNames;
  /** What is said of the whole day, over the list. */
  readonly head?: ReactNode;
}

export function DogList({ page, sheet, names, head }: Props) {
  const mark = useMark();
  const unmark = useUnmark();
  const { now } = page;
  const busy = mark.isPending || unmark.isPending;
  const begin = (l: ScheduledStage, at: number): void =>
    mark.mutate({
      bookingId: l.visit,
      stage: l.stage,
      person: l.person ?? null,
      place: l.place ?? null,
      started: at,
      ends: Math.min(1440, at + l.end - l.start),
      done: false,
    });
  const end = (l: ScheduledStage, at: number, done: boolean): void =>
    mark.mutate({
      bookingId: l.visit,
      stage: l.stage,
      person: l.person ?? null,
      place: l.place ?? null,
      started: l.start,
      ends: Math.min(1440, Math.max(l.start, at)),
      done,
    });
  const where = (l: ScheduledStage): string =>
    [
      names.stage(l.visit, l.stage),
      l.place && `at ${names.place(l.place)}`,
      l.person && `with ${names.person(l.person)}`,
    ]
      .filter(Boolean)
      .join(' ');
  return (
    <Sheet aria-labelledby="dogs">
      <h2 id="dogs">Dogs of the day</h2>
      {head}
      <Refusal error={mark.error ?? unmark.error} />
      <ul className="wt-bare wt-rows wt-dogs-of-day">
        {page.visits.map((v) => {
          const { mine, underWay, next, ready } = progressOf(page, sheet, v.id);
          if (mine.length === 0) return null;
          const last =
            underWay ??
            [...mine].reverse().find((l) => page.done.some((d) => d.visit === l.visit && d.stage === l.stage));
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
                    ? `${capital(where(underWay))} until ${minuteText(underWay.end)}`
                    : next
                      ? `${next.start <= (now ?? 0) ? 'Now' : `At ${minuteText(next.start)}`}: ${where(next)}, ${minutesText(next.end - next.start)}`
                      : 'Done, ready to go home'}
                </div>
              </div>
              {now !== null && (
                <div className="wt-acts">
                  {underWay && (
                    <>
                      <Button look="usual" disabled={busy} onClick={() => end(underWay, now, true)}>
                        {capital(names.stage(v.id, underWay.stage))} done
                      </Button>
                      {LONGER_BY.map((minutes, i) => (
                        <Button
                          key={minutes}
                          look="usual"
                          disabled={busy}
                          aria-label={`${minutes} min longer`}
                          onClick={() => end(underWay, Math.max(now, underWay.end) + minutes, false)}
                        >
                          {i === 0 ? `${minutes} min longer` : minutes}
                        </Button>
                      ))}
                    </>
                  )}
                  {!underWay && next && (
                    <Button look="usual" disabled={busy} onClick={() => begin(next, now)}>
                      Begin {names.stage(v.id, next.stage)}
                    </Button>
                  )}
                  {last && (
                    <Button
                      look="plain"
                      disabled={busy}
                      onClick={() => unmark.mutate({ bookingId: v.id, stage: last.stage })}
                    >
                      Undo
                    </Button>
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </Sheet>
  );
}
