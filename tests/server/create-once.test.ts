/** What is made by an id of its own is made once: sent again nothing is written, and another thing under the id is refused. */
import { expect } from 'chai';
import { AS_TODAY } from '../../core/book/index.ts';
import { CHECK, DOG, dump, openRoom, type Room } from './room.ts';

const BOLLARD = '/dogs/demo-grebe';
const OTHER = '/dogs/demo-gannet';
interface Case {
  readonly path: string;
  readonly body: Readonly<Record<string, unknown>>;
  /** The same id for another thing, where that is told: by its path, or by its body. */
  readonly other?: { readonly path: string } | { readonly body: Readonly<Record<string, unknown>> };
}
const booking = { id: 'once-b', dogId: 'demo-grebe', startsAt: '2031-06-10T06:30:00Z', minutes: 60, note: '' };
const note = { id: 'once-n', day: '2031-04-08', what: 'brushed', amount: null, grams: null, author: 'Ada' };
const move = { id: 'once-m', product: 'Oat wash', day: '2031-04-09', kind: 'mixed', ml: 120 };
const year = { id: 'once-y', name: 'Two of us', change: { ...AS_TODAY, handDays: 2 } };
const tool = { id: 'once-t', kind: 'rake', name: 'r', costCents: null, since: null, homeOf: null };
const CASES: readonly Case[] = [
  { path: '/dogs', body: { id: 'once-d', ...DOG } },
  { path: '/kit', body: tool },
  { path: `${BOLLARD}/checks`, body: { ...CHECK, id: 'once-c' }, other: { path: `${OTHER}/checks` } },
  { path: '/bookings', body: booking, other: { body: { ...booking, dogId: 'demo-gannet' } } },
  { path: '/bookings/tentative', body: { id: 'once-h', dogId: 'demo-grebe', day: '2031-05-05', minutes: 60 } },
  {
    path: '/sessions',
    body: { id: 'once-s', checkId: 'demo-grebe-check-1', method: 'dry-first' },
    other: { body: { id: 'once-s', checkId: 'demo-gannet-check-1', method: 'dry-first' } },
  },
  { path: `${BOLLARD}/home-notes`, body: note },
  { path: `${BOLLARD}/life-events`, body: { id: 'once-l', kind: 'moved', day: '2031-04-08', outdoorShare: 0.4 } },
  {
    path: `${BOLLARD}/vet-words`,
    body: {
      id: 'once-v',
      day: '2031-04-08',
      who: 'Dr Example',
      places: ['dog'],
      findings: ['lump', 'hot-spot'],
      allows: 'as-usual',
      note: '',
    },
  },
  { path: '/products/moves', body: move, other: { body: { ...move, ml: 121 } } },
  { path: '/years', body: year, other: { body: { ...year, name: 'Three of us' } } },
];

describe('what has an id of its own', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  for (const { path, body, other } of CASES)
    it(`is made once by POST ${path}`, async () => {
      const first = await room.call('POST', path, body);
      expect(first.status, first.text).to.equal(201);
      const after = dump(room.db);
      const again = await room.call('POST', path, body);
      expect(again.status, again.text).to.equal(200);
      expect(again.json).to.deep.equal(first.json);
      if (other) {
        const refused = await room.call(
          'POST',
          'path' in other ? other.path : path,
          'body' in other ? other.body : body,
        );
        expect([refused.status, refused.json.error.field]).to.deep.equal([409, 'id']);
        expect(refused.json.error.message).to.match(/ id "once-\w" is taken\. Make a new id\.$/);
      }
      expect(dump(room.db), 'nothing more was written').to.equal(after);
    });
});
