/** How days, figures, homes, reminders, the day's sheet and the table are said: whole sentences, each code in its own words. */
import { expect } from 'chai';
import fc from 'fast-check';
import type { Breach } from '../../core/day/index.ts';
import { HOME_PARTS, REMINDER_ROWS } from '../../core/home/index.ts';
import { addDays, day, parseDay } from '../../core/quantity/index.ts';
import type { Proposal, SessionAct } from '../../core/table/index.ts';
import {
  dateOf,
  dateText,
  fromToday,
  instantText,
  longDay,
  minuteClock,
  minuteText,
  monthName,
  monthYear,
  shortDay,
  weekdayName,
  weekdayText,
} from '../../web/words/dates.ts';
import { breachText, placeName, STAGE_WORDS } from '../../web/words/day.ts';
import { bytesText, capital, grams, listText, minutesText, money, percent } from '../../web/words/figures.ts';
import { CARES, DONT_WORDS, everyText, KEEP_OFF, partNames, REPORTS, WHY_WORDS } from '../../web/words/home.ts';
import { CHANNEL_WORDS, clockOf, minuteOf, reminderWord, SILENCE_WORDS } from '../../web/words/post.ts';
import { actText, clock, metWord, proposalText, reasonText, scaleText, shortMinutes } from '../../web/words/table.ts';

const bare = (text: string): string => text.replaceAll('\u00a0', ' ');
const TODAY = parseDay('2031-04-09') ?? day(0);

describe('days in words', () => {
  it('stand as people write them', () => {
    expect(shortDay(TODAY)).to.match(/^Wed,? 9 Apr$/);
    expect(longDay(TODAY)).to.match(/^Wednesday,? 9 April 2031$/);
    expect(dateText('2031-04-09')).to.equal('9 Apr 2031');
    expect(weekdayText('2031-04-09T10:00:00Z')).to.match(/^Wednesday,? 9 April$/);
    expect(monthYear(TODAY)).to.equal('April 2031');
    expect(monthName('2031-04')).to.equal('Apr 31');
    expect([1, 7, 8].map(weekdayName)).to.deep.equal(['Mon', 'Sun', '']);
    expect(() => dateText('someday')).to.throw(RangeError);
  });

  it('are those of the salon, not of the device', () => {
    expect(dateOf('2031-04-09T21:30:00Z', 'Europe/Mariehamn')).to.equal('2031-04-10');
    expect(dateOf('2031-04-09T03:30:00Z', 'America/Denver')).to.equal('2031-04-08');
    expect(instantText('2031-04-09T06:30:00Z', 'Europe/Mariehamn')).to.match(/^Wed,? 9 Apr, 09:30$/);
  });

  it('are said from today on and back', () => {
    const said = (days: number): string => fromToday(addDays(TODAY, days), TODAY);
    expect([0, 1, -1, 3, -20, 21, -60].map(said)).to.deep.equal([
      'today',
      'tomorrow',
      'yesterday',
      'in 3 days',
      '20 days ago',
      'in 3 weeks',
      '9 weeks ago',
    ]);
    expect([400, -400, 800].map(said)).to.deep.equal(['in a year', 'a year ago', 'in 2 years']);
    // Nothing is ever "in 0" or "1 days".
    for (let days = -800; days <= 800; days++) expect(said(days)).not.to.match(/\b0 |\b1 (?:days|weeks|years)/);
  });

  it('have minutes that go there and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), (minute) => {
        expect(minuteOf(clockOf(minute))).to.equal(minute);
        expect(minuteClock(minute)).to.equal(clockOf(minute));
        expect(minuteText(minute)).to.equal(clockOf(minute));
      }),
      { seed: 31 },
    );
    for (const text of ['', 'noon', '9:30', '::']) expect(minuteOf(text), text).to.equal(undefined);
  });
});

describe('figures in words', () => {
  it('keep figure and unit together', () => {
    for (const text of [
      percent(0.123),
      grams(12.6),
      minutesText(7),
      minutesText(60),
      minutesText(65),
      bytesText(3_400_000),
    ])
      expect(text)
        .to.match(/^[\d.]+\u00a0/)
        .and.not.contain(' ');
    expect([percent(0.123), grams(12.6), bytesText(10), bytesText(3_400_000)].map(bare)).to.deep.equal([
      '12 %',
      '13 g',
      '1 kB',
      '3.4 MB',
    ]);
    expect([7, 60, 65, 125].map((m) => bare(minutesText(m)))).to.deep.equal(['7 min', '1 h', '1 h 05', '2 h 05']);
  });

  it('show cents where there are any', () => {
    expect(money(4800, 'EUR')).to.equal('€48');
    expect(money(4850, 'EUR')).to.equal('€48.50');
  });

  it('are listed as one says them', () => {
    expect(listText([])).to.equal('');
    expect(listText(['ruff'])).to.equal('ruff');
    expect(listText(['ruff', 'tail'])).to.equal('ruff and tail');
    expect(listText(['ruff', 'tail', 'back'], 'or')).to.equal('ruff, tail or back');
    expect(capital('the tub')).to.equal('The tub');
  });
});

describe('a home in words', () => {
  it('has a word for every code, each its own, in sentences', () => {
    for (const words of [WHY_WORDS, KEEP_OFF, DONT_WORDS, CHANNEL_WORDS, SILENCE_WORDS, STAGE_WORDS]) {
      const all = Object.values(words);
      expect(new Set(all).size).to.equal(all.length);
      for (const word of all) expect(word).to.match(/^\S.*\S$/);
    }
    for (const text of Object.values(DONT_WORDS)) expect(text).to.match(/^[A-Z].*\.$/);
    for (const { word, how } of Object.values(CARES)) expect(`${word} ${how}`).to.match(/^[A-Z].*\.$/);
    for (const { then } of Object.values(REPORTS)) expect(then).to.match(/^[A-Z].*\.$/);
    // What may be an illness goes to a vet, in each of them.
    for (const kind of ['lump', 'red-skin', 'ticks'] as const) expect(REPORTS[kind].then).to.match(/[Vv]et/);
  });

  it('says how often', () => {
    expect([1, 2, 3, 4, 7, 10].map(everyText)).to.deep.equal([
      'Every day',
      'Every other day',
      'Twice a week',
      'Twice a week',
      'Once a week',
      'Every 10 days',
    ]);
    expect(partNames(HOME_PARTS.slice(0, 3))).to.match(/^[^,]+, .+ and .+$/);
    for (const { kind, name } of REMINDER_ROWS) expect(reminderWord(kind)).to.equal(name);
  });
});

describe('the day’s sheet in words', () => {
  const names = {
    dog: (v: string) => ({ v1: 'Bollard', v2: 'Kelda' })[v] ?? v,
    person: () => 'Runa',
    place: () => 'the tub',
    stage: () => 'bath',
  };
  const BREACHES: readonly (readonly [Breach, string])[] = [
    [
      { code: 'person-twice', person: 'p', visits: ['v1', 'v2'], at: 570 },
      'Runa has Bollard and Kelda at once at 09:30.',
    ],
    [
      { code: 'place-twice', place: 't', visits: ['v1', 'v2'], at: 570 },
      'Bollard and Kelda both need the tub at 09:30.',
    ],
    [{ code: 'dog-twice', visit: 'v1', at: 570 }, 'Bollard would be in two places at 09:30.'],
    [{ code: 'out-of-order', visit: 'v1', stage: 1 }, 'Bollard’s bath comes before what has to go before it.'],
    [{ code: 'wet-wait', visit: 'v1', minutes: 12 }, 'Bollard waits wet for 12 min.'],
    [{ code: 'cannot', person: 'p', visit: 'v1', stage: 1 }, 'Runa does not do bath.'],
    [{ code: 'wrong-place', visit: 'v1', stage: 1 }, 'Bollard’s bath has nobody, or not the place it needs.'],
    [{ code: 'too-early', visit: 'v1', from: 570 }, 'Bollard comes at 09:30, not before.'],
    [{ code: 'late', visit: 'v1', minutes: 75 }, 'Bollard is ready 1 h 15 after its owner was told.'],
    [{ code: 'off-hours', person: 'p', minutes: 20 }, 'Runa would work 20 min outside their hours.'],
    [{ code: 'pause', person: 'p' }, 'Runa’s pause does not fit.'],
    [
      { code: 'meeting', visits: ['v1', 'v2'], minutes: 20 },
      'Bollard and Kelda must not meet, and are here together for 20 min.',
    ],
    [
      { code: 'noise', person: 'p', share: 1.2 },
      'Runa gets 120 % of a day’s noise. Wear better protection, or share the dryer.',
    ],
    [{ code: 'heavy', person: 'p', dogs: 4 }, 'Runa lifts 4 heavy dogs. Lift with two, or with a lift.'],
    [{ code: 'missing', visit: 'v1', stage: 1 }, 'Bollard’s bath is not on the sheet.'],
  ];
  for (const [breach, text] of BREACHES)
    it(`says ${breach.code} by name and time`, () => {
      expect(bare(breachText(breach, names))).to.equal(text);
    });

  it('counts places only where there is more than one', () => {
    const places = [{ id: 'table-1' }, { id: 'table-2' }, { id: 'tub-1' }];
    expect(placeName('table-2', places)).to.equal('table 2');
    expect(placeName('tub-1', places)).to.equal('the tub');
  });
});

describe('the table in words', () => {
  const proposal = (more: Partial<Proposal>): Proposal => ({
    because: { code: 'dragged', zone: 'back', result: 'drags' },
    steps: [],
    minutes: { before: 30, after: 30 },
    moved: [],
    left: [],
    ...more,
  });
  const said = (more: Partial<Proposal>) => {
    const { what, costs } = proposalText(proposal(more));
    return [bare(what), bare(costs)];
  };

  it('says halves of minutes, and nothing finer', () => {
    expect([0.2, 0.6, 1.3, 1.6, 4].map((m) => bare(shortMinutes(m)))).to.deep.equal([
      '½ min',
      '½ min',
      '1½ min',
      '1½ min',
      '4 min',
    ]);
    expect([0, 61_000, -5, 725_000].map(clock)).to.deep.equal(['0:00', '1:01', '0:00', '12:05']);
  });

  it('says what a plan was changed for', () => {
    expect(reasonText({ code: 'dragged', zone: 'back', result: 'stops' })).to.equal('the comb stopped at back');
    expect(reasonText({ code: 'pink', zone: 'back', tool: 'firm-slicker' })).to.equal('back turned pink');
    expect(metWord({ tie: 'mat' })).to.equal('a mat');
    expect(metWord({})).to.equal('something');
    expect(metWord({ tie: 'none', skin: 'lump' })).to.match(/lump/);
  });

  it('says what to do and what it costs, whichever way a proposal goes', () => {
    expect(said({ moved: [{ zone: 'back', minutes: 2 }] })).to.deep.equal([
      'Back: 2 min more with the same piece.',
      'The end stays where it was.',
    ]);
    expect(said({ moved: [{ zone: 'back', minutes: 2 }], minutes: { before: 30, after: 34 } })[1]).to.equal(
      'The end comes 4 min later.',
    );
    expect(
      said({
        moved: [
          { zone: 'back', minutes: 2 },
          { zone: 'belly', minutes: -2 },
        ],
      })[1],
    ).to.match(/^Taken from .*belly.*\. The end stays/);
    expect(said({ stop: 'dog' })[0]).to.match(/Stop here.*dry to the skin.*vet\.$/);
    expect(said({ stop: 'zone' })[0]).to.equal('Leave back alone from here.');
    expect(said({ stop: 'zone', closed: 'back' })[0]).to.match(/rinse and pat it dry by hand/);
    expect(said({ stop: 'zone', because: { code: 'pink', zone: 'back', tool: 'firm-slicker' } })[0]).to.match(
      /nothing milder/,
    );
    expect(said({})[0]).to.equal('The plan has it already: steps to come still work back.');
  });

  it('says of a scale what to do about it', () => {
    const states = (['silent', 'overload', 'settling', 'empty', 'settled'] as const).map((state) =>
      scaleText({ state, netG: 5 }),
    );
    expect(new Set(states).size).to.equal(5);
    for (const text of states) expect(text).to.match(/^[A-Z].*\.$/);
  });

  it('names each act by what was done', () => {
    const step = (id: string): string => ({ s1: 'rake' })[id] ?? id;
    const ACTS: readonly (readonly [SessionAct, string])[] = [
      [{ kind: 'weighed', step: 's1', grams: 12, adds: true }, '12 g weighed, rake'],
      [{ kind: 'dog-weighed', kg: 24.04 }, 'the dog weighs 24 kg'],
      [{ kind: 'comb', zone: 'back', result: 'glides' }, 'comb glides at back'],
      [{ kind: 'note', text: 'a burr' }, 'a burr'],
      [{ kind: 'worker', name: 'Runa' }, 'Runa'],
    ];
    for (const [act, text] of ACTS) expect(bare(actText(act, step))).to.equal(text);
  });
});
