/**
 * What the door remembers while the program runs, by a clock that cannot be set: tries, hands on shared tablets, and who has
 * shown their passphrase a moment ago.
 */
import { LRUCache } from 'lru-cache';
import { HAND_MS } from '../../contract/door.ts';
import { DailyLimits } from './daily-limits.ts';
import { Places } from './places.ts';
import { Throttle } from './throttle.ts';

const MINUTE = 60_000;
/** An owner's act asks for the passphrase again after that. */
const CONFIRMED_MS = 10 * MINUTE;
const MOST_DEVICES = 5_000;
/** Secrets derived at once. Devices that were here before have places of their own, whatever others do. */
const PLACES = { known: [2, 40], unknown: [2, 14] } as const;

export interface DoorOptions {
  /** Milliseconds of a clock that only goes forward. */
  readonly steadyMs?: () => number;
  /** A proxy stands before the program: nothing that reaches it was made on this machine. */
  readonly behindProxy?: boolean;
}

export class DoorState {
  readonly throttle: Throttle;
  readonly behindProxy: boolean;
  readonly links = new DailyLimits();
  readonly places = { known: new Places(...PLACES.known), unknown: new Places(...PLACES.unknown) };
  private readonly steadyMs: () => number;
  private readonly hands = new LRUCache<string, number>({ max: MOST_DEVICES });
  private readonly confirmed = new LRUCache<string, number>({ max: MOST_DEVICES });

  constructor({ steadyMs = () => performance.now(), behindProxy = false }: DoorOptions = {}) {
    this.steadyMs = steadyMs;
    this.behindProxy = behindProxy;
    this.throttle = new Throttle(steadyMs);
  }

  /** A hand was on a device just now. */
  hand(signInId: string): void {
    this.hands.set(signInId, this.steadyMs());
  }
  /** Was no hand on a device for too long, as far as this process has seen. */
  handGone(signInId: string): boolean {
    const last = this.hands.get(signInId);
    return last !== undefined && this.steadyMs() - last > HAND_MS;
  }

  /** The person who is signed in on a device has shown their passphrase just now. */
  confirm(signInId: string): void {
    this.confirmed.set(signInId, this.steadyMs());
  }
  /** Somebody else is there, or the person who was has left. */
  unconfirm(signInId: string): void {
    this.confirmed.delete(signInId);
  }
  isConfirmed(signInId: string): boolean {
    const last = this.confirmed.get(signInId);
    return last !== undefined && this.steadyMs() - last <= CONFIRMED_MS;
  }
}
