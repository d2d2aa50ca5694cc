/** What must never break in a tide: hair is neither made nor lost, slopes are slopes, nothing is read from the future. */
import { expect } from 'chai';
import fc from 'fast-check';
import { addDays, day, sum } from '../../core/quantity/index.ts';
import {
  course,
  dogModel,
  fitDog,
  freshTown,
  GLOBALS,
  HEEDED_DAYS,
  LogReader,
  ratesOf,
  type DogModel,
  type CareAhead,
} from '../../core/tide/index.ts';
import { NORTH, sightings, TODAY, tideDog } from './random-tide.ts';

const modelOf = (dog: Parameters<typeof dogModel>[0], log: Parameters<typeof dogModel>[2]): DogModel =>
  dogModel(dog, NORTH, log, TODAY, addDays(TODAY, 200));
/** Parameters somewhere in the prior. */
const thetaOf = (m: DogModel, at: readonly number[]): Float64Array =>
  Float64Array.from(m.mean, (v, i) => v + (m.sd[i] || 8) * 1.2 * (at[i % at.length] ?? 0));
const units = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 13, maxLength: 13 });

describe('tides', () => {
  it('balance: what was set free fell, was taken out, or is still in the coat', () => {
    const plans = fc.record({
      visits: fc.array(fc.tuple(fc.integer({ min: 1, max: 400 }), fc.double({ min: 0, max: 0.95, noNaN: true })), {
        maxLength: 9,
      }),
      boutsPerDay: fc.double({ min: 0, max: 1, noNaN: true }),
      light: fc.double({ min: 0, max: 2, noNaN: true }),
    });
    fc.assert(
      fc.property(tideDog, units, plans, fc.double({ min: 0, max: 500, noNaN: true }), (dog, at, p, startG) => {
        const m = modelOf(dog, [{ kind: 'started', day: addDays(TODAY, -300) }]);
        const from = addDays(TODAY, -300);
        const plan: CareAhead = {
          light: p.light,
          bouts: new Float64Array(420).fill(p.boutsPerDay),
          visits: new Map(p.visits.map(([d, takes]) => [from + d, takes])),
        };
        const rates = ratesOf(m, thetaOf(m, at));
        const c = course(rates, from, startG, 420, plan);
        const released = sum(c.released);
        const left = c.store.at(-1) ?? 0;
        expect(startG + released).to.be.closeTo(sum(c.fell) + sum(c.taken) + left, 1e-3 * (startG + released));
        expect(Math.min(...c.store, ...c.fell, ...c.taken, ...c.released)).to.be.at.least(-1e-9);
        // What falls, computed on its own: the share that falls of what stands through the day.
        let stood = startG;
        const byHand = c.store.reduce((t, s, i) => {
          const mean =
            (stood + (c.released[i] ?? 0) * 0.5 + stood * Math.exp(-rates.loss) + (c.released[i] ?? 0) * 0.5) / 2;
          stood = s;
          return t + rates.loss * rates.fallShare * mean;
        }, 0);
        expect(sum(c.fell)).to.be.closeTo(byHand, 0.03 * byHand + 0.5);
      }),
      { numRuns: 400, seed: 41 },
    );
  });

  it('read in closed form what a slow, plain walk by hours gives, in the order of a day', () => {
    fc.assert(
      fc.property(tideDog, sightings, units, ({ life: _, ...facts }, log, at) => {
        // Events of a life count by the middle of a gap between sightings: without them the two are one.
        const m = modelOf({ ...facts, life: [] }, log);
        const theta = thetaOf(m, at);
        const rates = ratesOf(m, theta);
        const own = new LogReader(m).read(theta, new Float64Array(m.sightings));
        const touches = log.filter((s) => s.kind === 'touch' && s.day <= TODAY).map((s) => s.day);
        const lastTouch = Math.max(-Infinity, ...touches);
        let store = rates.startG;
        const hours = 24;
        for (let d: number = m.from; d < m.lastDay; d++) {
          for (let h = 0; h < hours; h++) {
            const t = d + (h + 0.5) / hours;
            let release = rates.baseG;
            for (const s of rates.sheds) {
              const u = t - s.onset;
              const scale = s.lengthDays / 4.743864518;
              if (u > 0) release += (s.grams * u * Math.exp(-u / scale)) / scale ** 2;
            }
            store += (release - rates.loss * store) / hours;
          }
          const on = d + 1;
          if (on === lastTouch) store *= Math.exp(theta[GLOBALS.indexOf('now')] ?? 0);
          const visits = log.flatMap((s) => (s.kind === 'visit' && s.day === on ? [s] : []));
          const once = visits.filter(
            (v, i) => visits.findIndex((o) => o.takes === v.takes && o.weighed?.grams === v.weighed?.grams) === i,
          );
          for (const v of once.slice(0, 2)) store *= 1 - Math.min(0.97, v.takes);
          const bouts = log.filter((s) => s.kind === 'brushed' && s.day === on).length;
          store *= (1 - rates.bout) ** Math.min(3, bouts);
        }
        expect(own / store).to.be.closeTo(1, 0.01);
      }),
      { numRuns: 120, seed: 42 },
    );
  });

  it('have slopes that finite differences confirm', () => {
    fc.assert(
      fc.property(tideDog, sightings, units, (dog, log, at) => {
        const m = modelOf(dog, log);
        const theta = thetaOf(m, at);
        const n = m.sightings;
        const slopes = new Float64Array(m.size * n);
        const reader = new LogReader(m);
        reader.slopes(theta, new Float64Array(n), slopes);
        const h = 1e-4;
        for (let j = 0; j < m.size; j++) {
          const moved = (by: number): Float64Array => {
            const reads = new Float64Array(n);
            reader.read(
              Float64Array.from(theta, (v, i) => (i === j ? v + by : v)),
              reads,
            );
            return reads;
          };
          const [up, down] = [moved(h), moved(-h)];
          for (let k = 0; k < n; k++) {
            const by = ((up[k] ?? 0) - (down[k] ?? 0)) / (2 * h);
            expect(slopes[j * n + k], `parameter ${j}, sighting ${k}`).to.be.closeTo(by, 5e-3 * (1 + Math.abs(by)));
          }
        }
      }),
      { numRuns: 60, seed: 43 },
    );
  });

  it('read nothing that was logged after the day they are asked about', () => {
    fc.assert(
      fc.property(tideDog, sightings, fc.integer({ min: 50, max: 900 }), (dog, log, ago) => {
        const asOf = day(TODAY - ago);
        const fit = (of: typeof log) => {
          const m = dogModel(dog, NORTH, of, asOf, addDays(asOf, 200));
          return fitDog(m, freshTown([m]).priorOf(m));
        };
        const whole = fit(log);
        const then = fit(log.filter((s) => s.day <= asOf));
        expect(Array.from(whole.draws)).to.deep.equal(Array.from(then.draws));
        expect(Array.from(whole.weights)).to.deep.equal(Array.from(then.weights));
      }),
      { numRuns: 12, seed: 44 },
    );
  });

  it('heed nothing of other times, such as a year that was mistyped: it costs nothing either', () => {
    fc.assert(
      fc.property(tideDog, sightings, fc.integer({ min: HEEDED_DAYS + 1, max: 720_000 }), (dog, log, ago) => {
        const whole = modelOf(dog, [...log, { kind: 'started', day: addDays(TODAY, -ago) }]);
        const own = modelOf(dog, log);
        expect(whole.sheds.length).to.equal(own.sheds.length);
        expect(Array.from(whole.mean)).to.deep.equal(Array.from(own.mean));
      }),
      { numRuns: 100, seed: 46 },
    );
  });

  it('give draws whose weights add up, whatever the log says', () => {
    fc.assert(
      fc.property(tideDog, sightings, (dog, log) => {
        const m = modelOf(dog, log);
        const fit = fitDog(m, freshTown([m]).priorOf(m));
        expect(sum(fit.weights)).to.be.closeTo(1, 1e-9);
        expect(fit.draws.every((v) => Number.isFinite(v))).to.equal(true);
        expect(fit.told.every((t) => t > 0 && t <= 1 + 1e-9)).to.equal(true);
      }),
      { numRuns: 40, seed: 45 },
    );
  });
});
