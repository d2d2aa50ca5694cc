/** What the rooms ask of the API, and what they write. */
import { queryOptions, useMutation, useQuery, type UseMutationResult } from '@tanstack/react-query';
import type { OfferDraft } from '../../contract/offer.ts';
import type { BookingDraft, BookingEdit, CancelReason, TentativeDraft } from '../../contract/booking.ts';
import type { CheckDraft } from '../../contract/check.ts';
import type { CareChoice, ClipOrders, DogEdit, NewDog } from '../../contract/dog.ts';
import type { HomeSetupRecord } from '../../contract/home.ts';
import type { OwnerPostRecord } from '../../contract/post.ts';
import type { NewTool, ToolRecord, UpkeepDraft } from '../../contract/kit.ts';
import type { ProductMoveDraft } from '../../contract/product.ts';
import type { KeptYear } from '../../contract/year.ts';
import type { AbsenceDraft, CallDraft, MarkDraft, PersonRecord, PinDraft, WishRecord } from '../../contract/roster.ts';
import type { SalonEdit } from '../../contract/salon.ts';
import type { SessionDraft } from '../../contract/session.ts';
import type { VetWordDraft } from '../../contract/hold.ts';
import type { HomeNote, LifeNote } from '../../contract/tide.ts';
import type { Service, ZoneId } from '../../core/dog/index.ts';
import type { HouseRules } from '../../core/kit/index.ts';
import { asks } from './asked.ts';
import { api } from './client.ts';

/** So often it is asked whether something new has been learnt. */
const LEARNT_EVERY_MS = 600;

const at = (id: string): string => encodeURIComponent(id);

export const dogsQuery = asks('/dogs');
export const useDogs = () => useQuery(dogsQuery);

/** Dogs by a part of their or their owner's name, also those that rest. */
export const useFoundDogs = (find: string) =>
  useQuery({ ...asks('/dogs', { find }), enabled: find.length > 1, placeholderData: (before) => before });

export const dogQuery = (id: string) => queryOptions({ ...asks('/dogs/:id', { id }), enabled: id !== '' });
export const useDog = (id: string) => useQuery(dogQuery(id));

export const checkQuery = (id: string | undefined) =>
  queryOptions({ ...asks('/checks/:id', { id: id ?? '' }), enabled: id !== undefined });
export const useCheck = (id: string | undefined) => useQuery(checkQuery(id));

/** What a plan is computed from: the room computes it, so that it can be changed and seen at once. */
export const benchQuery = (checkId: string) => asks('/checks/:id/bench', { id: checkId });
export const useBench = (checkId: string) => useQuery(benchQuery(checkId));

export const benchCasesQuery = asks('/bench/cases');
export const useBenchCases = () => useQuery(benchCasesQuery);

export const sessionsQuery = asks('/sessions');
export const useSessions = () => useQuery(sessionsQuery);

export const useSession = (id: string) => useQuery(asks('/sessions/:id', { id }));

/** When a dog could come on some days. */
export const useStarts = (
  dogId: string,
  asked: { readonly days: readonly string[]; readonly minutes?: number | undefined; readonly service?: Service },
) =>
  useQuery({
    ...asks(
      '/dogs/:id/starts',
      { id: dogId },
      {
        days: asked.days.join(','),
        ...(asked.minutes !== undefined && { minutes: String(asked.minutes) }),
        ...(asked.service && { service: asked.service }),
      },
    ),
    enabled: dogId !== '' && asked.days.length > 0,
    placeholderData: (before) => before,
  });

export const useNext = (dogId: string) => useQuery(asks('/dogs/:id/next', { id: dogId }));

export const bookingsQuery = asks('/bookings');
export const useBookings = () => useQuery(bookingsQuery);

export const dayQuery = asks('/day');
export const useDay = () => useQuery(dayQuery);

export const salonQuery = asks('/salon');
export const useSalon = () => useQuery(salonQuery);

export const useTally = () => useQuery(asks('/tally'));

export const ledgerQuery = asks('/tally/ledger');
export const useLedger = () => useQuery(ledgerQuery);

export const tideQuery = asks('/tide');
export const useTideBook = () => useQuery(tideQuery);
/** What the salon's computer has learnt from the tide last; asked again until it is from the facts of that word. */
export const tideLearntQuery = asks('/tide/learnt');
export const useTideLearnt = (until: string | undefined) =>
  useQuery({
    ...tideLearntQuery,
    refetchInterval: ({ state }) =>
      until !== undefined && state.data && state.data.known?.facts !== until ? LEARNT_EVERY_MS : false,
  });
export const useDogLog = (dogId: string) => useQuery(asks('/dogs/:id/log', { id: dogId }));
export const useHome = (dogId: string) => useQuery(asks('/dogs/:id/home', { id: dogId }));
export const holdsQuery = asks('/holds');
export const useHolds = () => useQuery(holdsQuery);
export const reportsQuery = asks('/home-reports');
export const useReports = () => useQuery(reportsQuery);
export const usePost = () => useQuery(asks('/post'));
export const emlUrl = (id: string): string => `/api/post/${at(id)}/eml`;
export const useWeather = () => useQuery(asks('/weather'));

export const yearsQuery = asks('/years');
export const useYearsKept = () => useQuery(yearsQuery);
export const useKeepYear = () => useWrite((year: KeptYear) => api.post('/years', year));
export const useDropYear = () => useWrite((id: string) => api.delete('/years/:id', { id }));

export const productsQuery = asks('/products');
export const useProducts = () => useQuery(productsQuery);

export const kitQuery = asks('/kit');
export const useKit = () => useQuery(kitQuery);

export const useCoverage = () => useQuery(asks('/kit/coverage'));

export const useRules = () => useQuery(asks('/rules'));

/** The kit ranked in a zone, phase by phase of a method; nothing until a zone is asked about. */
export const useRankings = (checkId: string, zone: ZoneId | undefined, method: string) =>
  useQuery({
    ...asks('/checks/:id/rankings/:zone/:method', { id: checkId, zone: zone ?? '', method }),
    enabled: zone !== undefined,
  });

/** What other house rules would change; nothing while they are those that stand. */
export const useHousePreview = (house: HouseRules, changed: boolean) =>
  useQuery({
    queryKey: ['POST /house/preview', house],
    queryFn: () => api.post('/house/preview', { house }),
    enabled: changed,
    placeholderData: (before) => before,
  });

export const photosQuery = (checkId: string | undefined) =>
  queryOptions({ ...asks('/checks/:id/photos', { id: checkId ?? '' }), enabled: checkId !== undefined });
export const usePhotos = (checkId: string | undefined) => useQuery(photosQuery(checkId));
export const photoUrl = (id: string): string => `/api/photos/${at(id)}`;

/** A write. What it touches is asked for again, also after a refusal, which may have come of something stale: see queries.ts. */
export const useWrite = <Sent, Got>(send: (sent: Sent) => Promise<Got>): UseMutationResult<Got, Error, Sent> =>
  useMutation({ mutationFn: send });

export const useAddDog = () => useWrite((draft: NewDog) => api.post('/dogs', draft));
export const useOrderClips = (id: string) =>
  useWrite((orders: ClipOrders) => api.put('/dogs/:id/clip-orders', { id }, orders));
export const useChooseCare = (id: string) =>
  useWrite((choice: CareChoice) => api.put('/dogs/:id/care', { id }, choice));
export const useEditDog = (id: string) => useWrite((edit: DogEdit) => api.put('/dogs/:id', { id }, edit));
export const useSaveCheck = (dogId: string) =>
  useWrite((draft: CheckDraft) => api.post('/dogs/:id/checks', { id: dogId }, draft));
export const useStartSession = () => useWrite((draft: SessionDraft) => api.post('/sessions', draft));
export const useBook = () => useWrite((draft: BookingDraft) => api.post('/bookings', draft));
export const useOffers = () => useQuery(asks('/offers'));
export const useHoldStarts = () => useWrite((draft: OfferDraft) => api.post('/offers', draft));
export const useLetGo = () => useWrite((id: string) => api.delete('/offers/:id', { id }));
export const useBookTentatively = () => useWrite((draft: TentativeDraft) => api.post('/bookings/tentative', draft));
export const useAddNote = (dogId: string) =>
  useWrite((note: HomeNote) => api.post('/dogs/:id/home-notes', { id: dogId }, note));
export const useDropNote = () => useWrite((id: string) => api.delete('/home-notes/:id', { id }));
export const useAddLife = (dogId: string) =>
  useWrite((event: LifeNote) => api.post('/dogs/:id/life-events', { id: dogId }, event));
export const useDropLife = () => useWrite((id: string) => api.delete('/life-events/:id', { id }));
export const useEditHome = (dogId: string) =>
  useWrite((setup: HomeSetupRecord) => api.put('/dogs/:id/home', { id: dogId }, setup));
export const useMakeLink = () => useWrite((dogIds: readonly string[]) => api.post('/home-links', { dogIds }));
export const useEndLink = () => useWrite((id: string) => api.delete('/home-links/:id', { id }));
export const useAddVetWord = (dogId: string) =>
  useWrite((word: VetWordDraft) => api.post('/dogs/:id/vet-words', { id: dogId }, word));
export const useDropVetWord = () => useWrite((id: string) => api.delete('/vet-words/:id', { id }));
export const useCloseReport = () =>
  useWrite(({ id, answer }: { id: string; answer: string }) => api.post('/home-reports/:id/close', { id }, { answer }));
export const useEditPost = (dogId: string) =>
  useWrite((wish: OwnerPostRecord) => api.put('/dogs/:id/post', { id: dogId }, wish));
export const useRunPost = () => useWrite(() => api.post('/post/run'));
export const useStopPost = () => useWrite((id: string) => api.post('/post/:id/stop', { id }));
export const useReadWeather = () => useWrite((csv: string) => api.put('/weather', { csv }));
export const useAskStation = () => useWrite(() => api.post('/weather/station'));
export const useForgetWeather = () => useWrite(() => api.delete('/weather'));
export const useAddTool = () => useWrite((draft: NewTool) => api.post('/kit', draft));
export const useEditTool = () => useWrite(({ id, ...edit }: ToolRecord) => api.put('/kit/:id', { id }, edit));
export const useUpkeep = () => useWrite((entries: readonly UpkeepDraft[]) => api.post('/kit/upkeep', { entries }));
export const useUndoUpkeep = () => useWrite((id: string) => api.delete('/kit/upkeep/:id', { id }));
export const useMoveProduct = () => useWrite((move: ProductMoveDraft) => api.post('/products/moves', move));
export const useUndoMove = () => useWrite((id: string) => api.delete('/products/moves/:id', { id }));
export const useRemovePhoto = () => useWrite((id: string) => api.delete('/photos/:id', { id }));
export const useEditSalon = () => useWrite((edit: SalonEdit) => api.put('/salon', edit));

export const useRoster = () => useQuery(asks('/roster'));
export const useWish = (dogId: string) => useQuery(asks('/dogs/:id/wish', { id: dogId }));
export const callsQuery = asks('/calls');
export const useCalls = () => useQuery(callsQuery);
/** A day's sheet, asked again each half minute: it hangs on the wall and at the table too. */
export const sheetQuery = (day: string | undefined) =>
  queryOptions({ ...asks('/sheet', day === undefined ? {} : { day }), refetchInterval: 30_000 });
export const useSheet = (day: string | undefined) => useQuery(sheetQuery(day));
export const personFeedUrl = (id: string): string => `/api/roster/people/${at(id)}/calendar.ics`;
export const BOOKINGS_CSV = '/api/bookings.csv';

export const useSavePerson = () =>
  useWrite((person: PersonRecord) => api.put('/roster/people/:id', { id: person.id }, person));
export const useDropPerson = () => useWrite((id: string) => api.delete('/roster/people/:id', { id }));
export const useAddAway = () => useWrite((away: AbsenceDraft) => api.post('/roster/away', away));
export const useDropAway = () => useWrite((id: string) => api.delete('/roster/away/:id', { id }));
export const useAddApart = () => useWrite((pair: { a: string; b: string }) => api.post('/roster/apart', pair));
export const useDropApart = () =>
  useWrite(({ a, b }: { a: string; b: string }) => api.delete('/roster/apart/:a/:b', { a, b }));
export const useSaveWish = (dogId: string) =>
  useWrite((wish: WishRecord) => api.put('/dogs/:id/wish', { id: dogId }, wish));
export const useSetPins = () => useWrite((pins: readonly PinDraft[]) => api.put('/sheet/pins', { pins }));
export const useDropPins = () => useWrite((day: string) => api.delete('/sheet/pins', { day }));
export const useMark = () => useWrite((mark: MarkDraft) => api.post('/sheet/marks', mark));
export const useUnmark = () =>
  useWrite(({ bookingId, stage }: { bookingId: string; stage: number }) =>
    api.delete('/sheet/marks/:booking/:stage', { booking: bookingId, stage: String(stage) }),
  );
export const useAddCall = () => useWrite((call: CallDraft) => api.post('/calls', call));
export const useEditBooking = () =>
  useWrite(({ id, ...edit }: BookingEdit & { id: string }) => api.put('/bookings/:id', { id }, edit));
/** Something done to a booking as it stood when somebody looked. */
const useStanding = (act: 'restore' | 'agree' | 'unagree' | 'leave') =>
  useWrite(({ id, version }: { id: string; version: number }) => api.post(`/bookings/:id/${act}`, { id }, { version }));
export const useCancelBooking = () =>
  useWrite(({ id, ...of }: { id: string; version: number; why?: CancelReason | undefined }) =>
    api.post('/bookings/:id/cancel', { id }, of),
  );
/** Takes a cancelled visit up again, exactly as it was. */
export const useRestoreBooking = () => useStanding('restore');
export const useAgree = () => useStanding('agree');
/** Its length fits no more, and stays. */
export const useLeaveLength = () => useStanding('leave');
/** Two visits of one, the second within a week. */
export const useSplitBooking = () =>
  useWrite(({ id, version, second }: { id: string; version: number; second: string }) =>
    api.post('/bookings/:id/split', { id }, { version, second }),
  );
export const useUnagree = () => useStanding('unagree');
export const useReadCalendar = () => useWrite((ics: string) => api.post('/calendar/read', { ics }));
export const useReadBookings = () => useWrite((csv: string) => api.post('/bookings/read', { csv }));
