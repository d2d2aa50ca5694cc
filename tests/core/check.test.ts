import { expect } from 'chai';
import fc from 'fast-check';
import {
  guardLengthMm,
  contradictions,
  stopsOf,
  TIED,
  wholeCondition,
  zoneConditions,
  type CoatCheck,
  type ConditionKind,
  type ZoneQuestion,
  type SkinFinding,
  type ZoneCondition,
  type ZoneFindings,
} from '../../core/check/index.ts';
import {
  coatRow,
  isZoneId,
  mirrorZone,
  regionRow,
  REGIONS,
  ZONE_IDS,
  ZONES,
  type CoatClass,
  type ZoneId,
} from '../../core/dog/index.ts';
import { sum } from '../../core/quantity/index.ts';
import { checkOf } from './examples.ts';
import { checks } from './random-case.ts';

const MEDIUM = coatRow('medium-double');
const FLEECE = coatRow('fleece');
const only = (zones: Partial<Record<ZoneId, ZoneFindings>>): CoatCheck => ({ ...checkOf(20, 50, {}), zones });
const at = (check: CoatCheck, id: ZoneId, coat = MEDIUM): ZoneCondition => {
  const found = zoneConditions(check, coat).find((c) => c.zone === id);
  if (!found) throw new Error(id);
  return found;
};

describe('zones', () => {
  it('share out the whole surface, each side half of its pair', () => {
    expect(sum(REGIONS.map((r) => r.surfaceShare))).to.be.closeTo(1, 1e-9);
    expect(sum(ZONES.map((z) => z.surfaceShare))).to.be.closeTo(1, 1e-9);
  });
  it('are at least 24, with sides, and mirror back to themselves', () => {
    expect(ZONE_IDS.length).to.be.at.least(24);
    for (const id of ZONE_IDS) expect(mirrorZone(mirrorZone(id))).to.equal(id);
  });
  it('have one place each in the working order, head last', () => {
    expect(new Set(REGIONS.map((r) => r.order)).size).to.equal(REGIONS.length);
    expect(regionRow('face').order).to.equal(Math.max(...REGIONS.map((r) => r.order)));
  });
});

describe('condition of a zone', () => {
  const cases: readonly [ZoneFindings, ConditionKind, string][] = [
    [{ finger: 0, tug: 0, comb: 'glides' }, 'clear', 'skin at a touch'],
    [{ finger: 1, tug: 1, comb: 'glides' }, 'clear', 'parted'],
    [{ finger: 1, tug: 2, comb: 'glides' }, 'loose', 'a tuft comes'],
    [{ finger: 2, tug: 1, comb: 'drags' }, 'loose', 'a push'],
    [{ finger: 1, tug: 1, comb: 'drags' }, 'loose', 'the comb drags'],
    [{ finger: 3, tug: 2, comb: 'stops' }, 'packed', 'no skin, comb stops'],
    [{ finger: 3, tug: 2, comb: 'glides' }, 'loose', 'deep but open'],
    [{ finger: 2, tug: 2, comb: 'stops' }, 'packed', 'comb stops at a push'],
    [{ finger: 4, tug: 0, comb: 'stops' }, 'packed', 'a plate'],
    [{ finger: 4, tie: 'mat' }, 'matted', 'a tie is not a pack'],
    [{ finger: 4, tie: 'pelt' }, 'pelted', 'felted to the skin'],
    [{ finger: 3, tug: 0, comb: 'glides' }, 'dense', 'depth, but nothing comes and the comb glides'],
    [{ finger: 2, tug: 1, comb: 'glides' }, 'dense', 'a push, few hairs, an easy comb'],
    [{ finger: 1, tie: 'knot' }, 'knotted', 'a loose knot'],
    [{ tie: 'pelt', skin: 'hot-spot' }, 'stop', 'a stop beats a tie'],
    [{ finger: 1, skin: 'dander' }, 'clear', 'flakes do not stop'],
  ];
  for (const [findings, kind, why] of cases) {
    it(`${why}: ${kind}`, () => expect(at(only({ back: findings }), 'back').kind).to.equal(kind));
  }

  const stopping: readonly [SkinFinding, boolean][] = [
    ['hot-spot', true],
    ['wound', true],
    ['new-lump', true],
    ['parasites', true],
    ['lump', false],
    ['pink', false],
    ['dander', false],
  ];
  for (const [skin, stops] of stopping) {
    it(`${skin} ${stops ? 'stops' : 'does not stop'} its zone`, () => {
      const check = only({ back: { finger: 1, skin } });
      expect(at(check, 'back').kind === 'stop').to.equal(stops);
      expect(stopsOf(check, []).zones.length === 1).to.equal(stops);
    });
  }

  it('cannot be packed in a coat without undercoat', () => {
    expect(at(only({ back: { finger: 4, comb: 'stops' } }), 'back', FLEECE).kind).to.equal('loose');
  });

  it('borrows from the mirror, then from the rest, and says so', () => {
    const check = only({ 'ruff.left': { finger: 4, comb: 'stops' }, back: { finger: 1 }, 'ribs.left': { finger: 1 } });
    expect(at(check, 'ruff.right')).to.deep.include({ kind: 'packed', assumed: true });
    expect(at(check, 'ruff.right').reasons.at(-1)).to.deep.equal({ code: 'borrowed', from: 'mirror' });
    expect(at(check, 'tail').reasons.at(-1)).to.deep.equal({ code: 'borrowed', from: 'rest' });
    expect(at(only({}), 'tail').reasons.at(-1)).to.deep.equal({ code: 'borrowed', from: 'coat-class' });
  });

  it('never borrows a tie or a sore', () => {
    const check = only({ 'hip.left': { finger: 2, tie: 'mat', skin: 'hot-spot' } });
    expect(at(check, 'hip.right').kind).to.not.be.oneOf([...TIED, 'stop']);
  });

  it('mirrored findings give mirrored conditions', () => {
    fc.assert(
      fc.property(checks, (check) => {
        const zones = Object.fromEntries(
          Object.entries(check.zones).flatMap(([id, f]) => (isZoneId(id) ? [[mirrorZone(id), f]] : [])),
        );
        const mirrored = new Map(zoneConditions({ ...check, zones }, MEDIUM).map((c) => [c.zone, c]));
        for (const c of zoneConditions(check, MEDIUM)) {
          expect({ ...mirrored.get(mirrorZone(c.zone)), zone: c.zone }).to.deep.equal(c);
        }
      }),
      { seed: 11, numRuns: 500 },
    );
  });
});

describe('stops of the whole dog', () => {
  it('come from joints, stance, breathing and parasites', () => {
    for (const item of ['joints', 'stance', 'breathing', 'parasites'] as const) {
      expect(stopsOf({ ...only({}), inspection: { [item]: 'trouble' } }, []).dog).to.deep.equal([
        { code: 'inspection', item },
      ]);
    }
    expect(stopsOf({ ...only({}), inspection: { nails: 'trouble', stance: 'watch' } }, []).dog).to.have.length(0);
  });
  it('come from parasites in any zone: they are the whole dog’s matter', () => {
    const on = (n: number) =>
      only(Object.fromEntries(ZONE_IDS.slice(0, n).map((id) => [id, { skin: 'parasites' as const }])));
    expect(stopsOf(on(1), []).dog).to.deep.equal([{ code: 'parasites', zones: 1 }]);
    expect(stopsOf(on(5), []).dog).to.deep.equal([{ code: 'parasites', zones: 5 }]);
  });
  it('come from a wide pelt on a frail dog only', () => {
    const zones = Object.fromEntries(ZONE_IDS.map((id) => [id, { tie: 'pelt' as const }]));
    expect(stopsOf(only(zones), []).dog).to.have.length(0);
    expect(stopsOf(only(zones), ['senior']).dog[0]?.code).to.equal('wide-pelt-frail');
  });
});

describe('guard hair', () => {
  it('is read from the place that stands for the region, else from the back, else from the class', () => {
    expect(guardLengthMm({ back: 40, ruff: 80 }, 'ruff', 50)).to.equal(80);
    expect(guardLengthMm({ back: 40 }, 'ruff', 50)).to.equal(40);
    expect(guardLengthMm({}, 'back', 50)).to.equal(50);
    expect(guardLengthMm({ back: 40 }, 'face', 50)).to.be.lessThan(20);
  });
});

describe('findings that do not go together', () => {
  const ask = (
    zones: Partial<Record<ZoneId, ZoneFindings>>,
    coatClass: CoatClass = 'medium-double',
    more: Parameters<typeof contradictions>[2] = {},
  ) => contradictions({ ...only(zones), guardMm: { back: 50 } }, coatClass, more);

  const rows: readonly [ZoneFindings, ZoneQuestion | undefined][] = [
    [{ finger: 4, comb: 'glides', tug: 2 }, 'plate-glides'],
    [{ finger: 4, comb: 'stops', tug: 2 }, undefined],
    [{ finger: 4, tug: 0, comb: 'stops' }, 'plate-gives-nothing'],
    [{ finger: 4, tug: 0, comb: 'stops', tie: 'mat' }, undefined],
    [{ finger: 0, comb: 'stops' }, 'skin-but-stops'],
    [{ finger: 0, comb: 'stops', tie: 'knot' }, undefined],
    [{ finger: 3, comb: 'glides', tie: 'mat' }, 'tie-but-glides'],
    [{ finger: 3, comb: 'glides', tie: 'knot' }, undefined],
    [{ finger: 1, tie: 'pelt', comb: 'stops' }, 'pelt-but-skin'],
    [{ finger: 0, tug: 3 }, 'skin-but-handful'],
    [{ finger: 1, tug: 3 }, undefined],
  ];
  for (const [findings, code] of rows) {
    it(`${JSON.stringify(findings)}: ${code ?? 'nothing to ask'}`, () =>
      expect(ask({ back: findings })).to.deep.equal(code ? [{ code, zone: 'back' }] : []));
  }

  it('a plate on a coat without undercoat, sides far apart, a jump in weight, hair of another class', () => {
    expect(ask({ back: { finger: 4, tug: 2, comb: 'stops' } }, 'fleece')).to.deep.equal([
      { code: 'no-undercoat-but-plate', zone: 'back' },
    ]);
    expect(ask({ 'hip.left': { finger: 4, tug: 2 }, 'hip.right': { finger: 1 } })).to.deep.equal([
      { code: 'sides-differ', zone: 'hip.left', grades: 3 },
    ]);
    expect(ask({}, 'medium-double', { lastKg: 16 })).to.deep.equal([{ code: 'weight-jump', kg: 20, lastKg: 16 }]);
    expect(ask({}, 'medium-double', { lastKg: 18 })).to.deep.equal([]);
    expect(ask({}, 'smooth-double')).to.deep.equal([{ code: 'length-not-of-class', mm: 50, low: 15, high: 35 }]);
    expect(ask({}, 'smooth-double', { clipped: true })).to.deep.equal([]);
  });

  it('changes no reading: the condition is the same whether or not it is asked about', () => {
    const check = only({ back: { finger: 4, comb: 'glides', tug: 2 } });
    expect(contradictions(check, 'medium-double')).to.have.length(1);
    expect(at(check, 'back').kind).to.equal('packed');
  });
});

describe('the coat as a whole', () => {
  const whole = (all: ZoneFindings, exceptions: Partial<Record<ZoneId, ZoneFindings>> = {}) =>
    wholeCondition(zoneConditions(checkOf(20, 50, all, exceptions), MEDIUM));
  const PACKED: ZoneFindings = { finger: 3, tug: 2, comb: 'stops' };
  const EASY: ZoneFindings = { finger: 1, tug: 1, comb: 'glides' };

  it('is named by the hardest condition on enough of it', () => {
    expect(whole(EASY)).to.deep.include({ kind: 'clear' });
    expect(whole(PACKED)).to.deep.include({ kind: 'packed' });
    expect(whole(EASY, { tail: PACKED })).to.deep.include({ kind: 'clear' });
    expect(whole(EASY, { 'ruff.left': PACKED, 'ruff.right': PACKED, back: PACKED }).kind).to.equal('packed');
    expect(whole(EASY, { 'ruff.left': { tie: 'mat' }, 'ruff.right': { tie: 'mat' } }).kind).to.equal('matted');
  });

  it('counts harder zones towards an easier name', () => {
    // A pelt and some knots, each too small to name the dog, make a knotted dog together.
    const found = whole(EASY, { throat: { tie: 'pelt' }, 'shoulder.left': { tie: 'knot' }, tail: { tie: 'mat' } });
    expect(found.kind).to.equal('knotted');
    expect(found.share).to.be.closeTo(0.1, 1e-9);
  });
});
