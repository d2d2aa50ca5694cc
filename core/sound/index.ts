/** How long a person may stand beside what is loud. */
export {
  NOISE_RULES,
  NOISE_ROWS,
  EU_ACTION,
  PROTECTORS,
  type NoiseRule,
  type NoiseRuleId,
  type Exposure,
  type Protector,
  noiseRule,
  allowedMinutes,
  noiseDose,
  dayLevelDbA,
  minutesLeft,
  protectedDbA,
} from './dose.ts';
