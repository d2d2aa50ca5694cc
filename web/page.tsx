/**
 * Decides how the salon's computer makes the first page of a room: by the same code as the browser, out of the same answers, as
 * the device that asks shows things. It can be read and its links be followed before any of its scripts has run.
 */
import { dehydrate, hashKey, QueryClient } from '@tanstack/react-query';
import { prerenderToNodeStream } from 'react-dom/static';
import { createStaticHandler, createStaticRouter, StaticRouterProvider } from 'react-router';
import type { MePage } from '../contract/account.ts';
import { STYLE_MARK, type PageAsked, type PageMade } from '../contract/page.ts';
import { House } from './app/House.tsx';
import { isMadeOfAnswers, learnFirst, wantsAt } from './app/first.ts';
import { lookMarks } from './app/look.ts';
import { asOn } from './app/on-device.ts';
import { ROUTES } from './app/routes.tsx';
import type { ServedFacts } from './app/served.ts';
import { forgetView } from './app/view.ts';

/** One page is made after the other: each looks from another device. */
let before: Promise<unknown> = Promise.resolve();
function inTurn<T>(make: () => Promise<T>): Promise<T> {
  const made = before.then(make, make);
  before = made.catch(() => undefined);
  return made;
}

async function textOf(stream: NodeJS.ReadableStream): Promise<string> {
  let text = '';
  for await (const part of stream) text += String(part);
  return text;
}

/** A larger answer would keep the page from being shown: the device asks for it once more, beside. */
const MOST_BYTES = 60_000;

/** Pieces of a page that come late are put in their places by scripts of their own; here all of it stands where it belongs. */
const IN_PLACE = { progressiveChunkSize: Number.MAX_SAFE_INTEGER };

/** A page may hold no styles of its own: they are handed to a script that sets them before anything is shown. */
const withoutStyles = (html: string): string => html.replaceAll(' style="', ` ${STYLE_MARK}="`);

const isMe = (said: object): said is MePage => 'account' in said && 'locked' in said && 'salon' in said;
async function whoFrom(answer: PageAsked['answer']): Promise<MePage> {
  const { value } = await answer('/me');
  if (!isMe(value)) throw new TypeError('/me did not say who is here');
  return value;
}

/** The page of a room, as PageMaker describes it. Throws what its answers or its code threw. */
export async function makePage({ path, ways, answer }: PageAsked): Promise<PageMade | undefined> {
  const url = new URL(path, 'http://house');
  if (!isMadeOfAnswers(url.pathname)) return undefined;
  const mind = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const large = new Map<string, string>();
  const learn = async (path: string): Promise<object> => {
    const { value, tag, bytes } = await answer(path);
    if (bytes > MOST_BYTES) large.set(path, tag);
    return value;
  };
  const who = await learnFirst(mind, url.pathname, () => whoFrom(answer), learn);
  // The door takes secrets: it is shown by the browser alone.
  if (!who.account || who.locked || !who.salon) return undefined;
  const { query, dataRoutes } = createStaticHandler(ROUTES);
  const found = await query(new Request(url));
  if (found instanceof Response || found.statusCode !== 200) return undefined;
  const router = createStaticRouter(dataRoutes, found);
  return inTurn(async () => {
    const faults: unknown[] = [];
    const { made, told } = await asOn(ways, async () => {
      forgetView();
      const { prelude } = await prerenderToNodeStream(
        <House mind={mind}>
          <StaticRouterProvider router={router} context={found} hydrate={false} />
        </House>,
        { ...IN_PLACE, onError: (fault) => void faults.push(fault) },
      );
      return { html: withoutStyles(await textOf(prelude)), root: lookMarks() };
    }).finally(forgetView);
    if (faults.length > 0) throw faults[0];
    const asks = wantsAt(url.pathname).flatMap((want) => {
      const tag = large.get(want.path);
      return tag === undefined ? [] : [{ ...want, tag }];
    });
    const beside = new Set(asks.map(({ key }) => hashKey(key)));
    const served: ServedFacts = {
      mind: dehydrate(mind, { shouldDehydrateQuery: (q) => q.state.status === 'success' && !beside.has(q.queryHash) }),
      told,
      beside: asks.map(({ path, tag }) => ({ path, tag })),
    };
    return { ...made, facts: JSON.stringify(served), asks: asks.map(({ path }) => path) };
  });
}
