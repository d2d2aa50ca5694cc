/** /api/devices: what stands at the table says, live, and the controls of the stand-ins. /api/clock: the salon's time. */
import { Router } from 'express';
import { standInSchema } from '../../contract/devices.ts';
import type { ClockPage } from '../../contract/session.ts';
import type { DeviceBench } from '../devices/bench.ts';
import { endpoint } from '../endpoint.ts';
import type { Kept } from '../facts.ts';
import type { Live } from '../live.ts';
import { parsed, Problem } from '../problem.ts';

const SUBJECT = 'devices';
const SAID_EVERY_MS = 300;

export function deviceRoutes({ nowMs }: Kept, bench: DeviceBench, live: Live): Router {
  const router = Router();
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

  router.get(
    '/clock',
    endpoint(() => {
      const page: ClockPage = { nowMs: nowMs() };
      return { json: page };
    }),
  );
  router.get(
    '/devices',
    endpoint(() => ({ json: bench.view() })),
  );
  router.get(
    '/devices/stream',
    live.stream(() => {
      tick();
      return { subject: SUBJECT, first: bench.view() };
    }),
  );
  router.post(
    '/devices/scale/tare',
    endpoint(() => {
      if (!bench.tare()) {
        throw new Problem(409, null, 'The scale has not come to rest. Take your hand off it and tare it again.');
      }
      return { json: bench.view() };
    }),
  );
  router.put(
    '/devices/stand-ins',
    endpoint(({ body }) => {
      bench.put(parsed(standInSchema, body));
      return { json: bench.view() };
    }),
  );
  return router;
}
