/** Dogs that come, read in steps: all of them, by name, however many there are, with others let in between. */
import { expect } from 'chai';
import { salonInstant } from '../../server/salon-time.ts';
import { openDb, stores, type Db, type Stores } from '../../server/db/index.ts';
import { day, seededRandom, type Day } from '../../core/quantity/index.ts';
import { TANSY } from '../small-house.ts';

const TODAY: Day = day(22_379);
const SINCE = TODAY - 730;
const FROM = salonInstant(TODAY, 0, 'Europe/Oslo');

describe('dogs that come', () => {
  let db: Db;
  let kept: Stores;
  beforeEach(() => {
    db = openDb(':memory:');
    kept = stores(db, () => 0);
  });
  afterEach(() => db.close());

  /** Read in steps; `between` is done after each. */
  function inSteps(between: () => void = () => undefined) {
    const reading = kept.dogs.activeInPieces(SINCE, FROM);
    let steps = 0;
    for (let step = reading.next(); ; step = reading.next()) {
      if (step.done) return { dogs: step.value, steps };
      steps++;
      between();
    }
  }
  /** Adds dogs; the answer names those that come. */
  const addDogs = (count: number): ReadonlySet<string> => {
    const random = seededRandom(count);
    const coming = new Set<string>();
    kept.write(() => {
      for (let i = 0; i < count; i++) {
        const id = `dog-${Math.floor(random() * 1e9)}-${i}`;
        kept.dogs.insert(id, { ...TANSY, name: `Name ${Math.floor(random() * 40)}` });
        // A third is new; a third came lately; a third has rested for years.
        if (i % 3 !== 2) coming.add(id);
        if (i % 3 === 0) continue;
        const on = i % 3 === 1 ? TODAY - Math.floor(random() * 700) : TODAY - 800 - Math.floor(random() * 900);
        db.prepare('INSERT INTO past_visit (id, dog_id, day, minutes, grams, note) VALUES (?, ?, ?, ?, ?, ?)').run(
          `visit-${i}`,
          id,
          on,
          60,
          120,
          '',
        );
      }
    });
    return coming;
  };

  for (const count of [0, 1, 99, 100, 101, 450])
    it(`of ${count} are read whole, by name`, () => {
      const coming = addDogs(count);
      const { dogs, steps } = inSteps();
      // As the database sorts all dogs by name, without those that rest.
      expect(dogs).to.deep.equal(kept.dogs.all().filter((d) => coming.has(d.id)));
      expect(dogs.length).to.equal(count - Math.floor(count / 3));
      expect(steps).to.equal(Math.floor(dogs.length / 100));
      const names = dogs.map((d) => d.name);
      expect(names).to.deep.equal([...names].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)));
    });

  it('may be written to between two steps, and none is read twice', () => {
    const before = addDogs(450);
    let added = 0;
    const { dogs } = inSteps(() => kept.write(() => kept.dogs.insert(`late-${added++}`, { ...TANSY, name: 'Late' })));
    expect(added).to.be.above(2);
    expect(new Set(dogs.map((d) => d.id)).size).to.equal(dogs.length);
    for (const id of before) expect(dogs.some((d) => d.id === id)).to.equal(true);
  });
});
