/**
 * What the server knows of the tide without making anybody wait: each dog's tide as it was learnt last, in a thread beside
 * it, when facts have changed. One dog is learnt at once under what its town said last; the town follows.
 */
import type { Worker } from 'node:worker_threads';
import type { Day } from '../core/quantity/index.ts';
import {
  coatAhead,
  type CoatAhead,
  type DogTide,
  type HomeEffect,
  type LearntBook,
  type TideBook,
} from '../core/tide/index.ts';
import type { LearntBefore } from './services/learnt.ts';
import { atMost } from './work/at-most.ts';
import { threadOf } from './work/thread.ts';
import type { BookQuestion, DogQuestion, Sent, TideTold } from './tide-thread.ts';

/** Gathering the facts takes a moment of everybody's time. */
const EVERY_MS = 3_000;
/** A list waits so long for a dog that is being learnt. */
const MOST_WAIT_MS = 400;

/** A question, or the same written as JSON: of thousands of dogs it is long, and compared and sent as text. */
type Asked = BookQuestion | string;

/** A dog's tide, and the day on which it was learnt. */
export interface KnownTide {
  readonly from: Day;
  readonly tide: CoatAhead;
}

export class TideDesk {
  private thread: Worker | undefined;
  private asked = '';
  private known: { readonly facts: string; readonly learnt: string } | undefined;
  private town: LearntBook['town'] | undefined;
  private readonly tides = new Map<string, KnownTide>();
  private readonly effects = new Map<string, HomeEffect>();
  private waiting: (() => void)[] = [];
  /** Dogs learnt one by one since the whole was asked about: what the whole says of them is old. */
  private readonly newer = new Map<string, DogTide>();
  private asOf: ReadonlySet<string> = new Set();
  /** Who waits for one dog. */
  private readonly ones = new Map<string, { asked: number; readonly done: (() => void)[] }>();

  /** How the facts were gathered last. */
  private make: (() => Asked | Promise<Asked>) | undefined;
  private heard = 0;
  private soonAt = -Infinity;
  private planned: ReturnType<typeof setTimeout> | undefined;
  private plannedAt = Infinity;
  private closed = false;
  /** Questions that are being made. */
  private gathering = 0;
  /** The question that was answered before the program was started, until another is. */
  private answered: string | undefined;
  /** Learnt, and not kept yet: what was learnt first may change minutes, and is asked again at once. */
  private packed: readonly Uint8Array[] | undefined;

  /** before: what was learnt before the program was started; keep: is given what is to be kept of each learning. */
  constructor(
    before?: LearntBefore | undefined,
    private readonly keep?: (packed: readonly Uint8Array[]) => void,
  ) {
    if (!before) return;
    const { facts, learnt, question, effects } = before;
    this.answered = question;
    for (const { id, effect } of effects) this.effects.set(id, effect);
    this.known = { facts: '', learnt: JSON.stringify({ facts, learnt }) };
    this.town = before.learnt.town;
    for (const tide of before.learnt.dogs) this.tides.set(tide.id, { from: before.learnt.from, tide: coatAhead(tide) });
  }

  /** Asks after the present reply is out, at most once in a while; later where nobody waits for it. */
  soon(make: () => Asked | Promise<Asked>, laterMs = 0): void {
    if (this.closed || this.gathering > 0 || this.asked !== '') return;
    this.make = make;
    const at = Math.max(performance.now() + laterMs, this.soonAt + EVERY_MS);
    if (this.planned && this.plannedAt <= at) return;
    clearTimeout(this.planned);
    this.plannedAt = at;
    this.planned = setTimeout(() => {
      // Nobody waits for this but anyone who asks again: a request for the same facts hears what is wrong with them.
      this.atOnce(make).catch(() => undefined);
    }, at - performance.now());
  }

  /** Asks now. */
  async atOnce(make: () => Asked | Promise<Asked>): Promise<void> {
    this.make = make;
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
    this.asOf = new Set(this.newer.keys());
    this.send({ text: facts, answered: this.answered });
  }

  /** Learns one dog again, the book's only one; resolves when its tide is known, or the thread has died. */
  one(book: TideBook): Promise<void> {
    const id = book.dogs[0]?.id;
    if (this.closed || id === undefined) return Promise.resolve();
    const question: DogQuestion = { one: book, town: this.town };
    return new Promise((resolve) => {
      const waits = this.ones.get(id) ?? { asked: 0, done: [] };
      waits.asked++;
      waits.done.push(resolve);
      this.ones.set(id, waits);
      this.send({ text: JSON.stringify(question) });
    });
  }

  /** Resolves when no single dog is being learnt, or after a moment: a list does not wait for ever. */
  async onesSettled(): Promise<void> {
    if (this.ones.size === 0) return;
    const all = [...this.ones.values()].map(({ done }) => new Promise<void>((resolve) => void done.push(resolve)));
    await atMost(MOST_WAIT_MS, Promise.all(all));
  }

  /** How often something was learnt: what rests on it is another then. */
  get times(): number {
    return this.heard;
  }

  /** A dog's tide as it was learnt last; undefined until then. */
  tide(dogId: string): KnownTide | undefined {
    return this.tides.get(dogId);
  }

  /** What brushing at home is worth; undefined until the first answer. */
  effect(dogId: string): HomeEffect | undefined {
    return this.effects.get(dogId);
  }

  /** The salon's tide as it was learnt last: a TideLearntAnswer, written. */
  get learnt(): string {
    return `{"known":${this.known?.learnt ?? 'null'},"newer":${JSON.stringify([...this.newer.values()])}}`;
  }

  /** Resolves when nothing is being computed; what was planned for later is done at once. */
  async settled(): Promise<void> {
    if (this.planned && this.make) this.soon(this.make);
    if (this.asked !== '' || this.planned || this.gathering > 0)
      await new Promise<void>((resolve) => this.waiting.push(resolve));
  }

  /** Lets go of the facts that it was asked about: what is being computed is heard, nothing more is asked. */
  async rested(): Promise<void> {
    clearTimeout(this.planned);
    this.planned = undefined;
    this.make = undefined;
    await this.settled();
  }

  close(): void {
    this.closed = true;
    clearTimeout(this.planned);
    this.planned = undefined;
    void this.thread?.terminate();
    this.thread = undefined;
    this.letGo();
  }

  private send(sent: Sent): void {
    this.thread ??= this.begin();
    this.thread.ref();
    this.thread.postMessage(sent);
  }

  private rest(): void {
    this.asked = '';
    if (this.packed) this.keep?.(this.packed);
    this.packed = undefined;
    this.idle();
    for (const done of this.waiting.splice(0)) done();
  }

  /** An idle thread does not keep the program running. */
  private idle(): void {
    if (this.asked === '' && this.ones.size === 0) this.thread?.unref();
  }

  private letGo(): void {
    for (const { done } of this.ones.values()) for (const go of done) go();
    this.ones.clear();
    this.rest();
  }

  private hear(told: TideTold): void {
    if (told.kind === 'same') {
      if (this.known) this.known = { ...this.known, facts: this.asked };
      this.rest();
      return;
    }
    this.heard++;
    if (told.kind === 'dog') {
      const { id } = told.tide;
      this.tides.set(id, { from: told.from, tide: told.tide });
      this.newer.set(id, told.tide);
      const waits = this.ones.get(id);
      if (waits && --waits.asked === 0) {
        this.ones.delete(id);
        for (const done of waits.done) done();
      }
      this.idle();
      return;
    }
    const { from, town, tides, effects, learnt, packed } = told;
    this.known = { facts: this.asked, learnt };
    this.town = town;
    // What was learnt one by one before the whole was asked about is in it.
    for (const id of this.asOf) this.newer.delete(id);
    for (const id of this.tides.keys()) if (!this.newer.has(id)) this.tides.delete(id);
    for (const tide of tides) if (!this.newer.has(tide.id)) this.tides.set(tide.id, { from, tide });
    this.effects.clear();
    for (const { id, effect } of effects) this.effects.set(id, effect);
    this.packed = packed;
    this.answered = undefined;
    this.asked = '';
    // What was felt of a coat is taken by what was learnt of it, and its minutes with it: the facts may be others now.
    if (this.make && !this.closed) this.atOnce(this.make).catch(() => this.rest());
    else this.rest();
  }

  private begin(): Worker {
    const thread = threadOf('tide-thread', import.meta.url);
    thread.on('message', (told: TideTold) => this.hear(told));
    // A thread that died says nothing; the next question starts another.
    thread.on('error', () => {
      this.thread = undefined;
      this.letGo();
    });
    return thread;
  }
}
