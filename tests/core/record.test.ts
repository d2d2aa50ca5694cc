import { expect } from 'chai';
import fc from 'fast-check';
import { sessionRecord, type SessionAct, type SessionEvent } from '../../core/bench/index.ts';
import { freeStarts, busiest } from '../../core/book/index.ts';
import { homeCard } from '../../core/home/index.ts';
import { zoneConditions } from '../../core/check/index.ts';
import { COAT_CLASSES, coatRow } from '../../core/dog/index.ts';
import { checkOf } from './examples.ts';

const log = (...acts: readonly (readonly [number, SessionAct])[]): SessionEvent[] =>
  acts.map(([atMs, act], i) => ({ id: `e${String(i).padStart(3, '0')}`, atMs, act }));

const DAY_AT_THE_TABLE = log(
  [0, { kind: 'started' }],
  [1, { kind: 'step', step: 0 }],
  [60_001, { kind: 'paused' }],
  [90_000, { kind: 'resumed' }],
  [120_000, { kind: 'step-done', step: 0 }],
  [120_001, { kind: 'step', step: 1 }],
  [130_000, { kind: 'weighed', step: 0, grams: 40 }],
  [140_000, { kind: 'step-skipped', step: 1, why: 'pink' }],
  [150_000, { kind: 'did', step: 0, tool: 'comb', minutes: 3 }],
  [160_000, { kind: 'comb', zone: 'back', result: 'drags' }],
  [170_000, { kind: 'comb', zone: 'back', result: 'glides' }],
  [175_000, { kind: 'weighed', step: 0, grams: 44 }],
  [180_000, { kind: 'finished' }],
);

describe('the session record', () => {
  it('counts worked time without breaks and takes corrections as later events', () => {
    const r = sessionRecord(DAY_AT_THE_TABLE, 2);
    expect(r.state).to.equal('finished');
    expect(r.steps[0]).to.deep.equal({ state: 'done', workedMs: 90_000, grams: 44, did: { tool: 'comb', minutes: 3 } });
    expect(r.steps[1]).to.deep.include({ state: 'skipped', skippedWhy: 'pink' });
    expect(r.comb).to.deep.equal({ back: 'glides' });
    expect(r.gramsOut).to.equal(44);
  });

  it('is the same for any order and any number of deliveries', () => {
    const whole = sessionRecord(DAY_AT_THE_TABLE, 2);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(DAY_AT_THE_TABLE, { minLength: DAY_AT_THE_TABLE.length }),
        fc.subarray(DAY_AT_THE_TABLE),
        (shuffled, again) => {
          expect(sessionRecord([...shuffled, ...again], 2)).to.deep.equal(whole);
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });

  it('passes over acts that make no sense where they stand', () => {
    const r = sessionRecord(
      log(
        [0, { kind: 'paused' }],
        [1, { kind: 'step', step: 0 }],
        [2, { kind: 'started' }],
        [3, { kind: 'step', step: 9 }],
        [4, { kind: 'resumed' }],
      ),
      1,
    );
    expect(r).to.deep.include({ state: 'running', current: undefined });
  });

  it('goes on from where a step was left, and ends only once', () => {
    const r = sessionRecord(
      log(
        [0, { kind: 'started' }],
        [0, { kind: 'step', step: 0 }],
        [10, { kind: 'step', step: 1 }],
        [20, { kind: 'step', step: 0 }],
        [50, { kind: 'finished' }],
        [90, { kind: 'finished' }],
        [95, { kind: 'step', step: 1 }],
      ),
      2,
    );
    expect(r.steps.map((s) => s.workedMs)).to.deep.equal([40, 10]);
    expect(r.finishedMs).to.equal(50);
  });
});

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
