/** Calendar → Day: a day's dogs over people, tables, tub and dryers; dragged with live checks, marked as it goes, laid again when it runs late. */
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { PinDraft, SheetPage } from '../../../contract/roster.ts';
import {
  breachesOf,
  dropped,
  IMPOSSIBLE,
  shiftsBetween,
  stagesWithoutHands,
  type Breach,
  type DaySheet,
  type Shift,
} from '../../../core/day/index.ts';
import { addDays, day, formatDay, parseDay } from '../../../core/quantity/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useDropPins, useSetPins, useSheet } from '../../data/hooks.ts';
import { Button, ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import type { DayLaid } from '../../work/day.worker.ts';
import { useDaySheet } from '../../work/useDaySheet.ts';
import { longDay, minuteText, weekdayText } from '../../words/dates.ts';
import { breachText, STAGE_WORDS } from '../../words/day.ts';
import { listText, minutesText } from '../../words/figures.ts';
import { DogList } from './DogList.tsx';
import { lanesOf, namesOf, standing, type SheetNames } from './names.ts';
import { WaysOut } from './WaysOut.tsx';
import { LaneKey, laidKey, Lanes, type Drop } from './Lanes.tsx';
import css from './day.module.css';

const BY = ['person', 'dog', 'place'] as const;

const keysOf = (b: Breach): readonly string[] =>
  'visit' in b && 'stage' in b ? [laidKey({ visit: b.visit, stage: b.stage })] : [];
/** Breaches that say the same of the same people are said once. */
const unique = (all: readonly Breach[], text: (b: Breach) => string): readonly string[] => [...new Set(all.map(text))];

const shiftText = (s: Shift, dog: (id: string) => string): string =>
  `${dog(s.visit)} is ready at ${minuteText(s.ready)}, ${minutesText(Math.abs(s.ready - s.readyBefore))} ${s.ready > s.readyBefore ? 'later' : 'sooner'}`;

/** What has become of the day, and another order where one is worth the change. */
function RunningLate({
  page,
  laid,
  now,
  names,
  busy,
  onTake,
}: {
  page: SheetPage;
  laid: DayLaid;
  now: DaySheet;
  names: SheetNames;
  busy: boolean;
  onTake: (sheet: DaySheet) => void;
}) {
  const late = shiftsBetween(page.asked, laid.sheet, now);
  const better = laid.delay && laid.delay.saves > 0 ? laid.delay.again : undefined;
  if (late.length === 0 && !better) return null;
  const said = (shifts: readonly Shift[]): string => listText(shifts.map((s) => shiftText(s, names.dog)));
  return (
    <Sheet aria-labelledby="delay">
      <h2 id="delay">Running late</h2>
      <p>{late.length === 0 ? 'As it goes, everybody is ready as they were to be.' : `As it goes: ${said(late)}.`}</p>
      {better ? (
        <>
          <p>In another order: {said(shiftsBetween(page.asked, now, better)) || 'less waiting for the dogs'}.</p>
          <Button className="wt-now" disabled={busy} onClick={() => onTake(better)}>
            Take the new order
          </Button>
        </>
      ) : (
        <p className="wt-soft mb-0">No other order is worth the change. Tell the owners.</p>
      )}
    </Sheet>
  );
}

/** What is wrong with the sheet, or would be with a stage that is being dragged. */
function Wrong({ said, isTried, isLaidAbout }: { said: readonly string[]; isTried: boolean; isLaidAbout: boolean }) {
  return (
    <div role="status" aria-live="polite">
      {isTried && said.length === 0 && (
        <Notice tone="good" className="mb-0">
          That fits: nothing else has to move.
        </Notice>
      )}
      {said.length > 0 && (
        <ul className={css.breaches}>
          {said.map((t) => (
            <li key={t}>{t}</li>
          ))}
          {isLaidAbout && <li>Let go of it there, and the others are laid about it.</li>}
        </ul>
      )}
    </div>
  );
}

function DaySheet({ page, laid, working }: { page: SheetPage; laid: DayLaid; working: boolean }) {
  const [params, setParams] = useSearchParams();
  const [tried, setTried] = useState<Drop | undefined>();
  const setPins = useSetPins();
  const dropPins = useDropPins();
  const by = BY.find((b) => b === params.get('by')) ?? 'person';
  const names = useMemo(() => namesOf(page), [page]);
  const text = (b: Breach): string => breachText(b, names);
  const now = standing(laid);
  const hung = tried && dropped(page.asked, now, tried);
  const found = hung ? breachesOf(page.asked, hung) : laid.breaches;
  const before = new Set(laid.breaches.map(text));
  const fresh = hung ? found.filter((b) => !before.has(text(b))) : [];
  const pin = (d: Drop): PinDraft => ({
    bookingId: d.visit,
    stage: d.stage,
    person: d.person ?? null,
    notBefore: Math.max(0, d.start),
  });
  const takeOrder = (sheet: DaySheet): void => {
    const begun = new Set(page.asked.begun.map(laidKey));
    setPins.mutate(
      sheet.laid
        .filter((l) => !begun.has(laidKey(l)))
        .map((l) => pin({ ...l, person: l.person }))
        // Hands without a name cannot be held to a stage.
        .map((p) => (p.person?.startsWith('hands-') ? { ...p, person: null } : p)),
    );
  };
  const { score } = now;
  return (
    <div className="d-grid g-6" aria-busy={working}>
      <Sheet aria-label="The sheet">
        <div className="wt-title mb-0">
          <p className="wt-lead mb-0">
            The last dog is done at {minuteText(now.ends)}
            {now.ends <= laid.soonest
              ? ': no order of these dogs ends sooner.'
              : `; no order of these dogs could end before ${minuteText(laid.soonest)}.`}{' '}
            {score.waiting > 0 && `Dogs wait ${minutesText(Math.round(score.waiting))} in all. `}
            {working && <span role="status">A better order is being looked for …</span>}
          </p>
          <ChoiceGroup
            name="In lanes by"
            options={BY.map((b) => ({ value: b, word: b }))}
            value={by}
            onPick={(b) =>
              setParams(
                (old) => {
                  const next = new URLSearchParams(old);
                  if (b === 'person') next.delete('by');
                  else next.set('by', b);
                  return next;
                },
                { replace: true },
              )
            }
          />
        </div>
        <Lanes
          asked={page.asked}
          sheet={now}
          by={by}
          lanes={lanesOf(page, by)}
          dogName={names.dog}
          now={page.now}
          faulty={new Set(found.flatMap(keysOf))}
          onTry={setTried}
          onDrop={(d) =>
            setPins.mutate([
              pin(
                page.asked.people.find((p) => p.id === d.person) && d.person?.startsWith('hands-')
                  ? { ...d, person: undefined }
                  : d,
              ),
            ])
          }
        />
        <LaneKey />
        <p className="wt-soft mb-1">
          Drag a stage to another time or person, or choose it by keys: space, arrows, space. The rest is laid about it.
        </p>
        <Wrong
          said={unique(hung ? fresh : found, text)}
          isTried={hung !== undefined}
          isLaidAbout={fresh.some((b) => IMPOSSIBLE.includes(b.code))}
        />
        {!hung && laid.ways && laid.ways.length > 0 && <WaysOut page={page} ways={laid.ways} names={names} />}
        <Refusal error={setPins.error ?? dropPins.error} />
        {page.asked.pins.length > 0 && (
          <Button look="usual" disabled={dropPins.isPending} onClick={() => dropPins.mutate(page.day)}>
            Undo what was set by hand
          </Button>
        )}
        {page.asked.visits.some((v) => v.stages.some((s) => s.kind === 'drying')) && (
          <p className="wt-caution mb-0">
            A dog at the dryer is never left alone: heat and restraint have killed dogs. Stop at panting or distress;
            ears of people and dogs are covered by every strong dryer.
          </p>
        )}
      </Sheet>
      {laid.delay && (
        <RunningLate page={page} laid={laid} now={now} names={names} onTake={takeOrder} busy={setPins.isPending} />
      )}
      <DogList page={page} sheet={now} names={names} />
    </div>
  );
}

function Laid({ page }: { page: SheetPage }) {
  const movable = page.visits.map(({ id, starts }) => ({ visit: id, starts: starts.map((s) => s.minute) }));
  const answer = useDaySheet(page.asked, movable);
  const nobody = stagesWithoutHands(page.asked);
  if (page.visits.length === 0)
    return (
      <EmptyState>
        Nobody is booked on {weekdayText(page.day)}. <Link to={`/desk/calendar/new?day=${page.day}`}>Book a visit</Link>
        , or see in the <Link to="/desk/calendar">weeks</Link> who should come.
      </EmptyState>
    );
  if (nobody.length > 0)
    return (
      <Notice tone="stop" role="alert">
        {page.people.length === 0
          ? `Nobody works on ${weekdayText(page.day)}, and ${listText(page.visits.map((v) => v.name))} ${page.visits.length === 1 ? 'is' : 'are'} booked.`
          : `Nobody at work does ${listText(nobody.map((k) => STAGE_WORDS[k]))}.`}{' '}
        <Link to="/desk/staff">Who works when</Link>
      </Notice>
    );
  if (answer.state === 'failed')
    return (
      <Notice tone="stop" role="alert">
        The sheet could not be laid. The bookings are safe.
      </Notice>
    );
  return answer.laid ? (
    <DaySheet page={page} laid={answer.laid} working={answer.state === 'working'} />
  ) : (
    <p className="wt-waiting" role="status">
      Laying the day …
    </p>
  );
}

export function DaySheetRoom() {
  const [params, setParams] = useSearchParams();
  const asked = params.get('day') ?? undefined;
  const query = useSheet(asked);
  const walk = (page: SheetPage, by: number): void => {
    const to = addDays(parseDay(page.day) ?? day(0), by);
    setParams(formatDay(to) === page.today ? {} : { day: formatDay(to) }, { replace: true });
  };
  return (
    <Loaded query={query}>
      {(page) => (
        <>
          <div className="wt-title">
            <h1>{longDay(parseDay(page.day) ?? 0)}</h1>
            <RoomTabs of="calendar" />
            <div className="wt-acts">
              <Button look="usual" onClick={() => walk(page, -1)}>
                Day before
              </Button>
              <Button look="usual" onClick={() => walk(page, 1)}>
                Day after
              </Button>
              <ButtonLink look="main" className="wt-now" to={`/desk/calendar/new?day=${page.day}`}>
                Book a visit
              </ButtonLink>
            </div>
          </div>
          <Laid key={page.day} page={page} />
        </>
      )}
    </Loaded>
  );
}
