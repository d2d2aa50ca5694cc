/** What was learnt is known at once after a restart, and what is read of a dog follows what is written about it. */
import { expect } from 'chai';
import { parseDay } from '../../core/quantity/index.ts';
import { openDb, stores } from '../../server/db/index.ts';
import { LearntKeeper, learntBefore } from '../../server/services/learnt.ts';
import { outlookReader } from '../../server/services/outlooks.ts';
import { bookBefore, tideText } from '../../server/services/tide-file.ts';
import { TideDesk } from '../../server/tide-desk.ts';
import { freshMemos } from '../demo.ts';
import { fillRandom } from '../random-salon.ts';
import { NOW } from './room.ts';

const TODAY = parseDay('2031-04-09');

describe('what was learnt', () => {
  const db = openDb(':memory:');
  const kept = stores(db, () => NOW);
  if (TODAY === undefined) throw new Error('no such day');
  fillRandom(kept, NOW, TODAY, 7, 4);
  const contextWith = (tide: TideDesk) => ({ stores: kept, nowMs: () => NOW, memos: freshMemos(), tide });
  const dogs = kept.dogs.all();
  let written: Promise<void> = Promise.resolve();
  const keeper = new LearntKeeper(kept, () => NOW);
  const first = new TideDesk(undefined, (packed) => (written = keeper.keep(packed) ?? written));
  after(() => {
    first.close();
    db.close();
  });

  it('is kept in the file, and a program that starts anew says the same before it has read anything', async () => {
    const context = contextWith(first);
    await first.atOnce(() => `{"book":${tideText(context)},"homes":[]}`);
    await first.settled();
    await written;
    const read = outlookReader(context);
    const before = learntBefore(kept);
    expect(before?.learnt.dogs.length).to.equal(dogs.length);
    const second = contextWith(new TideDesk(before));
    bookBefore(second, before?.dogs ?? []);
    const again = outlookReader(second);
    for (const dog of dogs) {
      expect(read(dog).outlook, dog.name).to.not.equal(undefined);
      expect(again(dog), dog.name).to.deep.equal(read(dog));
    }
    second.tide.close();
  });

  it('is read again of a dog that something was written about, and of no other', () => {
    // Opened anew: nothing has been written yet.
    const anew = stores(db, () => NOW);
    const context = { ...contextWith(new TideDesk(learntBefore(anew))), stores: anew };
    bookBefore(context, learntBefore(anew)?.dogs ?? []);
    const read = outlookReader(context);
    const [one, other] = dogs;
    if (!one || !other) throw new Error('no dogs');
    const [was, otherWas] = [read(one).facts.booked, context.memos.bookDogs.last(other.id)];
    anew.bookings.insert({ id: 'new', dogId: one.id, startsAt: '2031-04-10T07:00:00Z', minutes: 45, note: '' });
    expect(read(one).facts.booked).to.not.deep.equal(was);
    expect(anew.touched.isUntouched(one.id)).to.equal(false);
    expect(anew.touched.isUntouched(other.id)).to.equal(true);
    read(other);
    expect(context.memos.bookDogs.last(other.id)).to.equal(otherWas);
    const taken = anew.touched.taken();
    expect(taken.dogs).to.include(one.id);
    expect(anew.touched.taken()).to.deep.equal({ dogs: [], all: false });
    context.tide.close();
  });

  it('is learnt again where not all of it was written, or it cannot be read', () => {
    const [head, part] = kept.tide.learnt();
    if (!head || !part) throw new Error('nothing was kept');
    kept.tide.keepLearnt({ ...part, stamp: part.stamp + 1 });
    expect(learntBefore(kept), 'a part of another time').to.equal(undefined);
    kept.tide.keepLearnt({ ...part, answer: Buffer.from('no gzip') });
    expect(learntBefore(kept)).to.equal(undefined);
    kept.tide.dropLearnt(1);
    expect(learntBefore(kept), 'a part is missing').to.equal(undefined);
    kept.tide.keepLearnt(part);
    expect(learntBefore(kept)?.learnt.dogs.length).to.equal(dogs.length);
  });
});
