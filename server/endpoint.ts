/** What a route is: a row of the API's table and a function from who asks what to a reply. No route without a row. */
import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import {
  API,
  type ApiKey,
  type ApiRow,
  type BodyOf,
  type FileReply,
  type JsonOf,
  type JsonReply,
  type KeyOf,
  type ParamsOf,
  type ReplyKind,
  type ReplyOf,
  type WhoOf,
} from '../contract/api.ts';
import type { ApiError } from '../contract/common.ts';
import type { HomeLink } from '../contract/home.ts';
import { acting, type Actor } from './auth/acting.ts';
import { guestAt, mayGoOn, mustBeOurPage, type Guarded, type Guest, type Origin } from './auth/guard.ts';
import { parsed, Problem } from './problem.ts';
import type { Live } from './live.ts';
import type { FileReplyOf, JsonReplyOf, Reply } from './reply.ts';

export interface Ask<K extends ApiKey = ApiKey> {
  readonly actor: Actor;
  readonly origin: Origin;
  readonly params: ParamsOf<K>;
  /** Query keys that were given once, as text. */
  readonly query: Readonly<Record<string, string | undefined>>;
  readonly body: BodyOf<K>;
  /** The owner's link that opened a route for links. */
  readonly link: WhoOf<K> extends 'link' ? HomeLink & { readonly token: string } : undefined;
}

/** What a handler hands back: of the kind and type that its row promises. */
export type AnswerOf<Promised extends ReplyKind> = Promised extends FileReply
  ? FileReplyOf
  : Promised extends JsonReply<infer T>
    ? JsonReplyOf<T>
    : never;

/** Largest body a request may carry, where its row names no other. */
const BODY_LIMIT = 1_048_576;

type Handler<K extends ApiKey> = (ask: Ask<K>) => AnswerOf<ReplyOf<K>> | Promise<AnswerOf<ReplyOf<K>>>;
type Watch<K extends ApiKey> = (ask: Ask<K>) => { readonly subject: string; readonly first: JsonOf<K> };

/** A router and the one way to open routes on it. */
export interface ApiRouter {
  readonly router: Router;
  readonly on: <K extends ApiKey>(key: K, handle: Handler<K>) => void;
  /** A route that streams a subject, first what stands now. */
  readonly stream: <K extends KeyOf<'GET'>>(key: K, live: Live, of: Watch<K>) => void;
}

/** Handlers that the table opened: what else stands on a router came past it. */
const OPENED = new WeakSet<RequestHandler>();
/** Did the table open this handler. */
export const openedByTable = (handler: RequestHandler): boolean => OPENED.has(handler);

const onceOnly = (query: Readonly<Record<string, unknown>>): Record<string, string | undefined> =>
  Object.fromEntries(Object.entries(query).flatMap(([k, v]) => (typeof v === 'string' ? [[k, v]] : [])));

/** The body as its row wants it; a 4xx otherwise. */
function bodyOf(row: ApiRow, body: unknown): unknown {
  if (row.jpeg) {
    if (body instanceof Uint8Array && body.length > 0) return body;
    throw new Problem(415, null, 'A photo is sent as the bytes of a JPEG file, with Content-Type: image/jpeg.');
  }
  return row.body ? parsed(row.body, body) : undefined;
}

/** What a handler is asked; the guard has let the request in. */
function askOf<K extends ApiKey>(row: ApiRow, req: Request, guest: Guest): Ask<K> {
  const ask: unknown = {
    ...guest,
    params: Object.fromEntries(Object.entries(req.params).map(([k, v]) => [k, String(v)])),
    query: onceOnly(req.query),
    body: bodyOf(row, req.body),
  };
  if (!isAskOf<K>(ask)) throw new TypeError('a request is no request');
  return ask;
}
// The row typed the key, the path the parameters, the schema the body: what is left is to say so.
const isAskOf = <K extends ApiKey>(ask: unknown): ask is Ask<K> => typeof ask === 'object' && ask !== null;

/** A router on which routes are opened: each is guarded by its row before its body is read. */
export function apiRouter(guarded: Guarded): ApiRouter {
  const router = Router();
  const open = <K extends ApiKey>(
    key: K,
    answer: (ask: Ask<K>, req: Request, res: Response) => void | Promise<void>,
  ) => {
    const row: ApiRow = API[key];
    const [method = '', path = ''] = key.split(' ');
    const letIn: RequestHandler = (req, res, next) => {
      if (method !== 'GET') mustBeOurPage(req);
      res.locals.guest = guestAt(guarded, row, req, res);
      next();
    };
    const limit = row.limit ?? BODY_LIMIT;
    const read: RequestHandler = row.jpeg
      ? express.raw({ type: 'image/jpeg', limit })
      : row.body
        ? express.json({ limit, strict: false })
        : (_req, _res, next) => next();
    const handle: RequestHandler = (req, res) => {
      const guest = guestOf(res);
      if (!guest) throw new TypeError('a request came past its guard');
      return acting.run(guest.actor, () => answer(askOf<K>(row, req, guest), req, res));
    };
    for (const h of [letIn, read, handle]) OPENED.add(h);
    const at = { GET: 'get', POST: 'post', PUT: 'put', DELETE: 'delete' } as const;
    if (!isMethod(method)) throw new TypeError(`${key} names no method`);
    router[at[method]](path, letIn, read, handle);
  };
  return {
    router,
    on: (key, handle) =>
      open(key, (ask, _req, res) => {
        const say = (reply: Reply): void => send(res, shownTo(ask.actor, reply));
        const reply = handle(ask);
        if (reply instanceof Promise) return reply.then(say);
        say(reply);
      }),
    stream: (key, live, of) =>
      open(key, (ask, _req, res) => {
        const id = ask.origin.signedIn?.row.id ?? '';
        live.stream(res, of(ask), { device: id, may: () => id === '' || mayGoOn(guarded, id) });
      }),
  };
}

const isMethod = (text: string): text is 'GET' | 'POST' | 'PUT' | 'DELETE' => /^(GET|POST|PUT|DELETE)$/.test(text);

/** Who asks, once the guard has let them in. */
export function guestOf(res: Response): Guest | undefined {
  const guest: Guest | undefined = res.locals.guest;
  return guest;
}

/** How an owner is reached: nothing that a bather needs at the tub. */
const REACHES = new Set(['phone', 'email']);
const withoutReaches = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(withoutReaches);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, v]) => [key, REACHES.has(key) && typeof v === 'string' ? '' : withoutReaches(v)]),
  );
};
/** A reply as its role may see it: a bather sees no phone numbers and no mail addresses. */
const shownTo = (actor: Actor, reply: Reply): Reply =>
  actor.role === 'bather' && 'value' in reply ? { ...reply, value: withoutReaches(reply.value) } : reply;

const STATUS = { json: 200, created: 201, accepted: 202 } as const;
const attached = (fileName: string): string => `attachment; filename="${fileName}"`;

function send(res: Response, reply: Reply): void {
  // What is said to one person is kept by nothing between, nor on the device for whoever uses it next.
  res.setHeader('Cache-Control', 'private, no-store');
  switch (reply.kind) {
    case 'text':
      res.type(reply.type).setHeader('Content-Disposition', attached(reply.fileName));
      res.send(reply.body);
      break;
    case 'file':
      res.type(reply.type).setHeader('Content-Disposition', attached(reply.fileName));
      res.sendFile(reply.path);
      break;
    case 'bytes':
      res.type(reply.type).send(reply.body);
      break;
    case 'written':
      res.type('json').send(reply.text);
      break;
    default:
      for (const cookie of reply.cookies ?? []) res.append('Set-Cookie', cookie);
      res.status(STATUS[reply.kind]).json(reply.value);
  }
}

/** The one shape of an error. */
export const apiError = (field: string | null, message: string, more: object = {}): ApiError => ({
  error: { field, message, ...more },
});
