/** What the devices at the table say together: the weight as it settled, the level over a minute, the room. */
import type { DevicesPage } from '../../contract/devices.ts';
import { heard, meanLevel, NEW_SCALE, scaleView, tared, type LevelReading } from '../../core/table/index.ts';
import type { StandIns } from './devices.ts';

const LEVEL_SPELL_MS = 60_000;
/** A meter that said nothing for so long is off. */
const SILENT_MS = 3_000;

/** Listens to the devices whenever it is asked; remembers the tare and the last minute's levels. */
export class DeviceBench {
  private scale = NEW_SCALE;
  private levels: readonly LevelReading[] = [];
  constructor(
    private readonly devices: StandIns,
    private readonly nowMs: () => number,
  ) {}

  private listen(): void {
    for (const r of this.devices.scale.readings()) this.scale = heard(this.scale, r);
    const from = this.nowMs() - LEVEL_SPELL_MS;
    this.levels = [...this.levels, ...this.devices.meter.readings()].filter((l) => l.atMs >= from);
  }

  view(): DevicesPage {
    this.listen();
    const now = this.nowMs();
    const newest = this.levels.at(-1);
    const live = newest && now - newest.atMs <= SILENT_MS ? newest : undefined;
    return {
      scale: scaleView(this.scale, now),
      dbA: live?.dbA ?? null,
      meanDbA: live ? (meanLevel(this.levels) ?? null) : null,
      air: this.devices.room.read() ?? null,
      standIns: this.devices.state(),
    };
  }

  /** What stands on the scale counts as nothing from here; false while it has not settled. */
  tare(): boolean {
    this.listen();
    const zero = tared(this.scale);
    if (zero) this.scale = zero;
    return zero !== undefined;
  }

  /** Puts something on the simulated devices, or takes it off. */
  put(change: Parameters<StandIns['put']>[0]): void {
    this.listen();
    this.devices.put(change);
  }
}
