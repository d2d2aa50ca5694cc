/** The one way in which pages ask the API: typed by its rows, addresses filled in, refusals with their field, secrets asked once. */
import { expect } from 'chai';
import type { DogPage, DogsPage } from '../../contract/dog.ts';
import type { MePage } from '../../contract/account.ts';
import { api, ApiProblem, isDoor, newId } from '../../web/data/client.ts';
import { onConfirmAsked } from '../../web/data/confirm.ts';

/** Calls that the contract does not allow: each line is an error of the compiler, or this file is. */
export const NOT_ALLOWED: readonly (() => unknown)[] = [
  // @ts-expect-error there is no such path
  () => api.get('/cats'),
  // @ts-expect-error a dog is found by its id
  () => api.get('/dogs/:id'),
  // @ts-expect-error the id has another name
  () => api.get('/dogs/:id', { dogId: 'a' }),
  // @ts-expect-error what is sent lacks its minutes
  () => api.post('/bookings/tentative', { id: 'a', dogId: 'b', day: '2031-05-01' }),
  // @ts-expect-error this row has no such method
  () => api.delete('/salon'),
  // @ts-expect-error the answer is a page of one dog, not a list
  (): Promise<DogsPage> => api.get('/dogs/:id', { id: 'a' }),
  // @ts-expect-error the answer has no such field
  async () => (await api.get('/me')).passphrase,
];

describe('the client of the API', () => {
  const real = globalThis.fetch;
  interface Sent {
    readonly url: string;
    readonly method: string | undefined;
    readonly body: unknown;
    readonly hand: string | null;
  }
  let sent: Sent[] = [];
  let answers: (() => Response)[] = [];
  beforeEach(() => {
    sent = [];
    answers = [];
    globalThis.fetch = async (url, init) => {
      const headers = new Headers(init?.headers);
      sent.push({
        url: String(url),
        method: init?.method,
        body: typeof init?.body === 'string' ? JSON.parse(init.body) : undefined,
        hand: headers.get('x-woolly-tide'),
      });
      return answers.shift()?.() ?? Response.json({});
    };
  });
  afterEach(() => {
    globalThis.fetch = real;
  });
  const refuses = (status: number, error: object): number =>
    answers.push(() => Response.json({ error: { field: null, message: 'No.', ...error } }, { status }));
  const problemOf = async (call: Promise<unknown>): Promise<ApiProblem> => {
    const problem: unknown = await call.catch((p: unknown) => p);
    return problem instanceof ApiProblem ? problem : expect.fail(`no refusal: ${String(problem)}`);
  };

  it('fills ids and queries into the address, whatever stands in them', async () => {
    await api.get('/dogs/:id', { id: 'a/b?c' });
    await api.get('/dogs', { find: 'Ärger & co' });
    await api.get('/dogs');
    await api.get('/checks/:id/rankings/:zone/:method', { id: 'c', zone: 'ruff.left', method: 'wet-first' });
    await api.delete('/sheet/pins', { day: '2031-04-09' });
    expect(sent.map(({ method, url }) => `${method} ${url}`)).to.deep.equal([
      'GET /api/dogs/a%2Fb%3Fc',
      'GET /api/dogs?find=%C3%84rger+%26+co',
      'GET /api/dogs',
      'GET /api/checks/c/rankings/ruff.left/wet-first',
      'DELETE /api/sheet/pins?day=2031-04-09',
    ]);
    for (const { body, hand } of sent) expect([body, hand]).to.deep.equal([undefined, 'page']);
  });
  it('sends a body as it is, beside the ids', async () => {
    await api.post('/bookings/:id/agree', { id: 'b-1' }, { version: 3 });
    await api.post('/sign-out');
    expect(sent.map(({ url, body }) => [url, body])).to.deep.equal([
      ['/api/bookings/b-1/agree', { version: 3 }],
      ['/api/sign-out', undefined],
    ]);
  });
  it('answers with what the row says', async () => {
    answers.push(() => Response.json({ today: 22_379, dogs: [] }));
    const page: DogsPage = await api.get('/dogs');
    expect(page).to.deep.equal({ today: 22_379, dogs: [] });
    const named: (id: string) => Promise<DogPage> = (id) => api.get('/dogs/:id', { id });
    expect(await named('x')).to.deep.equal({});
  });
  it('says what was refused, with its field and what stands instead', async () => {
    refuses(409, { field: 'version', message: 'Somebody else changed it.', stored: { version: 4 } });
    const problem = await problemOf(api.post('/bookings/:id/agree', { id: 'b' }, { version: 3 }));
    expect(problem).to.include({ status: 409, field: 'version', message: 'Somebody else changed it.' });
    expect(problem.stored).to.deep.equal({ version: 4 });
  });
  it('says that something between answered, and that the link is lost', async () => {
    answers.push(() => new Response('<h1>Bad gateway</h1>', { status: 502 }));
    const between = await problemOf(api.get('/kit'));
    expect([between.status, between.field]).to.deep.equal([502, null]);
    expect(between.message).to.match(/could not answer \(502\)/);
    answers.push(() => {
      throw new TypeError('no link');
    });
    const lost = await problemOf(api.get('/kit'));
    expect(lost.status).to.equal(0);
    expect(lost.message).to.match(/does not answer/);
  });
  it('asks for the passphrase before an owner’s act, and does it once more when it was shown', async () => {
    let asked = 0;
    let shown = true;
    const end = onConfirmAsked((answer) => {
      asked++;
      answer(shown);
    });
    refuses(403, { field: 'confirm' });
    answers.push(() => Response.json({ accounts: [], signIns: [] }));
    expect(await api.delete('/sign-ins/:id', { id: 's' })).to.deep.equal({ accounts: [], signIns: [] });
    expect([asked, sent.length]).to.deep.equal([1, 2]);
    // Shown, and refused all the same: it is not asked for without end.
    refuses(403, { field: 'confirm' });
    refuses(403, { field: 'confirm' });
    expect((await problemOf(api.post('/exports', { id: 'e' }))).field).to.equal('confirm');
    expect([asked, sent.length]).to.deep.equal([2, 4]);
    // Put away: nothing is sent again.
    shown = false;
    refuses(403, { field: 'confirm' });
    expect((await problemOf(api.post('/backups', { id: 'b' }))).status).to.equal(403);
    expect([asked, sent.length]).to.deep.equal([3, 5]);
    end();
  });
  it('tells refusals of who asks from refusals of what is asked', () => {
    expect([401, 403, 423, 429].map(isDoor)).to.deep.equal([true, true, true, true]);
    expect([0, 400, 404, 409, 500].map(isDoor)).to.deep.equal([false, false, false, false, false]);
  });
  it('makes ids that are never the same', () => {
    const ids = Array.from({ length: 500 }, newId);
    expect(new Set(ids).size).to.equal(ids.length);
    for (const id of ids) expect(id).to.match(/^[0-9a-f]{32}$/);
  });
  it('has a type for each answer', async () => {
    const me: MePage = await api.get('/me');
    expect(me).to.deep.equal({});
    expect(NOT_ALLOWED).to.have.length.above(6);
  });
});
