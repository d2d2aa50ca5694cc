/** The salon's clock as this device knows it: how far its own is behind, from readings that were asked for and are kept here. */
import { clockOffset, stampMs, type ClockOffset, type ClockReading } from '../../core/table/index.ts';
import { api } from './client.ts';
import { keepClock, keptClock } from './kept.ts';

/** A clock that was asked so long ago is asked again before anything is sent. */
const ASK_AGAIN_MS = 60_000;

export class SalonClock {
  private readings: readonly ClockReading[] = [];
  private askedMs = 0;
  offset: ClockOffset = clockOffset([]);

  /** Reads what this device keeps. Throws where it keeps nothing. */
  async open(): Promise<void> {
    this.readings = await keptClock();
    this.offset = clockOffset(this.readings);
  }

  /** Asks the salon's clock. Throws where no answer comes. */
  async ask(): Promise<void> {
    const sentMs = Date.now();
    const { nowMs } = await api.get('/clock');
    const reading = { sentMs, salonMs: nowMs, backMs: Date.now() };
    this.askedMs = reading.backMs;
    this.readings = [...this.readings, reading];
    void keepClock(this.readings)
      .then((kept) => (this.readings = kept))
      .catch(() => undefined);
    this.offset = clockOffset(this.readings);
  }

  isOld(): boolean {
    return Date.now() - this.askedMs > ASK_AGAIN_MS;
  }

  /** The salon's time, as well as this device knows it. */
  nowMs(): number {
    return Math.round(Date.now() + this.offset.aheadMs);
  }

  /** The stamp of an act that is done now, after one that bears another stamp. */
  stamp(afterMs: number): number {
    return stampMs(Date.now(), this.offset, afterMs);
  }
}
