/**
 * What the owner's page knows without a link to the salon: the page as it was last read, and what was done since,
 * each entry on this device until the salon's computer has it.
 */
import { get, set } from 'idb-keyval';
import { useCallback, useEffect, useRef, useState } from 'react';
import type {
  HomeBoutNote,
  HomeCareNote,
  HomeReportDraft,
  HomeStarted,
  OwnerDog,
  OwnerPage,
} from '../../contract/home.ts';
import type { OfferChoice } from '../../contract/offer.ts';
import type { OwnPost } from '../../contract/post.ts';

export type Entry =
  | { readonly kind: 'bouts'; readonly dogId: string; readonly body: HomeBoutNote }
  | { readonly kind: 'cares'; readonly dogId: string; readonly body: HomeCareNote }
  | { readonly kind: 'started'; readonly dogId: string; readonly body: HomeStarted }
  | { readonly kind: 'reports'; readonly dogId: string; readonly body: HomeReportDraft }
  | { readonly kind: 'offers'; readonly dogId: string; readonly body: OfferChoice }
  | { readonly kind: 'post'; readonly dogId: ''; readonly body: OwnPost }
  | { readonly kind: 'photo'; readonly dogId: string; readonly reportId: string; readonly jpeg: Blob };

type State = 'reading' | 'here' | 'without-link' | 'gone';

export interface Owner {
  readonly page: OwnerPage | undefined;
  readonly state: State;
  /** Entries that wait for a link. */
  readonly waiting: number;
  /** What the salon's computer would not take, in its words. */
  readonly refused: string | undefined;
  readonly send: (...entries: readonly Entry[]) => void;
  /** Who holds this phone, as signed under each entry; empty: not said. */
  readonly author: string;
  readonly sign: (name: string) => void;
}

/** By its shape: a page that was kept by an older build is not read. */
const PAGE = 'owner-page-2';
const OUTBOX = 'owner-outbox';
const NAME = 'owner-name';
/** What is kept belongs to one link: another link on the same phone has its own. */
const keyOf = (what: string, token: string): string => `${what} ${token.slice(-8)}`;
const AGAIN_MS = 20_000;

const quiet = async <T>(work: Promise<T>): Promise<T | undefined> => work.catch(() => undefined);

function request(token: string, entry: Entry | undefined): Promise<Response> {
  const headers = { 'X-Home-Link': token, 'X-Woolly-Tide': 'page' };
  if (!entry) return fetch('/api/owner', { headers });
  const json = { ...headers, 'Content-Type': 'application/json' };
  if (entry.kind === 'post')
    return fetch('/api/owner/post', { method: 'PUT', headers: json, body: JSON.stringify(entry.body) });
  const where = `/api/owner/dogs/${encodeURIComponent(entry.dogId)}`;
  if (entry.kind === 'photo')
    return fetch(`${where}/reports/${encodeURIComponent(entry.reportId)}/photo`, {
      method: 'PUT',
      headers: { ...headers, 'Content-Type': 'image/jpeg' },
      body: entry.jpeg,
    });
  return fetch(`${where}/${entry.kind}`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify(entry.body),
  });
}

/** A dog with what waits on this device done already. */
function withWaiting(dog: OwnerDog, waiting: readonly Entry[], today: string): OwnerDog {
  return waiting.reduce((d: OwnerDog, e): OwnerDog => {
    if (e.dogId !== d.id) return d;
    if (e.kind === 'cares') return { ...d, due: d.due.filter((c) => c.kind !== e.body.kind) };
    // Whether the salon still has the time is not known before it answers: what was chosen is only no longer asked.
    if (e.kind === 'offers') return { ...d, offer: null };
    if (e.kind === 'reports' && !d.reports.some((r) => r.id === e.body.id))
      return { ...d, reports: [{ ...e.body, photo: false, answer: '', closed: false }, ...d.reports] };
    if (e.kind !== 'bouts' || e.body.day !== today || d.doneToday) return d;
    const [first, ...rest] = d.week.days;
    const days = first ? [{ ...first, bouts: [] }, ...rest] : rest;
    return { ...d, doneToday: true, missedDays: 0, bouts: [...d.bouts, e.body], week: { ...d.week, days } };
  }, dog);
}

/** The page with what waits on this device taken in already. */
function withOutbox(page: OwnerPage, outbox: readonly Entry[]): OwnerPage {
  const wish = outbox.findLast((e) => e.kind === 'post');
  return {
    ...page,
    post: wish ? { ...page.post, ...wish.body } : page.post,
    dogs: page.dogs.map((d) => withWaiting(d, outbox, phoneToday())),
  };
}

/** Today by this phone's calendar, `2031-04-09`. */
export const phoneToday = (): string => {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
};

type Answer =
  | { readonly kind: 'page'; readonly page: OwnerPage }
  | { readonly kind: 'refused'; readonly why: string }
  | { readonly kind: 'gone' }
  | { readonly kind: 'without-link' };

/** What the salon's computer answers to an entry, or to nothing but the wish to read. */
async function answerTo(token: string, entry: Entry | undefined): Promise<Answer> {
  const response = await quiet(request(token, entry));
  if (!response || response.status >= 500) return { kind: 'without-link' };
  if (response.status === 404) return { kind: 'gone' };
  const body = await quiet(response.json());
  if (response.ok && body) return { kind: 'page', page: body };
  return { kind: 'refused', why: body?.error?.message ?? 'The salon’s computer did not take an entry.' };
}

export function useOwner(token: string): Owner {
  const [page, setPage] = useState<OwnerPage>();
  const [state, setState] = useState<State>('reading');
  const [outbox, setOutbox] = useState<readonly Entry[]>([]);
  const [refused, setRefused] = useState<string>();
  const [author, setAuthor] = useState('');
  const held = useRef<readonly Entry[]>([]);
  const busy = useRef(false);

  const hold = useCallback(
    (entries: readonly Entry[]): void => {
      held.current = entries;
      setOutbox(entries);
      void quiet(set(keyOf(OUTBOX, token), entries));
    },
    [token],
  );
  const take = useCallback(
    (fresh: OwnerPage): void => {
      setPage(fresh);
      setState('here');
      void quiet(set(keyOf(PAGE, token), fresh));
    },
    [token],
  );

  /** Sends what waits, in order, then reads the page again; stops where there is no link. */
  const sync = useCallback(async (): Promise<void> => {
    if (busy.current || token === '') return;
    busy.current = true;
    try {
      for (;;) {
        const [first] = held.current;
        const answer = await answerTo(token, first);
        if (answer.kind === 'gone') return setState('gone');
        if (answer.kind === 'without-link') return setState((s) => (s === 'gone' ? s : 'without-link'));
        if (answer.kind === 'page') take(answer.page);
        else if (first) setRefused(answer.why);
        if (!first) return;
        hold(held.current.slice(1));
        if (held.current.length === 0 && answer.kind === 'page') return;
      }
    } finally {
      busy.current = false;
    }
  }, [token, hold, take]);

  useEffect(() => {
    let left = false;
    void (async () => {
      const [kept, waits, name] = await Promise.all([
        quiet(get<OwnerPage>(keyOf(PAGE, token))),
        quiet(get<readonly Entry[]>(keyOf(OUTBOX, token))),
        quiet(get<string>(keyOf(NAME, token))),
      ]);
      if (left) return;
      if (name) setAuthor(name);
      if (kept) setPage((now) => now ?? kept);
      if (waits) hold([...waits, ...held.current]);
      await sync();
    })();
    const again = (): void => void sync();
    const timer = setInterval(again, AGAIN_MS);
    addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    return () => {
      left = true;
      clearInterval(timer);
      removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
    };
  }, [token, hold, sync]);

  return {
    page: page && withOutbox(page, outbox),
    author,
    sign: (name) => {
      setAuthor(name);
      void quiet(set(keyOf(NAME, token), name));
    },
    state: token === '' ? 'gone' : state,
    waiting: outbox.length,
    refused,
    send: (...entries) => {
      hold([...held.current, ...entries]);
      void sync();
    },
  };
}
