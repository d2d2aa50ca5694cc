/** A figure that several rooms say of one dog, marked so that a walk through all rooms can hold them against each other. */
import type { ReactNode } from 'react';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import { dateOf } from '../words/dates.ts';
import type { Outlook } from '../../core/tide/index.ts';

export type FactName = 'due' | 'minutes' | 'price' | 'grams' | 'hold' | 'booked' | 'booked-minutes';

type Told = Partial<Pick<Outlook, 'due' | 'booked' | 'minutes' | 'grams' | 'priceCents' | 'vetFirst'>>;

/** The one form of each fact, whatever the words beside it; undefined where a room has nothing to say. */
const VALUE: Readonly<Record<FactName, (o: Told) => string | undefined>> = {
  due: ({ due }) => due && formatDay(day(due.day)),
  minutes: ({ minutes }) => minutes && String(minutes.likely),
  price: ({ priceCents }) => priceCents?.toString(),
  grams: ({ grams }) => grams && String(Math.round(grams.likely)),
  hold: ({ vetFirst }) =>
    vetFirst && (vetFirst === 'dog' ? vetFirst : vetFirst.length > 0 ? [...vetFirst].sort().join(' ') : 'none'),
  booked: ({ booked }) => booked && formatDay(day(booked.day)),
  'booked-minutes': ({ booked }) => booked && String(booked.minutes),
};

export const Fact = ({ dog, of, from, children }: { dog: string; of: FactName; from: Told; children: ReactNode }) => (
  <span data-dog={dog} data-fact={of} data-value={VALUE[of](from)}>
    {children}
  </span>
);

/** The length of a booking, marked with its day where it is the dog's next one. */
export function BookedFact({
  booking: { dogId, startsAt, minutes },
  isNext,
  zone,
  children,
}: {
  booking: { readonly dogId: string; readonly startsAt: string; readonly minutes: number };
  isNext: boolean;
  zone: string;
  children: ReactNode;
}) {
  const on = parseDay(dateOf(startsAt, zone));
  if (!isNext || on === undefined) return children;
  const booked = { day: on, minutes, agreed: true };
  return (
    <Fact dog={dogId} of="booked" from={{ booked }}>
      <Fact dog={dogId} of="booked-minutes" from={{ booked }}>
        {children}
      </Fact>
    </Fact>
  );
}
