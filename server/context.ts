/** What the server's functions are given: the open file, the clock, and what was computed before. */
import type { DogPage, SessionSummary } from '../contract/dog.ts';
import type { TideFile } from '../contract/tide.ts';
import type { Plan } from '../core/bench/index.ts';
import type { Hold } from '../core/check/index.ts';
import type { DaySheet } from '../core/day/index.ts';
import type { HomeWeek } from '../core/home/index.ts';
import type { Use } from '../core/kit/index.ts';
import type { StepLesson, Taught, VisitEntry } from '../core/tally/index.ts';
import type { BookDog, Sighting } from '../core/tide/index.ts';
import type { DoorState } from './auth/door-state.ts';
import type { Stores } from './db/index.ts';
import { MemoCache } from './memo-cache.ts';
import type { TideDesk } from './tide-desk.ts';
import type { CareItem } from '../core/dog/index.ts';

/** A working of a piece in a session. */
export interface PieceUse extends Use {
  readonly toolId: string;
}

/** What a session came to. */
export interface SessionResult {
  readonly summary: SessionSummary;
  readonly finished: boolean;
  /** The dog was bathed. */
  readonly bathed: boolean;
  /** What was done besides the coat. */
  readonly care: readonly CareItem[];
  readonly uses: readonly PieceUse[];
}

/** What the list of a dog's checks says of one. */
export type CheckSummary = DogPage['checks'][number];

/** What the tide is told by a session or a check; nothing by one that is not finished, or felt nothing. */
export type Seen<K extends Sighting['kind']> = Extract<Sighting, { kind: K }> | undefined;

/** Workings of each session, and the newest event that they know of. */
export interface Workings {
  upTo: number;
  readonly bySession: Map<string, readonly PieceUse[]>;
  byTool: ReadonlyMap<string, readonly Use[]>;
}

/** A forecast's file, and the same as JSON once somebody has asked for it. */
export interface GatheredFile {
  readonly file: TideFile;
  text?: string;
}

/** The kinds of result that are remembered: the sizes keep the few large ones from driving out the many small. */
const memoKinds = (cache: MemoCache) => ({
  checks: cache.kind<CheckSummary>('check'),
  sessions: cache.kind<SessionResult>('session', 2),
  visits: cache.kind<Seen<'visit'>>('visit'),
  touches: cache.kind<Seen<'touch'>>('touch'),
  lessons: cache.kind<readonly StepLesson[]>('lessons', 25),
  taught: cache.kind<Taught>('taught', 1_000),
  entries: cache.kind<VisitEntry | undefined>('entry', 10),
  plans: cache.kind<Plan>('plan', 250),
  minutes: cache.kind<readonly number[]>('minutes'),
  bookDogs: cache.kind<BookDog>('book-dog', 20),
  weeks: cache.kind<HomeWeek>('week', 50),
  workings: cache.kind<Workings>('workings', 1_000),
  holds: cache.kind<readonly Hold[]>('holds'),
  tide: cache.kind<GatheredFile>('tide', 10_000),
  sheets: cache.kind<DaySheet>('sheet', 50),
});
export type Memos = Readonly<ReturnType<typeof memoKinds>>;
/** Nothing remembered yet. */
export const newMemos = (): Memos => memoKinds(new MemoCache());

export interface AppContext {
  readonly stores: Stores;
  readonly nowMs: () => number;
  readonly memos: Memos;
  /** What was learnt of each dog's coat. */
  readonly tide: TideDesk;
}
/** What routes work with besides: what the door remembers. */
export interface ServerContext extends AppContext {
  readonly door: DoorState;
}
