/** The thread of the worker queue: says that it is ready, then does one job after the other. */
import { parentPort } from 'node:worker_threads';
import { answered, type JobName } from './jobs.ts';

parentPort?.on('message', ({ name, given }: { readonly name: JobName; readonly given: never }) =>
  parentPort?.postMessage(answered(name, given)),
);
parentPort?.postMessage('ready');
