/**
 * The owner's week against HiGHS (branch and cut, highs.dev, MIT): the same weeks as flows. Each part of the dog is a path
 * from one brushing to the next; an arc costs what the part waits between them; a day's brushings share its minutes, and a
 * day with any costs the fetching.
 */
import { expect } from 'chai';
import loadHighs from 'highs';
import { FETCHING, rota, waitCost, type RotaPart, type RotaRequest } from '../../core/home/index.ts';
import { pick, randomInt, seededRandom, type Random } from '../../core/quantity/index.ts';
import { samples } from '../samples.ts';

function week(random: Random): RotaRequest {
  const parts = Array.from({ length: randomInt(random, 2, 8) }, (_, i): RotaPart => {
    const rhythmDays = pick(random, [1, 1, 2, 2, 3, 4, 7]);
    return {
      key: `p${i}`,
      minutes: pick(random, [0.5, 1, 1, 1.5, 2, 3, 4]),
      rhythmDays,
      limitDays: rhythmDays + randomInt(random, 1, 6),
      weight: pick(random, [0.6, 1, 1, 1.5, 3]),
      waited: randomInt(random, 0, 9),
    };
  });
  const dayMinutes = Array.from({ length: randomInt(random, 4, 7) }, () =>
    pick(random, [0, 2, 3, 4, 5, 5, 8, 10, 12, 20]),
  );
  return { parts, dayMinutes };
}

function programme({ parts, dayMinutes }: RotaRequest): string {
  const last = dayMinutes.length;
  const objective: string[] = dayMinutes.map((_, d) => `${FETCHING} y${d + 1}`);
  const rows: string[] = [];
  const binary: string[] = dayMinutes.map((_, d) => `y${d + 1}`);
  const onDay: string[][] = dayMinutes.map(() => []);
  for (const [z, part] of parts.entries()) {
    const into: string[][] = Array.from({ length: last + 2 }, () => []);
    const out: string[][] = Array.from({ length: last + 2 }, () => []);
    for (let s = 0; s <= last; s++) {
      for (let t = s + 1; t <= last + 1; t++) {
        const name = `a${z}_${s}_${t}`;
        // Day d between two brushings has waited so long; day `last + 1` is the one after the plan.
        let cost = t <= last ? part.minutes : 0;
        for (let d = s + 1; d < t + (t > last ? 1 : 0); d++)
          cost += waitCost(part, d - s + (s === 0 ? part.waited : 0));
        objective.push(`${cost} ${name}`);
        binary.push(name);
        out[s]?.push(name);
        into[t]?.push(name);
        if (t <= last) onDay[t - 1]?.push(`${part.minutes} ${name}`);
      }
    }
    rows.push(`s${z}: ${out[0]?.join(' + ')} = 1`);
    for (let d = 1; d <= last; d++) rows.push(`f${z}_${d}: ${into[d]?.join(' + ')} - ${out[d]?.join(' - ')} = 0`);
  }
  onDay.forEach((of, d) => rows.push(`m${d}: ${of.join(' + ')} - ${dayMinutes[d]} y${d + 1} <= 0`));
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

describe('the owner’s week, against HiGHS', () => {
  const WEEKS = samples(30, 200);
  it(`is the optimum of ${WEEKS} random small weeks`, async function () {
    this.timeout(240_000);
    const highs = await loadHighs();
    const random = seededRandom(7);
    let tight = 0;
    for (let i = 0; i < WEEKS; i++) {
      const request = week(random);
      const ours = rota({ ...request, mostNodes: Infinity });
      const theirs = highs.solve(programme(request), { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
      expect(theirs.Status, `week ${i}`).to.equal('Optimal');
      expect(ours.bound, `week ${i} is proved`).to.be.closeTo(ours.cost, 1e-6);
      expect(ours.cost, `week ${i}`).to.be.closeTo(theirs.ObjectiveValue, 1e-4 * Math.max(1, ours.cost));
      // The days themselves cost what they say, and fit.
      let cost = FETCHING * ours.days.filter((d) => d.length > 0).length;
      for (const part of request.parts) {
        let waited = part.waited;
        for (const keys of ours.days) {
          waited = keys.includes(part.key) ? 0 : waited + 1;
          cost += waitCost(part, waited) + (waited === 0 ? part.minutes : 0);
        }
        cost += waitCost(part, waited + 1);
      }
      expect(cost, `week ${i}`).to.be.closeTo(ours.cost, 1e-6);
      for (const [d, keys] of ours.days.entries()) {
        const used = request.parts.filter((p) => keys.includes(p.key)).reduce((t, p) => t + p.minutes, 0);
        expect(used).to.be.at.most((request.dayMinutes[d] ?? 0) + 1e-9);
        if (used > (request.dayMinutes[d] ?? 0) - 0.5 && used > 0) tight++;
      }
    }
    expect(tight, 'days that are full').to.be.greaterThan(samples(30, 200));
  });
});
