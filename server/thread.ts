/** Decides how a thread of ours is started: it does not inherit how the program reads TypeScript. */
import { Worker } from 'node:worker_threads';

const START = `import('tsx/esm/api').then(({ register }) => (register(), import(require('node:worker_threads').workerData.program)))`;

/** A thread that runs one of our modules; `given` is its workerData's `given`. */
export const threadOf = (program: URL, given?: unknown): Worker =>
  new Worker(START, { eval: true, workerData: { program: program.href, given } });
