/** What a session's events add up to, how hands and devices share it, and what its scale and clock say. */
import { expect } from 'chai';
import fc from 'fast-check';
import { openMethod, planVisit } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import {
  asOf,
  BENCH_SCALE,
  clockOffset,
  heard,
  meanLevel,
  NEW_SCALE,
  restamped,
  scaleView,
  sessionRecord,
  stampMs,
  tableNow,
  tared,
  UNASKED,
  type ScaleMemory,
  type SessionAct,
} from '../../core/table/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';
import { logOf } from './session-log.ts';

const request = {
  dog: dogOf('heavy-double', 40),
  check: checkOf(40, 70, { finger: 3, tug: 3, comb: 'stops' }),
  kit: FULL_KIT,
  house: DEFAULT_HOUSE,
};
const plan = planVisit(request);
const open = openMethod(plan, 'wet-first');
if (!open) throw new TypeError('wet first is open to this dog');
const { steps } = open;
const [bath, soap, rubber] = steps;
if (!bath || !soap || !rubber) throw new TypeError('wet first has three steps');
const record = (...acts: readonly (readonly [number, SessionAct])[]) => sessionRecord(logOf(acts), steps);
const stepOf = (r: ReturnType<typeof record>, id: string) => {
  const found = r.steps.find((s) => s.id === id);
  if (!found) throw new TypeError(`no step ${id}`);
  return found;
};

describe('the session record', () => {
  it('counts worked time without breaks, and takes a weight said again in place of the first', () => {
    const r = record(
      [0, { kind: 'started' }],
      [1, { kind: 'step', step: bath.id }],
      [60_001, { kind: 'paused' }],
      [90_000, { kind: 'resumed' }],
      [120_000, { kind: 'step-done', step: bath.id }],
      [120_001, { kind: 'step', step: soap.id }],
      [130_000, { kind: 'weighed', step: bath.id, grams: 40 }],
      [140_000, { kind: 'step-skipped', step: soap.id, why: 'pink' }],
      [150_000, { kind: 'did', step: bath.id, tool: 'comb', minutes: 3 }],
      [160_000, { kind: 'comb', zone: 'back', result: 'drags' }],
      [170_000, { kind: 'comb', zone: 'back', result: 'glides' }],
      [175_000, { kind: 'weighed', step: bath.id, grams: 44 }],
      [180_000, { kind: 'finished' }],
    );
    expect(r.state).to.equal('finished');
    expect(stepOf(r, bath.id)).to.deep.include({ state: 'done', workedMs: 90_000, grams: 44 });
    expect(stepOf(r, bath.id).did).to.deep.equal({ tool: 'comb', minutes: 3 });
    expect(stepOf(r, soap.id)).to.deep.include({ state: 'skipped', skippedWhy: 'pink' });
    expect(r.comb).to.deep.equal({ back: 'glides' });
    expect([r.gramsOut, r.breakMs]).to.deep.equal([44, 29_999]);
  });

  it('adds bags of one step up, and zones to their step', () => {
    const r = record(
      [0, { kind: 'weighed', step: soap.id, grams: 12, adds: true }],
      [1, { kind: 'weighed', step: soap.id, grams: 9, adds: true }],
      [2, { kind: 'weighed', step: soap.id, grams: 5, zone: 'tail' }],
    );
    expect(stepOf(r, soap.id)).to.deep.include({ grams: 26, gramsByZone: { tail: 5 } });
  });

  it('passes over acts that make no sense where they stand', () => {
    const r = record(
      [0, { kind: 'paused' }],
      [1, { kind: 'step', step: bath.id }],
      [2, { kind: 'started' }],
      [3, { kind: 'step', step: 'nowhere' }],
      [4, { kind: 'resumed' }],
    );
    expect(r).to.deep.include({ state: 'running', hands: [] });
  });

  it('takes back what was undone, and brings it again when the undoing is taken back', () => {
    const acts: readonly (readonly [number, SessionAct])[] = [
      [0, { kind: 'started' }],
      [10, { kind: 'step', step: bath.id }],
      [60_010, { kind: 'step-done', step: bath.id }],
      [60_020, { kind: 'undone', of: ['e0002'] }],
    ];
    const undone = record(...acts);
    expect(stepOf(undone, bath.id).state).to.equal('working');
    expect(asOf(undone, 90_010).steps[0]?.workedMs).to.equal(90_000);
    const again = record(...acts, [60_030, { kind: 'undone', of: ['e0003'] }]);
    expect(stepOf(again, bath.id)).to.deep.include({ state: 'done', workedMs: 60_000 });
  });

  it('shows a correction with what it was, and lets it change only what was found or measured', () => {
    const r = record(
      [0, { kind: 'started' }],
      [1, { kind: 'weighed', step: bath.id, grams: 400 }],
      [2, { kind: 'corrected', of: 'e0001', act: { kind: 'weighed', step: bath.id, grams: 40 } }],
      [3, { kind: 'corrected', of: 'e0000', act: { kind: 'finished' } }],
    );
    expect(r.gramsOut).to.equal(40);
    expect(r.state).to.equal('running');
    expect(r.corrections).to.deep.equal([
      {
        atMs: 2,
        was: { kind: 'weighed', step: bath.id, grams: 400 },
        is: { kind: 'weighed', step: bath.id, grams: 40 },
      },
    ]);
  });

  it('keeps what was taken after the dog has gone down, and what it was put right to', () => {
    const told = 6_000;
    const r = record(
      [0, { kind: 'started' }],
      [1, { kind: 'finished' }],
      [2, { kind: 'paid', toldCents: told, cents: 0, how: 'later' }],
      [3, { kind: 'corrected', of: 'e0002', act: { kind: 'paid', toldCents: told, cents: 5_500, how: 'cash' } }],
    );
    expect([r.state, r.paid]).to.deep.equal(['finished', { toldCents: told, cents: 5_500, how: 'cash' }]);
    expect(r.corrections).to.have.length(1);
  });

  it('keeps two pairs of hands apart: who worked how long on what, and zones handed over', () => {
    const bather = logOf(
      [
        [0, { kind: 'worker', name: 'Runa' }],
        [1, { kind: 'started' }],
        [2, { kind: 'zone', step: soap.id, zone: 'back' }],
        [10_002, { kind: 'handed', step: soap.id, zones: ['tail'], to: 'Bertil' }],
        [60_002, { kind: 'zone', step: soap.id, zone: 'rump' }],
        [90_002, { kind: 'step-done', step: soap.id }],
      ],
      'a',
    );
    const groomer = logOf(
      [
        [0, { kind: 'worker', name: 'Bertil' }],
        [30_002, { kind: 'zone', step: soap.id, zone: 'tail' }],
      ],
      'b',
    );
    const r = sessionRecord([...groomer, ...bather], steps);
    const s = stepOf(r, soap.id);
    expect(s.workedMs).to.equal(90_000);
    expect(s.by).to.deep.equal({ Runa: 90_000, Bertil: 60_000 });
    expect(s.zoneMs).to.deep.equal({ back: 60_000, rump: 30_000, tail: 60_000 });
    expect(s.zonesTo).to.deep.equal({ tail: 'Bertil' });
    expect(r.hands).to.deep.equal([]);
    expect(r.worker).to.equal('Runa');
  });

  it('keeps what was begun when the plan is made anew, in the new order, and drops what has no place in it', () => {
    const r = record(
      [0, { kind: 'started' }],
      [1, { kind: 'step', step: bath.id }],
      [60_000, { kind: 'step-done', step: bath.id }],
      [60_001, { kind: 'zone', step: soap.id, zone: 'back' }],
      [
        90_000,
        {
          kind: 'replanned',
          because: { code: 'late', minutes: 20 },
          steps: [
            { ...soap, minutes: 9 },
            { ...rubber, id: 'new' },
          ],
          left: [{ zone: 'tail', minutes: 2 }],
        },
      ],
    );
    expect(r.steps.map((s) => s.id)).to.deep.equal([bath.id, soap.id, 'new']);
    expect(stepOf(r, soap.id)).to.deep.include({ state: 'working', workedMs: 29_999 });
    expect(stepOf(r, soap.id).plan.minutes).to.equal(9);
    expect(r.replans[0]?.left).to.deep.equal([{ zone: 'tail', minutes: 2 }]);
  });
});

describe('how the coat stands', () => {
  const zoneIn = (r: ReturnType<typeof record>, id: string) =>
    tableNow({ request, record: r }).zones.find((z) => z.zone === id);
  it('follows real minutes, believes the comb over the model, and halves what pink skin bears', () => {
    const worked = (ms: number, ...more: (readonly [number, SessionAct])[]) =>
      record(
        [0, { kind: 'started' }],
        [1, { kind: 'step', step: bath.id }],
        [900_000, { kind: 'step-done', step: bath.id }],
        [900_001, { kind: 'zone', step: soap.id, zone: 'back' }],
        [900_001 + ms, { kind: 'zone', step: soap.id, zone: 'rump' }],
        ...more,
      );
    const little = zoneIn(worked(20_000), 'back');
    const much = zoneIn(worked(240_000), 'back');
    expect(much?.leftG).to.be.below((little?.leftG ?? 0) * 0.8);
    expect(much?.skin).to.be.above(little?.skin ?? 1);
    const combed = zoneIn(worked(20_000, [1_500_000, { kind: 'comb', zone: 'back', result: 'glides' }]), 'back');
    expect(combed?.falls).to.equal(true);
    const stuck = zoneIn(worked(2_400_000, [4_000_000, { kind: 'comb', zone: 'back', result: 'stops' }]), 'back');
    expect(stuck?.falls).to.equal(false);
    const pink = zoneIn(worked(240_000, [1_200_000, { kind: 'pink', step: soap.id, zone: 'back' }]), 'back');
    expect((pink?.skin ?? 0) / (much?.skin ?? 1)).to.be.closeTo(2, 1e-6);
  });

  it('takes a step that was tapped away as planned, and counts the clock against what the dog bears', () => {
    const tapped = record(
      [0, { kind: 'started' }],
      [1, { kind: 'step', step: bath.id }],
      [2_000, { kind: 'step-done', step: bath.id }],
    );
    const timed = record(
      [0, { kind: 'started' }],
      [1, { kind: 'step', step: bath.id }],
      [bath.minutes * 60_000, { kind: 'step-done', step: bath.id }],
    );
    expect(zoneIn(tapped, 'back')?.leftG).to.be.closeTo(zoneIn(timed, 'back')?.leftG ?? 0, 0.1);
    const now = tableNow({ request, record: timed });
    expect(now.minutes.used).to.be.closeTo(bath.minutes, 0.01);
    expect(now.minutesLeft).to.be.closeTo(150 - bath.minutes, 0.01);
  });
});

describe('the scale', () => {
  const weigh = (from: ScaleMemory, grams: number, fromMs: number, noise = 0, drift = 0): ScaleMemory => {
    let memory = from;
    for (let i = 0; i < 14; i++) {
      memory = heard(memory, { atMs: fromMs + i * 150, rawG: grams + (i % 2 ? noise : -noise) + drift * i });
    }
    return memory;
  };
  it('settles, takes the bowl away, and reads hair by the gram', () => {
    const bowl = weigh(NEW_SCALE, 412.3, 0, 0.3);
    const zero = tared(bowl);
    if (!zero) throw new TypeError('a still bowl can be tared');
    expect(scaleView(zero, 2_000)).to.deep.include({ state: 'empty', netG: 0 });
    const hair = weigh(zero, 449.4, 3_000, 0.3);
    expect(scaleView(hair, 5_000)).to.deep.equal({ state: 'settled', netG: 37, grossG: 450 });
  });
  it('does not settle while something moves on it, nor tare then', () => {
    const moving = weigh(NEW_SCALE, 20_000, 0, 60);
    expect(scaleView(moving, 2_000).state).to.equal('settling');
    expect(tared(moving)).to.equal(undefined);
  });
  it('lets its zero follow slow drift of an empty pan, never a weight', () => {
    let memory = NEW_SCALE;
    for (let spell = 0; spell < 40; spell++) memory = weigh(memory, spell * 0.5, spell * 3_000);
    expect(scaleView(memory, 40 * 3_000 - 500).netG).to.equal(0);
    const hair = weigh(memory, 20 + 6, 130_000);
    expect(scaleView(hair, 132_000).netG).to.be.within(6, 7);
  });
  it('says when it is overloaded or silent, and weighs a dog in its coarse range', () => {
    expect(scaleView(weigh(NEW_SCALE, 95_000, 0), 2_000)).to.deep.equal({ state: 'overload' });
    expect(scaleView(weigh(NEW_SCALE, 0, 0), 9_000)).to.deep.equal({ state: 'silent' });
    expect(scaleView(weigh(NEW_SCALE, 38_431, 0, 8), 2_000)).to.deep.include({ state: 'settled', grossG: 38_440 });
    expect(BENCH_SCALE.mostG).to.equal(90_000);
  });
  it('means levels by their energy', () => {
    expect(meanLevel([])).to.equal(undefined);
    expect(meanLevel([{ dbA: 90 }, { dbA: 90 }])).to.be.closeTo(90, 1e-9);
    // Half the time silent is 3 dB less.
    expect(meanLevel([{ dbA: 90 }, { dbA: 0 }])).to.be.closeTo(87, 0.02);
  });
});

describe('the clock of a device', () => {
  it('is as far off as the quickest round trip says, and no surer than that', () => {
    expect(clockOffset([])).to.equal(UNASKED);
    const skew = 3_600_000;
    const trip = (at: number, out: number, back: number) => ({
      sentMs: at,
      salonMs: at + out + skew,
      backMs: at + out + back,
    });
    const found = clockOffset([trip(0, 400, 20), trip(10_000, 30, 10), trip(20_000, 5, 300)]);
    expect(Math.abs(found.aheadMs - skew)).to.be.at.most(found.errorMs);
    expect(found.errorMs).to.equal(20);
  });
  it('forgets what it knew once the clock was set', () => {
    const before = { sentMs: 0, salonMs: 10, backMs: 20 };
    const after = { sentMs: 900_000, salonMs: 50_000, backMs: 900_400 };
    expect(clockOffset([before, after]).aheadMs).to.be.closeTo(-850_200, 1);
  });
  it('stamps nothing before what its device had seen, and moves what waits by what it learns, in order', () => {
    expect(stampMs(1_000, UNASKED, 5_000)).to.equal(5_001);
    const wrong = 50_000_000;
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 60_000 }), { minLength: 1, maxLength: 20 }), (gaps) => {
        let at = 1_000;
        const waiting = gaps.map((gap) => ({ atMs: (at += gap) - wrong, clockMs: 0 }));
        const mended = restamped(waiting, { aheadMs: wrong, errorMs: 40 });
        expect(mended.map((e, i) => e.atMs - (waiting[i]?.atMs ?? 0))).to.deep.equal(gaps.map(() => wrong));
        expect(restamped(mended, { aheadMs: wrong + 30, errorMs: 40 })).to.deep.equal(mended);
      }),
      { seed: 3, numRuns: 100 },
    );
  });
});
