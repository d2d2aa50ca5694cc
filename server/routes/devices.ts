/** /api/devices: what stands at the table says, live, and the controls of the stand-ins. /api/clock: the salon's time. */
import type { Router } from 'express';
import type { ClockPage } from '../../contract/session.ts';
import type { DeviceBench } from '../devices/bench.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import type { Live } from '../live.ts';
import { Problem } from '../problem.ts';
import { ok } from '../reply.ts';

const SUBJECT = 'devices';
const SAID_EVERY_MS = 300;

export function deviceRoutes(context: ServerContext, bench: DeviceBench, live: Live): Router {
  const { nowMs } = context;
  const { router, on, stream } = apiRouter(context);
  let ticking: NodeJS.Timeout | undefined;
  // The devices speak only while somebody listens.
  const tick = (): void => {
    ticking ??= setInterval(() => {
      if (live.watched(SUBJECT)) live.say(SUBJECT, bench.view());
      else {
        clearInterval(ticking);
        ticking = undefined;
      }
    }, SAID_EVERY_MS).unref();
  };

  on('GET /clock', () => {
    const page: ClockPage = { nowMs: nowMs() };
    return ok(page);
  });
  on('GET /devices', () => ok(bench.view()));
  stream('GET /devices/stream', live, () => {
    tick();
    return { subject: SUBJECT, first: bench.view() };
  });
  on('POST /devices/scale/tare', () => {
    if (!bench.tare()) {
      throw new Problem(409, null, 'The scale has not come to rest. Take your hand off it and tare it again.');
    }
    return ok(bench.view());
  });
  on('PUT /devices/stand-ins', ({ body }) => {
    bench.put(body);
    return ok(bench.view());
  });
  return router;
}
