/**
 * Dates that are put down, agreed, moved, cancelled and brought back, by several desks at once: what stands is what the acts add up
 * to, no table is given away twice, and anyone who looked at an older state is told what stands now.
 */
import { expect } from 'chai';
import type { BookingRecord } from '../../contract/booking.ts';
import { seededRandom } from '../../core/quantity/index.ts';
import { samples } from '../samples.ts';
import { dump, openRoom, type Room } from './room.ts';

/** Dogs whose owners can come on any day. */
const DOGS = ['demo-grebe', 'demo-sisu', 'demo-juniper', 'demo-drift', 'demo-mist'] as const;
const MINUTE_MS = 60_000;
const DAY = '2031-07-02';

describe('dates in the book', () => {
  let room: Room;
  beforeEach(async () => {
    room = await openRoom();
  });
  afterEach(() => room.close());

  const putDown = (id: string, more: object = {}) =>
    room.call('POST', '/bookings/tentative', { id, dogId: 'demo-grebe', day: DAY, minutes: 60, ...more });
  const act = (name: string, { id, version }: Pick<BookingRecord, 'id' | 'version'>) =>
    room.call('POST', `/bookings/${id}/${name}`, { version });
  const standing = async (): Promise<readonly BookingRecord[]> => (await room.call('GET', '/bookings')).json.bookings;

  it('are put down without an owner’s word, and agreed where it was said with them', async () => {
    expect((await putDown('a')).json).to.include({ agreed: false, cancelled: false, version: 1, minutes: 60 });
    expect((await putDown('b', { agreed: true })).json.agreed).to.equal(true);
    expect((await putDown('c', { agreed: false })).json.agreed).to.equal(false);
  });

  it('begin at the first free quarter of an open day, one after the other at the same wish', async () => {
    const { house } = (await room.call('GET', '/salon')).json.salon;
    const starts: string[] = [];
    for (let i = 0; i < house.tables + 1; i++) starts.push((await putDown(`h-${i}`)).json.startsAt);
    // As many as there are tables stand side by side; the next has to wait for one of them.
    expect(new Set(starts.slice(0, house.tables)).size).to.equal(1);
    expect(Date.parse(starts.at(-1) ?? '') - Date.parse(starts[0] ?? '')).to.be.at.least(15 * MINUTE_MS);
    for (const s of starts) expect(new Date(s).getUTCMinutes() % 15, s).to.equal(0);
  });

  it('are refused on days on which the salon is shut, and taken when it is open again', async () => {
    const shut = { id: 'shut', person: null, from: DAY, to: DAY, reason: 'paint' };
    await room.call('POST', '/roster/away', shut);
    const before = dump(room.db);
    const { status, json } = await putDown('next');
    expect([status, json.error.field]).to.deep.equal([409, 'day']);
    expect(json.error.message).to.include('The salon is closed that day: paint.');
    expect(dump(room.db)).to.equal(before);
    await room.call('DELETE', '/roster/away/shut');
    expect((await putDown('again')).json.startsAt.slice(0, 10)).to.equal(DAY);
  });

  it('are refused where the day has no room for so long a visit, with the way out', async () => {
    const before = dump(room.db);
    const { house } = (await room.call('GET', '/salon')).json.salon;
    const { status, json } = await putDown('long', { minutes: house.hours.closeMinute - house.hours.openMinute + 5 });
    expect(status).to.be.oneOf([400, 409]);
    expect(json.error.message).to.match(/\.$/);
    expect(dump(room.db)).to.equal(before);
  });

  it('tell whoever looked at an older state what stands now, and change nothing', async () => {
    const first = (await putDown('a')).json;
    const agreed = (await act('agree', first)).json;
    const before = dump(room.db);
    for (const name of ['agree', 'unagree', 'cancel', 'restore']) {
      const late = await act(name, first);
      expect([late.status, late.json.error.stored.version], name).to.deep.equal([409, agreed.version]);
    }
    const moved = await room.call('PUT', '/bookings/a', { ...EDIT, startsAt: first.startsAt, version: first.version });
    expect([moved.status, moved.json.error.stored.agreed]).to.deep.equal([409, true]);
    expect(dump(room.db)).to.equal(before);
  });

  it('can be neither moved nor agreed once they are cancelled', async () => {
    const gone = (await act('cancel', (await putDown('a')).json)).json;
    for (const name of ['agree', 'unagree', 'cancel'])
      expect((await act(name, gone)).json.error.message, name).to.equal('This booking was cancelled. Make a new one.');
    const moved = await room.call('PUT', '/bookings/a', { ...EDIT, startsAt: gone.startsAt, version: gone.version });
    expect(moved.status).to.equal(409);
    expect((await standing()).some((b) => b.id === 'a')).to.equal(false);
  });

  it('are what their acts add up to, and no table is given away twice (random acts of two desks)', async function () {
    this.timeout(120_000);
    const random = seededRandom(26_001);
    const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] ?? expect.fail('nothing to pick');
    const { house } = (await room.call('GET', '/salon')).json.salon;
    const ours = (b: { readonly id: string }): boolean => b.id.startsWith('m-');
    /** What each booking is, by the acts that were taken. */
    const model = new Map<string, BookingRecord>();
    /** What the other desk saw last of each: it may be old. */
    const seen = new Map<string, BookingRecord>();
    let full = 0;
    for (let i = 0; i < samples(80, 600); i++) {
      const there = [...model.values()];
      const now = there.length > 0 && random() < 0.75 ? pick(there) : undefined;
      if (!now) {
        const wanted = `2031-06-${String(2 + Math.floor(random() * 4)).padStart(2, '0')}`;
        const minutes = 30 + 15 * Math.floor(random() * 8);
        const made = await putDown(`m-${i}`, { dogId: pick(DOGS), day: wanted, minutes });
        // A day that is full takes no more.
        if (made.status === 409) {
          full++;
          continue;
        }
        expect(made.status).to.equal(201);
        model.set(made.json.id, made.json);
        seen.set(made.json.id, made.json);
        continue;
      }
      // One desk in three goes by what it saw before.
      const known = random() < 0.33 ? (seen.get(now.id) ?? now) : now;
      const name = pick(['agree', 'unagree', 'cancel', 'restore'] as const);
      const { status, json } = await act(name, known);
      const stale = known.version !== now.version;
      const fits = name === 'restore' ? now.cancelled : !now.cancelled;
      if (status === 200) {
        expect([stale, fits], `${i}: ${name}`).to.deep.equal([false, true]);
        const change = {
          agree: { agreed: true },
          unagree: { agreed: false },
          cancel: { cancelled: true },
          restore: { cancelled: false },
        }[name];
        expect(json, `${i}: ${name}`).to.deep.equal({ ...now, ...change, version: now.version + 1 });
        model.set(now.id, json);
        if (random() < 0.5) seen.set(now.id, json);
      } else {
        expect(status, `${i}: ${name}`).to.equal(409);
        // What is refused was old, did not fit, or found its table taken meanwhile.
        expect(stale || !fits || name === 'restore', `${i}: ${name} ${json.error.message}`).to.equal(true);
      }
    }
    const expected = [...model.values()].filter((b) => !b.cancelled).sort((a, b) => (a.id < b.id ? -1 : 1));
    const all = await standing();
    expect(all.filter(ours).sort((a, b) => (a.id < b.id ? -1 : 1))).to.deep.equal(expected);
    const june = all.filter((b) => b.startsAt >= '2031-06-01' && b.startsAt < '2031-08-01');
    for (const b of june.filter(ours)) {
      const at = Date.parse(b.startsAt);
      const beside = june.filter(
        (o) => Date.parse(o.startsAt) <= at && Date.parse(o.startsAt) + o.minutes * MINUTE_MS > at,
      );
      expect(beside.length, `tables at ${b.startsAt}`).to.be.at.most(house.tables);
    }
    expect(full, 'days are not always full').to.be.below(samples(40, 400));
    expect(room.errors).to.deep.equal([]);
  });
});

const EDIT = { minutes: 60, note: '' };
