/** Calendar → List: the bookings from today on, by day. */
import { RoomTabs } from '../../app/RoomTabs.tsx';
import { ButtonLink } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { lengthText } from '../../words/book.ts';
import { Link } from 'react-router';
import { BookedFact } from '../../app/BookedFact.tsx';
import { Loaded } from '../../app/state.tsx';
import { useBookings, useSalon } from '../../data/hooks.ts';
import { clockText, dateOf, weekdayText } from '../../words/dates.ts';
import { minutesText } from '../../words/figures.ts';
import { sum } from '../../../core/quantity/index.ts';
import css from './coming.module.css';

export function ComingRoom() {
  const bookings = useBookings();
  const salon = useSalon();
  return (
    <>
      <div className="wt-title">
        <h1>Coming visits</h1>
        <RoomTabs of="calendar" />
        <div className="wt-acts">
          <ButtonLink look="main" className="wt-now" to="/desk/calendar/new">
            Book a visit
          </ButtonLink>
        </div>
      </div>
      <Loaded query={salon}>
        {({ salon: { timeZone } }) => (
          <Loaded query={bookings}>
            {({ bookings: list, likely }) => {
              if (list.length === 0) return <EmptyState>Nothing is booked yet.</EmptyState>;
              const days = [...new Set(list.map((b) => dateOf(b.startsAt, timeZone)))];
              // Of each dog the soonest: the list is in order, and what is put in last stays.
              const nextOf = new Map(list.toReversed().map((b) => [b.dogId, b]));
              return (
                <div className={css.coming}>
                  {days.map((d) => {
                    const ofDay = list.filter((b) => dateOf(b.startsAt, timeZone) === d);
                    return (
                      <Sheet key={d} aria-label={weekdayText(d)}>
                        <h2>
                          {weekdayText(d)}{' '}
                          <span className="wt-soft">{minutesText(sum(ofDay.map((b) => b.minutes)))}</span>
                        </h2>
                        <ul className="wt-bare">
                          {ofDay.map((b) => (
                            <li key={b.id} className="d-flex g-5 items-baseline below-2">
                              <Link to={`/desk/calendar/visits/${b.id}`}>{clockText(b.startsAt, timeZone)}</Link>
                              <Link to={`/desk/dogs/${b.dogId}`}>{b.dogName}</Link>
                              <span className="wt-soft">
                                <BookedFact booking={b} isNext={nextOf.get(b.dogId) === b} zone={timeZone}>
                                  {lengthText(b.minutes, likely[b.id])}
                                </BookedFact>
                              </span>
                            </li>
                          ))}
                        </ul>
                      </Sheet>
                    );
                  })}
                </div>
              );
            }}
          </Loaded>
        )}
      </Loaded>
    </>
  );
}
