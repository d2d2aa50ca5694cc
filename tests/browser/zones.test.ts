/** Every zone of every body shape can be hit by a thumb at table size: 36 px or more in its smaller side, in some view. */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { BODY_SHAPES, ZONE_IDS, type BodyShape, type ZoneId } from '../../core/dog/index.ts';
import { samples } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

const LEAST_PX = 36;
const STEP_PX = 8;

type Sizes = Record<string, { readonly width: number; readonly height: number }>;

/** What can be touched of each zone on a map, as the width and height of the spots that answer. */
const sizesOn = (map: Locator): Promise<Sizes> =>
  map.evaluate((svg, step) => {
    svg.scrollIntoView({ block: 'center', behavior: 'instant' });
    const frame = svg.getBoundingClientRect();
    const edges: Record<string, { x0: number; x1: number; y0: number; y1: number }> = {};
    for (let y = frame.top + step / 2; y < frame.bottom; y += step) {
      for (let x = frame.left + step / 2; x < frame.right; x += step) {
        const id = document.elementFromPoint(x, y)?.closest('[data-zone]')?.getAttribute('data-zone');
        if (!id) continue;
        const e = (edges[id] ??= { x0: x, x1: x, y0: y, y1: y });
        e.x0 = Math.min(e.x0, x);
        e.x1 = Math.max(e.x1, x);
        e.y0 = Math.min(e.y0, y);
        e.y1 = Math.max(e.y1, y);
      }
    }
    return Object.fromEntries(
      Object.entries(edges).map(([id, e]) => [id, { width: e.x1 - e.x0 + step, height: e.y1 - e.y0 + step }]),
    );
  }, STEP_PX);

describe('zones under a thumb, at 1024 x 768', () => {
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page({ viewport: { width: 1024, height: 768 }, hasTouch: true });
  });
  after(() => stage.close());

  const dogOf = (shape: BodyShape): string => {
    const found = stage.stores.dogs.all().find((d) => d.shape === shape);
    if (!found) throw new Error(`no ${shape} in the demo`);
    return found.id;
  };

  // Two shapes in a short run: the longest legs and the shortest.
  for (const shape of samples<readonly BodyShape[]>(['hound', 'short-legged'], BODY_SHAPES)) {
    it(`${shape}: each zone is ${LEAST_PX} px or more in its smaller side, whole or enlarged`, async () => {
      await page.goto(`/desk/dogs/${dogOf(shape)}/check`);
      const best = new Map<ZoneId, number>();
      const look = async (name: string): Promise<void> => {
        const sizes = await sizesOn(page.getByRole('group', { name }));
        for (const id of ZONE_IDS) {
          const size = sizes[id];
          if (size) best.set(id, Math.max(best.get(id) ?? 0, Math.min(size.width, size.height)));
        }
      };
      const aspect = page.getByRole('group', { name: 'Aspect' });
      await look('Choose a zone, left side');
      const wholeSide = ZONE_IDS.filter((id) => (best.get(id) ?? 0) >= LEAST_PX).length;
      // Most of a side is under a thumb at once; the lens is for the rest.
      expect(wholeSide).to.be.at.least(14);
      await aspect.getByRole('button', { name: 'From above' }).tap();
      await look('Choose a zone, from above');
      await aspect.getByRole('button', { name: 'From below' }).tap();
      await look('Choose a zone, from below');
      // The right side is the left one in a mirror.
      const small = (): readonly string[] =>
        ZONE_IDS.filter((id) => !id.endsWith('.right') && (best.get(id) ?? 0) < LEAST_PX).map(
          (id) => `${id} ${best.get(id) ?? 0} px`,
        );
      if (small().length > 0) await aspect.getByRole('button', { name: 'Left side' }).tap();
      for (const lens of ['Front', 'Rear', 'Head']) {
        if (small().length === 0) break;
        await page.getByRole('group', { name: 'Enlarge' }).getByRole('button', { name: lens }).tap();
        await look('Choose a zone, left side');
      }
      expect(small()).to.deep.equal([]);
    });
  }
});
