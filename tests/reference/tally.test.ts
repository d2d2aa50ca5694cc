/**
 * What the log teaches, against sessions made with known pace and yield, and its quantiles against a general statistics
 * library.
 */
import { expect } from 'chai';
import jStat from 'jstat';
import { openMethod, planVisit, type PlanStep } from '../../core/bench/index.ts';
import type { CoatClass } from '../../core/dog/index.ts';
import { DEFAULT_HOUSE, type ToolKind } from '../../core/kit/index.ts';
import { pick, randomNormal, seededRandom, type Random } from '../../core/quantity/index.ts';
import { sessionRecord, type SessionRecord } from '../../core/table/index.ts';
import {
  gramsFor,
  learn,
  learntFor,
  overPromised,
  paceFor,
  meansDiffer,
  stepLessons,
  student80,
  type LoggedSession,
  type Reckoned,
  type Taught,
} from '../../core/tally/index.ts';
import { checkOf, dogOf, FULL_KIT } from '../core/examples.ts';
import { workedLog } from '../core/session-log.ts';

const CASES = (
  [
    ['smooth-double', 30, 25],
    ['medium-double', 22, 50],
    ['long-double', 28, 90],
    ['heavy-double', 45, 70],
  ] as const
).map(([coatClass, kg, mm]) => {
  const plan = planVisit({
    dog: dogOf(coatClass, kg),
    check: checkOf(kg, mm, { finger: 2, tug: 2, comb: 'drags' }),
    kit: FULL_KIT,
    house: DEFAULT_HOUSE,
  });
  const methods = plan.methods.flatMap((m) => openMethod(plan, m.method) ?? []).slice(0, 3);
  return { coatClass, methods };
});
const PEOPLE = ['Runa', 'Bertil', 'Sif', 'Olle'] as const;
const SESSIONS = 500;

/** Noise of mean 1 with a relative spread, as of a gamma distribution with that shape (Wilson and Hilferty's cube). */
const noise = (random: Random, spread: number): number => {
  const shape = 1 / spread ** 2;
  return (1 - 1 / (9 * shape) + randomNormal(random, 0, 1) / (3 * Math.sqrt(shape))) ** 3;
};

interface Truth {
  readonly tool: Map<string, number>;
  readonly person: Map<string, number>;
  readonly coatClass: Map<string, number>;
  readonly dog: Map<string, number>;
  readonly yields: Map<string, number>;
}
const around = (random: Random, spread: number): number => Math.exp(randomNormal(random, 0, spread));
const drawn = (map: Map<string, number>, key: string, random: Random, spread: number): number => {
  const known = map.get(key);
  if (known !== undefined) return known;
  const value = around(random, spread);
  map.set(key, value);
  return value;
};

/** A visit with its record, of which `told` makes what is learnt from. */
type WorkedVisit = Pick<LoggedSession, 'dogId' | 'coatClass'> & { readonly record: SessionRecord };
const told = ({ dogId, coatClass, record }: WorkedVisit, reckoned?: Reckoned): LoggedSession => ({
  dogId,
  coatClass,
  lessons: stepLessons(record, reckoned),
});
const learnt = (visits: readonly WorkedVisit[]): Taught => learn(visits.map((v) => told(v)));

/** 500 sessions of a salon whose true pace and yield are drawn first. */
function salon(seed: number): { readonly sessions: readonly WorkedVisit[]; readonly truth: Truth } {
  const random = seededRandom(seed);
  const truth: Truth = { tool: new Map(), person: new Map(), coatClass: new Map(), dog: new Map(), yields: new Map() };
  const sessions = Array.from({ length: SESSIONS }, (): WorkedVisit => {
    const { coatClass, methods } = pick(random, CASES);
    const { steps } = pick(random, methods);
    const person = pick(random, PEOPLE);
    const dogId = `${coatClass}-${Math.floor(random() * 10)}`;
    // A visit has a haste of its own, beside the noise of each step.
    const haste = noise(random, 0.1);
    const tell = (s: PlanStep) => ({
      minutes:
        s.minutes *
        drawn(truth.tool, s.tool.kind, random, 0.18) *
        drawn(truth.person, person, random, 0.14) *
        drawn(truth.coatClass, coatClass, random, 0.1) *
        noise(random, 0.22) *
        haste,
      grams:
        s.gramsOut >= 2
          ? s.gramsOut *
            drawn(truth.dog, dogId, random, 0.25) *
            drawn(truth.yields, s.tool.kind, random, 0.15) *
            noise(random, 0.35)
          : undefined,
    });
    return { dogId, coatClass, record: sessionRecord(workedLog(steps, tell, person), steps) };
  });
  return { sessions, truth };
}

describe('what 500 sessions teach', () => {
  const SALONS = 24;
  let cells = 0;
  let within = 0;
  let held = 0;
  let gramsCells = 0;
  let gramsHeld = 0;
  let gramsWithin = 0;
  before(() => {
    for (let seed = 1; seed <= SALONS; seed++) {
      const { sessions, truth } = salon(seed);
      const taught = learnt(sessions);
      const timed = new Map<string, number>();
      for (const { coatClass, record } of sessions) {
        for (const s of record.steps) {
          const key = `${s.plan.tool.kind} ${record.worker} ${coatClass}`;
          timed.set(key, (timed.get(key) ?? 0) + 1);
        }
      }
      for (const key of timed.keys()) {
        const [tool = '', person = '', coatClass = ''] = key.split(' ');
        const real =
          (truth.tool.get(tool) ?? 1) * (truth.person.get(person) ?? 1) * (truth.coatClass.get(coatClass) ?? 1);
        const e = taught.pace.together({ tool, person, class: coatClass });
        cells++;
        if (Math.abs(e.ratio / real - 1) <= 0.1) within++;
        if (e.low <= real && real <= e.high) held++;
      }
      const weighed = new Set(
        sessions.flatMap(({ dogId, record }) =>
          record.steps.flatMap((s) => (s.grams === undefined ? [] : [`${dogId} ${s.plan.tool.kind}`])),
        ),
      );
      for (const key of weighed) {
        const [dogId = '', tool = ''] = key.split(' ');
        const coatClass = dogId.split('-').slice(0, 2).join('-');
        const real = (truth.dog.get(dogId) ?? 1) * (truth.yields.get(tool) ?? 1);
        const e = taught.yields.together({ dog: dogId, tool, class: coatClass });
        gramsCells++;
        if (Math.abs(e.ratio / real - 1) <= 0.1) gramsWithin++;
        if (e.low <= real && real <= e.high) gramsHeld++;
      }
    }
  });
  it('is within 10 % of the true pace of every tool, hand and coat', () => {
    expect(cells).to.be.above(400);
    expect(within / cells, `${within} of ${cells}`).to.be.at.least(0.97);
  });
  it('holds the true pace in 75 to 85 % of its 80 % intervals', () => {
    expect(held / cells, `${held} of ${cells}`).to.be.within(0.75, 0.85);
  });
  it('holds the true yield of each dog and tool in 75 to 85 % of its 80 % intervals, and is within 10 % of most', () => {
    expect(gramsHeld / gramsCells, `${gramsHeld} of ${gramsCells}`).to.be.within(0.75, 0.85);
    expect(gramsWithin / gramsCells, `${gramsWithin} of ${gramsCells}`).to.be.at.least(0.8);
  });
});

describe('learning', () => {
  const steps = CASES[0]?.methods.find((m) => m.method === 'smooth')?.steps ?? [];
  const session = (pace: number, yields: number, person: string): WorkedVisit => ({
    dogId: 'd',
    coatClass: 'smooth-double',
    record: sessionRecord(
      workedLog(steps, (s) => ({ minutes: s.minutes * pace, grams: s.gramsOut * yields }), person),
      steps,
    ),
  });
  const many = (n: number, pace: number, yields: number, person: string): WorkedVisit[] =>
    Array.from({ length: n }, () => session(pace, yields, person));

  it('moves a little by few and all the way by many, and is surer by each', () => {
    expect(learn([]).pace.overall).to.deep.include({ seen: 0 });
    expect(learn([]).pace.overall.ratio).to.be.closeTo(1, 0.03);
    const at = (n: number) => learnt(many(n, 1.5, 1, 'Ada')).pace.overall;
    expect(at(1).ratio).to.be.within(1.1, 1.45);
    expect(at(40).ratio).to.be.closeTo(1.5, 0.06);
    const width = (n: number): number => at(n).high / at(n).low;
    expect(width(40)).to.be.below(width(4));
  });

  it('tells people apart, and plans with what it learnt, once and not twice', () => {
    const taught = learnt([...many(30, 1.5, 1.4, 'Ada'), ...many(30, 1, 1.4, 'Bo')]);
    const paceOf = (person: string): number => paceFor(taught, { person }).rubber?.mean ?? 0;
    expect(paceOf('Ada') / paceOf('Bo')).to.be.closeTo(1.5, 0.08);
    expect(gramsFor(taught, 'd', 'smooth-double')?.mean).to.be.closeTo(1.4, 0.08);
    // A plan that had calculated with it and is met teaches the same again, not nothing.
    const reckoned = {
      pace: Object.fromEntries(steps.map((s) => [s.tool.kind, 1.5])) as Partial<Record<ToolKind, number>>,
      grams: 1,
    };
    const met = learn(many(30, 1, 1, 'Ada').map((v) => told(v, reckoned)));
    expect(met.pace.overall.ratio).to.be.closeTo(1.5, 0.08);
  });

  it('names steps that promise too much, and is silent about those that keep their word', () => {
    const first = steps[0];
    if (!first) throw new TypeError('smooth has steps');
    const slow: WorkedVisit[] = Array.from({ length: 25 }, () => ({
      dogId: 'd',
      coatClass: 'smooth-double',
      record: sessionRecord(
        workedLog(steps, (s) => ({ minutes: s.minutes * (s === first ? 1.8 : 1), grams: s.gramsOut }), 'Ada'),
        steps,
      ),
    }));
    const off = overPromised(learnt(slow));
    expect(off.map((o) => o.step)).to.deep.equal([`${first.phase} ${first.tool.kind}`]);
    expect(off[0]?.what).to.equal('minutes');
  });

  it('teaches a plan for each class of coat', () => {
    const taught = learnt(many(20, 1.3, 1, 'Ada'));
    const own = (coatClass: CoatClass): number => learntFor(taught, 'x', coatClass).pace.rubber?.mean ?? 0;
    expect(own('smooth-double')).to.be.closeTo(1.3, 0.06);
    expect(own('heavy-double')).to.be.within(1.1, own('smooth-double') + 0.01);
  });
});

describe('Welch’s test of two means', () => {
  it('draws the line where the library’s Student distribution does, with Satterthwaite’s degrees of freedom', () => {
    const random = seededRandom(11);
    let apart = 0;
    for (let i = 0; i < 400; i++) {
      const a = Array.from({ length: 5 + (i % 20) }, () => randomNormal(random, 10, 1 + (i % 3)));
      const b = Array.from({ length: 6 + (i % 11) }, () => randomNormal(random, 10 + (i % 4) * 0.5, 2));
      const [va, vb] = [jStat.variance(a, true) / a.length, jStat.variance(b, true) / b.length];
      const t = Math.abs(jStat.mean(a) - jStat.mean(b)) / Math.sqrt(va + vb);
      const freedom = (va + vb) ** 2 / (va ** 2 / (a.length - 1) + vb ** 2 / (b.length - 1));
      const line = jStat.studentt.inv(0.95, freedom);
      // The expansion is good to a hundredth and a half at so few degrees; closer than that nothing is asked.
      if (Math.abs(t - line) < 0.015) continue;
      expect(meansDiffer(a, b), `t ${t}, ${freedom} degrees`).to.equal(t > line);
      if (t > line) apart++;
    }
    expect(apart).to.be.within(40, 250);
  });
});

describe('Student’s quantile', () => {
  it('agrees with the library for 90 % from 4 degrees of freedom on', () => {
    for (const n of [4, 5, 8, 15, 40, 200, 5000]) {
      expect(student80(n), `${n} degrees`).to.be.closeTo(jStat.studentt.inv(0.9, n), 1.5e-3);
    }
  });
});
