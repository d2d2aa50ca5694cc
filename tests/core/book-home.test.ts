import { expect } from 'chai';
import fc from 'fast-check';
import { freeStarts, busiest } from '../../core/book/index.ts';
import { homeCard } from '../../core/home/index.ts';
import { zoneConditions } from '../../core/check/index.ts';
import { COAT_CLASSES, coatRow } from '../../core/dog/index.ts';
import { checkOf } from './examples.ts';

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

describe('the home card', () => {
  const card = (
    coatClass: (typeof COAT_CLASSES)[number],
    tide: 'spring' | 'baseline' = 'baseline',
    more: { young?: boolean; hot?: boolean } = {},
  ) =>
    homeCard({
      dog: { coatClass, traits: more.young ? ['puppy-coat'] : [] },
      conditions: zoneConditions(
        checkOf(20, 40, { finger: 1, comb: 'glides' }, more.hot ? { 'hip.left': { skin: 'hot-spot' } } : {}),
        coatRow(coatClass),
      ),
      comb: { tail: 'stops' },
      tide,
      nextVisit: undefined,
    });
  it('has a brush, minutes and zones for every coat class, and no blade for the home', () => {
    for (const c of COAT_CLASSES) {
      const { steps, minutes, first } = card(c);
      expect(steps.length, c).to.be.at.least(1);
      expect(minutes, c).to.be.within(5, 22);
      for (const s of steps) expect(s.zones.length, `${c} ${s.tool}`).to.be.greaterThan(0);
      expect(first[0]).to.deep.equal({ region: 'tail', why: 'dragged' });
    }
  });
  it('is daily for a double coat in a blow, and at least four times a week for a medium coat', () => {
    expect(card('medium-double').boutsPerWeek).to.be.at.least(4);
    expect(card('medium-double', 'spring').boutsPerWeek).to.equal(7);
    expect(card('smooth-single').boutsPerWeek).to.be.within(2, 3);
  });
  it('keeps a puppy’s bout short and a stopped zone unbrushed', () => {
    expect(card('heavy-double', 'baseline', { young: true }).minutes).to.be.at.most(6);
    expect(card('medium-double', 'baseline', { hot: true }).notBrushed).to.deep.equal(['hip.left']);
  });
});
