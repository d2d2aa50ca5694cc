/**
 * What comes a moment later. What is not needed for the first look at a room is shown in pieces, each in an idle moment of
 * its own: no piece keeps hands waiting, and what is needed stands sooner.
 */
import { startTransition, useEffect, useState, type ReactNode } from 'react';

/** However busy the page is, a piece waits no longer than this. */
const PATIENCE_MS = 500;

const waiting: (() => void)[] = [];
let called = false;

function showNext(): void {
  const show = waiting.shift();
  if (show) startTransition(show);
  called = false;
  if (waiting.length > 0) callNext();
}

/** Does something when nothing else is to be done. */
function whenIdle(act: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(act, { timeout: PATIENCE_MS });
  else setTimeout(act, 16);
}

function callNext(): void {
  if (called) return;
  called = true;
  whenIdle(showNext);
}

function inTurn(show: () => void): () => void {
  waiting.push(show);
  callNext();
  return () => {
    const at = waiting.indexOf(show);
    if (at >= 0) waiting.splice(at, 1);
  };
}

/** Shows its children in an idle moment; until then what holds their place. */
export function Deferred({ children, instead = null }: { children: ReactNode; instead?: ReactNode }) {
  const [shown, setShown] = useState(false);
  useEffect(() => inTurn(() => setShown(true)), []);
  return shown ? children : instead;
}

/** How many of a list's items stand by now: those of the first look at once, the rest by and by. */
export function useByAndBy(total: number, first: number, more = first): number {
  const [count, setCount] = useState(first);
  useEffect(() => (count < total ? inTurn(() => setCount(count + more)) : undefined), [count, total, more]);
  return Math.min(count, total);
}
