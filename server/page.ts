/**
 * Decides what is sent for an address of the house: a page that holds the first look of its room already, made by the built
 * interface out of the answers that this device would get, or the bare one that makes itself.
 */
import { existsSync } from 'node:fs';
import { readFile, stat } from 'node:fs/promises';
import { get, type IncomingMessage } from 'node:http';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { pathToFileURL } from 'node:url';
import { parseCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import Joi from 'joi';
import type { Logger } from 'pino';
import {
  FACTS_ID,
  MADE_MARK,
  WAYS_COOKIE,
  type DeviceWays,
  type PageAsked,
  type PageMade,
  type PageMaker,
} from '../contract/page.ts';

/** Where a page's own things go in. */
const PLACES = { root: '<html lang="en">', html: '<div id="root"></div>', facts: '<!--facts-->' } as const;

const ways = Joi.object<DeviceWays>({
  kept: Joi.object().pattern(Joi.string().max(60), Joi.string().max(1000)).max(8).required(),
  dark: Joi.boolean().required(),
  contrast: Joi.boolean().required(),
  languages: Joi.array().items(Joi.string().max(35)).min(1).max(6).required(),
});

/** The ways that a device says; of one that says nothing only its languages are known. */
function waysOf(req: Request): DeviceWays {
  try {
    const said = parseCookie(req.get('cookie') ?? '')[WAYS_COOKIE];
    const { value, error } = ways.validate(JSON.parse(said ?? ''), { convert: false });
    if (!error) return value;
  } catch {
    // It said nothing that can be read.
  }
  const languages = req
    .acceptsLanguages()
    .filter((l) => l !== '*')
    .slice(0, 6);
  return { kept: {}, dark: false, contrast: false, languages: languages.length > 0 ? languages : ['en-GB'] };
}

const attribute = ([name, value]: readonly [string, string]): string => ` ${name}="${value.replaceAll('"', '&quot;')}"`;

/** The page with its look and facts in their places; JSON in a page must not end its element. */
function filled(bare: string, { html, facts, asks, root }: PageMade): string {
  const marks = Object.entries({ ...root, [MADE_MARK]: '' })
    .map(attribute)
    .join('');
  const data = `<script type="application/json" id="${FACTS_ID}"${attribute(['data-asks', asks.join(' ')])}>${facts.replaceAll('<', '\\u003c')}</script>`;
  return bare
    .replace(PLACES.root, () => `${PLACES.root.slice(0, -1)}${marks}>`)
    .replace(PLACES.html, () => `<div id="root">${html}</div>`)
    .replace(PLACES.facts, () => data);
}

const isAnswer = (value: unknown): value is object => typeof value === 'object' && value !== null;
const isMaker = (built: unknown): built is PageMaker =>
  isAnswer(built) && 'makePage' in built && typeof built.makePage === 'function';

interface Built {
  readonly bare: string;
  readonly maker: PageMaker | undefined;
}

/** The interface as it stands built, read beforehand; another build since is taken up with the next page. */
function builtIn(webRoot: string, log: Pick<Logger, 'error'>): () => Promise<Built> {
  const index = join(webRoot, 'index.html');
  const maker = join(`${webRoot}.page`, 'page.js');
  const take = async (): Promise<Built> => {
    const bare = await readFile(index, 'utf8');
    if (!existsSync(maker)) return { bare, maker: undefined };
    try {
      const { mtimeMs } = await stat(maker);
      const built: unknown = await import(`${pathToFileURL(maker).href}?${mtimeMs}`);
      if (!isMaker(built)) throw new TypeError(`${maker} makes no pages`);
      return { bare, maker: built };
    } catch (err) {
      log.error({ err }, 'pages make themselves');
      return { bare, maker: undefined };
    }
  };
  let taken: { readonly at: number; readonly built: Promise<Built> } | undefined;
  const built = async (): Promise<Built> => {
    const { mtimeMs } = await stat(index);
    if (taken?.at !== mtimeMs) taken = { at: mtimeMs, built: take() };
    return taken.built;
  };
  built().catch((err: unknown) => log.error({ err }, 'there is no page'));
  return built;
}

/** Headers by which the house knows a device; what it keeps of an earlier page says nothing of an answer. */
const KNOWN_BY = ['cookie', 'host', 'user-agent', 'x-forwarded-proto', 'x-forwarded-host'];

/** Asks this server what the device that asks for a page would ask it; cookies that come with the answer go with the page. */
function answerTo(req: Request, res: Response): PageAsked['answer'] {
  const { localAddress, localPort, remoteAddress = '' } = req.socket;
  const known = KNOWN_BY.flatMap((name) => {
    const value = req.get(name);
    return value === undefined ? [] : [[name, value] as const];
  });
  const headers = {
    ...Object.fromEntries(known),
    'x-forwarded-for': [req.get('x-forwarded-for') ?? [], remoteAddress].flat().join(', '),
    'x-woolly-tide': 'page',
  };
  return async (path) => {
    const given = await new Promise<IncomingMessage>((come, failed) => {
      get({ host: localAddress, port: localPort, path: `/api${path}`, headers }, come).on('error', failed);
    });
    const body = await buffer(given);
    const value: unknown = JSON.parse(body.toString());
    if (given.statusCode !== 200) throw new Error(`${path} was answered with ${given.statusCode}`);
    for (const cookie of given.headers['set-cookie'] ?? []) res.append('Set-Cookie', cookie);
    if (!isAnswer(value)) throw new TypeError(`${path} was answered with no object`);
    return { value, tag: given.headers.etag ?? '', bytes: body.length };
  };
}

/** The house's pages; a device's answers are asked of the server that it asks. */
export function pages(webRoot: string, log: Pick<Logger, 'error'>): RequestHandler {
  const built = builtIn(webRoot, log);
  return async (req, res) => {
    // It holds what only this device may see, now.
    res.setHeader('Cache-Control', 'no-store');
    res.type('html');
    const { bare, maker } = await built();
    try {
      const made = await maker?.makePage({ path: req.originalUrl, ways: waysOf(req), answer: answerTo(req, res) });
      res.send(made ? filled(bare, made) : bare);
    } catch (err) {
      log.error({ err, path: req.path }, 'page not made');
      res.send(bare);
    }
  };
}
