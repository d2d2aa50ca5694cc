/** Plans the dogs it is sent beside the bench and says how far it is, as the Bench room's worker does. */
import { outlines, type Outline, type PlanRequest } from '../core/bench/index.ts';

const A_FEW = 5;
process.on('message', (requests: readonly PlanRequest[]) => {
  let few: Outline[] = [];
  let done = 0;
  for (const outline of outlines(requests)) {
    few.push(outline);
    done++;
    if (few.length === A_FEW || done === requests.length) {
      process.send?.({ outlines: few, done });
      few = [];
    }
  }
});
process.send?.({ ready: true });
