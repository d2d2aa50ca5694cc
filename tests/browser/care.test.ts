/** Care around the coat on the screen: chosen while a date is sought, remembered at the check, a step on the stairs; and what is said where no groom is. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { axeFaults } from './axe.ts';
import { openStage, untilTideIsLearnt, type Stage } from './stage.ts';

const DOG = 'demo-biscuit';

describe('care around the coat, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  let desk: Page;
  let plan = '';
  before(async () => {
    stage = await openStage();
    await untilTideIsLearnt(stage);
    const check = stage.stores.checks.latestOf(DOG);
    plan = `/desk/dogs/${DOG}/plan/${check?.id ?? ''}`;
    desk = await stage.page();
  });
  after(() => stage.close());

  it('is chosen at a booking, said at the check, and done as steps', async () => {
    await desk.goto(`/desk/dogs/${DOG}/next`);
    await desk.getByText('Besides the coat: nothing chosen').click();
    await desk.getByText('Glands are left alone unless they trouble the dog').waitFor();
    expect(await axeFaults(desk)).to.deep.equal([]);
    await desk.getByLabel(/^Nails, 6\smin/).click();
    await desk.getByText('Besides the coat: nails').waitFor();
    await desk.goto(`/desk/dogs/${DOG}/check`);
    await desk.getByText('Besides the coat: nails').click();
    await desk.getByLabel(/^Ears wiped, 3\smin/).click();
    await desk.getByText('Besides the coat: nails and ears wiped').waitFor();
    await desk.goto(plan);
    await desk.locator('.wt-plan-tread[aria-label*="Nails"]').waitFor();
    await desk.locator('.wt-plan-tread[aria-label*="Ears wiped"]').waitFor();
    await desk.getByText('A treat after each part, and one at the end.').waitFor();
    await desk.getByText(/^First wash, /).waitFor();
  });

  it('takes a vet’s order to clip into the plan, with who gave it, and takes it back', async () => {
    await desk.goto(`/desk/dogs/${DOG}`);
    await desk.getByText('Clip by a vet’s order').click();
    const keep = desk.getByRole('button', { name: 'Keep the order' });
    await keep.click();
    await desk.getByText('please fill this in').waitFor();
    await desk.getByText('please choose where').waitFor();
    await desk.getByLabel('Who ordered it').fill('Dr. Fenwood');
    await desk.getByLabel('Why').selectOption('For a surgery');
    await desk.getByRole('checkbox', { name: /belly/i }).check();
    expect(await axeFaults(desk)).to.deep.equal([]);
    await keep.click();
    await desk.getByText('Clip by order: Dr. Fenwood').waitFor();
    expect(await desk.getByLabel('Who ordered it').inputValue()).to.equal('');
    await desk.goto(plan);
    await desk.getByText(/^To be clipped for a surgery: .*Ordered by Dr\. Fenwood/).waitFor();
    await desk.goto(`/desk/dogs/${DOG}`);
    await desk.getByText('Clip by order: Dr. Fenwood').click();
    await desk.getByRole('button', { name: 'Take back' }).click();
    await desk.getByText('Clip by a vet’s order').waitFor();
  });

  it('says at the house’s terms what an item takes and costs', async () => {
    await desk.goto('/desk/house');
    const price = desk.getByLabel('Price of nails');
    await price.fill('12');
    await desk.getByRole('button', { name: 'Save house rules' }).click();
    await desk.getByText('Saved. Plans are reckoned with it from now on.').waitFor();
    await desk.goto(`/desk/dogs/${DOG}/next`);
    await desk.getByText('Besides the coat: nails and ears wiped').click();
    await desk.getByLabel(/^Nails, 6\smin, .12/).waitFor();
  });
});
