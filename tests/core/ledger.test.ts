import { expect } from 'chai';
import fc from 'fast-check';
import { openMethod, planVisit } from '../../core/bench/index.ts';
import { DEFAULT_HOUSE } from '../../core/kit/index.ts';
import { day, sum } from '../../core/quantity/index.ts';
import { sessionRecord } from '../../core/table/index.ts';
import {
  countsDiffer,
  entryOf,
  filtered,
  meansDiffer,
  monthOf,
  quantile,
  sinceLastYear,
  TALLY_BY,
  TALLY_OF,
  tallied,
  type VisitEntry,
} from '../../core/tally/index.ts';
import { checkOf, dogOf, FULL_KIT } from './examples.ts';
import { workedLog } from './session-log.ts';

const TODAY = day(22_400);
const entry = (more: Partial<VisitEntry> = {}): VisitEntry => ({
  id: 'v',
  day: TODAY,
  dogId: 'd',
  dog: 'Birk',
  coatClass: 'medium-double',
  method: 'wet-first',
  person: 'Ada',
  plannedMinutes: 60,
  minutes: 60,
  plannedG: 80,
  weighedG: 80,
  bathed: true,
  tools: [
    { toolId: 'rake', kind: 'rake', name: 'Rake', minutes: 20, grams: 50 },
    { toolId: 'dryer', kind: 'force-dryer', name: 'Dryer', minutes: 25, grams: 30 },
  ],
  noise: 0.3,
  priceCents: 5_000,
  ...more,
});
const entries = fc.array(
  fc
    .record({
      day: fc.integer({ min: 21_700, max: 22_400 }).map(day),
      dogId: fc.constantFrom('a', 'b', 'c'),
      coatClass: fc.constantFrom('medium-double' as const, 'smooth-double' as const),
      person: fc.constantFrom('Ada', 'Bo', undefined),
      minutes: fc.double({ min: 0, max: 200, noNaN: true }),
      weighedG: fc.option(fc.double({ min: 0, max: 400, noNaN: true }), { nil: undefined }),
      priceCents: fc.integer({ min: 0, max: 20_000 }),
      noise: fc.double({ min: 0, max: 2, noNaN: true }),
    })
    .map((e) => entry(e)),
  { maxLength: 60 },
);

describe('the ledger of visits', () => {
  it('enters a worked session with what each piece took and gave', () => {
    const [dog, check] = [dogOf('medium-double', 22), checkOf(22, 50, { finger: 2, tug: 2, comb: 'drags' })];
    const plan = planVisit({ dog, check, kit: FULL_KIT, house: DEFAULT_HOUSE });
    const best = openMethod(plan, plan.recommended?.method ?? '');
    if (!best) throw new Error('no way is open');
    const record = sessionRecord(
      workedLog(best.steps, (s) => ({ minutes: s.minutes * 1.2, grams: 7 }), 'Ada'),
      best.steps,
    );
    const e = entryOf({
      id: 's',
      day: TODAY,
      dog: { id: 'd', name: 'Birk', coatClass: 'medium-double' },
      method: best.method,
      plan: best,
      record,
      dbAOf: () => 94,
    });
    expect(e.minutes).to.be.closeTo(best.minutes * 1.2, 0.1);
    expect(e.weighedG).to.be.closeTo(7 * best.steps.length, 1e-9);
    expect(sum(e.tools.map((t) => t.minutes))).to.be.closeTo(e.minutes, 0.1);
    expect(sum(e.tools.map((t) => t.grams ?? 0))).to.be.closeTo(e.weighedG ?? 0, 1e-9);
    expect(e.person).to.equal('Ada');
    // NIOSH: an hour at 94 dB(A) is a whole day's noise.
    const dryer = sum(e.tools.filter((t) => t.kind.endsWith('dryer')).map((t) => t.minutes));
    expect(e.noise).to.be.at.least(dryer / 60 - 1e-6);
  });

  it('loses and adds nothing when it is counted by month, coat, way, person or dog (property)', () => {
    fc.assert(
      fc.property(entries, (all) => {
        const weighed = all.filter((e) => e.weighedG !== undefined);
        for (const by of TALLY_BY) {
          if (by === 'tool') continue;
          const groups = tallied(all, 'grams', by);
          expect(sum(groups.map((g) => g.n))).to.equal(weighed.length);
          expect(sum(groups.map((g) => g.total))).to.be.closeTo(sum(weighed.map((e) => e.weighedG ?? 0)), 1e-6);
          for (const g of groups) if (g.band) expect(g.band.low).to.be.at.most(g.band.high);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('takes income by the hour: all money over all hours (property)', () => {
    fc.assert(
      fc.property(entries, (all) => {
        const worked = all.filter((e) => e.minutes >= 1);
        if (worked.length === 0) return;
        const [group] = tallied(
          worked.map((e) => ({ ...e, dogId: 'one' })),
          'income',
          'dog',
        );
        const hours = sum(worked.map((e) => e.minutes)) / 60;
        expect((group?.mean ?? 0) / (sum(worked.map((e) => e.priceCents)) / hours || 1)).to.be.closeTo(
          sum(worked.map((e) => e.priceCents)) === 0 ? 0 : 1,
          1e-9,
        );
      }),
      { numRuns: 80 },
    );
  });

  it('counts noise by a person’s day, and tools by what they did themselves', () => {
    const two = [entry({ noise: 0.4 }), entry({ noise: 0.5 }), entry({ person: 'Bo', noise: 0.1 })];
    expect(tallied(two, 'noise', 'person').map((g) => [g.key, g.n, g.mean])).to.deep.equal([
      ['Ada', 1, 0.9],
      ['Bo', 1, 0.1],
    ]);
    expect(tallied(two, 'grams', 'tool').map((g) => [g.key, g.mean])).to.deep.equal([
      ['dryer', 30],
      ['rake', 50],
    ]);
  });

  it('narrows by everything that it can be narrowed by', () => {
    const all = [entry(), entry({ coatClass: 'fleece' }), entry({ day: day(22_000), person: 'Bo', tools: [] })];
    expect(filtered(all, { from: day(22_100) })).to.have.length(2);
    expect(filtered(all, { to: day(22_100) })).to.have.length(1);
    expect(filtered(all, { coatClass: 'fleece' })).to.have.length(1);
    expect(filtered(all, { person: 'Bo' })).to.have.length(1);
    expect(filtered(all, { toolId: 'rake' })).to.have.length(2);
    expect(filtered(all, { method: 'smooth' })).to.have.length(0);
    for (const of of TALLY_OF) for (const by of TALLY_BY) expect(tallied([], of, by)).to.deep.equal([]);
    expect(monthOf(day(0))).to.equal('1970-01');
  });

  it('draws quantiles between order statistics', () => {
    expect(quantile([1, 2, 3, 4], 0.5)).to.equal(2.5);
    expect(quantile([5], 0.9)).to.equal(5);
  });
});

describe('what changed since last year', () => {
  const year = (of: (i: number) => Partial<VisitEntry>, n = 40, ago = 0): VisitEntry[] =>
    Array.from({ length: n }, (_, i) => entry({ day: day(TODAY - ago * 365 - i * 9), ...of(i) }));

  it('says what the numbers bear out, and keeps the rest apart', () => {
    const all = [...year((i) => ({ minutes: 70 + (i % 7) })), ...year((i) => ({ minutes: 55 + (i % 7) }), 40, 1)];
    const changes = sinceLastYear({ entries: all, moves: [], home: [] }, TODAY);
    const of = (what: string) => changes.find((c) => c.what === what);
    expect(of('minutes')?.sure).to.equal(true);
    expect(of('minutes')?.now).to.be.greaterThan(of('minutes')?.before ?? 0);
    expect(of('visits')?.sure).to.equal(false);
    expect(of('grams')?.sure).to.equal(false);
    expect(of('product')).to.equal(undefined);
  });

  it('says nothing of two years that are the same, of one year alone, of a handful', () => {
    const same = [...year((i) => ({ minutes: 50 + (i % 9) })), ...year((i) => ({ minutes: 50 + (i % 9) }), 40, 1)];
    for (const c of sinceLastYear({ entries: same, moves: [], home: [] }, TODAY))
      expect(c.sure, c.what).to.equal(false);
    expect(sinceLastYear({ entries: year(() => ({})), moves: [], home: [] }, TODAY)).to.deep.equal([]);
    expect(
      sinceLastYear({ entries: [...year(() => ({}), 3), ...year(() => ({}), 3, 1)], moves: [], home: [] }, TODAY),
    ).to.deep.equal([]);
  });

  it('cries wolf about as often as it says it does: one in ten of years that are alike', () => {
    let wrong = 0;
    let asked = 0;
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 24, maxLength: 24 }), (values) => {
        asked++;
        if (meansDiffer(values.slice(0, 12), values.slice(12))) wrong++;
      }),
      { numRuns: 600, seed: 7 },
    );
    expect(wrong / asked).to.be.below(0.2);
  });

  it('takes counts as counts', () => {
    expect(countsDiffer(100, 101)).to.equal(false);
    expect(countsDiffer(100, 160)).to.equal(true);
    expect(countsDiffer(0, 0)).to.equal(false);
  });
});
