/** One dog, one answer, as it stands on the screen: all rooms are walked, and what they say of each dog is held against each other. */
import { expect } from 'chai';
import { formatDay, addDays, type Day } from '../../core/quantity/index.ts';
import { salonDay } from '../../server/salon-time.ts';
import { fillRandom } from '../random-salon.ts';
import { describeInFull } from '../samples.ts';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

interface Shown {
  readonly room: string;
  readonly dog: string;
  readonly fact: string;
  readonly value: string;
}

/** Facts that a page shows, once nothing is being asked any more. */
async function factsOn(stage: Stage, paths: readonly string[]): Promise<readonly Shown[]> {
  const page = await stage.page();
  const all: Shown[] = [];
  for (const room of paths) {
    await page.goto(room);
    // A dog that was never checked has no next date: its room says so instead of a heading.
    await page.locator('main h1, main [role="alert"]').first().waitFor();
    await page.waitForLoadState('networkidle');
    // The tide's and the book's rooms learn and plan first; a list stands by and by.
    await page.waitForFunction(() => !document.querySelector('.wt-waiting, [data-learning]'));
    let before = -1;
    for (
      let n = await page.locator('[data-fact]').count();
      n !== before;
      n = await page.locator('[data-fact]').count()
    ) {
      before = n;
      await page.waitForTimeout(200);
    }
    const here = await page.locator('[data-fact]').evaluateAll((found) =>
      found.map((el) => ({
        dog: el.getAttribute('data-dog') ?? '',
        fact: el.getAttribute('data-fact') ?? '',
        value: el.getAttribute('data-value') ?? '',
      })),
    );
    all.push(...here.map((f) => ({ room, ...f })));
  }
  await page.context().close();
  return all;
}

/** Fails with every fact that two rooms say differently. */
function agree(shown: readonly Shown[]): void {
  const first = new Map<string, Shown>();
  const unlike = shown.flatMap((s) => {
    const key = `${s.dog} ${s.fact}`;
    const before = first.get(key) ?? s;
    first.set(key, before);
    return before.value === s.value ? [] : [`${key}: ${before.value} in ${before.room}, ${s.value} in ${s.room}`];
  });
  expect(unlike).to.deep.equal([]);
}

const LISTS = ['/desk/today', '/desk/dogs', '/desk/tide', '/desk/calendar', '/desk/calendar/list', '/desk/vet'];
const ofDog = (id: string): readonly string[] => [
  `/desk/dogs/${id}`,
  `/desk/dogs/${id}/next`,
  `/desk/dogs/${id}/tide`,
  `/home/${id}`,
];
const sheets = (today: Day): readonly string[] =>
  [0, 1, 3].map((d) => `/desk/calendar/day?day=${formatDay(addDays(today, d))}`);

describe('one dog, one answer', function () {
  this.timeout(240_000);
  it('stands the same in every room of the demo', async () => {
    const stage = await openStage();
    await untilTideIsLearnt(stage);
    const today = salonDay(Date.now(), 'Europe/Helsinki');
    const some = ['demo-scout', 'demo-juniper', 'demo-kelda'];
    const shown = await factsOn(stage, [...LISTS, ...sheets(today), ...some.flatMap(ofDog)]);
    // What no room says cannot be unlike.
    const by = (fact: string) => new Set(shown.filter((s) => s.fact === fact).map((s) => s.dog)).size;
    expect(by('minutes')).to.be.above(12);
    expect(by('due')).to.be.above(10);
    // As many as the demo has dates: few in a quiet month.
    expect(by('booked')).to.be.above(4);
    expect(by('booked-minutes')).to.equal(by('booked'));
    expect(shown.filter((s) => s.dog === 'demo-scout' && s.fact === 'minutes').length).to.be.above(3);
    for (const { value, room, fact } of shown) expect(value, `${fact} in ${room}`).to.not.equal('');
    agree(shown);
    await stage.close();
  });
});

describeInFull('one dog, one answer, everywhere', function () {
  this.timeout(900_000);
  for (const seed of [0, 1, 2, 3])
    it(
      seed === 0 ? 'stands the same for all dogs of the demo' : `stands the same in random salon ${seed}`,
      async () => {
        const today = salonDay(Date.now(), 'Europe/Helsinki');
        const stage = await openStage(
          seed === 0 ? {} : { fill: (stores) => fillRandom(stores, Date.now(), today, seed, 60) },
        );
        await untilTideIsLearnt(stage);
        const dogs = stage.stores.dogs.all().map((d) => d.id);
        agree(await factsOn(stage, [...LISTS, ...sheets(today), ...dogs.flatMap(ofDog)]));
        await stage.close();
      },
    );
});
