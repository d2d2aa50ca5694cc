/**
 * A full check of a double-coated dog in at most 30 acts, by mouse, by finger and by keys.
 * An act is a click or tap, one stroke over the map from down to up, a number typed into a field, or one key pressed
 * once or held. Offline and reloaded in the middle, nothing is lost.
 */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import type { ZoneFindings } from '../../core/check/index.ts';
import { mirrorZone, ZONE_IDS, zone, type ZoneId } from '../../core/dog/index.ts';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

const MOST_ACTS = 30;

interface Stroke {
  readonly test: string;
  readonly grade: string;
  readonly sets: ZoneFindings;
  /** Zones the stroke runs through, side by side, so that it crosses no other. */
  readonly through: readonly ZoneId[];
}
const stroke = (test: string, grade: string, sets: ZoneFindings, ...through: ZoneId[]): Stroke => ({
  test,
  grade,
  sets,
  through,
});

/** Zones of the left map, in working order. */
const LEFT = ZONE_IDS.filter((id) => zone(id).side !== 'right');

/** One wandering stroke over everything, then what differs. The right side is the same as the left. */
const STROKES: readonly Stroke[] = [
  stroke('Finger to skin', 'push', { finger: 2 }, ...LEFT),
  stroke('Finger to skin', 'skin', { finger: 0 }, 'face.left'),
  stroke('Finger to skin', 'skin', { finger: 0 }, 'forefoot.left'),
  stroke('Finger to skin', 'skin', { finger: 0 }, 'hindfoot.left'),
  stroke('Finger to skin', 'plate', { finger: 4 }, 'breeches.left', 'tail'),
  stroke('Finger to skin', 'no skin', { finger: 3 }, 'chest', 'throat', 'ruff.left'),
  stroke('Finger to skin', 'no skin', { finger: 3 }, 'hip.left', 'rump'),
  stroke('Gentle tug brings', 'tuft', { tug: 2 }, 'ruff.left', 'shoulder.left', 'ribs.left'),
  stroke('Gentle tug brings', 'handful', { tug: 3 }, 'rump', 'breeches.left', 'tail'),
  stroke('Comb', 'stops', { comb: 'stops' }, 'ruff.left'),
  stroke('Comb', 'stops', { comb: 'stops' }, 'hip.left', 'rump', 'breeches.left'),
  stroke('Tied hair', 'mat', { tie: 'mat' }, 'armpit.left'),
];

/** Findings that strokes leave, worked out apart from the interface. */
function left(strokes: readonly Pick<Stroke, 'sets' | 'through'>[]): Partial<Record<ZoneId, ZoneFindings>> {
  const zones: Partial<Record<ZoneId, ZoneFindings>> = {};
  for (const { sets, through } of strokes) {
    for (const id of through) for (const z of new Set([id, mirrorZone(id)])) zones[z] = { ...zones[z], ...sets };
  }
  return zones;
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** For each zone of a map, the spot that lies deepest in what can be touched of it, from the map's corner. */
async function spotsOf(map: Locator): Promise<(id: ZoneId) => Spot> {
  const found = await map.evaluate((svg) => {
    const spots: Record<string, { x: number; y: number }> = {};
    const grid = 10;
    svg.scrollIntoView({ block: 'start', behavior: 'instant' });
    const corner = svg.getBoundingClientRect();
    for (const el of svg.querySelectorAll('[data-zone]')) {
      const box = el.getBoundingClientRect();
      const own: { x: number; y: number }[] = [];
      const other: { x: number; y: number }[] = [];
      for (let i = 0; i <= grid; i++) {
        for (let k = 0; k <= grid; k++) {
          const at = { x: box.left + (box.width * i) / grid, y: box.top + (box.height * k) / grid };
          const hit = document.elementFromPoint(at.x, at.y)?.closest('[data-zone]');
          (hit === el ? own : other).push(at);
        }
      }
      let room = 0;
      for (const p of own) {
        const here = Math.min(...other.map((q) => Math.hypot(p.x - q.x, p.y - q.y)));
        if (here > room) {
          room = here;
          spots[el.getAttribute('data-zone') ?? ''] = { x: p.x - corner.left, y: p.y - corner.top };
        }
      }
    }
    return spots;
  });
  return (id) => {
    const spot = found[id];
    if (!spot) throw new Error(`${id} cannot be touched`);
    return spot;
  };
}

interface Hand {
  readonly press: (target: Locator) => Promise<void>;
  readonly draw: (spots: readonly Spot[]) => Promise<void>;
}

const mouse = (page: Page): Hand => ({
  press: (target) => target.click(),
  draw: async ([first, ...rest]) => {
    if (!first) return;
    await page.mouse.move(first.x, first.y);
    await page.mouse.down();
    for (const { x, y } of rest) await page.mouse.move(x, y, { steps: 5 });
    await page.mouse.up();
  },
});

async function finger(page: Page): Promise<Hand> {
  const cdp = await page.context().newCDPSession(page);
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', spot?: Spot) =>
    cdp.send('Input.dispatchTouchEvent', { type, touchPoints: spot ? [spot] : [] });
  return {
    press: async (target) => {
      // A hand does not tap within the moment in which a stroke could still become a double tap.
      await page.waitForTimeout(600);
      // Nor while the stroke is still being drawn: a page that answers half a second late takes a tap for a long press.
      await page.evaluate(() => new Promise((done) => requestIdleCallback(done, { timeout: 2000 })));
      await target.tap();
    },
    draw: async (spots) => {
      const [first] = spots;
      if (!first) return;
      await touch('touchStart', first);
      for (const [i, to] of spots.entries()) {
        const from = spots[i - 1] ?? first;
        for (let s = 1; s <= 5; s++) {
          await touch('touchMove', { x: from.x + ((to.x - from.x) * s) / 5, y: from.y + ((to.y - from.y) * s) / 5 });
        }
      }
      await touch('touchEnd');
    },
  };
}

/** Draws over zones of a map that is in view, or is brought there first; true when that took a scroll. */
async function drawOver(map: Locator, hand: Hand, spots: readonly Spot[]): Promise<boolean> {
  const { left, top, scrolled } = await map.evaluate((svg) => {
    const before = window.scrollY;
    const box = svg.getBoundingClientRect();
    if (box.top < 0 || box.bottom > window.innerHeight) svg.scrollIntoView({ block: 'start', behavior: 'instant' });
    const corner = svg.getBoundingClientRect();
    return { left: corner.left, top: corner.top, scrolled: window.scrollY !== before };
  });
  await hand.draw(spots.map((s) => ({ x: s.x + left, y: s.y + top })));
  return scrolled;
}

describe('a full check in at most 30 acts', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  /** The check by strokes; returns the acts it took. */
  async function byStrokes(page: Page, hand: Hand, dogId: string): Promise<number> {
    let acts = 0;
    const press = async (target: Locator): Promise<void> => {
      acts++;
      await hand.press(target);
    };
    const type = async (label: string, text: string): Promise<void> => {
      acts++;
      await page.getByLabel(label).fill(text);
    };
    await page.goto(`/desk/dogs/${dogId}/check`);
    const map = page.getByRole('group', { name: 'Choose a zone, left side' });
    await map.waitFor();
    await type('Hair at back, mm', '45');
    await type('Hair at ruff, mm', '62');
    await type('Breeches, mm', '60');
    await press(page.getByRole('button', { name: 'The rest is fine' }));
    let spot = await spotsOf(map);
    let held = '';
    for (const [i, s] of STROKES.entries()) {
      if (held !== s.test + s.grade) {
        held = s.test + s.grade;
        await press(page.getByRole('group', { name: s.test }).getByRole('radio', { name: s.grade, exact: true }));
        await page.getByText(`In hand: ${s.test.toLowerCase()}: ${s.grade}.`).waitFor();
      }
      acts += (await drawOver(map, hand, s.through.map(spot))) ? 2 : 1;
      if (i === 6) {
        await page.context().setOffline(true);
        await page.reload().catch(() => undefined); // without the salon's computer there is no page
        await page.context().setOffline(false);
        await page.goto(`/desk/dogs/${dogId}/check`);
        await map.waitFor();
        spot = await spotsOf(map);
        held = '';
        acts--; // the grade is taken in hand again because of the reload, not because of the dog
      }
    }
    await press(page.getByRole('button', { name: 'Save and plan' }));
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
    expect(stage.stores.checks.latestOf(dogId)?.zones).to.deep.equal(left(STROKES));
    return acts;
  }

  it('covers every zone', () => expect(Object.keys(left(STROKES))).to.have.members([...ZONE_IDS]));

  // The mouse draws as the finger does: a long run tries it too.
  itInFull('by mouse', async () => {
    const page = await stage.page();
    expect(await byStrokes(page, mouse(page), 'demo-pilot')).to.be.at.most(MOST_ACTS);
    await page.context().close();
  });

  it('by finger, at 1024 x 768', async () => {
    const page = await stage.page({ viewport: { width: 1024, height: 768 }, hasTouch: true });
    expect(await byStrokes(page, await finger(page), 'demo-rowan')).to.be.at.most(MOST_ACTS);
    await page.context().close();
  });

  it('by keys', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs/demo-gannet/check');
    await page.getByRole('group', { name: 'Choose a zone, left side' }).waitFor();
    let acts = 0;
    const press = async (key: string): Promise<void> => {
      acts++;
      await page.keyboard.press(key);
    };
    /** A key held until it has repeated so often: one act. */
    const hold = async (key: string, times: number, shift = false): Promise<void> => {
      acts++;
      if (shift) await page.keyboard.down('Shift');
      for (let i = 0; i < times; i++) await page.keyboard.down(key);
      await page.keyboard.up(key);
      if (shift) await page.keyboard.up('Shift');
    };
    const at = (id: ZoneId): number => LEFT.indexOf(id);
    let here: ZoneId = LEFT[0] ?? 'back';
    const felt: { sets: ZoneFindings; through: ZoneId[] }[] = [];
    const grade = async (key: string, sets: ZoneFindings): Promise<void> => {
      await press(key);
      felt.push({ sets, through: [here] });
    };
    /** Walks to a zone; with what is in hand when it is carried. */
    const walk = async (to: ZoneId, carried?: ZoneFindings): Promise<void> => {
      const by = at(to) - at(here);
      await hold(by > 0 ? 'ArrowRight' : 'ArrowLeft', Math.abs(by), carried !== undefined);
      if (carried) {
        const [a, b] = by > 0 ? [at(here) + 1, at(to)] : [at(to), at(here) - 1];
        felt.push({ sets: carried, through: LEFT.slice(a, b + 1) });
      }
      here = to;
    };
    acts++;
    await page.getByLabel('Hair at back, mm').focus();
    await page.keyboard.type('60');
    await press('Tab');
    await page.keyboard.type('75');
    await press('Tab');
    await page.keyboard.type('70');
    await press('Tab');
    await press('Enter'); // the rest is fine
    await press('m');
    await grade('2', { finger: 2 });
    await walk('face.left', { finger: 2 });
    await grade('0', { finger: 0 });
    await walk('ruff.left');
    await grade('3', { finger: 3 });
    await walk('chest', { finger: 3 });
    await walk('hip.left');
    await grade('3', { finger: 3 });
    await walk('rump', { finger: 3 });
    await walk('tail');
    await grade('4', { finger: 4 });
    await walk('breeches.left', { finger: 4 });
    await press('t');
    await grade('3', { tug: 3 });
    await walk('rump', { tug: 3 });
    await press('c');
    await grade('2', { comb: 'stops' });
    await walk('breeches.left', { comb: 'stops' });
    await press('Control+Enter');
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
    const zones = stage.stores.checks.latestOf('demo-gannet')?.zones;
    expect(zones).to.deep.equal(left(felt));
    expect(Object.keys(zones ?? {})).to.have.members([...ZONE_IDS]);
    expect(acts).to.be.at.most(MOST_ACTS);
    await page.context().close();
  });

  itInFull('takes the coat as last time, ties and skin aside, and takes strokes back one by one', async () => {
    const page = await stage.page();
    const before = stage.stores.checks.latestOf('demo-osprey')?.zones ?? {};
    await page.goto('/desk/dogs/demo-osprey/check');
    const map = page.getByRole('group', { name: 'Choose a zone, left side' });
    await map.waitFor();
    await page.getByRole('radio', { name: 'as last time' }).click();
    const spot = await spotsOf(map);
    await drawOver(map, mouse(page), [spot('ribs.left'), spot('shoulder.left')]);
    await page.getByText('4 of 32 zones felt').waitFor();
    await page.keyboard.press('Control+z');
    await page.getByText('0 of 32 zones felt').waitFor();
    await page.keyboard.press('Control+y');
    await page.getByText('4 of 32 zones felt').waitFor();
    await page.getByRole('button', { name: 'Save and plan' }).click();
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
    const { finger, tug, comb } = before['ribs.left'] ?? {};
    expect(finger).to.not.equal(undefined);
    expect(stage.stores.checks.latestOf('demo-osprey')?.zones['ribs.left']).to.deep.equal({ finger, tug, comb });
    await page.context().close();
  });

  it('asks about a plate through which the comb glides, and goes there', async () => {
    const page = await stage.page();
    await page.goto('/desk/dogs/demo-skerry/check');
    const map = page.getByRole('group', { name: 'Choose a zone, left side' });
    await map.waitFor();
    const spot = await spotsOf(map);
    await page.getByRole('group', { name: 'Finger to skin' }).getByRole('radio', { name: 'plate' }).click();
    await drawOver(map, mouse(page), [spot('ruff.left')]);
    await page.getByRole('group', { name: 'Comb' }).getByRole('radio', { name: 'glides' }).click();
    await drawOver(map, mouse(page), [spot('ruff.left')]);
    await page.getByText('Left neck and ruff: a plate, but the comb glides?').waitFor();
    await drawOver(map, mouse(page), [spot('back')]);
    await page.getByRole('heading', { name: 'Back' }).waitFor();
    await page.getByRole('button', { name: 'Feel it again' }).first().click();
    await page.getByRole('heading', { name: /neck and ruff$/ }).waitFor();
    await page.context().close();
  });
});
