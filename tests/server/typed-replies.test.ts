/** Routes answer as their row of the API says: what does not fit does not compile, and what is sent has the row's kind. */
import { expect } from 'chai';
import { API, type ApiKey, type ApiRow, type ReplyOf } from '../../contract/api.ts';
import type { AnswerOf } from '../../server/endpoint.ts';
import { expectAsDescribed } from '../reply-schema.ts';
import { bytes, ok } from '../../server/reply.ts';
import { openRoom, type Room } from './room.ts';

type Answers<K extends ApiKey> = () => AnswerOf<ReplyOf<K>>;

/** Answers that do not fit: each is an error of the compiler, or this file is. */
export const DO_NOT_FIT = {
  // @ts-expect-error a list of dogs has its day
  list: (() => ok({ dogs: [] })) satisfies Answers<'GET /dogs'>,
  // @ts-expect-error the day is a number
  day: (() => ok({ today: '2031-04-09', dogs: [] })) satisfies Answers<'GET /dogs'>,
  // @ts-expect-error a photo is no JSON
  photo: (() => ok({})) satisfies Answers<'GET /photos/:id'>,
  // @ts-expect-error a page of JSON is no file
  file: (() => bytes('image/jpeg', Buffer.from(''))) satisfies Answers<'GET /kit'>,
  // @ts-expect-error nothing is no booking
  nothing: (() => ok(undefined)) satisfies Answers<'POST /bookings'>,
};

const isKey = (key: string): key is ApiKey => Object.hasOwn(API, key);

describe('replies', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  it('that do not fit are told by the compiler, one that fits is not', () => {
    const fits: Answers<'GET /dogs'> = () => ok({ today: 22_379, dogs: [] });
    expect(fits()).to.deep.include({ kind: 'json', value: { today: 22_379, dogs: [] } });
    expect(Object.keys(DO_NOT_FIT)).to.have.length(5);
  });

  const rows = Object.entries<ApiRow>(API).filter(([key]) => key.startsWith('GET ') && !key.includes(':'));
  it('have the content type of their row, on every route that is asked by its address alone', async () => {
    let asked = 0;
    for (const [key, { reply, may }] of rows) {
      if (may === 'link' || reply.kind === 'stream') continue;
      const answer = await fetch(room.base + key.slice('GET '.length), { headers: { cookie: room.cookie() } });
      expect(answer.status, key).to.equal(200);
      const type = reply.kind === 'json' ? 'application/json' : reply.type;
      expect(answer.headers.get('content-type'), key).to.match(new RegExp(`^${type}`));
      if (reply.kind === 'file')
        expect(answer.headers.get('content-disposition'), key).to.match(/^attachment; filename="/);
      if (reply.kind === 'json' && isKey(key)) expectAsDescribed(key, await answer.json());
      else await answer.arrayBuffer();
      asked++;
    }
    expect(asked).to.be.above(25);
  });
});
