import { expect } from 'chai';
import { askCard, DRILL_CARDS, rightAnswer, type Act } from '../../core/practice/index.ts';
import { openRoom } from './room.ts';

const ACTS: readonly Act[] = [
  { kind: 'look' },
  { kind: 'feel', tests: ['finger', 'tie'], zones: ['back', 'belly'] },
  { kind: 'work', phase: 'dry-rubber', toolId: 'room-rubber', zones: [{ zone: 'back', minutes: 2.5 }] },
  { kind: 'rest', minutes: 5 },
  { kind: 'end' },
];
const bout = (id: string, more: object = {}) => ({ id, caseId: 'first-smooth', acts: ACTS, share: 0.42, ...more });

describe('practice on the salon’s computer', () => {
  it('keeps bouts by person, gives their acts back as they were, and takes the same message once', async () => {
    const room = await openRoom();
    expect((await room.call('POST', '/practice/bouts', bout('b-1'))).status).to.equal(201);
    const again = await room.call('POST', '/practice/bouts', bout('b-1'));
    expect(again.status).to.equal(200);
    expect(again.json.bouts).to.have.length(1);
    expect((await room.call('POST', '/practice/bouts', bout('b-1', { acts: ACTS.slice(0, 2) }))).status).to.equal(409);
    const { json } = await room.call('GET', '/practice/bouts/b-1');
    expect(json.acts).to.deep.equal(ACTS);
    expect((await room.call('GET', '/practice/bouts/none')).status).to.equal(404);
    await room.close();
  });

  it('refuses what is no act, with nothing kept', async () => {
    const room = await openRoom();
    for (const acts of [
      [],
      [{ kind: 'shave' }],
      [{ kind: 'rest', minutes: 900 }],
      [{ kind: 'feel', tests: ['taste'], zones: ['back'] }],
      [{ kind: 'work', phase: 'bath', toolId: 'x', zones: [{ zone: 'wing', minutes: 1 }] }],
    ]) {
      const { status, json } = await room.call('POST', '/practice/bouts', bout('b-2', { acts }));
      expect(status).to.equal(400);
      expect(json.error.message).to.be.a('string');
    }
    expect((await room.call('GET', '/practice')).json.bouts).to.deep.equal([]);
    await room.close();
  });

  it('says itself whether an answer is right', async () => {
    const room = await openRoom();
    const card = DRILL_CARDS[0]?.id ?? '';
    const right = rightAnswer(askCard(card, 7));
    const wrong = right === 'yes' ? 'no' : 'yes';
    await room.call('POST', '/practice/answers', { id: 'a-1', card, seed: 7, answer: right });
    const { json } = await room.call('POST', '/practice/answers', { id: 'a-2', card, seed: 7, answer: wrong });
    expect(json.answers.map((a: { right: boolean }) => a.right)).to.deep.equal([true, false]);
    const again = await room.call('POST', '/practice/answers', { id: 'a-2', card, seed: 7, answer: right });
    expect(again.json.answers).to.have.length(2);
    await room.close();
  });

  it('tells who answers for the craft how far everybody is, and nobody else', async () => {
    const room = await openRoom();
    await room.call('POST', '/practice/bouts', bout('b-3'));
    await room.call('POST', '/practice/bouts', bout('b-4', { share: 0.9 }));
    const { json } = await room.call('GET', '/practice/people');
    const own = json.people.find((p: { bouts: number }) => p.bouts === 2);
    expect(own.best).to.deep.equal({ 'first-smooth': 0.9 });
    await room.close();
    const bather = await openRoom({ role: 'bather' });
    expect((await bather.call('GET', '/practice/people')).status).to.equal(403);
    expect((await bather.call('GET', '/practice')).status).to.equal(200);
    await bather.close();
  });
});
