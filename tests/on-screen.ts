/**
 * How long it takes on the screen, from the tap to what it shows: re-planning after an event, beside a tap that plans
 * nothing. Prints one line of JSON, in milliseconds; npm run bench runs it and says the figures.
 */
import { begin, byMouse, goOn, sessionFor } from './browser/at-table.ts';
import { openStage } from './browser/stage.ts';

const RUNS = 9;
const stage = await openStage();
const page = await stage.page({ viewport: { width: 1024, height: 768 } });
await page.goto(await sessionFor(stage, 'demo-kelda', 'on-screen'));
await begin(page, 'Runa');
await goOn(page, async (p) => (await p.getByRole('button', { name: /^Next:/ }).count()) > 0);

/** Milliseconds from the next click until something that a selector names says something else, and is painted. */
const clocked = async (selector: string, act: () => Promise<void>): Promise<number> => {
  const took = page.evaluate(
    (at) =>
      new Promise<number>((done) => {
        const was = document.querySelector(at)?.textContent;
        document.addEventListener(
          'click',
          (click) => {
            const from = click.timeStamp;
            new MutationObserver((_, watch) => {
              if (document.querySelector(at)?.textContent === was) return;
              watch.disconnect();
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - from), 0));
            }).observe(document.body, { childList: true, subtree: true, characterData: true });
          },
          { capture: true, once: true },
        );
      }),
    selector,
  );
  await act();
  return took;
};
const median = (values: readonly number[]): number =>
  [...values].sort((x, y) => x - y)[Math.floor(values.length / 2)] ?? NaN;

const replans: number[] = [];
const plain: number[] = [];
for (let i = 0; i < RUNS; i++) {
  replans.push(await clocked('#ask', () => byMouse(page, /^Comb (drags|stops)/)));
  await byMouse(page, /^(Keep the plan|Go on)$/);
  await page.getByRole('button', { name: /^Next:/ }).waitFor();
  plain.push(await clocked('#step', () => byMouse(page, /^Next:/)));
}
await stage.close();
console.log(JSON.stringify({ replan: median(replans), plain: median(plain) }));
