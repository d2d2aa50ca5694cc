/** What rooms ask first, beside their code: questions that the API answers to whoever may enter, each once while it is fresh. */
import { expect } from 'chai';
import type { RouteObject } from 'react-router';
import { API } from '../../contract/api.ts';
import { ROUTES } from '../../web/app/routes.tsx';
import { dogQuery, ledgerQuery } from '../../web/data/hooks.ts';
import { queries } from '../../web/data/queries.ts';

const all = (routes: readonly RouteObject[]): readonly RouteObject[] =>
  routes.flatMap((r) => [r, ...all(r.children ?? [])]);
/** Pages that ask; what only leads on to another address has no code. */
const ASKING = all(ROUTES).flatMap(({ path, loader, lazy }) =>
  path !== undefined && lazy && typeof loader === 'function' ? [{ path, loader }] : [],
);
/** Rows of the API that a path asks. */
const rowsFor = (path: string): readonly string[] =>
  Object.keys(API).filter((key) => {
    const [method, row = ''] = key.split(' ');
    return method === 'GET' && new RegExp(`^${row.replace(/:[^/]+/g, '[^/]+')}$`).test(path);
  });
const PARAMS = { dogId: 'bollard', checkId: 'check-1', caseId: 'line-brushing' };
const REQUEST = new Request('http://house/');

describe('what rooms ask first', () => {
  const real = globalThis.fetch;
  let asked: string[] = [];
  beforeEach(() => {
    asked = [];
    globalThis.fetch = async (url) => {
      asked.push(String(url));
      return String(url).endsWith('/refused') ? new Response('{}', { status: 403 }) : new Response('{}');
    };
  });
  afterEach(() => {
    globalThis.fetch = real;
    queries.clear();
  });
  /** Settled when nothing is asked any more. */
  const answered = async (): Promise<void> => {
    while (queries.isFetching() > 0) await new Promise((on) => setTimeout(on));
  };
  const enter = async (path: string): Promise<readonly string[]> => {
    const room = ASKING.find((r) => r.path === path);
    if (!room) throw new RangeError(path);
    asked = [];
    await room.loader({ params: PARAMS, request: REQUEST, context: {}, url: new URL(REQUEST.url), pattern: path });
    await answered();
    return asked;
  };

  it('is answered by a route of the API, each once', async () => {
    expect(ASKING.length).to.be.above(9);
    for (const { path } of ASKING) {
      queries.clear();
      const paths = await enter(path);
      expect(paths, path).to.have.length.above(0);
      expect(new Set(paths).size, path).to.equal(paths.length);
      for (const asks of paths)
        expect(rowsFor(asks.replace('/api', '')), `${path} asks ${asks}`).to.have.length.above(0);
    }
  });
  it('is about the dog and the check of the address', async () => {
    expect(await enter('/desk/dogs/:dogId/plan/:checkId')).to.have.members([
      '/api/checks/check-1/bench',
      '/api/dogs/bollard',
      '/api/salon',
    ]);
  });
  it('is not asked again by the next room while it is fresh, and is there for it', async () => {
    await enter('/desk/dogs/:dogId/plan/:checkId');
    expect(await enter('/desk/dogs/:dogId')).to.deep.equal([]);
    expect(queries.getQueryData(dogQuery('bollard').queryKey)).to.deep.equal({});
  });
  it('is asked again for another dog, not for another view of the same page', () => {
    const room = all(ROUTES).find(({ path }) => path === '/desk/dogs/:dogId');
    const again = (from: string, to: string): boolean | undefined =>
      room?.shouldRevalidate?.({
        currentUrl: new URL(`http://house${from}`),
        nextUrl: new URL(`http://house${to}`),
        currentParams: {},
        nextParams: {},
        defaultShouldRevalidate: true,
      });
    expect(again('/desk/dogs/bollard', '/desk/dogs/mist')).to.equal(true);
    expect(again('/desk/dogs/bollard', '/desk/dogs/bollard?zone=ruff.left')).to.equal(false);
  });
  it('is no fault of the page where it is refused: whoever comes for it hears why', async () => {
    globalThis.fetch = async () => new Response('{"error":{"field":null,"message":"Not yours."}}', { status: 403 });
    await enter('/desk/reports');
    expect(queries.getQueryState(ledgerQuery.queryKey)?.error?.message).to.equal('Not yours.');
  });
});
