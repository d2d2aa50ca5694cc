/** A week as its days: visits as cards that can be dragged to another day by mouse, finger or keys; each day against its hours. */
import {
  DndContext,
  pointerWithin,
  rectIntersection,
  useDraggable,
  useDroppable,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { Link } from 'react-router';
import { GripVertical } from 'lucide-react';
import type { BookingRecord } from '../../../contract/booking.ts';
import { workOf, type PlannedVisit } from '../../../core/book/index.ts';
import { addDays, sum, type Day, formatDay } from '../../../core/quantity/index.ts';
import { shortDay } from '../../words/dates.ts';
import { useDragSensors } from '../../app/drag.ts';
import type { Outlook } from '../../../core/tide/index.ts';
import { Fact } from '../../app/Fact.tsx';
import { lengthText } from '../../words/book.ts';
import { minutesText } from '../../words/figures.ts';
import { STATE_WORDS, stateOf, visitKey } from './keys.ts';
import css from './book.module.css';

export interface DayOfWeek {
  readonly day: Day;
  readonly hours: number;
  readonly visits: readonly { readonly visit: PlannedVisit; readonly booking: BookingRecord | undefined }[];
}
interface Props {
  readonly days: readonly DayOfWeek[];
  /** What every room says of this visit, where it is the dog's next one. */
  readonly nextOf: (visit: PlannedVisit) => Outlook | undefined;
  readonly nameOf: (id: string) => string;
  readonly chosen: string | undefined;
  readonly onChoose: (visit: PlannedVisit) => void;
  /** While a card hangs over a day; undefined when it is let go of outside. */
  readonly onOver: (visit: PlannedVisit, day: Day | undefined) => void;
  readonly onDrop: (visit: PlannedVisit, day: Day) => void;
}

/** A card is over the day that the pointer is over; carried by keys, over the one it covers most. */
const underPointer: CollisionDetection = (args) => {
  const found = pointerWithin(args);
  return found.length > 0 ? found : rectIntersection(args);
};

/** Keys carry a card to the middle of the next day's column. */
const byColumn: KeyboardCoordinateGetter = (event, { currentCoordinates, context }) => {
  const step =
    event.code === 'ArrowRight' || event.code === 'ArrowDown'
      ? 1
      : event.code === 'ArrowLeft' || event.code === 'ArrowUp'
        ? -1
        : 0;
  if (step === 0) return undefined;
  event.preventDefault();
  const columns = [...context.droppableRects.values()].sort((a, b) => a.left - b.left || a.top - b.top);
  const box = context.collisionRect;
  if (!box) return undefined;
  const middle = box.left + box.width / 2;
  const at = columns.findIndex((c) => middle >= c.left && middle <= c.left + c.width);
  const to = columns[Math.min(columns.length - 1, Math.max(0, at + step))];
  return to ? { x: currentCoordinates.x + to.left + to.width / 2 - middle, y: to.top + 60 } : undefined;
};

export function Week({ days, nextOf, nameOf, chosen, onChoose, onOver, onDrop }: Props) {
  const sensors = useDragSensors(byColumn);
  const all = new Map(days.flatMap((d) => d.visits.map(({ visit }) => [visitKey(visit), visit] as const)));
  const dayOf = (id: string | number | undefined): Day | undefined =>
    days.find((d) => String(d.day) === String(id))?.day;
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underPointer}
      onDragOver={({ active, over }) => {
        const visit = all.get(String(active.id));
        if (visit) onOver(visit, dayOf(over?.id));
      }}
      onDragCancel={({ active }) => {
        const visit = all.get(String(active.id));
        if (visit) onOver(visit, undefined);
      }}
      onDragEnd={({ active, over }) => {
        const visit = all.get(String(active.id));
        const day = dayOf(over?.id);
        if (visit && day !== undefined && day !== visit.day) onDrop(visit, day);
        else if (visit) onOver(visit, undefined);
      }}
    >
      <div className={css.bookweek}>
        {days.map((d) => (
          <Column key={d.day} of={d} nextOf={nextOf} nameOf={nameOf} chosen={chosen} onChoose={onChoose} />
        ))}
      </div>
    </DndContext>
  );
}

function Column({
  of: { day, hours, visits },
  nextOf,
  nameOf,
  chosen,
  onChoose,
}: { of: DayOfWeek } & Pick<Props, 'nextOf' | 'nameOf' | 'chosen' | 'onChoose'>) {
  const { setNodeRef, isOver } = useDroppable({ id: String(day) });
  const load = Math.round(sum(visits.map(({ visit }) => workOf(visit))));
  return (
    <section
      ref={setNodeRef}
      className={`${css.dayColumn}${isOver ? ' is-over' : ''}${hours === 0 ? ' is-shut' : ''}`}
      aria-label={shortDay(day)}
    >
      <h3>
        {shortDay(day)}
        <span className="wt-soft">{hours === 0 ? 'closed' : load === 0 ? 'free' : minutesText(load)}</span>
      </h3>
      {visits.map(({ visit, booking }) => (
        <Card
          key={visitKey(visit)}
          visit={visit}
          booking={booking}
          outlook={nextOf(visit)}
          name={[visit.dogId, ...visit.together].map(nameOf).join(', ')}
          chosen={chosen === visitKey(visit)}
          onChoose={onChoose}
        />
      ))}
      {hours > 0 && (
        <Link to={`/desk/calendar/new?day=${formatDay(day)}`} aria-label={`Book a visit on ${shortDay(day)}`}>
          Book
        </Link>
      )}
    </section>
  );
}

interface CardProps {
  readonly visit: PlannedVisit;
  readonly booking: BookingRecord | undefined;
  readonly outlook: Outlook | undefined;
  readonly name: string;
  readonly chosen: boolean;
  readonly onChoose: (visit: PlannedVisit) => void;
}
function Card({ visit, booking, outlook, name, chosen, onChoose }: CardProps) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({ id: visitKey(visit) });
  const state = stateOf(booking);
  return (
    <div
      ref={setNodeRef}
      className={`${css.bookvisit} is-${state}${chosen ? ' is-chosen' : ''}${isDragging ? ' is-dragged' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <button type="button" className={css.bookvisitCard} aria-pressed={chosen} onClick={() => onChoose(visit)}>
        <strong>{name}</strong>
        <span>
          {outlook && visit.length !== undefined ? (
            <Fact dog={visit.dogId} of="booked-minutes" from={outlook}>
              {lengthText(visit.length, outlook.moved?.likely)}
            </Fact>
          ) : (
            minutesText(Math.round(visit.length ?? visit.minutes))
          )}
          {visit.parts > 1 && ` in ${visit.parts} parts`}
        </span>
        <span className="wt-soft">{STATE_WORDS[state]}</span>
      </button>
      <button
        type="button"
        className={css.bookvisitGrip}
        {...listeners}
        {...attributes}
        aria-label={`Move ${name}, ${shortDay(visit.day)}`}
      >
        <GripVertical aria-hidden size={18} />
      </button>
    </div>
  );
}

/** The days of a week with what is on each. */
export function daysOfWeek(
  from: Day,
  count: number,
  visits: readonly PlannedVisit[],
  hoursOn: (day: Day) => number,
  bookingFor: (v: PlannedVisit) => BookingRecord | undefined,
): readonly DayOfWeek[] {
  return Array.from({ length: count }, (_, i): DayOfWeek => {
    const on = addDays(from, i);
    return {
      day: on,
      hours: hoursOn(on),
      visits: visits.filter((v) => v.day === on).map((visit) => ({ visit, booking: bookingFor(visit) })),
    };
  });
}
