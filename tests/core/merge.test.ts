/** Two people at one record: merged by field. */
import { expect } from 'chai';
import fc from 'fast-check';
import { mergeByField } from '../../core/quantity/index.ts';

const FIELDS = ['a', 'b', 'c'] as const;
const record = fc.record({
  a: fc.integer({ min: 0, max: 2 }),
  b: fc.constantFrom('x', 'y'),
  c: fc.array(fc.boolean(), { maxLength: 1 }),
});

describe('a merge by field', () => {
  it('takes what one side changed, asks where both did, and never invents a value (property)', () => {
    fc.assert(
      fc.property(record, record, record, (base, mine, theirs) => {
        const m = mergeByField(base, mine, theirs, FIELDS);
        const at = (r: object) => (f: string) => JSON.stringify(Reflect.get(r, f));
        for (const f of FIELDS) {
          const [b, i, t, out] = [base, mine, theirs, m.merged].map((r) => at(r)(f));
          expect([i, t]).to.include(out);
          if (i === b) expect(out).to.equal(t);
          if (t === b) expect(out).to.equal(i);
          expect(m.both.includes(f)).to.equal(i !== b && t !== b && i !== t);
        }
        // Anyone who saved first, the same comes out where nothing was changed by both.
        const other = mergeByField(base, theirs, mine, FIELDS);
        if (m.both.length === 0) expect(other.merged).to.deep.equal(m.merged);
      }),
    );
  });
});
