/** Answers asked for before anybody came for them: each goes to one, once, and is known by its tag. */
import { expect } from 'chai';
import { ask, askedEarly, forgetAsked, mayBe } from '../../web/data/asked.ts';

describe('answers that were asked for early', () => {
  const real = globalThis.fetch;
  const asked: string[] = [];
  /** What the salon's computer says next: the tag of its answer, or that it does not answer. */
  let says: string | undefined | Error;
  beforeEach(() => {
    globalThis.fetch = async (input) => {
      asked.push(String(input));
      if (says instanceof Error) throw says;
      return new Response('{}', { headers: says === undefined ? {} : { etag: says } });
    };
  });
  after(() => {
    globalThis.fetch = real;
  });

  it('go to the first who comes, and to nobody after a write', async () => {
    says = '"one"';
    ask('/dogs');
    expect(asked.at(-1)).to.equal('/api/dogs');
    expect((await askedEarly('/dogs'))?.status).to.equal(200);
    expect(askedEarly('/dogs'), 'a second time').to.equal(undefined);
    expect(askedEarly('/kit'), 'never asked').to.equal(undefined);
    ask('/dogs');
    forgetAsked();
    expect(askedEarly('/dogs'), 'older than what was written').to.equal(undefined);
  });

  it('are told apart by their tags; what never came is no answer, one without a tag may be any', async () => {
    expect(mayBe('/tide', '"two"'), 'not asked').to.equal(false);
    says = '"two"';
    ask('/tide');
    await askedEarly('/tide');
    expect(mayBe('/tide', '"two"')).to.equal(true);
    expect(mayBe('/tide', '"three"')).to.equal(false);
    says = undefined;
    ask('/salon');
    await askedEarly('/salon');
    expect(mayBe('/salon', '"four"')).to.equal(true);
    says = new TypeError('no link');
    ask('/bookings');
    const fault: unknown = await askedEarly('/bookings')?.catch((problem: unknown) => problem);
    expect(fault).to.equal(says);
    expect(mayBe('/bookings', '"five"')).to.equal(false);
  });
});
