/** What the program writes down of itself: faults with what, where and for which request, and what happens at the door; never a secret. */
import type { Logger } from 'pino';

export type Log = Pick<Logger, 'error' | 'info' | 'warn'>;
