/** What a month came to: each list adds up to the whole, and no other month is in it. */
import { expect } from 'chai';
import fc from 'fast-check';
import { day, parseDay, sum } from '../../core/quantity/index.ts';
import { monthOf, takings, type VisitEntry } from '../../core/tally/index.ts';

const MAY = parseDay('2026-05-01') ?? day(0);
const entry = (
  n: number,
  on: number,
  person: string | undefined,
  method: VisitEntry['method'],
  cents: number,
): VisitEntry => ({
  id: `v-${n}`,
  day: day(on),
  dogId: 'd',
  dog: 'Birk',
  coatClass: 'medium-double',
  method,
  person,
  plannedMinutes: 60,
  minutes: 55,
  plannedG: 40,
  weighedG: undefined,
  bathed: true,
  tools: [],
  noise: 0,
  priceCents: cents,
});

describe('takings of a month', () => {
  it('add up by person and by way to the whole, whatever the log', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: -40, max: 80 }),
            fc.constantFrom(undefined, 'Runa', 'Bertil'),
            fc.constantFrom('wet-first' as const, 'air-first' as const),
            fc.integer({ min: 0, max: 20_000 }),
          ),
          { maxLength: 40 },
        ),
        (rows) => {
          const entries = rows.map(([d, who, how, cents], n) => entry(n, MAY + d, who, how, cents));
          const { all, byPerson, byMethod } = takings(entries, '2026-05');
          const those = entries.filter((e) => monthOf(e.day) === '2026-05');
          expect(all).to.deep.equal({
            key: '',
            visits: those.length,
            cents: sum(those.map((e) => e.priceCents)),
            minutes: 55 * those.length,
            noted: 0,
            openCents: 0,
          });
          for (const list of [byPerson, byMethod]) {
            expect(sum(list.map((t) => t.cents))).to.equal(all.cents);
            expect(sum(list.map((t) => t.visits))).to.equal(all.visits);
            expect(list.map((t) => t.cents)).to.deep.equal(list.map((t) => t.cents).toSorted((a, b) => b - a));
          }
        },
      ),
      { seed: 30 },
    );
  });

  it('are what was written down at the table, by the price where nobody did, and say what is still to pay', () => {
    const told = entry(0, MAY, 'Runa', 'wet-first', 6_000);
    const { all } = takings(
      [
        told,
        { ...told, id: 'v-1', takenCents: 5_500, openCents: 0 },
        { ...told, id: 'v-2', takenCents: 0, openCents: 6_000 },
      ],
      '2026-05',
    );
    expect(all).to.include({ visits: 3, cents: 11_500, noted: 2, openCents: 6_000 });
  });
});
