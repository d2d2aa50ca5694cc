/** The stairs worked on: reorder by mouse, touch and keys; stretch; break a rule and mend it; overlay; what if; print. */
import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

const STEP = '.wt-plan-step-name-button';

describe('the stairs, in the browser', () => {
  let stage: Stage;
  let page: Page;
  let plan = '';
  let biscuit = '';
  let kelda = '';
  before(async () => {
    stage = await openStage();
    page = await stage.page();
    const checkOf = (dog: string): string => stage.stores.checks.latestOf(dog)?.id ?? '';
    plan = `/desk/dogs/demo-anchor/plan/${checkOf('demo-anchor')}`;
    kelda = `/desk/dogs/demo-kelda/plan/${checkOf('demo-kelda')}`;
    // A smooth double over whose torso a blade comes.
    biscuit = `/desk/dogs/demo-biscuit/plan/${checkOf('demo-biscuit')}`;
  });
  after(() => stage.close());

  const order = async (on: Page = page): Promise<readonly string[]> =>
    (await on.locator(STEP).allTextContents()).map((t) => t.replace(/\s+/g, ' ').trim());
  const open = async (path: string, on: Page = page): Promise<readonly string[]> => {
    await on.goto(path);
    await on.locator(STEP).first().waitFor();
    await on.evaluate(() => localStorage.clear());
    await on.reload();
    await on.locator(STEP).first().waitFor();
    return order(on);
  };
  const moved = (list: readonly string[], from: number, to: number): readonly string[] => {
    const rest = list.filter((_, i) => i !== from);
    return [...rest.slice(0, to), list[from] ?? '', ...rest.slice(to)];
  };
  const treadOf = (word: string, on: Page = page): Locator =>
    on.locator(`.wt-plan-tread[aria-label*="${word}"]`).first();
  /** Chooses a step, and waits until its panel is there: that follows the press. */
  const choose = async (word: string): Promise<void> => {
    await treadOf(word).click();
    await page.locator('#the-step').filter({ hasText: word }).waitFor();
  };
  const middle = async (at: Locator): Promise<{ x: number; y: number }> => {
    await at.scrollIntoViewIfNeeded();
    const box = await at.boundingBox();
    if (!box) throw new Error('a tread is not on the screen');
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const figures = (on: Page = page): Promise<string[]> => on.locator('.wt-charts-step-figures').allTextContents();

  itInFull('carries a step by mouse, redraws while it is dragged, and takes it back', async () => {
    const before = await open(plan);
    const figuresBefore = await figures();
    const from = before.findIndex((s) => s.startsWith('Bath'));
    const a = await middle(page.locator('.wt-plan-tread').nth(from));
    const b = await middle(page.locator('.wt-plan-tread').nth(from + 1));
    await page.mouse.move(a.x, a.y);
    await page.mouse.down();
    await page.mouse.move(a.x + 20, a.y, { steps: 3 });
    await page.mouse.move(b.x, b.y, { steps: 8 });
    await expectOrder(moved(before, from, from + 1));
    await page.mouse.up();
    await expectOrder(moved(before, from, from + 1));
    expect(await figures(), 'another order gives other grams').to.not.deep.equal(figuresBefore);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expectOrder(before);
    expect(await figures(), 'taken back, it is the same work').to.deep.equal(figuresBefore);
    await page.getByRole('button', { name: 'Redo' }).click();
    await expectOrder(moved(before, from, from + 1));
  });

  async function expectOrder(wanted: readonly string[], on: Page = page): Promise<void> {
    await on.waitForFunction(
      ([selector, words]) =>
        [...document.querySelectorAll(selector)]
          .map((e) => (e.textContent ?? '').replace(/\s+/g, ' ').trim())
          .join('|') === words,
      [STEP, wanted.join('|')] as const,
    );
  }

  it('carries a step by keys, says where it is, and puts it back on Escape', async () => {
    const before = await open(plan);
    const from = before.findIndex((s) => s.startsWith('Bath'));
    await page.locator('.wt-plan-tread').nth(from).focus();
    const takeUp = async (): Promise<void> => {
      await page.keyboard.press('m');
      await page.locator('.wt-plan-tread.is-dragged').waitFor();
      await page.getByText(/^Took up Bath/).waitFor({ state: 'attached' });
    };
    await takeUp();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expectOrder(moved(before, from, from + 2));
    await page
      .getByRole('status')
      .filter({ hasText: `now place ${from + 3} of ${before.length}` })
      .waitFor({ state: 'attached' });
    await page.keyboard.press('Escape');
    await expectOrder(before);
    await takeUp();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('m');
    await expectOrder(moved(before, from, from - 1));
  });

  it('carries a step by finger', async () => {
    const touch = await stage.page({ hasTouch: true, viewport: { width: 1024, height: 768 } });
    const before = await open(plan, touch);
    // Two neighbours that are about as wide: over a narrow one a wide step changes places too late to be aimed at.
    const widths = await touch.locator('.wt-plan-tread').evaluateAll((all) => all.map((e) => e.clientWidth));
    const unlike = widths.slice(1).map((w, k) => Math.abs(w - (widths[k] ?? 0)));
    const from = unlike.indexOf(Math.min(...unlike));
    const a = await middle(touch.locator('.wt-plan-tread').nth(from));
    const b = await middle(touch.locator('.wt-plan-tread').nth(from + 1));
    const finger = await touch.context().newCDPSession(touch);
    const at = (type: 'touchStart' | 'touchMove' | 'touchEnd', x?: number): Promise<unknown> =>
      finger.send('Input.dispatchTouchEvent', { type, touchPoints: x === undefined ? [] : [{ x, y: a.y }] });
    await at('touchStart', a.x);
    await touch.locator('.wt-plan-tread.is-dragged').waitFor();
    for (let i = 1; i <= 8; i++) await at('touchMove', a.x + ((b.x - a.x) * i) / 8);
    await at('touchEnd');
    await expectOrder(moved(before, from, from + 1), touch);
    await touch.context().close();
  });

  it('gives a step more minutes by its edge and by keys, and keeps the change over a reload', async () => {
    await open(plan);
    await treadOf('Bath').click();
    const grip = page.getByRole('slider', { name: /Minutes of Bath/ });
    const minutes = async (): Promise<number> => Number(await grip.getAttribute('aria-valuenow'));
    const first = await minutes();
    const box = await grip.boundingBox();
    if (!box) throw new Error('no edge to hold');
    await page.mouse.move(box.x + box.width / 2, box.y + 40);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 90, box.y + 40, { steps: 6 });
    await page.mouse.up();
    await page.getByRole('button', { name: 'As planned' }).waitFor();
    const wide = await minutes();
    expect(wide).to.be.greaterThan(first + 2);
    await grip.focus();
    await page.keyboard.press('ArrowLeft');
    await grip.and(page.locator(`[aria-valuenow="${wide - 1}"]`)).waitFor();
    await page.reload();
    await treadOf('Bath').click();
    await grip.and(page.locator(`[aria-valuenow="${wide - 1}"]`)).waitFor();
    await page.getByRole('button', { name: 'As planned' }).click();
    await grip.and(page.locator(`[aria-valuenow="${first}"]`)).waitFor();
  });

  it('says at the step which rule an order breaks, mends it with one tap, and lets nobody start before', async () => {
    const before = await open(biscuit);
    const blade = before.findIndex((s) => s.includes('Blade'));
    const drying = before.findIndex((s) => s.startsWith('Drying to the skin'));
    expect(blade).to.be.greaterThan(drying);
    await page.locator('.wt-plan-tread').nth(blade).click();
    for (let i = blade; i > drying; i--) await page.getByRole('button', { name: 'Earlier' }).click();
    const fault = page.locator('.wt-plan-fault.is-never');
    await fault.getByText(/Never a blade on a damp coat/).waitFor();
    expect(await page.getByRole('button', { name: 'Take it to the table' }).isDisabled()).to.equal(true);
    await page.locator('.wt-plan-step-wrong').first().waitFor();
    await fault.getByRole('button').click();
    await fault.waitFor({ state: 'detached' });
    const mended = await order();
    expect(mended.findIndex((s) => s.includes('Blade'))).to.be.greaterThan(
      mended.findIndex((s) => s.startsWith('Drying to the skin')),
    );
    expect(await page.getByRole('button', { name: 'Take it to the table' }).isDisabled()).to.equal(false);
  });

  it('plans again around what is pinned, drops and adds steps, swaps a piece', async () => {
    const before = await open(`${kelda}?method=dry-first`);
    await choose('Raking');
    const more = page.getByRole('button', { name: 'A minute more' });
    await more.click();
    await more.click();
    await page.getByRole('button', { name: 'Pin', exact: true }).click();
    const pinned = (await figures())[0];
    await page.getByRole('button', { name: 'Best again' }).click();
    await page.getByRole('button', { name: 'Pinned' }).waitFor();
    expect((await figures())[0], 'what is pinned stays').to.equal(pinned);
    await page.locator('.wt-plan-tread').last().click();
    await page.getByRole('button', { name: 'Drop' }).click();
    await page.waitForFunction(([s, n]) => document.querySelectorAll(s).length === n, [
      STEP,
      before.length - 1,
    ] as const);
    await page.getByLabel('Add a step after the chosen one').selectOption('condition');
    await page.locator(STEP).filter({ hasText: 'Conditioner' }).waitFor();
    await choose('Raking');
    const piece = page.getByLabel('Piece');
    const other = await piece.locator('option').nth(1).getAttribute('value');
    const name = await piece.locator('option').nth(1).textContent();
    await piece.selectOption(other ?? '');
    await page
      .locator(STEP)
      .filter({ hasText: name ?? '' })
      .first()
      .waitFor();
  });

  it('lays another method over it, and asks what if in the address', async () => {
    await open(kelda);
    await page.getByLabel('Lay another method over it').selectOption('dry-first');
    await page.locator('.wt-charts-stair-other').waitFor();
    await page.getByText('dotted: dry first').waitFor();
    expect(page.url()).to.contain('over=dry-first');
    const title = page.getByRole('heading', { level: 1 });
    const alone = await title.textContent();
    await page.getByLabel('A second person').click();
    await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, alone);
    await page.getByLabel('No force dryer').click();
    await page
      .getByText(/more open|ruled out/)
      .first()
      .click();
    await page.getByText('Needs a force dryer; the kit has none.').first().waitFor();
    await page.getByLabel('Time there is').selectOption('45');
    await page
      .getByText(/Cut to the time there is|^Over \d visits/)
      .first()
      .waitFor();
    await page.reload();
    expect(await page.getByLabel('A second person').isChecked()).to.equal(true);
    await page.getByText('What would change the choice').click();
    await page.getByText(/^With a stronger dryer/).waitFor();
  });

  itInFull('shows the coat at the step under the pointer', async () => {
    await open(kelda);
    await page.locator('.wt-plan-tread').last().hover();
    const heading = page.getByRole('heading', { name: /Coat after step/ });
    await page.waitForFunction(
      (n) => document.querySelector('#coat')?.textContent === `Coat after step ${n}`,
      await page.locator('.wt-plan-tread').count(),
    );
    expect(await heading.count()).to.equal(1);
  });

  itInFull('takes the changed stairs to the table as they stand', async () => {
    const before = await open(plan);
    await page.locator('.wt-plan-tread').last().click();
    await page.getByRole('button', { name: 'Drop' }).click();
    await expectOrder(before.slice(0, -1));
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.waitForURL(/\/table\/sessions\//);
    const id = page.url().split('/').at(-1) ?? '';
    const kept = stage.stores.sessions.find(id);
    expect(kept?.snapshot.plan.steps).to.have.length(before.length - 1);
  });

  itInFull('says how long the soap stays on by the tub, over a reload, and keeps count of the bottle', async () => {
    await page.goto('/desk/today/tub');
    await page.getByLabel('Minutes left on').fill('7');
    await page.getByLabel('Amount, ml').fill('5000');
    await page.getByRole('button', { name: 'Bought' }).click();
    await page.getByText('5.00\u00a0l should be left').waitFor();
    await page.getByRole('button', { name: /^Mixed for today/ }).click();
    await page.getByText(/^4\.\d\d\u00a0l should be left, for \d+ days/).waitFor();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByText('5.00\u00a0l should be left').waitFor();
    await page.getByRole('radio', { name: 'fl oz and gallons' }).click();
    await page.getByText(/1\.32\u00a0gal should be left/).waitFor();

    await page.goto(`${kelda}?method=wet-first`);
    await page.getByText(/left on\s7\smin/).waitFor();
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.waitForURL(/\/table\/sessions\//);
    await page.locator('#room').getByRole('button', { name: 'Runa' }).click();
    await page.getByRole('button', { name: /^Start/ }).click();
    await page.getByRole('button', { name: 'Soap is on: leave it 7 min' }).click();
    const left = page.getByRole('timer', { name: 'Contact time left' });
    await left.waitFor();
    await page.reload();
    expect(await left.textContent()).to.match(/^(6:\d\d|7:00)$/);
    const id = page.url().split('/').at(-1) ?? '';
    expect(stage.stores.sessions.events(id).map((e) => e.act)).to.deep.include({ kind: 'worker', name: 'Runa' });
  });

  itInFull('plans every dog of the book in workers, shows how far it is, and stops on a word', async () => {
    await page.goto('/desk/reports/plans');
    const rows = page.locator('.table tbody tr');
    await page.getByText(/^\d+ dogs, .* at the table/).waitFor();
    expect(await rows.count()).to.be.at.least(30);
    expect(await rows.filter({ hasText: 'waits' }).count()).to.equal(0);
    const alone = await page.getByText(/^\d+ dogs, /).textContent();
    await page.getByLabel('A second person').click();
    await page.waitForFunction((was) => !document.body.textContent.includes(was ?? ''), alone);
    await page.getByText(/^\d+ dogs, .* at the table/).waitFor();

    // A book so large that somebody has the time to stop it.
    await page.route('**/api/bench/cases', async (route) => {
      const answer = await route.fetch();
      const book: { cases: { dogId: string }[] } = await answer.json();
      const cases = Array.from({ length: 40 }, (_, n) =>
        book.cases.map((c) => ({ ...c, dogId: `${c.dogId}-${n}` })),
      ).flat();
      await route.fulfill({ json: { ...book, cases } });
    });
    await page.reload();
    await page.getByRole('progressbar', { name: 'Dogs planned' }).waitFor();
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByText(/^Stopped after \d+ of \d+ dogs\./).waitFor();
    await page.getByRole('button', { name: 'Plan them all' }).click();
    await page.getByRole('progressbar', { name: 'Dogs planned' }).waitFor();
    await page.unroute('**/api/bench/cases');
  });

  itInFull('prints on A4 with nothing cut, in full and short', async () => {
    for (const [path, short] of [
      [`${kelda}?method=dry-first`, false],
      [plan, true],
    ] as const) {
      const steps = await open(path);
      await page.getByRole('link', { name: 'Bench sheet' }).click();
      await page.getByRole('article', { name: 'Bench sheet' }).waitFor();
      if (short) await page.getByRole('link', { name: 'Short, for the table' }).click();
      const bytes = await page.pdf({ preferCSSPageSize: true, printBackground: true });
      const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
      expect(pdf.numPages).to.be.at.most(2);
      const words: string[] = [];
      for (let n = 1; n <= pdf.numPages; n++) {
        const sheet = await pdf.getPage(n);
        const [, , width = 0, height = 0] = sheet.view;
        // A4 in points, to a point.
        expect(width).to.be.closeTo(595, 1.5);
        expect(height).to.be.closeTo(842, 1.5);
        for (const item of (await sheet.getTextContent()).items) {
          if (!('str' in item) || item.str.trim() === '') continue;
          const [x, y] = [Number(item.transform[4]), Number(item.transform[5])];
          expect(x, `"${item.str}" begins on the sheet`).to.be.at.least(0);
          expect(x + item.width, `"${item.str}" ends on the sheet`).to.be.at.most(width);
          expect(y, `"${item.str}" stands on the sheet`).to.be.within(0, height);
          words.push(item.str);
        }
      }
      const text = words.join(' ').replace(/\s+/g, ' ');
      const rows = await page.locator('.wt-bench-sheet-bench-table tbody tr').count();
      expect(rows).to.equal(steps.length);
      for (const cell of await page.locator('.wt-bench-sheet-bench-table tbody td').allInnerTexts()) {
        for (const word of cell.split(/\s+/).filter((w) => w.length > 3)) expect(text).to.contain(word);
      }
      // What is wider than its box would be cut.
      const wide = await page.evaluate(() =>
        [
          ...document.querySelectorAll(
            '.wt-bench-sheet-bench-sheet, .wt-bench-sheet-bench-sheet *:not(.visually-hidden)',
          ),
        ]
          .filter((e) => e.scrollWidth > e.clientWidth + 1 && getComputedStyle(e).overflow !== 'visible')
          .map((e) => e.className),
      );
      expect(wide).to.deep.equal([]);
    }
  });
});
