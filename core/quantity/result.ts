/**
 * How core answers when a caller's data may be unfit: a tagged value for expected failures.
 * Broken preconditions (a caller's bug) throw RangeError or TypeError instead.
 */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value });
export const err = <E>(error: E): Result<never, E> => ({ ok: false, error });

/** Marks a switch as complete: a new alternative that nobody handles fails the type check here. */
export function unreachable(value: never): never {
  throw new TypeError(`unhandled alternative: ${JSON.stringify(value)}`);
}
