/** A session's acts, and the server killed in the middle of them, again and again: what it had acknowledged is there. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { expect } from 'chai';
import { randomInt, seededRandom } from '../../core/quantity/index.ts';
import { signedInAt } from '../signed-in.ts';
import { killAll, SERVER, up } from '../process.ts';
import { smallIn, TANSY } from '../small-house.ts';
import { samples } from '../samples.ts';

const KILLS = samples(6, 100);
const session = 'killed-session';

const sendWith =
  (headers: () => Record<string, string>, signal: AbortSignal) =>
  async (base: string, path: string, body: unknown): Promise<Response | undefined> =>
    fetch(`${base}/api${path}`, {
      method: 'POST',
      headers: headers(),
      body: JSON.stringify(body),
      signal,
    }).catch(() => undefined);

describe('a session whose server is killed', () => {
  // A test that passes its time is over, but its loops are not: they end with this.
  const over = new AbortController();
  after(() => {
    over.abort();
    killAll();
  });

  /** One server, killed again and again at random moments of writing. */
  async function killed(seed: number, kills: number): Promise<void> {
    const random = seededRandom(seed);
    let headers: Record<string, string> = {};
    const send = sendWith(() => headers, over.signal);
    const data = mkdtempSync(join(tmpdir(), 'woolly-tide-kill-'));
    smallIn(data);
    const acknowledged = new Set<string>();
    let count = 0;
    const named = new Set<string>();
    let names = 0;
    let sentTwice = 0;
    let steps: string[] = [];
    let unsent: { id: string; atMs: number; act: object }[] = [];
    for (let kill = 0; kill < kills; kill++) {
      over.signal.throwIfAborted();
      const running = await up(SERVER, data);
      const { base, child } = running;
      if (kill === 0) {
        headers = await signedInAt(base);
        const plan = await (await fetch(`${base}/api/checks/check-a/plan`, { headers })).json();
        const draft = { id: session, checkId: 'check-a', method: plan.recommended.method };
        const made = await send(base, '/sessions', draft);
        expect(made?.status).to.equal(201);
        const page = await made?.json();
        steps = page.snapshot.plan.steps.map((s: { id: string }) => s.id);
      }
      // Killed a few milliseconds after so many answers, wherever in the next that falls.
      let dead = false;
      let answersLeft = randomInt(random, 1, 5);
      const killSoon = (): void =>
        void setTimeout(randomInt(random, 0, 25)).then(() => {
          dead = true;
          child.kill('SIGKILL');
        });
      // Others write meanwhile: what each is told is kept is counted, too.
      const others = Array.from({ length: 2 }, async (_, w) => {
        while (!dead && !over.signal.aborted) {
          const name = `Dog ${w} ${names++}`;
          const answer = await send(base, '/dogs', { id: name.replaceAll(' ', '-'), ...TANSY, name });
          if (answer?.status === 201) named.add(name);
          await setTimeout(10);
        }
      });
      while (!dead && !over.signal.aborted) {
        // What got no answer is sent again, as a device does, with what is new.
        const fresh = Array.from({ length: randomInt(random, 1, 4) }, () => ({
          id: `kill-${count++}`,
          atMs: 1_900_000_000_000 + count,
          act: { kind: 'weighed', step: steps[count % steps.length], grams: count % 40, adds: true },
        }));
        const events = [...unsent, ...fresh].slice(0, 200);
        sentTwice += unsent.length;
        const answer = await send(base, `/sessions/${session}/events`, { events });
        const log = answer?.status === 201 ? await answer.json().catch(() => undefined) : undefined;
        if (log) {
          const ids = new Set(log.events.map((e: { id: string }) => e.id));
          expect(
            [...acknowledged].filter((id) => !ids.has(id)),
            `after kill ${kill}`,
          ).to.deep.equal([]);
          for (const e of events) acknowledged.add(e.id);
          unsent = [];
          if (--answersLeft === 0) killSoon();
        } else unsent = events;
      }
      await Promise.all(others);
      await running.ended;
    }
    expect(acknowledged.size).to.be.above(kills * 2);
    expect(sentTwice).to.be.above(kills / 50);
    const db = new Database(join(data, 'woolly-tide.sqlite'), { readonly: true });
    expect(db.pragma('integrity_check', { simple: true })).to.equal('ok');
    const kept = db.prepare('SELECT id FROM session_event WHERE session_id = ?').all(session) as { id: string }[];
    expect(new Set(kept.map((e) => e.id)).size).to.equal(kept.length);
    const ids = new Set(kept.map((e) => e.id));
    expect([...acknowledged].filter((id) => !ids.has(id))).to.deep.equal([]);
    const dogs = db.prepare('SELECT name FROM dog').all() as { name: string }[];
    const there = new Set(dogs.map((d) => d.name));
    expect(named.size).to.be.above(kills);
    expect([...named].filter((name) => !there.has(name))).to.deep.equal([]);
    expect(db.pragma('foreign_key_check')).to.deep.equal([]);
    db.close();
  }

  it(`misses nothing that was acknowledged, at ${KILLS} random moments of writing`, async () => {
    // Two houses side by side.
    await Promise.all([killed(20, KILLS / 2), killed(21, KILLS / 2)]);
  });
});
