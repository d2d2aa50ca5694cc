/** A day's sheet as its worker lays it; asked again when the day's facts change. */
import { useEffect, useState } from 'react';
import { stagesWithoutHands, type DayAsked } from '../../core/day/index.ts';
import type { DayLaid } from './day.worker.ts';

export type DayAnswer =
  | { readonly state: 'working'; readonly laid: DayLaid | undefined }
  | { readonly state: 'done'; readonly laid: DayLaid }
  | { readonly state: 'failed'; readonly laid: undefined };

const WAITING: DayAnswer = { state: 'working', laid: undefined };

export function useDaySheet(asked: DayAsked): DayAnswer {
  const [answer, setAnswer] = useState<DayAnswer>(WAITING);
  // What has not changed in what it says is not laid again: the sheet is asked for every half minute.
  const text = JSON.stringify(asked);
  useEffect(() => {
    const facts: DayAsked = JSON.parse(text);
    if (facts.visits.length === 0 || stagesWithoutHands(facts).length > 0) return;
    const worker = new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<DayLaid>) => setAnswer({ state: 'done', laid: data }));
    worker.addEventListener('error', () => setAnswer({ state: 'failed', laid: undefined }));
    worker.postMessage(facts);
    return () => worker.terminate();
  }, [text]);
  return answer;
}
