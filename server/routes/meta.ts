/** What anyone may ask: whether somebody is there, and what can be asked at all. */
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Router } from 'express';
import { openApi } from '../../contract/openapi.ts';
import { apiRouter } from '../endpoint.ts';
import type { ServerContext } from '../context.ts';
import { ok } from '../reply.ts';

/** The build that is served, by the name of the script that starts it; read again when the page was built again. */
function buildIn(webRoot: string | undefined): () => string | null {
  const known: { asOf: number; build: string | null } = { asOf: 0, build: null };
  return () => {
    if (webRoot === undefined) return null;
    try {
      const page = join(webRoot, 'index.html');
      const { mtimeMs } = statSync(page);
      if (mtimeMs !== known.asOf) {
        known.asOf = mtimeMs;
        known.build = /assets\/(main-[\w-]+\.js)/.exec(readFileSync(page, 'utf8'))?.[1] ?? null;
      }
      return known.build;
    } catch {
      return null;
    }
  };
}

export function metaRoutes(context: ServerContext, webRoot: string | undefined): Router {
  const { router, on } = apiRouter(context);
  let document: object | undefined;
  const build = buildIn(webRoot);
  on('GET /health', () => ok({ ok: true, build: build() }));
  on('GET /openapi.json', () => ok((document ??= openApi())));
  return router;
}
