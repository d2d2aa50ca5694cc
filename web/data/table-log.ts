/**
 * How a session's log lives on this device: kept first, shown then, sent when there is a link. What the salon's
 * computer and other devices say comes in by a stream and is merged; the copy that the salon holds counts.
 */
import type { SessionLog, SessionPage } from '../../contract/session.ts';
import type { SessionAct, SessionEvent } from '../../core/table/index.ts';
import { api, ApiProblem } from './client.ts';
import { keepSession, keptSession, type Waiting } from './kept.ts';
import { SalonClock } from './salon-clock.ts';
import { SessionOutbox } from './session-outbox.ts';

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
const NO_STORE =
  'This device keeps nothing, so acts are lost when the link is away. Leave private browsing, or free some space.';

export class TableLog {
  private view: TableView = NOTHING;
  private readonly listeners = new Set<() => void>();
  private readonly outbox: SessionOutbox;
  private readonly clock = new SalonClock();
  private salon: readonly SessionEvent[] = [];
  private sending = false;
  private again = false;
  private stream: EventSource | undefined;
  private retry: ReturnType<typeof setInterval> | undefined;
  private closed = false;
  private starting: Promise<void> = Promise.resolve();

  constructor(private readonly sessionId: string) {
    this.outbox = new SessionOutbox(sessionId);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): TableView => this.view;

  private show(change: Partial<TableView> = {}): void {
    const waiting = this.outbox.toSend();
    this.view = {
      ...this.view,
      events: [...this.salon, ...waiting.map((w) => w.event)],
      waiting: waiting.length,
      refused: this.outbox.refused(),
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
    await Promise.all([this.outbox.open(), this.clock.open()]);
    await this.send();
  }
  private readonly onOnline = (): void => void this.refresh();

  private async start(): Promise<void> {
    try {
      const [page] = await Promise.all([keptSession(this.sessionId), this.outbox.open(), this.clock.open()]);
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
    if (this.outbox.toSend().length > 0) await this.send();
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
    this.outbox.acknowledge(events);
  }

  private keepPage(): void {
    const { page } = this.view;
    if (page) void keepSession({ ...page, events: this.salon }).catch(() => undefined);
  }

  /** Asks the salon's clock, and puts right what waits. Throws where no answer comes. */
  private async askClock(): Promise<void> {
    await this.clock.ask();
    if (await this.outbox.restamp(this.clock.offset)) this.show();
  }

  /** The salon's time, as well as this device knows it. */
  readonly nowMs = (): number => this.clock.nowMs();

  /** Acts of one tap: kept, then shown, then sent. Resolves with their ids once they are kept. */
  async write(acts: readonly SessionAct[]): Promise<readonly string[]> {
    await this.starting.catch(() => undefined);
    const latest = this.view.events.reduce((ms, e) => Math.max(ms, e.atMs), 0);
    const { ids, kept } = await this.outbox.add(acts, this.clock, latest);
    this.show(kept ? {} : { problem: NO_STORE });
    void this.send();
    return ids;
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
        if (this.outbox.toSend().length === 0) break;
        if (this.clock.isOld()) await this.askClock();
        await this.outbox.sendSome((events) => this.take(events));
        this.show({ link: this.stream ? 'live' : this.view.link });
        this.keepPage();
      } while (this.again || this.outbox.toSend().length > 0);
    } catch {
      this.stream?.close();
      this.stream = undefined;
      this.show({ link: 'away' });
    } finally {
      this.sending = false;
    }
  }
}
