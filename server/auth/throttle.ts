/**
 * How long somebody waits who tries secrets that do not fit. Tries are counted before a secret is looked at, so that many at
 * once count as many; by a clock that cannot be set, and in memory: only who is at the machine can start the program again.
 */
import { LRUCache } from 'lru-cache';
import ipaddr from 'ipaddr.js';

interface Tries {
  readonly failures: number;
  /** Of the steady clock. */
  readonly lastMs: number;
}

/** Tries that cost nothing, and the longest wait. */
const RULES = {
  /** A passphrase tried for an account, from devices that were never signed in to it. */
  account: { free: 5, longestMs: 15 * 60_000 },
  /** Passphrases tried from an address, for whatever account. */
  address: { free: 20, longestMs: 60_000 },
  /** A passphrase tried from a device that was signed in to the account before: nobody elsewhere can keep it out. */
  device: { free: 8, longestMs: 60_000 },
  /** A PIN tried for an account, at whatever tablet. */
  pin: { free: 4, longestMs: 15 * 60_000 },
  /** PINs tried, for whatever account, at tablets that one person opened. */
  opener: { free: 8, longestMs: 15 * 60_000 },
  /** The own passphrase asked once more of whoever is signed in. */
  own: { free: 5, longestMs: 15 * 60_000 },
} as const;
export type Counted = keyof typeof RULES;
/** What a try counts for. */
export type CountedFor = readonly (readonly [kind: Counted, key: string])[];

const FIRST_WAIT_MS = 2_000;
/** Failures older than that are forgotten. */
const FORGOTTEN_MS = 24 * 3_600_000;
/** Keys that are remembered of each kind; anyone who wants to be forgotten must try as many others first. */
const MOST_KEYS = 20_000;

/** Milliseconds that a next try must wait; doubles with each failure beyond the free ones. */
export function waitMs(kind: Counted, { failures, lastMs }: Tries, steadyMs: number): number {
  const { free, longestMs } = RULES[kind];
  const since = steadyMs - lastMs;
  if (failures < free || since > FORGOTTEN_MS) return 0;
  const wait = Math.min(longestMs, FIRST_WAIT_MS * 2 ** Math.min(20, failures - free));
  return Math.max(0, wait - since);
}

export class Throttle {
  private readonly counts = new Map<Counted, LRUCache<string, Tries>>();
  /** The clock of a process: it only goes forward. */
  constructor(private readonly steadyMs: () => number) {}

  private of(kind: Counted): LRUCache<string, Tries> {
    const known = this.counts.get(kind) ?? new LRUCache<string, Tries>({ max: MOST_KEYS });
    this.counts.set(kind, known);
    return known;
  }

  /** Counts a try as one that failed until it has fitted: milliseconds to wait when it comes too soon, and is not counted. */
  begin(counts: CountedFor): number {
    const now = this.steadyMs();
    const wait = Math.max(
      0,
      ...counts.map(([kind, key]) => {
        const tries = this.of(kind).get(key);
        return tries ? waitMs(kind, tries, now) : 0;
      }),
    );
    if (wait > 0) return wait;
    for (const [kind, key] of counts) {
      const before = this.of(kind).get(key);
      const goesOn = before !== undefined && now - before.lastMs <= FORGOTTEN_MS;
      this.of(kind).set(key, { failures: goesOn ? before.failures + 1 : 1, lastMs: now });
    }
    return 0;
  }

  /** The try fitted: what was counted before it is forgotten. An address loses only this one: others try from it, too. */
  fitted(counts: CountedFor): void {
    for (const [kind, key] of counts) {
      const tries = this.of(kind).get(key);
      if (kind === 'address' && tries && tries.failures > 1)
        this.of(kind).set(key, { ...tries, failures: tries.failures - 1 });
      else this.of(kind).delete(key);
    }
  }
}

/** What stands for an address: an IPv6 line is given a whole /64, whose addresses it can change at will (RFC 6177). */
export function addressKey(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  const parsed = ipaddr.process(address);
  if (parsed.kind() === 'ipv4') return parsed.toString();
  return `${ipaddr.IPv6.networkAddressFromCIDR(`${parsed.toString().split('%')[0]}/64`).toString()}/64`;
}
