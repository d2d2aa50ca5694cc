/**
 * A newcomer's path through an empty house: own salon, dog, check, plan, session, next date, home link. No demo data; nothing
 * is done but what the screens offer.
 */
import { expect } from 'chai';
import { mirrorZone, ZONE_IDS } from '../../core/dog/index.ts';
import { atEnd, begin, goOn } from './at-table.ts';
import { axeFaults } from './axe.ts';
import { openStage, type Stage } from './stage.ts';

describe('a newcomer', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage({ empty: true });
  });
  after(() => stage.close());

  it('comes from an empty house to an owner’s phone in their hands', async () => {
    const page = await stage.page({ signedOut: true });
    await page.goto('/');
    await page.getByRole('heading', { name: 'A new house' }).waitFor();
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.getByLabel('Your name').fill('Ylva');
    await page.getByLabel('Name to sign in with').fill('ylva');
    await page.getByLabel('Passphrase', { exact: true }).fill('four dry oat biscuits');
    await page.getByRole('button', { name: 'Make the owner’s key' }).click();

    // The place, out of the gazetteer: letters without their marks will do.
    await page.getByRole('heading', { name: 'Where is the salon?' }).waitFor();
    await page.getByLabel('Name of the salon').fill('The Shed');
    await page.getByLabel('Town', { exact: true }).fill('tromso');
    await page.getByRole('button', { name: /^Tromsø, Norway/ }).click();
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.getByRole('button', { name: 'Open the salon' }).click();

    await page.getByRole('heading', { name: 'First steps' }).waitFor();
    expect(stage.stores.salon.find()).to.include({ name: 'The Shed', town: 'Tromsø', timeZone: 'Europe/Oslo' });
    expect(await axeFaults(page)).to.deep.equal([]);
    await page.getByLabel('For an hour’s work').fill('52');
    await page.getByLabel('Sat').check();
    await page.getByRole('button', { name: 'These are the hours' }).click();
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await page.getByText('Ylva.', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'That is everybody' }).click();
    await page.getByRole('button', { name: /^Hang these \d+ up/ }).click();
    await page.getByText(/^\d+ pieces\.$/).waitFor();
    const salon = stage.stores.salon.find();
    expect(salon?.house.openWeekdays).to.deep.equal([1, 2, 3, 4, 5, 6]);
    expect(salon?.house.rates.perHourCents).to.equal(5200);
    expect(stage.stores.kit.all().length).to.be.at.least(8);

    // Rooms of an empty house say what to do, and break nothing.
    for (const room of ['/desk/tide', '/desk/calendar', '/desk/reports', '/desk/today', '/table', '/home']) {
      await page.goto(room);
      await page.locator('h1').first().waitFor();
      expect(await page.getByText('could not be shown').count(), room).to.equal(0);
    }
    await page.goto('/desk/start');
    await page.getByRole('link', { name: 'Write one down' }).click();

    await page.getByLabel('Name', { exact: true }).fill('Birk');
    await page.getByLabel('Breed or mix').fill('Samoyed');
    await page.getByRole('button', { name: 'Take what is usual' }).click();
    await page.getByLabel('Owner', { exact: true }).fill('Siv Lund');
    await page.getByRole('button', { name: /^(Save|Add)/ }).click();
    await page.getByRole('heading', { level: 1, name: 'Birk' }).waitFor();

    await page.getByRole('link', { name: /check/i }).first().click();
    await page.getByRole('group', { name: 'Choose a zone, left side' }).waitFor();
    const map = page.locator('#room .wt-coat-stage > .wt-coat-coatmap');
    await map.locator('[data-zone]').first().waitFor();
    for (const [i, id] of ZONE_IDS.filter((z) => mirrorZone(z) >= z).entries()) {
      if (i > 5) break;
      const zone = map.locator(`[data-zone="${id}"]`);
      if ((await zone.count()) === 0) continue;
      await zone.focus();
      await page.keyboard.press('2');
    }
    await page.getByRole('button', { name: 'Save and plan' }).click();

    await page.locator('.wt-plan-step-name-button').first().waitFor();
    await page.getByRole('button', { name: 'Take it to the table' }).click();
    await page.waitForURL(/\/table\/sessions\//);
    await begin(page, 'Ylva');
    await goOn(page, atEnd);
    await page.getByRole('button', { name: 'Finish the session' }).click();
    await page.getByRole('heading', { name: 'Birk, done' }).waitFor();

    const [dog] = stage.stores.dogs.all();
    await page.goto(`/desk/dogs/${dog?.id ?? ''}/next`);
    await page
      .getByRole('button', { name: /^Book / })
      .first()
      .click();
    await page.getByRole('link', { name: 'Calendar file' }).waitFor();
    expect(stage.stores.bookings.between('2020-01-01T00:00:00Z', '2100-01-01T00:00:00Z')).to.have.length(1);

    await page.goto(`/desk/dogs/${dog?.id ?? ''}/home`);
    await page.getByRole('button', { name: 'Make a link for Birk' }).click();
    const address = await page.locator('.wt-home-plan-address code').innerText();
    const phone = await stage.page({ signedOut: true, viewport: { width: 390, height: 844 }, hasTouch: true });
    await phone.goto(address);
    await phone.getByRole('heading', { name: 'Birk' }).waitFor();
  });
});
