/** How what happens here reaches pages that watch: server-sent events, by subject. */
import type { Response } from 'express';
import { Problem } from './problem.ts';

/** A comment line so often keeps proxies from thinking that nobody is there. */
const PING_MS = 15_000;
/** Streams of one device: a browser opens one for each page that watches. */
const MOST_OF_A_DEVICE = 24;

/** Who watches, and whether they still may. */
export interface Watcher {
  readonly device: string;
  readonly may: () => boolean;
}
const ANYBODY: Watcher = { device: '', may: () => true };

export class Live {
  private readonly watchers = new Map<string, Map<Response, Watcher>>();
  private readonly pings: NodeJS.Timeout;
  constructor() {
    this.pings = setInterval(() => {
      for (const list of this.watchers.values())
        for (const [res, { may }] of list) {
          // The person who was signed out meanwhile, or whose tablet waits for a PIN, sees no more of it.
          if (may()) res.write(': here\n\n');
          else res.end();
        }
    }, PING_MS);
    this.pings.unref();
  }

  /** Is anybody watching a subject. */
  watched(subject: string): boolean {
    return (this.watchers.get(subject)?.size ?? 0) > 0;
  }

  /** Says something to everybody who watches a subject. */
  say(subject: string, message: unknown): void {
    const text = `data: ${JSON.stringify(message)}\n\n`;
    for (const [res, { may }] of this.watchers.get(subject) ?? [])
      if (may()) res.write(text);
      else res.end();
  }

  private streamsOf(device: string): number {
    let n = 0;
    for (const list of this.watchers.values()) for (const w of list.values()) if (w.device === device) n++;
    return n;
  }

  /** Streams a subject: first what stands now, then all that is said, as long as the watcher may. 429 beyond some dozens. */
  stream(
    res: Response,
    { subject, first }: { readonly subject: string; readonly first: unknown },
    watcher: Watcher = ANYBODY,
  ): void {
    if (watcher.device !== '' && this.streamsOf(watcher.device) >= MOST_OF_A_DEVICE)
      throw new Problem(429, null, 'This device watches too much at once. Close some of its pages, and try again.');
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // No proxy may hold it back, nor the compression that other answers get.
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.write(`retry: 1500\ndata: ${JSON.stringify(first)}\n\n`);
    const list = this.watchers.get(subject) ?? new Map<Response, Watcher>();
    this.watchers.set(subject, list.set(res, watcher));
    res.on('close', () => {
      list.delete(res);
      if (list.size === 0) this.watchers.delete(subject);
    });
  }

  /** Ends every stream, so that the server can close. */
  close(): void {
    clearInterval(this.pings);
    for (const list of this.watchers.values()) for (const res of list.keys()) res.end();
  }
}
