/** How a worker thread of ours is started, in the built server and where TypeScript is run as it stands. */
import { Worker } from 'node:worker_threads';

/** A thread does not inherit how the program reads TypeScript. */
const READS_TYPESCRIPT = `import('tsx/esm/api').then(({ register }) => (register(), import(require('node:worker_threads').workerData.program)))`;
/** A file that grows without end in memory ends its thread, not the program. */
const resourceLimits = { maxOldGenerationSizeMb: 1024 } as const;

/** A thread that runs the module of a name beside the module that starts it; `given` is its workerData's `given`. */
export function threadOf(name: string, beside: string, given?: unknown): Worker {
  if (!beside.endsWith('.ts'))
    return new Worker(new URL(`./${name}.js`, beside), { workerData: { given }, resourceLimits });
  const program = new URL(`./${name}.ts`, beside).href;
  return new Worker(READS_TYPESCRIPT, { eval: true, workerData: { program, given }, resourceLimits });
}
