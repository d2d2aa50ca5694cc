/**
 * Decides which server state the rooms read and write, and under which keys it is cached.
 * What the rooms show is computed from facts, so any write may change any of it: after one, everything is stale.
 */
import { queryOptions, useMutation, useQuery, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import type { BenchCases, BenchPage } from '../../contract/bench.ts';
import type { BookingDraft, BookingEdit, BookingRecord, HoldDraft, NextPage, ReadIn } from '../../contract/booking.ts';
import type { CheckDraft, CheckRecord } from '../../contract/check.ts';
import type { DayPage } from '../../contract/day.ts';
import type { DogDraft, DogEdit, DogListItem, DogPage, DogRecord } from '../../contract/dog.ts';
import type { HomeDeskPage, HomeLink, HomeLinkMade, HomeReport, HomeSetupRecord } from '../../contract/home.ts';
import type { OwnerPostRecord, PostPage } from '../../contract/post.ts';
import type {
  Coverage,
  KitPage,
  RankingsPage,
  RulesPage,
  NewTool,
  ToolRecord,
  UpkeepDraft,
} from '../../contract/kit.ts';
import type { PhotoRecord } from '../../contract/photo.ts';
import type { ProductMoveDraft, ProductsPage } from '../../contract/product.ts';
import type {
  AbsenceDraft,
  CallDraft,
  CallRecord,
  MarkDraft,
  PersonRecord,
  PinDraft,
  RosterPage,
  SheetPage,
  WishRecord,
} from '../../contract/roster.ts';
import type { HousePreview, SalonEdit, SalonRecord } from '../../contract/salon.ts';
import type { SessionDraft, SessionListItem, SessionPage } from '../../contract/session.ts';
import type { TallyLedger, TallyPage } from '../../contract/tally.ts';
import type { DogLog, HomeNote, LifeNote, TideFile, TideLearntAnswer, WeatherPage } from '../../contract/tide.ts';
import type { ZoneId } from '../../core/dog/index.ts';
import type { HouseRules } from '../../core/kit/index.ts';
import { api } from './client.ts';

/** So often it is asked whether something new has been learnt. */
const LEARNT_EVERY_MS = 600;

const at = (id: string): string => encodeURIComponent(id);

export const dogsQuery = queryOptions({
  queryKey: ['dogs'],
  queryFn: () => api<{ today: number; dogs: readonly DogListItem[] }>('GET', '/dogs'),
});
export const useDogs = () => useQuery(dogsQuery);

/** Dogs by a part of their or their owner's name, also those that rest. */
export const useFoundDogs = (find: string) =>
  useQuery({
    queryKey: ['dogs', find],
    queryFn: () => api<{ today: number; dogs: readonly DogListItem[] }>('GET', `/dogs?find=${at(find)}`),
    enabled: find.length > 1,
    placeholderData: (before) => before,
  });

export const dogQuery = (id: string) =>
  queryOptions({
    queryKey: ['dog', id],
    queryFn: () => api<DogPage>('GET', `/dogs/${at(id)}`),
    enabled: id !== '',
  });
export const useDog = (id: string) => useQuery(dogQuery(id));

export const checkQuery = (id: string | undefined) =>
  queryOptions({
    queryKey: ['check', id],
    queryFn: () => api<CheckRecord>('GET', `/checks/${at(id ?? '')}`),
    enabled: id !== undefined,
  });
export const useCheck = (id: string | undefined) => useQuery(checkQuery(id));

/** What a plan is computed from: the room computes it, so that it can be changed and seen at once. */
export const benchQuery = (checkId: string) =>
  queryOptions({ queryKey: ['bench', checkId], queryFn: () => api<BenchPage>('GET', `/checks/${at(checkId)}/bench`) });
export const useBench = (checkId: string) => useQuery(benchQuery(checkId));

export const benchCasesQuery = queryOptions({
  queryKey: ['bench-cases'],
  queryFn: () => api<BenchCases>('GET', '/bench/cases'),
});
export const useBenchCases = () => useQuery(benchCasesQuery);

export const sessionsQuery = queryOptions({
  queryKey: ['sessions'],
  queryFn: () => api<{ sessions: readonly SessionListItem[] }>('GET', '/sessions'),
});
export const useSessions = () => useQuery(sessionsQuery);

const sessionKey = (id: string) => ['session', id] as const;
export const useSession = (id: string) =>
  useQuery({ queryKey: sessionKey(id), queryFn: () => api<SessionPage>('GET', `/sessions/${at(id)}`) });

export const useNext = (dogId: string) =>
  useQuery({ queryKey: ['next', dogId], queryFn: () => api<NextPage>('GET', `/dogs/${at(dogId)}/next`) });

export const bookingsQuery = queryOptions({
  queryKey: ['bookings'],
  queryFn: () => api<{ bookings: readonly BookingRecord[] }>('GET', '/bookings'),
});
export const useBookings = () => useQuery(bookingsQuery);

export const dayQuery = queryOptions({ queryKey: ['day'], queryFn: () => api<DayPage>('GET', '/day') });
export const useDay = () => useQuery(dayQuery);

export const salonQuery = queryOptions({
  queryKey: ['salon'],
  queryFn: () => api<{ salon: SalonRecord; today: number }>('GET', '/salon'),
});
export const useSalon = () => useQuery(salonQuery);

export const useTally = () => useQuery({ queryKey: ['tally'], queryFn: () => api<TallyPage>('GET', '/tally') });

export const ledgerQuery = queryOptions({
  queryKey: ['ledger'],
  queryFn: () => api<TallyLedger>('GET', '/tally/ledger'),
});
export const useLedger = () => useQuery(ledgerQuery);

export const tideQuery = queryOptions({ queryKey: ['tide'], queryFn: () => api<TideFile>('GET', '/tide') });
export const useTideBook = () => useQuery(tideQuery);
/** What the salon's computer has learnt from the tide last; asked again until it is from the facts of that word. */
export const tideLearntQuery = queryOptions({
  queryKey: ['tide-learnt'],
  queryFn: () => api<TideLearntAnswer>('GET', '/tide/learnt'),
});
export const useTideLearnt = (until: string | undefined) =>
  useQuery({
    ...tideLearntQuery,
    refetchInterval: ({ state }) =>
      until !== undefined && state.data && state.data.known?.facts !== until ? LEARNT_EVERY_MS : false,
  });
export const useDogLog = (dogId: string) =>
  useQuery({ queryKey: ['log', dogId], queryFn: () => api<DogLog>('GET', `/dogs/${at(dogId)}/log`) });
export const useHome = (dogId: string) =>
  useQuery({ queryKey: ['home', dogId], queryFn: () => api<HomeDeskPage>('GET', `/dogs/${at(dogId)}/home`) });
export const useReports = () =>
  useQuery({
    queryKey: ['home-reports'],
    queryFn: () => api<{ reports: readonly (HomeReport & { readonly dogName: string })[] }>('GET', '/home-reports'),
  });
export const usePost = () => useQuery({ queryKey: ['post'], queryFn: () => api<PostPage>('GET', '/post') });
export const emlUrl = (id: string): string => `/api/post/${at(id)}/eml`;
export const useWeather = () => useQuery({ queryKey: ['weather'], queryFn: () => api<WeatherPage>('GET', '/weather') });

export const productsQuery = queryOptions({
  queryKey: ['products'],
  queryFn: () => api<ProductsPage>('GET', '/products'),
});
export const useProducts = () => useQuery(productsQuery);

export const kitQuery = queryOptions({ queryKey: ['kit'], queryFn: () => api<KitPage>('GET', '/kit') });
export const useKit = () => useQuery(kitQuery);

export const useCoverage = () =>
  useQuery({ queryKey: ['coverage'], queryFn: () => api<Coverage>('GET', '/kit/coverage') });

export const useRules = () => useQuery({ queryKey: ['rules'], queryFn: () => api<RulesPage>('GET', '/rules') });

/** The kit ranked in a zone, phase by phase of a method; nothing until a zone is asked about. */
export const useRankings = (checkId: string, zone: ZoneId | undefined, method: string) =>
  useQuery({
    queryKey: ['rankings', checkId, zone, method],
    queryFn: () => api<RankingsPage>('GET', `/checks/${at(checkId)}/rankings/${at(zone ?? '')}/${at(method)}`),
    enabled: zone !== undefined,
  });

/** What other house rules would change; nothing while they are those that stand. */
export const useHousePreview = (house: HouseRules, changed: boolean) =>
  useQuery({
    queryKey: ['house-preview', house],
    queryFn: () => api<HousePreview>('POST', '/house/preview', { house }),
    enabled: changed,
    placeholderData: (before) => before,
  });

export const photosQuery = (checkId: string | undefined) =>
  queryOptions({
    queryKey: ['photos', checkId],
    queryFn: () => api<{ photos: readonly PhotoRecord[] }>('GET', `/checks/${at(checkId ?? '')}/photos`),
    enabled: checkId !== undefined,
  });
export const usePhotos = (checkId: string | undefined) => useQuery(photosQuery(checkId));
export const photoUrl = (id: string): string => `/api/photos/${at(id)}`;

/** A write, after which everything that is read is asked for again; a refused one too, as it may have been stale. */
export function useWrite<Sent, Got>(send: (sent: Sent) => Promise<Got>): UseMutationResult<Got, Error, Sent> {
  const queries = useQueryClient();
  // Not waited for: whoever wrote goes on at once, and rooms that show something ask again behind it.
  return useMutation({ mutationFn: send, onSettled: () => void queries.invalidateQueries() });
}

export const useAddDog = () => useWrite((draft: DogDraft) => api<DogRecord>('POST', '/dogs', draft));
export const useEditDog = (id: string) => useWrite((edit: DogEdit) => api<DogRecord>('PUT', `/dogs/${at(id)}`, edit));
export const useSaveCheck = (dogId: string) =>
  useWrite((draft: CheckDraft) => api<CheckRecord>('POST', `/dogs/${at(dogId)}/checks`, draft));
export const useStartSession = () => useWrite((draft: SessionDraft) => api<SessionPage>('POST', '/sessions', draft));
export const useBook = () => useWrite((draft: BookingDraft) => api<BookingRecord>('POST', '/bookings', draft));
export const useHold = () => useWrite((draft: HoldDraft) => api<BookingRecord>('POST', '/bookings/hold', draft));
export const useAddNote = (dogId: string) =>
  useWrite((note: HomeNote) => api<DogLog>('POST', `/dogs/${at(dogId)}/home-notes`, note));
export const useDropNote = () => useWrite((id: string) => api<DogLog>('DELETE', `/home-notes/${at(id)}`));
export const useAddLife = (dogId: string) =>
  useWrite((event: LifeNote) => api<DogLog>('POST', `/dogs/${at(dogId)}/life-events`, event));
export const useDropLife = () => useWrite((id: string) => api<DogLog>('DELETE', `/life-events/${at(id)}`));
export const useEditHome = (dogId: string) =>
  useWrite((setup: HomeSetupRecord) => api<HomeDeskPage>('PUT', `/dogs/${at(dogId)}/home`, setup));
export const useMakeLink = () =>
  useWrite((dogIds: readonly string[]) => api<HomeLinkMade>('POST', '/home-links', { dogIds }));
export const useEndLink = () => useWrite((id: string) => api<HomeLink>('DELETE', `/home-links/${at(id)}`));
export const useCloseReport = () => useWrite((id: string) => api<HomeReport>('POST', `/home-reports/${at(id)}/close`));
export const useEditPost = (dogId: string) =>
  useWrite((wish: OwnerPostRecord) => api<OwnerPostRecord>('PUT', `/dogs/${at(dogId)}/post`, wish));
export const useRunPost = () => useWrite(() => api<PostPage>('POST', '/post/run'));
export const useStopPost = () => useWrite((id: string) => api<PostPage>('POST', `/post/${at(id)}/stop`));
export const useReadWeather = () => useWrite((csv: string) => api<WeatherPage>('PUT', '/weather', { csv }));
export const useAskStation = () => useWrite(() => api<WeatherPage>('POST', '/weather/station'));
export const useForgetWeather = () => useWrite(() => api<WeatherPage>('DELETE', '/weather'));
export const useCancelBooking = () =>
  useWrite(({ id, version }: { id: string; version: number }) =>
    api<BookingRecord>('POST', `/bookings/${at(id)}/cancel`, { version }),
  );
export const useAddTool = () => useWrite((draft: NewTool) => api<ToolRecord>('POST', '/kit', draft));
export const useEditTool = () =>
  useWrite(({ id, ...edit }: ToolRecord) => api<ToolRecord>('PUT', `/kit/${at(id)}`, edit));
export const useUpkeep = () =>
  useWrite((entries: readonly UpkeepDraft[]) => api<KitPage>('POST', '/kit/upkeep', { entries }));
export const useUndoUpkeep = () => useWrite((id: string) => api<object>('DELETE', `/kit/upkeep/${at(id)}`));
export const useMoveProduct = () =>
  useWrite((move: ProductMoveDraft) => api<ProductsPage>('POST', '/products/moves', move));
export const useUndoMove = () => useWrite((id: string) => api<ProductsPage>('DELETE', `/products/moves/${at(id)}`));
export const useRemovePhoto = () => useWrite((id: string) => api<object>('DELETE', `/photos/${at(id)}`));
export const useEditSalon = () => useWrite((edit: SalonEdit) => api<SalonRecord>('PUT', '/salon', edit));

export const useRoster = () => useQuery({ queryKey: ['roster'], queryFn: () => api<RosterPage>('GET', '/roster') });
export const useWish = (dogId: string) =>
  useQuery({ queryKey: ['wish', dogId], queryFn: () => api<WishRecord>('GET', `/dogs/${at(dogId)}/wish`) });
export const callsQuery = queryOptions({
  queryKey: ['calls'],
  queryFn: () => api<{ calls: readonly CallRecord[] }>('GET', '/calls'),
});
export const useCalls = () => useQuery(callsQuery);
/** A day's sheet, asked again each half minute: it hangs on the wall and at the table too. */
export const sheetQuery = (day: string | undefined) =>
  queryOptions({
    queryKey: ['sheet', day],
    queryFn: () => api<SheetPage>('GET', day === undefined ? '/sheet' : `/sheet?day=${at(day)}`),
    refetchInterval: 30_000,
  });
export const useSheet = (day: string | undefined) => useQuery(sheetQuery(day));
export const personFeedUrl = (id: string): string => `/api/roster/people/${at(id)}/calendar.ics`;
export const BOOKINGS_CSV = '/api/bookings.csv';

export const useSavePerson = () =>
  useWrite((person: PersonRecord) => api<RosterPage>('PUT', `/roster/people/${at(person.id)}`, person));
export const useDropPerson = () => useWrite((id: string) => api<RosterPage>('DELETE', `/roster/people/${at(id)}`));
export const useAddAway = () => useWrite((away: AbsenceDraft) => api<RosterPage>('POST', '/roster/away', away));
export const useDropAway = () => useWrite((id: string) => api<RosterPage>('DELETE', `/roster/away/${at(id)}`));
export const useAddApart = () =>
  useWrite((pair: { a: string; b: string }) => api<RosterPage>('POST', '/roster/apart', pair));
export const useDropApart = () =>
  useWrite(({ a, b }: { a: string; b: string }) => api<RosterPage>('DELETE', `/roster/apart/${at(a)}/${at(b)}`));
export const useSaveWish = (dogId: string) =>
  useWrite((wish: WishRecord) => api<WishRecord>('PUT', `/dogs/${at(dogId)}/wish`, wish));
export const useSetPins = () => useWrite((pins: readonly PinDraft[]) => api<SheetPage>('PUT', '/sheet/pins', { pins }));
export const useDropPins = () => useWrite((day: string) => api<SheetPage>('DELETE', `/sheet/pins?day=${at(day)}`));
export const useMark = () => useWrite((mark: MarkDraft) => api<SheetPage>('POST', '/sheet/marks', mark));
export const useUnmark = () =>
  useWrite(({ bookingId, stage }: { bookingId: string; stage: number }) =>
    api<SheetPage>('DELETE', `/sheet/marks/${at(bookingId)}/${stage}`),
  );
export const useAddCall = () => useWrite((call: CallDraft) => api<object>('POST', '/calls', call));
export const useDropCall = () => useWrite((id: string) => api<object>('DELETE', `/calls/${at(id)}`));
export const useEditBooking = () =>
  useWrite(({ id, ...edit }: BookingEdit & { id: string }) => api<BookingRecord>('PUT', `/bookings/${at(id)}`, edit));
/** Takes an agreement back, or a cancelled visit up again, exactly as it was. */
const useStanding = (act: 'unagree' | 'restore') =>
  useWrite(({ id, version }: { id: string; version: number }) =>
    api<BookingRecord>('POST', `/bookings/${at(id)}/${act}`, { version }),
  );
export const useUnagree = () => useStanding('unagree');
export const useRestoreBooking = () => useStanding('restore');
export const useAgree = () =>
  useWrite(({ id, version }: { id: string; version: number }) =>
    api<BookingRecord>('POST', `/bookings/${at(id)}/agree`, { version }),
  );
export const useReadCalendar = () => useWrite((ics: string) => api<ReadIn>('POST', '/calendar/read', { ics }));
export const useReadBookings = () => useWrite((csv: string) => api<ReadIn>('POST', '/bookings/read', { csv }));
