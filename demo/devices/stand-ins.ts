/**
 * The simulated devices: a scale whose needle swings in, breathes and creeps; a meter by a dryer; a
 * room. What stands on them is set on their control page. Physics only: what the readings mean is computed elsewhere.
 */
import type { StandInState } from '../../contract/devices.ts';
import { randomNormal, type Random } from '../../core/quantity/index.ts';
import type { LevelReading, ScaleReading } from '../../core/table/index.ts';
import type { StandIns } from '../../server/devices/devices.ts';

const AS_SHIPPED: StandInState = {
  bowl: true,
  hairG: 0,
  dogKg: 0,
  restless: false,
  driftGPerMinute: 0.2,
  scaleOn: true,
  dbA: 62,
  meterOn: true,
  temperatureC: 21,
  humidityPct: 52,
  sensorOn: true,
};

const BOWL_G = 412;
/** The scale sends so often, and its needle comes in with this time constant. */
const SCALE_EVERY_MS = 150;
const SWING_MS = 220;
const NOISE_G = 0.25;
/** A dog that stands breathes; one that fidgets throws its weight about. */
const BREATH_G = 6;
const FIDGET_G = 350;
const METER_EVERY_MS = 500;
const METER_NOISE_DB = 0.8;
/** No more than this is made up for a listener that was away. */
const MOST_BACKLOG_MS = 5_000;
const MS_PER_MINUTE = 60_000;

/** Simulated devices on a clock and a source of chance. */
export function standIns(nowMs: () => number, random: Random): StandIns {
  let state = AS_SHIPPED;
  const beganMs = nowMs();
  let shownG = 0;
  let scaleAtMs = beganMs;
  let meterAtMs = beganMs;

  /** The instants at which a device spoke since it was last asked. */
  const since = (lastMs: number, everyMs: number): readonly number[] => {
    const now = nowMs();
    const from = Math.max(lastMs, now - MOST_BACKLOG_MS);
    const count = Math.max(0, Math.floor((now - from) / everyMs));
    return Array.from({ length: count }, (_, i) => from + (i + 1) * everyMs);
  };

  return {
    state: () => state,
    put: (change) => {
      state = { ...state, ...change };
    },
    scale: {
      readings: () =>
        since(scaleAtMs, SCALE_EVERY_MS).flatMap((atMs): ScaleReading[] => {
          const { bowl, hairG, dogKg, restless, driftGPerMinute, scaleOn } = state;
          scaleAtMs = atMs;
          const load = (bowl ? BOWL_G : 0) + hairG + dogKg * 1000;
          shownG += (load - shownG) * (1 - Math.exp(-SCALE_EVERY_MS / SWING_MS));
          const stir = dogKg > 0 ? (restless ? FIDGET_G : BREATH_G) : NOISE_G;
          const drift = (driftGPerMinute * (atMs - beganMs)) / MS_PER_MINUTE;
          return scaleOn ? [{ atMs, rawG: shownG + drift + randomNormal(random, 0, stir) }] : [];
        }),
    },
    meter: {
      readings: () =>
        since(meterAtMs, METER_EVERY_MS).flatMap((atMs): LevelReading[] => {
          meterAtMs = atMs;
          return state.meterOn ? [{ atMs, dbA: state.dbA + randomNormal(random, 0, METER_NOISE_DB) }] : [];
        }),
    },
    room: {
      read: () => (state.sensorOn ? { temperatureC: state.temperatureC, humidityPct: state.humidityPct } : undefined),
    },
  };
}
