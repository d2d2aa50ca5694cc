/** A session's log on its device, with a link that fails in every way: nothing lost, nothing twice, what is refused set aside. */
import 'fake-indexeddb/auto';
import { expect } from 'chai';
import type { SessionEvent } from '../../core/table/index.ts';
import { waitingEvents } from '../../web/data/kept.ts';
import { TableLog, type TableView } from '../../web/data/table-log.ts';

/** What a salon's computer answers in a test. */
interface Salon {
  events: SessionEvent[];
  aheadMs: number;
  /** How the next requests that carry events end. */
  fate: ('kept' | 'lost' | 'kept, answer lost' | 'broken')[];
  refuses: (e: SessionEvent) => boolean;
  sent: number;
}

const json = (status: number, body: unknown): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const page = (id: string, events: readonly SessionEvent[]) => ({
  id,
  dogId: 'd',
  dogName: 'D',
  snapshot: { plan: { steps: [] } },
  events,
  people: [],
});

class NoStream {
  onmessage: unknown = null;
  onerror: unknown = null;
  close(): void {
    this.onmessage = null;
  }
}

describe('the outbox of a device', () => {
  const salon: Salon = { events: [], aheadMs: 0, fate: [], refuses: () => false, sent: 0 };
  const was = new Map<string, unknown>();
  const put = (name: string, value: unknown): void => {
    was.set(name, Reflect.get(globalThis, name));
    Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  };

  before(() => {
    const kept = new Map<string, string>();
    put('localStorage', {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => kept.set(k, v),
    });
    put('window', new EventTarget());
    put('EventSource', NoStream);
    put('fetch', (url: string, init: RequestInit = {}): Promise<Response> => {
      const nowMs = Date.now() + salon.aheadMs;
      if (url === '/api/clock') return Promise.resolve(json(200, { nowMs }));
      const id = url.split('/')[3] ?? '';
      if (init.method !== 'POST') return Promise.resolve(json(200, page(id, salon.events)));
      const { events }: { events: SessionEvent[] } = JSON.parse(String(init.body));
      const fate = salon.fate.shift() ?? 'kept';
      if (fate === 'lost') return Promise.reject(new TypeError('no link'));
      if (fate === 'broken') return Promise.resolve(json(500, { error: { field: null, message: 'broken' } }));
      if (events.some((e) => salon.refuses(e))) {
        return Promise.resolve(json(400, { error: { field: 'events', message: 'There is no such step.' } }));
      }
      salon.sent += events.length;
      for (const e of events) if (!salon.events.some((k) => k.id === e.id)) salon.events.push(e);
      if (fate === 'kept, answer lost') return Promise.reject(new TypeError('no link'));
      return Promise.resolve(json(201, { events: salon.events, nowMs }));
    });
  });
  after(() => {
    for (const [name, value] of was)
      Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
  });

  const fresh = (): void => {
    salon.events = [];
    salon.aheadMs = 0;
    salon.fate = [];
    salon.refuses = () => false;
    salon.sent = 0;
  };
  /** Waits until what a log shows holds, or 400 tries are over; tries again as the link's return would. */
  const shows = async (log: TableLog, holds: (view: TableView) => boolean): Promise<void> => {
    for (let i = 0; i < 400 && !holds(log.snapshot()); i++) {
      window.dispatchEvent(new Event('online'));
      await new Promise((soon) => setTimeout(soon, 10));
    }
    expect(holds(log.snapshot())).to.equal(true);
  };
  /** Waits until a log is linked and has nothing to send that is not refused. */
  const settled = (log: TableLog): Promise<void> => shows(log, (view) => view.waiting === 0 && view.link === 'live');

  it('keeps an act before it shows it, and sends it once through losses, broken answers and lost acknowledgements', async () => {
    fresh();
    const log = new TableLog('s1');
    log.open();
    salon.fate = ['lost', 'broken', 'kept, answer lost', 'lost'];
    const ids = await log.write([{ kind: 'started' }, { kind: 'note', text: 'a' }]);
    expect((await waitingEvents('s1')).length + salon.events.length).to.be.at.least(2);
    expect(log.snapshot().events.map((e) => e.id)).to.include.members([...ids]);
    await settled(log);
    expect(salon.events.map((e) => e.id)).to.deep.equal(ids);
    // It was tried again until an answer came, or what the salon holds said that it had arrived.
    expect(salon.fate.length).to.be.at.most(1);
    expect(await waitingEvents('s1')).to.deep.equal([]);
    log.close();
  });

  it('sets aside what is refused, with its reason, and sends all the rest', async () => {
    fresh();
    salon.refuses = (e) => e.act.kind === 'note' && e.act.text === 'bad';
    const log = new TableLog('s2');
    log.open();
    await log.write([
      { kind: 'started' },
      { kind: 'note', text: 'one' },
      { kind: 'note', text: 'bad' },
      { kind: 'note', text: 'two' },
      { kind: 'finished' },
    ]);
    await settled(log);
    expect(salon.events.map((e) => (e.act.kind === 'note' ? e.act.text : e.act.kind))).to.deep.equal([
      'started',
      'one',
      'two',
      'finished',
    ]);
    expect(log.snapshot().refused.map((w) => w.refused)).to.deep.equal(['There is no such step.']);
    expect(log.snapshot().events.some((e) => e.act.kind === 'note' && e.act.text === 'bad')).to.equal(false);
    log.close();
    // Opened again it is still there to be looked at, and is not sent again.
    const again = new TableLog('s2');
    again.open();
    // What the device keeps and what the salon says come in either order.
    await shows(again, (view) => view.refused.length > 0 && view.waiting === 0 && view.link === 'live');
    expect(again.snapshot().refused).to.have.length(1);
    expect(salon.sent).to.equal(4);
    again.close();
  });

  it('puts right what was stamped by a wrong clock before anybody else sees it', async () => {
    fresh();
    const log = new TableLog('s3');
    salon.aheadMs = 7_200_000;
    salon.fate = ['lost'];
    log.open();
    await log.write([{ kind: 'started' }]);
    await settled(log);
    const [only] = salon.events;
    expect(Math.abs((only?.atMs ?? 0) - (Date.now() + 7_200_000))).to.be.below(2_000);
    expect(only?.clockMs ?? 0).to.be.closeTo(7_200_000, 1_000);
    log.close();
  });

  it('finds after a crash what it had kept, and sends it from another page', async () => {
    fresh();
    salon.fate = Array.from({ length: 40 }, () => 'lost' as const);
    const crashed = new TableLog('s4');
    crashed.open();
    await crashed.write([{ kind: 'started' }]);
    await crashed.write([{ kind: 'paused' }]);
    crashed.close();
    expect((await waitingEvents('s4')).map((w) => w.event.act.kind)).to.deep.equal(['started', 'paused']);
    salon.fate = [];
    await new TableLog('s4').flush();
    expect(salon.events.map((e) => e.act.kind)).to.deep.equal(['started', 'paused']);
    expect(await waitingEvents('s4')).to.deep.equal([]);
  });
});
