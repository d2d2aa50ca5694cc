/** The book, the tally and the trail in words: signs, sizes and holes. */
import { expect } from 'chai';
import { movedProposals, type PlannedVisit } from '../../core/book/index.ts';
import { addDays, dayFromCivil } from '../../core/quantity/index.ts';
import type { YearChange } from '../../core/tally/index.ts';
import { earlyText, goodness, movedProposalsText, noDayText, otherwiseText, ruleText } from '../../web/words/book.ts';
import { changeText, groupName, valueText } from '../../web/words/tally.ts';
import { didWords, fieldWord, partsChanged, valueWord } from '../../web/words/trail.ts';

const HOLES = /undefined|NaN|null|\[object|Infinity|\(\)| {2}|\.\./;
const TUESDAY = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 15 });

describe('the book in words', () => {
  it('says how near a plan is to the best, never better than it is known', () => {
    const plan = { from: TUESDAY, visits: [], weeks: [], noDay: [] };
    expect(goodness({ ...plan, cost: 100, bound: 100 })).to.match(/^Within 0\.01\s% of the best in this model\.$/);
    expect(goodness({ ...plan, cost: 100.05, bound: 100 })).to.match(/^Within 0\.05\s% of/);
    expect(goodness({ ...plan, cost: 102.34, bound: 100 })).to.match(/^Within 2\.3\s% of/);
  });

  it('names dogs that no day suits, and says nothing where there are none', () => {
    expect(noDayText([])).to.equal('');
    expect(noDayText(['Sisu', 'Scout'])).to.match(/^No day suits Sisu and Scout: .*\.$/);
  });

  it('says what another day would change, and keeps still about nothing', () => {
    const on = { day: TUESDAY };
    expect(otherwiseText({ ...on, minutes: -12, grams: 40, cost: 5 })).to.match(
      /^Tue,? 15 Apr: 12\smin less at the table, 40\sg more on the floor at home, 5\smin dearer in all$/,
    );
    expect(otherwiseText({ ...on, minutes: 0.3, grams: -2, cost: 0.2 })).to.match(
      /: as long at the table, no dearer in all$/,
    );
    expect(otherwiseText({ ...on, minutes: 70, grams: -30, cost: 2 })).to.match(/1\sh\s10 more .*30\sg less/);
  });

  it('says which other proposals a newer plan moved, and which it gave up; what was agreed has not moved', () => {
    const visit = (dogId: string, day: number, agreed = false): PlannedVisit => ({
      dogId,
      together: [],
      day: addDays(TUESDAY, day),
      minutes: 60,
      length: undefined,
      parts: 1,
      agreed,
      others: [],
      grams: 20,
    });
    const before = {
      visits: [visit('tar', 3), visit('tar', 60), visit('sisu', 5), visit('wick', 7, true), visit('mist', 0)],
    };
    const after = { visits: [visit('tar', 3, true), visit('tar', 62), visit('wick', 9, true)] };
    const moved = movedProposals(before, after, TUESDAY);
    expect(moved).to.deep.equal([
      { dogId: 'sisu', from: addDays(TUESDAY, 5), to: undefined },
      { dogId: 'tar', from: addDays(TUESDAY, 60), to: addDays(TUESDAY, 62) },
    ]);
    const text = movedProposalsText(moved, (id) => id);
    expect(text).to.match(/^2 other proposals moved: sisu on .* is proposed no more and tar to .* \(was .*\)\.$/);
    expect(movedProposalsText([], (id) => id)).to.equal('');
    const many = Array.from({ length: 9 }, () => moved[0] ?? expect.fail('none moved'));
    expect(movedProposalsText(many, (id) => id)).to.match(/^9 other proposals moved: .* and 5 more\.$/);
    expect(movedProposals(before, before, TUESDAY)).to.deep.equal([]);
  });

  it('says what stands against a day', () => {
    const rules = [
      { code: 'past' },
      { code: 'closed', reason: undefined },
      { code: 'closed', reason: 'harbour fair' },
      { code: 'nobody' },
      { code: 'owner', weekdays: [5, 2] },
      { code: 'owner-hours', from: 480, to: 600 },
      { code: 'nobody-does', stages: ['bath', 'finish'] },
      { code: 'person', name: 'Sanna' },
      { code: 'too-soon', days: 9, shortest: 21 },
      { code: 'too-late', days: 80, longest: 63 },
    ] as const;
    for (const rule of rules)
      expect(ruleText(rule), rule.code)
        .to.match(/^[A-Z\d].*\.$/)
        .and.not.match(HOLES);
    expect(ruleText({ code: 'owner', weekdays: [5, 2] })).to.equal('The owner comes on Tue or Fri.');
    expect(ruleText({ code: 'closed', reason: 'harbour fair' })).to.include('harbour fair');
  });

  it('names the fullest weeks and counts the rest', () => {
    const week = (n: number, over: number) => ({ from: dayFromCivil({ year: 2031, month: 5, dayOfMonth: n }), over });
    expect(earlyText([])).to.include('no week');
    expect(earlyText([week(5, 30)])).to.match(/one week runs over: the week from Mon,? 5 May by 30\smin\.$/);
    const many = earlyText([week(5, 30), week(12, 90), week(19, 10), week(26, 60)]);
    expect(many).to.match(
      /^If every blow comes ten days early, 4 weeks run over: the week from Mon,? 12 May by 1\sh\s30/,
    );
    expect(many)
      .to.match(/and 1 more by less\.$/)
      .and.not.match(/19 May/);
  });
});

describe('the tally in words', () => {
  it('says each measure in its unit', () => {
    for (const [of, words] of [
      ['grams', /^213\sg$/],
      ['minutes', /^3\sh\s33$/],
      ['pace', /^×\s212\.60$/],
      ['yield', /^×\s212\.60$/],
      ['income', /^€2$/],
      ['noise', /^21260\s%$/],
    ] as const)
      expect(valueText(of, 212.6, 'EUR'), of).to.match(words);
  });

  it('says what changed since last year, and by how much of it', () => {
    const whats = ['visits', 'minutes', 'grams', 'pace', 'income', 'noise', 'product', 'home'] as const;
    for (const what of whats)
      for (const before of [0, 40, 80]) {
        const change: YearChange = { what, now: 60, before, n: 9, nBefore: 9, sure: true };
        const text = changeText(change, 'EUR');
        expect(text, what)
          .to.match(/the year before/)
          .and.not.match(HOLES);
        expect(/\((\d+)\s% (more|less)\)/.exec(text)?.slice(1), what).to.deep.equal(
          before === 0 ? undefined : before === 40 ? ['50', 'more'] : ['25', 'less'],
        );
      }
  });

  it('calls groups by their names, whoever nobody is included', () => {
    expect(groupName('class', 'medium-double', '')).to.equal('medium double');
    expect(groupName('class', 'of a kind unknown', '')).to.equal('of a kind unknown');
    expect(groupName('method', 'wet-first', '')).to.equal('Wet first');
    expect(groupName('person', 'p1', '')).to.equal('nobody said');
    expect(groupName('person', 'p1', 'Runa')).to.equal('Runa');
    expect(groupName('month', '2031-04', '')).to.match(/Apr/);
    expect(groupName('tool', 'rake-1', 'the long rake')).to.equal('the long rake');
  });
});

describe('the trail in words', () => {
  const row = { id: 1, atMs: 0, who: 'Runa', key: 'k', fields: [] };

  it('says what somebody did, also to what it has no word for', () => {
    expect(didWords({ ...row, act: 'changed', table: 'dog', name: 'Kelda' })).to.equal('changed the dog Kelda');
    expect(didWords({ ...row, act: 'made', table: 'photo', name: 'Kelda' })).to.equal('added a photo of Kelda');
    expect(didWords({ ...row, act: 'changed', table: 'salon', name: 'Harbour' })).to.equal(
      'changed the salon’s house rules',
    );
    expect(didWords({ ...row, act: 'removed', table: 'new_thing', name: null })).to.equal('removed new thing');
    expect(fieldWord('last_season_day')).to.equal('last season');
    expect(fieldWord('weight_kg')).to.equal('weight kg');
  });

  it('says values in few words, and of a packed one only what changed', () => {
    expect(valueWord('name', null)).to.equal('nothing');
    expect(valueWord('name', '')).to.equal('nothing');
    expect(valueWord('born_day', dayFromCivil({ year: 2029, month: 2, dayOfMonth: 28 }))).to.equal('2029-02-28');
    expect(valueWord('day', '2031-04-09')).to.equal('2031-04-09');
    expect(valueWord('note', 'x'.repeat(500))).to.have.length(122);
    expect(partsChanged('{"a":1,"b":[2],"c":3}', '{"a":1,"b":[4],"d":5}')).to.deep.equal([
      ['b', [2], [4]],
      ['c', 3, null],
      ['d', null, 5],
    ]);
    for (const plain of ['text', 7, null, '{broken', undefined]) expect(partsChanged(plain, '{}')).to.equal(undefined);
  });
});
