/**
 * How smoothly the sea is dragged along with 60 and with 1,000 dogs in it: the longest frame in milliseconds, and the median.
 * Prints one line of JSON; npm run bench runs it and says the figures.
 */
import type { TideFile } from '../contract/tide.ts';
import { openStage } from './browser/stage.ts';

const stage = await openStage();

/** The demo's dogs over and over, each with the newest of its log: so many are learnt in seconds. */
function many(file: TideFile, count: number): TideFile {
  return {
    ...file,
    dogs: Array.from({ length: count }, (_, i) => {
      const d = file.dogs[i % file.dogs.length];
      if (!d) throw new Error('the demo has no dogs');
      return { ...d, id: `dog-${i}`, sightings: d.sightings.slice(-8) };
    }),
  };
}

async function panned(dogs: number): Promise<{ readonly worst: number; readonly median: number }> {
  const page = await stage.page({ viewport: { width: 1280, height: 800 } });
  await page.route('**/api/tide', async (route) => {
    const response = await route.fetch();
    await route.fulfill({ response, json: many(await response.json(), dogs) });
  });
  await page.goto('/desk/tide');
  await page.locator('.wt-charts-tide').waitFor({ timeout: 300_000 });
  await page.getByRole('progressbar').waitFor({ state: 'detached', timeout: 300_000 });
  await page.getByRole('button', { name: 'Closer' }).click();
  const box = await page.locator('.wt-charts-tide-stage').boundingBox();
  if (!box) throw new Error('no sea');
  // As text: a named function inside would be wrapped in what the page does not have.
  const frames = page.evaluate<number[]>(`new Promise((done) => {
    const took = [];
    let last = performance.now();
    requestAnimationFrame(function next(now) {
      took.push(now - last);
      last = now;
      if (took.length < 150) requestAnimationFrame(next);
      else done(took.slice(5));
    });
  })`);
  await page.mouse.move(box.x + box.width * 0.8, box.y + box.height * 0.6);
  await page.mouse.down();
  for (let i = 0; i < 90; i++) await page.mouse.move(box.x + box.width * (0.8 - 0.005 * i), box.y + box.height * 0.6);
  await page.mouse.up();
  const sorted = (await frames).sort((a, b) => a - b);
  await page.context().close();
  return { worst: sorted.at(-1) ?? NaN, median: sorted[Math.floor(sorted.length / 2)] ?? NaN };
}

const sixty = await panned(60);
const thousand = await panned(1000);
await stage.close();
console.log(JSON.stringify({ sixty, thousand }));
