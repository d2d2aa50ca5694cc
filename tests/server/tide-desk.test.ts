/** Whoever waits for the tide is let go, also where there was nothing new to reckon. */
import { expect } from 'chai';
import { stores, openDb } from '../../server/db/index.ts';
import { TideDesk } from '../../server/tide-desk.ts';
import { tideFile } from '../../server/tide-facts.ts';
import { fillSmall } from '../small-house.ts';
import { NOW } from './room.ts';

const MOST_WAIT_MS = 30_000;
const inTime = (waits: Promise<void>): Promise<string> =>
  Promise.race([
    waits.then(() => 'let go'),
    new Promise<string>((late) => setTimeout(() => late('waits still'), MOST_WAIT_MS).unref()),
  ]);

describe('the desk of the tide', () => {
  it('lets go of who waits when the facts are known already', async () => {
    const db = openDb(':memory:');
    const kept = { stores: stores(db, () => NOW), nowMs: () => NOW };
    fillSmall(kept.stores, NOW);
    const question = { book: tideFile(kept), homes: [] };
    const desk = new TideDesk();
    desk.ask(question);
    expect(await inTime(desk.settled())).to.equal('let go');
    desk.soon(() => question);
    expect(await inTime(desk.settled())).to.equal('let go');
    desk.close();
    db.close();
  });
});
