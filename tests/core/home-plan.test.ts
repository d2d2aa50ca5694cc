import { expect } from 'chai';
import fc from 'fast-check';
import {
  dueCare,
  HOME_PARTS,
  homeNeeds,
  homeTools,
  homeWeek,
  longestBout,
  rota,
  seedSeason,
  usualSetup,
  type HomePart,
  type HomeSetup,
  type HomeWeekRequest,
} from '../../core/home/index.ts';
import { COAT_CLASSES } from '../../core/dog/index.ts';
import { addDays, day, pick, seededRandom, sum, type Day } from '../../core/quantity/index.ts';
import { samples } from '../samples.ts';

/** Long enough for a blow to come and go; a whole year in a long run. */
const DAYS = samples(56, 364);

const TODAY = day(22_000);
const NONE: ReadonlySet<HomePart> = new Set();
const ask = (more: Partial<HomeWeekRequest> = {}): HomeWeekRequest => {
  const dog = more.dog ?? { coatClass: 'medium-double', traits: [] };
  return {
    dog,
    setup: usualSetup(dog),
    today: TODAY,
    blow: false,
    seedSeason: false,
    last: new Map(HOME_PARTS.map((p) => [p, addDays(TODAY, -1)])),
    dragged: NONE,
    packed: NONE,
    closed: NONE,
    doneToday: false,
    ...more,
  };
};
const brushings = (request: HomeWeekRequest, part: HomePart): number =>
  sum(homeWeek(request).days.map((d) => (d.bouts.some((b) => b.parts.includes(part)) ? 1 : 0)));

describe('the owner’s week', () => {
  it('brushes ruff and breeches every day or nearly in a blow, the belly gently about twice a week, the face weekly', () => {
    for (const coatClass of ['medium-double', 'heavy-double'] as const) {
      const dog = { coatClass, traits: [] };
      const blow = ask({ dog, blow: true, setup: { ...usualSetup(dog), patienceMinutes: 20 } });
      expect(brushings(blow, 'ruff'), coatClass).to.be.within(5, 7);
      expect(brushings(blow, 'breeches'), coatClass).to.be.within(5, 7);
      expect(brushings(blow, 'belly'), coatClass).to.be.within(1, 3);
      expect(brushings(blow, 'face'), coatClass).to.be.within(0, 2);
      expect(brushings(ask({ dog }), 'ruff'), coatClass).to.be.within(2, 5);
    }
  });

  it('goes where the comb dragged, where the groomer pinned, and to feathers while seeds stand', () => {
    const usual = brushings(ask(), 'hindlegs');
    expect(brushings(ask({ dragged: new Set(['hindlegs']) }), 'hindlegs')).to.be.greaterThan(usual);
    const setup = { ...usualSetup(ask().dog), pins: ['hindlegs'] as const };
    expect(brushings(ask({ setup }), 'hindlegs')).to.be.at.least(6);
    const long = { coatClass: 'long-double' as const, traits: [] };
    const walks = { ...usualSetup(long), seedWalks: true };
    const feet = (seeds: boolean): number => brushings(ask({ dog: long, setup: walks, seedSeason: seeds }), 'feet');
    expect(feet(true)).to.be.greaterThan(feet(false) + 2);
    expect([seedSeason(7, 57), seedSeason(7, -35), seedSeason(1, -35)]).to.deep.equal([true, false, true]);
  });

  it('never works a part that is closed, and never longer than the dog, a beginner or a puppy bears', () => {
    const closed = new Set<HomePart>(['hips', 'back']);
    const week = homeWeek(ask({ closed, blow: true }));
    expect(week.days.flatMap((d) => d.bouts.flatMap((b) => b.parts))).to.not.include.members(['hips']);
    const puppy = { coatClass: 'heavy-double' as const, traits: ['puppy-coat' as const] };
    for (const d of homeWeek(ask({ dog: puppy, blow: true })).days)
      for (const b of d.bouts) expect(b.minutes).to.be.at.most(5 + 1e-9);
    expect(longestBout(ask().dog, { ...usualSetup(ask().dog), beginner: true })).to.equal(5);
  });

  it('asks long coats twice a day in a blow where there are minutes, each bout within patience', () => {
    const dog = { coatClass: 'long-double' as const, traits: [] };
    const setup: HomeSetup = {
      ...usualSetup(dog),
      minutesByWeekday: [40, 40, 40, 40, 40, 40, 40],
      patienceMinutes: 12,
    };
    const week = homeWeek(ask({ dog, setup, blow: true }));
    expect(week.days.filter((d) => d.bouts.length === 2).length).to.be.greaterThan(2);
    for (const b of week.days.flatMap((d) => d.bouts)) expect(b.minutes).to.be.at.most(12 + 1e-9);
  });

  it('says when the minutes are fewer than the coat suffers', () => {
    const setup = { ...usualSetup(ask().dog), minutesByWeekday: [0, 0, 0, 0, 0, 4, 4] };
    const week = homeWeek(ask({ setup, blow: true }));
    expect(week.has).to.be.below(week.floor);
    expect(week.days.filter((d) => d.bouts.length > 0).length).to.be.at.most(2);
  });

  it('uses pieces that suit, in order, each where it may go; keeps the others in the drawer with a reason', () => {
    const dog = { coatClass: 'medium-double' as const, traits: [] };
    const setup: HomeSetup = {
      ...usualSetup(dog),
      brushes: ['comb', 'rake', 'blade-comb', 'clipper', 'soft-slicker'],
      without: ['soft-slicker'],
    };
    const steps = homeWeek(ask({ dog, setup, blow: true })).days.flatMap((d) => d.bouts.flatMap((b) => b.steps));
    expect(new Set(steps.map((s) => s.tool))).to.have.all.keys('rake', 'comb');
    for (const s of steps) if (s.tool === 'rake') expect(s.parts).to.not.include.members(['belly']);
    const tools = homeTools(dog, setup);
    expect(tools.use).to.deep.equal(['rake', 'comb']);
    expect(tools.keepOff.map((k) => `${k.tool} ${k.why}`)).to.include.members([
      'soft-slicker groomer-says',
      'clipper not-for-owners',
    ]);
    expect(tools.keepOff.map((k) => k.tool)).to.include('blade-comb');
    expect(homeTools(dog, { ...setup, severalHands: true, brushes: ['comb'] }).get).to.include('rotating-rake');
  });

  it('week after week with random misses: no bout beyond patience, no part starved, nothing piled up', () => {
    fc.assert(
      fc.property(
        fc.record({
          coatClass: fc.constantFrom(...COAT_CLASSES),
          young: fc.boolean(),
          patience: fc.integer({ min: 8, max: 25 }),
          misses: fc.double({ min: 0, max: 0.5, noNaN: true }),
          seed: fc.nat(10_000),
        }),
        ({ coatClass, young, patience, misses, seed }) => {
          const dog = { coatClass, traits: young ? (['puppy-coat'] as const) : [] };
          const random = seededRandom(seed);
          const setup: HomeSetup = {
            ...usualSetup(dog),
            minutesByWeekday: Array.from({ length: 7 }, () => pick(random, [0, 8, 15, 25, 30])),
            patienceMinutes: patience,
            seedWalks: random() < 0.5,
          };
          const most = longestBout(dog, setup);
          const last = new Map<HomePart, Day>();
          /** Days on which somebody brushed since each part was. */
          const since = new Map<HomePart, number>(HOME_PARTS.map((p) => [p, 0]));
          let away = 0;
          for (let i = 0; i < DAYS; i++) {
            const today = addDays(TODAY, i);
            const blow = (i > 60 && i < 100) || (i > 240 && i < 270);
            const request = ask({ dog, setup, today, blow, last, seedSeason: i > 60 && i < 240, mostNodes: 100 });
            const week = homeWeek(request);
            for (const b of week.days.flatMap((d) => d.bouts))
              if (b.minutes > most + 1e-9) expect.fail(`a bout of ${b.minutes} of ${most} min`);
            for (const [d, planned] of week.days.entries()) {
              const all = sum(planned.bouts.map((b) => b.minutes));
              const spare = setup.minutesByWeekday[(today + d + 3) % 7] ?? 0;
              if (all > spare + 1e-9) expect.fail(`${all} min on a day that has ${spare}`);
            }
            // Now and then a whole week is missed.
            if (away === 0 && random() < misses / 10) away = 7;
            const missed = away > 0 || random() < misses;
            if (away > 0) away--;
            const done = missed ? [] : (week.days[0]?.bouts.flatMap((b) => b.parts) ?? []);
            if (done.length === 0) continue;
            for (const p of HOME_PARTS) since.set(p, (since.get(p) ?? 0) + 1);
            for (const p of done) {
              last.set(p, today);
              since.set(p, 0);
            }
            if (week.has < 1.5 * week.floor) continue;
            // Catching up takes a round's bouts at most.
            const round = sum(week.needs.map((n) => n.minutes)) / most;
            for (const n of week.needs) {
              const waits = since.get(n.part) ?? 0;
              if (waits > n.limitDays + Math.ceil(round))
                expect.fail(`${n.part} waited ${waits} bouts of ${n.limitDays}`);
            }
          }
        },
      ),
      { seed: 71, numRuns: 3 },
    );
  });

  it('with nobody missing a day no part waits beyond its limit', () => {
    for (const coatClass of ['smooth-double', 'medium-double', 'long-double', 'fleece'] as const) {
      const dog = { coatClass, traits: [] };
      const last = new Map<HomePart, Day>(HOME_PARTS.map((p) => [p, addDays(TODAY, -1)]));
      for (let i = 0; i < 60; i++) {
        const today = addDays(TODAY, i);
        const setup = { ...usualSetup(dog), minutesByWeekday: [20, 20, 20, 20, 20, 20, 20], patienceMinutes: 20 };
        const week = homeWeek(ask({ dog, setup, today, blow: i > 20 && i < 45, last, mostNodes: 100 }));
        // As a blow begins, what could wait a week may wait no longer than four days: that takes a day or two.
        const easing = i >= 21 && i <= 24 ? 3 : 0;
        for (const n of week.needs)
          expect(n.waited, `${coatClass} ${n.part} on day ${i}`).to.be.at.most(n.limitDays + easing);
        for (const p of week.days[0]?.bouts.flatMap((b) => b.parts) ?? []) last.set(p, today);
      }
    }
  });

  it('gives every part of every coat minutes and a rhythm within its limit', () => {
    for (const coatClass of COAT_CLASSES)
      for (const blow of [false, true]) {
        const needs = homeNeeds({
          dog: { coatClass, traits: [] },
          blow,
          dragged: NONE,
          packed: NONE,
          pinned: NONE,
          seeds: false,
          closed: NONE,
        });
        expect(needs).to.have.length(HOME_PARTS.length);
        for (const n of needs) expect(n.limitDays, `${coatClass} ${n.part}`).to.be.at.least(n.rhythmDays);
      }
  });

  it('plans no more days than it can prove', () => {
    expect(() => rota({ parts: [], dayMinutes: [1, 1, 1, 1, 1, 1, 1, 1, 1] })).to.throw(RangeError);
    expect(rota({ parts: [], dayMinutes: [5] })).to.deep.include({ cost: 0, bound: 0 });
  });
});

describe('what else is due at home', () => {
  it('counts from what the home noted or the salon did, whichever is later', () => {
    const dog = { coatClass: 'medium-double' as const };
    const salon = new Map([['pads', addDays(TODAY, -3)] as const, ['bath', addDays(TODAY, -30)] as const]);
    const due = dueCare(dog, new Map([['nails', addDays(TODAY, -10)]]), salon, TODAY, addDays(TODAY, 6));
    expect(due.map((d) => d.kind)).to.include.members(['ears', 'teeth', 'bath', 'look-over']);
    expect(due.map((d) => d.kind)).to.not.include.members(['nails']);
    // What a visit did not do is due all the same: nails are cut at one where somebody chose them.
    expect(due.map((d) => d.kind)).to.not.include.members(['pads']);
    expect(
      dueCare({ coatClass: 'harsh-double' }, new Map(), new Map(), TODAY, TODAY).map((d) => d.kind),
    ).to.not.include('bath');
  });
});
