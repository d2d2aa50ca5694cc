/** Devices at the table: what scale, sound meter and room sensor say, and what is put on their stand-ins. */
import Joi from 'joi';
import type { ScaleView } from '../core/table/index.ts';

/** What stands on and around the simulated devices. */
export interface StandInState {
  /** A bowl stands on the pan. */
  readonly bowl: boolean;
  /** Hair on it, grams. */
  readonly hairG: number;
  /** A dog on it, kilograms; 0 for none. */
  readonly dogKg: number;
  /** It shifts its weight. */
  readonly restless: boolean;
  /** Drift of the scale, grams a minute. */
  readonly driftGPerMinute: number;
  readonly scaleOn: boolean;
  /** Level at the ear, dB(A). */
  readonly dbA: number;
  readonly meterOn: boolean;
  readonly temperatureC: number;
  readonly humidityPct: number;
  readonly sensorOn: boolean;
}

export interface DevicesPage {
  readonly scale: ScaleView;
  /** Newest level and the mean of the last minute, dB(A); null while the meter is silent. */
  readonly dbA: number | null;
  readonly meanDbA: number | null;
  readonly air: { readonly temperatureC: number; readonly humidityPct: number } | null;
  readonly standIns: StandInState;
}

export type StandInChange = Partial<StandInState>;
export const standInSchema: Joi.ObjectSchema<StandInChange> = Joi.object<StandInChange>({
  bowl: Joi.boolean(),
  hairG: Joi.number().min(0).max(20_000),
  dogKg: Joi.number().min(0).max(150),
  restless: Joi.boolean(),
  driftGPerMinute: Joi.number().min(-60).max(60),
  scaleOn: Joi.boolean(),
  dbA: Joi.number().min(20).max(130),
  meterOn: Joi.boolean(),
  temperatureC: Joi.number().min(-20).max(50),
  humidityPct: Joi.number().min(5).max(100),
  sensorOn: Joi.boolean(),
})
  .min(1)
  .label('stand-ins');
