/** The home in a browser: the groomer's plan and link at the desk, the owner's page on a phone, with and without a link. */
import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { itInFull } from '../samples.ts';
import { axeFaults } from './axe.ts';
import { A5, printedPages } from './paper.ts';
import { openStage, type Stage } from './stage.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } as const;

describe('the home', function () {
  this.timeout(240_000);
  let stage: Stage;
  let address = '';
  let owner: Page;
  before(async () => {
    stage = await openStage();
    // What the demo's homes have found is answered: only what is found here is here.
    for (const r of stage.stores.home.openReports()) stage.stores.home.closeReport(r.id, Date.now());
  });
  after(() => stage.close());

  it('is described at the desk, and its link is made, shown once with a code, by keyboard too', async () => {
    const desk = await stage.page();
    await desk.goto('/desk/dogs/demo-bollard/home');
    await desk.getByRole('checkbox', { name: 'tail' }).check({ force: true });
    await desk.getByLabel('Words to the owner').fill('Lovely coat. Mind the tail.');
    await desk.getByRole('button', { name: 'Save', exact: true }).click();
    await desk.getByText('Saved.').waitFor();
    await desk.getByRole('button', { name: 'Make a link for Bollard' }).focus();
    await desk.keyboard.press('Enter');
    await desk.getByAltText('QR code of the link for Bollard').waitFor();
    address = await desk.locator('.wt-home-plan-address code').innerText();
    expect(address).to.match(/\/o#[A-Za-z0-9_-]{32}$/);
    expect(await axeFaults(desk)).to.deep.equal([]);
    await desk.reload();
    await desk.getByText(/Bollard, made/).waitFor();
    expect(await desk.locator('.wt-home-plan-address').count(), 'shown once').to.equal(0);
    await desk.context().close();
  });

  it('opens by link without an account: today, the groomer’s words, nothing of the salon’s', async () => {
    owner = await stage.page({ ...PHONE, serviceWorkers: 'allow' });
    await owner.goto(address);
    await owner.getByRole('heading', { name: 'Bollard' }).waitFor();
    await owner.getByText('Lovely coat. Mind the tail.').waitFor();
    expect(await owner.locator('.wt-owner-parts').first().innerText()).to.match(/tail/i);
    expect(await axeFaults(owner)).to.deep.equal([]);
    const wide = await owner.evaluate('document.documentElement.scrollWidth - innerWidth');
    expect(wide, 'nothing is wider than the phone').to.be.at.most(0);
    await owner.evaluate("document.documentElement.style.fontSize = '32px'");
    expect(await owner.evaluate('document.documentElement.scrollWidth - innerWidth'), 'at 200 %').to.be.at.most(0);
    await owner.evaluate("document.documentElement.style.fontSize = ''");
  });

  it('takes a bout with what came out, and the tide hears of it', async () => {
    const { length: before } = stage.stores.home.bouts();
    await owner.getByLabel('Your name, so the salon knows who brushed').fill('Otso');
    await owner.getByRole('button', { name: /^Brush \d/ }).tap();
    await owner.getByText(/^1 of /).waitFor();
    await owner.getByRole('button', { name: 'Next' }).tap();
    await owner.getByRole('button', { name: 'Enough for today' }).tap();
    await owner.getByRole('button', { name: 'a handful' }).tap();
    await owner.getByText('Done for today.').waitFor();
    await owner.getByText(/wait.* for a link/).waitFor({ state: 'detached' });
    const bouts = stage.stores.home.bouts();
    expect(bouts).to.have.length(before + 1);
    expect(bouts.at(-1)).to.include({ amount: 'handful', author: 'Otso' });
    // Stopped after one part of many: that part was brushed, the others were not.
    expect(bouts.at(-1)?.parts).to.have.length(1);
    const desk = await stage.page();
    await desk.goto('/desk/dogs/demo-bollard/tide');
    await desk.locator('[data-ifs]').waitFor({ timeout: 120_000 });
    await desk.getByText('Brushed at home').first().waitFor();
    await desk.context().close();
  });

  it('works without a link and sends later, once', async () => {
    const { length: before } = stage.stores.home.bouts();
    const context = owner.context();
    // Opened once with a link, the page itself is kept by its worker.
    await owner.evaluate('navigator.serviceWorker.ready.then(() => undefined)');
    await context.setOffline(true);
    await owner.reload();
    await owner.getByRole('heading', { name: 'Bollard' }).waitFor();
    await owner.getByRole('button', { name: 'Teeth: done' }).tap();
    await owner.getByText('One entry waits for a link').waitFor();
    await owner.getByRole('button', { name: 'I found something' }).tap();
    await owner.getByRole('radio', { name: 'A knot' }).check();
    await owner.getByLabel('Where').selectOption('ears');
    await owner.getByLabel('In your words').fill('behind the left one');
    await owner.getByLabel('A photo, if you like').setInputFiles({
      name: 'knot.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from(await realJpeg(owner)),
    });
    await owner.getByRole('button', { name: 'Tell them' }).tap();
    await owner.getByText('3 entries wait for a link').waitFor();
    expect(stage.stores.home.openReports()).to.have.length(0);
    await context.setOffline(false);
    await owner.evaluate("dispatchEvent(new Event('online'))");
    await owner.getByText(/waits? for a link/).waitFor({ state: 'detached' });
    const [report] = stage.stores.home.openReports();
    expect(report).to.include({ dogId: 'demo-bollard', kind: 'knot', part: 'ears', photo: true });
    expect(stage.stores.home.bouts()).to.have.length(before);
  });

  it('asks whether it may remind, and not at night', async () => {
    await owner.getByRole('radio', { name: 'By text message' }).check();
    await owner.getByLabel('until').fill('10:30');
    await owner.getByText(/wait.* for a link/).waitFor({ state: 'detached' });
    const { owner: who } = stage.stores.dogs.find('demo-bollard') ?? {};
    const wish = who && stage.stores.post.wish(who);
    expect(wish).to.deep.include({ channel: 'text', quiet: { fromMinute: 1200, toMinute: 630 } });
    await owner.getByRole('radio', { name: 'No reminders' }).check();
    await owner.getByLabel('until').waitFor({ state: 'detached' });
    expect(await axeFaults(owner)).to.deep.equal([]);
  });

  it('prints a card on one A5 and a strip as long as an A4 is wide', async () => {
    await owner.evaluate('window.print = () => undefined');
    await owner.getByRole('button', { name: 'Print a card' }).tap();
    await owner.locator('.wt-paper-fridge').waitFor({ state: 'attached' });
    expect(await printedPages(owner)).to.deep.equal([A5]);
    await owner.getByRole('button', { name: 'Print the week' }).tap();
    await owner.locator('.wt-paper-strip').waitFor({ state: 'attached' });
    expect(await printedPages(owner)).to.deep.equal([{ width: 297, height: 105 }]);
  });

  it('is seen at the desk with its photo, and answered', async () => {
    const desk = await stage.page();
    await desk.goto('/desk/today');
    const found = desk.getByRole('region', { name: /^Found at home/ });
    await found.getByText('behind the left one').waitFor();
    // It is counted in the head, wherever one is.
    await desk.getByRole('link', { name: /^Today\s+1\s+waiting/ }).waitFor();
    await found.getByRole('button', { name: /^Answer about/ }).click();
    expect(await found.locator('img').evaluate((i) => 'naturalWidth' in i && Number(i.naturalWidth) > 0)).to.equal(
      true,
    );
    expect(await axeFaults(desk)).to.deep.equal([]);
    await found.getByRole('button', { name: /^Please show it to your vet/ }).click();
    await found.getByRole('button', { name: 'Send the answer' }).click();
    await found.waitFor({ state: 'detached' });
    await desk.context().close();
  });

  it('reads the answer on the owner’s page', async () => {
    await owner.reload();
    await owner.getByText(/Please show it to your vet before the next visit/).waitFor();
  });

  it('catches up after missed days with a bout no longer than the dog bears', async () => {
    // Three days pass: what was brushed today is moved back in the file.
    const [bout] = stage.stores.home.bouts().slice(-1);
    if (!bout) throw new Error('no bout');
    stage.stores.home.dropBout(bout.id);
    const past = new Date(Date.parse(bout.day) - 4 * 86_400_000).toISOString().slice(0, 10);
    stage.stores.home.addBout('demo-bollard', { ...bout, day: past });
    await owner.reload();
    await owner.getByText(/3 days went by/).waitFor();
    const text = await owner.getByRole('button', { name: /^Brush \d/ }).innerText();
    expect(Number(text.match(/\d+/)?.[0])).to.be.at.most(15);
  });

  it('shows a household’s dogs on one page, over a slow phone link, in less than 150 kB', async () => {
    const made = await fetch(`${stage.base}/api/home-links`, {
      method: 'POST',
      headers: stage.headers,
      body: JSON.stringify({ dogIds: ['demo-linnet', 'demo-cobble'] }),
    });
    const { token } = await made.json();
    const phone = await stage.page(PHONE);
    const line = await phone.context().newCDPSession(phone);
    await line.send('Network.enable');
    // A third-generation link on a bad day.
    await line.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: 300,
      downloadThroughput: 700_000 / 8,
      uploadThroughput: 250_000 / 8,
    });
    let bytes = 0;
    line.on('Network.loadingFinished', (e) => void (bytes += e.encodedDataLength));
    await phone.goto(`/o#${token}`);
    await phone.getByRole('heading', { name: 'Cobble' }).waitFor();
    await phone.waitForLoadState('networkidle');
    expect(bytes).to.be.within(40_000, 150_000);
    await phone.getByRole('button', { name: 'Linnet' }).tap();
    await phone.getByRole('heading', { name: 'Linnet' }).waitFor();
    await phone.getByText('Comb behind the ears before the walk').first().waitFor();
    await phone.getByRole('button', { name: 'Already done' }).first().tap();
    await phone.getByText('Done for today.').waitFor();
    await phone.getByText(/wait.* for a link/).waitFor({ state: 'detached' });
    expect(stage.stores.home.bouts().at(-1)).to.include({ dogId: 'demo-linnet' });
    await phone.context().close();
  });

  itInFull('sends reminders to the outbox at the desk, once, and ends them', async () => {
    const desk = await stage.page();
    await desk.goto('/desk/post');
    const run = desk.getByRole('button', { name: 'Go through now' });
    await run.click();
    await desk.getByText(/^Gone through /).waitFor({ timeout: 120_000 });
    const households = desk.getByRole('table').getByRole('row');
    expect(await households.count()).to.be.greaterThan(5);
    const sent = stage.stores.post.newest(50).length;
    await run.click();
    await desk.getByText(/^Gone through /).waitFor({ timeout: 120_000 });
    expect(stage.stores.post.newest(50)).to.have.length(sent);
    await desk.goto('/desk/dogs/demo-thrift/home');
    await desk.getByLabel('Way').selectOption('mail');
    await desk.getByRole('button', { name: 'Keep' }).click();
    await desk.getByText(/channel "mail" needs an email address/).waitFor();
    await desk.getByLabel('Mail address').fill('signy@home.example');
    await desk.getByRole('button', { name: 'Keep' }).click();
    await desk.getByText('Kept.').waitFor();
    await desk.context().close();
  });

  it('says the same of an ended link and of one that never was', async () => {
    const [link] = stage.stores.home.linksOf('demo-bollard');
    if (!link) throw new Error('no link');
    stage.stores.home.endLink(link.id, Date.now());
    await owner.reload();
    await owner.getByRole('heading', { name: 'There is nothing here' }).waitFor();
    await owner.context().close();
    const stranger = await stage.page(PHONE);
    await stranger.goto('/o#nothing-like-a-link');
    await stranger.getByRole('heading', { name: 'There is nothing here' }).waitFor();
    await stranger.context().close();
  });
});

/** A picture that a browser can draw: the page makes one. */
async function realJpeg(page: Page): Promise<readonly number[]> {
  return page.evaluate<number[]>(`(async () => {
    const c = document.createElement('canvas');
    c.width = 40; c.height = 30;
    c.getContext('2d').fillRect(5, 5, 20, 12);
    const blob = await new Promise((done) => c.toBlob(done, 'image/jpeg', 0.8));
    return [...new Uint8Array(await blob.arrayBuffer())];
  })()`);
}
