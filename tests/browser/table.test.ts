/** The table: a whole session by touch over a link that is cut, on two devices, killed and opened again; the scale; the keys. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import type { BrowserContext, Page } from 'playwright-core';
import { inOrder, sessionRecord, type SessionAct } from '../../core/table/index.ts';
import {
  atEnd,
  begin,
  byMouse,
  byTouch,
  goOn,
  packedSession,
  putOn,
  sessionFor,
  smallTargets,
  stepsDone,
} from './at-table.ts';
import { itInFull } from '../samples.ts';
import { linkTo, type CutLink } from './link.ts';
import { killable, openStage, type Stage } from './stage.ts';

const TABLET = { viewport: { width: 1024, height: 768 }, hasTouch: true };
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

/** What a session's screens must agree on, once it is over. */
const record = (page: Page): Promise<string> => page.locator('main').innerText();

describe('a session by touch, on two devices', () => {
  let stage: Stage;
  let link: CutLink;
  let path: string;
  let mine: BrowserContext;
  let a: Page;
  let b: Page;
  const id = 'table-two';
  const acts = (): readonly SessionAct[] => inOrder(stage.stores.sessions.events(id)).map((e) => e.act);

  before(async () => {
    stage = await openStage();
    link = await linkTo(stage.base);
    path = await sessionFor(stage, 'demo-anchor', id);
  });
  after(async () => {
    await stage.close();
    await link.close();
  });

  it('begins on one device; the other joins and sees it live', async () => {
    a = await stage.page({ ...TABLET, baseURL: link.base, serviceWorkers: 'allow' });
    mine = a.context();
    await a.goto(path);
    // The house opens without a link only once its worker has it.
    await a.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await begin(a, 'Runa', byTouch);
    await goOn(a, async (p) => (await stepsDone(p)) >= 1 && (await p.locator('.wt-session-live').count()) > 0, byTouch);
    b = await stage.page(PHONE);
    await b.goto(path);
    await b.locator('.wt-session-chip', { hasText: 'Runa' }).waitFor();
    expect(await stepsDone(b)).to.equal(await stepsDone(a));
  });

  it('hands a side over, and goes on with the other where the link is cut', async () => {
    await goOn(a, async (p) => (await p.getByRole('button', { name: /^Next:/ }).count()) > 0, byTouch);
    await byTouch(a, 'Hand over');
    if (await a.getByRole('button', { name: 'The right side' }).count()) {
      await byTouch(a, 'The right side');
      await byTouch(a, 'Bertil');
    } else await byTouch(a, 'Never mind');
    await a.getByText('All kept').waitFor();
    const done = await stepsDone(a);
    await link.cut();
    await a.getByText(/No link/).waitFor();
    await byTouch(a, /^Next:/);
    await byTouch(a, /^Comb glides/);
    await a.getByText(/No link, \d+ kept here/).waitFor();
    await goOn(a, async (p) => (await stepsDone(p)) > done, byTouch);
  });

  it('is killed without a link and opened again: nothing that the screen had confirmed is missing', async () => {
    const before = await stepsDone(a);
    const said = await a.getByText(/No link, \d+ kept here/).innerText();
    await a.close({ runBeforeUnload: false });
    a = await mine.newPage();
    a.setDefaultTimeout(30_000);
    await a.goto(path);
    await a.getByText(said).waitFor();
    expect(await stepsDone(a)).to.equal(before);
    // Without a link the list of sessions is that of this device.
    await a.goto('/table');
    await a.getByText('There is no link.').waitFor();
    await a.getByRole('link', { name: /^(Begin|Go on) with Anchor$/ }).click();
    await a.getByText(said).waitFor();
    // Both keep working, each by itself.
    await byTouch(b, 'More');
    await b.getByLabel(/A word for the record/).fill('Good as gold');
    await byTouch(b, 'Write down');
    await goOn(a, async (p) => (await stepsDone(p)) > before, byTouch);
  });

  it('sends what it kept when the link is back, once, in order, and both screens agree', async () => {
    await link.mend();
    await a.getByText('All kept').waitFor();
    await b.waitForFunction(
      (n) => document.querySelectorAll('.wt-session-track li.is-done').length === n,
      await stepsDone(a),
    );
    // Killed again, this time with a link.
    await a.close({ runBeforeUnload: false });
    a = await mine.newPage();
    a.setDefaultTimeout(30_000);
    await a.goto(path);
    await goOn(a, atEnd, byTouch);
    await byTouch(a, 'Finish the session');
    await a.getByRole('heading', { name: 'Anchor, done' }).waitFor();
    await b.getByRole('heading', { name: 'Anchor, done' }).waitFor();
    // The next date comes from the salon's computer.
    for (const screen of [a, b])
      await screen
        .getByText(/^(Next: |Book )/)
        .first()
        .waitFor();
    expect(await record(b)).to.equal(await record(a));

    const events = stage.stores.sessions.events(id);
    expect(new Set(events.map((e) => e.id)).size).to.equal(events.length);
    const kinds = acts().map((act) => act.kind);
    expect(kinds.filter((k) => k === 'started')).to.have.length(1);
    expect(kinds.filter((k) => k === 'finished')).to.have.length(1);
    expect(kinds.at(-1)).to.equal('finished');
    expect(acts()).to.deep.include({ kind: 'note', text: 'Good as gold' });
    const session = stage.stores.sessions.find(id);
    const folded = sessionRecord(events, session?.snapshot.plan.steps ?? []);
    expect(folded.steps.every((s) => s.state === 'done')).to.equal(true);
    // By its own device each event comes after the one that was made before it.
    for (const device of new Set(events.map((e) => e.device))) {
      const own = events.filter((e) => e.device === device).map((e) => e.atMs);
      expect(own).to.deep.equal([...own].sort((x, y) => x - y));
    }
    await mine.close();
    await b.context().close();
  });

  it('shows a correction beside what it was, and the owner what there is to know', async () => {
    const page = await stage.page();
    await page.goto(path);
    await page.getByText('Put a weight right').click();
    await page.getByLabel('Hair in all, g').fill('33');
    await page.getByRole('button', { name: 'Write it down' }).click();
    await page.getByText(/^33\sg weighed of/).waitFor();
    await page.getByLabel('Hair in all, g').fill('30');
    await page.getByRole('button', { name: 'Put it right' }).click();
    await page.getByRole('heading', { name: 'Put right later' }).waitFor();
    await page.getByText(/33\sg weighed, /).waitFor();
    await page.getByRole('link', { name: 'For the owner' }).click();
    await page.getByRole('heading', { name: 'Anchor was here' }).waitFor();
    await page.getByText(/^30\sg/).waitFor();
    await page.context().close();
  });
});

describe('the table under wet thumbs', () => {
  let stage: Stage;
  before(async () => {
    stage = await openStage();
  });
  after(() => stage.close());

  it('weighs hair and dog with the scale: no digit is typed from start to finish, and the plan follows what is met', async () => {
    const page = await stage.page(TABLET);
    await page.addInitScript(() => {
      for (const kind of ['keydown', 'input', 'change']) {
        document.addEventListener(
          kind,
          () => sessionStorage.setItem('typed', `${sessionStorage.getItem('typed') ?? ''} ${kind}`),
          true,
        );
      }
    });
    const id = 'table-scale';
    await page.goto(await packedSession(stage, 'demo-kelda', id));
    await putOn(stage, { bowl: false, dogKg: 38.4, restless: false });
    await page.getByRole('button', { name: /Take 38\.[34]\skg/ }).tap();
    await page.getByText(/38\.\d\skg taken/).waitFor();
    await putOn(stage, { bowl: true, dogKg: 0 });
    await begin(page, 'Bertil', byTouch);
    await byTouch(page, 'Step done');
    await page.getByText('At rest.').waitFor();
    await byTouch(page, 'Start from nothing');
    await page.getByText('Nothing on it.').waitFor();
    await putOn(stage, { hairG: 118 });
    await page.getByRole('button', { name: /Take 118\sg/ }).tap();
    await page.getByRole('button', { name: /^Next:/ }).waitFor();

    // Pink: the milder piece at once; its undo; a hot spot: the zone is left alone without a question.
    await byTouch(page, 'Pink');
    await page.getByText(/turned pink/).waitFor();
    // Opened again in the middle of the question: it is asked still.
    await page.reload();
    await page.getByText(/turned pink/).waitFor();
    await byTouch(page, 'Do it');
    await page
      .getByRole('button', { name: /^(Next:|Step done)/ })
      .first()
      .waitFor();
    await byTouch(page, 'Found');
    await byTouch(page, /^Hot spot/);
    await page.getByRole('heading', { name: /^Leave .* alone from here/ }).waitFor();
    await byTouch(page, 'Go on');
    await page.getByText(/Leave alone: /).waitFor();
    await page.getByRole('button', { name: /^Comb stops/ }).tap();
    await page.getByText(/^The comb stopped at/).waitFor();
    await byTouch(page, /^(Do it|Go on)$/);
    await byTouch(page, 'Break');
    await page.getByRole('heading', { name: 'The dog has a break' }).waitFor();
    await byTouch(page, 'Go on');

    await goOn(page, atEnd, byTouch);
    await byTouch(page, 'Finish the session');
    await page.getByRole('heading', { name: 'Kelda, done' }).waitFor();
    await page.getByText('As planned, and as it went').waitFor();
    expect(await page.evaluate(() => sessionStorage.getItem('typed'))).to.equal(null);
    const events = stage.stores.sessions.events(id);
    const folded = sessionRecord(events, stage.stores.sessions.find(id)?.snapshot.plan.steps ?? []);
    expect(folded.gramsOut).to.equal(118);
    expect(folded.dogKg).to.be.closeTo(38.4, 0.05);
    expect(folded.pink).to.have.length(1);
    expect(folded.met.map((m) => m.skin)).to.deep.equal(['hot-spot']);
    expect(folded.air).to.deep.equal({ temperatureC: 21, humidityPct: 52 });
    const hot = folded.met[0]?.zone;
    const metAt = events.find((e) => e.act.kind === 'met')?.atMs ?? 0;
    const after = events
      .filter((e) => e.atMs > metAt && e.act.kind === 'zone')
      .map((e) => (e.act.kind === 'zone' ? e.act.zone : ''));
    expect(after).not.to.include(hot);
    expect(Object.keys(folded.felt).length).to.be.at.least(3);
    await page.context().close();
  });

  itInFull(
    'has no target under 56 px on any screen, tablet or phone, left hand or right, and nothing runs off the side',
    async () => {
      for (const [name, size] of [
        ['tablet', TABLET],
        ['phone', PHONE],
      ] as const) {
        const page = await stage.page(size);
        const look = async (where: string): Promise<void> => {
          expect(await smallTargets(page), `${name}, ${where}`).to.deep.equal([]);
          const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
          expect(over, `${name}, ${where} is too wide`).to.be.at.most(0);
        };
        await page.goto(await packedSession(stage, 'demo-kelda', `table-size-${name}`));
        await page.getByRole('button', { name: /^Start/ }).waitFor();
        await look('before the start');
        await begin(page, 'Runa', byTouch);
        await look('water');
        await byTouch(page, 'Step done');
        await look('the scale');
        await byTouch(page, 'Not weighed');
        await page.getByRole('button', { name: /^Next:/ }).waitFor();
        await look('a zone');
        await byTouch(page, 'Found');
        await look('what was found');
        await byTouch(page, 'Never mind');
        await byTouch(page, 'Hand over');
        await look('hand over');
        await byTouch(page, 'Never mind');
        await byTouch(page, 'More');
        await look('more');
        await byTouch(page, /^Keys for the left hand/);
        await byTouch(page, 'Back to work');
        await page.locator('.wt-session-session.is-left').waitFor();
        await look('left-handed');
        await byTouch(page, 'Pink');
        await page.getByText(/turned pink/).waitFor();
        await look('a proposal');
        await byTouch(page, /^(Do it|Go on)$/);
        await page.locator('#ask').waitFor({ state: 'detached' });
        await goOn(page, async (p) => (await p.getByText('Feel again').count()) > 0, byTouch);
        await look('the second check');
        await goOn(page, atEnd, byTouch);
        await look('the end');
        await byTouch(page, 'Finish the session');
        await page.getByRole('heading', { name: 'Kelda, done' }).waitFor();
        await look('the record');
        await page.goto('/table/devices');
        await page.getByText('They say').waitFor();
        await look('scale and meters');
        await page.context().close();
      }
    },
  );

  itInFull('takes a photo before and after, and undoes the last tap', async () => {
    const page = await stage.page(TABLET);
    const id = 'table-photo';
    await page.goto(await packedSession(stage, 'demo-kelda', id));
    const jpeg = await page.evaluate(async () => {
      const canvas = document.createElement('canvas');
      canvas.width = 64;
      canvas.height = 48;
      canvas.getContext('2d')?.fillRect(8, 8, 40, 30);
      const blob = await new Promise<Blob | null>((made) => canvas.toBlob(made, 'image/jpeg'));
      return [...new Uint8Array((await blob?.arrayBuffer()) ?? new ArrayBuffer(0))];
    });
    const file = { name: 'dog.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(jpeg) };
    await page.locator('input[type=file]').setInputFiles(file);
    await page.getByText('1 before, one more').waitFor();
    await begin(page, 'Runa', byTouch);
    await byTouch(page, 'Step done');
    await byTouch(page, 'Not weighed');
    await page.getByRole('button', { name: /^Next:/ }).waitFor();
    expect(await stepsDone(page)).to.equal(1);
    await byTouch(page, 'Undo');
    await byTouch(page, 'Undo');
    await page.getByRole('button', { name: 'Step done' }).waitFor();
    expect(await stepsDone(page)).to.equal(0);
    const photos = stage.stores.photos.ofCheck(stage.stores.sessions.find(id)?.checkId ?? '');
    expect(photos).to.have.length(1);
    await page.context().close();
  });

  it('loses nothing when the whole browser is killed', async () => {
    const link = await linkTo(stage.base);
    const profile = mkdtempSync(join(tmpdir(), 'woolly-tide-profile-'));
    const path = await packedSession(stage, 'demo-kelda', 'table-killed');
    const first = await killable(profile, link.base, stage.headers);
    await first.page.goto(path);
    await first.page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await begin(first.page, 'Runa');
    await first.page.getByText('All kept').waitFor();
    await link.cut();
    await byMouse(first.page, 'Step done');
    await byMouse(first.page, 'Not weighed');
    await first.page.getByRole('button', { name: /^Next:/ }).waitFor();
    await byMouse(first.page, /^Comb drags/);
    await first.page.getByText(/^The comb dragged at/).waitFor();
    const said = await first.page.getByText(/No link, \d+ kept here/).innerText();
    first.kill();
    await first.ended;
    const second = await killable(profile, link.base, stage.headers);
    await second.page.goto(path);
    await second.page.getByText(said).waitFor();
    expect(await stepsDone(second.page)).to.equal(1);
    await link.mend();
    await second.page.getByText('All kept').waitFor();
    const kinds = stage.stores.sessions.events('table-killed').map((e) => e.act.kind);
    expect(kinds.filter((k) => k === 'comb')).to.have.length(1);
    await second.close();
    await link.close();
  });
});
