/** What is asked before anybody comes for it: an answer for one, none after a write, and what is wrong is said to who comes. */
import { expect } from 'chai';
import { ask, askedEarly, forgetAsked } from '../../web/data/asked.ts';
import { api, ApiProblem } from '../../web/data/client.ts';

describe('questions asked early', () => {
  const real = globalThis.fetch;
  let asked: string[] = [];
  beforeEach(() => {
    asked = [];
    globalThis.fetch = async (url, init) => {
      asked.push(`${init?.method ?? 'GET'} ${String(url)}`);
      if (String(url).endsWith('/lost')) throw new TypeError('no link');
      return new Response(JSON.stringify({ nth: asked.length }), {
        status: String(url).endsWith('/shut') ? 403 : 200,
      });
    };
  });
  afterEach(() => {
    globalThis.fetch = real;
    forgetAsked();
  });

  it('are answered once, and asked again after that', async () => {
    ask('/dogs');
    expect(await api('GET', '/dogs')).to.deep.equal({ nth: 1 });
    expect(asked).to.deep.equal(['GET /api/dogs']);
    expect(await api('GET', '/dogs')).to.deep.equal({ nth: 2 });
    expect(askedEarly('/dogs')).to.equal(undefined);
  });

  it('are forgotten by a write: what stands after it is asked anew', async () => {
    ask('/kit');
    await api('POST', '/kit', {});
    expect(await api('GET', '/kit')).to.deep.equal({ nth: 3 });
  });

  it('that nobody could answer say so to who comes, and trouble nobody else', async () => {
    ask('/lost');
    ask('/shut');
    await new Promise((soon) => setTimeout(soon, 5));
    const problemOf = (path: string): Promise<unknown> => api('GET', path).catch((problem: unknown) => problem);
    const lost = await problemOf('/lost');
    const shut = await problemOf('/shut');
    expect(lost).to.be.instanceOf(ApiProblem).and.have.property('status', 0);
    expect(shut).to.be.instanceOf(ApiProblem).and.have.property('status', 403);
    expect(asked).to.have.length(2);
  });
});
