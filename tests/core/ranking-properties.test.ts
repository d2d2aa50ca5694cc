/** Rules about the choice of tools that must never break, over random dogs, checks and kits. Seeds are fixed. */
import { expect } from 'chai';
import fc from 'fast-check';
import { coverage } from '../../core/bench/index.ts';
import { guardLengthMm, STOPPING_SKIN, zoneConditions, type CoatCheck } from '../../core/check/index.ts';
import { coatRow, mirrorZone, zone, ZONE_IDS, type Dog, type ZoneId } from '../../core/dog/index.ts';
import {
  forbiddenBy,
  HEATS,
  MATERIALS,
  rankTools,
  reasonsOf,
  SHOP,
  TIPS,
  TOOL_KINDS,
  WETNESS,
  type HouseRules,
  type RuleContext,
  type Tool,
  type Wetness,
} from '../../core/kit/index.ts';
import { checks, dogs, houses } from './random-case.ts';
import { samples } from '../samples.ts';

const RUNS = samples(2_000, 20_000);
const SEED = 731;

/** Pieces with whatever somebody measured on them. */
const pieces: fc.Arbitrary<readonly Tool[]> = fc
  .array(
    fc.record(
      {
        kind: fc.constantFrom(...TOOL_KINDS),
        pinMm: fc.integer({ min: 1, max: 80 }),
        spacingMm: fc.double({ min: 0.2, max: 20, noNaN: true }),
        tip: fc.constantFrom(...TIPS),
        widthMm: fc.integer({ min: 5, max: 400 }),
        rows: fc.integer({ min: 1, max: 4 }),
        turning: fc.boolean(),
        flexing: fc.boolean(),
        wetSafe: fc.boolean(),
        material: fc.constantFrom(...MATERIALS),
        dbA: fc.integer({ min: 50, max: 110 }),
        heat: fc.constantFrom(...HEATS),
      },
      { requiredKeys: ['kind'] },
    ),
    { maxLength: 12 },
  )
  .map((list) => list.map((t, i): Tool => ({ ...t, id: `t${i}`, name: t.kind })));

const extra: fc.Arbitrary<Tool> = fc
  .record({ kind: fc.constantFrom(...TOOL_KINDS), pinMm: fc.integer({ min: 1, max: 80 }) })
  .map((t) => ({ ...t, id: 'extra', name: t.kind }));

const kinds = fc.uniqueArray(fc.constantFrom(...TOOL_KINDS), { minLength: 1, maxLength: 5 });

interface Drawn {
  readonly dog: Dog;
  readonly check: CoatCheck;
  readonly house: HouseRules;
  readonly kit: readonly Tool[];
  readonly more: Tool;
  readonly phase: readonly (typeof TOOL_KINDS)[number][];
  readonly wetness: Wetness;
  readonly at: ZoneId;
}
const drawn: fc.Arbitrary<Drawn> = fc
  .record({
    dog: dogs,
    check: checks,
    house: houses,
    kit: pieces,
    more: extra,
    phase: kinds,
    wetness: fc.constantFrom(...WETNESS),
    at: fc.constantFrom(...ZONE_IDS),
    felt: fc.nat(19),
  })
  // Two of three times a zone that somebody felt, where the check has one.
  .map(({ felt, ...d }) => ({
    ...d,
    at: felt % 3 === 0 ? d.at : (ZONE_IDS.filter((id) => d.check.zones[id])[felt] ?? d.at),
  }));

function contextOf({ dog, check, house, wetness }: Drawn, at: ZoneId): RuleContext {
  const coat = coatRow(dog.coatClass);
  const c = zoneConditions(check, coat).find((z) => z.zone === at);
  if (!c) throw new Error(at);
  const { region } = zone(at);
  return {
    region,
    wetness,
    coatClass: dog.coatClass,
    condition: c.kind,
    grade: c.readings.finger,
    tie: c.readings.tie,
    skin: c.readings.skin,
    traits: dog.traits,
    guardMm: guardLengthMm(check.guardMm, region, (coat.guardMm.low + coat.guardMm.high) / 2),
    house,
  };
}

/** The check of the same dog seen in a mirror. */
const mirrored = (check: CoatCheck): CoatCheck => ({
  ...check,
  zones: Object.fromEntries(
    ZONE_IDS.flatMap((id) => {
      const f = check.zones[id];
      return f ? [[mirrorZone(id), f]] : [];
    }),
  ),
});

describe('the ranking of random kits', () => {
  it(`holds no forbidden piece, nothing where a finding stops, reasons for all; one more piece never worsens it; a mirror shows the same (${RUNS} cases)`, () => {
    const seen = { ranked: 0, stopped: 0, ruledOut: 0, better: 0, standsIn: 0 };
    fc.assert(
      fc.property(drawn, (d) => {
        const here = contextOf(d, d.at);
        const ranking = rankTools(d.kit, d.phase, here);
        const faults: string[] = [];
        const must = (holds: boolean, what: string): void => {
          if (!holds) faults.push(what);
        };
        for (const f of ranking.fits) {
          must(!forbiddenBy(f.tool, here), `${f.tool.kind} is forbidden and ranked`);
          must(f.fit >= 0 && f.fit <= 1, `${f.tool.kind} fits ${f.fit}`);
          if (f.standsIn) seen.standsIn++;
          else must(d.phase.includes(f.tool.kind), `${f.tool.kind} is not of the phase`);
        }
        must(
          ranking.fits.every((f, i) => i === 0 || f.fit <= (ranking.fits[i - 1]?.fit ?? 0)),
          'not in order',
        );
        if (STOPPING_SKIN.has(here.skin)) {
          seen.stopped++;
          must(here.condition === 'stop', 'a stop does not win over the coat');
          must(ranking.fits.length === 0, 'a stopped zone has a ranking');
        }
        const { chosen, beaten } = reasonsOf(ranking);
        must((chosen === undefined) === (ranking.fits.length === 0), 'a ranking without a choice');
        if (chosen) must(Number.isFinite(chosen.because.winner.value), 'a choice without a measure');
        for (const b of beaten) must(Number.isFinite(b.by.loser.value), 'a beaten piece without a measure');
        const withMore = rankTools([...d.kit, d.more], d.phase, here);
        const [before, after] = [ranking.fits[0]?.fit ?? 0, withMore.fits[0]?.fit ?? 0];
        must(after >= before, `one more ${d.more.kind} worsens ${before} to ${after}`);
        if (after > before) seen.better++;
        const mirror = { ...d, check: mirrored(d.check) };
        const other = rankTools(d.kit, d.phase, contextOf(mirror, mirrorZone(d.at)));
        must(
          ranking.fits.map((f) => `${f.tool.id} ${f.fit}`).join() ===
            other.fits.map((f) => `${f.tool.id} ${f.fit}`).join(),
          'the other side ranks otherwise in a mirror',
        );
        seen.ranked += ranking.fits.length;
        seen.ruledOut += ranking.ruledOut.length;
        if (faults.length > 0) expect.fail(faults.join('; '));
      }),
      { numRuns: RUNS, seed: SEED },
    );
    // The sample really reached what is tested.
    expect(seen.ranked).to.be.greaterThan(samples(200, 3000));
    expect(seen.stopped).to.be.greaterThan(samples(15, 200));
    expect(seen.ruledOut).to.be.greaterThan(samples(200, 3000));
    expect(seen.better).to.be.greaterThan(samples(35, 500));
    expect(seen.standsIn).to.be.greaterThan(samples(7, 100));
  });

  it('serves the dogs no worse with one more piece, and nothing bought twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ dog: dogs, check: checks }), { minLength: 1, maxLength: 6 }),
        pieces,
        houses,
        extra,
        (list, kit, house, more) => {
          const of = (tools: readonly Tool[]) => coverage({ dogs: list, kit: tools, shop: SHOP, house });
          const [before, after] = [of(kit), of([...kit, more])];
          if (after.forMinutes.some((p) => new Set(p.tools.map((t) => t.id)).size < p.tools.length)) return false;
          // A piece that can do more may raise what counts as enough, so only pieces of the shop are compared.
          const bought = before.forMinutes[0]?.tools[0];
          return !bought || of([...kit, bought]).minutes <= before.minutes + 1e-6;
        },
      ),
      { numRuns: samples(40, 150), seed: SEED },
    );
  });
});
