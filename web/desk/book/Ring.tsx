/** Whom to ring today: what to say, two dates to offer, and the answer in one tap. */
import { Phone } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { CallOutcome, CallRecord } from '../../../contract/roster.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { isClosed, secondDay, type BookSummary, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, day, formatDay, parseDay, type Day } from '../../../core/quantity/index.ts';
import { askAfter, callList, type Call, type LearntBook } from '../../../core/tide/index.ts';
import { newId } from '../../data/client.ts';
import { useAddCall } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateOf, instantText, shortDay } from '../../words/dates.ts';
import { ownerWords } from '../../words/tide.ts';
import { AskAfter } from '../vet/AskAfter.tsx';
import type { Acts } from './useActs.ts';
import css from './book.module.css';

/** After an answer the dog is left alone for so many days; who could not be reached is tried again tomorrow. */
const QUIET: Readonly<Record<CallOutcome, number>> = { agreed: 1, 'no-answer': 1, later: 4, declined: 28 };
const AT_FIRST = 4;

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
}

export function Ring({ file, learnt, plan, bookings, calls, timeZone, acts }: Props) {
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
      return booking.agreed ? [] : [{ kind: 'standing', booking, why: 'Down in the book, and not agreed yet.' }];
    });
    const due = callList(file, learnt)
      .filter((c) => !quiet.has(c.dog.id) && !bookings.some((b) => b.dogId === c.dog.id))
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
        Ring today <span className="wt-soft">{lines.length + asked.length}</span>
      </h2>
      <AskAfter dogs={asked} />
      {lines.length + asked.length === 0 && <p className="mb-0">Nobody has to be rung today.</p>}
      <ul className={`wt-bare ${css.ringsList}`}>
        {shown.map((line) => {
          if (line.kind === 'standing') {
            const { booking, why } = line;
            return (
              <li key={booking.id}>
                <strong>{booking.dogName}</strong> <Owner file={file} id={booking.dogId} />
                <p className="mb-1">
                  {instantText(booking.startsAt, timeZone)}. {why}
                </p>
                <div className="wt-acts">
                  {!booking.agreed && (
                    <Button look="usual" disabled={acts.busy} onClick={() => acts.agree(booking)}>
                      Agreed
                    </Button>
                  )}
                  <Button look="usual" disabled={acts.busy} onClick={() => acts.drop(booking)}>
                    Take it out
                  </Button>
                  <No onAnswer={(o) => answer(booking.dogId, o, [])} busy={add.isPending} />
                </div>
              </li>
            );
          }
          const { call, visit, dates } = line;
          return (
            <li key={call.dog.id}>
              <Link to={`/desk/dogs/${call.dog.id}/tide`}>
                <strong>{call.dog.name}</strong>
              </Link>{' '}
              <Owner file={file} id={call.dog.id} />
              <p className="mb-1">“{ownerWords(call, learnt.from, dates[0])}”</p>
              <div className="wt-acts">
                {dates.map((d) => (
                  <Button
                    key={d}
                    look="usual"
                    disabled={acts.busy}
                    onClick={() =>
                      acts.bookTentatively(
                        [
                          {
                            ...(visit ?? {
                              ...EMPTY,
                              dogId: call.dog.id,
                              day: d,
                              minutes: call.outlook.length,
                            }),
                            on: d,
                          },
                        ],
                        true,
                      )
                    }
                  >
                    Yes to {shortDay(d)}
                  </Button>
                ))}
                <No onAnswer={(o) => answer(call.dog.id, o, dates)} busy={add.isPending} />
              </div>
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

const EMPTY: Omit<PlannedVisit, 'dogId' | 'day' | 'minutes'> = {
  together: [],
  length: undefined,
  parts: 1,
  agreed: false,
  others: [],
  grams: 0,
};

function Owner({ file, id }: { file: TideFile; id: string }) {
  const owner = file.dogs.find((d) => d.id === id)?.owner;
  return owner ? (
    <span className="wt-soft">
      <Phone aria-hidden size={14} /> {owner}
    </span>
  ) : null;
}

function No({ onAnswer, busy }: { onAnswer: (outcome: CallOutcome) => void; busy: boolean }) {
  return (
    <>
      <Button look="plain" disabled={busy} onClick={() => onAnswer('no-answer')}>
        No answer
      </Button>
      <Button look="plain" disabled={busy} onClick={() => onAnswer('later')}>
        Later
      </Button>
      <Button look="plain" disabled={busy} onClick={() => onAnswer('declined')}>
        No
      </Button>
    </>
  );
}
