/** What the demo's homes are like: a few that brush and write it down, one that found something, some that asked for reminders. */
import type { OwnerPost } from '../contract/post.ts';
import { HOME_PART_ROWS, QUIET_HOURS, type HomePart } from '../core/home/index.ts';
import { addDays, formatDay, pick, randomInt, type Day, type Random } from '../core/quantity/index.ts';
import type { Stores } from '../server/db/index.ts';
import { usualHome } from '../server/services/owner-page.ts';

export const dogId = (name: string): string => `demo-${name.toLowerCase()}`;

interface DemoHome {
  readonly dog: string;
  /** Who brushes there. */
  readonly hands: readonly string[];
  /** Days of the last three weeks on which somebody did. */
  readonly share: number;
  /** Nobody has since so many days. */
  readonly quietDays: number;
  readonly pins: readonly HomePart[];
  readonly note: string;
}
const HOMES: readonly DemoHome[] = [
  {
    dog: 'Rowan',
    hands: ['Vendela', 'Otso'],
    share: 0.75,
    quietDays: 0,
    pins: ['tail'],
    note: 'The tail ties at its root. A little each day, please.',
  },
  {
    dog: 'Linnet',
    hands: ['Maia'],
    share: 0.6,
    quietDays: 0,
    pins: [],
    note: 'Comb behind the ears before the walk, not after.',
  },
  { dog: 'Cobble', hands: ['Maia'], share: 0.4, quietDays: 0, pins: [], note: '' },
  { dog: 'Quill', hands: ['Ingvar'], share: 0.5, quietDays: 9, pins: [], note: '' },
];
const WISHES: readonly (readonly [dog: string, wish: Pick<OwnerPost, 'channel' | 'email'>])[] = [
  ['Rowan', { channel: 'mail', email: 'vendela.rask@home.example' }],
  ['Linnet', { channel: 'text', email: '' }],
  ['Quill', { channel: 'text', email: '' }],
  ['Osprey', { channel: 'mail', email: 'paavo@granlund.example' }],
  ['Marram', { channel: 'mail', email: 'ines@torpare.example' }],
  ['Thrift', { channel: 'text', email: '' }],
];
const BACK_DAYS = 21;

/** Homes of the demo's dogs, as of a day. */
export function fillHomes(stores: Stores, today: Day, random: Random): void {
  for (const home of HOMES) {
    const id = dogId(home.dog);
    const dog = stores.dogs.find(id);
    if (!dog) continue;
    stores.home.saveSetup(
      id,
      { ...usualHome(stores, dog), severalHands: home.hands.length > 1, pins: home.pins, note: home.note },
      0,
    );
    for (let back = BACK_DAYS; back > home.quietDays; back--) {
      if (random() > home.share) continue;
      const first = randomInt(random, 0, HOME_PART_ROWS.length - 4);
      stores.home.addBout(id, {
        id: `${id}-bout-${back}`,
        day: formatDay(addDays(today, -back)),
        parts: HOME_PART_ROWS.slice(first, first + 4).map((r) => r.part),
        minutes: randomInt(random, 5, 12),
        amount: random() < 0.5 ? null : pick(random, ['pinch', 'pinch', 'handful']),
        author: pick(random, home.hands),
      });
    }
  }
  stores.home.addReport(dogId('Rowan'), {
    id: 'demo-report-1',
    day: formatDay(addDays(today, -1)),
    kind: 'knot',
    part: 'ears',
    note: 'Left ear, the size of a hazelnut. I left it as it is.',
    author: 'Otso',
  });
  for (const [name, wish] of WISHES) {
    const dog = stores.dogs.find(dogId(name));
    if (dog) stores.post.saveWish(dog.owner, { ...wish, quiet: QUIET_HOURS }, 0);
  }
}
