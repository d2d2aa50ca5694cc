/** Decides how what happens here reaches pages that watch: server-sent events, by subject. */
import type { Response } from 'express';

/** A comment line so often keeps proxies from thinking that nobody is there. */
const PING_MS = 15_000;

export class Live {
  private readonly watchers = new Map<string, Map<Response, () => boolean>>();
  private readonly pings: NodeJS.Timeout;
  constructor() {
    this.pings = setInterval(() => {
      for (const list of this.watchers.values())
        for (const [res, may] of list) {
          // Whoever was signed out meanwhile sees no more of it.
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
    for (const [res, may] of this.watchers.get(subject) ?? []) if (may()) res.write(text);
  }

  /** Streams a subject: first what stands now, then all that is said, as long as the watcher may. */
  stream(
    res: Response,
    { subject, first }: { readonly subject: string; readonly first: unknown },
    may: () => boolean = () => true,
  ): void {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // No proxy may hold it back, nor the compression that other answers get.
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.write(`retry: 1500\ndata: ${JSON.stringify(first)}\n\n`);
    const list = this.watchers.get(subject) ?? new Map<Response, () => boolean>();
    this.watchers.set(subject, list.set(res, may));
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
