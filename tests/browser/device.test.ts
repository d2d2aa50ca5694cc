/** What a device keeps and asks: a PIN without a link, nothing of clients once somebody has left, the passphrase before owner’s acts. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { DEMO_PASSPHRASE } from '../../demo/accounts.ts';
import { axeFaults } from './axe.ts';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';
import { seenText, untilSeenIsKept } from './seen.ts';

describe('a device of the salon', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  async function signIn(page: Page, login: string, shared = false): Promise<void> {
    await page.goto('/desk/dogs');
    await page.getByLabel('Name you sign in with').fill(login);
    await page.getByLabel('Passphrase', { exact: true }).fill(DEMO_PASSPHRASE);
    if (shared) await page.getByLabel(/^This tablet belongs to the salon/).check();
    await page.getByRole('button', { name: 'Come in' }).click();
    await page.getByRole('heading', { name: 'Dogs', exact: true }).waitFor();
  }
  const newestSignIn = (): string => stage.stores.accounts.signIns()[0]?.id ?? expect.fail('nobody is signed in');

  /** All that this page's origin keeps for tables: sessions and who is here. */
  const tableKeeps = (page: Page): Promise<readonly string[]> =>
    page.evaluate(
      () =>
        new Promise<string[]>((done) => {
          const asked = indexedDB.open('woolly-tide-table');
          asked.onsuccess = () => {
            const { result } = asked;
            const tx = result.transaction(['sessions', 'door']);
            const [sessions, door] = [tx.objectStore('sessions').getAllKeys(), tx.objectStore('door').getAllKeys()];
            tx.oncomplete = () => {
              result.close();
              done([...sessions.result, ...door.result].map(String));
            };
          };
        }),
    );
  const recent = (page: Page): Promise<readonly string[]> =>
    page.evaluate(() => Object.keys(localStorage).filter((key) => key.includes('recent')));

  it('that is a shared tablet asks for a PIN when no hand was on it, link or no link, reloaded or not', async () => {
    const page = await stage.page({ signedOut: true, serviceWorkers: 'allow' });
    await page.clock.install();
    await signIn(page, 'maren', true);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.context().setOffline(true);
    await page.clock.fastForward('10:00');
    await page.getByRole('heading', { name: 'Dogs', exact: true }).click();
    expect(await page.getByRole('heading', { name: 'Whose hands are these?' }).count()).to.equal(0);
    await page.clock.fastForward('17:00');
    await page.getByRole('heading', { name: 'Whose hands are these?' }).waitFor();
    await page.reload({ waitUntil: 'commit' });
    await page.getByRole('heading', { name: 'Whose hands are these?' }).waitFor();
    expect(await page.getByRole('link', { name: 'Bollard' }).count()).to.equal(0);
    await page.context().close();
  });

  for (const [how, leave] of [
    [
      'signs out',
      async (page: Page) => {
        await page.getByRole('button', { name: 'Runa' }).click();
        await page.getByRole('button', { name: 'Sign out' }).click();
      },
    ],
    [
      'is signed out from elsewhere',
      async (page: Page) => {
        stage.stores.write(() => stage.stores.accounts.end(newestSignIn(), Date.now()));
        await page.reload();
      },
    ],
  ] as const)
    (how === 'signs out' ? it : itInFull)(`keeps nothing of clients once whoever was in ${how}`, async () => {
      const page = await stage.page({ signedOut: true });
      await signIn(page, 'runa');
      await page.getByRole('link', { name: 'Bollard' }).click();
      await page.getByRole('heading', { level: 1, name: 'Bollard' }).waitFor();
      await untilSeenIsKept(page, 'GET /dogs/:id');
      await page.goto('/table/sessions/demo-bollard-session-1');
      await page.getByRole('heading', { level: 1 }).waitFor();
      await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.includes('recent')));
      expect((await tableKeeps(page)).length).to.be.greaterThan(0);
      await leave(page);
      await page.getByRole('heading', { name: 'Who is here?' }).waitFor();
      await page.waitForFunction(() => !Object.keys(localStorage).some((key) => key.includes('recent')));
      for (let i = 0; i < 60 && (await tableKeeps(page)).length > 0; i++) await page.waitForTimeout(50);
      expect(await tableKeeps(page)).to.deep.equal([]);
      expect(await recent(page)).to.deep.equal([]);
      expect(await seenText(page)).to.not.contain('Bollard');
      await page.context().close();
    });

  it('asks for the passphrase once more before an owner’s act, and then does it', async () => {
    const page = await stage.page({ signedOut: true });
    await signIn(page, 'runa');
    stage.door.unconfirm(newestSignIn());
    await page.goto('/desk/safe');
    await page.getByRole('button', { name: 'Make the zip' }).click();
    const dialog = page.getByRole('dialog', { name: 'Your passphrase, once more' });
    await dialog.waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await dialog.getByLabel('Your passphrase').fill('a rake for every cat');
    await page.keyboard.press('Enter');
    await dialog.getByText('this is not your passphrase').waitFor();
    await dialog.getByLabel('Your passphrase').fill(DEMO_PASSPHRASE);
    await page.keyboard.press('Enter');
    await dialog.waitFor({ state: 'detached' });
    // It went on by itself: in memory there is no folder, which only the person who was let in is told.
    await page.getByText('This salon is kept in memory only').waitFor();
    stage.door.unconfirm(newestSignIn());
    await page.getByRole('button', { name: 'Make the zip' }).click();
    await dialog.getByRole('button', { name: 'Cancel' }).click();
    await page.getByText('Type your own passphrase once more before you do this.').waitFor();
    await page.context().close();
  });

  it('says of a passphrase while it is typed that it would be guessed', async () => {
    const page = await stage.page();
    await page.goto('/desk/you');
    const field = page.getByLabel('New passphrase');
    await field.fill('password123');
    await page.getByText('This passphrase is made of words that are tried first.').waitFor();
    await field.fill('four dry oat biscuits');
    await page.getByText(/^This passphrase is/).waitFor({ state: 'detached' });
    await page.context().close();
  });

  it('shows each house rule once', async () => {
    const page = await stage.page();
    await page.goto('/desk/house');
    for (const label of ['Tables', 'Tubs', 'Places to dry a dog']) {
      await page.getByLabel(label, { exact: true }).first().waitFor();
      expect(await page.getByLabel(label, { exact: true }).count(), label).to.equal(1);
    }
    await page.context().close();
  });
});
