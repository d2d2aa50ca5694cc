/** What rooms ask first: questions that the API answers to whoever may enter, asked once, and nothing where the door is shut. */
import { QueryClient } from '@tanstack/react-query';
import { expect } from 'chai';
import type { MePage } from '../../contract/account.ts';
import { API } from '../../contract/api.ts';
import { isMadeOfAnswers, learnFirst, learnRest, wantsAt } from '../../web/app/first.ts';

const ADDRESSES = [
  '/desk/tide',
  '/desk/book',
  '/desk/dogs',
  '/desk/dogs/bollard',
  '/desk/dogs/bollard/check',
  '/desk/dogs/bollard/plan/check-1',
  '/desk/tally',
  '/desk/sheet',
  '/desk/day',
  '/desk/kit',
  '/desk/practice',
  '/desk/practice/past-1',
  '/desk/practice/line-brushing',
  '/table',
] as const;
/** Rows of the API that are asked by a path. */
const rowsFor = (path: string): readonly string[] =>
  Object.keys(API).filter((key) => {
    const [method, row = ''] = key.split(' ');
    return method === 'GET' && new RegExp(`^${row.replace(/:[^/]+/g, '[^/]+')}$`).test(path);
  });
const ME: MePage = {
  account: { id: 'a', login: 'runa', name: 'Runa', role: 'owner', hasPin: false },
  first: false,
  codeNeeded: false,
  salon: true,
  shared: false,
  locked: false,
  confirmed: false,
  colleagues: [],
  demo: null,
};
const mindOf = () => new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: Infinity } } });

describe('what rooms ask first', () => {
  it('is answered by a route of the API, each under a key of its own', () => {
    for (const address of ADDRESSES) {
      expect(isMadeOfAnswers(address), address).to.equal(true);
      const wants = wantsAt(address);
      for (const { path } of wants) expect(rowsFor(path), `${address} asks ${path}`).to.have.length.at.least(1);
      expect(new Set(wants.map(({ key }) => JSON.stringify(key))).size, address).to.equal(wants.length);
      expect(wantsAt(`${address}/`), 'a stroke more at the end').to.deep.equal(wants);
    }
    // One question, one answer: a key that two rooms use stands for the same path in both.
    const paths = new Map<string, Set<string>>();
    for (const { key, path } of ADDRESSES.flatMap(wantsAt))
      paths.set(JSON.stringify(key), (paths.get(JSON.stringify(key)) ?? new Set()).add(path));
    for (const [key, asked] of paths) expect([...asked], key).to.have.length(1);
  });

  it('is nothing for rooms that make themselves, and at no address of the house', () => {
    for (const address of ['/desk/dogs/new', '/desk/help', '/table/sessions/one', '/o/token', '/nowhere'])
      expect(isMadeOfAnswers(address), address).to.equal(false);
  });

  it('is asked once, with what only the answers name', async () => {
    const mind = mindOf();
    const asked: string[] = [];
    const answer = async (path: string): Promise<object> => {
      asked.push(path);
      return path === '/dogs/bollard' ? { checks: [{ id: 'c9' }, { id: 'c8' }] } : {};
    };
    await learnFirst(mind, '/desk/dogs/bollard', async () => ME, answer);
    expect(asked.sort()).to.deep.equal(['/checks/c9', '/checks/c9/photos', '/dogs/bollard', '/salon']);
    expect(mind.getQueryData(['check', 'c9'])).to.deep.equal({});
    asked.length = 0;
    await learnRest(mind, '/desk/dogs/bollard', answer);
    expect(asked, 'all of it is in mind').to.deep.equal([]);
    mind.removeQueries({ queryKey: ['salon'] });
    await learnRest(mind, '/desk/dogs/bollard', answer);
    expect(asked).to.deep.equal(['/salon']);
    mind.clear();
  });

  it('is not asked where nobody is in, or a tablet waits for its PIN; a refusal is no fault of the page', async () => {
    const asked: string[] = [];
    const answer = async (path: string): Promise<object> => {
      asked.push(path);
      throw new Error('refused');
    };
    for (const me of [
      { ...ME, account: null },
      { ...ME, locked: true },
    ]) {
      const mind = mindOf();
      expect(await learnFirst(mind, '/desk/dogs', async () => me, answer)).to.deep.equal(me);
      mind.clear();
    }
    expect(asked).to.deep.equal([]);
    const mind = mindOf();
    expect(await learnFirst(mind, '/desk/tide', async () => ME, answer)).to.equal(ME);
    expect(asked.sort()).to.deep.equal(['/salon', '/tide', '/tide/learnt']);
    expect(mind.getQueryData(['tide'])).to.equal(undefined);
    mind.clear();
  });
});
