/** A check that was begun on this device: read back as it was kept, and nothing else taken for one. */
import { expect } from 'chai';
import fc from 'fast-check';
import { readDraft } from '../../web/desk/check/kept-draft.ts';
import { CHECK } from '../small-house.ts';

describe('a kept draft of a check', () => {
  it('reads as it was kept', () => {
    expect(readDraft(JSON.stringify(CHECK))).to.deep.equal(CHECK);
  });

  it('is refused when a grade, a zone or a day is none', () => {
    for (const change of [
      { zones: { back: { finger: 9 } } },
      { zones: { wing: { finger: 1 } } },
      { day: '2031-02-30' },
      { weightKg: '18' },
      { more: true },
    ])
      expect(readDraft(JSON.stringify({ ...CHECK, ...change })), JSON.stringify(change)).to.equal(undefined);
  });

  it('is never made of other text (property)', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        expect(readDraft(text)).to.equal(undefined);
      }),
      { numRuns: 500, seed: 3 },
    );
  });
});
