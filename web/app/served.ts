/** What a page that was made by the salon's computer was told of itself, and where in the page that stands. */
import type { DehydratedState } from '@tanstack/react-query';
import { FACTS_ID, MADE_MARK } from '../../contract/page.ts';
import type { Told } from './on-device.ts';

export interface ServedFacts {
  /** Answers that the page is made of. */
  readonly mind: DehydratedState;
  /** What it was told of the device. */
  readonly told: Told;
  /** Answers that it is made of but does not hold, by the tags they had. */
  readonly beside: readonly { readonly path: string; readonly tag: string }[];
}

const factsElement = (): HTMLElement | null => document.getElementById(FACTS_ID);

/** Known from the page's first line on. */
export const isServed = (): boolean => document.documentElement.hasAttribute(MADE_MARK);
/** Paths of the API whose answers the page is made of, but does not hold. */
export const askedBeside = (): readonly string[] =>
  factsElement()
    ?.dataset['asks']?.split(' ')
    .filter((path) => path !== '') ?? [];

/** Those facts; undefined in a page that makes itself. */
export function servedFacts(): ServedFacts | undefined {
  const text = factsElement()?.textContent;
  if (!text) return undefined;
  const facts: ServedFacts = JSON.parse(text);
  return facts;
}
