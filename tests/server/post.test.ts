/** Reminders over HTTP: asked for, written once a day outside quiet hours, read back by a mail and a calendar library. */
import { expect } from 'chai';
import ICAL from 'ical.js';
import { simpleParser } from 'mailparser';
import { NOW, openRoom, type Room } from './room.ts';

const DOG = 'demo-bollard';
const DAY_MS = 86_400_000;
const WISH = { channel: 'mail', email: 'ansa@home.example', quiet: { fromMinute: 1200, toMinute: 540 }, version: 0 };

describe('reminders over HTTP', function () {
  this.timeout(120_000);
  let room: Room;
  before(async () => {
    room = await openRoom();
    // Nobody else of the demo is written to here.
    for (const { owner, version, ...wish } of room.stores.post.asked())
      room.stores.post.saveWish(owner, { ...wish, channel: 'off' }, version);
    for (const b of room.stores.bookings.ofDogFrom(DOG, '2031'))
      await room.call('POST', `/bookings/${b.id}/cancel`, { version: b.version });
    // Tomorrow at half past nine in Tarnholm.
    const booked = await room.call('POST', '/bookings', {
      id: 'b-tomorrow',
      dogId: DOG,
      startsAt: '2031-04-10T06:30:00Z',
      minutes: 90,
      note: '',
    });
    expect(booked.status).to.equal(201);
  });
  after(() => room.close());
  const run = async () => (await room.call('POST', '/post/run')).json;

  it('go to nobody who has not asked', async () => {
    expect((await run()).sent).to.deep.equal([]);
    expect((await room.call('GET', `/dogs/${DOG}/home`)).json.post).to.include({ channel: 'off', version: 0 });
  });

  it('wait for the end of quiet hours, and say so', async () => {
    const saved = await room.call('PUT', `/dogs/${DOG}/post`, WISH);
    expect(saved.json).to.deep.include({ channel: 'mail', version: 1 });
    expect((await room.call('PUT', `/dogs/${DOG}/post`, WISH)).status).to.equal(409);
    room.setClock(Date.parse('2031-04-09T04:10:00Z'));
    const early = await run();
    expect(early.sent).to.deep.equal([]);
    expect(early.households).to.have.length(1);
    expect(early.households[0]).to.include({ ownerName: 'Ansa Merrivik', silence: 'quiet-hours' });
    expect(early.households[0].waiting[0]).to.deep.equal({ kind: 'visit-tomorrow', dogName: 'Bollard' });
  });

  it('leave as a mail whose parts and calendar two libraries read', async () => {
    room.setClock(NOW);
    const { sent } = await run();
    expect(sent).to.have.length(1);
    expect(sent[0]).to.include({ address: 'ansa@home.example', subject: 'Bollard: coat day tomorrow' });
    const { text: eml, type } = await room.call('GET', `/post/${sent[0].id}/eml`);
    expect(type).to.contain('message/rfc822');
    for (const line of eml.split('\r\n')) expect(line.length, line).to.be.at.most(998);
    const mail = await simpleParser(eml);
    expect(mail.subject).to.equal('Bollard: coat day tomorrow');
    expect(mail.from?.value[0]?.name).to.equal('The Slipway Dog Room');
    expect(mail.date?.getTime()).to.equal(NOW);
    expect(mail.text).to.contain('tomorrow at 09:30').and.to.contain('no bath over knots').and.to.contain('STOP');
    const [attached] = mail.attachments;
    expect(attached?.contentType).to.equal('text/calendar');
    const calendar = new ICAL.Component(ICAL.parse(attached?.content.toString('utf8') ?? ''));
    const visit = calendar
      .getAllSubcomponents('vevent')
      .map((e) => new ICAL.Event(e))
      .find((e) => e.uid === 'b-tomorrow@woolly-tide');
    expect(visit?.startDate.toJSDate().toISOString()).to.equal('2031-04-10T06:30:00.000Z');
  });

  it('do not come twice on a day, and not again for the same', async () => {
    expect((await run()).sent).to.have.length(1);
    room.setClock(NOW + 4 * 3_600_000);
    const { sent, households } = await run();
    expect(sent).to.have.length(1);
    expect(['nothing', 'told-today']).to.include(households[0].silence);
  });

  it('come by text where that was asked for, in letters every phone has', async () => {
    const { json: home } = await room.call('GET', `/dogs/${DOG}/home`);
    await room.call('PUT', `/dogs/${DOG}/post`, { ...WISH, channel: 'text', version: home.post.version });
    const { version } = room.stores.bookings.find('b-tomorrow') ?? { version: 0 };
    const moved = await room.call('PUT', '/bookings/b-tomorrow', {
      startsAt: '2031-04-11T07:00:00Z',
      minutes: 90,
      note: '',
      version,
    });
    expect(moved.status, moved.text).to.equal(200);
    room.setClock(NOW + DAY_MS);
    const { sent } = await run();
    expect(sent).to.have.length(2);
    expect(sent[0].kinds[0]).to.equal('visit-tomorrow');
    expect(sent[0].text).to.match(/^Bollard: tomorrow 10:00/);
    expect(sent[0].text.length).to.be.at.most(160);
    expect(sent[0].text).to.match(/^[\x20-\x7e]+$/);
    expect((await room.call('GET', `/post/${sent[0].id}/eml`)).status).to.equal(404);
  });

  it('end when the owner answers STOP, or turns them off on the page, which shows no address', async () => {
    const { sent } = (await room.call('GET', '/post')).json;
    await room.call('POST', `/post/${sent[0].id}/stop`);
    expect((await room.call('GET', `/dogs/${DOG}/home`)).json.post.channel).to.equal('off');
    const { token } = (await room.call('POST', '/home-links', { dogIds: [DOG] })).json;
    const own = (method: string, path: string, body?: object) =>
      room.raw(method, path, {
        headers: { 'X-Home-Link': token, 'Content-Type': 'application/json' },
        ...(body && { body: JSON.stringify(body) }),
      });
    const { quiet } = WISH;
    const on = await own('PUT', '/owner/post', { channel: 'text', quiet });
    expect(on.json.post).to.deep.equal({ channel: 'text', quiet, ways: ['off', 'mail', 'text'] });
    expect(on.text).to.not.contain('ansa@home.example');
    await own('PUT', '/owner/post', { channel: 'off', quiet });
    expect(room.stores.post.asked()).to.have.length(0);
    expect((await own('PUT', '/owner/post', { channel: 'pigeon', quiet })).status).to.equal(400);
  });

  it('stay asked for when the owner goes by another number', async () => {
    const { dog } = (await room.call('GET', `/dogs/${DOG}`)).json;
    const { json: home } = await room.call('GET', `/dogs/${DOG}/home`);
    await room.call('PUT', `/dogs/${DOG}/post`, { ...WISH, version: home.post.version });
    const { id: _, ...edit } = dog;
    const saved = await room.call('PUT', `/dogs/${DOG}`, { ...edit, owner: { ...dog.owner, phone: '040 555 0001' } });
    expect(saved.status).to.equal(200);
    expect((await room.call('GET', `/dogs/${DOG}/home`)).json.post.channel).to.equal('mail');
  });
});
