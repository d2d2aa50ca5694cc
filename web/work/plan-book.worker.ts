/** Plans dogs away from the page; says how far it is, and stops when it is ended. */
import type { BenchCase } from '../../contract/bench.ts';
import { outlines, type PlanRequest } from '../../core/bench/index.ts';

export interface BookAsked {
  readonly room: Pick<PlanRequest, 'kit' | 'house' | 'crew' | 'appointmentMinutes'>;
  readonly cases: readonly BenchCase[];
}
self.addEventListener('message', ({ data: { room, cases } }: MessageEvent<BookAsked>) => {
  for (const few of outlines(cases.map((c) => ({ ...c.case, ...room })))) self.postMessage(few);
});
