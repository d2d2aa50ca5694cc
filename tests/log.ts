/** A log for a server under test: each fault becomes a line of a list, with its stack; the rest goes nowhere. */
import type { Log } from '../server/log.ts';

const said = (fault: unknown): string => {
  const err = typeof fault === 'object' && fault !== null && 'err' in fault ? fault.err : fault;
  return `${err instanceof Error ? err.stack : ''} ${JSON.stringify(fault)}`;
};

export const logInto = (faults: unknown[]): Log => ({
  error: (fault: unknown) => void faults.push(said(fault)),
  info: () => undefined,
  warn: () => undefined,
});
