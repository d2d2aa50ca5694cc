/**
 * Without colour: the whole page in grey, by day and by night. Undercoat reads darker or fuller the higher its grade, ties and stops
 * are other strokes, and what series of a chart are called stands beside them. Measured on pixels, not on styles.
 */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { itInFull, samples } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

const SIDE = 44;

/** Lightness 0..255 of the pixels about the middle of something on the page, row by row. */
async function pixelsAt(page: Page, blank: Page, what: Locator): Promise<readonly number[]> {
  const box = await what.boundingBox();
  if (!box) throw new Error('nothing is there to look at');
  const clip = {
    x: box.x + box.width / 2 - SIDE / 2,
    y: box.y + box.height / 2 - SIDE / 2,
    width: SIDE,
    height: SIDE,
  };
  const shot = (await page.screenshot({ clip })).toString('base64');
  // Read on an empty page: the house's own lets nothing be fetched but from its server.
  return blank.evaluate(async (data) => {
    const picture = await createImageBitmap(await (await fetch(`data:image/png;base64,${data}`)).blob());
    const canvas = new OffscreenCanvas(picture.width, picture.height);
    const pen = canvas.getContext('2d');
    if (!pen) throw new Error('no canvas');
    pen.drawImage(picture, 0, 0);
    const { data: rgba } = pen.getImageData(0, 0, picture.width, picture.height);
    const out: number[] = [];
    for (let i = 0; i < rgba.length; i += 4)
      out.push(Math.round(0.2126 * (rgba[i] ?? 0) + 0.7152 * (rgba[i + 1] ?? 0) + 0.0722 * (rgba[i + 2] ?? 0)));
    return out;
  }, shot);
}

const mean = (values: readonly number[]): number => values.reduce((t, v) => t + v, 0) / values.length;
/** Share of pixels that two looks do not have in common: another stroke, not another shade of the whole. */
function apart(a: readonly number[], b: readonly number[]): number {
  const shift = mean(a) - mean(b);
  return a.filter((v, i) => Math.abs(v - (b[i] ?? 0) - shift) > 40).length / a.length;
}

describe('without colour', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  // By night it is the same drawing in other colours: a long run looks at both.
  for (const colorScheme of samples<readonly ('light' | 'dark')[]>(['light'], ['light', 'dark']))
    it(`the coat map tells grades, ties and stops apart, ${colorScheme === 'light' ? 'by day' : 'by night'}`, async () => {
      const page = await stage.page({ colorScheme, reducedMotion: 'reduce', viewport: { width: 1280, height: 900 } });
      const line = await page.context().newCDPSession(page);
      await line.send('Emulation.setEmulatedVisionDeficiency', { type: 'achromatopsia' });
      const blank = await page.context().newPage();
      await page.bringToFront();
      await page.goto('/desk/dogs/demo-juniper/check');
      const ribs = page.locator('#room .wt-coat-stage > .wt-coat-coatmap [data-zone="ribs.left"]');
      await ribs.focus();
      const looks: (readonly number[])[] = [];
      const lookAfter = async (keys: string): Promise<readonly number[]> => {
        await ribs.focus();
        for (const key of keys) await page.keyboard.press(key);
        // The ring of the focus is not the coat's.
        await page.locator('h1').click();
        return pixelsAt(page, blank, ribs);
      };
      for (const grade of ['0', '1', '2', '3', '4']) looks.push(await lookAfter(`f${grade}`));
      const bare = looks[0] ?? [];
      // It is drawn in wool on the coat: the fuller, the further from bare.
      const fuller = looks.map((l) => Math.abs(mean(l) - mean(bare)));
      for (let grade = 1; grade < 5; grade++)
        expect((fuller[grade] ?? 0) - (fuller[grade - 1] ?? 0), `grade ${grade} from ${grade - 1}`).to.be.above(1.5);
      const plain = await lookAfter('f1');
      const tied = await lookAfter('k2');
      expect(apart(plain, tied), 'tied').to.be.above(0.04);
      await lookAfter('k0');
      const stopped = await lookAfter('s4');
      expect(apart(plain, stopped), 'stopped').to.be.above(0.04);
      expect(apart(tied, stopped), 'tied or stopped').to.be.above(0.04);
      await page.context().close();
    });

  itInFull('series of charts are told apart by pattern or by words beside them', async () => {
    const page = await stage.page({ viewport: { width: 1280, height: 1200 } });
    await page.goto('/desk/tide');
    await page.locator('path.wt-charts-sea').first().waitFor();
    await page.waitForFunction(() => !document.querySelector('.wt-waiting, [data-learning]'));
    const layers = await page.evaluate(() =>
      [...document.querySelectorAll('#room svg path')]
        .map((p) => p.getAttribute('fill') ?? '')
        .filter((fill) => fill.startsWith('url(')),
    );
    // A layer a class of coat, each in its own weave.
    expect(new Set(layers).size).to.be.at.least(4);
    await page.context().close();
  });
});
