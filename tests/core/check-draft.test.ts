/** Findings swept over a coat: what is carried to other zones, and what never is; the keys that give grades. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  COMB_GRADES,
  FINGER_GRADES,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
  type ZoneFindings,
} from '../../core/check/index.ts';
import { mirrorZone, ZONE_IDS, type ZoneId } from '../../core/dog/index.ts';
import { asLastTime, mirrored, spread, withFindings, type Findings } from '../../web/desk/check/draft.ts';
import { gradeOfDigit, heldText, TESTS } from '../../web/desk/check/hand.ts';

const zone = fc.constantFrom(...ZONE_IDS);
const felt: fc.Arbitrary<ZoneFindings> = fc.record(
  {
    finger: fc.constantFrom(...FINGER_GRADES),
    tug: fc.constantFrom(...TUG_GRADES),
    comb: fc.constantFrom(...COMB_GRADES),
    tie: fc.constantFrom(...TIE_GRADES),
    skin: fc.constantFrom(...SKIN_FINDINGS),
  },
  { requiredKeys: [] },
);
const coat: fc.Arbitrary<Findings> = fc.dictionary(zone, felt, { maxKeys: 12 });
const others = (zones: Findings, than: readonly ZoneId[]): Findings =>
  Object.fromEntries(ZONE_IDS.filter((id) => !than.includes(id) && zones[id]).map((id) => [id, zones[id]]));

describe('findings over a coat', () => {
  it('are set in one zone, or on both sides, and nowhere else', () => {
    fc.assert(
      fc.property(coat, zone, felt, fc.boolean(), (zones, at, change, both) => {
        const after = withFindings(zones, at, change, both);
        const meant = both ? [at, mirrorZone(at)] : [at];
        for (const id of meant) expect(after[id]).to.deep.equal({ ...zones[id], ...change });
        expect(others(after, meant)).to.deep.equal(others(zones, meant));
      }),
      { seed: 3 },
    );
  });

  it('are the same on the other side when they are mirrored, and the same again', () => {
    fc.assert(
      fc.property(coat, zone, (zones, at) => {
        const after = mirrored(zones, at);
        if (zones[at]) {
          expect(after[mirrorZone(at)]).to.deep.equal(zones[at]);
          expect(mirrored(after, mirrorZone(at))).to.deep.equal(after);
        } else expect(after).to.equal(zones);
      }),
      { seed: 4 },
    );
  });

  it('spread to zones that were not felt, without ties and skin, and over nothing that was felt', () => {
    fc.assert(
      fc.property(coat, zone, (zones, at) => {
        const after = spread(zones, at);
        for (const id of ZONE_IDS) {
          if (zones[id]) expect(after[id], id).to.equal(zones[id]);
          else if (after[id]) {
            expect(after[id]).to.not.have.any.keys('tie', 'skin');
            expect(zones[at]).to.include(after[id]);
          }
        }
        const { finger, tug, comb } = zones[at] ?? {};
        const knows = [finger, tug, comb].some((v) => v !== undefined);
        expect(ZONE_IDS.every((id) => after[id] !== undefined) || after === zones).to.equal(true);
        if (!knows) expect(after).to.equal(zones);
      }),
      { seed: 5 },
    );
  });

  it('come from the check before as its coat was: what was felt of ties and skin today stays', () => {
    fc.assert(
      fc.property(coat, coat, zone, fc.boolean(), (zones, last, at, both) => {
        const after = asLastTime(zones, at, last, both);
        const meant = both ? [at, mirrorZone(at)] : [at];
        for (const id of meant) {
          const { tie: _tie, skin: _skin, ...before } = last[id] ?? {};
          expect(after[id] ?? {}).to.deep.equal({ ...zones[id], ...before });
        }
        expect(others(after, meant)).to.deep.equal(others(zones, meant));
      }),
      { seed: 6 },
    );
  });
});

describe('a grade in the hand', () => {
  it('stands behind a digit of its test, from 0, and sets that test alone', () => {
    for (const test of TESTS) {
      for (const [i, grade] of test.grades.entries()) {
        const held = gradeOfDigit(test.key, i);
        if (held?.kind !== 'grade') throw new Error(`${test.key} ${i}`);
        expect(held).to.deep.equal({ kind: 'grade', test: test.key, word: grade.word, sets: grade.sets });
        expect(Object.keys(held.sets)).to.deep.equal([test.key]);
        expect(heldText(held)).to.equal(`${test.name.toLowerCase()}: ${grade.word}`);
      }
      expect(gradeOfDigit(test.key, test.grades.length)).to.equal(undefined);
    }
    expect(heldText({ kind: 'last' })).to.equal('as last time');
  });
});
