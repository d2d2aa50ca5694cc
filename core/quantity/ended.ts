/** How work that is done in steps is run to its end by who does not look at the steps. */

/** What the steps come to. */
export function ended<T>(steps: Iterator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
