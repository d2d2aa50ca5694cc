/**
 * The year's plan against HiGHS (branch and cut, highs.dev, MIT): the same arcs as flows, one for each dog, with what each day
 * costs above lines that touch it from below: overtime in two tiers exactly, the rise below the hours to a hundredth of a
 * minute. The plan must cost what the optimum costs, and the bound must never be above it.
 */
import { expect } from 'chai';
import loadHighs from 'highs';
import { dogArcs, planYear, WORTH, YEAR_EFFORT, type DogArcs, type Hours } from '../../core/book/index.ts';
import { ended, seededRandom } from '../../core/quantity/index.ts';
import { randomBook } from '../core/random-book.ts';
import { samples } from '../samples.ts';

const TANGENTS = 24;
interface Line {
  readonly slope: number;
  /** It passes this point: minutes, and what the day costs with them. */
  readonly at: number;
  readonly cost: number;
}
/** Lines that nowhere lie above what a day costs, written from the rule of the docs: a price that rises to `even`, then two tiers. */
function linesUnder({ minutes, overtime, even, dear, dearest }: Hours, day: number): readonly Line[] {
  const there = minutes[day] ?? 0;
  const full = (even * there) / 2;
  const more = overtime[day] ?? 0;
  const rising = Array.from({ length: there > 0 ? TANGENTS + 1 : 1 }, (_, i): Line => {
    const share = i / TANGENTS;
    return { slope: even * share, at: there * share, cost: full * share * share };
  });
  return [
    ...rising,
    { slope: dear, at: there, cost: full },
    { slope: dearest, at: there + more, cost: full + dear * more },
  ];
}

/** In the LP file format. A most number of visits is a row over the dog's arcs. */
function programme(dogs: readonly DogArcs[], hours: Hours): string {
  const objective: string[] = [];
  const rows: string[] = [];
  const binary: string[] = [];
  const onDay = new Map<number, string[]>();
  for (const [z, a] of dogs.entries()) {
    const n = a.day.length;
    const into: string[][] = Array.from({ length: n }, () => []);
    const out: string[][] = Array.from({ length: n }, () => []);
    const steps: string[] = [];
    for (let j = 0; j < n; j++) {
      for (let i = 0; i < (a.count[j] ?? 0); i++) {
        const k = (a.first[j] ?? 0) + i;
        const arc = (a.row[j] ?? 0) + i;
        const name = `x${z}_${j}_${k}`;
        objective.push(`${a.cost[arc]} ${name}`);
        binary.push(name);
        steps.push(name);
        out[j]?.push(name);
        into[k]?.push(name);
        const day = a.day[k] ?? 0;
        onDay.set(day, [...(onDay.get(day) ?? []), `${a.minutes[arc]} ${name}`]);
      }
      if (a.end[j] !== Infinity) {
        const name = `q${z}_${j}`;
        objective.push(`${a.end[j]} ${name}`);
        binary.push(name);
        out[j]?.push(name);
      }
    }
    rows.push(`s${z}: ${out[0]?.join(' + ')} = 1`);
    for (let j = 1; j < n; j++) {
      const [i, o] = [into[j]?.join(' + '), out[j]?.map((v) => `- ${v}`).join(' ')];
      if (i || o) rows.push(`f${z}_${j}: ${i ?? ''} ${o ?? ''} = 0`);
    }
    if (a.mostVisits !== undefined && steps.length > 0) rows.push(`b${z}: ${steps.join(' + ')} <= ${a.mostVisits}`);
  }
  for (const [day, of] of onDay) {
    objective.push(`c${day}`);
    rows.push(`l${day}: ${of.join(' + ')} - m${day} = 0`);
    for (const [i, { slope, at, cost }] of linesUnder(hours, day).entries())
      rows.push(`d${day}_${i}: c${day} - ${slope} m${day} >= ${cost - slope * at}`);
  }
  return [
    'Minimize',
    ` obj: ${objective.join(' + ')}`,
    'Subject To',
    ...rows,
    'Binary',
    ` ${binary.join(' ')}`,
    'End',
  ].join('\n');
}

describe('a book’s year, against HiGHS', () => {
  const CASES = samples(20, 100);
  it(`costs what the optimum costs in ${CASES} random small books, and is never below its bound`, async function () {
    this.timeout(240_000);
    const highs = await loadHighs();
    const random = seededRandom(88);
    const seen = { crowded: 0, fixed: 0, budget: 0, even: 0 };
    for (let c = 0; c < CASES; c++) {
      const { dogs, hours } = randomBook(random, 7, 4);
      const arcs = dogs.map((d) => dogArcs(d, hours, WORTH));
      const plan = ended(planYear(arcs, hours, { ...YEAR_EFFORT, triesPerDog: 120, nudgesPerTry: 8 }));
      const solved = highs.solve(programme(arcs, hours), { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
      expect(solved.Status, `book ${c}`).to.equal('Optimal');
      const truth = solved.ObjectiveValue;
      if (hours.even > 0) seen.even++;
      // Between two lines that touch it the rise lies so far above them at most.
      const apart = hours.minutes.reduce((t, m) => t + (hours.even * m) / (8 * TANGENTS ** 2), 0);
      expect(plan.cost, `book ${c}`).to.be.within(truth - 1e-3 - 1e-6 * truth, truth + apart + 1e-3 + 1e-6 * truth);
      expect(plan.bound, `book ${c}`).to.be.at.most(truth + apart + 1e-3);
      if (plan.load.some((l, d) => l > (hours.minutes[d] ?? 0))) seen.crowded++;
      if (dogs.some((d) => d.fixed.length > 0)) seen.fixed++;
      if (dogs.some((d) => d.mostVisits !== undefined)) seen.budget++;
    }
    for (const [what, n] of Object.entries(seen)) expect(n, what).to.be.greaterThan(CASES / 5);
  });
});
