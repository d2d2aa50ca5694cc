/** The door in the browser: in by passphrase and by PIN, the first key of a new house, keys given, clients brought in. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { DEMO_PASSPHRASE, DEMO_PIN } from '../../demo/accounts.ts';
import { axeFaults } from './axe.ts';
import { openStage, tabTo, type Stage } from './stage.ts';

const comeIn = async (page: Page, login: string, { shared = false } = {}): Promise<void> => {
  await page.goto('/desk/dogs');
  await page.getByLabel('Name you sign in with').fill(login);
  await page.getByLabel('Passphrase', { exact: true }).fill(DEMO_PASSPHRASE);
  if (shared) await page.getByLabel(/^This tablet belongs/).check();
  await page.getByRole('button', { name: 'Come in' }).click();
  await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
};

describe('the door, in the browser', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  it('opens by keyboard alone, says when name and passphrase do not fit, and closes', async () => {
    const page = await stage.page({ signedOut: true });
    await page.goto('/desk/dogs');
    await page.getByRole('heading', { name: 'Who is here?' }).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await tabTo(page, 'Name you sign in with');
    await page.keyboard.type('disa');
    await tabTo(page, 'Passphrase');
    await page.keyboard.type('not these words');
    await page.keyboard.press('Enter');
    await page.getByText('This name and passphrase do not fit together.').waitFor();
    await page.getByLabel('Passphrase', { exact: true }).fill(DEMO_PASSPHRASE);
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
    // The desk does not see what is the owner's to see.
    await page.getByRole('button', { name: 'Disa' }).click();
    expect(await page.getByText('Keys: who may come in').count()).to.equal(0);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('heading', { name: 'Who is here?' }).waitFor();
    await page.goto('/desk/safe');
    await page.getByRole('heading', { name: 'Who is here?' }).waitFor();
    await page.context().close();
  });

  it('hands a shared tablet over by PIN, with keys for wet thumbs', async () => {
    const page = await stage.page({ signedOut: true, viewport: { width: 1024, height: 768 }, hasTouch: true });
    await comeIn(page, 'maren', { shared: true });
    await page.getByRole('button', { name: 'Maren' }).tap();
    await page.getByRole('button', { name: 'Hand the tablet over' }).tap();
    await page.getByRole('heading', { name: 'Whose hands are these?' }).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    const small = await page
      .locator('.wt-door-pin-keys button')
      .evaluateAll((keys) => keys.filter((k) => k.getBoundingClientRect().height < 56).length);
    expect(small).to.equal(0);
    await page.getByText('Bertil').tap();
    for (const digit of '1357') await page.getByRole('button', { name: digit, exact: true }).tap();
    await page.getByRole('button', { name: 'Go on' }).tap();
    await page.getByText('This PIN does not fit.').waitFor();
    for (const digit of DEMO_PIN) await page.getByRole('button', { name: digit, exact: true }).tap();
    await page.getByRole('button', { name: 'Go on' }).tap();
    await page.getByRole('button', { name: 'Bertil' }).waitFor();
    await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
    await page.context().close();
  });

  it('makes a key, shows what was done with it, and takes a device out', async () => {
    const page = await stage.page();
    await page.goto('/desk/keys');
    await page.getByRole('button', { name: 'Make a key' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Odd');
    await page.getByLabel('Signs in as').fill('odd');
    await page.getByLabel('May do').selectOption('bather');
    await page.getByLabel('First passphrase').fill('oddodd1234');
    await page.getByRole('button', { name: 'Make the key' }).click();
    await page.getByText(/Take three or four words/).waitFor();
    await page.getByLabel('First passphrase').fill('three wet grey stones');
    await page.getByRole('button', { name: 'Make the key' }).click();
    await page.getByText('signs in as odd').waitFor();
    await page.getByRole('button', { name: 'Sign out Bertil there' }).first().click();
    await page.getByRole('button', { name: 'Sign out Bertil there' }).waitFor({ state: 'detached' });
    await page.goto('/desk/changes');
    await page.getByText('added the account of Odd').waitFor();
    await page.context().close();
  });

  it('brings clients in whole, and out again', async () => {
    const page = await stage.page();
    await page.goto('/desk/intake');
    const csv = (visit: string) => ({
      name: 'clients.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        `Client,Pet,Breed,Last visit\nSiv Lundt,Muffin,samoyed,${visit}\nOlle Varg,Grit,beagle,2025-02-01\n`,
      ),
    });
    await page.locator('input[type=file]').setInputFiles(csv('3/4/2025'));
    await page.getByText(/"3\/4\/2025" may be two days/).waitFor();
    expect(await page.getByRole('button', { name: 'Bring all of it in' }).isDisabled()).to.equal(true);
    await page.locator('input[type=file]').setInputFiles(csv('2025-04-03'));
    await page.getByText('2 new dogs and 2 past visits would come in.').waitFor();
    await page.getByRole('button', { name: 'Bring all of it in' }).click();
    await page.getByText('In: 2 dogs and 2 past visits.').waitFor();
    expect(stage.stores.dogs.all().some((d) => d.name === 'Muffin')).to.equal(true);
    // The newest stands first.
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await page.getByText('undone').waitFor();
    expect(stage.stores.dogs.all().some((d) => d.name === 'Muffin')).to.equal(false);
    await page.context().close();
  });
});
