/** One visit: why its day, what another would change, what stands against it, and the acts; also while it hangs over a day. */
import { Link } from 'react-router';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { TideFile } from '../../../contract/tide.ts';
import { otherwiseNear, rulesAgainst, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, type Day } from '../../../core/quantity/index.ts';
import type { DogTide, Outlook } from '../../../core/tide/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { MovedLength } from '../../app/MovedLength.tsx';
import { CoatCurve } from '../../drawing/CoatCurve.tsx';
import { Button } from '../../ui/Button.tsx';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { otherwiseText, ruleText } from '../../words/book.ts';
import { instantText, shortDay } from '../../words/dates.ts';
import { grams, minutesText } from '../../words/figures.ts';
import { STATE_WORDS, stateOf } from './keys.ts';
import type { Acts } from './useActs.ts';
import css from './book.module.css';

interface Props {
  readonly file: TideFile;
  readonly tide: DogTide | undefined;
  /** What every room says of the dog's next visit, where this is it. */
  readonly outlook: Outlook | undefined;
  readonly visit: PlannedVisit;
  readonly booking: BookingRecord | undefined;
  /** Proposals of the coming season for all dogs of its owner, this one with them. */
  readonly ofOwner: readonly PlannedVisit[];
  /** Days of the dog's other visits, done and planned. */
  readonly otherDays: readonly Day[];
  /** Another day that it hangs over, or was let go on. */
  readonly target: Day | undefined;
  readonly dropped: boolean;
  readonly timeZone: string;
  readonly acts: Acts;
  readonly onTarget: (day: Day | undefined) => void;
}

export function Chosen({
  file,
  tide,
  outlook,
  visit,
  booking,
  ofOwner,
  otherDays,
  target,
  dropped,
  timeZone,
  acts,
  onTarget,
}: Props) {
  const dog = file.dogs.find((d) => d.id === visit.dogId);
  const name = dog?.name ?? 'This dog';
  const state = stateOf(booking);
  const week = [addDays(visit.day, -7), addDays(visit.day, 7)].flatMap((d) => otherwiseNear(visit, d) ?? []);
  const other = target === undefined ? undefined : visit.others.find((o) => o.day === target);
  const rules = target === undefined ? [] : rulesAgainst(file, visit.dogId, target, otherDays);
  const barred = rules.some((r) => r.code === 'past' || r.code === 'closed' || r.code === 'nobody');
  const days = [
    { day: visit.day, word: target === undefined ? 'visit' : 'now', now: target === undefined },
    ...(target === undefined ? [] : [{ day: target, word: 'then', now: true }]),
  ];
  return (
    <Sheet className="wt-chosen" aria-labelledby="chosen" aria-live="polite">
      <h2 id="chosen">
        <Link to={`/desk/dogs/${visit.dogId}/tide`}>{name}</Link> <span className="wt-soft">{dog?.owner}</span>
      </h2>
      <p>
        {booking ? instantText(booking.startsAt, timeZone) : shortDay(visit.day)}, {STATE_WORDS[state]}.{' '}
        {outlook ? (
          <>
            <Fact dog={visit.dogId} of="minutes" from={outlook}>
              {minutesText(outlook.minutes.likely)}
            </Fact>{' '}
            at the table, about{' '}
            <Fact dog={visit.dogId} of="grams" from={outlook}>
              {grams(outlook.grams.likely)}
            </Fact>{' '}
            in the coat; booked for{' '}
            <Fact dog={visit.dogId} of="booked-minutes" from={outlook}>
              {minutesText(outlook.booked?.minutes ?? 0)}
            </Fact>
            .
          </>
        ) : (
          `${minutesText(Math.round(visit.minutes))} at the table, about ${grams(visit.grams)} in the coat.`
        )}
        {visit.parts > 1 &&
          ` It bears no longer at a time than its standing allows: ${visit.parts} visits within the week, nothing left worse in between.`}
      </p>
      {booking && outlook && <MovedLength booking={booking} moved={outlook.moved} />}
      {tide && <CoatCurve tide={tide} from={file.today} days={days} />}
      {target !== undefined && (
        <>
          <p className="mb-1">
            {other
              ? `${otherwiseText(other)}.`
              : `The plan never comes on ${shortDay(target)}: what it would cost is not known.`}
          </p>
          {rules.length > 0 && (
            <ul className={css.rulesAgainst} role={dropped ? 'alert' : undefined}>
              {rules.map((r) => (
                <li key={r.code}>{ruleText(r)}</li>
              ))}
            </ul>
          )}
          {state === 'agreed' && (
            <Notice className="mb-2">
              {dog?.owner || 'The owner'} agreed to {booking ? instantText(booking.startsAt, timeZone) : ''}. Ask before
              it moves.
            </Notice>
          )}
        </>
      )}
      <div className="wt-acts">
        {target === undefined && !booking && (
          <Button className="wt-now" disabled={acts.busy} onClick={() => acts.bookTentatively([visit])}>
            Take {shortDay(visit.day)}
          </Button>
        )}
        {target === undefined && !booking && ofOwner.length > 1 && (
          <Button look="usual" disabled={acts.busy} onClick={() => acts.bookTentatively(ofOwner)}>
            Take all {ofOwner.length} of {dog?.owner || 'this owner'} in the season
          </Button>
        )}
        {target !== undefined && dropped && (
          <>
            <Button
              className="wt-now"
              disabled={acts.busy || barred}
              onClick={() => {
                if (booking) acts.move(booking, target);
                else acts.bookTentatively([{ ...visit, on: target }]);
                onTarget(undefined);
              }}
            >
              {state === 'agreed'
                ? `They said yes: move to ${shortDay(target)}`
                : rules.length > 0
                  ? `${shortDay(target)} all the same`
                  : `Take ${shortDay(target)}`}
            </Button>
            <Button look="usual" onClick={() => onTarget(undefined)}>
              Leave it
            </Button>
          </>
        )}
        {target === undefined && booking && state === 'tentative' && (
          <Button className="wt-now" disabled={acts.busy} onClick={() => acts.agree(booking)}>
            The owner agreed
          </Button>
        )}
        {target === undefined && booking && (
          <Button look="usual" disabled={acts.busy} onClick={() => acts.drop(booking)}>
            Take it out
          </Button>
        )}
      </div>
      {target === undefined && week.length > 0 && (
        <Disclosure head="Why this day" open>
          <ul>
            {week.map((o) => (
              <li key={o.day}>
                <Button look="plain" onClick={() => onTarget(o.day)}>
                  {otherwiseText(o)}
                </Button>
              </li>
            ))}
          </ul>
          <p className="wt-soft mb-0">
            In all: the work, hair on the floor at home, packing, and the hours of the other dogs.
          </p>
        </Disclosure>
      )}
    </Sheet>
  );
}
