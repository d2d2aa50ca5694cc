/** A dog that does not bear all of its work in one visit: said as a whole where ways are compared, a visit at a time where hands are. */
import { expect } from 'chai';
import type { DogPage } from '../../contract/dog.ts';
import { openMethod, wholeOf, type Plan } from '../../core/bench/index.ts';
import { minutesText, money } from '../../web/words/figures.ts';
import { openStage, type Stage } from './stage.ts';

const DOG = 'demo-gannet';
const BEARS = 60;

describe('a plan over several visits, on the screen', function () {
  this.timeout(240_000);
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());
  const ask = async (method: string, path: string, body?: object): Promise<ReturnType<typeof JSON.parse>> =>
    (
      await fetch(`${stage.base}/api${path}`, {
        method,
        headers: stage.headers,
        ...(body && { body: JSON.stringify(body) }),
      })
    ).json();

  it('says the whole and each visit, prints the first, and takes only that to the table', async () => {
    const { dog }: DogPage = await ask('GET', `/dogs/${DOG}`);
    const { id: _, ...draft } = dog;
    await ask('PUT', `/dogs/${DOG}`, { ...draft, standingMinutes: BEARS });
    const check = stage.stores.checks.latestOf(DOG)?.id ?? '';
    const plan: Plan = await ask('GET', `/checks/${check}/plan`);
    const best = openMethod(plan, plan.recommended?.method ?? '');
    if (!best) throw new Error('nothing is open');
    const whole = wholeOf(best);
    expect(whole.visits, 'it takes several').to.be.above(1);
    for (const v of [best, ...best.later]) expect(v.minutes).to.be.at.most(BEARS);

    const desk = await stage.page();
    await desk.goto(`/desk/dogs/${DOG}/plan/${check}`);
    const { currency } = stage.stores.salon.find()?.house.rates ?? { currency: 'EUR' };
    const heading = await desk.getByRole('heading', { level: 1 }).innerText();
    expect(heading).to.contain(`${minutesText(best.minutes)} today, visit 1 of ${whole.visits}`);
    const card = await desk.locator('.wt-plan-method').filter({ hasText: 'Recommended' }).innerText();
    expect(card).to.contain(
      `${whole.visits} visits, ${minutesText(whole.minutes)} · ${money(whole.priceCents, currency)}`,
    );
    const visits = desk.getByRole('region', { name: `Over ${whole.visits} visits` });
    await visits.waitFor();
    expect(await visits.getByRole('listitem').count()).to.equal(whole.visits);
    for (const [i, v] of best.later.entries())
      expect(
        await visits
          .getByRole('listitem')
          .nth(i + 1)
          .innerText(),
      ).to.contain(minutesText(v.minutes));
    expect(await desk.locator('.wt-plan-tread').count(), 'today’s steps are on the stairs').to.equal(best.steps.length);

    await desk.getByRole('link', { name: 'Bench sheet' }).click();
    await desk.getByText(`Visit 1 of ${whole.visits}:`).waitFor();
    await desk.goBack();
    await desk.getByRole('button', { name: 'Take it to the table' }).click();
    await desk.waitForURL(/\/table\/sessions\//);
    await desk
      .getByRole('heading', { name: new RegExp(`, ${minutesText(best.minutes).replaceAll(/\s/g, '\\s')}$`) })
      .waitFor();
    expect(await desk.locator('.wt-session-begin-steps li').count()).to.equal(best.steps.length);
    await desk.context().close();
  });
});
