/** Text that would be a script, in every field that holds what somebody typed, shown in every room: it stays text. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { openStage, type Stage } from './stage.ts';
import { ROOMS, roomsOf } from './room-list.ts';
import { samples } from '../samples.ts';

const MARK =
  '"\'><img src=x onerror="window.__ran=1"><svg onload="window.__ran=1"></svg><b class="injected">b</b>{{7*7}}`${7*7}`';
/** Columns that hold what people type, by table. */
const TYPED: Readonly<Record<string, readonly string[]>> = {
  salon: ['name', 'town'],
  dog: ['name', 'breed', 'note', 'owner_name', 'owner_phone'],
  coat_check: ['note'],
  tool: ['name'],
  booking: ['note'],
  product_move: ['product'],
  home_note: ['author'],
  home_bout: ['author'],
  home_care: ['author'],
  home_report: ['note', 'author'],
  person: ['name'],
  absence: ['reason'],
  account: ['name'],
  post: ['subject', 'body', 'address', 'owner_name'],
  change: ['who', 'about'],
};

describe('text that would be a script', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
    const { db } = stage;
    db.exec('PRAGMA foreign_keys = OFF; DROP TRIGGER session_event_is_kept');
    for (const [table, columns] of Object.entries(TYPED))
      for (const column of columns) {
        // A product's name is short, and two of an owner's dogs stay that owner's.
        const value = table === 'product_move' ? MARK.slice(0, 60) : MARK;
        db.prepare(`UPDATE OR IGNORE ${table} SET ${column} = ?`).run(value);
      }
    db.prepare(`UPDATE session_event SET act = json_set(act, '$.name', ?) WHERE kind = 'worker'`).run(MARK);
    db.prepare(`UPDATE session_event SET act = json_set(act, '$.text', ?) WHERE kind = 'note'`).run(MARK);
  });
  after(() => stage.close());

  it('runs nowhere and makes no element, in any room, on the owner’s page and at the door', async () => {
    const page = await stage.page();
    const still = async (where: string): Promise<void> => {
      const ran = await page.evaluate(() => ({
        ran: Reflect.get(window, '__ran') ?? 0,
        made: document.querySelectorAll('.injected, img[onerror], svg[onload]').length,
        // The text itself is there to be read.
        seen:
          document.body.innerText.includes('onerror') ||
          [...document.querySelectorAll('input, option, [aria-label]')].some((e) => e.outerHTML.includes('onerror')),
      }));
      expect(ran, where).to.include({ ran: 0, made: 0 });
      if (ran.seen) shown++;
    };
    let shown = 0;
    const enter = async (p: Page, path: string): Promise<void> => {
      await p.goto(path);
      await p.locator('h1').first().waitFor();
      await p.waitForFunction(() => !document.querySelector('.wt-waiting'));
      await p.waitForTimeout(150);
    };
    const rooms = await roomsOf(stage, 'script-session');
    // Every room in a long run; a sixth of them, of each kind some, in a short one.
    const every = samples(6, 1);
    for (const [name, path] of ROOMS(rooms).filter((_, i) => i % every === 0)) {
      await enter(page, path);
      await still(name);
    }
    expect(shown, 'rooms in which the text was to be read').to.be.above(samples(3, 15));
    const link = await (
      await fetch(`${stage.base}/api/home-links`, {
        method: 'POST',
        headers: stage.headers,
        body: JSON.stringify({ dogIds: ['demo-bollard'] }),
      })
    ).json();
    await page.goto(`/o#${link.token}`);
    await page.locator('h1').first().waitFor();
    await page.waitForTimeout(500);
    await still('the owner’s page');
    const stranger = await stage.page({ signedOut: true });
    await stranger.goto('/desk/tide');
    await stranger.getByRole('button', { name: 'Come in' }).waitFor();
    expect(await stranger.evaluate(() => Reflect.get(window, '__ran') ?? 0)).to.equal(0);
    await stranger.context().close();
    await page.context().close();
  });
});
