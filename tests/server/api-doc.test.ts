/** The table of the API: docs/api.md shows it, every route stands in it, and nothing is open beside it. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { RequestHandler } from 'express';
import { API } from '../../contract/api.ts';
import { apiTable } from '../../contract/api-table.ts';
import { createApp } from '../../server/app.ts';
import { openDb, stores } from '../../server/db/index.ts';
import { openedByTable } from '../../server/endpoint.ts';
import { outsideAt } from '../demo.ts';
import { NOW } from './room.ts';
import { logInto } from '../log.ts';

interface Layer {
  readonly name: string;
  readonly handle: RequestHandler & { readonly stack?: readonly Layer[] };
  readonly route?: { readonly path: string; readonly stack: readonly (Layer & { readonly method: string })[] };
}

describe('the table of the API', () => {
  it('is what docs/api.md shows (npm run wt -- api prints it)', () => {
    expect(readFileSync('docs/api.md', 'utf8')).to.include(apiTable());
  });

  it('opens every route, and nothing is open beside it', () => {
    const db = openDb(':memory:');
    const app = createApp({ stores: stores(db), nowMs: () => NOW, outside: outsideAt(() => NOW), log: logInto([]) });
    const seen: string[] = [];
    const beside: string[] = [];
    const walk = (stack: readonly Layer[]): void => {
      for (const layer of stack) {
        if (layer.route) {
          for (const h of layer.route.stack) {
            const key = `${h.method.toUpperCase()} ${layer.route.path}`;
            if (openedByTable(h.handle)) seen.push(key);
            else beside.push(key);
          }
        } else if (layer.handle.stack) walk(layer.handle.stack);
      }
    };
    walk((app.router as unknown as { stack: readonly Layer[] }).stack);
    expect([...new Set(seen)].sort()).to.deep.equal(Object.keys(API).sort());
    // The calendar of a home carries its own token, as calendars send no headers.
    expect([...new Set(beside)]).to.deep.equal(['GET /feed/:token.ics']);
    db.close();
  });
});
