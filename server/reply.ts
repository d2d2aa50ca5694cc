/** What a handler replies with, a kind each: how it is sent is said once, in endpoint.ts. */
import { Problem } from './problem.ts';

/** JSON; or the text of it where that is written already. Cookies are ready for the header. */
export type JsonReplyOf<T> =
  | {
      readonly kind: 'json' | 'created' | 'accepted';
      readonly value: T;
      readonly cookies?: readonly string[];
    }
  | { readonly kind: 'written'; readonly text: string };
/** A file: as text or bytes that are at hand, or by its place on the disk. */
export type FileReplyOf =
  | { readonly kind: 'text'; readonly type: string; readonly fileName: string; readonly body: string }
  | { readonly kind: 'bytes'; readonly type: string; readonly body: Buffer }
  | { readonly kind: 'file'; readonly type: string; readonly fileName: string; readonly path: string };
export type Reply = JsonReplyOf<unknown> | FileReplyOf;

export const ok = <T>(value: T, cookies: readonly string[] = []): JsonReplyOf<T> => ({ kind: 'json', value, cookies });
export const created = <T>(value: T, cookies: readonly string[] = []): JsonReplyOf<T> => ({
  kind: 'created',
  value,
  cookies,
});
/** It is worked on, and asked about later. */
export const accepted = <T>(value: T): JsonReplyOf<T> => ({ kind: 'accepted', value });
export const written = (text: string): JsonReplyOf<never> => ({ kind: 'written', text });
export const bytes = (type: string, body: Buffer): FileReplyOf => ({ kind: 'bytes', type, body });
export const text = (type: string, fileName: string, body: string): FileReplyOf => ({
  kind: 'text',
  type,
  fileName,
  body,
});
export const file = (type: string, fileName: string, path: string): FileReplyOf => ({
  kind: 'file',
  type,
  fileName,
  path,
});

interface Once<T> {
  /** What it is, and the id that it was given where it was made. */
  readonly what: string;
  readonly id: string;
  /** What already goes by that id. */
  readonly there: T | undefined;
  /** Is it the same thing; left out: whatever goes by the id is. */
  readonly isSame?: (there: T) => boolean;
  /** The refusal of another thing under a used id, where it is not the usual 409. */
  readonly refusal?: () => Problem;
}

/**
 * Makes a thing once by its id: sent again, it is answered as it stands and nothing is written, so that a message whose answer
 * was lost can be sent again. Another thing under a used id is refused.
 */
export function createOnce<T, R>(
  { what, id, there, isSame = () => true, refusal }: Once<T>,
  make: () => void,
  value: () => R,
): JsonReplyOf<R> {
  if (there === undefined) {
    make();
    return created(value());
  }
  if (isSame(there)) return ok(value());
  throw refusal ? refusal() : new Problem(409, 'id', `The ${what} id "${id}" is taken. Make a new id.`);
}
