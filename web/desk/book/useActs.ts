/** How the book is changed from its room: each act says what it did and can be taken back, to exactly what was before. */
import { useState } from 'react';
import type { BookingRecord } from '../../../contract/booking.ts';
import type { PlannedVisit } from '../../../core/book/index.ts';
import type { VisitLengths } from '../../../core/kit/index.ts';
import { formatDay, type Day } from '../../../core/quantity/index.ts';
import { bookedLength } from '../../../core/tide/index.ts';
import { newId } from '../../data/client.ts';
import {
  useAgree,
  useCancelBooking,
  useEditBooking,
  useBookTentatively,
  useRestoreBooking,
  useUnagree,
} from '../../data/hooks.ts';
import { instantText } from '../../words/dates.ts';
import { onDay } from '../../words/on-day.ts';
import { listText } from '../../words/figures.ts';

export interface Done {
  readonly text: string;
  readonly undo: () => Promise<void>;
}

export function useActs(timeZone: string, lengths: VisitLengths) {
  const book = useBookTentatively();
  const cancel = useCancelBooking();
  const edit = useEditBooking();
  const agree = useAgree();
  const unagree = useUnagree();
  const restore = useRestoreBooking();
  const [done, setDone] = useState<Done | undefined>(undefined);
  const [refused, setRefused] = useState<Error | null>(null);
  const [busy, setBusy] = useState(false);
  const run = async (act: () => Promise<Done | undefined>): Promise<void> => {
    setBusy(true);
    setRefused(null);
    try {
      setDone(await act());
    } catch (problem) {
      setRefused(problem instanceof Error ? problem : new Error('It could not be done.'));
    }
    setBusy(false);
  };
  const said = (b: BookingRecord): string => `${b.dogName}, ${instantText(b.startsAt, timeZone)}`;
  const drop = (b: Pick<BookingRecord, 'id' | 'version'>): Promise<BookingRecord> =>
    cancel.mutateAsync({ id: b.id, version: b.version });
  /** One after the other: each finds the first time that is free after those before it. */
  const bookAll = async (visits: readonly (PlannedVisit & { readonly on?: Day })[], agreed: boolean): Promise<Done> => {
    const made: BookingRecord[] = [];
    try {
      for (const v of visits) {
        const dogs = [v.dogId, ...v.together];
        for (const dogId of dogs)
          made.push(
            await book.mutateAsync({
              id: newId(),
              dogId,
              day: formatDay(v.on ?? v.day),
              minutes: bookedLength(v.minutes / v.parts / dogs.length, lengths),
              agreed,
            }),
          );
      }
    } catch (problem) {
      // What was made before it failed stands, and can be taken back.
      setRefused(problem instanceof Error ? problem : new Error('It could not be booked.'));
    }
    const text =
      made.length === 0
        ? 'Nothing was booked.'
        : `Down in the book: ${listText(made.map(said))}.${agreed ? '' : ' The owners still have to agree.'}`;
    return {
      text,
      undo: async () => {
        for (const b of made) await drop(b);
      },
    };
  };
  return {
    done,
    refused,
    busy,
    /** At a time that was offered and taken; without one, at the first of that day that suits everybody. */
    bookOn: ({
      dogId,
      day: on,
      startsAt,
      minutes,
    }: {
      readonly dogId: string;
      readonly day: Day;
      readonly startsAt: string | undefined;
      readonly minutes: number;
    }) =>
      void run(async () => {
        const made = await book.mutateAsync({
          id: newId(),
          dogId,
          day: formatDay(on),
          minutes: bookedLength(minutes, lengths),
          agreed: true,
          startsAt,
        });
        return { text: `Booked: ${said(made)}.`, undo: async () => void (await drop(made)) };
      }),
    bookTentatively: (visits: readonly (PlannedVisit & { readonly on?: Day })[], agreed = false) =>
      void run(() => bookAll(visits, agreed)),
    move: (b: BookingRecord, on: Day) =>
      void run(async () => {
        const { id, startsAt, minutes, note, version } = b;
        const moved = await edit.mutateAsync({ id, startsAt: onDay(startsAt, timeZone, on), minutes, note, version });
        return {
          text: `Moved: ${said(moved)}.`,
          undo: async () => void (await edit.mutateAsync({ id, startsAt, minutes, note, version: moved.version })),
        };
      }),
    agree: (b: BookingRecord) =>
      void run(async () => {
        const agreed = await agree.mutateAsync({ id: b.id, version: b.version });
        return { text: `Agreed: ${said(agreed)}.`, undo: async () => void (await unagree.mutateAsync(agreed)) };
      }),
    drop: (b: BookingRecord) =>
      void run(async () => {
        const dropped = await drop(b);
        return {
          text: `Taken out: ${said(b)}.`,
          undo: async () => void (await restore.mutateAsync(dropped)),
        };
      }),
    undo: () =>
      void run(async () => {
        await done?.undo();
        return undefined;
      }),
  };
}
export type Acts = ReturnType<typeof useActs>;
