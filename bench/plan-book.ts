/** Plans the dogs it is sent beside the bench and says how far it is, as the Bench room's worker does. */
import { outlines, type PlanRequest } from '../core/bench/index.ts';

process.on('message', (requests: readonly PlanRequest[]) => {
  for (const few of outlines(requests)) process.send?.(few);
});
process.send?.({ ready: true });
