/**
 * The plan for a dog. A request goes through the bench in one line:
 *
 *   worksite.ts   the coat as found, and what is done about its ties
 *   layout.ts     a method laid out on it: phases, pieces, zones
 *   allot/        minutes of hands for every zone in every step
 *   simulate.ts   the script worked, step by step
 *   visit.ts      kept to what the dog bears, in one visit or several
 *   measure.ts    what it comes to
 *   compare.ts    which method is recommended, and why
 */
import { coatRow } from '../dog/index.ts';
import { stopsOf, zoneConditions, type Stops } from '../check/index.ts';
import type { Coat } from './coat.ts';
import { betterOn, fieldOf, score } from './compare.ts';
import { looseBand } from './doubt.ts';
import { measure, type Measured } from './measure.ts';
import { METHODS, type Method, type MethodId } from './methods.ts';
import { notesOn } from './notes.ts';
import type { Instead, MethodOutcome, MethodRuling, Plan } from './plan.ts';
import type { PlanRequest } from './request.ts';
import { isClean } from './rulings.ts';
import { visitsOf } from './visit.ts';
import { worksite, type Worksite } from './worksite.ts';

/**
 * The plan for a dog, from its check, the kit and the house's rules. Pure: same facts, same plan. only: methods to try,
 * all where nobody says.
 * Throws RangeError when check.weightKg is not above 0.
 */
export function planVisit(request: PlanRequest, only?: readonly MethodId[]): Plan {
  const { dog, check } = request;
  const conditions = zoneConditions(check, coatRow(dog.coatClass));
  const stops = stopsOf(check, dog.traits);
  const site = worksite(request, conditions);
  const { found, ties } = site;
  const looseG = looseBand(found.startG, request.learnt);
  const base = { stops, conditions, surfaceM2: found.surfaceM2, looseG, ties };
  const closed = closedFor(stops, found);
  if (closed) return { ...base, methods: [], recommended: undefined, notes: [], instead: closed };

  const tried = tryAll(request, site, only);
  const measured = tried.flatMap((t) => t.measured ?? []);
  const field = fieldOf(measured);
  const ranked = measured.map((x) => ({ ...x, score: score(x, request, field) })).sort((a, b) => b.score - a.score);
  const [best, second] = ranked;
  const clean = isClean(found);
  return {
    ...base,
    methods: tried.map(({ method, why }): MethodOutcome => {
      const own = ranked.find((x) => x.plan.method === method);
      if (!own || !best) return { kind: 'ruled-out', method, why };
      return { kind: 'open', ...own.plan, score: own.score, against: own === best ? [] : betterOn(best, own) };
    }),
    recommended: best && {
      method: best.plan.method,
      runnerUp: second?.plan.method,
      because: second ? betterOn(best, second) : [],
    },
    notes: best ? notesOn(best.plan, request, conditions, clean) : [],
    instead: best ? undefined : { code: clean ? 'nothing-needed' : 'no-tools' },
  };
}

interface Tried {
  readonly method: MethodId;
  readonly measured?: Measured | undefined;
  /** What rules it out, where it is not measured. */
  readonly why: MethodRuling;
}

/** All methods that are wanted, tried; what is a last resort only where nothing else is open. */
function tryAll(request: PlanRequest, site: Worksite, only: readonly MethodId[] | undefined): readonly Tried[] {
  const wanted = METHODS.filter((m) => !only || only.includes(m.id));
  const attempt = (m: Method): Tried => {
    const visits = visitsOf(m, request, site);
    return visits.ok
      ? { method: m.id, measured: measure(m, visits.value, request, site), why: { code: 'not-needed' } }
      : { method: m.id, why: visits.error };
  };
  const usual = wanted.filter((m) => !m.needs.lastResort).map(attempt);
  if (usual.some((t) => t.measured)) return usual;
  return [...usual, ...wanted.filter((m) => m.needs.lastResort).map(attempt)];
}

/** What is done in place of a groom, where there is none today. */
function closedFor({ dog }: Stops, { zones }: Coat): Instead | undefined {
  const crawls = dog.some((s) => s.code === 'parasites' || (s.code === 'inspection' && s.item === 'parasites'));
  if (crawls) return { code: 'isolate' };
  return dog.length > 0 || zones.every((z) => z.condition === 'stop') ? { code: 'vet-first' } : undefined;
}
