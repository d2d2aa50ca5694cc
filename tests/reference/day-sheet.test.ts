/**
 * The day sheet against HiGHS (branch and cut, highs.dev, MIT): the same day as a programme over slots of time (Pritsker,
 * Watters and Wolfe 1969), people chosen with starts. The sheet must cost what
 * the optimum costs, and the bound never be after its end.
 */
import { expect } from 'chai';
import loadHighs from 'highs';
import {
  breachesOf,
  DAY_EFFORT,
  DAY_WORTH,
  planDay,
  soonestEnd,
  type DayAsked,
  type DayWorth,
} from '../../core/day/index.ts';
import { mean, seededRandom, type Random } from '../../core/quantity/index.ts';
import { randomDay } from '../core/random-day.ts';
import { samples } from '../samples.ts';

const GRAIN = 15;
/** Slots beyond the last dog in which somebody may still have a pause. */
const MOST_PAUSE = 5;
/** What a minute together of two dogs that must not meet costs beside a minute of the day: the house's own figure. */
const MEETING = 10;
/** Only how long the day is, and how long dogs meet that must not. */
const SHORTEST: DayWorth = {
  length: 1,
  waiting: 0,
  late: 0,
  over: 0,
  handovers: 0,
  noise: 0,
  heavy: 0,
  meeting: MEETING,
};

/** In the LP file format; the objective is the end of the last stage in slots, and what meetings cost. slots: a horizon in which some day ends. */
function programme(asked: DayAsked, slots: number): string {
  const origin = Math.min(...asked.people.map((p) => p.hours.from));
  const slot = (minute: number): number => Math.ceil((minute - origin) / GRAIN);
  const rows: string[] = [];
  const meetings: string[] = [];
  const names: string[] = [];
  const takes = new Map<string, string[]>();
  const take = (what: string, name: string, from: number, long: number): void => {
    for (let t = from; t < from + long; t++) takes.set(`${what} ${t}`, [...(takes.get(`${what} ${t}`) ?? []), name]);
  };
  const at = new Map<string, { readonly terms: string[]; readonly long: number }>();
  const stage = (
    key: string,
    who: readonly string[],
    place: string | undefined,
    long: number,
    from: number,
    until: number,
  ): void => {
    const mine: string[] = [];
    const terms: string[] = [];
    for (const p of who) {
      const opens = Math.max(from, slot(asked.people.find((x) => x.id === p)?.hours.from ?? origin));
      for (let t = opens; t + long <= Math.min(until, slots); t++) {
        const name = `x_${names.length}`;
        names.push(name);
        mine.push(name);
        if (t > 0) terms.push(`${t} ${name}`);
        if (p) take(p, name, t, long);
        if (place) take(place, name, t, long);
      }
    }
    rows.push(`${mine.join(' + ')} = 1`);
    at.set(key, { terms, long });
  };
  const minus = (terms: readonly string[]): string => terms.map((x) => `- ${x}`).join(' ');
  const plus = (terms: readonly string[]): string => terms.map((x) => `+ ${x}`).join(' ');
  for (const v of asked.visits) {
    for (const [i, s] of v.stages.entries()) {
      const who = s.hands ? asked.people.filter((p) => p.can.includes(s.kind)).map((p) => p.id) : [''];
      stage(`${v.id} ${i}`, who, s.place, s.minutes / GRAIN, Math.max(0, slot(v.arrive.from)), slots);
      const [now, before] = [at.get(`${v.id} ${i}`), at.get(`${v.id} ${i - 1}`)];
      if (now && before)
        rows.push(`${plus(now.terms)} ${minus(before.terms)} + 0 x_0 ${s.atOnce ? '=' : '>='} ${before.long}`);
    }
    const last = at.get(`${v.id} ${v.stages.length - 1}`);
    if (last) rows.push(`finish ${minus(last.terms)} >= ${last.long}`);
  }
  for (const p of asked.people)
    for (const [i, pause] of p.pauses.entries())
      stage(`${p.id} ${i}`, [p.id], undefined, pause.minutes / GRAIN, slot(pause.within.from), slots);
  for (const [what, of] of takes) {
    const kind = what.split(' ')[0];
    rows.push(`${of.join(' + ')} <= ${Math.max(1, asked.places.filter((p) => p.kind === kind).length)}`);
  }
  // A pair is together from when both are there until one of them goes: the shortest of four spans, which is chosen.
  for (const [z, [a, b]] of asked.apart.entries()) {
    const of = (id: string) => {
      const visit = asked.visits.find((v) => v.id === id);
      const last = at.get(`${id} ${(visit?.stages.length ?? 1) - 1}`);
      // Who comes at an agreed time is there from then on.
      const agreed = visit && visit.arrive.to === visit.arrive.from;
      return {
        came: agreed ? [] : (at.get(`${id} 0`)?.terms ?? []),
        cameAt: agreed ? slot(visit.arrive.from) : 0,
        home: last?.terms ?? [],
        homeAt: last?.long ?? 0,
      };
    };
    const [x, y] = [of(a), of(b)];
    const chosen: string[] = [];
    for (const [go, come] of [
      [x, x],
      [x, y],
      [y, x],
      [y, y],
    ] as const) {
      const name = `z_${z}_${chosen.length}`;
      chosen.push(name);
      names.push(name);
      rows.push(
        `m_${z} ${minus(go.home)} ${plus(come.came)} - ${2 * slots} ${name} >= ${go.homeAt - come.cameAt - 2 * slots}`,
      );
    }
    rows.push(`${chosen.join(' + ')} = 1`);
    meetings.push(`m_${z}`);
  }
  return [
    'Minimize',
    ` obj: finish ${meetings.map((m) => `+ ${MEETING} ${m}`).join(' ')}`,
    'Subject To',
    ...rows.map((r, i) => ` r${i}: ${r}`),
    'Binary',
    ` ${names.join(' ')}`,
    'End',
  ].join('\n');
}

/** A small day; with a pair, at times with owners who come at an agreed hour. */
function smallDay(random: Random, pair: boolean): DayAsked {
  const asked = randomDay(random, { dogs: [pair ? 2 : 1, 4], people: [1, 3], grain: GRAIN, whole: false });
  const isAgreed = random() < 0.5;
  const visits = asked.visits.map((v, i) =>
    pair && isAgreed && i < 2 ? { ...v, arrive: { from: v.arrive.from, to: v.arrive.from } } : v,
  );
  return { ...asked, visits, apart: pair ? [['visit-0', 'visit-1']] : [] };
}

describe('a day’s sheet, against HiGHS', () => {
  const DAYS = samples(15, 50);
  for (const pair of [false, true])
    it(`costs what the optimum costs on ${DAYS} random small days ${pair ? 'with dogs that must not meet' : 'without pairs'}, and ends on none before its bound`, async function () {
      this.timeout(240_000);
      const highs = await loadHighs();
      const random = seededRandom(808);
      const seen = { pauses: 0, twoDryers: 0, aboveBound: 0 };
      let met = 0;
      for (let d = 0; d < DAYS; d++) {
        const asked = smallDay(random, pair);
        const sheet = planDay(asked, SHORTEST);
        const wrong = breachesOf(asked, sheet).filter((b) => b.code !== 'meeting');
        expect(wrong, `day ${d}`).to.deep.equal([]);
        const origin = Math.min(...asked.people.map((p) => p.hours.from));
        const cost = sheet.score.cost / GRAIN;
        const slots = Math.ceil((sheet.ends - origin) / GRAIN) + MOST_PAUSE;
        const solved = highs.solve(programme(asked, slots), { mip_rel_gap: 0 });
        expect(solved.Status, `day ${d}`).to.equal('Optimal');
        expect(cost, `day ${d}`).to.be.closeTo(solved.ObjectiveValue, 1e-6);
        if (sheet.score.meeting > 0) met++;
        else expect(soonestEnd(asked), `day ${d}`).to.be.at.most(sheet.ends);
        if (asked.people.some((p) => p.pauses.length > 0)) seen.pauses++;
        if (asked.places.filter((p) => p.kind === 'dryer').length > 1) seen.twoDryers++;
        if (soonestEnd(asked) < sheet.ends) seen.aboveBound++;
      }
      for (const [what, n] of Object.entries(seen)) expect(n, what).to.be.greaterThan(DAYS / 10);
      if (pair)
        expect(met, 'days on which they meet all the same')
          .to.be.greaterThan(0)
          .and.lessThan(DAYS / 2);
    });

  it('is within a hundredth of the best of long runs on fresh days', () => {
    const days = samples([5, 7], [5, 6, 7, 8, 9, 10, 11, 12]);
    const gaps = days.map((dogs, d) => {
      const asked = randomDay(seededRandom(6_000 + d), { dogs: [dogs, dogs], people: [2, 3], grain: 5, whole: true });
      const ours = planDay(asked).score.cost;
      const long = { ...DAY_EFFORT, fewestTries: DAY_EFFORT.mostTries };
      const runs = Array.from({ length: samples(2, 20) }, (_, k) =>
        planDay(asked, DAY_WORTH, { ...long, seed: k + 2 }),
      );
      return ours / Math.min(ours, ...runs.map((r) => r.score.cost)) - 1;
    });
    expect(mean(gaps)).to.be.at.most(0.01);
  });
});
