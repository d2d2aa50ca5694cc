/** Plans dogs away from the page; says how far it is, and stops when it is ended. */
import type { BenchCase } from '../../contract/bench.ts';
import { outlines, type Outline, type PlanRequest } from '../../core/bench/index.ts';

export interface BookAsked {
  readonly room: Pick<PlanRequest, 'kit' | 'house' | 'crew' | 'appointmentMinutes'>;
  readonly cases: readonly BenchCase[];
}
export interface BookSaid {
  /** Outlines of the next dogs, in the order asked. */
  readonly outlines: readonly Outline[];
  /** How many came before these. */
  readonly before: number;
}

/** Dogs between two messages: often enough to be seen moving. */
const A_FEW = 5;

self.addEventListener('message', ({ data }: MessageEvent<BookAsked>) => {
  const { room, cases } = data;
  let before = 0;
  let few: Outline[] = [];
  for (const outline of outlines(cases.map((c) => ({ ...c.case, ...room })))) {
    few.push(outline);
    if (few.length === A_FEW || before + few.length === cases.length) {
      self.postMessage({ outlines: few, before } satisfies BookSaid);
      before += few.length;
      few = [];
    }
  }
});
