/**
 * A queue of work for one thread beside the server: reading a file that somebody sent, planning many dogs. Each job has a
 * time limit; one that passes it is ended together with its thread, and the next begins in a new one.
 */
import type { Worker } from 'node:worker_threads';
import { Problem } from '../problem.ts';
import type { JobAnswer, JobName, Jobs } from './jobs.ts';
import { threadOf } from './thread.ts';

/** Jobs that may wait for their turn. */
const MOST_WAITING = 8;
/** A thread reads its modules first: that long at most, on a busy machine. */
const START_LIMIT_MS = 60_000;
/** Time that a job has to itself: with the start of a thread it is over within about five seconds. */
const JOB_LIMIT_MS = 4_000;
/** What the salon's own numbers are the cause of, and no file that somebody sent, may take longer. */
const OWN_LIMIT_MS: Partial<Readonly<Record<JobName, number>>> = { coverage: 60_000, plans: 20_000, sheet: 30_000 };

interface Waiting {
  readonly name: JobName;
  /** Gives the job to the thread and hears its answer. */
  readonly begin: (thread: Worker) => void;
  readonly fail: (why: Error) => void;
}

/** What is said when a job was ended, by what it was about. */
const TOO_LONG: Readonly<Record<JobName, string>> = {
  calendar:
    'This calendar takes too long to read: an event in it may repeat without ever coming to a day. Nothing was read in. Take that event out, or export fewer events.',
  bookings: 'This table takes too long to read. Nothing was read in. Split it into smaller tables.',
  clients: 'This table takes too long to read. Nothing was brought in. Split it into smaller tables.',
  clientPreview: 'This table takes too long to read. Split it into smaller tables.',
  coverage: 'How the kit serves the dogs takes too long to compute at this moment. Try again in a minute.',
  sheet: 'This day takes too long to lay. Try again in a minute.',
  plans: 'These plans take too long to compute. Nothing was changed. Try again in a minute.',
};

const tooMuch = (name: JobName): Problem => new Problem(422, null, TOO_LONG[name]);

/** One thread, started with the first job and kept for the next. */
export class WorkerQueue {
  private thread: Worker | undefined;
  private ready = false;
  private readonly waiting: Waiting[] = [];
  private current: Waiting | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private closed = false;

  /** limitMs: for files that somebody sent. */
  constructor(private readonly limitMs = JOB_LIMIT_MS) {}

  /** What a job comes to. Throws the Problem it found, 422 when it took too long, 429 when too many wait. */
  async run<K extends JobName>(name: K, given: Jobs[K]['given']): Promise<Jobs[K]['result']> {
    if (this.closed) throw closing();
    if (this.waiting.length >= MOST_WAITING)
      throw new Problem(429, null, 'Others are reading in files at this moment. Wait a minute, and try again.');
    const answer = await new Promise<JobAnswer<K>>((done, fail) => {
      const begin = (thread: Worker): void => {
        thread.once('message', (said: JobAnswer<K>) => {
          done(said);
          this.over();
        });
        thread.postMessage({ name, given });
      };
      this.waiting.push({ name, begin, fail });
      this.next();
    });
    if (answer.ok) return answer.value;
    throw new Problem(answer.error.status, answer.error.field, answer.error.message);
  }

  close(): void {
    this.closed = true;
    this.endThread();
    for (const job of [this.current, ...this.waiting.splice(0)]) job?.fail(closing());
    this.current = undefined;
  }

  private next(): void {
    if (this.current || this.closed || this.waiting.length === 0) return;
    const thread = (this.thread ??= this.start());
    if (!this.ready) return;
    const job = this.waiting.shift();
    if (!job) return;
    this.current = job;
    thread.ref();
    this.within(OWN_LIMIT_MS[job.name] ?? this.limitMs, () => tooMuch(job.name));
    job.begin(thread);
  }

  /** The job at hand has come to something: the next may begin. */
  private over(): void {
    clearTimeout(this.timer);
    this.current = undefined;
    // An idle thread does not keep the program running.
    this.thread?.unref();
    this.next();
  }

  private within(ms: number, why: () => Error): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.lose(why()), ms);
  }

  /** Ends the thread with what it was at; where it never came up, the first that waits hears of it. */
  private lose(why: Error): void {
    this.endThread();
    const job = this.current ?? this.waiting.shift();
    job?.fail(why);
    this.over();
  }

  private endThread(): void {
    clearTimeout(this.timer);
    const { thread } = this;
    this.thread = undefined;
    this.ready = false;
    thread?.removeAllListeners();
    // A thread that is ended can still fail on its way out: nobody waits for it any more.
    thread?.on('error', () => undefined);
    void thread?.terminate();
  }

  private start(): Worker {
    const thread = threadOf('job-thread', import.meta.url);
    thread.once('message', () => {
      clearTimeout(this.timer);
      this.ready = true;
      this.next();
    });
    thread.on('error', (problem) => {
      const full = 'code' in problem && problem.code === 'ERR_WORKER_OUT_OF_MEMORY';
      this.lose(full && this.current ? tooMuch(this.current.name) : problem);
    });
    thread.on('exit', (code) => this.lose(new Error(`the thread ended with ${code}`)));
    this.within(START_LIMIT_MS, () => new Error('the thread did not start'));
    return thread;
  }
}

const closing = (): Problem => new Problem(503, null, 'The program is closing. Try again when it runs.');
