/** Keeps answers that were asked for before anybody was there to come for them, each for one who asks soon. */
import { ours } from './hand.ts';

/** An answer that nobody came for by then is old. */
const FRESH_MS = 10_000;

const asked = new Map<string, Promise<Response>>();
const tags = new Map<string, string>();

export function ask(path: string): void {
  const answer = fetch(`/api${path}`, { headers: ours() });
  // Whoever comes for it hears what is wrong; that nobody does is no fault.
  answer.then(
    ({ headers }) => tags.set(path, headers.get('etag') ?? ''),
    () => undefined,
  );
  asked.set(path, answer);
  setTimeout(() => asked.delete(path), FRESH_MS);
}

/** The answer to a question that was asked early, once; a device that wrote since wants a new one. */
export function askedEarly(path: string): Promise<Response> | undefined {
  const answer = asked.get(path);
  asked.delete(path);
  return answer;
}

/** May the answer that came to an early question be the one of this tag; one that says no tag may be any. */
export function mayBe(path: string, tag: string): boolean {
  const came = tags.get(path);
  return came === tag || came === '';
}

/** What was asked before a write is not what stands after it. */
export const forgetAsked = (): void => asked.clear();
