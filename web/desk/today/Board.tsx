/** The day as it goes: who is here, at what stage and until when, who is next, and what is late. */
import { Link } from 'react-router';
import type { SheetPage } from '../../../contract/roster.ts';
import { stagesWithoutHands, type Breach } from '../../../core/day/index.ts';
import { PhoneLink } from '../../app/PhoneLink.tsx';
import { Loaded } from '../../app/state.tsx';
import { useDogs, useSheet } from '../../data/hooks.ts';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { useDaySheet } from '../../work/useDaySheet.ts';
import { minuteText } from '../../words/dates.ts';
import { breachText, STAGE_WORDS } from '../../words/day.ts';
import { listText } from '../../words/figures.ts';
import { DogRows } from './DogRows.tsx';
import { Lanes } from '../sheet/Lanes.tsx';
import { lanesOf, namesOf, standing } from '../sheet/names.ts';

/** So much of what is late stands beside the dogs; all of it stands in the day. */
const MOST_LATE = 2;

function Laid({ page }: { page: SheetPage }) {
  const { laid, state } = useDaySheet(page.asked);
  const dogs = useDogs().data?.dogs;
  const nobody = stagesWithoutHands(page.asked);
  if (page.visits.length === 0)
    return <EmptyState>Nobody is booked today. Book a visit, or ring somebody from the list beside.</EmptyState>;
  if (nobody.length > 0)
    return (
      <Notice tone="stop" role="alert">
        {page.people.length === 0
          ? 'Nobody works today'
          : `Nobody at work today does ${listText(nobody.map((k) => STAGE_WORDS[k]))}`}
        , and {listText(page.visits.map((v) => v.name))} {page.visits.length === 1 ? 'is' : 'are'} booked.{' '}
        <Link to="/desk/staff">Who works when</Link>
      </Notice>
    );
  if (state === 'failed')
    return (
      <Notice tone="stop" role="alert">
        The day could not be laid out. The bookings are safe.
      </Notice>
    );
  if (!laid)
    return (
      <p className="wt-waiting" role="status">
        Laying the day …
      </p>
    );
  const now = standing(laid);
  const names = namesOf(page);
  // An owner who is kept waiting is told: the number stands beside it.
  const phoneOf = (b: Breach): string | undefined => {
    const visit = b.code === 'late' && page.visits.find((v) => v.id === b.visit);
    return visit ? dogs?.find((d) => d.id === visit.dogId)?.phone : undefined;
  };
  const late = [...new Map(laid.breaches.map((b) => [breachText(b, names), phoneOf(b)]))].map(([text, phone]) => ({
    text,
    phone,
  }));
  return (
    <Sheet aria-labelledby="dogs">
      <div className="d-flex flex-wrap items-center justify-between g-4">
        <h2 id="dogs">Dogs of the day</h2>
        <span className="wt-soft">
          The last one is done at {minuteText(now.ends)}. <Link to="/desk/calendar/day">Change the day</Link>
        </span>
      </div>
      {late.length > 0 && (
        <Notice role="status">
          {late.slice(0, MOST_LATE).map(({ text, phone }, i, shown) => (
            <span key={text} className="d-block">
              {text} <PhoneLink phone={phone} />{' '}
              {i === shown.length - 1 && (
                <Link to="/desk/calendar/day">
                  {late.length > shown.length ? `${late.length - shown.length} more, and what` : 'What'} can be done
                </Link>
              )}
            </span>
          ))}
        </Notice>
      )}
      <DogRows page={page} sheet={now} names={names} />
      <Lanes
        asked={page.asked}
        sheet={now}
        by="person"
        lanes={lanesOf(page, 'person')}
        dogName={names.dog}
        now={page.now}
      />
    </Sheet>
  );
}

export function Board() {
  return <Loaded query={useSheet(undefined)}>{(page) => <Laid key={page.day} page={page} />}</Loaded>;
}
