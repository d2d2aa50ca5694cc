/** A day with two dogs that must not meet, on the screen: what is wrong is said, with the way out, taken in one tap. */
import { expect } from 'chai';
import { addDays, formatDay, parseDay } from '../../core/quantity/index.ts';
import { openStage, type Stage } from './stage.ts';

describe('a day with dogs that must not meet, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  let on = '';
  before(async () => {
    stage = await openStage();
    const { stores } = stage;
    const [pair] = stores.roster.apart();
    const dogs = [pair?.a ?? '', pair?.b ?? ''];
    for (const dog of dogs)
      for (const b of stores.bookings.ofDogFrom(dog, '2000')) stores.bookings.cancel(b.id, b.version);
    // A day that is free, in a week in which everybody works.
    const today = parseDay((await (await fetch(`${stage.base}/api/sheet`, { headers: stage.headers })).json()).day);
    for (let ahead = 20; on === '' && ahead < 60; ahead++) {
      const day = formatDay(addDays(today ?? expect.fail('no day'), ahead));
      const page = await (await fetch(`${stage.base}/api/sheet?day=${day}`, { headers: stage.headers })).json();
      if (page.visits.length === 0 && page.people.length > 1) on = day;
    }
    for (const [i, dog] of dogs.entries()) {
      const draft = { id: `pair-${i}`, dogId: dog, startsAt: `${on}T09:00:00Z`, minutes: 210, note: '' };
      const { status } = await fetch(`${stage.base}/api/bookings`, {
        method: 'POST',
        headers: stage.headers,
        body: JSON.stringify(draft),
      });
      expect(status).to.equal(201);
    }
  });
  after(() => stage.close());

  it('says that they meet, and whom to ring; one tap moves the visit, and the day can be kept', async () => {
    const desk = await stage.page();
    await desk.goto(`/desk/calendar/day?day=${on}`);
    await desk.getByText('must not meet').first().waitFor();
    const way = desk.getByRole('region', { name: 'Ways out' }).getByRole('listitem').filter({ hasText: 'Ring' });
    await way.filter({ hasText: 'Then the day can be kept.' }).waitFor();
    const before = stage.stores.bookings.find('pair-0')?.startsAt;
    await way.getByRole('button', { name: 'Move it there' }).click();
    await desk.getByRole('heading', { name: 'Ways out' }).waitFor({ state: 'detached' });
    const starts = ['pair-0', 'pair-1'].map((id) => stage.stores.bookings.find(id)?.startsAt);
    expect(starts.filter((s) => s === before)).to.have.length(1);
    await desk.getByText('The last dog is done at').waitFor();
    expect(await desk.getByText('must not meet').count()).to.equal(0);
  });
});
