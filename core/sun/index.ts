/** Decides day length, the driver of the coat's year. */
export { dayLengthHours, solarDeclination } from './day-length.ts';
