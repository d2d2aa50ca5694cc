/** How a worker thread of ours is started: a thread does not inherit how the program reads TypeScript. */
import { Worker } from 'node:worker_threads';

const START = `import('tsx/esm/api').then(({ register }) => (register(), import(require('node:worker_threads').workerData.program)))`;
/** A file that grows without end in memory ends its thread, not the program. */
const MEMORY = { maxOldGenerationSizeMb: 1024 } as const;

/** A thread that runs one of our modules; `given` is its workerData's `given`. */
export const threadOf = (program: URL, given?: unknown): Worker =>
  new Worker(START, { eval: true, workerData: { program: program.href, given }, resourceLimits: MEMORY });
