/**
 * Calendar → somebody is ill: one tap writes it down and the day is laid without them; then each visit of that day, in the order to
 * ring: whether it can stay, another time that day, or other days. Nobody is moved unasked.
 */
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Absence } from '../../../core/book/index.ts';
import type { RosterPage, SheetPage, SheetVisit } from '../../../contract/roster.ts';
import { stagesWithoutHands, type Breach, type StageKind } from '../../../core/day/index.ts';
import { addDays, day, formatDay, isoWeekday, parseDay, type Day } from '../../../core/quantity/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { newId } from '../../data/client.ts';
import { useAddAway, useDogs, useDropAway, useEditBooking, useRoster, useSheet, useStarts } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { PhoneLink } from '../../app/PhoneLink.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useDaySheet } from '../../work/useDaySheet.ts';
import { breachText, STAGE_WORDS } from '../../words/day.ts';
import { clockText, instantText, weekdayText } from '../../words/dates.ts';
import { listText } from '../../words/figures.ts';
import { namesOf } from '../sheet/names.ts';

/** Days after it that are looked at, and days of them that are offered. */
const LOOK_DAYS = 10;
const OFFERED_DAYS = 3;

const isAbout = (b: Breach, visit: string): boolean =>
  ('visit' in b && b.visit === visit) || ('visits' in b && b.visits.includes(visit));

/** What is wrong with each visit now: nobody for its work, or what the day as it is laid would cost it. */
function useTroubles(page: SheetPage) {
  const movable = page.visits.map(({ id, starts }) => ({ visit: id, starts: starts.map((s) => s.minute) }));
  const { laid, state } = useDaySheet(page.asked, movable);
  const nobody: readonly StageKind[] = stagesWithoutHands(page.asked);
  const names = namesOf(page);
  const cannot = (visit: string): readonly StageKind[] =>
    nobody.filter((k) => page.asked.visits.find((v) => v.id === visit)?.stages.some((s) => s.kind === k));
  return {
    working: page.visits.length > 0 && nobody.length === 0 && state === 'working',
    failed: state === 'failed',
    of: (visit: SheetVisit): string | undefined => {
      if (page.people.length === 0) return 'Nobody works that day.';
      const lacks = cannot(visit.id);
      if (lacks.length > 0) return `Nobody there does ${listText(lacks.map((k) => STAGE_WORDS[k]))}.`;
      if (nobody.length > 0) return undefined;
      const wrong = (laid?.breaches ?? []).filter((b) => isAbout(b, visit.id));
      return wrong.length > 0 ? [...new Set(wrong.map((b) => breachText(b, names)))].join(' ') : undefined;
    },
    /** Another time that day with which the day can be kept better. */
    timeOf: (visit: SheetVisit): string | undefined => {
      const way = laid?.ways?.find((w) => w.kind === 'come' && w.visit === visit.id);
      return way?.kind === 'come' ? visit.starts.find((s) => s.minute === way.at)?.startsAt : undefined;
    },
  };
}

/** One visit that cannot stay as it is: whom to ring, and what to offer. */
function Touched({
  visit,
  page,
  why,
  sameDay,
}: {
  visit: SheetVisit;
  page: SheetPage;
  why: string;
  sameDay: string | undefined;
}) {
  const edit = useEditBooking();
  const dog = useDogs().data?.dogs.find((d) => d.id === visit.dogId);
  const on = parseDay(page.day) ?? day(0);
  const days = Array.from({ length: LOOK_DAYS }, (_, i) => formatDay(addDays(on, i + 1)));
  const { data, error } = useStarts(visit.dogId, { days, minutes: visit.minutes, service: visit.service });
  const others = (data?.days ?? []).flatMap((d) => d.starts[0] ?? []).slice(0, OFFERED_DAYS);
  const offers = [...(sameDay ? [sameDay] : []), ...others];
  return (
    <li className="wt-call">
      <strong>
        <Link to={`/desk/calendar/visits/${visit.id}`}>{visit.name}</Link>
      </strong>{' '}
      <span className="wt-soft">
        {clockText(visit.startsAt, page.timeZone)}, {dog?.ownerName} <PhoneLink phone={dog?.phone} />
      </span>
      <p className="mb-1">{why}</p>
      <Refusal error={edit.error ?? error} />
      <div className="wt-acts">
        {offers.map((startsAt) => (
          <Button
            key={startsAt}
            look="usual"
            disabled={edit.isPending}
            onClick={() =>
              edit.mutate({ id: visit.id, version: visit.version, minutes: visit.minutes, note: visit.note, startsAt })
            }
          >
            Yes: {instantText(startsAt, page.timeZone)}
          </Button>
        ))}
        {data && offers.length === 0 && <span>No time is free in the {LOOK_DAYS} days after.</span>}
      </div>
    </li>
  );
}

function DayWithout({ page, before }: { page: SheetPage; before: readonly string[] }) {
  const troubles = useTroubles(page);
  const named = page.visits.map((v) => ({ visit: v, why: troubles.of(v) }));
  const touched = named.flatMap(({ visit, why }) => (why === undefined ? [] : [{ visit, why }]));
  const staying = named.filter(({ why }) => why === undefined).map(({ visit }) => visit.name);
  const moved = before.length - page.visits.length;
  if (troubles.failed)
    return (
      <Notice tone="stop" role="alert">
        The day could not be laid out. The bookings are safe.
      </Notice>
    );
  return (
    <Sheet aria-labelledby="visits">
      <h2 id="visits">
        To ring, in this order <span className="wt-soft">{troubles.working ? '' : touched.length}</span>
      </h2>
      {troubles.working && (
        <p role="status" className="wt-waiting">
          Laying the day without them …
        </p>
      )}
      {!troubles.working && touched.length === 0 && (
        <p role="status">
          {page.visits.length === 0 ? 'Nobody is booked that day any more.' : 'Every visit that is left can be kept.'}
        </p>
      )}
      {!troubles.working && (
        <ul className="wt-bare">
          {touched.map(({ visit, why }) => (
            <Touched key={visit.id} visit={visit} page={page} why={why} sameDay={troubles.timeOf(visit)} />
          ))}
        </ul>
      )}
      {!troubles.working && staying.length > 0 && <p className="mb-0">As booked: {listText(staying)}.</p>}
      {moved > 0 && <p className="wt-soft mb-0">{moved} moved to another day.</p>}
      <Link to={`/desk/calendar/day?day=${page.day}`}>The day’s schedule</Link>
    </Sheet>
  );
}

/** The visits as they were when it was written down: what is gone since was moved. */
function Answered({ page }: { page: SheetPage }) {
  const [before] = useState(() => page.visits.map((v) => v.id));
  return <DayWithout page={page} before={before} />;
}

function Who({ roster, on, today }: { roster: RosterPage; on: Day; today: Day }) {
  const add = useAddAway();
  const drop = useDropAway();
  const iso = formatDay(on);
  const sheet = useSheet(iso);
  const awayOn = (person: string): Absence | undefined =>
    roster.away.find((a) => a.person === person && a.from <= on && a.to >= on);
  const working = roster.people.filter((p) => p.weekdays.includes(isoWeekday(on)));
  const gone = working.flatMap((p) => {
    const absence = awayOn(p.id);
    return absence ? [{ person: p, absence }] : [];
  });
  const there = working.filter((p) => !awayOn(p.id));
  return (
    <>
      <Sheet aria-labelledby="who">
        <h2 id="who">Who is ill</h2>
        {working.length === 0 && <p>Nobody works on {weekdayText(iso)}.</p>}
        <div className="wt-acts">
          {there.map((p) => (
            <Button
              key={p.id}
              look="usual"
              disabled={add.isPending}
              onClick={() => add.mutate({ id: newId(), person: p.id, from: iso, to: iso, reason: 'ill' })}
            >
              {p.name}
            </Button>
          ))}
        </div>
        <Refusal error={add.error ?? drop.error} />
        {gone.map(({ person, absence }) => (
          <p key={absence.id} role="status" className="mb-0 mt-2">
            {person.name} is away on {weekdayText(iso)}.{' '}
            <Button look="plain" disabled={drop.isPending} onClick={() => drop.mutate(absence.id)}>
              Undo
            </Button>
          </p>
        ))}
      </Sheet>
      {gone.length > 0 && (
        <Loaded query={sheet}>{(page) => <Answered key={`${page.day} ${gone.length}`} page={page} />}</Loaded>
      )}
      {on === today && gone.length > 0 && (
        <p className="wt-soft">Dogs that are here already stay where they are; ring the others first.</p>
      )}
    </>
  );
}

const WHEN = [
  { value: 0, word: 'today' },
  { value: 1, word: 'tomorrow' },
  { value: 2, word: 'the day after' },
] as const;

export function IllRoom() {
  const [params, setParams] = useSearchParams();
  const after = WHEN.find((w) => String(w.value) === params.get('in'))?.value ?? 0;
  const dogs = useDogs();
  const roster = useRoster();
  return (
    <>
      <div className="wt-title">
        <div>
          <span className="wt-crumb">
            <Link to="/desk/calendar">Calendar</Link>
          </span>
          <h1>Somebody is ill</h1>
        </div>
      </div>
      <div className="w-narrow d-grid g-5">
        <ChoiceGroup
          name="When"
          options={WHEN}
          value={after}
          onPick={(v) => setParams(v === 0 ? {} : { in: String(v) }, { replace: true })}
        />
        <Loaded query={dogs}>
          {({ today }) => (
            <Loaded query={roster}>
              {(page) => <Who key={after} roster={page} on={addDays(day(today), after)} today={day(today)} />}
            </Loaded>
          )}
        </Loaded>
        <p className="wt-soft">
          Away for longer? <Link to="/desk/calendar#away">Say from when to when</Link>, and the year is planned without
          them.
        </p>
      </div>
    </>
  );
}
