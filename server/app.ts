/** The application as a value: createApp(what it needs), so that tests start as many as they like. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { constants } from 'node:zlib';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { newMemos, type Memos } from './context.ts';
import type { Stores } from './db/index.ts';
import { diskFault } from './disk.ts';
import { apiError, guestOf } from './endpoint.ts';
import { Problem } from './problem.ts';
import { DoorState } from './auth/door-state.ts';
import { onlyOurHosts } from './auth/hosts.ts';
import { accountRoutes } from './routes/accounts.ts';
import { offerRoutes } from './routes/offers.ts';
import { bookingRoutes } from './routes/bookings.ts';
import { checkRoutes } from './routes/checks.ts';
import { DeviceBench } from './devices/bench.ts';
import type { Outside } from './devices/devices.ts';
import { Live } from './live.ts';
import type { Log } from './log.ts';
import { dayRoutes } from './routes/day.ts';
import { deviceRoutes } from './routes/devices.ts';
import { dogChoiceRoutes } from './routes/dog-choices.ts';
import { dogRoutes } from './routes/dogs.ts';
import { doorRoutes, ownSecretRoutes } from './routes/door.ts';
import { exchangeRoutes } from './routes/exchange.ts';
import { feed } from './routes/feed.ts';
import { holdRoutes } from './routes/holds.ts';
import { homeRoutes } from './routes/home.ts';
import { intakeRoutes } from './routes/intake.ts';
import { metaRoutes } from './routes/meta.ts';
import { kitRoutes } from './routes/kit.ts';
import { ownerRoutes } from './routes/owner.ts';
import { photoRoutes } from './routes/photos.ts';
import { postRoutes } from './routes/post.ts';
import { practiceRoutes } from './routes/practice.ts';
import { productRoutes } from './routes/products.ts';
import { yearRoutes } from './routes/years.ts';
import { rosterRoutes } from './routes/roster.ts';
import { safeRoutes } from './routes/safe.ts';
import { salonRoutes } from './routes/salon.ts';
import { sessionRoutes } from './routes/sessions.ts';
import { sheetRoutes } from './routes/sheet.ts';
import { tallyRoutes } from './routes/tally.ts';
import { tideRoutes } from './routes/tide.ts';
import { ReminderSender } from './reminders/sender.ts';
import { accountService, type DoorRules } from './services/accounts.ts';
import { Safe } from './storage/safe.ts';
import { TideDesk } from './tide-desk.ts';
import { WorkerQueue } from './work/worker-queue.ts';
import { learnTouched } from './services/learn-tide.ts';

export interface AppNeeds {
  readonly stores: Stores;
  readonly nowMs: () => number;
  /** What was computed before; shared with what computes beside the requests. */
  readonly memos?: Memos;
  /** Devices at the table and the weather station. */
  readonly outside: Outside;
  /** Streams to pages; anyone who closes the server ends them first. */
  readonly live?: Live;
  /** Computes the tide beside the server; anyone who closes the server ends it. */
  readonly tide?: TideDesk;
  /** Reads files and plans beside the server; anyone who closes the server ends it. */
  readonly work?: WorkerQueue;
  /** Sends reminders; anyone who closes the server ends it. */
  readonly post?: ReminderSender;
  /** Backups and files; anyone who closes the server ends it. */
  readonly safe?: Safe;
  /** What the door needs to know beyond the file. */
  readonly door?: DoorRules;
  /** What the door remembers; where a proxy on this machine stands before the program, it may say for whom it asks. */
  readonly doorState?: DoorState;
  /** Names that the program answers to, beyond those of this machine. */
  readonly named?: readonly string[];
  readonly log: Log;
  /** Folder of the built interface; without it only the API answers. */
  readonly webRoot?: string | undefined;
}

const bodyFault = (problem: unknown): { status: number; message: string } | undefined => {
  if (!(problem instanceof Error) || !('type' in problem) || typeof problem.type !== 'string') return undefined;
  switch (problem.type) {
    case 'entity.too.large':
      return { status: 413, message: 'The request is larger than 1 MB. Send less at once.' };
    case 'entity.parse.failed':
      return { status: 400, message: 'The request is not JSON that can be read. Check its brackets and quotes.' };
    case 'encoding.unsupported':
    case 'charset.unsupported':
      return { status: 415, message: 'The request is in an encoding that is not known here. Send UTF-8 JSON.' };
    default:
      return { status: 400, message: 'The request could not be read to its end. Send it again.' };
  }
};

const strictTransport = helmet.strictTransportSecurity({ maxAge: 180 * 24 * 3600 });

/** Refusals that may be somebody who tries doors. */
const LOGGED = new Set([403, 421, 429]);

/** An address as a log may hold it: without the token of a calendar. */
const unnamed = (path: string): string => (path.startsWith('/feed/') ? '/feed/…' : path);

/** Express application over open stores; no globals, no listening. */
export function createApp({
  stores,
  nowMs,
  outside,
  memos = newMemos(),
  log,
  webRoot,
  door = {},
  safe = new Safe({ stores, nowMs }),
  doorState = new DoorState(),
  named = [],
  live = new Live(),
  tide = new TideDesk(),
  work = new WorkerQueue(),
  post = new ReminderSender({ stores, nowMs, memos, tide }),
}: AppNeeds): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', doorState.behindProxy ? 'loopback' : false);
  app.use(onlyOurHosts(named));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
        },
      },
      strictTransportSecurity: false,
    }),
    // Only where there is TLS: on loopback this header would lock browsers out.
    (req, res, next) => (req.secure ? strictTransport(req, res, next) : next()),
    compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 5 } } }),
  );

  const context = { stores, nowMs, memos, tide, door: doorState };
  const service = accountService(context, door, log);
  const api = express.Router();
  api.use((req, res, next) => {
    if (req.method !== 'GET') res.on('finish', () => learnTouched(context));
    next();
  });
  api.use(
    doorRoutes(context, door, service),
    ownSecretRoutes(context, service),
    accountRoutes(context, service, log),
    metaRoutes(context, webRoot),
    safeRoutes(context, safe, log),
    intakeRoutes(context, work),
    salonRoutes(context, work),
    kitRoutes(context, work),
    dogRoutes(context),
    dogChoiceRoutes(context),
    dayRoutes(context),
    checkRoutes(context),
    photoRoutes(context),
    practiceRoutes(context),
    productRoutes(context),
    yearRoutes(context),
    sessionRoutes(context, live),
    deviceRoutes(context, new DeviceBench(outside.devices, nowMs), live),
    bookingRoutes(context),
    offerRoutes(context),
    exchangeRoutes(context, work),
    rosterRoutes(context),
    sheetRoutes(context),
    homeRoutes(context),
    ownerRoutes(context),
    postRoutes(context, post),
    tallyRoutes(context),
    tideRoutes(context, outside.station),
    holdRoutes(context),
  );
  api.use((req) => {
    throw new Problem(
      404,
      null,
      `There is nothing at ${req.method} ${req.path.slice(0, 200)}. docs/api.md lists what there is.`,
    );
  });
  app.use('/api', api);
  app.get('/feed/:token.ics', feed(context));

  if (webRoot && existsSync(join(webRoot, 'index.html'))) {
    /** A file that a device asks for each time: it names the rest, which is kept. */
    const askedEachTime =
      (name: string): RequestHandler =>
      (_req, res) => {
        res.setHeader('Cache-Control', 'no-cache');
        res.sendFile(join(webRoot, name));
      };
    app.get('/sw.js', askedEachTime('sw.js'));
    // The owner's page and its worker: a page of its own, told apart from the house by its address.
    app.get(
      '/o/sw.js',
      (_req, res, next) => {
        res.setHeader('Service-Worker-Allowed', '/o');
        next();
      },
      askedEachTime('sw.js'),
    );
    app.get('/o{/*any}', askedEachTime('owner.html'));
    // Built files have their compressed twins beside them.
    app.use(
      expressStaticGzip(webRoot, {
        index: false,
        enableBrotli: true,
        orderPreference: ['br'],
        serveStatic: { maxAge: '1y', immutable: true },
      }),
    );
    // Pages that were opened before the interface was built again go on asking for the files of their own build.
    app.use(
      '/assets',
      express.static(join(`${webRoot}.before`, 'assets'), { index: false, maxAge: '1y', immutable: true }),
      (_req, res) => void res.status(404).end(),
    );
    // Every other address is a room's: the page finds it by itself, once somebody is through its door.
    app.get('/{*any}', askedEachTime('index.html'));
  }

  const onProblem: ErrorRequestHandler = (problem: unknown, req, res, next) => {
    if (res.headersSent) return next(problem);
    const fault = bodyFault(problem);
    const disk = diskFault(problem);
    const asked = { method: req.method, path: unnamed(req.path) };
    if (problem instanceof Problem && LOGGED.has(problem.status))
      log.info({ ...asked, status: problem.status, field: problem.field, who: guestOf(res)?.actor.name }, 'refused');
    if (problem instanceof Problem)
      res.status(problem.status).json(apiError(problem.field, problem.message, problem.more));
    else if (fault) res.status(fault.status).json(apiError(null, fault.message));
    else if (problem instanceof URIError)
      res.status(400).json(apiError(null, 'The address holds a broken % sign. Check the link.'));
    else if (disk) {
      log.error({ err: problem, ...asked }, 'the disk failed');
      res.status(disk.status).json(apiError(null, disk.message));
    } else {
      log.error({ err: problem, ...asked }, 'request failed');
      res.status(500).json(apiError(null, 'Something went wrong here. Nothing was changed; please try again.'));
    }
  };
  app.use(onProblem);
  return app;
}
