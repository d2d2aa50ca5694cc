/** How days, figures, homes, reminders, the day's sheet and the table are said: whole sentences, each code in its own words. */
import { minuteClock, minuteOf } from '../../web/words/clock.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import type { Breach } from '../../core/day/index.ts';
import { HOME_PARTS, REMINDER_ROWS } from '../../core/home/index.ts';
import type { Proposal, SessionAct } from '../../core/table/index.ts';
import { breachText, placeName, STAGE_WORDS } from '../../web/words/day.ts';
import { CARES, DONT_WORDS, everyText, KEEP_OFF, partNames, REPORTS, WHY_WORDS } from '../../web/words/home.ts';
import { CHANNEL_WORDS, reminderWord, SILENCE_WORDS } from '../../web/words/post.ts';
import { actText, clock, metWord, proposalText, reasonText, scaleText, shortMinutes } from '../../web/words/table.ts';

const bare = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('hours of quiet', () => {
  it('have minutes that go there and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1439 }), (minute) => {
        expect(minuteOf(minuteClock(minute))).to.equal(minute);
      }),
      { seed: 31 },
    );
    for (const text of ['', 'noon', '9:30', '::']) expect(minuteOf(text), text).to.equal(undefined);
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
      [{ kind: 'paid', toldCents: 6000, cents: 5550, how: 'card' }, '55.50 by card'],
      [{ kind: 'comb', zone: 'back', result: 'glides' }, 'comb glides at back'],
      [{ kind: 'note', text: 'a burr' }, 'a burr'],
      [{ kind: 'worker', name: 'Runa' }, 'Runa'],
    ];
    for (const [act, text] of ACTS) expect(bare(actText(act, step))).to.equal(text);
  });
});
