/** Files of the interface: compressed twins to who reads them, the bare file to who does not, pages never from memory. */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { expect } from 'chai';
import { createApp } from '../../server/app.ts';
import { outsideAt } from '../demo.ts';
import { openDb, stores } from '../../server/db/index.ts';
import { listen } from '../listen.ts';
import { logInto } from '../log.ts';

interface Got {
  readonly status: number | undefined;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly bytes: Buffer;
}
/** As it travels: fetch would unpack what it gets. */
const get = (url: string, accepts = ''): Promise<Got> =>
  new Promise((done, failed) => {
    const asked = request(url, { headers: accepts ? { 'accept-encoding': accepts } : {} }, (answer) => {
      const parts: Buffer[] = [];
      answer.on('data', (d: Buffer) => parts.push(d));
      answer.on('end', () => done({ status: answer.statusCode, headers: answer.headers, bytes: Buffer.concat(parts) }));
    });
    asked.on('error', failed);
    asked.end();
  });

describe('the files of the interface', () => {
  const SCRIPT = `export const coat = ${JSON.stringify('undercoat '.repeat(500))};`;
  let base = '';
  let close: () => Promise<void>;
  before(async () => {
    const webRoot = join(mkdtempSync(join(tmpdir(), 'woolly-tide-files-')), 'dist');
    mkdirSync(join(webRoot, 'assets'), { recursive: true });
    mkdirSync(join(`${webRoot}.before`, 'assets'), { recursive: true });
    writeFileSync(join(webRoot, 'index.html'), '<p>the house</p>');
    writeFileSync(join(webRoot, 'owner.html'), '<p>a home</p>');
    writeFileSync(join(webRoot, 'assets', 'main-abc.js'), SCRIPT);
    writeFileSync(join(webRoot, 'assets', 'main-abc.js.br'), brotliCompressSync(SCRIPT));
    writeFileSync(join(webRoot, 'assets', 'bare-abc.js'), 'export {};');
    writeFileSync(join(`${webRoot}.before`, 'assets', 'main-old.js'), SCRIPT);
    const db = openDb(':memory:');
    const app = createApp({
      stores: stores(db),
      nowMs: Date.now,
      outside: outsideAt(Date.now),
      log: logInto([]),
      webRoot,
    });
    const listening = await listen(app);
    base = listening.base;
    close = async () => {
      await listening.close();
      db.close();
    };
  });
  after(() => close());

  it('come as their twins, which hold the same, and say how long they are', async () => {
    const { status, headers, bytes } = await get(`${base}/assets/main-abc.js`, 'gzip, deflate, br');
    expect(status).to.equal(200);
    expect(headers['content-encoding']).to.equal('br');
    expect(headers['content-length']).to.equal(String(bytes.length));
    expect(headers['content-type']).to.match(/javascript/);
    expect(headers['vary']).to.match(/Accept-Encoding/i);
    expect(headers['cache-control']).to.match(/immutable/);
    expect(bytes.length).to.be.below(SCRIPT.length / 10);
    expect(brotliDecompressSync(bytes).toString()).to.equal(SCRIPT);
  });

  it('come bare to who reads no such twins, and where there is none', async () => {
    const plain = await get(`${base}/assets/main-abc.js`);
    expect(plain.headers['content-encoding']).to.equal(undefined);
    expect(plain.bytes.toString()).to.equal(SCRIPT);
    expect((await get(`${base}/assets/bare-abc.js`, 'br')).bytes.toString()).to.equal('export {};');
  });

  it('of the build before are still there; what never was is not, and no page in its place', async () => {
    const old = await get(`${base}/assets/main-old.js`);
    expect([old.status, old.bytes.toString()]).to.deep.equal([200, SCRIPT]);
    const none = await get(`${base}/assets/main-none.js`, 'br');
    expect([none.status, none.bytes.length]).to.deep.equal([404, 0]);
  });

  it('that are pages are asked for each time, at any address of the house', async () => {
    for (const path of ['/', '/desk/dogs', '/table/sessions/x']) {
      const page = await get(base + path);
      expect([page.status, page.bytes.toString()], path).to.deep.equal([200, '<p>the house</p>']);
      expect(page.headers['cache-control'], path).to.equal('no-cache');
    }
    expect((await get(`${base}/o/some-token`)).bytes.toString()).to.equal('<p>a home</p>');
  });
});
