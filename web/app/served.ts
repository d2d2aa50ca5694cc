/** What a page that was made by the salon's computer was told of itself, and where in the page that stands. */
import type { DehydratedState } from '@tanstack/react-query';
import { FACTS_ID, STYLE_MARK } from '../../contract/page.ts';
import type { Told } from './on-device.ts';

export interface ServedFacts {
  /** Answers that the page is made of. */
  readonly mind: DehydratedState;
  /** What it was told of the device. */
  readonly told: Told;
}

const factsText = (): string | null | undefined => document.getElementById(FACTS_ID)?.textContent;

export const isServed = (): boolean => Boolean(factsText());

/** Those facts; undefined in a page that makes itself. */
export function servedFacts(): ServedFacts | undefined {
  const text = factsText();
  if (!text) return undefined;
  const facts: ServedFacts = JSON.parse(text);
  return facts;
}

/** Sets the places that were reckoned where the page was made. */
export function setStyles(): void {
  for (const placed of document.querySelectorAll<HTMLElement | SVGElement>(`[${STYLE_MARK}]`)) {
    placed.style.cssText = placed.getAttribute(STYLE_MARK) ?? '';
    placed.removeAttribute(STYLE_MARK);
  }
}
