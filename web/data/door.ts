/** What this device knows of who is signed in; the last answer is kept, so that a table opens without a link. */
import { queryOptions, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type {
  AccountDraft,
  AccountEdit,
  Confirm,
  FirstOwner,
  HandOver,
  KeysPage,
  MePage,
  NewPassphrase,
  NewPin,
  SignIn,
} from '../../contract/account.ts';
import type { SetUp } from '../../contract/salon.ts';
import { asks } from './asked.ts';
import { api, ApiProblem, DOOR_SHUT } from './client.ts';
import { askToConfirm } from './confirm.ts';
import { forgetPeople } from './forget-people.ts';
import { isIdle } from './activity.ts';
import { keepMe, keptMe } from './kept.ts';

/** A device that keeps nothing asks again each time. */
const keep = (page: MePage): void => void keepMe(page).catch(() => undefined);

/** A shared tablet that nobody touched waits for a PIN, whether or not the salon's computer can say so. */
const asHere = (page: MePage): MePage =>
  page.account && page.shared && !page.locked && isIdle() ? { ...page, locked: true } : page;
const LOOK_EVERY_MS = 10_000;

async function askMe(): Promise<MePage> {
  try {
    const page = asHere(await api.get('/me'));
    if (page.account) keep(page);
    return page;
  } catch (problem) {
    // Without a link the last who was here goes on: what they do waits on this device and is sent as theirs or not at all.
    const last =
      problem instanceof ApiProblem && problem.status === 0 ? await keptMe().catch(() => undefined) : undefined;
    if (last?.account) return asHere(last);
    throw problem;
  }
}

const ME_KEY = asks('/me').queryKey;
export const meQuery = queryOptions({ queryKey: ME_KEY, queryFn: askMe, staleTime: 30_000 });

/** Who is here, asked again whenever a request found the door shut. */
export function useMe() {
  const queries = useQueryClient();
  useEffect(() => {
    const again = (): void => void queries.invalidateQueries({ queryKey: ME_KEY });
    window.addEventListener(DOOR_SHUT, again);
    return () => window.removeEventListener(DOOR_SHUT, again);
  }, [queries]);
  const me = useQuery({ ...meQuery, refetchInterval: 60_000 });
  const nobody = me.data !== undefined && me.data.account === null;
  useEffect(() => {
    if (nobody) forgetAll(queries);
  }, [nobody, queries]);
  const watched = me.data?.shared === true && !me.data.locked;
  useEffect(() => {
    if (!watched) return;
    const timer = setInterval(() => {
      const page = queries.getQueryData<MePage>(ME_KEY);
      const now = page && asHere(page);
      if (!now || now === page) return;
      queries.setQueryData(ME_KEY, now);
      keep(now);
    }, LOOK_EVERY_MS);
    return () => clearInterval(timer);
  }, [watched, queries]);
  return me;
}

/** Nothing of clients stays on the device when the person who saw it has left, by their own will or another's. */
function forgetAll(queries: QueryClient): void {
  queries.removeQueries({ predicate: (q) => q.queryKey[0] !== ME_KEY[0] });
  void forgetPeople();
}

/** Passes the door one way or the other: what somebody else saw is forgotten. */
function usePass<V>(send: (value: V) => Promise<MePage>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (page) => {
      const before = queries.getQueryData<MePage>(ME_KEY);
      if (before?.account?.id !== page.account?.id) forgetAll(queries);
      if (page.account) keep(page);
      queries.setQueryData(ME_KEY, page);
      void queries.invalidateQueries();
    },
  });
}

export const useSignIn = () => usePass((body: SignIn) => api.post('/sign-in', body));
export const useFirstOwner = () => usePass((body: FirstOwner) => api.post('/first-owner', body));
export const useSetUp = () =>
  usePass(async (body: SetUp) => {
    await api.post('/salon', body);
    return api.get('/me');
  });
/** Towns whose name begins so. */
export const usePlaces = (find: string) =>
  useQuery({
    ...asks('/places', { find }),
    enabled: find.trim().length > 1,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
export const useSignOut = () => usePass(() => api.post('/sign-out'));
export const useHandOver = () => usePass((body: HandOver) => api.post('/hand-over', body));
export const useLock = () => usePass(() => api.post('/lock'));
export const useConfirm = () => usePass((body: Confirm) => api.post('/me/confirm', body));
/** Is an owner's act open, after the question for the passphrase where that is needed: for what no request of ours carries. */
export async function confirmedFirst(): Promise<boolean> {
  return (await api.get('/me')).confirmed || (await askToConfirm());
}
export const useNewPassphrase = () => usePass((body: NewPassphrase) => api.put('/me/passphrase', body));
export const useNewPin = () => usePass((body: NewPin) => api.put('/me/pin', body));

const keysQuery = asks('/keys');
export const useKeys = () => useQuery(keysQuery);
function useKeyWrite<V>(send: (value: V) => Promise<KeysPage>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: send, onSuccess: (page) => queries.setQueryData(keysQuery.queryKey, page) });
}
export const useAddAccount = () => useKeyWrite((draft: AccountDraft) => api.post('/accounts', draft));
export const useEditAccount = () =>
  useKeyWrite(({ id, ...edit }: AccountEdit & { readonly id: string }) => api.put('/accounts/:id', { id }, edit));
export const useResetPassphrase = () =>
  useKeyWrite(({ id, ...body }: NewPassphrase & { readonly id: string }) =>
    api.put('/accounts/:id/passphrase', { id }, body),
  );
export const useEndSignIn = () => useKeyWrite((id: string) => api.delete('/sign-ins/:id', { id }));
