import { expect } from 'chai';
import { dayLengthHours } from '../../core/sun/index.ts';
import { addDays, dayFromCivil, isoWeekday, sum, type Day } from '../../core/quantity/index.ts';
import {
  dueLoadG,
  leftBySession,
  lightSeason,
  lightSeasons,
  looseStore,
  nextVisit,
  outlook,
  pulseShare,
  releaseCurve,
  visitNeed,
  type NextVisitRequest,
} from '../../core/tide/index.ts';
import { openMethod, planVisit } from '../../core/bench/index.ts';
import { sessionRecord, type SessionEvent } from '../../core/table/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { checkOf, dogOf, HAND_KIT } from './examples.ts';

const on = (year: number, month: number, dayOfMonth: number): Day => dayFromCivil({ year, month, dayOfMonth });
const NORTH = { latitudeDeg: 60.2, longitudeDeg: 21.4 };
const SOUTH = { latitudeDeg: -43, longitudeDeg: 172 };
const EQUATOR = { latitudeDeg: 0.3, longitudeDeg: 32 };
const HUSKY = dogOf('medium-double', 25, { outdoorShare: 0.5 });
const YEAR = on(2031, 1, 1);

describe('the first seasonal prior', () => {
  it('has a spring and a smaller autumn pulse in the north, each 4 to 6 weeks', () => {
    const { pulses } = releaseCurve(HUSKY, NORTH, YEAR, 365);
    const year = pulses.filter((p) => p.onset >= YEAR && p.onset < YEAR + 365);
    expect(year.map((p) => p.tide)).to.deep.equal(['spring', 'autumn']);
    expect(year[0]?.onset).to.be.within(on(2031, 3, 15), on(2031, 4, 20));
    expect(year[0]?.grams).to.be.greaterThan(year[1]?.grams ?? Infinity);
    for (const p of year) expect(p.lengthDays).to.be.within(28, 42);
  });

  it('turns round in the south', () => {
    const spring = lightSeasons(SOUTH, YEAR, addDays(YEAR, 364)).find((e) => e.tide === 'spring');
    expect(spring?.lightDay).to.be.within(on(2031, 9, 1), on(2031, 10, 10));
  });

  it('is nearly flat near the equator and for an indoor dog flatter than for an outdoor one', () => {
    expect(lightSeason(EQUATOR, YEAR)).to.be.lessThan(0.05);
    const peak = (outdoorShare: number): number =>
      Math.max(...releaseCurve({ ...HUSKY, outdoorShare }, NORTH, YEAR, 365).gramsPerDay);
    expect(peak(0)).to.be.lessThan(peak(1) * 0.7);
  });

  it('keeps the year’s grams whatever the season does', () => {
    for (const place of [NORTH, EQUATOR, SOUTH]) {
      const total = sum(releaseCurve(HUSKY, place, YEAR, 365).gramsPerDay);
      expect(total).to.be.closeTo(900 * 0.101 * 25 ** (2 / 3), 40);
    }
  });

  it('works where the sun does not set, and says 24 hours or none', () => {
    const polar = { latitudeDeg: 78, longitudeDeg: 15 };
    expect(dayLengthHours(on(2031, 6, 21), 78)).to.equal(24);
    expect(dayLengthHours(on(2031, 12, 21), 78)).to.equal(0);
    expect(releaseCurve(HUSKY, polar, YEAR, 365).pulses.length).to.be.at.least(2);
  });

  it('a pulse is heaviest early and 95 % over after its length', () => {
    const shares = Array.from({ length: 200 }, (_, d) => pulseShare(d, 38));
    expect(sum(shares)).to.be.closeTo(1, 0.01);
    expect(sum(shares.slice(0, 39))).to.be.closeTo(0.95, 0.015);
    expect(shares.indexOf(Math.max(...shares))).to.be.lessThan(12);
    expect(pulseShare(-1, 38)).to.equal(0);
  });
});

describe('the next date', () => {
  const ask = (more: Partial<NextVisitRequest> = {}): NextVisitRequest => ({
    dog: HUSKY,
    place: NORTH,
    from: on(2031, 3, 10),
    leftG: 20,
    leftShare: 0.1,
    homeCare: 'none',
    openWeekdays: [1, 2, 3, 4, 5],
    ...more,
  });

  it('comes sooner before a blow than after one, and says the tide', () => {
    const spring = nextVisit(ask());
    const summer = nextVisit(ask({ from: on(2031, 6, 20) }));
    expect(spring.day - on(2031, 3, 10)).to.be.lessThan(summer.day - on(2031, 6, 20));
    expect(spring.reasons[0]).to.deep.include({ code: 'store-full', tide: 'spring' });
  });

  it('lies between its earliest and latest, on an open weekday', () => {
    for (let d = 0; d < 365; d += 9) {
      const next = nextVisit(ask({ from: addDays(YEAR, d) }));
      expect(next.earliest).to.be.at.most(next.day);
      expect(isoWeekday(next.day)).to.be.at.most(5);
      expect(next.latest).to.be.at.least(next.earliest);
    }
  });

  it('keeps the rhythm: 4 to 6 weeks or so alone, up to 8 to 13 when the home does its share', () => {
    const alone = nextVisit(ask({ from: on(2031, 6, 20) })).day - on(2031, 6, 20);
    const kept = nextVisit(ask({ from: on(2031, 6, 20), homeCare: 'steady' })).day - on(2031, 6, 20);
    expect(alone).to.be.within(28, 58);
    expect(kept).to.be.within(56, 93);
  });

  it('lets skin rest after work, but not after a mere look', () => {
    const full = { leftG: 500, from: on(2031, 6, 2) };
    expect(nextVisit(ask({ ...full, leftShare: 0.6 })).day - full.from).to.be.at.least(28);
    expect(nextVisit(ask({ ...full, leftShare: undefined })).day - full.from).to.be.at.most(3);
  });

  it('sees puppies more often', () => {
    const puppy = nextVisit(ask({ dog: { ...HUSKY, traits: ['puppy-coat'] }, from: on(2031, 6, 20) }));
    expect(puppy.day - on(2031, 6, 20)).to.be.at.most(36);
  });

  it('refuses a salon that is never open', () => {
    expect(() => nextVisit(ask({ openWeekdays: [] }))).to.throw(RangeError);
  });

  it('the store only falls when nothing is released', () => {
    const store = looseStore(new Float64Array(50), 100, 0.02, 'some');
    for (const [i, g] of store.entries()) expect(g).to.be.lessThan(i === 0 ? 100 : (store[i - 1] ?? 0));
    expect(dueLoadG(HUSKY)).to.be.greaterThan(0);
  });
});

describe('need', () => {
  const today = on(2031, 5, 20);
  const next = nextVisit({
    dog: HUSKY,
    place: NORTH,
    from: on(2031, 3, 10),
    leftG: 20,
    leftShare: 0.1,
    homeCare: 'none',
    openWeekdays: [1, 2, 3, 4, 5],
  });
  it('puts the vet first, then who is overdue, then who rests', () => {
    const vet = visitNeed({ today, lastCheck: today, awaitsVet: true, next });
    const late = visitNeed({ today, lastCheck: on(2031, 3, 10), lastVisit: on(2031, 3, 10), awaitsVet: false, next });
    const rests = visitNeed({
      today: on(2031, 3, 12),
      lastCheck: on(2031, 3, 10),
      lastVisit: on(2031, 3, 10),
      awaitsVet: false,
      next,
    });
    const booked = visitNeed({ today, lastVisit: on(2031, 3, 10), awaitsVet: false, next, booked: addDays(today, 2) });
    expect(late.reason.code).to.equal('overdue');
    expect(vet.urgency).to.be.greaterThan(late.urgency);
    expect(late.urgency).to.be.greaterThan(rests.urgency);
    expect(booked.reason.code).to.equal('booked-late');
    expect(visitNeed({ today, awaitsVet: false }).reason.code).to.equal('never-checked');
  });
});

describe('what a session teaches', () => {
  const check = checkOf(25, 50, { finger: 3, tug: 2, comb: 'stops' });
  const plan = planVisit({ dog: HUSKY, check, kit: HAND_KIT, house: DEFAULT_HOUSE });
  const method = openMethod(plan, 'dry-first');
  const worked = (weighs: number, comb: 'glides' | 'stops') => {
    if (!method) throw new Error('dry first is open');
    const events: SessionEvent[] = [{ id: 'a', atMs: 0, act: { kind: 'started' } }];
    method.steps.forEach((s, i) => {
      events.push({ id: `d${i}`, atMs: 10 + i, act: { kind: 'step-done', step: s.id } });
      events.push({ id: `w${i}`, atMs: 10 + i, act: { kind: 'weighed', step: s.id, grams: s.gramsOut * weighs } });
    });
    for (const z of method.steps.filter((s) => s.phase === 'comb').flatMap((s) => s.zones)) {
      events.push({ id: `c${z.zone}`, atMs: 900, act: { kind: 'comb', zone: z.zone, result: comb } });
    }
    const record = sessionRecord(events, method.steps);
    return leftBySession({ day: check.day, looseG: plan.looseG.likely, record });
  };
  it('as planned leaves what was planned; a heavier bag or a comb that stops means more is left', () => {
    expect(worked(1, 'glides').leftG).to.be.closeTo(plan.looseG.likely * (method?.shareLeft ?? 0), 2);
    expect(worked(2, 'glides').leftG).to.be.greaterThan(worked(1, 'glides').leftG);
    expect(worked(1, 'stops').leftShare).to.be.greaterThan(0.5);
  });
  it('one mistyped weight moves the estimate no further than threefold', () => {
    expect(worked(1000, 'glides').leftG).to.be.at.most(worked(1, 'glides').leftG * 3);
  });
  it('sets the outlook by the newer of check and session', () => {
    const base = {
      dog: HUSKY,
      homeCare: 'none' as const,
      place: NORTH,
      openWeekdays: [1, 2, 3, 4, 5],
      today: addDays(check.day, 1),
    };
    const checkedOnly = outlook({ ...base, check });
    expect(checkedOnly.need.reason.code).to.equal('never-worked');
    expect(checkedOnly.next?.day).to.be.at.most(addDays(check.day, 4));
  });
});
