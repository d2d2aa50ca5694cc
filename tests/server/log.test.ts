/** What the program writes down of itself: faults whole, what happens at the door, and never a secret. */
import { Writable } from 'node:stream';
import { expect } from 'chai';
import { pino } from 'pino';
import { createApp } from '../../server/app.ts';
import { DoorState } from '../../server/auth/door-state.ts';
import { DEMO_PASSPHRASE } from '../../demo/accounts.ts';
import { stores } from '../../server/db/index.ts';
import { demoDb, outsideAt } from '../demo.ts';
import { listen } from '../listen.ts';
import { confirmedAs, headersOf } from '../signed-in.ts';
import { NOW } from './room.ts';

describe('the log', () => {
  it('tells a fault with what, where and for which request, and owner’s acts by who did them', async () => {
    const lines: string[] = [];
    const log = pino(
      { level: 'info' },
      new Writable({
        write: (chunk, _encoding, done) => {
          lines.push(String(chunk));
          done();
        },
      }),
    );
    const db = demoDb(NOW);
    const kept = stores(db, () => NOW);
    const doorState = new DoorState();
    const broken = {
      ...kept,
      kit: {
        ...kept.kit,
        all: () => {
          throw new TypeError('the wall fell down');
        },
      },
    };
    const { base, close } = await listen(
      createApp({ stores: broken, nowMs: () => NOW, outside: outsideAt(() => NOW), doorState, log }),
    );
    const headers = headersOf(confirmedAs(kept, doorState, 'owner', NOW));
    const call = (method: string, path: string, body?: object, as = headers) =>
      fetch(`${base}/api${path}`, { method, headers: as, ...(body && { body: JSON.stringify(body) }) });
    const told = (message: string) => {
      const line = lines.map((l) => JSON.parse(l)).find((l) => l.msg === message);
      return line ?? expect.fail(`${message} in ${lines.join('')}`);
    };

    expect((await call('GET', '/kit')).status).to.equal(500);
    const fault = told('request failed');
    expect(fault).to.include({ method: 'GET', path: '/api/kit' });
    expect(fault.err).to.include({ type: 'TypeError', message: 'the wall fell down' });
    expect(fault.err.stack).to.match(/log\.test\.ts/);

    await call(
      'POST',
      '/sign-in',
      { login: 'runa', passphrase: 'a wrong one altogether', shared: false },
      headersOf(''),
    );
    expect(told('sign-in refused: it does not fit')).to.include({ who: 'runa' });
    await call('POST', '/sign-in', { login: 'runa', passphrase: DEMO_PASSPHRASE, shared: false }, headersOf(''));
    expect(told('sign-in')).to.include({ who: 'runa' });
    await call('POST', '/exports', { id: 'an-export' });
    expect(told('export asked for')).to.include({ who: 'Runa', id: 'an-export' });
    const disa = kept.accounts.byLogin('disa');
    const edit = { name: 'Disa', role: 'bather', personId: null, ended: false, version: disa?.version };
    await call('PUT', `/accounts/${disa?.id}`, edit);
    expect(told('account changed')).to.include({ who: 'Runa', login: 'disa', role: 'bather', before: disa?.role });
    await call('POST', '/forget', { dogId: 'demo-kelda' });
    expect(told('owner forgotten')).to.include({ who: 'Runa', dogId: 'demo-kelda' });
    const bather = headersOf(confirmedAs(kept, doorState, 'bather', NOW));
    expect((await call('POST', '/exports', { id: 'x' }, bather)).status).to.equal(403);
    expect(told('refused')).to.include({ method: 'POST', path: '/api/exports', status: 403 });
    expect(lines.join(''))
      .not.to.contain(DEMO_PASSPHRASE)
      .and.not.contain('a wrong one')
      .and.not.contain(headers['cookie']);
    await close();
    db.close();
  });
});

describe('what a bather sees', () => {
  it('are dogs and their owners’ names, no way to reach them, and no takings', async () => {
    const db = demoDb(NOW);
    const kept = stores(db, () => NOW);
    const doorState = new DoorState();
    const { base, close } = await listen(
      createApp({
        stores: kept,
        nowMs: () => NOW,
        outside: outsideAt(() => NOW),
        doorState,
        log: pino({ level: 'silent' }),
      }),
    );
    const [owner] = kept.dogs
      .all()
      .map((d) => d.owner)
      .filter((o) => o.phone !== '');
    const dog = kept.dogs.all().find((d) => d.owner.phone === owner?.phone);
    const wish = {
      channel: 'mail' as const,
      email: 'somebody@home.example',
      quiet: { fromMinute: 1200, toMinute: 540 },
    };
    if (dog) kept.write(() => kept.post.saveWish(dog.owner, wish, kept.post.wish(dog.owner)?.version ?? 0));
    const texts = async (role: 'bather' | 'groomer'): Promise<string> => {
      const headers = headersOf(confirmedAs(kept, doorState, role, NOW));
      const paths = [
        `/dogs/${dog?.id}`,
        `/dogs/${dog?.id}/home`,
        '/dogs',
        '/home-reports',
        '/bookings',
        '/sheet',
        '/sessions',
      ];
      return (await Promise.all(paths.map(async (p) => (await fetch(`${base}/api${p}`, { headers })).text()))).join();
    };
    const [bather, groomer] = [await texts('bather'), await texts('groomer')];
    expect(groomer).to.contain(owner?.phone).and.contain('somebody@home.example').and.contain(owner?.name);
    expect(bather).to.contain(owner?.name).and.not.contain(owner?.phone).and.not.contain('somebody@home.example');
    const headers = headersOf(confirmedAs(kept, doorState, 'bather', NOW));
    for (const path of ['/tally', '/post', '/keys', '/changes'])
      expect((await fetch(`${base}/api${path}`, { headers })).status, path).to.equal(403);
    await close();
    db.close();
  });

  it('is kept on no device: answers that name people are not stored, nor are photos', async () => {
    const db = demoDb(NOW);
    const kept = stores(db, () => NOW);
    const doorState = new DoorState();
    const { base, close } = await listen(
      createApp({
        stores: kept,
        nowMs: () => NOW,
        outside: outsideAt(() => NOW),
        doorState,
        log: pino({ level: 'silent' }),
      }),
    );
    const headers = headersOf(confirmedAs(kept, doorState, 'owner', NOW));
    for (const path of ['/dogs', '/me', '/tide', '/bookings.csv'])
      expect((await fetch(`${base}/api${path}`, { headers })).headers.get('cache-control'), path).to.contain(
        'no-store',
      );
    await close();
    db.close();
  });
});
