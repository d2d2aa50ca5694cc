/** A memo cache answers only from the facts that are asked about, and lets go of what was asked for longest ago. */
import { expect } from 'chai';
import fc from 'fast-check';
import { MemoCache } from '../../server/memo-cache.ts';

describe('a memo cache', () => {
  it('computes once for the same facts, and again for others', () => {
    const minutes = new MemoCache().kind<number>('minutes');
    let computed = 0;
    const ask = (facts: string): number => minutes.of('rowan', facts, () => ++computed);
    expect([ask('a'), ask('a'), ask('b'), ask('a')]).to.deep.equal([1, 1, 2, 3]);
    expect(minutes.known('rowan', 'a')).to.equal(3);
    expect(minutes.known('rowan', 'b')).to.equal(undefined);
  });

  it('lets the kinds share one bound, by what was used longest ago and by size', () => {
    const cache = new MemoCache(5);
    const [small, large] = [cache.kind<string>('small'), cache.kind<string>('large', 3)];
    small.put('a', '', 'A');
    small.put('b', '', 'B');
    large.put('c', '', 'C');
    expect(small.known('a', '')).to.equal('A');
    small.put('d', '', 'D');
    expect([small.known('a', ''), small.known('b', ''), large.known('c', ''), small.known('d', '')]).to.deep.equal([
      'A',
      undefined,
      'C',
      'D',
    ]);
    large.put('e', '', 'E');
    expect(large.known('c', ''), 'the larger one of before makes room').to.equal(undefined);
    expect(small.known('d', '')).to.equal('D');
  });

  it('never answers what the facts do not say, however it is asked', () => {
    const question = fc.record({ kind: fc.nat(2), key: fc.constantFrom('', 'a', 'b', 'a b'), facts: fc.nat(3) });
    fc.assert(
      fc.property(fc.array(question, { maxLength: 60 }), (questions) => {
        const cache = new MemoCache(4);
        const kinds = ['x', 'x a', 'y'].map((name) => cache.kind<string>(name));
        for (const { kind, key, facts } of questions) {
          const truth = `${kind} ${key} ${facts}`;
          expect(kinds[kind]?.of(key, String(facts), () => truth)).to.equal(truth);
        }
      }),
      { seed: 24, numRuns: 200 },
    );
  });
});
