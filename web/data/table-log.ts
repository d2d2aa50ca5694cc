/**
 * How a session's log lives on this device: kept first, shown then, sent when there is a link. What the salon's
 * computer and other devices say comes in by a stream and is merged; the copy that the salon holds counts.
 */
import type { SessionLog, SessionPage } from '../../contract/session.ts';
import {
  clockOffset,
  restamped,
  stampMs,
  type ClockOffset,
  type ClockReading,
  type SessionAct,
  type SessionEvent,
} from '../../core/table/index.ts';
import { api, ApiProblem, isDoor, newId } from './client.ts';
import { deviceId } from './device.ts';
import {
  dropEvents,
  keepClock,
  keepEvents,
  keepSession,
  keptClock,
  keptSession,
  waitingEvents,
  type Waiting,
} from './kept.ts';

export type Link = 'live' | 'away';

/** What a page shows of a session: never changed, only made again. */
export interface TableView {
  readonly page: SessionPage | undefined;
  /** All that is known, the salon's copies first. */
  readonly events: readonly SessionEvent[];
  readonly waiting: number;
  readonly refused: readonly Waiting[];
  readonly link: Link;
  /** A session that is neither here nor there, or a device that keeps nothing. */
  readonly problem: string | undefined;
}

const NOTHING: TableView = {
  page: undefined,
  events: [],
  waiting: 0,
  refused: [],
  link: 'away',
  problem: undefined,
};
/** Another try, when the link is away. */
const RETRY_MS = 2_500;
/** A clock that was asked so long ago is asked again before anything is sent. */
const ASK_CLOCK_MS = 60_000;
const MOST_AT_ONCE = 400;
const NO_STORE =
  'This device keeps nothing, so acts are lost when the link is away. Leave private browsing, or free some space.';

export class TableLog {
  private view: TableView = NOTHING;
  private readonly listeners = new Set<() => void>();
  private readonly device = deviceId();
  private salon: readonly SessionEvent[] = [];
  private outbox: readonly Waiting[] = [];
  private readings: readonly ClockReading[] = [];
  private offset: ClockOffset = clockOffset([]);
  private askedMs = 0;
  private place = 0;
  private sending = false;
  private again = false;
  private stream: EventSource | undefined;
  private retry: ReturnType<typeof setInterval> | undefined;
  private closed = false;
  private starting: Promise<void> = Promise.resolve();

  constructor(private readonly sessionId: string) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): TableView => this.view;

  /** What waits to be sent; what was refused waits for somebody to look. */
  private toSend(): readonly Waiting[] {
    return this.outbox.filter((w) => w.refused === undefined);
  }

  private show(change: Partial<TableView> = {}): void {
    const waiting = this.toSend();
    this.view = {
      ...this.view,
      events: [...this.salon, ...waiting.map((w) => w.event)],
      waiting: waiting.length,
      refused: this.outbox.filter((w) => w.refused !== undefined),
      ...change,
    };
    for (const listener of this.listeners) listener();
  }

  /** Begins: what this device keeps at once, then what the salon says, then the stream. */
  open(): void {
    this.closed = false;
    this.starting = this.start();
    this.retry = setInterval(() => void this.refresh(), RETRY_MS);
    window.addEventListener('online', this.onOnline);
  }
  close(): void {
    this.closed = true;
    this.stream?.close();
    this.stream = undefined;
    clearInterval(this.retry);
    window.removeEventListener('online', this.onOnline);
  }
  /** Sends what waits and ends: for a session that nobody has open. */
  async flush(): Promise<void> {
    this.closed = true;
    this.outbox = await waitingEvents(this.sessionId);
    this.readings = await keptClock();
    this.offset = clockOffset(this.readings);
    if (this.outbox.length > 0) await this.send();
  }
  private readonly onOnline = (): void => void this.refresh();

  private async start(): Promise<void> {
    try {
      const [page, waiting, readings] = await Promise.all([
        keptSession(this.sessionId),
        waitingEvents(this.sessionId),
        keptClock(),
      ]);
      this.outbox = waiting;
      this.place = (waiting.at(-1)?.place ?? 0) + 1;
      this.readings = readings;
      this.offset = clockOffset(readings);
      if (page) {
        this.salon = page.events;
        this.show({ page });
      }
    } catch {
      this.show({ problem: NO_STORE });
    }
    await this.refresh();
  }

  /** Asks for what is not there yet: the page, the stream, the acknowledgement of what waits. */
  private async refresh(): Promise<void> {
    if (this.closed) return;
    if (this.view.link === 'away') {
      try {
        await this.askClock();
        const page = await api.get('/sessions/:id', { id: this.sessionId });
        this.take(page.events);
        this.show({ page, link: 'live', problem: undefined });
        void keepSession(page).catch(() => this.show({ problem: NO_STORE }));
        this.watch();
      } catch (problem) {
        if (problem instanceof ApiProblem && problem.status !== 0 && !this.view.page) {
          this.show({ problem: problem.message });
        } else if (!this.view.page) this.show({ problem: problem instanceof Error ? problem.message : undefined });
        return;
      }
    }
    if (this.toSend().length > 0) await this.send();
  }

  private watch(): void {
    if (this.stream || this.closed) return;
    const stream = new EventSource(`/api/sessions/${encodeURIComponent(this.sessionId)}/stream`);
    this.stream = stream;
    stream.onmessage = (message: MessageEvent<string>) => {
      const { events }: SessionLog = JSON.parse(message.data);
      this.take(events);
      this.show({ link: 'live' });
      this.keepPage();
    };
    stream.onerror = () => {
      // The browser would try again by itself; a page asked for again tells more than a stream that hangs.
      stream.close();
      this.stream = undefined;
      this.show({ link: 'away' });
    };
  }

  /** What the salon holds is known here from now on. */
  private take(events: readonly SessionEvent[]): void {
    const known = new Set(this.salon.map((e) => e.id));
    const fresh = events.filter((e) => !known.has(e.id));
    if (fresh.length > 0) this.salon = [...this.salon, ...fresh];
    const there = new Set(events.map((e) => e.id));
    const done = this.outbox.filter((w) => there.has(w.id)).map((w) => w.id);
    if (done.length === 0) return;
    this.outbox = this.outbox.filter((w) => !there.has(w.id));
    void dropEvents(done).catch(() => undefined); // sent again later, which is once
  }

  private keepPage(): void {
    const { page } = this.view;
    if (page) void keepSession({ ...page, events: this.salon }).catch(() => undefined);
  }

  /** Asks the salon's clock. Throws where no answer comes. */
  private async askClock(): Promise<void> {
    const sentMs = Date.now();
    const { nowMs } = await api.get('/clock');
    const reading = { sentMs, salonMs: nowMs, backMs: Date.now() };
    this.askedMs = reading.backMs;
    this.readings = [...this.readings, reading];
    void keepClock(this.readings)
      .then((kept) => (this.readings = kept))
      .catch(() => undefined);
    this.offset = clockOffset(this.readings);
    await this.restamp();
  }

  /** Acts that were stamped by a wrong clock are put right before anybody else sees them. */
  private async restamp(): Promise<void> {
    const open = this.toSend();
    const events = restamped(
      open.map((w) => w.event),
      this.offset,
    );
    const changed = open.flatMap((w, i): Waiting[] => {
      const event = events[i];
      return event && event !== w.event ? [{ ...w, event }] : [];
    });
    if (changed.length === 0) return;
    await keepEvents(changed);
    const byId = new Map(changed.map((w) => [w.id, w]));
    this.outbox = this.outbox.map((w) => byId.get(w.id) ?? w);
    this.show();
  }

  /** The salon's time, as well as this device knows it. */
  readonly nowMs = (): number => Math.round(Date.now() + this.offset.aheadMs);

  /** Acts of one tap: kept, then shown, then sent. Resolves with their ids once they are kept. */
  async write(acts: readonly SessionAct[]): Promise<readonly string[]> {
    await this.starting.catch(() => undefined);
    let latest = 0;
    for (const e of this.view.events) latest = Math.max(latest, e.atMs);
    const made = acts.map((act): Waiting => {
      const atMs = stampMs(Date.now(), this.offset, latest);
      latest = atMs;
      const id = newId();
      const event = { id, atMs, device: this.device, clockMs: Math.round(this.offset.aheadMs), act };
      return { id, sessionId: this.sessionId, place: this.place++, event };
    });
    try {
      await keepEvents(made);
    } catch {
      this.show({ problem: NO_STORE });
    }
    this.outbox = [...this.outbox, ...made];
    this.show();
    void this.send();
    return made.map((w) => w.id);
  }

  private async send(): Promise<void> {
    if (this.sending) {
      this.again = true;
      return;
    }
    this.sending = true;
    try {
      do {
        this.again = false;
        if (Date.now() - this.askedMs > ASK_CLOCK_MS) await this.askClock();
        const batch = this.toSend().slice(0, MOST_AT_ONCE);
        if (batch.length === 0) break;
        await this.deliver(batch);
        this.show({ link: this.stream ? 'live' : this.view.link });
        this.keepPage();
      } while (this.again || this.toSend().length > 0);
    } catch {
      this.stream?.close();
      this.stream = undefined;
      this.show({ link: 'away' });
    } finally {
      this.sending = false;
    }
  }

  /** Sends a batch; one that is refused is sent by halves, until the act that is refused stands alone. Throws when no answer comes. */
  private async deliver(batch: readonly Waiting[]): Promise<void> {
    try {
      const { events } = await api.post(
        '/sessions/:id/events',
        { id: this.sessionId },
        {
          events: batch.map((w) => w.event),
        },
      );
      this.take(events);
    } catch (problem) {
      if (!(problem instanceof ApiProblem) || problem.status === 0 || problem.status >= 500 || isDoor(problem.status))
        throw problem;
      const [first] = batch;
      if (batch.length > 1) {
        const half = Math.ceil(batch.length / 2);
        await this.deliver(batch.slice(0, half));
        await this.deliver(batch.slice(half));
      } else if (first) {
        const refused = { ...first, refused: problem.message };
        await keepEvents([refused]);
        this.outbox = this.outbox.map((w) => (w.id === first.id ? refused : w));
      }
    }
  }
}
