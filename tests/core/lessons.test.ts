/** What one worked session has to say about pace and grams: told from a log by hand, and nothing of what taught nothing. */
import { expect } from 'chai';
import { openMethod, planVisit, type PlanStep } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { sum } from '../../core/quantity/index.ts';
import { sessionRecord, type SessionAct, type SessionEvent } from '../../core/table/index.ts';
import { stepKey, stepLessons, type StepLesson } from '../../core/tally/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';
import { logOf, workedLog } from './session-log.ts';

const plan = planVisit({
  dog: dogOf('medium-double', 22),
  check: checkOf(22, 50, { finger: 2, tug: 2, comb: 'drags' }),
  kit: FULL_KIT,
  house: DEFAULT_HOUSE,
});
const { steps = [] } = (plan.recommended && openMethod(plan, plan.recommended.method)) ?? {};
/** Steps heavy enough for their grams to say something. */
const heavy = steps.filter((s) => s.gramsOut >= 2);

const lessonsOf = (events: readonly SessionEvent[], of: readonly PlanStep[] = steps): readonly StepLesson[] =>
  stepLessons(sessionRecord(events, of));
const near = (a: number | undefined, b: number): void => void expect(a ?? NaN).to.be.closeTo(b, 1e-3 * Math.max(1, b));

describe('what a session has to teach', () => {
  it('is minutes of each step that was timed, and grams of each that was weighed', () => {
    const lessons = lessonsOf(workedLog(steps, (s) => ({ minutes: s.minutes * 1.5, grams: s.gramsOut * 0.8 }), 'Ada'));
    expect(lessons.map((l) => l.step)).to.deep.equal(steps.map(stepKey));
    for (const [i, step] of steps.entries()) {
      const lesson = lessons[i];
      near(lesson?.minutes?.planned, step.minutes);
      near(lesson?.minutes?.measured, step.minutes * 1.5);
      expect(lesson?.tool).to.equal(step.tool.kind);
      expect(lesson?.person).to.equal('Ada');
      expect(lesson?.grams === undefined, 'too little to say anything').to.equal(step.gramsOut < 2);
      if (step.gramsOut >= 2) near(lesson?.grams?.measured, step.gramsOut * 0.8);
    }
    expect(heavy.length).to.be.greaterThan(1);
  });

  it('says nothing of grams where nothing was weighed, and nothing at all where nothing was done', () => {
    const unweighed = lessonsOf(workedLog(steps, (s) => ({ minutes: s.minutes })));
    expect(unweighed.length).to.equal(steps.length);
    expect(unweighed.every((l) => l.grams === undefined && l.zoneGrams.length === 0)).to.equal(true);
    expect(unweighed.every((l) => l.person === undefined)).to.equal(true);
    expect(lessonsOf(logOf([[1, { kind: 'started' }]]))).to.deep.equal([]);
    expect(lessonsOf([])).to.deep.equal([]);
  });

  it('leaves out a step that was tapped away: its minutes are the finger’s', () => {
    const [first] = steps;
    const lessons = lessonsOf(workedLog(steps, (s) => ({ minutes: s === first ? 0 : s.minutes })));
    expect(lessons.map((l) => l.step)).to.deep.equal(steps.slice(1).map(stepKey));
  });

  it('takes out again what the plan had reckoned in, or it would be learnt twice', () => {
    const events = workedLog(steps, (s) => ({ minutes: s.minutes, grams: s.gramsOut }));
    const record = sessionRecord(events, steps);
    const pace = Object.fromEntries(steps.map((s) => [s.tool.kind, 1.25]));
    const plain = stepLessons(record);
    const told = stepLessons(record, { pace, grams: 0.5 });
    expect(told.length).to.equal(plain.length);
    for (const [i, lesson] of told.entries()) {
      // The plan met its own word: against the start values the hands were slower, and the coat fuller than felt.
      near(lesson.minutes?.planned, (plain[i]?.minutes?.planned ?? NaN) / 1.25);
      near(lesson.minutes?.measured, plain[i]?.minutes?.measured ?? NaN);
      if (plain[i]?.grams) near(lesson.grams?.planned, (plain[i].grams.planned ?? NaN) * 2);
    }
    // Without a word for a tool nothing is taken out.
    expect(stepLessons(record, { pace: {}, grams: 1 })).to.deep.equal(plain);
  });

  it('tells zones apart where each was tapped, and never more minutes than the step had', () => {
    const acts: [number, SessionAct][] = [[0, { kind: 'started' }]];
    let atMs = 1;
    for (const s of steps) {
      acts.push([atMs, { kind: 'step', step: s.id }]);
      for (const z of s.zones) {
        acts.push([atMs, { kind: 'zone', step: s.id, zone: z.zone }]);
        atMs += Math.round(z.minutes * 120_000);
      }
      acts.push([(atMs += 1), { kind: 'step-done', step: s.id }]);
    }
    acts.push([atMs + 1, { kind: 'finished' }]);
    const lessons = lessonsOf(logOf(acts));
    const zoned = lessons.filter((l) => l.zoneMinutes.length > 0);
    expect(zoned.length).to.be.greaterThan(0);
    for (const lesson of zoned) {
      for (const z of lesson.zoneMinutes) near(z.measured / z.planned, 2);
      expect(sum(lesson.zoneMinutes.map((z) => z.measured))).to.be.at.most((lesson.minutes?.measured ?? NaN) + 0.05);
    }
  });
});
