/** Days have one range; acts are undone to exactly what was; what is sent twice is once. */
import { expect } from 'chai';
import { dayInRange, lastBookable, unbookable } from '../../contract/common.ts';
import { parseDay, type Day } from '../../core/quantity/index.ts';
import { dump, openRoom, type Room } from './room.ts';

const dayOf = (text: string): Day => parseDay(text) ?? expect.fail(text);

describe('days', () => {
  it('lie between 1970 and 2199, and what is booked within ten years', () => {
    const today = dayOf('2031-04-09');
    for (const text of ['1970-01-01', '2199-12-31', '2031-02-28']) expect(dayInRange(text), text).to.be.a('number');
    for (const text of ['1969-12-31', '2200-01-01', '9999-12-31', '0001-01-01', '2031-02-29', 'x'])
      expect(dayInRange(text), text).to.equal(undefined);
    expect(lastBookable(today)).to.equal(dayOf('2041-12-31'));
    expect(unbookable(dayOf('2041-12-31'), today)).to.equal(undefined);
    expect(unbookable(dayOf('2042-01-01'), today)).to.equal('must lie between 1970 and 2041-12-31');
  });

  describe('over HTTP', () => {
    let room: Room;
    before(async () => {
      room = await openRoom();
    });
    after(() => room.close());
    const draft = (startsAt: string) => ({ id: 'far', dogId: 'demo-bollard', startsAt, minutes: 60, note: '' });
    const away = (from: string, to: string) => ({ id: 'far-away', person: null, from, to, reason: '' });

    for (const [method, path, body, field] of [
      ['GET', '/sheet?day=9999-12-31', undefined, 'day'],
      ['GET', '/sheet?day=2042-01-01', undefined, 'day'],
      ['DELETE', '/sheet/pins?day=0001-01-01', undefined, 'day'],
      ['POST', '/bookings', draft('9999-12-31T22:00:00Z'), 'startsAt'],
      ['POST', '/bookings', draft('2042-06-01T08:00:00Z'), 'startsAt'],
      ['POST', '/bookings/tentative', { id: 'h', dogId: 'demo-grebe', day: '2099-01-01', minutes: 60 }, 'day'],
      ['POST', '/roster/away', away('0001-01-01', '9999-12-31'), 'from'],
      ['POST', '/roster/away', away('2031-05-01', '2099-12-31'), 'to'],
    ] as const)
      it(`refuse ${method} ${path} ${JSON.stringify(body ?? '')}, with nothing written`, async () => {
        const before = dump(room.db);
        const { status, json } = await room.call(method, path, body);
        expect([status, json.error.field]).to.deep.equal([400, field]);
        expect(json.error.message).to.match(/[.]$/);
        expect(dump(room.db)).to.equal(before);
        expect(room.errors).to.deep.equal([]);
      });

    it('of a feed do not fail for an absence that is as long as may be', async () => {
      expect((await room.call('POST', '/roster/away', away('1970-01-01', '2041-12-31'))).status).to.equal(201);
      const [person] = room.stores.roster.people();
      expect((await room.raw('GET', `/roster/people/${person?.id}/calendar.ics`, {})).status).to.equal(200);
      await room.call('DELETE', '/roster/away/far-away');
    });
  });
});

describe('acts in the book', () => {
  let room: Room;
  beforeEach(async () => {
    room = await openRoom();
  });
  afterEach(() => room.close());

  const held = async () => {
    const made = await room.call('POST', '/bookings/tentative', {
      id: 'undo-a',
      dogId: 'demo-grebe',
      day: '2031-05-05',
      minutes: 75,
    });
    expect(made.status).to.equal(201);
    return made.json;
  };
  const act = (name: string, version: number) => room.call('POST', `/bookings/undo-a/${name}`, { version });
  const without = ({ version: _, ...rest }: { readonly version: number }) => rest;

  it('“agreed” taken back leaves the visit where it was, not agreed', async () => {
    const before = await held();
    expect(before.agreed).to.equal(false);
    const agreed = (await act('agree', before.version)).json;
    expect(agreed.agreed).to.equal(true);
    const back = await act('unagree', agreed.version);
    expect(back.status).to.equal(200);
    expect(without(back.json)).to.deep.equal(without(before));
    expect((await act('unagree', agreed.version)).status).to.equal(409);
  });

  it('“cancelled” taken back brings back the same booking, with its time, its word and its place in calendars', async () => {
    const made = await held();
    const before = (await act('agree', made.version)).json;
    const gone = (await act('cancel', before.version)).json;
    expect(gone.cancelled).to.equal(true);
    const back = await act('restore', gone.version);
    expect(without(back.json)).to.deep.equal(without(before));
    expect(
      room.stores.bookings.ofDogFrom('demo-grebe', before.startsAt).filter((b) => b.id === 'undo-a'),
    ).to.have.length(1);
    // One that stands, or that somebody else touched, is not brought back.
    expect((await act('restore', back.json.version)).status).to.equal(409);
    expect((await act('restore', gone.version)).status).to.equal(409);
  });

  it('“cancelled” is not taken back where somebody else has the table now', async () => {
    const before = await held();
    const gone = (await act('cancel', before.version)).json;
    const { house } = (await room.call('GET', '/salon')).json.salon;
    for (let i = 0; i < house.tables; i++)
      expect(
        (
          await room.call('POST', '/bookings', {
            ...without(before),
            id: `taken-${i}`,
            note: '',
            agreed: undefined,
            cancelled: undefined,
            dogName: undefined,
            told: undefined,
            cancelledWhy: undefined,
          })
        ).status,
      ).to.be.oneOf([201, 409]);
    const back = await act('restore', gone.version);
    expect([back.status, back.json.error.field]).to.deep.equal([409, 'startsAt']);
  });
});

describe('a piece of the kit', () => {
  it('that is sent twice hangs once', async () => {
    const room = await openRoom();
    const piece = { id: 'twice', kind: 'rake', name: 'Short rake', costCents: null, since: null, homeOf: null };
    expect((await room.call('POST', '/kit', piece)).status).to.equal(201);
    const again = await room.call('POST', '/kit', piece);
    expect([again.status, again.json.id]).to.deep.equal([200, 'twice']);
    expect(room.stores.kit.all().filter((t) => t.name === 'Short rake')).to.have.length(1);
    expect((await room.call('POST', '/kit', { ...piece, id: undefined })).json.error.field).to.equal('id');
    await room.close();
  });
});
