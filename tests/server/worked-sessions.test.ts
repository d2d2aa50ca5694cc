/** What is remembered of a session is what its log says, to whoever asks, and follows the log when it grows. */
import { expect } from 'chai';
import { stepLessons } from '../../core/tally/index.ts';
import { visitOf } from '../../core/tide/index.ts';
import { newMemos, type AppContext } from '../../server/context.ts';
import { stores, type Stores } from '../../server/db/index.ts';
import { lessonsOf, recordOf, sessionResult, visitSeen, worked } from '../../server/services/worked-sessions.ts';
import { TideDesk } from '../../server/tide-desk.ts';
import { demoDb } from '../demo.ts';
import { NOW, openRoom } from './room.ts';

const contextOf = (kept: Stores): AppContext => ({
  stores: kept,
  nowMs: () => NOW,
  memos: newMemos(),
  tide: new TideDesk(),
});

/** Stores that count how often a session is read. */
function counting(kept: Stores): { readonly counted: AppContext; readonly reads: () => number } {
  let reads = 0;
  const find: Stores['sessions']['find'] = (id) => {
    reads++;
    return kept.sessions.find(id);
  };
  return { counted: contextOf({ ...kept, sessions: { ...kept.sessions, find } }), reads: () => reads };
}

describe('what a session came to', () => {
  it('is what its log says when it is folded by hand', () => {
    const kept = stores(demoDb(NOW));
    const context = contextOf(kept);
    const lines = kept.sessions.linesSince(0, 80);
    let finished = 0;
    for (const line of lines) {
      const session = kept.sessions.find(line.id) ?? expect.fail(`no ${line.id}`);
      const record = recordOf(kept, session);
      const result = sessionResult(context, line);
      const done = record.state === 'finished';
      if (done) finished++;
      expect(result.finished, line.id).to.equal(done);
      expect(visitSeen(context, line), line.id).to.deep.equal(done ? visitOf(worked(kept, session)) : undefined);
      expect(lessonsOf(context, line), line.id).to.deep.equal(
        done ? stepLessons(record, session.snapshot.reckoned) : [],
      );
      expect(result.summary).to.include({ id: line.id, state: record.state, gramsOut: record.gramsOut });
      // A piece was worked in steps of this plan only, and never for longer than the whole.
      const pieces = new Set(record.steps.map((s) => s.plan.tool.id));
      for (const use of result.uses) {
        expect(pieces.has(use.toolId), `${line.id} ${use.toolId}`).to.equal(true);
        expect(use).to.include({ dogId: line.dogId, day: session.day });
      }
    }
    expect(finished).to.be.greaterThan(50);
  });

  it('is folded once, whoever asks first', () => {
    const kept = stores(demoDb(NOW));
    const [line] = kept.sessions.finishedLines(1);
    if (!line) throw new TypeError('the demo has a finished session');
    for (const ask of [
      [sessionResult, lessonsOf],
      [lessonsOf, sessionResult],
    ] as const) {
      const { counted, reads } = counting(kept);
      for (const one of [...ask, ...ask]) one(counted, line);
      expect(reads()).to.equal(1);
      // With one event more it is another session.
      sessionResult(counted, { ...line, events: line.events + 1 });
      expect(reads()).to.equal(2);
    }
  });

  it('is corrected everywhere at once', async () => {
    const room = await openRoom();
    const context = contextOf(room.stores);
    const lines = room.stores.sessions.linesOf('demo-bollard');
    const at = lines
      .flatMap((line) => room.stores.sessions.events(line.id).map((e) => ({ line, e })))
      .find(({ line, e }) => e.act.kind === 'weighed' && visitSeen(context, line)?.weighed !== undefined);
    const { line, e } = at ?? expect.fail('the demo has weighed hair of Bollard');
    const weighed = e.act.kind === 'weighed' ? e.act : expect.fail('an act of another kind');
    const read = async () => {
      const { sessions } = (await room.call('GET', '/dogs/demo-bollard')).json;
      const now = room.stores.sessions.line(line.id) ?? expect.fail('it is gone');
      return {
        listed: sessions.find((s: { id: string }) => s.id === line.id).gramsOut,
        seen: visitSeen(context, now)?.weighed?.grams,
      };
    };
    const before = await read();
    expect(before.seen).to.equal(before.listed);
    const act = { kind: 'corrected', of: e.id, act: { ...weighed, grams: weighed.grams + 7 } };
    const answer = await room.call('POST', `/sessions/${line.id}/events`, {
      events: [{ id: 'put-right', atMs: NOW, act }],
    });
    expect(answer.status, answer.text).to.equal(201);
    const after = await read();
    expect(after.listed).to.be.closeTo(before.listed + 7, 1e-6);
    expect(after.seen).to.equal(after.listed);
    await room.close();
  });
});
