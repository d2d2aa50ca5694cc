/** Violations of WCAG 2.2 A and AA and of best practice on a page, as axe-core finds them. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What fades in is looked at when it is there: halfway its contrast is nobody's. */
const SETTLED = `Promise.all(document.getAnimations()
  .filter((a) => a.playState === 'running' && a.effect?.getComputedTiming().endTime !== Infinity)
  .map((a) => a.finished.catch(() => undefined)))`;

/** only: one rule instead of all. Each fault as a sentence: rule, element, what is wrong. */
export async function axeFaults(page: Page, only?: string): Promise<readonly string[]> {
  await page.evaluate(AXE);
  return page.evaluate(`
    ${SETTLED}.then(() => axe.run(document, ${only === undefined ? '{}' : JSON.stringify({ runOnly: [only] })})).then(({ violations, passes }) => {
      if (passes.length < ${only === undefined ? 5 : 1}) throw new Error('axe looked at nothing');
      return violations.flatMap((v) => v.nodes.slice(0, 3).map((n) => v.id + ': ' + n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')));
    })`);
}
