/** The drawn dog: six shapes from four sides, every zone somewhere, nothing left out, the same strokes every time. */
import { ASPECTS, FRAME, type Aspect } from '../../web/drawing/dog/frame.ts';
import { expect } from 'chai';
import { BODY_SHAPES, COAT_CLASSES, mirrorZone, ZONE_IDS, zone, type ZoneId } from '../../core/dog/index.ts';
import { randomInt, seededRandom } from '../../core/quantity/index.ts';
import { HAIR, type Figure } from '../../web/drawing/dog/figure.ts';
import { figureOf } from '../../web/drawing/dog/figures.ts';
import { seenFrom } from '../../web/drawing/dog/seen-in.ts';
import { BODY, CUTS, P, type Point } from '../../web/drawing/dog/landmarks.ts';
import { sideFigure } from '../../web/drawing/dog/side.ts';
import { ABOVE, BELOW, CUTS_ABOVE, CUTS_BELOW, lower, upper, wholeOf } from '../../web/drawing/dog/spine.ts';
import { aboveFigure, belowFigure } from '../../web/drawing/dog/spine-figure.ts';
import { fade, sideWarp, spineWarp } from '../../web/drawing/dog/warp.ts';

const numbersOf = (path: string): readonly number[] => (path.match(/-?\d+(\.\d+)?(e-?\d+)?/g) ?? []).map(Number);
const zonesOf = (f: Figure) => f.parts.flatMap((p) => p.zones);
const idsIn = (f: Figure, aspect: Aspect): readonly ZoneId[] =>
  zonesOf(f).map((z) => (aspect === 'right' ? mirrorZone(z.id) : z.id));

function inside([x, y]: Point, polygon: readonly Point[]): boolean {
  let within = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + polygon.length - 1) % polygon.length] ?? a;
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) within = !within;
  });
  return within;
}

/** Share of random points of a body that lie in some zone. */
function covered(body: readonly Point[], zones: readonly (readonly Point[])[]): number {
  const random = seededRandom(3);
  let [points, held] = [0, 0];
  while (points < 4000) {
    const p: Point = [randomInt(random, 100, 960), randomInt(random, 35, 645)];
    if (!inside(p, body)) continue;
    points++;
    if (zones.some((z) => inside(p, z))) held++;
  }
  return held / points;
}

describe('the drawn dog', () => {
  for (const shape of BODY_SHAPES) {
    it(`${shape}: every aspect is made of finite strokes, its zones within the frame, each zone once`, () => {
      for (const coatClass of COAT_CLASSES) {
        for (const aspect of ASPECTS) {
          const f = figureOf({ shape, coatClass }, aspect);
          const paths = [
            ...f.far,
            ...f.parts.flatMap((p) => [...p.body, p.coat, ...p.outline, ...p.zones.map((z) => z.path)]),
            ...f.anatomy,
            ...f.lines,
          ];
          for (const path of paths) {
            expect(path, `${coatClass} ${aspect}`).to.match(/^M/);
            expect(path).to.not.match(/NaN|undefined|Infinity/);
          }
          const ids = idsIn(f, aspect);
          expect(new Set(ids).size, `${coatClass} ${aspect}`).to.equal(ids.length);
          for (const { id, centre } of zonesOf(f)) {
            expect(centre[0], id).to.be.within(FRAME.x, FRAME.x + FRAME.width);
            expect(centre[1], id).to.be.within(FRAME.y, FRAME.y + FRAME.height);
          }
          for (const p of f.parts) {
            const xs = p.body.flatMap((d) => numbersOf(d).filter((_, i) => i % 2 === 0));
            expect(Math.min(...xs), `${coatClass} ${aspect}`).to.be.at.least(FRAME.x - 20);
            expect(Math.max(...xs), `${coatClass} ${aspect}`).to.be.at.most(FRAME.x + FRAME.width + 20);
          }
        }
      }
    });

    it(`${shape}: a side shows only its own side, and all aspects together show every zone`, () => {
      const seen = new Set<ZoneId>();
      for (const aspect of ASPECTS) {
        const ids = idsIn(figureOf({ shape, coatClass: 'medium-double' }, aspect), aspect);
        if (aspect === 'left' || aspect === 'right') {
          for (const id of ids) expect([aspect, 'mid']).to.include(zone(id).side);
          expect(ids.length).to.be.at.least(18);
        } else {
          // Both sides, or neither.
          for (const id of ids) expect(ids).to.include(mirrorZone(id));
        }
        expect([...new Set(ids)], aspect).to.have.members(ZONE_IDS.filter((id) => seenFrom(aspect, id)));
        for (const id of ids) seen.add(id);
      }
      expect([...seen]).to.have.members([...ZONE_IDS]);
    });
  }

  it('leaves no part of the body without a zone, from any side', () => {
    expect(
      covered(
        BODY,
        CUTS.map((c) => c.corners.map((k) => P[k])),
      ),
    ).to.be.greaterThan(0.985);
    const halves = (cuts: typeof CUTS_ABOVE) => cuts.flatMap((c) => [c.corners.map(upper), c.corners.map(lower)]);
    expect(covered(wholeOf(ABOVE), halves(CUTS_ABOVE))).to.be.greaterThan(0.97);
    expect(covered(wholeOf(BELOW), halves(CUTS_BELOW))).to.be.greaterThan(0.97);
  });

  it('grows more hair the longer the coat, and none on the smoothest', () => {
    const byLength = [...COAT_CLASSES].sort((a, b) => HAIR[a] - HAIR[b]);
    for (const make of [sideFigure, aboveFigure, belowFigure]) {
      const tufts = byLength.map((coatClass) =>
        make({ shape: 'retriever', coatClass }).parts.reduce((t, p) => t + p.leaves.length, 0),
      );
      expect(tufts[0]).to.equal(0);
      expect(tufts.at(-1)).to.be.greaterThan(5000);
      expect(tufts).to.deep.equal([...tufts].sort((a, b) => a - b));
    }
  });

  it('is drawn with the same strokes every time, and made only once', () => {
    const looks = { shape: 'collie', coatClass: 'long-double' } as const;
    expect(sideFigure(looks)).to.deep.equal(sideFigure(looks));
    expect(figureOf(looks, 'left')).to.equal(figureOf(looks, 'right'));
    expect(figureOf(looks, 'above')).to.not.equal(figureOf(looks, 'below'));
  });

  it('stands on the ground in every shape, with legs and back of its own proportions', () => {
    const heelOf = (shape: (typeof BODY_SHAPES)[number]): number => sideWarp(shape)([790, 640])[1];
    for (const shape of BODY_SHAPES) expect(heelOf(shape), shape).to.be.closeTo(640, 1);
    const elbow = (shape: (typeof BODY_SHAPES)[number]): number => 640 - sideWarp(shape)([416, 469])[1];
    expect(elbow('short-legged')).to.be.lessThan(elbow('retriever') * 0.6);
    expect(elbow('hound')).to.be.greaterThan(elbow('retriever'));
    const wide = (shape: (typeof BODY_SHAPES)[number]): number => spineWarp(shape)([450, 450])[1];
    expect(wide('guardian')).to.be.greaterThan(wide('hound'));
  });

  it('moves smoothly: points near one another stay near', () => {
    for (const shape of BODY_SHAPES) {
      for (const warp of [sideWarp(shape), spineWarp(shape), sideWarp(shape, true)]) {
        for (let x = 120; x < 940; x += 37) {
          for (let y = 60; y < 640; y += 29) {
            const [a, b] = [warp([x, y]), warp([x + 1, y + 1])];
            // Only between two legs does a point change the leg it belongs to.
            if (y > 440) continue;
            expect(Math.hypot(a[0] - b[0], a[1] - b[1]), `${shape} ${x},${y}`).to.be.lessThan(6);
          }
        }
      }
    }
  });

  it('fades from nothing to all, either way', () => {
    expect([fade(0, 10, 20), fade(15, 10, 20), fade(30, 10, 20)]).to.deep.equal([0, 0.5, 1]);
    expect([fade(30, 20, 10), fade(5, 20, 10)]).to.deep.equal([0, 1]);
  });
});
