/**
 * Decides what the table asks of its devices. A real scale, meter or sensor stands in by answering these questions; the
 * stand-ins that ship with the program do (stand-ins.ts). Readings are pulled: a driver keeps what came since it was
 * last asked. All times are UTC milliseconds of this computer.
 */
import type { LevelReading, ScaleReading } from '../../core/table/index.ts';

/** A bench scale. It sends gross grams as they come; taring and settling are reckoned from them (core/table/scale.ts). */
export interface Scale {
  /** Readings since the last call, oldest first; none while it is off or its cable is out. */
  readings(): readonly ScaleReading[];
}

/** A sound level meter at the ear. */
export interface LevelMeter {
  /** A-weighted levels since the last call, oldest first. */
  readings(): readonly LevelReading[];
}

/** The room's thermometer and hygrometer. */
export interface RoomSensor {
  /** What it says now; undefined while it does not answer. */
  read(): { readonly temperatureC: number; readonly humidityPct: number } | undefined;
}

export interface Devices {
  readonly scale: Scale;
  readonly meter: LevelMeter;
  readonly room: RoomSensor;
}
