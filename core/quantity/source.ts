/** Where a figure or rule of the trade comes from; every row of a trade table carries one. */
export type Source =
  | { readonly kind: 'published'; readonly where: string }
  | { readonly kind: 'common-practice' }
  | { readonly kind: 'guess' };

export const COMMON_PRACTICE: Source = { kind: 'common-practice' };
/** A starting value from memory or judgement, to be replaced by what the salon logs. */
export const GUESS: Source = { kind: 'guess' };
export const published = (where: string): Source => ({ kind: 'published', where });
