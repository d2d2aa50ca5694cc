/** All that stands outside the program, simulated. */
import type { Outside } from '../../server/devices/devices.ts';
import type { Random } from '../../core/quantity/index.ts';
import { standIns } from './stand-ins.ts';
import { stationReading } from './weather-station.ts';

/** Devices on a clock and a source of chance (a number from 0 up to 1), and a station that says the same whenever it is asked. */
export const simulatedOutside = (nowMs: () => number, random: Random): Outside => ({
  devices: standIns(nowMs, random),
  station: stationReading,
});
