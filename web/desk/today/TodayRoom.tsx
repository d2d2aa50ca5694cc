/** Desk → Today: who is here and who is next, whom to ring, what owners found, what to mix; the room that a day begins with. */
import type { LearntBook } from '../../../core/tide/index.ts';
import type { SalonRecord } from '../../../contract/salon.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { NotYet, Refusal } from '../../app/state.tsx';
import { useBookings, useCalls, useDay, useSalon, useTideBook } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Skeleton } from '../../ui/Skeleton.tsx';
import { useBookPlan } from '../../work/useBookPlan.ts';
import { longDay } from '../../words/dates.ts';
import { useActs } from '../book/useActs.ts';
import { Learning } from '../tide/Learning.tsx';
import { Board } from './Board.tsx';
import { CallList } from './CallList.tsx';
import { Findings } from './Findings.tsx';
import { Supplies } from './Supplies.tsx';
import css from './today.module.css';

/** The call list, with dates out of the year as it is planned. */
function Calls({ file, learnt, salon }: { file: TideFile; learnt: LearntBook; salon: SalonRecord }) {
  const bookings = useBookings().data?.bookings;
  const calls = useCalls().data?.calls;
  const { plan, state } = useBookPlan({ book: file, learnt });
  const acts = useActs(salon.timeZone, file.lengths);
  return (
    <>
      {acts.done && (
        <Notice tone="good" role="status">
          <p>{acts.done.text}</p>
          <Button look="usual" disabled={acts.busy} onClick={acts.undo}>
            Undo
          </Button>
        </Notice>
      )}
      <Refusal error={acts.refused} />
      {plan && bookings && calls ? (
        <CallList
          file={file}
          learnt={learnt}
          plan={plan}
          bookings={bookings}
          calls={calls}
          timeZone={salon.timeZone}
          acts={acts}
          working={state === 'working'}
        />
      ) : (
        <Sheet aria-labelledby="ring">
          <h2 id="ring">To ring</h2>
          {state === 'failed' ? <p className="mb-0">The dates to offer could not be found.</p> : <Skeleton />}
        </Sheet>
      )}
    </>
  );
}

function Ringing() {
  const [tide, asked] = [useTideBook(), useSalon()];
  const file = tide.data;
  const salon = asked.data?.salon;
  if (!file || !salon) return <NotYet queries={[tide, asked]} />;
  if (file.dogs.length === 0) return null;
  return <Learning file={file}>{(learnt) => <Calls file={file} learnt={learnt} salon={salon} />}</Learning>;
}

export function TodayRoom() {
  const day = useDay();
  return (
    <>
      <div className="wt-title">
        <h1>Today</h1>
        {day.data && <span className="wt-soft">{longDay(day.data.today)}</span>}
        <div className="wt-acts">
          <ButtonLink to="/table/wall">On the wall</ButtonLink>
          <ButtonLink to="/desk/calendar/ill">Somebody is ill</ButtonLink>
          <ButtonLink look="main" className="wt-now" to="/desk/calendar/new">
            Book a visit
          </ButtonLink>
        </div>
      </div>
      <Supplies />
      <div className={css.today}>
        <div className="wt-cols">
          <Board />
        </div>
        <div className="wt-cols">
          <Findings />
          <Ringing />
        </div>
      </div>
    </>
  );
}
