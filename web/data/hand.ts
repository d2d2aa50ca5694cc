/** Decides whether a hand is on this device: a shared tablet that nobody touches asks for a PIN in a while. */

const FRESH_MS = 60_000;
let lastMs = -Infinity;

if (typeof window !== 'undefined')
  for (const event of ['pointerdown', 'keydown'] as const)
    window.addEventListener(event, () => (lastMs = performance.now()), { capture: true, passive: true });

/** Header of every request of ours: pages of other sites cannot send it. */
export const ours = (): { readonly 'X-Woolly-Tide': 'hand' | 'page' } => ({
  'X-Woolly-Tide': performance.now() - lastMs < FRESH_MS ? 'hand' : 'page',
});
