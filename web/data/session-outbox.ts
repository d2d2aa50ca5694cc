/** Acts of a session that wait on this device until the salon's computer has them: kept before they are shown, sent in their order. */
import { restamped, type ClockOffset, type SessionAct, type SessionEvent } from '../../core/table/index.ts';
import { api, ApiProblem, isDoor, newId } from './client.ts';
import { deviceId } from './device.ts';
import { dropEvents, keepEvents, waitingEvents, type Waiting } from './kept.ts';
import type { SalonClock } from './salon-clock.ts';

const MOST_AT_ONCE = 400;

export class SessionOutbox {
  private entries: readonly Waiting[] = [];
  private place = 0;
  private readonly device = deviceId();
  constructor(private readonly sessionId: string) {}

  /** Reads what this device keeps. Throws where it keeps nothing. */
  async open(): Promise<void> {
    this.entries = await waitingEvents(this.sessionId);
    this.place = (this.entries.at(-1)?.place ?? 0) + 1;
  }

  /** What waits to be sent, in its order. */
  toSend(): readonly Waiting[] {
    return this.entries.filter((w) => w.refused === undefined);
  }
  /** What the salon's computer would not take: it waits for somebody to look. */
  refused(): readonly Waiting[] {
    return this.entries.filter((w) => w.refused !== undefined);
  }

  /** Acts of one tap, stamped one after the other and after what is known. They wait also where they cannot be kept. */
  async add(acts: readonly SessionAct[], clock: SalonClock, latestMs: number) {
    let latest = latestMs;
    const made = acts.map((act): Waiting => {
      const atMs = clock.stamp(latest);
      latest = atMs;
      const id = newId();
      const event = { id, atMs, device: this.device, clockMs: Math.round(clock.offset.aheadMs), act };
      return { id, sessionId: this.sessionId, place: this.place++, event };
    });
    const kept = await keepEvents(made).then(
      () => true,
      () => false,
    );
    this.entries = [...this.entries, ...made];
    return { ids: made.map((w) => w.id), kept };
  }

  /** The salon's computer has these: they wait no more. */
  acknowledge(events: readonly SessionEvent[]): void {
    const there = new Set(events.map((e) => e.id));
    const done = this.entries.filter((w) => there.has(w.id)).map((w) => w.id);
    if (done.length === 0) return;
    this.entries = this.entries.filter((w) => !there.has(w.id));
    void dropEvents(done).catch(() => undefined); // sent again later, which is once
  }

  /** Acts that were stamped by a wrong clock are put right before anybody else sees them; true where some were. */
  async restamp(offset: ClockOffset): Promise<boolean> {
    const open = this.toSend();
    const events = restamped(
      open.map((w) => w.event),
      offset,
    );
    const changed = open.flatMap((w, i): Waiting[] => {
      const event = events[i];
      return event && event !== w.event ? [{ ...w, event }] : [];
    });
    if (changed.length === 0) return false;
    await keepEvents(changed);
    const byId = new Map(changed.map((w) => [w.id, w]));
    this.entries = this.entries.map((w) => byId.get(w.id) ?? w);
    return true;
  }

  /** Sends the first of what waits; hands on what the salon then knows. Throws when no answer comes. */
  async sendSome(taken: (events: readonly SessionEvent[]) => void): Promise<void> {
    await this.deliver(this.toSend().slice(0, MOST_AT_ONCE), taken);
  }

  /** Sends a batch; one that is refused is sent by halves, until the act that is refused stands alone. */
  private async deliver(batch: readonly Waiting[], taken: (events: readonly SessionEvent[]) => void): Promise<void> {
    try {
      const events = batch.map((w) => w.event);
      const log = await api.post('/sessions/:id/events', { id: this.sessionId }, { events });
      return taken(log.events);
    } catch (problem) {
      if (!isRefusal(problem)) throw problem;
      const [first] = batch;
      if (batch.length > 1) {
        const half = Math.ceil(batch.length / 2);
        await this.deliver(batch.slice(0, half), taken);
        await this.deliver(batch.slice(half), taken);
      } else if (first) {
        const refused = { ...first, refused: problem.message };
        await keepEvents([refused]);
        this.entries = this.entries.map((w) => (w.id === first.id ? refused : w));
      }
    }
  }
}

/** Is an act itself refused: not for want of a link, of a working computer, or of somebody who may send it. */
const isRefusal = (problem: unknown): problem is ApiProblem =>
  problem instanceof ApiProblem && problem.status !== 0 && problem.status < 500 && !isDoor(problem.status);
