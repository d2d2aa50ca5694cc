/** What anyone may ask: whether somebody is there, and what can be asked at all. */
import type { Router } from 'express';
import { openApi } from '../../contract/openapi.ts';
import { counter } from '../endpoint.ts';
import type { Kept } from '../facts.ts';

export function metaRoutes(kept: Kept): Router {
  const { router, on } = counter(kept);
  let document: object | undefined;
  on('GET /health', () => ({ json: { ok: true } }));
  on('GET /openapi.json', () => ({ json: (document ??= openApi()) }));
  return router;
}
