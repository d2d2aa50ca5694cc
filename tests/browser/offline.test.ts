/** The desk without a link: it starts, shows what was last seen and says so; a fetched room opens; the next person sees nothing of it. */
import { expect } from 'chai';
import { DEMO_PASSPHRASE } from '../../demo/accounts.ts';
import { openStage, type Stage } from './stage.ts';
import { seenText, untilSeenIsKept } from './seen.ts';

describe('the desk without a link', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  it('starts with what was last seen, says so, and goes on when the link is back', async () => {
    const page = await stage.page({ serviceWorkers: 'allow' });
    await page.goto('/desk/dogs');
    await page.getByRole('link', { name: 'Bollard' }).click();
    await page.getByRole('heading', { level: 1, name: 'Bollard' }).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // The worker fetches every room's files; what was read is kept after some moments.
    await page.waitForFunction(async () => (await caches.keys()).length > 0);
    // This one is made by the salon's computer and asks for nothing.
    await page.goto('/desk/kit');
    await page.getByRole('heading', { name: 'On the wall' }).waitFor();
    await untilSeenIsKept(page, 'GET /kit');
    await page.context().setOffline(true);
    await page.goto('/desk/dogs');
    await page.getByRole('link', { name: 'Bollard' }).waitFor();
    await page.getByText('There is no link to the salon’s computer.').waitFor();
    await page.getByRole('link', { name: 'Bollard' }).click();
    await page.getByRole('heading', { level: 1, name: 'Bollard' }).waitFor();
    await page.goto('/desk/kit');
    await page.getByRole('heading', { name: 'On the wall' }).waitFor();
    // A room of which nothing was read yet says that it cannot be asked for.
    await page.goto('/desk/practice/first-smooth');
    await page.getByRole('button', { name: 'Done with this dog' }).waitFor();
    await page.context().setOffline(false);
    await page.goto('/desk/dogs');
    await page.getByRole('link', { name: 'Bollard' }).waitFor();
    await page.getByText('There is no link').waitFor({ state: 'detached' });
    await page.context().close();
  });

  it('keeps nothing of one person for the next', async () => {
    const page = await stage.page({ signedOut: true });
    await page.goto('/desk/dogs');
    const comeIn = async (login: string): Promise<void> => {
      await page.getByLabel('Name you sign in with').fill(login);
      await page.getByLabel('Passphrase', { exact: true }).fill(DEMO_PASSPHRASE);
      await page.getByRole('button', { name: 'Come in' }).click();
      await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
    };
    await comeIn('runa');
    await page.getByRole('link', { name: 'Bollard' }).waitFor();
    await untilSeenIsKept(page, 'GET /dogs');
    await page.getByRole('button', { name: 'Runa' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('heading', { name: 'Who is here?' }).waitFor();
    await page.waitForTimeout(2600);
    expect(await seenText(page)).to.not.contain('Bollard');
    await page.context().close();
  });
});
