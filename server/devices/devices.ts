/**
 * What the table and the tide ask of devices and services outside. A real scale, meter, sensor or weather station stands in
 * by answering these questions; the simulated ones of demo/devices do, until one is wired. Readings are pulled: a driver
 * keeps what came since it was last asked. All times are UTC milliseconds of this computer.
 */
import type { StandInChange, StandInState } from '../../contract/devices.ts';
import type { Day } from '../../core/quantity/index.ts';
import type { LevelReading, ScaleReading } from '../../core/table/index.ts';
import type { Place, Reading } from '../../core/tide/index.ts';

/** A bench scale. It sends gross grams as they come; taring and settling are computed from them (core/table/scale.ts). */
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

/** Devices that are simulated, with what is put on them. */
export interface StandIns extends Devices {
  readonly state: () => StandInState;
  readonly put: (change: StandInChange) => void;
}

/** What stands outside the program: the devices at the table, and the weather station's mean temperature of a past day. */
export interface Outside {
  readonly devices: StandIns;
  readonly station: (place: Place, on: Day) => Reading;
}
