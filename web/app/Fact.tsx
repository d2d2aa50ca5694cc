/** A figure that several rooms say of one dog, marked so that a walk through all rooms can hold them against each other. */
import type { ReactNode } from 'react';
import { placesHeld, type Hold } from '../../core/check/index.ts';
import { day, formatDay, type Interval80 } from '../../core/quantity/index.ts';
import type { BookedVisit, Due, Outlook } from '../../core/tide/index.ts';

export type FactName = 'due' | 'minutes' | 'price' | 'grams' | 'hold' | 'booked' | 'booked-minutes';

/** As much of an outlook as a fact is read from; a list knows only the likely figures. */
interface Told extends Partial<Pick<Outlook, 'priceCents'>> {
  readonly holds?: readonly Pick<Hold, 'place'>[] | undefined;
  readonly booked?: Pick<BookedVisit, 'day' | 'minutes'> | undefined;
  readonly due?: Pick<Due, 'day'> | undefined;
  readonly minutes?: Pick<Interval80, 'likely'> | undefined;
  readonly grams?: Pick<Interval80, 'likely'> | undefined;
}

/** The one form of each fact, whatever the words beside it; undefined where a room has nothing to say. */
const VALUE: Readonly<Record<FactName, (o: Told) => string | undefined>> = {
  due: ({ due }) => due && formatDay(day(due.day)),
  minutes: ({ minutes }) => minutes && String(minutes.likely),
  price: ({ priceCents }) => priceCents?.toString(),
  grams: ({ grams }) => grams && String(Math.round(grams.likely)),
  hold: ({ holds }) => {
    const places = holds && placesHeld(holds);
    return places && (places === 'dog' ? places : places.join(' ') || 'none');
  },
  booked: ({ booked }) => booked && formatDay(day(booked.day)),
  'booked-minutes': ({ booked }) => booked && String(booked.minutes),
};

export const Fact = ({ dog, of, from, children }: { dog: string; of: FactName; from: Told; children: ReactNode }) => (
  <span data-dog={dog} data-fact={of} data-value={VALUE[of](from)}>
    {children}
  </span>
);
