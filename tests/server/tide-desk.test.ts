/** Anyone who waits for the tide is let go, also where there was nothing new to compute. */
import { expect } from 'chai';
import { stores, openDb } from '../../server/db/index.ts';
import { TideDesk } from '../../server/tide-desk.ts';
import { tideFile } from '../../server/services/tide-file.ts';
import type { TideFile, TideLearntAnswer } from '../../contract/tide.ts';
import { callList, factsWord, learnBook } from '../../core/tide/index.ts';
import { ended } from '../../core/quantity/index.ts';
import { freshMemos } from '../demo.ts';
import { fillSmall } from '../small-house.ts';
import { NOW, openRoom } from './room.ts';

const MOST_WAIT_MS = 30_000;
const inTime = (waits: Promise<void>): Promise<string> =>
  Promise.race([
    waits.then(() => 'let go'),
    new Promise<string>((late) => setTimeout(() => late('waits still'), MOST_WAIT_MS).unref()),
  ]);

describe('the desk of the tide', () => {
  it('lets go of who waits when the facts are known already', async () => {
    const db = openDb(':memory:');
    const desk = new TideDesk();
    const kept = { stores: stores(db, () => NOW), nowMs: () => NOW, memos: freshMemos(), tide: desk };
    fillSmall(kept.stores, NOW);
    const question = { book: tideFile(kept), homes: [] };
    desk.ask(question);
    expect(await inTime(desk.settled())).to.equal('let go');
    desk.soon(() => question);
    expect(await inTime(desk.settled())).to.equal('let go');
    desk.close();
    db.close();
  });

  it('forgets nobody who asks again too soon, and reckons then from what stands by that time', async () => {
    const db = openDb(':memory:');
    const desk = new TideDesk();
    const kept = { stores: stores(db, () => NOW), nowMs: () => NOW, memos: freshMemos(), tide: desk };
    fillSmall(kept.stores, NOW);
    const word = (): string | undefined => {
      const told: TideLearntAnswer = JSON.parse(desk.learnt);
      return told.known?.facts;
    };
    desk.atOnce(() => ({ book: tideFile(kept), homes: [] }));
    await desk.settled();
    const first = word();
    expect(first).to.equal(factsWord(tideFile(kept)));
    let gathered = 0;
    for (let time = 0; time < 5; time++)
      desk.soon(() => {
        gathered++;
        return { book: tideFile(kept), homes: [] };
      });
    // Written after they asked, before their turn.
    const [dog] = kept.stores.dogs.all();
    const note = { id: 'late', day: '2031-04-08', what: 'started', amount: null, grams: null, author: 'Ada' } as const;
    kept.stores.tide.addNote(dog?.id ?? '', note);
    expect(await inTime(desk.settled())).to.equal('let go');
    // Minutes follow what was learnt, and what was learnt is asked again where they do.
    expect(gathered, 'once for all who asked, and once or twice more with what was learnt').to.be.within(2, 3);
    expect(word())
      .to.equal(factsWord(tideFile(kept)))
      .and.not.equal(first);
    desk.soon(() => {
      throw new Error('the facts cannot be read');
    });
    expect(await inTime(desk.settled()), 'facts that cannot be read end nothing').to.equal('let go');
    desk.soon(() => expect.fail('a desk that is closed asks nobody'));
    desk.close();
    expect(await inTime(desk.settled())).to.equal('let go');
    db.close();
  });

  it('tells a device what was learnt, by the word of the facts it was learnt from', async () => {
    const room = await openRoom({ demo: false, learns: true });
    fillSmall(room.stores, NOW);
    const learnt = async (): Promise<TideLearntAnswer['known']> => {
      const answer: TideLearntAnswer = (await room.call('GET', '/tide/learnt')).json;
      return answer.known;
    };
    expect(await learnt(), 'nobody has reckoned yet').to.equal(null);
    expect(await inTime(room.tide.settled())).to.equal('let go');
    const known = await learnt();
    const book: TideFile = (await room.call('GET', '/tide')).json;
    expect(known?.facts).to.equal(factsWord(book));
    // What has travelled says what a device would have learnt by itself.
    const own = ended(learnBook(book));
    const calls = callList(book, own).map((c) => [c.dog.id, c.outlook.due.offer, c.outlook.minutes.likely]);
    expect(
      known && callList(book, known.learnt).map((c) => [c.dog.id, c.outlook.due.offer, c.outlook.minutes.likely]),
    ).to.deep.equal(calls);
    const [dog] = own.dogs;
    const told = known?.learnt.dogs[0];
    expect(dog && { ...told, bare: 0, wave: 0, minutes: 0 }).to.deep.equal({ ...dog, bare: 0, wave: 0, minutes: 0 });
    for (const [i, g] of Array.from(dog?.bare.likely ?? []).entries())
      expect(told?.bare.likely[i]).to.be.closeTo(g, 0.0051);

    // The log grows: until the new is learnt, the old is told under its own word.
    const note = { id: 'note-0', day: '2031-04-08', what: 'started', amount: null, grams: null, author: 'Ada' };
    await room.call('POST', `/dogs/${dog?.id}/home-notes`, note);
    expect((await learnt())?.facts).to.equal(known?.facts);
    expect(await inTime(room.tide.settled())).to.equal('let go');
    expect((await learnt())?.facts).to.equal(factsWord((await room.call('GET', '/tide')).json));
    await room.close();
  });
});
