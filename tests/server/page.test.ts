/** First pages: made out of what the asking device may see, by its own ways, and never kept; a bare page where none is made. */
import { mkdirSync, mkdtempSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { createApp } from '../../server/app.ts';
import { openDb, stores } from '../../server/db/index.ts';
import { listen } from '../listen.ts';
import { logInto } from '../log.ts';
import { signedInAs } from '../signed-in.ts';

const NOTHING = '<div id="root"></div>';
const BARE = `<!doctype html>\n<html lang="en"><body>${NOTHING}<!--facts--></body></html>`;
/** Stands for a built interface: shows what it was asked and answered, and fails where the address says so. */
const MAKER = `export async function makePage({ path, ways, answer }) {
  if (path === '/breaks') throw new Error('it broke');
  if (path === '/itself') return undefined;
  const { value: me, tag } = await answer('/me');
  const salon = path === '/refused' ? await answer('/dogs/nobody') : undefined;
  return { html: '<h1>$& ' + (me.account?.role ?? 'nobody') + '</h1>', facts: JSON.stringify({ ways, me, tag, salon, sly: '</script><b>' }), asks: ['/dogs', '/kit?all="'], root: { 'data-wt-text': 'la"rge' } };
}`;

const WAYS = { kept: { 'woolly-tide.theme': 'dark' }, dark: false, contrast: true, languages: ['de-DE', 'en-US'] };

describe('a first page', () => {
  const errors: unknown[] = [];
  let base = '';
  let owner = '';
  let webRoot = '';
  let close: () => Promise<void>;
  before(async () => {
    webRoot = join(mkdtempSync(join(tmpdir(), 'woolly-tide-pages-')), 'dist');
    mkdirSync(webRoot);
    mkdirSync(`${webRoot}.page`);
    writeFileSync(join(webRoot, 'index.html'), BARE);
    writeFileSync(join(`${webRoot}.page`, 'page.js'), MAKER);
    writeFileSync(join(`${webRoot}.page`, 'package.json'), '{"type":"module"}');
    const db = openDb(':memory:');
    const kept = stores(db);
    owner = signedInAs(kept, 'owner', Date.now());
    const log = logInto(errors);
    const listening = await listen(createApp({ stores: kept, nowMs: Date.now, log, webRoot }));
    base = listening.base;
    close = async () => {
      await listening.close();
      db.close();
    };
  });
  after(() => close());

  const page = async (path: string, headers: Record<string, string> = {}) => {
    const answer = await fetch(base + path, { headers });
    const text = await answer.text();
    const [, facts = 'null'] = /<script type="application\/json" id="facts"[^>]*>(.*?)<\/script>/.exec(text) ?? [];
    const held: ReturnType<typeof JSON.parse> = JSON.parse(facts);
    return { answer, text, held };
  };
  const waysSaid = (value: unknown): string => `woolly-ways=${encodeURIComponent(JSON.stringify(value))}`;

  it('holds its look, its facts and the marks of its root, each where it belongs', async () => {
    const { answer, text, held } = await page('/desk/dogs', { cookie: owner });
    expect(answer.status).to.equal(200);
    expect(answer.headers.get('content-type')).to.match(/^text\/html/);
    expect(text)
      .to.include('<div id="root"><h1>$& owner</h1></div>')
      .and.include('<html lang="en" data-wt-text="la&quot;rge" data-wt-made="">');
    expect(held.me.account.role).to.equal('owner');
    expect(text).to.include('data-asks="/dogs /kit?all=&quot;"');
    expect(held.sly).to.equal('</script><b>');
    expect(text).not.to.include('</script><b>');
  });
  it('is made for nobody else, and kept by nobody', async () => {
    const { answer, held } = await page('/desk/dogs');
    expect(held.me.account).to.equal(null);
    expect(answer.headers.get('cache-control')).to.equal('no-store');
    const asked = await fetch(`${base}/api/me`, { headers: { 'x-forwarded-for': '127.0.0.1' } });
    expect(held.tag, 'the tag that a device is told').to.equal(asked.headers.get('etag')).and.not.equal(null);
  });
  it('goes by the ways that the device says, and by its languages where it says nothing that can be read', async () => {
    const said = await page('/desk/dogs', { cookie: `${owner}; ${waysSaid(WAYS)}` });
    expect(said.held.ways).to.deep.equal(WAYS);
    const usual = { kept: {}, dark: false, contrast: false, languages: ['fi-FI', 'en'] };
    for (const cookie of [
      '',
      'woolly-ways=%',
      waysSaid(3),
      waysSaid({ ...WAYS, dark: 'yes' }),
      waysSaid({ ...WAYS, kept: { long: 'x'.repeat(5000) } }),
      waysSaid({ ...WAYS, languages: [] }),
    ]) {
      const { held } = await page('/desk/dogs', { cookie, 'accept-language': 'fi-FI,en;q=0.7' });
      expect(held.ways, cookie.slice(0, 60)).to.deep.equal(usual);
    }
  });
  it('has the answers of the device’s own sign-in, from where the device is', async () => {
    // What is answered to the machine itself is not answered to whoever asks it for a page.
    const direct: ReturnType<typeof JSON.parse> = await (await fetch(`${base}/api/me`)).json();
    expect(direct.codeNeeded).to.equal(false);
    expect((await page('/desk/dogs')).held.me.codeNeeded).to.equal(true);
  });
  it('is of the newest build', async () => {
    writeFileSync(join(webRoot, 'index.html'), BARE.replace('<body>', '<body class="newer">'));
    writeFileSync(join(`${webRoot}.page`, 'page.js'), MAKER.replace('<h1>', '<h1>Newer'));
    utimesSync(join(webRoot, 'index.html'), 2e9, 2e9);
    utimesSync(join(`${webRoot}.page`, 'page.js'), 2e9, 2e9);
    expect((await page('/desk/dogs', { cookie: owner })).text).to.match(/class="newer".*<h1>Newer/);
  });
  it('is bare where it makes itself, where an answer is refused and where making it fails, which is logged', async () => {
    errors.length = 0;
    expect((await page('/itself', { cookie: owner })).text).to.include(NOTHING);
    expect(errors).to.deep.equal([]);
    expect((await page('/refused', { cookie: owner })).text).to.include(NOTHING);
    expect((await page('/breaks', { cookie: owner })).text).to.include(NOTHING);
    expect(errors).to.have.length(2);
  });
});
