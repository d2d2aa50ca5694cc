/** The day sheet: rules that hold for any day, and small days that can be computed by hand. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  breachesOf,
  DAY_EFFORT,
  delayed,
  dropped,
  IMPOSSIBLE,
  pinned,
  planDay,
  rippled,
  soonestEnd,
  stagesOf,
  stagesWithoutHands,
  usualStages,
  type Breach,
  type DayAsked,
  type DayPerson,
  type DaySheet,
  type DayVisit,
  type ScheduledStage,
  type Stage,
} from '../../core/day/index.ts';
import { seededRandom, sum } from '../../core/quantity/index.ts';
import { randomDay } from './random-day.ts';

const QUICK = { ...DAY_EFFORT, fewestTries: 300, mostTries: 300 };
const aDay = fc
  .integer({ min: 1, max: 1e6 })
  .map((seed) => randomDay(seededRandom(seed), { dogs: [1, 9], people: [1, 4], grain: 5, whole: true }));
const codes = (asked: DayAsked, sheet: Pick<DaySheet, 'laid' | 'pauses'>): readonly Breach['code'][] =>
  breachesOf(asked, sheet).map((b) => b.code);
/** What no sheet of the house's own may hold. */
const NEVER: readonly Breach['code'][] = [...IMPOSSIBLE, 'wet-wait', 'too-early'];

/** Minutes of a day at which each thing is in use, counted apart from the code that lays them. */
function inTwoPlaces(asked: DayAsked, sheet: DaySheet): readonly string[] {
  const used = new Map<string, number>();
  const use = (what: string, from: number, to: number): void => {
    for (let m = from; m < to; m++) used.set(`${what} at ${m}`, (used.get(`${what} at ${m}`) ?? 0) + 1);
  };
  for (const l of sheet.laid) {
    const stage = asked.visits.find((v) => v.id === l.visit)?.stages[l.stage];
    use(l.visit, l.start, l.end);
    if (l.person !== undefined) use(l.person, l.start, l.end);
    if (l.place !== undefined) use(l.place, l.start, l.end + (stage?.cleanMinutes ?? 0));
  }
  for (const p of sheet.pauses) use(p.person, p.start, p.end);
  return [...used].filter(([, n]) => n > 1).map(([what]) => what);
}

/** The same day some way in: what began is under way, the last begun stage longer than it was to be. */
function partWay(asked: DayAsked, sheet: DaySheet, now: number, longer: number): DayAsked {
  const begun = sheet.laid.filter((l) => l.start < now);
  const slow = begun.at(-1);
  const end = slow ? Math.max(now, slow.end + longer) : now;
  const overlaps = (x: { readonly start: number; readonly end: number }): boolean =>
    slow !== undefined && x.start < end && x.end > slow.start;
  const free =
    slow !== undefined &&
    !begun.some(
      (b) =>
        b !== slow && overlaps(b) && (b.person === slow.person || b.place === slow.place || b.visit === slow.visit),
    ) &&
    !sheet.pauses.some((p) => p.person === slow.person && p.start < now && overlaps(p));
  return {
    ...asked,
    now,
    begun: begun.map((l) => (l === slow && free ? { ...l, end } : l)),
    paused: sheet.pauses.filter((p) => p.start < now),
  };
}

describe('the day sheet', () => {
  it('has no person, tub, table, dryer or dog in two places, no wet dog waiting, and no stage missing', () => {
    fc.assert(
      fc.property(aDay, (asked) => {
        const sheet = planDay(asked, undefined, QUICK);
        expect(inTwoPlaces(asked, sheet)).to.deep.equal([]);
        expect(codes(asked, sheet).filter((c) => NEVER.includes(c))).to.deep.equal([]);
        const keeps = !codes(asked, sheet).some((c) => c === 'pause' || c === 'meeting');
        if (keeps) expect(sheet.ends).to.be.at.least(soonestEnd(asked));
        for (const v of asked.visits) {
          const mine = sheet.laid.filter((l) => l.visit === v.id).sort((a, b) => a.stage - b.stage);
          expect(mine.map((l) => l.end - l.start)).to.deep.equal(v.stages.map((s) => s.minutes));
        }
        for (const p of asked.people)
          for (const l of sheet.laid.filter((x) => x.person === p.id)) expect(l.start).to.be.at.least(p.hours.from);
      }),
      { numRuns: 150 },
    );
  });

  it('is the same for the same day, and laid again in its own order changes nothing', () => {
    fc.assert(
      fc.property(aDay, (asked) => {
        const sheet = planDay(asked, undefined, QUICK);
        expect(planDay(asked, undefined, QUICK)).to.deep.equal(sheet);
        const again = rippled(asked, sheet);
        expect(again.laid.map((l) => [l.visit, l.stage, l.start])).to.have.deep.members(
          sheet.laid.map((l) => [l.visit, l.stage, l.start]),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('never gets worse by being planned again, nor by a person, table, tub or dryer more', () => {
    fc.assert(
      fc.property(aDay, (asked) => {
        const sheet = planDay(asked, undefined, QUICK);
        const [first] = asked.people;
        const richer: DayAsked = {
          ...asked,
          people: [...asked.people, ...(first ? [{ ...first, id: 'one-more', pauses: [] }] : [])],
          places: [
            ...asked.places,
            { id: 'tub-9', kind: 'tub' },
            { id: 'table-9', kind: 'table' },
            { id: 'dryer-9', kind: 'dryer' },
          ],
        };
        const before = rippled(asked, sheet).score.cost;
        expect(planDay(asked, undefined, QUICK, sheet).score.cost).to.be.at.most(before + 1e-9);
        expect(planDay(richer, undefined, QUICK, sheet).score.cost).to.be.at.most(before + 1e-9);
      }),
      { numRuns: 40 },
    );
  });

  it('leaves what has begun, moves only what is to come when something takes longer, and never answers worse than going on', () => {
    fc.assert(
      fc.property(aDay, fc.integer({ min: 500, max: 800 }), fc.integer({ min: 5, max: 60 }), (asked, now, longer) => {
        const sheet = planDay(asked, undefined, QUICK);
        const day = partWay(asked, sheet, now, longer);
        const delay = delayed(day, sheet, undefined, QUICK);
        for (const s of [delay.rippled, delay.again]) {
          expect(codes(day, s).filter((c) => IMPOSSIBLE.includes(c))).to.deep.equal([]);
          expect(s.laid).to.include.deep.members([...day.begun]);
          for (const l of s.laid.filter((x) => !day.begun.some((b) => b.visit === x.visit && b.stage === x.stage)))
            expect(l.start).to.be.at.least(now);
        }
        expect(delay.again.score.cost).to.be.at.most(delay.rippled.score.cost + 1e-9);
        const was = new Map(sheet.laid.map((l) => [`${l.visit} ${l.stage}`, l.start]));
        for (const l of delay.rippled.laid) expect(l.start).to.be.at.least(was.get(`${l.visit} ${l.stage}`) ?? 0);
      }),
      { numRuns: 60 },
    );
  });
});

const stage = (kind: Stage['kind'], place: Stage['place'], minutes: number, more: Partial<Stage> = {}): Stage => ({
  kind,
  place,
  minutes,
  hands: true,
  atOnce: false,
  cleanMinutes: 0,
  ...more,
});
const visit = (id: string, stages: readonly Stage[], more: Partial<DayVisit> = {}): DayVisit => ({
  id,
  dogId: id,
  weightKg: 20,
  stages,
  arrive: { from: 540, to: 1080 },
  leave: { from: 540, to: 1080 },
  ...more,
});
const person = (id: string, more: Partial<DayPerson> = {}): DayPerson => ({
  id,
  hours: { from: 540, to: 1080 },
  can: ['check', 'dry-work', 'bath', 'drying', 'finish', 'rest'],
  pauses: [],
  mostHeavy: 9,
  protectDb: 0,
  ...more,
});
const day = (visits: readonly DayVisit[], people: readonly DayPerson[], more: Partial<DayAsked> = {}): DayAsked => ({
  people,
  visits,
  places: [
    { id: 'table-1', kind: 'table' },
    { id: 'tub-1', kind: 'tub' },
    { id: 'dryer-1', kind: 'dryer' },
  ],
  apart: [],
  pins: [],
  begun: [],
  paused: [],
  now: 0,
  ...more,
});
const WASH = [stage('bath', 'tub', 20), stage('drying', 'dryer', 30, { atOnce: true })];
const startOf = (s: Pick<DaySheet, 'laid'>, id: string, k = 0): number =>
  s.laid.find((l) => l.visit === id && l.stage === k)?.start ?? NaN;

describe('a small day', () => {
  it('overlaps one dog at the dryer with the next in the tub when there are two people, and not with one', () => {
    const dogs = [visit('a', WASH), visit('b', WASH)];
    // One pair of hands: 100 minutes. Two: the second dog leaves the tub as the first leaves the dryer.
    expect(planDay(day(dogs, [person('p')])).ends).to.equal(540 + 100);
    expect(planDay(day(dogs, [person('p'), person('q')])).ends).to.equal(540 + 80);
    expect(soonestEnd(day(dogs, [person('p')]))).to.equal(540 + 100);
    expect(soonestEnd(day(dogs, [person('p'), person('q')]))).to.equal(540 + 80);
  });

  it('keeps apart dogs that must not meet, and sends the first home before the second comes', () => {
    const dogs = [visit('a', WASH), visit('b', WASH)];
    const sheet = planDay(day(dogs, [person('p'), person('q')], { apart: [['a', 'b']] }));
    expect(sheet.score.meeting).to.equal(0);
    expect(sheet.ends).to.equal(540 + 100);
  });

  it('lets nobody wait for a dog that has to be met anyway: who comes at an agreed time is there, worked or not', () => {
    const at = (minute: number) => ({ arrive: { from: minute, to: minute }, leave: { from: minute, to: 1080 } });
    const long = [stage('dry-work', 'table', 100)];
    const dogs = [visit('a', long, at(540)), visit('b', WASH, at(560))];
    const sheet = planDay(day(dogs, [person('p'), person('q')], { apart: [['a', 'b']] }));
    // They meet from when b comes, 560. Worked at once, b goes home at 610; had it waited, a would go at 640 and b at 690.
    expect(startOf(sheet, 'b')).to.equal(560);
    expect(sheet.score.meeting).to.equal(50);
    expect(sheet.ends).to.equal(640);
    // Where an owner may come later it is put off, and they do not meet.
    const free = planDay(
      day([visit('a', long, at(540)), visit('b', WASH)], [person('p'), person('q')], { apart: [['a', 'b']] }),
    );
    expect(free.score.meeting).to.equal(0);
  });

  it('gives the loud work to whose ears have some of the day left, and lifts to whose back has', () => {
    const loud = [stage('drying', 'dryer', 60, { dbA: 94 })];
    const dogs = [visit('a', loud), visit('b', loud)];
    const sheet = planDay(day(dogs, [person('p'), person('q')]));
    // 94 dB(A) for an hour is the whole of a day (NIOSH 98-126).
    expect(new Set(sheet.laid.map((l) => l.person))).to.have.lengthOf(2);
    expect(sheet.score.noise).to.equal(0);
    const one = planDay(day(dogs, [person('p')]));
    expect(one.score.noise).to.be.closeTo(1, 1e-9);
    expect(codes(day(dogs, [person('p')]), one)).to.deep.equal(['noise']);
    expect(planDay(day(dogs, [person('p', { protectDb: 10 })])).score.noise).to.equal(0);
    const heavy = [visit('a', WASH, { weightKg: 50 }), visit('b', WASH, { weightKg: 50 })];
    const two = planDay(day(heavy, [person('p', { mostHeavy: 1 }), person('q', { mostHeavy: 1 })]));
    expect(two.score.heavy).to.equal(0);
  });

  it('gives everybody their pause, and keeps to who may do what', () => {
    const lunch = { minutes: 30, within: { from: 600, to: 660 } };
    const dogs = ['a', 'b', 'c'].map((id) => visit(id, [stage('dry-work', 'table', 40)]));
    const asked = day(dogs, [person('p', { pauses: [lunch] }), person('q', { can: ['bath', 'drying'] })]);
    const sheet = planDay(asked);
    expect(sheet.laid.every((l) => l.person === 'p')).to.equal(true);
    expect(sheet.pauses).to.have.lengthOf(1);
    expect(codes(asked, sheet)).to.deep.equal([]);
    // Two dogs, 30 minutes of lunch, the third dog.
    expect(sheet.ends).to.equal(540 + 120 + 30);
  });

  it('says what a drag would break, takes what follows at once along, and lays the day anew about a pin', () => {
    const asked = day([visit('a', WASH), visit('b', WASH)], [person('p'), person('q')]);
    const sheet = planDay(asked);
    const first = startOf(sheet, 'a') <= startOf(sheet, 'b') ? 'a' : 'b';
    const other = first === 'a' ? 'b' : 'a';
    const drag = dropped(asked, sheet, { visit: other, stage: 0, start: startOf(sheet, first) });
    expect(startOf(drag, other, 1) - startOf(drag, other)).to.equal(20);
    expect(codes(asked, drag)).to.include('place-twice');
    expect(codes(asked, dropped(asked, sheet, { visit: other, stage: 0, start: 500 }))).to.include('too-early');
    expect(codes(asked, dropped(asked, sheet, { visit: other, stage: 0, start: 1060 }))).to.include.members([
      'late',
      'off-hours',
    ]);
    const pins = pinned([], { visit: first, stage: 0, notBefore: 600, person: 'q' });
    const again = planDay({ ...asked, pins }, undefined, undefined, sheet);
    expect(startOf(again, first)).to.be.at.least(600);
    expect(again.laid.find((l) => l.visit === first && l.stage === 0)?.person).to.equal('q');
    expect(codes(asked, again)).to.deep.equal([]);
  });

  it('says when nobody can do a stage, and throws when it is asked to lay it all the same', () => {
    const asked = day([visit('a', [stage('finish', 'table', 10)])], [person('p', { can: ['bath'] })]);
    expect(stagesWithoutHands(asked)).to.deep.equal(['finish']);
    expect(() => planDay(asked)).to.throw(RangeError, 'nobody at work can do the finish of a');
    expect(() => planDay(day([visit('a', WASH)], [person('p')], { places: [] }))).to.throw(
      RangeError,
      'there is no tub',
    );
  });

  it('sees each fault that a sheet can have', () => {
    const asked = day([visit('a', WASH), visit('b', WASH)], [person('p')], { apart: [['a', 'b']] });
    const at = (v: string, k: number, start: number, place: string, who = 'p'): ScheduledStage => ({
      visit: v,
      stage: k,
      person: who,
      place,
      start,
      end: start + (k === 0 ? 20 : 30),
    });
    const fine = [
      at('a', 0, 540, 'tub-1'),
      at('a', 1, 560, 'dryer-1'),
      at('b', 0, 590, 'tub-1'),
      at('b', 1, 610, 'dryer-1'),
    ];
    expect(codes({ ...asked, apart: [] }, { laid: fine, pauses: [] })).to.deep.equal([]);
    const off = (i: number, l: ScheduledStage): readonly Breach['code'][] =>
      codes(asked, { laid: fine.with(i, l), pauses: [] });
    expect(off(2, at('b', 0, 550, 'tub-1'))).to.include.members(['person-twice', 'place-twice', 'meeting', 'wet-wait']);
    expect(off(1, at('a', 1, 550, 'dryer-1'))).to.include('dog-twice');
    expect(off(1, at('a', 1, 510, 'dryer-1'))).to.include('out-of-order');
    expect(off(1, at('a', 1, 560, 'tub-1'))).to.include('wrong-place');
    expect(codes(asked, { laid: fine.slice(1), pauses: [] })).to.include('missing');
  });
});

describe('stages of a visit', () => {
  it('are a plan’s steps by the place they need: dry at the table, then tub and dryer at once, then the finish', () => {
    const stages = stagesOf([
      { phase: 'dry-rake', minutes: 20 },
      { phase: 'dry-slicker', minutes: 15 },
      { phase: 'bath', minutes: 14 },
      { phase: 'soapy-work', minutes: 9 },
      { phase: 'towel', minutes: 4 },
      { phase: 'drying', minutes: 25, dbA: 96 },
      { phase: 'comb', minutes: 8 },
    ]);
    expect(stages.map((s) => [s.kind, s.place, s.minutes, s.atOnce])).to.deep.equal([
      ['check', 'table', 10, false],
      ['dry-work', 'table', 35, false],
      ['bath', 'tub', 27, false],
      ['drying', 'dryer', 25, true],
      ['finish', 'table', 8, false],
    ]);
    expect(stages[3]?.dbA).to.equal(96);
    // Air on the dirty, dry coat waits for nobody.
    expect(
      stagesOf([
        { phase: 'air', minutes: 20, dbA: 95 },
        { phase: 'bath', minutes: 10 },
      ])[1]?.atOnce,
    ).to.equal(false);
  });

  it('share out a length when nothing else is known', () => {
    const stages = usualStages(100, 95);
    expect(sum(stages.map((s) => s.minutes))).to.equal(100);
    expect(stages.map((s) => s.kind)).to.deep.equal(['check', 'dry-work', 'bath', 'drying', 'finish']);
  });
});
