/** /api/tally: what finished sessions have taught. */
import type { Router } from 'express';
import type { TallyPage, TallyRow } from '../../contract/tally.ts';
import { overPromised, type Effects } from '../../core/tally/index.ts';
import { counter } from '../endpoint.ts';
import { taughtBy, type Kept } from '../facts.ts';

/** Levels of a factor, furthest from the plan first. */
const rows = (effects: Effects, factor: string, nameOf = (key: string) => key): readonly TallyRow[] =>
  effects
    .levels(factor)
    .map((key) => ({ key: nameOf(key), estimate: effects.of(factor, key) }))
    .sort((a, b) => b.estimate.ratio - a.estimate.ratio);

export function tallyRoutes(kept: Kept): Router {
  const { router, on } = counter(kept);
  on('GET /tally', () => {
    const taught = taughtBy(kept);
    const names = new Map(kept.stores.dogs.all().map((d) => [d.id, d.name]));
    const page: TallyPage = {
      sessions: taught.sessions,
      pace: {
        overall: taught.pace.overall,
        tools: rows(taught.pace, 'tool'),
        people: rows(taught.pace, 'person'),
        classes: rows(taught.pace, 'class'),
        zones: rows(taught.zonePace, 'zone'),
      },
      yields: {
        overall: taught.yields.overall,
        tools: rows(taught.yields, 'tool'),
        people: rows(taught.personYields, 'person'),
        classes: rows(taught.yields, 'class'),
        zones: rows(taught.zoneYields, 'zone'),
        dogs: rows(taught.yields, 'dog', (id) => names.get(id) ?? id),
      },
      off: overPromised(taught),
    };
    return { json: page };
  });
  return router;
}
