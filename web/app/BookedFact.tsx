/** The length of a booking in a list, marked as a fact of its dog. */
import type { ReactNode } from 'react';
import { parseDay } from '../../core/quantity/index.ts';
import { dateOf } from '../words/dates.ts';
import { Fact } from './Fact.tsx';

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
  const booked = { day: on, minutes };
  return (
    <Fact dog={dogId} of="booked" from={{ booked }}>
      <Fact dog={dogId} of="booked-minutes" from={{ booked }}>
        {children}
      </Fact>
    </Fact>
  );
}
