/** Whether a hand is on this device: a shared tablet that nobody touches asks for a PIN in a while, with or without a link. */
import { HAND_MS } from '../../contract/door.ts';

const FRESH_MS = 60_000;
/** The salon's computer counts from the last request with a hand: the device is a little more patient, so that both agree. */
const PATIENCE_MS = HAND_MS + FRESH_MS;
/** A clock may be put right by so much. */
const CLOCK_SLACK_MS = 2 * 60_000;
const KEPT_EVERY_MS = 5_000;
const KEY = 'wt-hand';
/** Of the steady clock, and of the device's: the one stands still while a device sleeps, the other can be set. */
let lastMs = -Infinity;
let lastWallMs = NaN;
let keptMs = -Infinity;

/** Kept over a reload by the device's clock: the steady one begins again with each page. */
function touch(): void {
  lastMs = performance.now();
  lastWallMs = Date.now();
  if (lastMs - keptMs < KEPT_EVERY_MS) return;
  keptMs = lastMs;
  try {
    localStorage.setItem(KEY, String(lastWallMs));
  } catch {
    // A locked store: after a reload a PIN is asked for.
  }
}

function keptWallMs(): number {
  try {
    return Number(localStorage.getItem(KEY) ?? NaN);
  } catch {
    return NaN;
  }
}

if (typeof window !== 'undefined')
  for (const event of ['pointerdown', 'keydown'] as const)
    window.addEventListener(event, touch, { capture: true, passive: true });

/** Header of every request of ours: pages of other sites cannot send it. */
export const ours = (): { readonly 'X-Woolly-Tide': 'hand' | 'page' } => ({
  'X-Woolly-Tide': performance.now() - lastMs < FRESH_MS ? 'hand' : 'page',
});

/** Was no hand on this device for too long. A clock that was set back says nothing, so it was. */
export function isIdle(): boolean {
  if (lastMs > -Infinity && performance.now() - lastMs > PATIENCE_MS) return true;
  const since = Date.now() - (lastMs > -Infinity ? lastWallMs : keptWallMs());
  return !(since <= PATIENCE_MS && since >= -CLOCK_SLACK_MS);
}
