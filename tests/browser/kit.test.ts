/** The kit, the rules, the quarrels with their effect, why a tool was taken in a zone, and photos of a check. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { bareJpeg } from '../../core/formats/index.ts';
import { itInFull } from '../samples.ts';
import { openStage, type Stage } from './stage.ts';

/** A photo as a camera makes it: a real picture of this size, with the place it was taken in written beside it. */
async function cameraPhoto(page: Page, width: number, height: number): Promise<Buffer> {
  const base64 = await page.evaluate(
    ([w, h]) => {
      const canvas = document.createElement('canvas');
      canvas.width = w;
      canvas.height = h;
      const pen = canvas.getContext('2d');
      if (pen) {
        pen.fillStyle = '#b08a5a';
        pen.fillRect(0, 0, w, h / 2);
      }
      return canvas.toDataURL('image/jpeg').split(',')[1] ?? '';
    },
    [width, height] as const,
  );
  const plain = Buffer.from(base64, 'base64');
  const exif = Buffer.from('Exif\0\0GPS 60.2N 21.4E');
  const head = Buffer.from([0xff, 0xe1, 0, exif.length + 2]);
  return Buffer.concat([plain.subarray(0, 2), head, exif, plain.subarray(2)]);
}

describe('the kit and the house, in the browser', () => {
  let stage: Stage;
  let page: Page;
  before(async () => {
    stage = await openStage();
    page = await stage.page();
  });
  after(() => stage.close());

  it('hangs up a piece with its measures, writes down upkeep and takes it back, takes it off the wall', async () => {
    await page.goto('/desk/kit');
    await page.getByRole('link', { name: 'Hang up a piece' }).click();
    await page.getByLabel('Kind').selectOption('blade-comb');
    await page.getByLabel('Name on the wall').fill('Second blade');
    await page.getByLabel('Working width, mm').fill('45');
    await page.getByLabel('Tips').selectOption('blunt');
    await page.getByLabel('Cost').fill('39.5');
    await page.getByLabel('In use since').fill('2025-01-31');
    await page.getByRole('button', { name: 'Save' }).click();
    const row = page.locator('.wt-kit-piece').filter({ hasText: 'Second blade' });
    await row.getByText('45 mm wide, blunt tips').waitFor();
    const kept = stage.stores.kit.all().find((t) => t.name === 'Second blade');
    expect(kept).to.include({ kind: 'blade-comb', widthMm: 45, tip: 'blunt', costCents: 3950, since: '2025-01-31' });

    const old = page.locator('.wt-kit-piece').filter({ hasText: 'Blade comb, 60 mm' });
    await old.getByText('More').click();
    const before = stage.stores.kit.upkeep().length;
    await old.getByRole('button', { name: 'Sharpened today' }).click();
    await page.getByText('sharpened today, written down').waitFor();
    expect(stage.stores.kit.upkeep().length).to.equal(before + 1);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.getByText('sharpened today, written down').waitFor({ state: 'detached' });
    expect(stage.stores.kit.upkeep().length).to.equal(before);

    await row.getByText('More').click();
    await row.getByRole('button', { name: 'Off the wall' }).click();
    await page.getByText('Off the wall: 1').waitFor();
    await page.getByRole('heading', { name: 'What it lacks' }).waitFor();
    await page.getByText('To save minutes, buy first').waitFor();
  });

  it('shows what another side of a quarrel would change before it is taken', async () => {
    await page.goto('/desk/house');
    const effect = page.getByRole('region', { name: 'What it would change' });
    await effect.getByText('Take another side').waitFor();
    await page.getByRole('radio', { name: /Not until bone dry/ }).check();
    await effect.getByText(/of the next \d+ plans change\./).waitFor();
    await effect
      .getByText(/wet first → dry first/i)
      .first()
      .waitFor();
    expect(stage.stores.salon.find()?.house.wetBrushing).to.equal('with-soap');
    await page.getByRole('button', { name: 'Save house rules' }).click();
    await page.getByText('Saved. Plans are reckoned with it from now on.').waitFor();
    expect(stage.stores.salon.find()?.house.wetBrushing).to.equal('never');
    await page.getByRole('radio', { name: /Through the soap/ }).check();
    await page.getByRole('button', { name: 'Save house rules' }).click();
    await page.waitForFunction(() => document.querySelector('.wt-house-effect button')?.hasAttribute('disabled'));
  });

  it('finds rules by word and kind, and a caution of a plan leads to its own', async () => {
    await page.goto('/desk/rules');
    await page.getByLabel('Find a rule').fill('blade tail');
    await page.getByText(/Blade on the torso only/).waitFor();
    expect(await page.locator('.table tbody tr').count()).to.be.within(1, 4);
    await page.getByLabel('Find a rule').fill('zeppelin');
    await page.getByText('No rule has all of these words').waitFor();
    await page.getByLabel('Find a rule').fill('');
    await page.getByRole('group', { name: 'Kind of rule' }).getByRole('button', { name: /Stop/ }).click();
    expect(new Set(await page.locator('.wt-rules-sev').allTextContents())).to.deep.equal(new Set(['Stop']));

    const check = stage.stores.checks.latestOf('demo-kelda');
    await page.goto(`/desk/dogs/demo-kelda/plan/${check?.id ?? ''}`);
    const caution = page.locator('.wt-caution a').first();
    const said = await caution.textContent();
    await caution.click();
    await page
      .locator('tr.is-asked')
      .filter({ hasText: said ?? '?' })
      .waitFor();
  });

  itInFull('says in a zone why each tool was taken, what it beat and which rule keeps others out', async () => {
    const check = stage.stores.checks.latestOf('demo-kelda');
    await page.goto(`/desk/dogs/demo-kelda/plan/${check?.id ?? ''}?method=dry-first`);
    await page.locator('[data-zone="belly"]').click();
    const why = page.getByRole('region', { name: 'Belly and tuck: why these tools' });
    await why
      .getByText(/ruled out:/)
      .first()
      .waitFor();
    await why
      .getByRole('link', { name: /No rake and no firm slicker on belly/ })
      .first()
      .waitFor();
    await why
      .getByText(/fit \d+\s%: .*(mm|%|cm²)/)
      .first()
      .waitFor();
    expect(page.url()).to.contain('zone=belly');
  });

  it('keeps photos of a zone with the check: small, bare, through a reload, and off the net until it is back', async () => {
    await page.goto('/desk/dogs/demo-fathom/check');
    await page.getByRole('group', { name: 'Choose a zone, left side' }).waitFor();
    const photo = await cameraPhoto(page, 2400, 1200);
    expect(photo.includes('GPS')).to.equal(true);
    const file = { name: 'photo.jpg', mimeType: 'image/jpeg', buffer: photo };
    await page.getByLabel(/Photo: left hind foot/).setInputFiles(file);
    await page.getByRole('img', { name: 'Left hind foot and pads' }).waitFor();
    await page.getByLabel('Photo: whole dog').setInputFiles({ ...file, buffer: Buffer.from('no picture') });
    await page.getByText('This file is no picture that can be read.').waitFor();
    await page.getByLabel('Photo: whole dog').setInputFiles(file);
    await page.getByRole('img', { name: 'Whole dog' }).waitFor();
    await page.reload();
    await page.getByRole('img', { name: 'Whole dog' }).waitFor();
    await page.getByRole('button', { name: 'Remove the photo: Whole dog' }).click();

    await page.getByRole('radio', { name: 'in', exact: true }).click();
    await page.getByLabel('Hair at back, in').fill('0.35');
    await page.getByRole('radio', { name: 'parted' }).click();
    await page.locator('[data-zone="back"]').click();
    await page.route('**/photos/**', (route) => route.abort());
    await page.getByRole('button', { name: 'Save and plan' }).click();
    await page.getByRole('heading', { name: 'Stairs' }).waitFor();
    const check = stage.stores.checks.latestOf('demo-fathom');
    expect(check?.guardMm.back).to.equal(8.9);
    expect(stage.stores.photos.ofCheck(check?.id ?? '')).to.deep.equal([]);
    await page.unroute('**/photos/**');
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await page.goto('/desk/dogs/demo-fathom');
    await page.getByRole('img', { name: 'Left hind foot and pads' }).waitFor();
    const [stored, ...others] = stage.stores.photos.ofCheck(check?.id ?? '');
    expect(others).to.deep.equal([]);
    expect(stored).to.include({ zone: 'hindfoot.left', width: 1600, height: 800 });
    const jpeg = stage.stores.photos.jpeg(stored?.id ?? '') ?? Buffer.alloc(0);
    expect(jpeg.includes('GPS') || jpeg.includes('Exif')).to.equal(false);
    expect(bareJpeg(jpeg).ok).to.equal(true);

    await page.getByRole('button', { name: 'Remove the photo: Left hind foot and pads' }).click();
    await page.getByRole('button', { name: 'Put it back' }).click();
    await page.getByRole('img', { name: 'Left hind foot and pads' }).waitFor();
  });

  itInFull('offers the coat class that hands found, and keeps the dog under it when it is taken', async () => {
    await page.goto('/desk/dogs/demo-anchor/check');
    await page.getByRole('radio', { name: 'in', exact: true }).click();
    await page.getByLabel('Hair at back, in').fill('3.6');
    await page.getByText(/This feels like a long double coat, Anchor is kept as smooth double/).waitFor();
    await page.getByRole('button', { name: 'Keep as long double' }).click();
    await page.getByText(/This feels like a/).waitFor({ state: 'detached' });
    expect(stage.stores.dogs.find('demo-anchor')?.coatClass).to.equal('long-double');
  });

  itInFull('reckons product and noise of the day, and what protectors and another dryer change', async () => {
    await page.goto('/desk/today/tub');
    const tub = page.getByRole('region', { name: 'Tub: what to mix' });
    const total = async (): Promise<readonly string[]> => tub.locator('tfoot td').allTextContents();
    await tub.getByLabel('Parts of water to one').fill('10');
    const tenfold = await total();
    await tub.getByLabel('Parts of water to one').fill('1');
    expect(await total()).to.not.deep.equal(tenfold);
    const [product, water] = await total();
    expect(product, 'half and half').to.equal(water);
    await tub.getByRole('radio', { name: 'per cent' }).click();
    await tub.getByLabel('Per cent of product').fill('0');
    await tub.getByText('Per cent is above 0, at most 100.').waitFor();
    await tub.getByLabel('Per cent of product').fill('5');

    const noise = page.getByRole('region', { name: 'Noise of the day' });
    const doses = async (): Promise<readonly number[]> =>
      (await noise.locator('tbody td:nth-of-type(1)').allTextContents()).map((t) => parseInt(t, 10));
    const bare = await doses();
    expect(bare).to.have.length(3);
    await noise.getByRole('radio', { name: 'muffs' }).click();
    const muffs = await doses();
    for (const [i, dose] of muffs.entries()) expect(dose).to.be.at.most(bare[i] ?? 0);
    await noise.getByRole('radio', { name: 'bare' }).click();
    await noise.getByLabel('Instead of the loudest').selectOption({ label: 'Stand dryer, 68 dB(A)' });
    expect((await doses())[0]).to.be.lessThan(bare[0] ?? 0);
  });

  itInFull('prints the note for owner and vet on one page', async () => {
    const check = stage.stores.checks.latestOf('demo-juniper');
    await page.goto(`/desk/dogs/demo-juniper/note/${check?.id ?? ''}`);
    await page.getByText(/Hot spot, today\./).waitFor();
    const pdf = await page.pdf({ format: 'A5' });
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).to.have.length(1);
  });
});
