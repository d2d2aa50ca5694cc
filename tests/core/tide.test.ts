import { expect } from 'chai';
import { dayLengthHours } from '../../core/sun/index.ts';
import { addDays, dayFromCivil, sum, type Day } from '../../core/quantity/index.ts';
import {
  course,
  dogModel,
  leftBySession,
  lightSeason,
  lightSeasons,
  pulseShare,
  ratesOf,
  visitNeed,
  type NeedRequest,
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

/** A dog of which nothing is known but what its class and place say. */
const usual = (place: typeof NORTH, outdoorShare = 0.5) => {
  const dog = { coatClass: 'medium-double', weightKg: 25, outdoorShare, homeCare: 'none', life: [] } as const;
  const model = dogModel(dog, place, [], YEAR, addDays(YEAR, 365));
  const rates = ratesOf(model, model.mean);
  const year = course(rates, addDays(YEAR, -1), rates.startG, 365);
  return { sheds: model.sheds.map((s, i) => ({ ...s, ...rates.sheds[i] })), ...year };
};

describe('the first seasonal prior', () => {
  it('has a spring and a smaller autumn pulse in the north, each 4 to 6 weeks', () => {
    const year = usual(NORTH).sheds.filter((p) => p.usual >= YEAR && p.usual < YEAR + 365);
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
    const peak = (outdoorShare: number): number => Math.max(...usual(NORTH, outdoorShare).released);
    expect(peak(0)).to.be.lessThan(peak(1) * 0.7);
  });

  it('keeps the year’s grams whatever the season does', () => {
    for (const place of [NORTH, EQUATOR, SOUTH])
      expect(sum(usual(place).released)).to.be.closeTo(900 * 0.101 * 25 ** (2 / 3), 40);
  });

  it('works where the sun does not set, and says 24 hours or none', () => {
    expect(dayLengthHours(on(2031, 6, 21), 78)).to.equal(24);
    expect(dayLengthHours(on(2031, 12, 21), 78)).to.equal(0);
    expect(usual({ latitudeDeg: 78, longitudeDeg: 15 }).sheds.length).to.be.at.least(2);
  });

  it('a pulse is heaviest early and 95 % over after its length', () => {
    const shares = Array.from({ length: 200 }, (_, d) => pulseShare(d, 38));
    expect(sum(shares)).to.be.closeTo(1, 0.01);
    expect(sum(shares.slice(0, 39))).to.be.closeTo(0.95, 0.015);
    expect(shares.indexOf(Math.max(...shares))).to.be.lessThan(12);
    expect(pulseShare(-1, 38)).to.equal(0);
  });
});

describe('need', () => {
  const today = on(2031, 5, 20);
  const visited = on(2031, 3, 10);
  const due = { day: addDays(visited, 28), earliest: visited, latest: addDays(visited, 40), offer: today, reasons: [] };
  const ask = (more: Partial<NeedRequest>) =>
    visitNeed({ today, lastCheck: visited, lastVisit: visited, vetFirst: undefined, due, ...more });
  it('puts the vet first, then who is overdue, then who rests', () => {
    const [vet, late, rests] = [ask({ vetFirst: today }), ask({}), ask({ today: addDays(visited, 2) })];
    expect(late.reason.code).to.equal('overdue');
    expect(vet.urgency).to.be.greaterThan(late.urgency);
    expect(late.urgency).to.be.greaterThan(rests.urgency);
    expect(ask({ booked: addDays(today, 2) }).reason.code).to.equal('booked-late');
    expect(ask({ lastCheck: undefined, lastVisit: undefined, due: undefined }).reason.code).to.equal('never-checked');
    expect(ask({ lastVisit: undefined }).reason.code).to.equal('never-worked');
    expect(ask({ due: undefined }).reason.code, 'its log is still being read').to.equal('learning');
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
});
