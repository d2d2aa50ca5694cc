/** /api/tally: what finished sessions have taught. */
import { setImmediate } from 'node:timers/promises';
import type { Router } from 'express';
import type { TallyLedger, TallyPage, TallyRow } from '../../contract/tally.ts';
import { addDays, day } from '../../core/quantity/index.ts';
import { entryOf, overPromised, YEAR_DAYS, type Effects, type VisitEntry } from '../../core/tally/index.ts';
import { apiRouter } from '../endpoint.ts';
import type { AppContext, ServerContext } from '../context.ts';
import { taughtBy, wallOf } from '../facts.ts';
import { salonOf, todayOf } from '../today.ts';
import { recordOf } from '../services/worked-sessions.ts';
import { ok } from '../reply.ts';

/** Levels of a factor, furthest from the plan first. */
const rows = (effects: Effects, factor: string, nameOf = (key: string) => key): readonly TallyRow[] =>
  effects
    .levels(factor)
    .map((key) => ({ key: nameOf(key), estimate: effects.of(factor, key) }))
    .sort((a, b) => b.estimate.ratio - a.estimate.ratio);

/** Two whole years to compare, and a season before them to see where they came from. */
const LEDGER_DAYS = 2 * YEAR_DAYS + 92;
/** More visits than this no chart shows one by one. */
const MOST_ENTRIES = 12_000;
/** Sessions that are folded before others are answered. */
const AT_ONCE = 25;

/** Entries of the finished sessions of these years, oldest first; what was folded once is not folded again. */
async function entriesOf(context: AppContext, since: number): Promise<readonly VisitEntry[]> {
  const { sessions, dogs } = context.stores;
  const known = new Map(dogs.all().map((d) => [d.id, d]));
  const wall = new Map(wallOf(context).map((t) => [t.id, t.dbA]));
  const found: VisitEntry[] = [];
  for (const [i, line] of sessions.linesSince(since, MOST_ENTRIES).entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await setImmediate();
    const dog = known.get(line.dogId);
    if (!dog) continue;
    const entry = context.memos.entries.of(line.id, `${line.events} ${dog.version}`, () => {
      const s = sessions.find(line.id);
      if (!s) return undefined;
      const record = recordOf(context.stores, s);
      if (record.state !== 'finished') return undefined;
      const { id, method, snapshot } = s;
      return entryOf({ id, day: day(s.day), dog, method, plan: snapshot.plan, record, dbAOf: (t) => wall.get(t.id) });
    });
    if (entry) found.push(entry);
  }
  return found.reverse();
}

export function tallyRoutes(context: ServerContext): Router {
  const { router, on } = apiRouter(context);
  on('GET /tally', () => {
    const taught = taughtBy(context);
    const names = new Map(context.stores.dogs.all().map((d) => [d.id, d.name]));
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
    return ok(page);
  });
  on('GET /tally/ledger', async () => {
    const salon = salonOf(context);
    const today = todayOf(context, salon);
    const since = addDays(today, -LEDGER_DAYS);
    const page: TallyLedger = {
      today,
      currency: salon.house.rates.currency,
      entries: await entriesOf(context, since),
      moves: context.stores.products.moves().filter((m) => m.day >= since),
      home: context.stores.home.minutesSince(since),
    };
    return ok(page);
  });
  return router;
}
