/** The one memory of server answers in a page, and how a page begins to ask before its code is there. */
import { QueryClient, type FetchQueryOptions, type QueryKey } from '@tanstack/react-query';
import { isStaleAfter, isWrite, type WriteKey } from '../../contract/topics.ts';
import { ApiProblem, whenWritten } from './client.ts';

export const queries = new QueryClient({
  defaultOptions: {
    // The salon's computer is on the salon's own net: what a device thinks of the wider one says nothing.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: 5_000,
      // A refusal stays a refusal; only a lost link is worth another try.
      retry: (count, problem) => problem instanceof ApiProblem && problem.status === 0 && count < 2,
    },
  },
});

/** Asks for an answer that is not there or not fresh. A refusal is said by the room that comes for it. */
export const prefetch = <T, K extends QueryKey>(query: FetchQueryOptions<T, Error, T, K>): void =>
  void queries.prefetchQuery(query);

/** Makes stale what a write may have touched: what stands in a room is asked for again behind it, the rest when it is wanted. */
export const makeStale = (write: WriteKey): Promise<void> =>
  queries.invalidateQueries({
    predicate: ({ queryKey: [read] }) => typeof read === 'string' && isStaleAfter(read, write),
  });

// Each write of the client, answered or refused: a refusal may have come of something stale.
whenWritten((key) => {
  if (isWrite(key)) void makeStale(key);
});
