/** A practice coat worked by keyboard and by touch, the verdict with its reasons, questions answered by number keys. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

describe('practice, in the browser', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  const answers = (page: Page): Promise<readonly string[]> => page.locator('.wt-practice-answers li').allTextContents();

  it('feels, works and ends a coat by keyboard alone, and is told what cost most', async () => {
    const page = await stage.page();
    await page.goto('/desk/practice/first-smooth');
    const back = page.locator('#room .wt-coat-stage > .wt-coat-coatmap [data-zone="back"]');
    await back.waitFor();
    expect(await back.getAttribute('aria-label')).to.match(/not felt/);
    await back.focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'All five tests' }).focus();
    await page.keyboard.press('Enter');
    await page.locator('.wt-practice-answers li').first().waitFor();
    // What was hidden is known now, there and nowhere else.
    expect(await back.getAttribute('aria-label')).to.match(/finger: no skin/);
    expect(await page.locator('#room [data-zone="ribs.left"]').first().getAttribute('aria-label')).to.match(/not felt/);

    await page.getByRole('radio', { name: 'Feel' }).focus();
    await page.keyboard.press('ArrowRight');
    await page.getByRole('button', { name: 'rubber curry' }).focus();
    await page.keyboard.press('Enter');
    const act = page.getByRole('button', { name: 'Rubber, dry' });
    await act.waitFor();
    await act.focus();
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelectorAll('.wt-practice-answers li').length === 2);
    expect((await answers(page))[0]).to.match(/rubber curry, back: .*\sg\./);

    await page.getByRole('button', { name: 'Done with this dog' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { level: 1, name: /of the best stair/ }).waitFor();
    const worst = await page.locator('.wt-practice-worst > li').allTextContents();
    expect(worst).to.have.length(3);
    expect(worst.join(' ')).to.match(/Zones that no hand came to/);
    for (const w of worst) expect(w).to.match(/Why: /);
    expect(await page.getByRole('row', { name: /Dry hands/ }).textContent()).to.match(/min/);

    await page.getByRole('link', { name: 'Practice' }).last().click();
    const rung = page.locator('.wt-practice-rungs > li', { hasText: 'First smooth dog' });
    await rung.waitFor();
    expect(await rung.textContent()).to.match(/% of the best/);
  });

  it('sends a dog that hurts to a vet, by touch', async () => {
    const page = await stage.page({ hasTouch: true, viewport: { width: 1024, height: 768 } });
    await page.goto('/desk/practice/not-today');
    await page.getByRole('button', { name: 'Look it over' }).tap();
    await page.getByText('Joints and Stance: trouble.').waitFor();
    await page.getByRole('button', { name: 'No groom today' }).tap();
    await page.getByRole('heading', { level: 1, name: /100.% of the best stair/ }).waitFor();
    expect(await page.getByText('Nothing to say against it').count()).to.equal(1);
  });

  itInFull('works the same made-up dog again from its address, and one of the salon’s own', async () => {
    const page = await stage.page();
    await page.goto('/desk/practice/free-medium-double-usual-7');
    const first = await page.locator('h1').textContent();
    await page.reload();
    expect(await page.locator('h1').textContent()).to.equal(first);
    await page.goto('/desk/practice');
    await page.locator('.wt-practice-past a').first().click();
    await page.getByRole('button', { name: 'Done with this dog' }).waitFor();
    await page.goto('/desk/practice/no-such-coat');
    await page.getByRole('alert').getByText('no practice coat').waitFor();
  });

  itInFull('asks, answers with the reason, and goes on, by number and Enter', async () => {
    const page = await stage.page();
    await page.goto('/desk/practice/drills');
    for (let i = 1; i <= 3; i++) {
      await page.getByText(`${i} of 8`, { exact: true }).waitFor();
      await page.keyboard.press('1');
      const why = page.locator('.wt-practice-asked [role="status"]');
      await why.waitFor();
      expect(await why.textContent()).to.match(/^(Right|Not quite)\. \S/);
      expect(await page.locator('.wt-practice-options .is-right').count()).to.equal(1);
      await page.keyboard.press('Enter');
    }
    const kept: { answers: unknown[] } = await page.evaluate(async () => (await fetch('/api/practice')).json());
    expect(kept.answers).to.have.length(3);
  });
});
