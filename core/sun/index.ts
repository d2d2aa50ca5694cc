/** Decides day length, the driver of the coat's year. */
export { dayLengthHours } from './day-length.ts';
