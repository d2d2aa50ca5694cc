/** One dog through the whole house in a real browser: by mouse, and again by keyboard alone. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import ICAL from 'ical.js';
import type { Page } from 'playwright-core';
import { atEnd, begin, byMouse, goOn, putOn, stepsDone } from './at-table.ts';
import { describeInFull } from '../samples.ts';
import { A5, printedPages } from './paper.ts';
import { openDemo, openStage, tabTo, type Stage, type Visit } from './stage.ts';

/** The lines of a room. The step's clock ticks; everything else must be there after a reload. */
const shown = async (page: Page): Promise<readonly string[]> =>
  (await page.locator('main').innerText()).replace(/\d+:\d\d/g, '0:00').split(/\s*\n\s*/);

async function reloadLosesNothing(page: Page): Promise<void> {
  const settled = async (): Promise<void> => {
    await page.waitForLoadState('networkidle');
    await page.waitForFunction(() => !document.querySelector('.wt-waiting'));
  };
  await settled();
  const before = await shown(page);
  await page.reload();
  // What is computed by and by comes again, and more of it than had come before.
  await page
    .waitForFunction((lines) => {
      const now = new Set(
        (document.querySelector('main')?.innerText ?? '').replace(/\d+:\d\d/g, '0:00').split(/\s*\n\s*/),
      );
      return lines.every((line) => now.has(line));
    }, before)
    .catch(() => undefined);
  const now = await shown(page);
  expect(before.filter((line) => !now.includes(line))).to.deep.equal([]);
}

/** The calendar file behind the link, read by an independent library. */
async function downloadedVisit(page: Page, act: () => Promise<void>): Promise<ICAL.Event> {
  const [download] = await Promise.all([page.waitForEvent('download'), act()]);
  expect(download.suggestedFilename()).to.match(/^visit-\d{4}-\d\d-\d\d\.ics$/);
  const vevent = new ICAL.Component(ICAL.parse(readFileSync(await download.path(), 'utf8'))).getFirstSubcomponent(
    'vevent',
  );
  if (!vevent) throw new Error('the calendar file holds no event');
  return new ICAL.Event(vevent);
}

describeInFull('the walk by mouse', () => {
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
  });
  after(() => stage.close());

  it('opens a dog from the list of those who need a visit', async () => {
    await page.goto('/');
    await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
    await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Dogs' }).click();
    await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
    await page.getByRole('heading', { name: /^To see to/ }).waitFor();
    // Rows below the window stand a moment later.
    await page.waitForFunction(() => document.querySelectorAll('.wt-dogs-rack li').length >= 30);
    await page.getByLabel('Find a dog or owner').fill('barl');
    await page.getByRole('link', { name: 'Barley' }).click();
    await page.getByRole('heading', { level: 1, name: 'Barley' }).waitFor();
    await page.getByText('New here. Start with a coat check.').waitFor();
    await reloadLosesNothing(page);
  });

  it('feels the coat on the map; a reload in the middle keeps every finding', async () => {
    await page.getByRole('link', { name: 'Start the coat check' }).click();
    await page.getByLabel('Weight, kg').fill('27.4');
    await page.getByLabel('Hair at back, mm').fill('28');
    const left = page.getByRole('group', { name: 'Choose a zone, left side' });
    const panel = page.locator('.wt-check-check > section').last();
    const pick = (test: string, grade: string) =>
      panel.getByRole('group', { name: test }).getByRole('radio', { name: grade, exact: true }).click();
    await panel.getByRole('radio', { name: 'One zone' }).click();
    await left.locator('[data-zone="ribs.left"]').click();
    await panel.getByRole('heading', { name: 'Left ribs' }).waitFor();
    await pick('Finger to skin', 'push');
    await pick('Gentle tug brings', 'tuft');
    await pick('Comb', 'drags');
    await panel.getByText('Loose: tug: tuft, finger: push.').waitFor();
    await panel.getByRole('button', { name: 'Spread to zones not felt' }).click();
    await page.getByText('32 of 32 zones felt').waitFor();
    await page.getByRole('group', { name: 'Aspect' }).getByRole('button', { name: 'Right side' }).click();
    const right = page.getByRole('group', { name: 'Choose a zone, right side' });
    await right.locator('[data-zone="hip.right"]').click();
    await pick('Skin', 'hot spot');
    await page.getByText('Not worked until a vet has looked: Right loin and hip: hot spot.').waitFor();
    await page.getByRole('button', { name: 'The rest is fine' }).click();

    await page.getByRole('button', { name: 'Undo' }).click();
    expect(await page.getByRole('radio', { name: 'fine' }).first().isChecked()).to.equal(false);
    await page.getByRole('button', { name: 'Redo' }).click();
    expect(await page.getByRole('radio', { name: 'fine' }).first().isChecked()).to.equal(true);
    await page.reload();
    await page.getByText('32 of 32 zones felt').waitFor();
    expect(await page.getByLabel('Weight, kg').inputValue()).to.equal('27.4');
    await page.getByText('Right loin and hip: hot spot.').waitFor();
    await page.getByRole('button', { name: 'Save and plan' }).click();
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
  });

  it('shows the plan with its reasons, and lays another method over it', async () => {
    await page.getByText('Not worked, and a vet should look:').waitFor();
    const methods = page.getByRole('group', { name: 'Methods', exact: true });
    expect(await methods.locator('.wt-plan-method').count()).to.be.within(3, 4);
    await page.getByText(/\d+ ruled out/).waitFor();
    const recommended = methods.getByRole('button', { pressed: true });
    expect(await recommended.innerText())
      .to.contain('Recommended')
      .and.contain('Smooth');
    await methods.getByRole('button', { name: /^Wet first/ }).click();
    await page.getByRole('heading', { name: /^Wet first, / }).waitFor();
    await page.getByText('dotted: the recommended stair').waitFor();
    await reloadLosesNothing(page);
    await methods.getByRole('button', { name: /Recommended/ }).click();
    await page.getByRole('heading', { name: /^Smooth, / }).waitFor();
    await page.getByText('Why this tool, which zones').first().click();
    await page
      .getByText(/Fit \d+\s%: .*(mm|%|cm²)/)
      .first()
      .waitFor();
    for (const why of await page.locator('.wt-charts-steps details').all()) {
      expect((await why.textContent())?.toLowerCase()).to.not.contain('right loin and hip');
    }
  });

  it('works the session: weighs, combs, pauses, and goes on where it was after a reload', async () => {
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.getByText('Leave alone: Right loin and hip: hot spot.').waitFor();
    await putOn(stage, { bowl: true, hairG: 0, dogKg: 0 });
    await begin(page, 'Runa');
    await byMouse(page, 'Break');
    await page.getByRole('heading', { name: 'The dog has a break' }).waitFor();
    await page.reload();
    await page.getByRole('heading', { name: 'The dog has a break' }).waitFor();
    await byMouse(page, 'Go on');
    await byMouse(page, /^Comb drags/);
    await page.getByText(/^The comb dragged at/).waitFor();
    await byMouse(page, /^(Keep the plan|Go on)$/);
    await byMouse(page, 'Whole step done');
    await page.getByText('At rest.').waitFor();
    await byMouse(page, 'Start from nothing');
    await page.getByText('Nothing on it.').waitFor();
    await putOn(stage, { hairG: 22 });
    await byMouse(page, /^Take 22\sg/);
    await page.reload();
    await page
      .getByRole('button', { name: /^(Step done|Next:)/ })
      .first()
      .waitFor();
    expect(await stepsDone(page)).to.equal(1);
    await goOn(page, atEnd);
    await page.getByRole('button', { name: 'Finish the session' }).click();
    await page.getByRole('heading', { name: 'Barley, done' }).waitFor();
    await page.getByText(/^22\sg weighed of about \d+\sg planned/).waitFor();
    await page.getByText('The comb did not fall through at').waitFor();
    await reloadLosesNothing(page);
    const events = stage.stores.sessions.linesSince(0, 40).flatMap((s) => stage.stores.sessions.events(s.id));
    expect(events.filter((e) => e.act.kind === 'weighed' && e.act.grams === 22 && e.act.by === 'scale')).to.have.length(
      1,
    );
  });

  it('books the next date and hands out the calendar file', async () => {
    await page.getByRole('link', { name: 'Next date' }).click();
    await page.getByRole('heading', { name: /^The coat is due / }).waitFor();
    const slot = page.getByRole('button', { name: /^Book / }).first();
    const said = await slot.getAttribute('aria-label');
    await slot.click();
    await page.getByRole('heading', { name: 'Booked' }).waitFor();
    const visit = await downloadedVisit(page, () => page.getByRole('link', { name: 'Calendar file' }).click());
    expect(visit.summary).to.contain('Barley');
    const helsinki = new Intl.DateTimeFormat('en-GB', {
      timeZone: 'Europe/Helsinki',
      hour: '2-digit',
      minute: '2-digit',
    });
    expect(said).to.contain(helsinki.format(visit.startDate.toJSDate()));
    await reloadLosesNothing(page);
  });

  it('cancels a date and puts it back', async () => {
    await page.getByRole('button', { name: 'Cancel this date' }).click();
    await page.getByText(/ is cancelled\.$/).waitFor();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await page.getByRole('button', { name: 'Cancel this date' }).waitFor();
    expect(await page.getByText(/ is cancelled\.$/).count()).to.equal(0);
  });

  it('ends with the home card, which prints on one A5 page', async () => {
    await page.getByRole('link', { name: 'Home card' }).click();
    await page.getByRole('heading', { name: 'Barley at home' }).waitFor();
    await page.getByText(/^Next visit: /).waitFor();
    await page.getByText(/^Do not brush loin, hip and rump: /).waitFor();
    await reloadLosesNothing(page);
    expect(await printedPages(page)).to.deep.equal([A5]);
  });
});

describe('the walk by keyboard alone, on the demo command', () => {
  let demo: Visit;
  let page: Page;
  const press = (key: string) => page.keyboard.press(key);
  const enter = async (name: string | RegExp): Promise<void> => {
    await tabTo(page, name);
    await press('Enter');
  };
  before(async () => {
    demo = await openDemo();
    page = await demo.page();
    // Only keys: a pointer event anywhere is a fault of the test.
    await page.addInitScript(() =>
      addEventListener('pointerdown', () => console.error('a pointer was used in the keyboard walk'), true),
    );
  });
  after(() => demo.close());

  it('goes from Dogs to a saved coat check', async () => {
    await page.goto('/desk/dogs');
    await tabTo(page, 'Find a dog or owner');
    await page.keyboard.type('pilot');
    await enter('Pilot');
    await page.getByRole('heading', { name: 'Pilot' }).waitFor();
    await enter(/^(Start the coat check|Check again)$/);
    await page.getByRole('group', { name: 'Choose a zone, left side' }).waitFor();
    await tabTo(page, 'Hair at back, mm');
    await page.keyboard.type('45');
    await enter('The rest is fine');
    await tabTo(page, /^left hind foot/);
    for (let i = 0; i < 5; i++) await press('ArrowRight');
    await page.getByRole('heading', { name: 'Left loin and hip' }).waitFor();
    for (const key of ['3', 't', '2', 'c', '2']) await press(key);
    await page.getByText('Packed: finger: no skin, comb stops.').waitFor();
    await tabTo(page, 'Sweep');
    await press('ArrowRight');
    await enter('Spread to zones not felt');
    await page.getByText('32 of 32 zones felt').waitFor();
    await enter('Save and plan');
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
  });

  it('reads the plan, takes it to the table and works it through', async () => {
    // Another way than the recommended one.
    const ways = await page.locator('button', { hasText: /% left/ }).allInnerTexts();
    const [other = ''] = ways.flatMap((t) => /^(?!Recommended)[A-Z][a-z ]+/.exec(t.trim())?.[0].trim() ?? []);
    await enter(new RegExp(`^${other}`));
    await page.getByRole('heading', { name: new RegExp(`^${other}, `) }).waitFor();
    await enter('Take it to the table');
    await page.getByRole('button', { name: /^Start/ }).waitFor();
    await enter('Runa');
    await enter(/^Start/);
    await page.getByRole('button', { name: 'Break' }).waitFor();
    // What the comb says is asked where it goes through a coat first.
    if ((await page.getByRole('button', { name: /^Comb\s*glides/ }).count()) > 0) await enter(/^Comb\s*glides/);
    await page
      .getByRole('button', { name: /^(Next:|Step done)/ })
      .first()
      .waitFor();
    await goOn(page, atEnd, (_, name) => enter(name));
    await enter('Finish the session');
    await page.getByRole('heading', { name: 'Pilot, done' }).waitFor();
  });

  it('books the next date and reaches the home card', async () => {
    await enter('Next date');
    await page.getByRole('heading', { name: /^The coat is due / }).waitFor();
    await enter(/^Book /);
    await page.getByRole('heading', { name: 'Booked' }).waitFor();
    const visit = await downloadedVisit(page, () => enter('Calendar file'));
    expect(visit.duration.toSeconds()).to.be.within(600, 36_000);
    await enter('Home card');
    await page.getByRole('heading', { name: 'Pilot at home' }).waitFor();
  });
});
