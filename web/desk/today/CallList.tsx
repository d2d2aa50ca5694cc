/** Whom to ring today, one call a household: why, two times to offer for each dog, and the answer in one tap. */
import { useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { CallOutcome } from '../../../contract/roster.ts';
import type { PlannedVisit } from '../../../core/book/index.ts';
import { formatDay, type Day } from '../../../core/quantity/index.ts';
import { askAfter, type Call } from '../../../core/tide/index.ts';
import { OwnerPhone } from '../../app/OwnerPhone.tsx';
import { newId } from '../../data/client.ts';
import { Refusal } from '../../app/state.tsx';
import { useAddCall, useDogs, useHoldStarts, useOffers, useSalon, useStarts } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { clockText, instantText, shortDay } from '../../words/dates.ts';
import { capital } from '../../words/figures.ts';
import { dueText, ownerWords } from '../../words/tide.ts';
import { AsksToBeRung, HeldStarts } from './Offered.tsx';
import { AskAfter } from '../vet/AskAfter.tsx';
import type { Acts } from '../book/useActs.ts';
import {
  byHousehold,
  callLines,
  type CallFacts,
  type DueLine,
  type HouseholdCall,
  type StandingLine,
} from './call-lines.ts';

/** Calls that stand beside a day of eight dogs without scrolling. */
const AT_FIRST = 3;

interface Props extends Omit<CallFacts, 'offers'> {
  readonly acts: Acts;
  /** A better plan is being looked for: dates may change yet. */
  readonly working: boolean;
}

export function CallList({ acts, working, ...facts }: Props) {
  const { file, learnt, plan, bookings, calls, timeZone } = facts;
  const dogs = useDogs().data?.dogs;
  const offers = useOffers().data;
  const [all, setAll] = useState(false);
  const households = useMemo(() => {
    const owners = new Map(dogs?.map((d) => [d.id, `${d.ownerName} ${d.phone}`]));
    return byHousehold(
      callLines({ file, learnt, plan, bookings, calls, offers, timeZone }),
      // An owner without a name is nobody in particular.
      (id) => owners.get(id)?.trim() || id,
    );
  }, [file, learnt, plan, bookings, calls, offers, timeZone, dogs]);
  const asked = useMemo(() => askAfter(file), [file]);
  const ring = offers?.ring ?? [];
  const many = households.length + asked.length + ring.length;
  const first = Math.max(1, AT_FIRST - asked.length - ring.length);
  const shown = all ? households : households.slice(0, first);
  return (
    <Sheet aria-labelledby="ring">
      <div className="d-flex items-center justify-between">
        <h2 id="ring">
          To ring <span className="wt-soft">{many}</span>
        </h2>
        {households.length > first && (
          <Button look="plain" onClick={() => setAll(!all)}>
            {all ? 'Only the first' : `All ${many}`}
          </Button>
        )}
      </div>
      {working && (
        <p className="wt-soft mb-1" role="status" data-learning="">
          Looking for the best dates …
        </p>
      )}
      <AskAfter dogs={asked} />
      {many === 0 && <p className="mb-0">Nobody has to be rung today.</p>}
      <ul className="wt-bare">
        <AsksToBeRung offers={ring} timeZone={timeZone} />
        {shown.map((household) => (
          <Household key={household.key} household={household} from={learnt.from} timeZone={timeZone} acts={acts} />
        ))}
      </ul>
      <HeldStarts offers={offers?.held ?? []} timeZone={timeZone} acts={acts} />
    </Sheet>
  );
}

/** One call: what is asked of each dog, and what came of it for all of them. */
function Household({
  household: { lines },
  from,
  timeZone,
  acts,
}: {
  household: HouseholdCall;
  from: Day;
  timeZone: string;
  acts: Acts;
}) {
  const add = useAddCall();
  const [first] = lines;
  const answer = (outcome: CallOutcome): void => {
    for (const line of lines)
      add.mutate({
        id: newId(),
        dogId: line.dogId,
        outcome,
        offered: line.kind === 'due' ? line.dates.map(formatDay) : [],
      });
  };
  if (!first) return null;
  const no = <No onAnswer={answer} busy={add.isPending} />;
  return (
    <li className="wt-call">
      <OwnerPhone id={first.dogId} />
      {lines.map((line, i) =>
        line.kind === 'standing' ? (
          <Standing key={line.booking.id} line={line} timeZone={timeZone} acts={acts}>
            {i === lines.length - 1 && no}
          </Standing>
        ) : (
          <Due key={line.dogId} line={line} from={from} acts={acts}>
            {i === lines.length - 1 && no}
          </Due>
        ),
      )}
      <Refusal error={add.error} />
    </li>
  );
}

function Standing({
  line: { booking, why },
  timeZone,
  acts,
  children,
}: {
  line: StandingLine;
  timeZone: string;
  acts: Acts;
  children: ReactNode;
}) {
  return (
    <>
      <p className="mb-1">
        <strong>{booking.dogName}</strong> {instantText(booking.startsAt, timeZone)}. {why}
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
        {children}
      </div>
    </>
  );
}

function Due({
  line: { call, visit, dates },
  from,
  acts,
  children,
}: {
  line: DueLine;
  from: Day;
  acts: Acts;
  children: ReactNode;
}) {
  const hold = useHoldStarts();
  return (
    <>
      <div className="d-flex flex-wrap items-center justify-between g-2">
        <span>
          <Link to={`/desk/dogs/${call.dog.id}/tide`}>
            <strong>{call.dog.name}</strong>
          </Link>{' '}
          {capital(dueText(call, from))}.
        </span>
        <Disclosure head="What to say" label={`What to say about ${call.dog.name}`}>
          <p className="mb-0">“{ownerWords(call, from, dates[0])}”</p>
        </Disclosure>
      </div>
      <div className="d-flex flex-wrap items-center g-2">
        <Offers
          call={call}
          visit={visit}
          dates={dates}
          busy={acts.busy || hold.isPending}
          onYes={(d, at) =>
            visit && !isAlone(visit)
              ? acts.bookTentatively([{ ...visit, on: d }], true)
              : acts.bookOn({ dogId: call.dog.id, day: d, ...at })
          }
          onHold={(starts, minutes) => hold.mutate({ id: newId(), dogId: call.dog.id, minutes, starts })}
        />
        {children}
      </div>
      <Refusal error={hold.error} />
    </>
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
  onHold,
}: {
  call: Call;
  visit: PlannedVisit | undefined;
  dates: readonly [Day, Day];
  busy: boolean;
  onYes: (on: Day, at: { readonly startsAt: string | undefined; readonly minutes: number }) => void;
  /** Both are held, and the owner chooses on the page. */
  onHold: (starts: readonly string[], minutes: number) => void;
}) {
  const minutes = call.outlook.length;
  const { data } = useStarts(!visit || isAlone(visit) ? call.dog.id : '', { days: dates.map(formatDay), minutes });
  const zone = useSalon().data?.salon.timeZone;
  const firstOn = (d: Day): string | undefined => data?.days.find((x) => x.day === formatDay(d))?.starts[0];
  const starts = dates.flatMap((d) => firstOn(d) ?? []);
  return (
    <>
      {dates.map((d) => {
        const startsAt = firstOn(d);
        return (
          <Button key={d} look="usual" size="sm" disabled={busy} onClick={() => onYes(d, { startsAt, minutes })}>
            Yes: {shortDay(d)}
            {startsAt && zone && `, ${clockText(startsAt, zone)}`}
          </Button>
        );
      })}
      {starts.length > 0 && (
        <Button look="plain" size="sm" disabled={busy} onClick={() => onHold(starts, minutes)}>
          Offer by link
        </Button>
      )}
    </>
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
