/** What somebody who means harm would send: addresses that climb, bodies that swell, pictures that are none, headers in text. */
import type { BookingRecord } from '../../contract/booking.ts';
import { request } from 'node:http';
import { gzipSync } from 'node:zlib';
import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import ICAL from 'ical.js';
import { simpleParser } from 'mailparser';
import Papa from 'papaparse';
import { createApp } from '../../server/app.ts';
import { bookingIcs, personFeed } from '../../server/calendar.ts';
import { emlOf } from '../../server/reminders/templates.ts';
import { listen } from '../listen.ts';
import { jpegOf } from '../picture.ts';
import { outsideAt } from '../demo.ts';
import { DOG, NOW, openRoom, type Room } from './room.ts';
import { logInto } from '../log.ts';

const INJECTED = 'Grit\r\nBcc: thief@elsewhere.example\r\nATTENDEE:mailto:thief@elsewhere.example\r\nEND:VEVENT';

describe('an attack', () => {
  let room: Room;
  before(async () => {
    room = await openRoom();
  });
  after(() => room.close());

  /** Sends an address as it stands: no client tidies it first. */
  const asIs = (base: string, path: string): Promise<{ status: number; text: string }> =>
    new Promise((done, failed) => {
      const { hostname, port } = new URL(base);
      request({ hostname, port, path, headers: { cookie: room.cookie() } }, (res) => {
        let text = '';
        res.on('data', (d) => (text += String(d)));
        res.on('end', () => done({ status: res.statusCode ?? 0, text }));
      })
        .on('error', failed)
        .end();
    });

  it('by an address that climbs finds nothing outside the pages', async () => {
    const webRoot = mkdtempSync(join(tmpdir(), 'woolly-tide-web-'));
    mkdirSync(join(webRoot, 'assets'));
    writeFileSync(join(webRoot, 'index.html'), '<p>the house</p>');
    writeFileSync(join(webRoot, 'owner.html'), '<p>a home</p>');
    writeFileSync(join(webRoot, '..', 'outside-the-house.txt'), 'secret of the machine');
    const house = await listen(
      createApp({
        stores: room.stores,
        nowMs: () => NOW,
        outside: outsideAt(() => NOW),
        log: logInto([]),
        doorState: room.door,
        webRoot,
      }),
    );
    for (const climb of [
      '/../outside-the-house.txt',
      '/assets/../../outside-the-house.txt',
      '/%2e%2e/outside-the-house.txt',
      '/..%2foutside-the-house.txt',
      '/assets/..%5c..%5coutside-the-house.txt',
      '//outside-the-house.txt',
      '/o/../../outside-the-house.txt',
      '/.git/config',
      '/assets/%00',
    ]) {
      const { text } = await asIs(house.base, climb);
      expect(text, climb)
        .not.to.contain('secret of the machine')
        .and.not.match(/\[core\]/);
    }
    for (const climb of [
      '/api/exports/..%2f..%2fwoolly-tide',
      '/api/photos/..%2f..%2fetc%2fpasswd',
      '/api/home-reports/..%2f..%2fx/photo',
      '/api/%2e%2e/%2e%2e/etc/passwd',
      '/feed/..%2f..%2fetc.ics',
    ])
      expect((await asIs(house.base, climb)).status, climb).to.be.oneOf([404, 400]);
    await house.close();
  });

  it('by a page inside a page, a guessed type or a foreign script is told off by headers', async () => {
    const { headers } = await fetch(room.base + '/health');
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy)
      .to.contain("default-src 'self'")
      .and.contain("frame-ancestors 'none'")
      .and.contain("object-src 'none'")
      .and.contain("base-uri 'self'")
      .and.contain("form-action 'self'");
    expect(policy).not.to.match(/unsafe-inline|unsafe-eval|\*/);
    expect(headers.get('x-content-type-options')).to.equal('nosniff');
    expect(headers.get('x-frame-options')).to.match(/SAMEORIGIN|DENY/);
    expect(headers.get('referrer-policy')).to.equal('no-referrer');
    expect(headers.get('x-powered-by')).to.equal(null);
    expect(headers.get('access-control-allow-origin')).to.equal(null);
  });

  it('by a body that swells when it is unpacked is refused before it is whole', async () => {
    const body = gzipSync(Buffer.alloc(60_000_000, ' '));
    expect(body.length).to.be.lessThan(100_000);
    const answer = await room.raw('POST', '/dogs', {
      body,
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
    });
    expect(answer.status).to.equal(413);
    const nested = `${'['.repeat(200_000)}${']'.repeat(200_000)}`;
    expect(
      (await room.raw('POST', '/dogs', { body: nested, headers: { 'content-type': 'application/json' } })).status,
    ).to.equal(400);
  });

  it('by a picture that is a drawing, a page, a script or two things at once leaves a bare picture or nothing', async () => {
    const put = (bytes: Uint8Array | string, type = 'image/jpeg', id = 'p-attack') =>
      room.raw('PUT', `/checks/demo-bollard-check-1/photos/${id}`, {
        body: Buffer.from(bytes),
        headers: { 'content-type': type },
      });
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>';
    expect((await put(svg)).status).to.equal(400);
    expect((await put(svg, 'image/svg+xml')).status).to.equal(415);
    expect((await put('<script>alert(1)</script>', 'text/html')).status).to.equal(415);
    expect((await put('\xff\xd8<script>alert(1)</script>')).status).to.equal(400);
    expect((await put(Buffer.concat([jpegOf(), Buffer.from('<script>alert(1)</script>')]))).status).to.equal(201);
    const kept = await fetch(`${room.base}/photos/p-attack`, { headers: { cookie: room.cookie() } });
    expect(kept.headers.get('content-type')).to.equal('image/jpeg');
    expect(Buffer.from(await kept.arrayBuffer()).includes('script')).to.equal(false);
    expect((await put(Buffer.concat([jpegOf(), Buffer.alloc(4_000_000)]))).status).to.equal(413);
  });

  it('by text with line ends puts no header into a mail and no event into a calendar', async () => {
    const salon = { name: INJECTED, town: INJECTED, timeZone: 'Europe/Helsinki' };
    const booking: BookingRecord = {
      id: 'b-1',
      dogId: 'd',
      dogName: INJECTED,
      startsAt: '2031-04-10T06:30:00Z',
      minutes: 60,
      note: INJECTED,
      cancelled: false,
      agreed: true,
      told: null,
      service: 'coat',
      cancelledWhy: null,
      version: 1,
    };
    const ics = bookingIcs(booking, salon, NOW);
    const feed = personFeed({
      person: { id: 'p', name: INJECTED },
      visits: [{ booking, startMs: NOW, endMs: NOW + 3_600_000, sure: true }],
      away: [],
      salon,
      nowMs: NOW,
    });
    for (const text of [ics, feed]) {
      const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
      expect(events).to.have.length(1);
      expect(events[0]?.getAllProperties('attendee')).to.deep.equal([]);
    }
    const letter = { subject: `${INJECTED}: coat day`, mail: INJECTED, text: INJECTED };
    const eml = await emlOf({
      id: 'm-1',
      atMs: NOW,
      to: 'ansa@home.example\r\nBcc: thief@elsewhere.example',
      salonName: INJECTED,
      letter,
      ics,
    });
    const mail = await simpleParser(eml);
    expect(mail.bcc).to.equal(undefined);
    const to = Array.isArray(mail.to) ? mail.to : [mail.to];
    expect(
      to
        .flatMap((t) => t?.value ?? [])
        .map((a) => a.address)
        .filter((a) => a?.startsWith('thief')),
    ).to.have.length(0);
    expect(eml.split('\r\n\r\n')[0]).not.to.match(/^(Bcc|ATTENDEE):/im);
  });

  it('by formulas in names keeps them text in every table that leaves, and reads them back as they were', async () => {
    const dog = (
      await room.call('POST', '/dogs', {
        id: 'formula',
        ...DOG,
        name: '=HYPERLINK("x")',
        owner: { name: '@SUM(1)', phone: '' },
      })
    ).json.id;
    await room.call('POST', '/bookings', {
      id: 'b-formula',
      dogId: dog,
      startsAt: '2031-06-10T06:30:00Z',
      minutes: 60,
      note: '+1',
    });
    const { text } = await room.call('GET', '/bookings.csv');
    const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
    expect(data.flatMap((r) => Object.values(r)).filter((c) => /^[=+\-@\t\r]/.test(c))).to.deep.equal([]);
    const back = await room.call('POST', '/bookings/read', { csv: text });
    expect(back.json).to.include({ booked: 0, moved: 0 });
    expect(back.json.left).to.deep.equal([]);
  });
});
