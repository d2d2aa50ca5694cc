/** Practice in words: every card asks a whole question with its right answer among the options; every answer of a coat is said. */
import { expect } from 'chai';
import { PHASE_IDS } from '../../core/bench/index.ts';
import {
  COMB_GRADES,
  CONDITION_KINDS,
  FINGER_GRADES,
  SKIN_FINDINGS,
  TIE_GRADES,
  TUG_GRADES,
} from '../../core/check/index.ts';
import { ZONE_IDS, type ZoneId } from '../../core/dog/index.ts';
import {
  askCard,
  DRILL_CARDS,
  FEEL_TESTS,
  MISTAKES,
  MOODS,
  rightAnswer,
  type Act,
  type Mistake,
  type ActResult,
} from '../../core/practice/index.ts';
import {
  answerWhy,
  feltText,
  mistakeText,
  mistakeWhy,
  MOOD_WORDS,
  optionsOf,
  questionParts,
  toldText,
} from '../../web/words/practice.ts';

const HOLES = /undefined|NaN|null|\[object|Infinity|\(\)| {2}|\.\./;
const ZONES: readonly ZoneId[] = ['rump', 'tail'];
const told = (act: Act, more: Partial<ActResult> = {}): string =>
  toldText(
    {
      act,
      refused: false,
      minutes: 2.4,
      gramsOut: 12.2,
      reddened: [],
      tightened: [],
      settled: [],
      opened: [],
      idle: [],
      mood: 'easy',
      ...more,
    },
    (id) => `long ${id}`,
  );
const WORK: Act = {
  kind: 'work',
  phase: 'comb',
  toolId: 'comb',
  zones: ZONES.map((zone) => ({ zone, minutes: 1.2 })),
};

describe('practice in words', () => {
  it('asks a whole question of every card, with words for each option and a reason for the right one', () => {
    for (const { id } of DRILL_CARDS)
      for (let seed = 0; seed < 6; seed++) {
        const q = askCard(id, seed);
        const { scene, ask } = questionParts(q);
        expect(scene, id)
          .to.match(/^.+\.$/s)
          .and.not.match(HOLES);
        expect(ask, id)
          .to.match(/^\S.+\?$/)
          .and.not.match(HOLES);
        const options = optionsOf(q);
        expect(
          options.map((o) => o.value),
          id,
        ).to.include(rightAnswer(q));
        expect(new Set(options.map((o) => o.word)).size, `${id}: two options sound the same`).to.equal(options.length);
        for (const { word } of options)
          expect(word, id)
            .to.match(/^[A-Z]/)
            .and.not.match(HOLES);
        expect(answerWhy(q), id)
          .to.match(/^[A-Z].*\.$/s)
          .and.not.match(HOLES);
        if (q.kind === 'may') expect(answerWhy(q).startsWith(q.right ? 'Yes' : 'No'), id).to.equal(true);
        // What is right is not told by the question itself.
        if (q.kind === 'leads') expect(ask.toLowerCase(), id).to.not.include(q.right.replaceAll('-', ' '));
      }
  });

  it('says what was felt, whichever tests were done', () => {
    for (const finger of FINGER_GRADES) expect(feltText({ finger })).to.match(/^finger: \S/);
    for (const tug of TUG_GRADES) expect(feltText({ tug })).to.match(/^tug: \S/);
    for (const comb of COMB_GRADES) expect(feltText({ comb })).to.match(/^comb \S/);
    for (const tie of TIE_GRADES) expect(feltText({ tie })).to.match(/^tie: \S/);
    for (const skin of SKIN_FINDINGS)
      expect(feltText({ skin }))
        .to.match(/^skin: \S/)
        .and.not.match(HOLES);
    expect(feltText({})).to.equal('');
    expect(feltText({ finger: 4, tug: 3, comb: 'stops', tie: 'none', skin: 'clear' }).split(', ')).to.have.length(5);
  });

  it('says what the coat answered to every act', () => {
    const acts: readonly Act[] = [
      { kind: 'look' },
      ...FEEL_TESTS.map((t): Act => ({ kind: 'feel', tests: [t], zones: ZONES })),
      ...CONDITION_KINDS.map((as): Act => ({ kind: 'call', as, zones: ZONES })),
      ...PHASE_IDS.map((phase): Act => ({ kind: 'work', phase, toolId: 'rake', zones: [] })),
      WORK,
      { kind: 'rest', minutes: 3 },
      { kind: 'refer' },
      { kind: 'end' },
    ];
    for (const act of acts)
      expect(told(act), act.kind)
        .to.match(/^[A-Z].*\.$/s)
        .and.not.match(/undefined|NaN|\[object/);
    expect(told({ kind: 'look' }, { minutes: 0.3 })).to.match(/18\ss/);
    expect(told(WORK)).to.match(/long comb, rump and tail: 2\smin, 12\sg\./);
    expect(told(WORK, { gramsOut: 0.2 })).to.include('hardly a hair');
    expect(told(WORK, { refused: true })).to.match(/moved away/);
  });

  it('says each thing that happened to skin, tie and topcoat where it happened, and how the dog stands', () => {
    const happened = {
      settled: 'The tie is out at rump.',
      tightened: 'The tie draws tight at rump.',
      reddened: 'Skin pinks at rump.',
      opened: 'The comb would fall through at rump.',
      idle: 'It does nothing there as the coat is now (rump).',
    } as const;
    for (const [what, words] of Object.entries(happened)) {
      expect(told(WORK, { [what]: ['rump'] })).to.include(words);
      expect(told(WORK)).to.not.include(words.slice(0, 14));
    }
    for (const mood of MOODS) expect(told(WORK, { mood }).includes(MOOD_WORDS[mood]), mood).to.equal(mood !== 'easy');
  });

  it('says of every mistake what was wrong, where and how often, and why the rule exists', () => {
    for (const [code, row] of Object.entries(MISTAKES)) {
      const known = Object.keys(MISTAKES).find((c): c is Mistake['code'] => c === code);
      if (!known) throw new Error(code);
      const mistake: Mistake = { code: known, cost: 0.1, zones: ZONES, count: 2 };
      expect(mistakeText(mistake), code)
        .to.match(/^[A-Z].*\.$/s)
        .and.not.match(/undefined|NaN|\[object/);
      expect(mistakeText(mistake).startsWith(row.statement), code).to.equal(true);
      expect(mistakeWhy(mistake), code)
        .to.equal(row.why)
        .and.match(/^[A-Z].*\.$/s);
      // A whole dog is no place.
      expect(mistakeText({ ...mistake, zones: ZONE_IDS }), code).to.not.include('Here:');
    }
    expect(mistakeText({ code: 'forbidden', cost: 1, zones: ZONES, rule: 'blade-dry-only' })).to.include('Here: rump');
    const read = { kind: 'packed', by: { code: 'finger', grade: 3 } } as const;
    expect(mistakeText({ code: 'read-wrong', cost: 1, zones: ZONES, truth: read })).to.match(
      /It is packed \(finger: .+\)\.$/,
    );
    expect(mistakeText({ code: 'drove-it-away', cost: 1, zones: [], count: 1 })).to.match(/Once\.$/);
  });
});
