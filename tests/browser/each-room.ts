/** What holds in each room: the accessibility rules by day and night, by Tab alone, nothing cut or too wide at seven sizes, with names that cannot break. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { enter, openStage, untilTideIsLearnt, type Stage } from './stage.ts';
import { ROOM_LIST, roomsOf, type Rooms } from './room-list.ts';
import { samples } from '../samples.ts';
import { LONG_NAME, overflowFaults, SIZES } from './overflow.ts';
import { tabFaults } from './tab-walk.ts';

/** Names too long for anything, of dogs and owners; whoever is in has one of ten letters. */
function giveLongNames({ stores }: Stage): void {
  for (const { id, role, personId, version } of stores.accounts.all().filter((a) => a.role === 'owner'))
    stores.accounts.update(id, { name: 'Wilhelmina', role, personId, ended: false, version }, Date.now());
  for (const id of ['demo-bollard', 'demo-kelda', 'demo-juniper']) {
    const { version, id: _id, ...dog } = stores.dogs.find(id) ?? expect.fail(id);
    stores.dogs.update(id, { ...dog, name: LONG_NAME, owner: { ...dog.owner, name: LONG_NAME } }, version);
  }
}

/** Files that share the rooms out, each with a salon and a browser of its own. */
const SHARES = 2;

/** Tries every second room, from the share's first on. */
export function eachRoom(share: number): void {
  describe(`each room, share ${share + 1} of ${SHARES}: by the accessibility rules day and night, by Tab alone, nothing cut or wider than the screen from 320 to 1600 px, with long names`, () => {
    let stage: Stage;
    let rooms: Rooms;
    let page: Page;
    before(async () => {
      stage = await openStage();
      giveLongNames(stage);
      // On a busy machine that takes longer than a room is waited for.
      await untilTideIsLearnt(stage);
      rooms = await roomsOf(stage, 'rooms-session');
      page = await stage.page({ colorScheme: 'light', reducedMotion: 'reduce' });
    });
    after(() => stage.close());
    for (const [i, [name, pathIn]] of ROOM_LIST.filter((_, at) => at % SHARES === share).entries()) {
      // In a long run every room is walked by Tab and looked at by night; in a short one an eighth of them.
      const whole = i % samples(8, 1) === 0;
      it(whole ? `${name}, by Tab and by night too` : name, async () => {
        await page.setViewportSize({ width: 1280, height: 800 });
        await enter(page, pathIn(rooms));
        expect(await page.locator('h1').count()).to.equal(1);
        expect(await axeFaults(page), 'by day').to.deep.equal([]);
        if (whole) {
          expect(await tabFaults(page), 'by Tab').to.deep.equal([]);
          await page.getByRole('button', { name: 'Night' }).click();
          // Night changes colours and nothing else.
          expect(await axeFaults(page, 'color-contrast'), 'by night').to.deep.equal([]);
          await page.getByRole('button', { name: 'Day', exact: true }).click();
        }
        for (const [width, height] of SIZES) {
          await page.setViewportSize({ width, height });
          expect(await overflowFaults(page), `at ${width} × ${height}`).to.deep.equal([]);
        }
      });
    }
  });
}
