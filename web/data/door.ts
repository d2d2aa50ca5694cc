/** Decides what this device knows of who is signed in; the last answer is kept, so that a table opens without a link. */
import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import type {
  AccountDraft,
  AccountEdit,
  FirstOwner,
  HandOver,
  KeysPage,
  MePage,
  NewPassphrase,
  NewPin,
  SignIn,
} from '../../contract/account.ts';
import type { PlaceFound, SetUp } from '../../contract/salon.ts';
import { ME_KEY } from '../app/first.ts';
import { api, ApiProblem, DOOR_SHUT } from './client.ts';
import { keepMe, keptMe } from './kept.ts';
import { forgetLastSeen } from './last-seen.ts';

/** A device that keeps nothing asks anew each time. */
const keep = (page: MePage): void => void keepMe(page).catch(() => undefined);

/** Keeps on this device who is known to be here. */
export function keepSeenMe(queries: QueryClient): void {
  const page = queries.getQueryData<MePage>(ME_KEY);
  if (page) keep(page);
}

export async function askMe(): Promise<MePage> {
  try {
    const page = await api<MePage>('GET', '/me');
    keep(page);
    return page;
  } catch (problem) {
    // Without a link the last who was here goes on: what they do waits on this device and is sent as theirs or not at all.
    const last =
      problem instanceof ApiProblem && problem.status === 0 ? await keptMe().catch(() => undefined) : undefined;
    if (last?.account) return last;
    throw problem;
  }
}

/** Who is here, asked again whenever a request found the door shut. */
export function useMe() {
  const queries = useQueryClient();
  useEffect(() => {
    const again = (): void => void queries.invalidateQueries({ queryKey: ME_KEY });
    window.addEventListener(DOOR_SHUT, again);
    return () => window.removeEventListener(DOOR_SHUT, again);
  }, [queries]);
  return useQuery({ queryKey: ME_KEY, queryFn: askMe, staleTime: 30_000, refetchInterval: 60_000 });
}

/** Passes the door one way or the other: what somebody else saw is forgotten. */
function usePass<V>(send: (value: V) => Promise<MePage>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (page) => {
      keep(page);
      const before = queries.getQueryData<MePage>(ME_KEY);
      if (before?.account?.id !== page.account?.id) {
        void forgetLastSeen();
        queries.removeQueries({ predicate: (q) => q.queryKey[0] !== ME_KEY[0] });
      }
      queries.setQueryData(ME_KEY, page);
      void queries.invalidateQueries();
    },
  });
}

export const useSignIn = () => usePass((body: SignIn) => api<MePage>('POST', '/sign-in', body));
export const useFirstOwner = () => usePass((body: FirstOwner) => api<MePage>('POST', '/first-owner', body));
export const useSetUp = () =>
  usePass(async (body: SetUp) => {
    await api<object>('POST', '/salon', body);
    return api<MePage>('GET', '/me');
  });
/** Towns whose name begins so. */
export const usePlaces = (find: string) =>
  useQuery({
    queryKey: ['places', find],
    queryFn: () => api<{ places: readonly PlaceFound[] }>('GET', `/places?find=${encodeURIComponent(find)}`),
    enabled: find.trim().length > 1,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
export const useSignOut = () => usePass(() => api<MePage>('POST', '/sign-out'));
export const useHandOver = () => usePass((body: HandOver) => api<MePage>('POST', '/hand-over', body));
export const useLock = () => usePass(() => api<MePage>('POST', '/lock'));
export const useNewPassphrase = () => usePass((body: NewPassphrase) => api<MePage>('PUT', '/me/passphrase', body));
export const useNewPin = () => usePass((body: NewPin) => api<MePage>('PUT', '/me/pin', body));

const KEYS = ['keys'] as const;
export const useKeys = () => useQuery({ queryKey: KEYS, queryFn: () => api<KeysPage>('GET', '/keys') });
function useKeyWrite<V>(send: (value: V) => Promise<KeysPage>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: send, onSuccess: (page) => queries.setQueryData(KEYS, page) });
}
const at = encodeURIComponent;
export const useAddAccount = () => useKeyWrite((draft: AccountDraft) => api<KeysPage>('POST', '/accounts', draft));
export const useEditAccount = () =>
  useKeyWrite(({ id, ...edit }: AccountEdit & { readonly id: string }) =>
    api<KeysPage>('PUT', `/accounts/${at(id)}`, edit),
  );
export const useResetPassphrase = () =>
  useKeyWrite(({ id, ...body }: NewPassphrase & { readonly id: string }) =>
    api<KeysPage>('PUT', `/accounts/${at(id)}/passphrase`, body),
  );
export const useEndSignIn = () => useKeyWrite((id: string) => api<KeysPage>('DELETE', `/sign-ins/${at(id)}`));
