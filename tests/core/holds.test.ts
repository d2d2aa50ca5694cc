/** What waits for a vet waits until a fact ends it, whoever found it, and what is worked follows. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  asHeld,
  HOLD_FINDINGS,
  holdsOf,
  placesHeld,
  SKIN_FINDINGS,
  stopsMet,
  stopsOf,
  STOPPING_SKIN,
  VET_ALLOWS,
  waitsForVet,
  zoneConditions,
  type CoatCheck,
  type Hold,
  type HoldFact,
} from '../../core/check/index.ts';
import { coatRow, ZONE_IDS } from '../../core/dog/index.ts';
import { addDays, dayFromCivil } from '../../core/quantity/index.ts';

const START = dayFromCivil({ year: 2031, month: 4, dayOfMonth: 1 });
const on = (n: number) => addDays(START, n);
const check = (n: number, zones: CoatCheck['zones'], more: Partial<CoatCheck> = {}): CoatCheck => ({
  day: on(n),
  weightKg: 20,
  guardMm: {},
  zones,
  inspection: {},
  note: '',
  ...more,
});
const checked = (n: number, zones: CoatCheck['zones'], more: Partial<CoatCheck> = {}): HoldFact => ({
  kind: 'check',
  check: check(n, zones, more),
});
const met = (n: number): HoldFact => ({ kind: 'table', day: on(n), stops: [{ place: 'rump', finding: 'new-lump' }] });
const vet = (
  n: number,
  places: readonly Hold['place'][],
  allows: (typeof VET_ALLOWS)[number] = 'as-usual',
): HoldFact => ({
  kind: 'vet',
  day: on(n),
  who: 'Dr Example',
  places,
  findings: HOLD_FINDINGS,
  allows,
  note: '',
});
const places = (...facts: readonly HoldFact[]) => placesHeld(holdsOf(facts, []));

describe('a hold', () => {
  it('is opened by what stops work, wherever it was found', () => {
    expect(places(checked(1, { rump: { skin: 'hot-spot' } }))).to.deep.equal(['rump']);
    expect(places(met(1))).to.deep.equal(['rump']);
    expect(places({ kind: 'table', day: on(1), stops: stopsMet('tail', 'hot-spot') })).to.deep.equal(['tail']);
    expect(places({ kind: 'table', day: on(1), stops: stopsMet('tail', 'parasites') })).to.equal('dog');
    expect(stopsMet('tail', 'dander')).to.deep.equal([]);
    expect(
      places({ kind: 'owner', day: on(1), note: 'pea-sized', stops: [{ place: 'belly', finding: 'lump' }] }),
    ).to.deep.equal(['belly']);
    expect(places(checked(1, {}, { inspection: { stance: 'trouble' } }))).to.equal('dog');
    expect(places(checked(1, { rump: { skin: 'pink' } }, { inspection: { eyes: 'trouble' } }))).to.deep.equal([]);
  });

  it('is ended by a later check that finds the place clear, not by one that passed it over', () => {
    const found = checked(1, { rump: { skin: 'wound' } });
    expect(places(found, checked(9, { belly: { skin: 'clear' }, rump: { finger: 2 } }))).to.deep.equal(['rump']);
    expect(places(found, checked(9, { rump: { skin: 'clear' } }))).to.deep.equal([]);
    const lame = checked(1, {}, { inspection: { stance: 'trouble' } });
    expect(places(lame, checked(9, { rump: { skin: 'clear' } }))).to.equal('dog');
    expect(places(lame, checked(9, {}, { inspection: { stance: 'fine' } }))).to.deep.equal([]);
  });

  it('that was found at the table outlives the check of that morning, and is ended by the next', () => {
    expect(places(checked(1, { rump: { skin: 'clear' } }), met(1))).to.deep.equal(['rump']);
    expect(places(met(1), checked(2, { rump: { skin: 'clear' } }))).to.deep.equal([]);
  });

  it('is ended by a vet’s word, or stands as seen where the vet leaves the place alone', () => {
    expect(places(met(1), vet(3, ['rump']))).to.deep.equal([]);
    expect(places(met(1), vet(3, ['belly']))).to.deep.equal(['rump']);
    expect(places(met(1), vet(3, ['dog'])), 'of the whole dog is of every place').to.deep.equal([]);
    const other = { ...vet(1, ['rump']), findings: ['wound' as const] };
    expect(places(met(1), other), 'what the vet was not shown').to.deep.equal(['rump']);
    const left = holdsOf([met(1), vet(3, ['rump'], 'not-there')], []);
    expect(placesHeld(left)).to.deep.equal(['rump']);
    expect(waitsForVet(left)).to.equal(false);
    expect(waitsForVet(holdsOf([met(1), vet(3, ['rump'], 'not-there'), met(5)], [])), 'found again').to.equal(true);
  });

  it('keeps the day it was found first, also where it is found again', () => {
    const [hold] = holdsOf([met(1), checked(6, { rump: { skin: 'new-lump' } })], []);
    expect(hold).to.include({ since: on(1), source: 'table', finding: 'new-lump' });
  });

  it('stops the zone in the plan of today, and what a vet has allowed stops no more', () => {
    const coat = coatRow('medium-double');
    const kinds = (c: CoatCheck, zone: string) => zoneConditions(c, coat).find((x) => x.zone === zone)?.kind;
    const clear = check(4, { rump: { finger: 1, tug: 0, tie: 'none', skin: 'clear' } });
    expect(kinds(clear, 'rump')).to.not.equal('stop');
    expect(kinds(asHeld(clear, holdsOf([met(4)], []), []), 'rump')).to.equal('stop');
    const wound = check(4, { rump: { finger: 1, tug: 0, tie: 'none', skin: 'wound' } });
    expect(kinds(wound, 'rump')).to.equal('stop');
    const seen = holdsOf([{ kind: 'check', check: wound }, vet(6, ['rump'])], []);
    expect(kinds(asHeld(wound, seen, []), 'rump')).to.not.equal('stop');
    const lump = check(4, { rump: { skin: 'new-lump' } });
    expect(asHeld(lump, [], []).zones.rump?.skin, 'it is known now').to.equal('lump');
    const lame = check(4, {}, { inspection: { stance: 'trouble', eyes: 'trouble' } });
    expect(asHeld(lame, [], []).inspection).to.deep.equal({ stance: 'watch', eyes: 'trouble' });
  });

  it('and the check of today never differ: what is held stops, and nothing else does (property)', () => {
    const zone = fc.constantFrom(...ZONE_IDS.slice(0, 6));
    const skin = fc.constantFrom(...SKIN_FINDINGS);
    const fact: fc.Arbitrary<HoldFact> = fc.oneof(
      fc
        .record({ n: fc.integer({ min: 0, max: 40 }), zones: fc.dictionary(zone, fc.record({ skin })) })
        .map(({ n, zones }) => checked(n, zones)),
      fc
        .record({ n: fc.integer({ min: 0, max: 40 }), zone })
        .map(({ n, zone: place }): HoldFact => ({ kind: 'table', day: on(n), stops: [{ place, finding: 'wound' }] })),
      fc
        .record({ n: fc.integer({ min: 0, max: 40 }), zone, allows: fc.constantFrom(...VET_ALLOWS) })
        .map(({ n, zone: place, allows }) => vet(n, [place], allows)),
    );
    fc.assert(
      fc.property(fc.array(fact, { maxLength: 12 }), (facts) => {
        const holds = holdsOf(facts, []);
        const newest = facts
          .flatMap((f) => (f.kind === 'check' ? [f.check] : []))
          .sort((a, b) => a.day - b.day)
          .at(-1);
        const today = asHeld(newest ?? check(50, {}), holds, []);
        const stops = stopsOf({ ...today, inspection: {} }, []).zones.map((s) => s.zone);
        const held = placesHeld(holds.filter((h) => h.place !== 'dog'));
        expect([...new Set(stops)].sort()).to.deep.equal(held);
        for (const { since, finding } of holds) {
          expect(facts.some((f) => (f.kind === 'check' ? f.check.day : f.day) === since)).to.equal(true);
          expect(STOPPING_SKIN.has('wound') && finding !== 'clear').to.equal(true);
        }
      }),
      { numRuns: 400, seed: 26 },
    );
  });
});
