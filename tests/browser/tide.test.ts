/** The tide in the browser: the sea by keys, a date in one tap and its undo, a dog's log, forecasts judged. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

describe('the tide, in the browser', () => {
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
    await page.goto('/desk/tide');
    // The salon's computer reads the logs.
    await page.locator('.wt-charts-tide').waitFor({ timeout: 200_000 });
  });
  after(() => stage.close());

  const readout = (): Promise<string> => page.locator('.wt-charts-tide-read p').innerText();

  it('says how the season runs in town and stands on the fullest week', async () => {
    expect(await page.locator('.wt-lead').innerText()).to.match(/^(Spring|Autumn) is .* in town/);
    expect(await readout()).to.match(/of work that week \(80\s%/);
    expect(await page.locator('.wt-charts-tide table tbody tr').count()).to.be.greaterThan(10);
  });

  it('is walked, zoomed and turned into grams by keys, and the address remembers', async () => {
    const day = page.getByRole('slider', { name: 'Day' });
    const before = await readout();
    await day.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    expect(await readout()).to.not.equal(before);
    await page.getByRole('button', { name: 'Closer' }).focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/to=\d+/);
    await page.getByRole('radio', { name: 'grams in coats' }).focus();
    await page.keyboard.press('Space');
    await page.waitForURL(/show=grams/);
    await page.getByText(/g in all coats \(80/).waitFor();
    await page.reload();
    await page.getByText(/g in all coats \(80/).waitFor();
    expect(await page.getByRole('progressbar').count(), 'nothing is read again').to.equal(0);
    await page.getByRole('radio', { name: 'urgency' }).click();
    await page.waitForURL(/by=urgency/);
    await page.getByText('starts later').waitFor();
    await page.goto('/desk/tide');
  });

  itInFull('is dragged along, and a click picks a dog out of it', async () => {
    const sea = page.locator('.wt-charts-tide-stage');
    await page.getByRole('button', { name: 'Closer' }).click();
    await page.waitForURL(/to=\d+/);
    const shown = page.url();
    const box = await sea.boundingBox();
    if (!box) throw new Error('no sea');
    const y = box.y + box.height * 0.87;
    await page.mouse.move(box.x + box.width * 0.7, y);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.4, y, { steps: 6 });
    await page.mouse.up();
    await page.waitForURL((url) => url.href !== shown);
    await page.mouse.click(box.x + box.width * 0.5, y);
    await page.waitForURL(/dog=demo-/);
    await page.getByRole('link', { name: /’s tide$/ }).waitFor();
    await page.goto('/desk/tide');
  });

  itInFull('is taken along as a drawing and as a picture', async () => {
    for (const kind of ['SVG', 'PNG'] as const) {
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: `${kind} of the tide` }).click(),
      ]);
      expect(file.suggestedFilename()).to.equal(`the-tide.${kind.toLowerCase()}`);
      const bytes = readFileSync(await file.path());
      if (kind === 'PNG') expect(bytes.subarray(0, 8).toString('latin1')).to.equal('\x89PNG\r\n\x1a\n');
      else {
        const text = bytes.toString();
        expect(text).to.match(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
        // What the page's styles made of it is written into it: nothing hangs on the page any more.
        expect(text)
          .to.match(/fill="rgb\(/)
          .and.not.match(/class="|var\(--/);
      }
      expect(bytes.length).to.be.above(20_000);
    }
  });

  it('leaves the dates to the book, which offers its own day to each dog that is called', async () => {
    // Who waits for a vet is asked after first, and offered nothing.
    const called = page.locator('.wt-call').filter({ hasText: /[Dd]ue/ });
    const names = await called.locator('h3 a').allInnerTexts();
    expect(names).to.not.have.lengthOf(0);
    await page.getByRole('link', { name: 'Dates to offer' }).click();
    await page
      .getByRole('button', { name: /^Yes: / })
      .first()
      .waitFor({ timeout: 60_000 });
    const all = page.getByRole('button', { name: /^All \d+$/ });
    if ((await all.count()) > 0) await all.click();
    const rung = page.locator('[aria-labelledby="ring"] li');
    for (const name of names) {
      const line = rung.filter({ hasText: name }).first();
      const [offered = ''] = await line.getByRole('button', { name: /^Yes: / }).allInnerTexts();
      await line.getByRole('button', { name: /^What to say/ }).click();
      // The first of the two days is the one that is said.
      await line.getByText(`${offered.replace('Yes: ', '').split(', ')[0] ?? 'a day'} would be a good day`).waitFor();
    }
  });

  it('shows a dog’s years, takes a note from home, and gives it back', async () => {
    await page.goto('/desk/dogs/demo-bollard/tide');
    await page.getByRole('heading', { name: 'What if' }).waitFor({ timeout: 200_000 });
    expect(await page.locator('.wt-lead').innerText()).to.match(/Spring blow .*80\s%/);
    expect(await page.locator('[data-ifs] tbody tr').count()).to.equal(5);
    const newest = page.getByText(/^The newest entry, of/);
    const dated = (await newest.innerText()).match(/of (.*?),/)?.[1] ?? '';
    const notes = stage.stores.tide.notesOf('demo-bollard').length;
    await page.getByRole('radio', { name: 'a bowl' }).click();
    await page.getByRole('button', { name: 'Brushed at home' }).click();
    const mine = page.locator('.wt-log li').filter({ hasText: 'brushed, a bowl' }).first();
    await mine.waitFor();
    expect(stage.stores.tide.notesOf('demo-bollard')).to.have.length(notes + 1);
    await newest.filter({ hasNotText: dated }).waitFor({ timeout: 200_000 });
    await mine.getByRole('button', { name: /^Take back/ }).click();
    await page.waitForFunction((n) => document.querySelectorAll('.wt-log li').length <= n + 8, notes);
    await expectNotes(notes);
  });
  const expectNotes = async (n: number): Promise<void> => {
    for (let i = 0; i < 100 && stage.stores.tide.notesOf('demo-bollard').length !== n; i++)
      await page.waitForTimeout(50);
    expect(stage.stores.tide.notesOf('demo-bollard')).to.have.length(n);
  };

  itInFull('judges past forecasts, stops when it is told to, and reads the town’s temperatures', async () => {
    await page.goto('/desk/reports/forecasts');
    await page.getByText('Making past forecasts again').waitFor();
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByText('Stopped.').waitFor();
    await page.getByRole('button', { name: 'Forget all temperatures' }).click();
    await page.getByText('No temperatures on record').waitFor();
    await page.getByLabel(/^A file with a date/).setInputFiles({
      name: 'town.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('2031-01-02;4.5\n2031-01-03;-2\n'),
    });
    await page.getByText('2 own and 0 station readings').waitFor();
  });
});
