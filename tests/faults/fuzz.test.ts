/**
 * Every route, from its schema and against it: never a 5xx, never a trace of the program's own files, never half a write;
 * and the API's description of itself keeps to the published standard.
 */
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect } from 'chai';
import fc from 'fast-check';
import { API, type ApiRow } from '../../contract/api.ts';
import { openApi } from '../../contract/openapi.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { fitting, NASTY, unfitting, type Schema } from '../from-schema.ts';
import { samples } from '../samples.ts';
import { jpegOf } from '../picture.ts';
import { dump, NOW, openRoom, type Answer, type Room } from '../server/room.ts';
import { CHECK, fillSmall } from '../small-house.ts';

/** Bodies of each kind that every route is sent. */
const RUNS = samples(6, 14);
const TRACE = /node_modules|\bat \S+ \(|\.ts:\d|\.js:\d|SqliteError|SQLITE_|\n\s+at /;
/** These derive secrets, a quarter second each, write big files, or answer for as long as somebody listens. */
const DEAR = new Set([
  'POST /sign-in',
  'POST /first-owner',
  'POST /hand-over',
  'PUT /me/passphrase',
  'PUT /me/pin',
  'POST /accounts',
  'PUT /accounts/:id/passphrase',
]);

/** A small house with one of most things in it. */
async function smallHouse(): Promise<Room> {
  const room = await openRoom({ demo: false });
  const must = async (method: string, path: string, body: unknown): Promise<Answer> => {
    const answer = await room.call(method, path, body);
    expect(answer.status, `${path}: ${answer.text}`).to.be.lessThan(300);
    return answer;
  };
  fillSmall(room.stores, NOW);
  const [dog, other] = ['dog-a', 'dog-b'];
  await must('POST', '/roster/apart', { a: dog, b: other });
  const link = await must('POST', '/home-links', { dogIds: [dog] });
  room.stores.photos.insert({ id: 'photo-a', checkId: CHECK.id, zone: null, width: 12, height: 8 }, jpegOf());
  const plan = await must('GET', `/checks/${CHECK.id}/plan`, undefined);
  await must('POST', '/sessions', { id: 'session-a', checkId: CHECK.id, method: plan.json.recommended.method });
  const tools = room.stores.kit.all().map((t) => t.id);
  Object.assign(named, {
    dogs: [dog, other],
    kit: tools,
    links: [link.json.id],
    accounts: room.stores.accounts.all().map((a) => a.id),
  });
  known.ids.push(dog, other, CHECK.id, 'booking-a', 'photo-a', 'session-a', ...tools);
  token = link.json.token;
  return room;
}
const known = { ids: ['back', 'wet-first'], days: ['2031-04-09', '2031-04-10T08:00:00Z', '2024-02-29'] };
/** What stands for `:id` in addresses, by the word before it. */
const named: Record<string, readonly string[]> = {
  checks: [CHECK.id],
  bookings: ['booking-a'],
  sessions: ['session-a'],
  photos: ['photo-a'],
  marks: ['booking-a'],
};
let token = '';

describe('every route under fuzz', () => {
  let room: Room;
  before(async () => {
    room = await smallHouse();
  });
  after(() => room.close());

  const junk = fc.constantFrom('id-of-nothing', ...NASTY.filter((n) => n !== ''));
  const address = (path: string): fc.Arbitrary<string> => {
    const parts = path.split('/');
    return fc
      .tuple(
        ...parts.map((p, i) => {
          if (!p.startsWith(':')) return fc.constant(p);
          const own = named[parts[i - 1] ?? ''] ?? known.ids;
          return fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...own) }, junk).map(safely);
        }),
      )
      .map((made) => made.join('/'));
  };
  const safely = (text: string): string => encodeURIComponent(text.replace(/\p{Surrogate}/gu, ''));

  /** What must hold of any answer, and of the file after a refusal. */
  async function asked(method: string, path: string, init: RequestInit): Promise<void> {
    const before = dump(room.db);
    const answer = await room.raw(method, path, init);
    const what = `${method} ${path} ${String(init.body ?? '').slice(0, 500)} → ${answer.status} ${answer.text.slice(0, 300)}`;
    const faults = room.errors.splice(0);
    expect(
      answer.status,
      `${what} ${faults.map((f) => (f instanceof Error ? f.stack : JSON.stringify(f))).join()}`,
    ).to.be.lessThan(500);
    expect(answer.text, what).not.to.match(TRACE);
    if (answer.status < 400) return;
    expect(answer.json.error, what).to.have.keys(
      answer.json.error.stored === undefined ? ['field', 'message'] : ['field', 'message', 'stored', 'sent'],
    );
    expect(answer.json.error.message, what).to.match(/[.?]$/);
    expect(dump(room.db), what).to.equal(before);
  }

  const bodies = openApi();
  const schemaOf = (key: string): Schema | undefined => {
    const [method = '', path = ''] = key.split(' ');
    const at: unknown = [
      'paths',
      path.replace(/:(\w+)/g, '{$1}'),
      method.toLowerCase(),
      'requestBody',
      'content',
      'application/json',
      'schema',
    ].reduce(
      (value: unknown, step) => (typeof value === 'object' && value !== null ? Reflect.get(value, step) : undefined),
      bodies,
    );
    return typeof at === 'object' && at !== null ? { ...at } : undefined;
  };

  for (const [key, row] of Object.entries<ApiRow>(API)) {
    if (row.reply.kind === 'stream' || key === 'POST /sign-out' || key === 'POST /forget') continue;
    it(key, async () => {
      const [method = '', path = ''] = key.split(' ');
      const headers = {
        ...(row.may === 'link' && { 'x-home-link': token }),
        ...(row.body && { 'content-type': 'application/json' }),
        ...(row.jpeg && { 'content-type': 'image/jpeg' }),
      };
      const schema = schemaOf(key);
      expect(schema !== undefined).to.equal(row.body !== undefined);
      const numRuns = DEAR.has(key) ? 2 : RUNS;
      if (schema)
        for (const values of [fitting(schema, known), unfitting(schema, known)])
          await fc.assert(
            fc.asyncProperty(address(path), values, (at, body) =>
              asked(method, at, { headers, body: JSON.stringify(body) }),
            ),
            { numRuns },
          );
      const raw = row.jpeg
        ? fc.uint8Array({ maxLength: 300 })
        : fc.constantFrom('', '{', 'null', '[]', '"x"', '{"__proto__":{"a":1}}', '\uFEFF{}');
      await fc.assert(
        fc.asyncProperty(address(path), raw, (at, body) =>
          asked(method, at, {
            headers,
            ...(method !== 'GET' &&
              (row.body || row.jpeg) && { body: typeof body === 'string' ? body : Buffer.from(body) }),
          }),
        ),
        { numRuns: DEAR.has(key) ? 2 : RUNS / 2 },
      );
    });
  }

  it('and its queries', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('/sheet', '/changes', '/dogs', '/me'),
        fc.constantFrom('day', 'before', 'dog', '__proto__', 'zone'),
        fc.oneof(fc.constantFrom(...NASTY), fc.string()),
        fc.boolean(),
        (path, name, value, twice) => {
          const one = `${name}=${safely(value)}`;
          return asked('GET', `${path}?${one}${twice ? `&${one}&x[]=1` : ''}`, {});
        },
      ),
      { numRuns: 60 },
    );
  });

  it('leaves a house that still works', async () => {
    for (const path of ['/dogs', '/tide', '/sheet', '/kit', '/home-reports', '/changes', '/roster'])
      expect((await room.call('GET', path)).status, path).to.equal(200);
    expect(room.db.pragma('integrity_check', { simple: true })).to.equal('ok');
    expect(room.db.pragma('foreign_key_check')).to.deep.equal([]);
    expect(DEFAULT_HOUSE).to.deep.equal(structuredClone(DEFAULT_HOUSE));
  });
});

describe('the API described', () => {
  it('keeps to OpenAPI 3.1 (the published schema of the standard)', async () => {
    const validator = new Validator();
    const { valid, errors } = await validator.validate(structuredClone(openApi()));
    expect(valid, JSON.stringify(errors)).to.equal(true);
    expect(validator.version).to.equal('3.1');
  });
});
