/**
 * The day sheet against HiGHS (branch and cut, highs.dev, MIT): the same day as a programme over slots of time (Pritsker,
 * Watters and Wolfe 1969), people chosen with starts. The sheet must end when the optimum ends, and the bound never after it.
 */
import { expect } from 'chai';
import loadHighs from 'highs';
import { breachesOf, planDay, soonestEnd, type DayAsked, type DayWorth } from '../../core/day/index.ts';
import { seededRandom } from '../../core/quantity/index.ts';
import { randomDay } from '../core/random-day.ts';
import { samples } from '../samples.ts';

const GRAIN = 15;
/** Slots beyond the last dog in which somebody may still have a pause. */
const MOST_PAUSE = 5;
/** Only how long the day is, and what may not be at all. */
const SHORTEST: DayWorth = {
  length: 1,
  waiting: 0,
  late: 0,
  over: 0,
  handovers: 0,
  noise: 0,
  heavy: 0,
  meeting: 1000,
};

/** In the LP file format; the objective is the end of the last stage in slots. slots: a horizon in which some day ends. */
function programme(asked: DayAsked, slots: number): string {
  const origin = Math.min(...asked.people.map((p) => p.hours.from));
  const slot = (minute: number): number => Math.ceil((minute - origin) / GRAIN);
  const rows: string[] = [];
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
  for (const [z, [a, b]] of asked.apart.entries()) {
    const of = (id: string): readonly [string[], string[], number] => {
      const stages = asked.visits.find((v) => v.id === id)?.stages ?? [];
      const last = at.get(`${id} ${stages.length - 1}`);
      return [at.get(`${id} 0`)?.terms ?? [], last?.terms ?? [], last?.long ?? 0];
    };
    const [[aFirst, aLast, aLong], [bFirst, bLast, bLong]] = [of(a), of(b)];
    rows.push(`${plus(bFirst)} ${minus(aLast)} + ${2 * slots} y_${z} >= ${aLong}`);
    rows.push(`${plus(aFirst)} ${minus(bLast)} - ${2 * slots} y_${z} >= ${bLong - 2 * slots}`);
    names.push(`y_${z}`);
  }
  return [
    'Minimize',
    ' obj: finish',
    'Subject To',
    ...rows.map((r, i) => ` r${i}: ${r}`),
    'Binary',
    ` ${names.join(' ')}`,
    'End',
  ].join('\n');
}

describe('a day’s sheet, against HiGHS', () => {
  const DAYS = samples(15, 50);
  it(`ends when the optimum ends on ${DAYS} random small days, and no day before its bound`, async function () {
    this.timeout(240_000);
    const highs = await loadHighs();
    const random = seededRandom(808);
    const seen = { apart: 0, pauses: 0, twoDryers: 0, aboveBound: 0 };
    for (let d = 0; d < DAYS; d++) {
      const asked = randomDay(random, { dogs: [2, 4], people: [1, 3], grain: GRAIN, whole: false });
      const sheet = planDay(asked, SHORTEST);
      expect(breachesOf(asked, sheet), `day ${d}`).to.deep.equal([]);
      const origin = Math.min(...asked.people.map((p) => p.hours.from));
      const long = (sheet.ends - origin) / GRAIN;
      const solved = highs.solve(programme(asked, Math.ceil(long) + MOST_PAUSE), { mip_rel_gap: 0 });
      expect(solved.Status, `day ${d}`).to.equal('Optimal');
      expect(long, `day ${d}`).to.be.closeTo(solved.ObjectiveValue, 1e-6);
      expect(soonestEnd(asked), `day ${d}`).to.be.at.most(sheet.ends);
      if (asked.apart.length > 0) seen.apart++;
      if (asked.people.some((p) => p.pauses.length > 0)) seen.pauses++;
      if (asked.places.filter((p) => p.kind === 'dryer').length > 1) seen.twoDryers++;
      if (soonestEnd(asked) < sheet.ends) seen.aboveBound++;
    }
    for (const [what, n] of Object.entries(seen)) expect(n, what).to.be.greaterThan(DAYS / 6.25);
  });
});
