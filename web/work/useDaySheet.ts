/** A day's sheet as its worker lays it; asked again when the day's facts change. */
import { useEffect, useRef, useState } from 'react';
import { stagesWithoutHands, unbegun, type DayAsked, type Movable } from '../../core/day/index.ts';
import type { DayLaid, DayToLay, DayTold } from './day.worker.ts';

export type DayAnswer =
  | { readonly state: 'working'; readonly laid: DayLaid | undefined }
  | { readonly state: 'done'; readonly laid: DayLaid }
  | { readonly state: 'failed'; readonly laid: undefined };

const WAITING: DayAnswer = { state: 'working', laid: undefined };

/** movable: where ways out are wanted. */
export function useDaySheet(asked: DayAsked, movable?: readonly Movable[]): DayAnswer {
  const [answer, setAnswer] = useState<DayAnswer>(WAITING);
  const known = useRef<DayToLay['known']>(undefined);
  // What has not changed in what it says is not laid again: the sheet is asked for every half minute.
  const text = JSON.stringify({ asked, movable } satisfies DayToLay);
  useEffect(() => {
    const facts: DayToLay = JSON.parse(text);
    if (facts.asked.visits.length === 0 || stagesWithoutHands(facts.asked).length > 0) return;
    const worker = new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data: { laid, isLooking } }: MessageEvent<DayTold>) => {
      if (!isLooking) known.current = { facts: JSON.stringify(unbegun(facts.asked)), sheet: laid.sheet };
      setAnswer({ state: isLooking ? 'working' : 'done', laid });
    });
    worker.addEventListener('error', () => setAnswer({ state: 'failed', laid: undefined }));
    worker.postMessage({ ...facts, known: known.current } satisfies DayToLay);
    return () => worker.terminate();
  }, [text]);
  return answer;
}
