/** Whom to ring today: why, two times to offer, and the answer in one tap. */
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { CallOutcome, CallRecord } from '../../../contract/roster.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { isClosed, secondDay, type BookSummary, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, day, formatDay, parseDay, type Day } from '../../../core/quantity/index.ts';
import { askAfter, callList, type Call, type LearntBook } from '../../../core/tide/index.ts';
import { PhoneLink } from '../../app/PhoneLink.tsx';
import { newId } from '../../data/client.ts';
import { useAddCall, useDogs, useSalon, useStarts } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { clockText, dateOf, instantText, shortDay } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import { dueText, ownerWords } from '../../words/tide.ts';
import { AskAfter } from '../vet/AskAfter.tsx';
import type { Acts } from '../book/useActs.ts';

/** After an answer the dog is left alone for so many days; who could not be reached is tried again tomorrow. */
const QUIET: Readonly<Record<CallOutcome, number>> = { agreed: 1, 'no-answer': 1, later: 4, declined: 28 };
const AT_FIRST = 5;

type Line =
  | {
      readonly kind: 'call';
      readonly call: Call;
      readonly visit: PlannedVisit | undefined;
      readonly dates: readonly [Day, Day];
    }
  | { readonly kind: 'standing'; readonly booking: BookingRecord; readonly why: string };

interface Props {
  readonly file: TideFile;
  readonly learnt: LearntBook;
  readonly plan: BookSummary;
  readonly bookings: readonly BookingRecord[];
  readonly calls: readonly CallRecord[];
  readonly timeZone: string;
  readonly acts: Acts;
  /** A better plan is being looked for: dates may change yet. */
  readonly working: boolean;
}

export function CallList({ file, learnt, plan, bookings, calls, timeZone, acts, working }: Props) {
  const add = useAddCall();
  const [all, setAll] = useState(false);
  const lines = useMemo((): readonly Line[] => {
    const quiet = new Set(
      calls.filter((c) => (parseDay(c.day) ?? day(0)) + QUIET[c.outcome] > learnt.from).map((c) => c.dogId),
    );
    const roster = file.roster ?? { people: [], away: [] };
    const standing = bookings.flatMap((booking): Line[] => {
      const on = parseDay(dateOf(booking.startsAt, timeZone));
      if (on === undefined || on <= learnt.from || quiet.has(booking.dogId)) return [];
      // What was agreed for a day that has been closed since comes first.
      if (booking.agreed && isClosed(roster, file.openWeekdays, on))
        return [{ kind: 'standing', booking, why: 'The salon is closed that day. Ask for another.' }];
      return booking.agreed ? [] : [{ kind: 'standing', booking, why: 'Held for them, and not agreed yet.' }];
    });
    const due = callList(file, learnt)
      .filter((c) => !quiet.has(c.dog.id) && !bookings.some((b) => b.dogId === c.dog.id && b.service === 'coat'))
      .map((call): Line => {
        const visit = plan.visits.find((v) => v.dogId === call.dog.id && !v.agreed);
        const first = visit?.day ?? call.outlook.due.offer;
        return { kind: 'call', call, visit, dates: [first, secondDay(visit, first) ?? addDays(first, 7)] };
      });
    return [
      ...standing.filter((l) => l.kind === 'standing' && l.booking.agreed),
      ...due,
      ...standing.filter((l) => l.kind === 'standing' && !l.booking.agreed),
    ];
  }, [file, learnt, plan, bookings, calls, timeZone]);
  const answer = (dogId: string, outcome: CallOutcome, dates: readonly Day[]): void =>
    add.mutate({ id: newId(), dogId, outcome, offered: dates.map(formatDay) });
  const asked = useMemo(() => askAfter(file), [file]);
  const shown = all ? lines : lines.slice(0, AT_FIRST);
  return (
    <Sheet aria-labelledby="ring">
      <h2 id="ring">
        To ring <span className="wt-soft">{lines.length + asked.length}</span>
      </h2>
      {working && (
        <p className="wt-soft mb-1" role="status" data-learning="">
          Looking for the best dates …
        </p>
      )}
      <AskAfter dogs={asked} />
      {lines.length + asked.length === 0 && <p className="mb-0">Nobody has to be rung today.</p>}
      <ul className="wt-bare">
        {shown.map((line) => {
          if (line.kind === 'standing') {
            const { booking, why } = line;
            return (
              <li key={booking.id} className="wt-call">
                <strong>{booking.dogName}</strong> <Owner file={file} id={booking.dogId} />
                <p className="mb-1">
                  {instantText(booking.startsAt, timeZone)}. {why}
                </p>
                <div className="d-flex flex-wrap items-center g-2">
                  {!booking.agreed && (
                    <Button look="usual" size="sm" disabled={acts.busy} onClick={() => acts.agree(booking)}>
                      Agreed
                    </Button>
                  )}
                  <Button look="usual" size="sm" disabled={acts.busy} onClick={() => acts.drop(booking)}>
                    Take it out
                  </Button>
                  <No onAnswer={(o) => answer(booking.dogId, o, [])} busy={add.isPending} />
                </div>
              </li>
            );
          }
          const { call, visit, dates } = line;
          return (
            <li key={call.dog.id} className="wt-call">
              <Link to={`/desk/dogs/${call.dog.id}/tide`}>
                <strong>{call.dog.name}</strong>
              </Link>{' '}
              <Owner file={file} id={call.dog.id} />
              <p className="mb-1">{capital(dueText(call, learnt.from))}.</p>
              <div className="d-flex flex-wrap items-center g-2">
                <Offers
                  call={call}
                  visit={visit}
                  dates={dates}
                  busy={acts.busy}
                  onYes={(d, at) =>
                    visit && !isAlone(visit)
                      ? acts.bookTentatively([{ ...visit, on: d }], true)
                      : acts.bookOn({ dogId: call.dog.id, day: d, ...at })
                  }
                />
                <No onAnswer={(o) => answer(call.dog.id, o, dates)} busy={add.isPending} />
              </div>
              <Disclosure head="What to say" label={`What to say about ${call.dog.name}`}>
                <p className="mb-0">“{ownerWords(call, learnt.from, dates[0])}”</p>
              </Disclosure>
            </li>
          );
        })}
      </ul>
      {lines.length > AT_FIRST && (
        <Button look="usual" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${lines.length}`}
        </Button>
      )}
    </Sheet>
  );
}

/** Dogs that come together, and visits in parts, are found their times one after the other when they are booked. */
const isAlone = ({ together, parts }: PlannedVisit): boolean => together.length === 0 && parts === 1;

/** Two days, each with the first time on it that suits everybody; a day without one says why when it is asked for. */
function Offers({
  call,
  visit,
  dates,
  busy,
  onYes,
}: {
  call: Call;
  visit: PlannedVisit | undefined;
  dates: readonly [Day, Day];
  busy: boolean;
  onYes: (on: Day, at: { readonly startsAt: string | undefined; readonly minutes: number }) => void;
}) {
  const minutes = call.outlook.length;
  const { data } = useStarts(!visit || isAlone(visit) ? call.dog.id : '', { days: dates.map(formatDay), minutes });
  const zone = useSalon().data?.salon.timeZone;
  return dates.map((d) => {
    const [startsAt] = data?.days.find((x) => x.day === formatDay(d))?.starts ?? [];
    return (
      <Button key={d} look="usual" size="sm" disabled={busy} onClick={() => onYes(d, { startsAt, minutes })}>
        Yes: {shortDay(d)}
        {startsAt && zone && `, ${clockText(startsAt, zone)}`}
      </Button>
    );
  });
}

/** Who it belongs to, with the number to tap. */
function Owner({ file, id }: { file: TideFile; id: string }) {
  const phone = useDogs().data?.dogs.find((d) => d.id === id)?.phone;
  const owner = file.dogs.find((d) => d.id === id)?.owner;
  if (!owner) return null;
  return (
    <span className="wt-soft">
      {owner} <PhoneLink phone={phone} />
    </span>
  );
}

function No({ onAnswer, busy }: { onAnswer: (outcome: CallOutcome) => void; busy: boolean }) {
  return (
    <>
      <Button look="plain" size="sm" disabled={busy} onClick={() => onAnswer('no-answer')}>
        No answer
      </Button>
      <Button look="plain" size="sm" disabled={busy} onClick={() => onAnswer('later')}>
        Later
      </Button>
      <Button look="plain" size="sm" disabled={busy} onClick={() => onAnswer('declined')}>
        No
      </Button>
    </>
  );
}
