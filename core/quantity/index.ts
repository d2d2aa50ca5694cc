/** How quantities, days and chance are written down everywhere else. */
export { type Result, ok, err, unreachable } from './result.ts';
export {
  KG_PER_LB,
  G_PER_OZ,
  MM_PER_INCH,
  ML_PER_US_FL_OZ,
  L_PER_US_GALLON,
  kgToLb,
  lbToKg,
  mmToInch,
  inchToMm,
  mlToUsFlOz,
  usFlOzToMl,
  fahrenheitToCelsius,
  celsiusToFahrenheit,
} from './units.ts';
export {
  type Day,
  type CivilDate,
  day,
  dayFromCivil,
  civilFromDay,
  parseDay,
  formatDay,
  addDays,
  isoWeekday,
  wholeYears,
} from './day.ts';
export { type Random, seededRandom, randomInt, pick, randomNormal } from './random.ts';
export { type Source, COMMON_PRACTICE, GUESS, published } from './source.ts';
export { clamp, sum, mean, ceilTo } from './number.ts';
export { mergeByField, type Merge } from './merge.ts';
export { ended } from './ended.ts';
export { kept } from './kept.ts';
export { lnGamma, gammaShare, gammaQuantile } from './gamma.ts';
export { normalShare, normalDensity, normalQuantile } from './normal.ts';
export {
  cholesky,
  inverseLower,
  transposeTimes,
  inverse,
  lowerOnly,
  lowerTimes,
  solveLower,
  solveUpper,
  times,
  product,
  transpose,
  eigen,
} from './linear.ts';
export type { Interval80 } from './interval.ts';
