/** Decides where visits fit in the salon's day. */
export { type Span, busiest, freeStarts } from './slots.ts';
