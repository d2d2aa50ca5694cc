/** Decides what a route is: a function from a request and its actor to a reply, errors in one shape. */
import type { RequestHandler, Response } from 'express';
import type { ApiError } from '../contract/common.ts';

/** Who asks. Until sign-in exists everyone is the salon's owner. */
export interface Actor {
  readonly role: 'owner';
  readonly id: string;
}

export interface Ask {
  readonly actor: Actor;
  readonly params: Readonly<Record<string, string>>;
  /** Query keys that were given once, as text. */
  readonly query: Readonly<Record<string, string | undefined>>;
  readonly body: unknown;
  /** The owner's link a page was opened with, as it was sent. */
  readonly homeLink: string | undefined;
}

export interface Reply {
  readonly status?: number;
  readonly json?: unknown;
  readonly bytes?: { readonly type: string; readonly body: Buffer };
  readonly text?: { readonly type: string; readonly fileName: string; readonly body: string };
}

const OWNER: Actor = { role: 'owner', id: 'owner' };

const textParams = (params: Record<string, string | string[]>): Record<string, string> =>
  Object.fromEntries(Object.entries(params).map(([k, v]) => [k, String(v)]));

const onceOnly = (query: Readonly<Record<string, unknown>>): Record<string, string | undefined> =>
  Object.fromEntries(Object.entries(query).flatMap(([k, v]) => (typeof v === 'string' ? [[k, v]] : [])));

/** An Express handler around a plain function. */
export const endpoint =
  (handle: (ask: Ask) => Reply | Promise<Reply>): RequestHandler =>
  (req, res) => {
    const reply = handle({
      actor: OWNER,
      params: textParams(req.params),
      query: onceOnly(req.query),
      body: req.body,
      homeLink: req.get('x-home-link'),
    });
    if (reply instanceof Promise) return reply.then((r) => send(res, r));
    send(res, reply);
  };

function send(res: Response, reply: Reply): void {
  res.status(reply.status ?? 200);
  if (reply.text) {
    res.type(reply.text.type).setHeader('Content-Disposition', `attachment; filename="${reply.text.fileName}"`);
    res.send(reply.text.body);
  } else if (reply.bytes) {
    // What an id names never changes.
    res.type(reply.bytes.type).setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    res.send(reply.bytes.body);
  } else res.json(reply.json ?? {});
}

/** The one shape of an error. */
export const apiError = (field: string | null, message: string, more: object = {}): ApiError => ({
  error: { field, message, ...more },
});
