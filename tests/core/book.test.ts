import { expect } from 'chai';
import fc from 'fast-check';
import { freeStarts, busiest } from '../../core/book/index.ts';

describe('free starts', () => {
  const hours = { openMinute: 480, closeMinute: 720 };
  it('leave a table free and end before closing', () => {
    expect(freeStarts(120, [], hours, 1)).to.deep.equal([480, 495, 510, 525, 540, 555, 570, 585, 600]);
    expect(freeStarts(120, [{ start: 540, minutes: 60 }], hours, 1)).to.deep.equal([600]);
    expect(freeStarts(120, [{ start: 540, minutes: 60 }], hours, 2)).to.have.length(9);
    expect(freeStarts(300, [], hours, 3)).to.have.length(0);
  });
  it('never let more dogs in than there are tables', () => {
    const span = fc.record({ start: fc.integer({ min: 400, max: 900 }), minutes: fc.integer({ min: 10, max: 200 }) });
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 12 }),
        fc.integer({ min: 10, max: 180 }),
        fc.integer({ min: 1, max: 4 }),
        (booked, minutes, tables) => {
          for (const start of freeStarts(minutes, booked, { openMinute: 420, closeMinute: 960 }, tables)) {
            for (let m = start; m < start + minutes; m++) {
              const at = booked.filter((b) => b.start <= m && m < b.start + b.minutes).length;
              if (at >= tables) expect.fail(`${at} dogs at minute ${m} on ${tables} tables`);
            }
          }
          expect(busiest({ start: 0, minutes: 1 }, booked)).to.equal(0);
        },
      ),
      { seed: 8, numRuns: 300 },
    );
  });
});
