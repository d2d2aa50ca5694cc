/** What is asked before anybody comes for it: an answer for one, none after a write, and what is wrong is said to who comes. */
import { expect } from 'chai';
import { ask, askedEarly, forgetAsked, mayBe } from '../../web/data/asked.ts';
import { api, ApiProblem } from '../../web/data/client.ts';

describe('questions asked early', () => {
  const real = globalThis.fetch;
  let asked: string[] = [];
  /** The tag of what is answered next, where it has one. */
  let tag: string | undefined;
  beforeEach(() => {
    asked = [];
    tag = undefined;
    globalThis.fetch = async (url, init) => {
      asked.push(`${init?.method ?? 'GET'} ${String(url)}`);
      if (String(url).endsWith('/lost')) throw new TypeError('no link');
      return new Response(JSON.stringify({ nth: asked.length }), {
        status: String(url).endsWith('/shut') ? 403 : 200,
        ...(tag !== undefined && { headers: { etag: tag } }),
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

  it('are told apart by their tags: what never came is no answer, one without a tag may be any', async () => {
    expect(mayBe('/tide', '"two"'), 'not asked').to.equal(false);
    tag = '"two"';
    ask('/tide');
    await askedEarly('/tide');
    expect(mayBe('/tide', '"two"')).to.equal(true);
    expect(mayBe('/tide', '"three"')).to.equal(false);
    tag = undefined;
    ask('/salon');
    await askedEarly('/salon');
    expect(mayBe('/salon', '"four"')).to.equal(true);
    ask('/lost');
    await askedEarly('/lost')?.catch(() => undefined);
    expect(mayBe('/lost', '"five"')).to.equal(false);
  });
});
