/**
 * What the server knows of the tide without making anybody wait: what was learnt last and the newest digest of
 * every dog, computed in a thread beside it when the facts have changed. Until the first is there, nothing is said.
 */
import type { Worker } from 'node:worker_threads';
import { threadOf } from './work/thread.ts';
import type { DogDigest, TideQuestion, TideTold } from './tide-thread.ts';

/** Gathering the facts takes a moment of everybody's time. */
const EVERY_MS = 3_000;

/** A question, or the same written as JSON: of thousands of dogs it is long, and compared and sent as text. */
type Asked = TideQuestion | string;

export class TideDesk {
  private thread: Worker | undefined;
  private asked = '';
  private known:
    { readonly facts: string; readonly dogs: ReadonlyMap<string, DogDigest>; readonly learnt: string } | undefined;
  private waiting: (() => void)[] = [];

  private soonAt = -Infinity;
  private planned: ReturnType<typeof setTimeout> | undefined;
  private closed = false;
  /** Questions that are being made. */
  private gathering = 0;

  /** Asks after the present reply is out, at most once in a while. */
  soon(make: () => Asked | Promise<Asked>): void {
    if (this.closed || this.planned || this.gathering > 0 || this.asked !== '') return;
    const wait = Math.max(0, this.soonAt + EVERY_MS - performance.now());
    this.planned = setTimeout(() => {
      // Nobody waits for this but anyone who asks again: a request for the same facts hears what is wrong with them.
      this.atOnce(make).catch(() => undefined);
    }, wait);
  }

  /** Asks now. */
  async atOnce(make: () => Asked | Promise<Asked>): Promise<void> {
    clearTimeout(this.planned);
    this.planned = undefined;
    this.soonAt = performance.now();
    this.gathering++;
    try {
      const question = await make();
      if (!this.closed) this.ask(question);
    } finally {
      this.gathering--;
      // What is known already is not computed again: anyone who waits for it need not.
      if (this.asked === '' && this.gathering === 0) this.rest();
    }
  }

  /** Makes sure that the newest facts are being computed, or have been. */
  ask(question: Asked): void {
    const facts = typeof question === 'string' ? question : JSON.stringify(question);
    if (facts === this.asked || facts === this.known?.facts) return;
    // One question at a time: the newest facts are asked about when the thread is free.
    if (this.asked !== '') return;
    this.asked = facts;
    const thread = this.threadOf();
    thread.ref();
    thread.postMessage(facts);
  }

  /** What is known of a dog; undefined until the first answer. */
  digest(dogId: string): DogDigest | undefined {
    return this.known?.dogs.get(dogId);
  }

  /** The salon's tide as it was learnt last: a TideLearntAnswer, written; undefined until the first answer. */
  get learnt(): string | undefined {
    return this.known?.learnt;
  }

  /** Resolves when nothing is being computed. */
  async settled(): Promise<void> {
    if (this.asked !== '' || this.planned || this.gathering > 0)
      await new Promise<void>((resolve) => this.waiting.push(resolve));
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.planned);
    this.planned = undefined;
    void this.thread?.terminate();
    this.thread = undefined;
    this.rest();
  }

  private rest(): void {
    this.asked = '';
    // An idle thread does not keep the program running.
    this.thread?.unref();
    for (const done of this.waiting.splice(0)) done();
  }

  private threadOf(): Worker {
    if (this.thread) return this.thread;
    const thread = threadOf('tide-thread', import.meta.url);
    thread.on('message', ({ dogs, learnt }: TideTold) => {
      this.known = { facts: this.asked, dogs: new Map(dogs.map((d) => [d.id, d])), learnt };
      this.rest();
    });
    // A thread that died says nothing; the next question starts another.
    thread.on('error', () => {
      this.thread = undefined;
      this.rest();
    });
    this.thread = thread;
    return thread;
  }
}
