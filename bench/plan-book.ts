/** Plans the dogs it is sent in a thread of its own and says how far it is, as the Bench room's worker does. */
import { parentPort } from 'node:worker_threads';
import { outlines, type Outline, type PlanRequest } from '../core/bench/index.ts';

const A_FEW = 5;
parentPort?.on('message', (requests: readonly PlanRequest[]) => {
  let few: Outline[] = [];
  let done = 0;
  for (const outline of outlines(requests)) {
    few.push(outline);
    done++;
    if (few.length === A_FEW || done === requests.length) {
      parentPort?.postMessage({ outlines: few, done });
      few = [];
    }
  }
});
parentPort?.postMessage({ ready: true });
