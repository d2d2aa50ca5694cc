/**
 * Memo cache: results that were computed before, each known by the facts it was computed from, so that none is ever stale.
 * All kinds share one bound, by the least recently used; in the app's context, so that two salons never share one.
 */
import { LRUCache } from 'lru-cache';

/** Results of one kind, by a key. */
export class Memo<V> {
  private readonly entries = new Map<string, { readonly facts: string; readonly value: V }>();
  constructor(
    private readonly recency: LRUCache<string, () => void>,
    private readonly name: string,
    private readonly size: number,
  ) {}

  /** The result of a key that was computed from just these facts; computes it otherwise. */
  of(key: string, facts: string, compute: () => V): V {
    const entry = this.entryOf(key, facts);
    return entry ? entry.value : this.put(key, facts, compute());
  }

  /** The same, where it is known already: for results that are computed in steps. */
  known(key: string, facts: string): V | undefined {
    return this.entryOf(key, facts)?.value;
  }

  /** The result that was remembered of a key last, from whatever facts. */
  last(key: string): V | undefined {
    return this.entries.get(key)?.value;
  }

  /** What is remembered of a key from just these facts; asked for, it stays longer. */
  private entryOf(key: string, facts: string) {
    const entry = this.entries.get(key);
    if (entry?.facts !== facts) return undefined;
    this.recency.get(this.name + key);
    return entry;
  }

  /** Remembers a result that was computed beside another. */
  put(key: string, facts: string, value: V): V {
    this.entries.set(key, { facts, value });
    this.recency.set(this.name + key, () => this.entries.delete(key), { size: this.size });
    return value;
  }
}

/** Units of size that are remembered in all; a unit is about 200 bytes. */
const MOST_UNITS = 1_000_000;

export class MemoCache {
  private readonly recency: LRUCache<string, () => void>;
  constructor(most = MOST_UNITS) {
    this.recency = new LRUCache({ maxSize: most, noDisposeOnSet: true, dispose: (forget) => forget() });
  }

  /** A kind of result; one takes so many units of the common bound. */
  kind<V>(name: string, size = 1): Memo<V> {
    return new Memo<V>(this.recency, `${name} `, size);
  }
}
