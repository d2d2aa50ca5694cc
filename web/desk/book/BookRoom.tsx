/** Calendar → Weeks: a year of visits that meets every tide within the hours, by season, month, week or day. */
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { SalonRecord } from '../../../contract/salon.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { hoursOf, workOf, type BookSummary, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, day, formatDay, sum, type Day } from '../../../core/quantity/index.ts';
import { outlooks, type LearntBook, type Outlook } from '../../../core/tide/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { searchWith } from '../../app/search-with.ts';
import { NotYet, Refusal } from '../../app/state.tsx';
import { useBookings, useSalon, useTideBook } from '../../data/hooks.ts';
import { WeeksChart } from '../../drawing/WeeksChart.tsx';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useBookPlan, type BookAnswer } from '../../work/useBookPlan.ts';
import { SoonerList } from './SoonerList.tsx';
import { earlyText, goodness, movedProposalsText, noDayText } from '../../words/book.ts';
import { longDay, monthYear, shortDay } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { Learning } from '../tide/Learning.tsx';
import { Away } from './Away.tsx';
import { Chosen } from './Chosen.tsx';
import { Files } from './Files.tsx';
import { bookingsByVisit, visitKey } from './keys.ts';
import { Month, Season, SEASON_WEEKS } from './Months.tsx';
import { useActs, type Acts } from './useActs.ts';
import { daysOfWeek, Week } from './Week.tsx';
import css from './book.module.css';

const STAGE_WORDS = {
  building: 'Walking every dog’s coat through the year.',
  bound: 'Finding what no plan can beat.',
  placing: 'Placing the visits.',
  improving: 'Trying what would be better.',
} as const;
const SPANS = ['season', 'month', 'week', 'day'] as const;
type Span = (typeof SPANS)[number];

interface Facts {
  readonly file: TideFile;
  readonly learnt: LearntBook;
  readonly bookings: readonly BookingRecord[];
  readonly salon: SalonRecord;
}

const nameIn = (file: TideFile, id: string): string => file.dogs.find((d) => d.id === id)?.name ?? id;

type Answered = { readonly [K in 'early' | 'sooner' | 'askSooner' | 'state']: BookAnswer[K] };
interface BoardProps extends Facts, Answered {
  readonly plan: BookSummary;
  readonly working: boolean;
  readonly acts: Acts;
}

function Board({ file, learnt, bookings, salon, plan, early, sooner, askSooner, state, working, acts }: BoardProps) {
  const [params, setParams] = useSearchParams();
  /** The visit that hangs over another day, or was let go of there. */
  const [drag, setDrag] = useState<
    { readonly visit: PlannedVisit; readonly day: Day; readonly dropped: boolean } | undefined
  >();
  const { timeZone } = salon;
  // Not computed again with every move of a drag.
  const byVisit = useMemo(() => bookingsByVisit(bookings, timeZone), [bookings, timeZone]);
  const hours = useMemo(() => hoursOf(file, plan.from), [file, plan.from]);
  const known = useMemo(() => outlooks(file, learnt), [file, learnt]);
  /** What every room says of this visit, where it is the dog's next one and comes alone. */
  const nextOf = (v: PlannedVisit): Outlook | undefined => {
    const outlook = known.get(v.dogId);
    return v.together.length === 0 && outlook?.booked?.day === v.day ? outlook : undefined;
  };
  const span = SPANS.find((s) => s === params.get('show')) ?? 'week';
  const last = plan.weeks.length - 1;
  const weekAsked = params.get('week');
  const dayAsked = Number(params.get('day') ?? Number.NaN);
  // A day without its week is enough: another room knows only the day.
  const weekOfDay = plan.weeks.findIndex((w) => dayAsked >= w.from && dayAsked < w.from + w.days);
  const chosenWeek = Math.min(last, Math.max(0, weekAsked === null ? weekOfDay : Number(weekAsked) || 0));
  const week = plan.weeks[chosenWeek];
  const put = (more: Readonly<Record<string, string | undefined>>): void =>
    setParams((now) => searchWith(now, more), { replace: true });
  if (!week) return null;
  const weekOf = (d: Day): number =>
    Math.max(
      0,
      plan.weeks.findIndex((w) => d >= w.from && d < w.from + w.days),
    );
  const on = day(Math.max(week.from, Number(params.get('day') ?? 0) || 0));
  const shownDay = on < week.from + week.days ? on : week.from;
  const hoursOn = (d: Day): number => hours.minutes[d - plan.from] ?? 0;
  const nameOf = (id: string): string => nameIn(file, id);
  const ownerOf = (v: PlannedVisit): string => file.dogs.find((d) => d.id === v.dogId)?.owner || v.dogId;
  const bookingFor = (v: PlannedVisit): BookingRecord | undefined => byVisit.get(visitKey(v));
  const chosenKey = params.get('visit') ?? undefined;
  const chosen = drag?.visit ?? plan.visits.find((v) => visitKey(v) === chosenKey);
  const target = drag?.day;
  const step = span === 'season' ? SEASON_WEEKS : span === 'month' ? 4 : 1;
  const walk = (by: -1 | 1): void => {
    if (span !== 'day')
      return put({ week: String(Math.min(last, Math.max(0, chosenWeek + by * step))), day: undefined });
    const to = addDays(shownDay, by);
    put({ week: String(weekOf(to)), day: String(to) });
  };
  const inWeek = plan.visits.filter((v) => v.day >= week.from && v.day < week.from + week.days);
  const proposals = inWeek.filter((v) => !bookingFor(v) && (span !== 'day' || v.day === shownDay));
  const seen = chosen ? (file.dogs.find((d) => d.id === chosen.dogId)?.sightings ?? []) : [];
  const otherDays = chosen
    ? [
        ...plan.visits.filter((v) => v.dogId === chosen.dogId && v.day !== chosen.day).map((v) => v.day),
        ...seen.filter((s) => s.kind === 'visit').map((s) => s.day),
      ]
    : [];
  const title: Readonly<Record<Span, string>> = {
    season: `Season from ${shortDay(week.from)}`,
    month: monthYear(addDays(week.from, 3)),
    week: `Week from ${shortDay(week.from)}`,
    day: longDay(shownDay),
  };
  const dayVisits = inWeek.filter((v) => v.day === shownDay);
  const load = Math.round(span === 'day' ? sum(dayVisits.map(workOf)) : week.agreed + week.proposed);
  return (
    <div className={working ? `${css.book} is-old` : css.book}>
      <Sheet aria-label="The year">
        <p className="wt-lead mb-1">{goodness(plan)}</p>
        <WeeksChart
          weeks={plan.weeks}
          chosen={chosenWeek}
          onChoose={(w) => put({ week: w <= 0 ? undefined : String(Math.min(last, w)), day: undefined })}
        />
        <p className="wt-soft mb-0">
          Solid: in the book. Hatched: proposed. The line is what the salon plans with, 93 % of its hours.
        </p>
        <p className="mb-0">{earlyText(early)}</p>
        {plan.noDay.length > 0 && <Notice className="mb-0">{noDayText(plan.noDay.map(nameOf))}</Notice>}
      </Sheet>
      <Sheet aria-labelledby="week">
        <div className="wt-title mb-0">
          <h2 id="week">
            {title[span]}{' '}
            {(span === 'week' || span === 'day') && (
              <span className="wt-soft">
                {minutesText(load)} of {minutesText(Math.round(span === 'day' ? hoursOn(shownDay) : week.hours))}
              </span>
            )}
          </h2>
          <ChoiceGroup
            name="Show"
            options={SPANS.map((s) => ({ value: s, word: s }))}
            value={span}
            onPick={(s) => put({ show: s === 'week' ? undefined : s })}
          />
          <div className="wt-acts">
            <Button
              look="usual"
              disabled={chosenWeek === 0 && (span !== 'day' || shownDay <= week.from)}
              onClick={() => walk(-1)}
            >
              Before
            </Button>
            <Button look="usual" disabled={chosenWeek === last && span !== 'day'} onClick={() => walk(1)}>
              After
            </Button>
          </div>
        </div>
        {span === 'season' && (
          <Season
            plan={plan}
            weeks={plan.weeks.map((w, index) => ({ week: w, index })).slice(chosenWeek, chosenWeek + SEASON_WEEKS)}
            nameOf={nameOf}
            onWeek={(w) => put({ week: String(w), show: undefined })}
          />
        )}
        {span === 'month' && (
          <Month
            plan={plan}
            day={addDays(week.from, 3)}
            nameOf={nameOf}
            hoursOn={hoursOn}
            onDay={(d) => put({ week: String(weekOf(d)), day: String(d), show: 'day' })}
          />
        )}
        {(span === 'week' || span === 'day') && (
          <Week
            nextOf={nextOf}
            days={
              span === 'week'
                ? daysOfWeek(week.from, week.days, inWeek, hoursOn, bookingFor)
                : daysOfWeek(shownDay, 1, dayVisits, hoursOn, bookingFor)
            }
            nameOf={nameOf}
            chosen={chosenKey}
            onChoose={(v) => {
              setDrag(undefined);
              put({ visit: visitKey(v) === chosenKey ? undefined : visitKey(v) });
            }}
            onOver={(visit, d) =>
              setDrag(d === undefined || d === visit.day ? undefined : { visit, day: d, dropped: false })
            }
            onDrop={(visit, d) => {
              setDrag({ visit, day: d, dropped: true });
              put({ visit: visitKey(visit) });
            }}
          />
        )}
        {inWeek.length === 0 && span === 'week' && <p>Nobody needs to come in this week.</p>}
        {span === 'day' && hoursOn(shownDay) > load && (
          <SoonerList
            file={file}
            day={shownDay}
            state={state}
            sooner={sooner}
            askSooner={askSooner}
            onOffer={(dogId, from) => {
              const visit = plan.visits.find((v) => v.dogId === dogId && v.day === from);
              if (!visit) return;
              setDrag({ visit, day: shownDay, dropped: true });
              put({ visit: visitKey(visit) });
            }}
          />
        )}
        <div className="wt-acts">
          {(span === 'week' || span === 'day') && proposals.length > 1 && (
            <Button className="wt-now" disabled={acts.busy} onClick={() => acts.bookTentatively(proposals)}>
              Take all {proposals.length} of this {span}
            </Button>
          )}
          {span === 'day' && (
            <ButtonLink to={`/desk/calendar/day?day=${formatDay(shownDay)}`}>The day’s sheet</ButtonLink>
          )}
        </div>
      </Sheet>
      {chosen && (
        <Chosen
          file={file}
          tide={learnt.dogs.find((t) => t.id === chosen.dogId)}
          outlook={nextOf(chosen)}
          visit={chosen}
          booking={bookingFor(chosen)}
          ofOwner={plan.visits.filter(
            (v) =>
              v.day < chosen.day + 7 * SEASON_WEEKS &&
              v.day > file.today &&
              ownerOf(v) === ownerOf(chosen) &&
              !bookingFor(v),
          )}
          otherDays={otherDays}
          target={target === chosen.day ? undefined : target}
          dropped={drag?.dropped === true}
          timeZone={timeZone}
          acts={acts}
          onTarget={(d) => setDrag(d === undefined ? undefined : { visit: chosen, day: d, dropped: true })}
        />
      )}
    </div>
  );
}

function Planned(facts: Facts) {
  const { file, learnt, bookings, salon } = facts;
  const { plan, moved, early, sooner, askSooner, progress, state, away, ask, cancel, again } = useBookPlan({
    book: file,
    learnt,
  });
  const acts = useActs(salon.timeZone, file.lengths);
  return (
    <>
      {state === 'working' && (
        <Notice role="status" data-learning="">
          <p>{progress ? STAGE_WORDS[progress.stage] : 'Beginning.'}</p>
          <Progress label="Plan made" value={progress?.share ?? 0} onCancel={cancel} />
        </Notice>
      )}
      {(state === 'cancelled' || state === 'failed') && (
        <Notice role={state === 'failed' ? 'alert' : 'status'}>
          <p>
            {state === 'failed'
              ? 'The plan could not be made.'
              : plan
                ? 'Stopped. Below is the best so far; it can be taken as it is.'
                : 'Stopped. What is agreed stays as it is.'}
          </p>
          <Button look="usual" onClick={again}>
            Plan the year
          </Button>
        </Notice>
      )}
      {acts.done && (
        <Notice tone="good" role="status">
          <p>{acts.done.text}</p>
          {state === 'done' && moved.length > 0 && <p>{movedProposalsText(moved, (id) => nameIn(file, id))}</p>}
          <Button look="usual" disabled={acts.busy} onClick={acts.undo}>
            Undo
          </Button>
        </Notice>
      )}
      <Refusal error={acts.refused} />
      {plan && (
        <div className="d-grid g-6">
          <Board
            {...facts}
            plan={plan}
            early={early}
            sooner={sooner}
            askSooner={askSooner}
            state={state}
            working={state === 'working'}
            acts={acts}
          />
          <Away
            file={file}
            bookings={bookings}
            timeZone={salon.timeZone}
            ready={state === 'done'}
            away={away}
            ask={ask}
          />
          <Files />
        </div>
      )}
    </>
  );
}

function Year() {
  const [tide, bookings, salon] = [useTideBook(), useBookings(), useSalon()];
  const file = tide.data;
  if (!file || !bookings.data || !salon.data) return <NotYet queries={[tide, bookings, salon]} />;
  const facts = { file, bookings: bookings.data.bookings, salon: salon.data.salon };
  return file.dogs.length === 0 ? (
    <EmptyState>
      No dogs yet. <Link to="/desk/dogs/new">The first dog</Link> opens the calendar.
    </EmptyState>
  ) : (
    <Learning file={file}>{(learnt) => <Planned {...facts} learnt={learnt} />}</Learning>
  );
}

export function BookRoom() {
  return (
    <div className="wt-bookpage">
      <div className="wt-title">
        <h1>Calendar</h1>
        <RoomTabs of="calendar" />
        <div className="wt-acts">
          <ButtonLink look="main" className="wt-now" to="/desk/calendar/new">
            Book a visit
          </ButtonLink>
        </div>
      </div>
      <Year />
    </div>
  );
}
