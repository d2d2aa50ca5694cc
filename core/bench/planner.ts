/** Decides the plan: every school tried on this dog, the one recommended, and what speaks against the others. */
import { clamp, sum } from '../quantity/index.ts';
import { coatRow, usualStandingMinutes, type Dog } from '../dog/index.ts';
import { stopsOf, zoneConditions, type CoatCheck } from '../check/index.ts';
import { BATH_GAP_DAYS, BLADES, type HouseRules, type Tool } from '../kit/index.ts';
import { coatAsFound, skinTolerance, workedIn } from './coat.ts';
import { bathes, METHODS, method, type Method } from './methods.ts';
import type { Comparison, MethodOutcome, MethodPlan, Plan, PlanNote } from './plan.ts';
import { priceCents } from './price.ts';
import { noLookups, walkMethod, type Walk } from './walk.ts';

export interface PlanRequest {
  readonly dog: Dog;
  readonly check: CoatCheck;
  readonly kit: readonly Tool[];
  readonly house: HouseRules;
  /** Days since the last bath, where it is known. */
  readonly daysSinceBath?: number | undefined;
}

/** Doubt about grams reckoned from touch alone: the 80 % band as factors. Guess. */
const LOOSE_BAND = { low: 0.6, high: 1.6 };

/** Differences smaller than these are not worth a word. */
const WORTH_SAYING: Readonly<Record<Comparison['measure'], number>> = {
  'hair-left': 0.02,
  minutes: 5,
  skin: 0.08,
  dryer: 5,
  dust: 15,
  standing: 5,
};

interface Measured {
  readonly plan: Omit<MethodPlan, 'score'>;
  readonly measures: Readonly<Record<Comparison['measure'], number>>;
}

function measure(m: Method, walk: Walk, { dog, house }: PlanRequest): Measured {
  const minutes = sum(walk.steps.map((s) => s.minutes));
  const shareLeft = walk.steps.at(-1)?.shareLeft ?? 1;
  const dryerMinutes = sum(walk.steps.filter((s) => s.tool.kind === 'force-dryer').map((s) => s.minutes));
  // A dog that hears the dryer only after its coat is wet still hears it; but dry air flings the dirt as well.
  const dustG = sum(
    walk.steps.filter((s) => s.wetness === 'dry').map((s) => s.gramsOut * (s.phase === 'air' ? 1.5 : 1)),
  );
  const skinLoad = Math.max(0, ...walk.coat.zones.map((z) => z.skinLoad / skinTolerance(z)));
  const meanSkin = sum(walk.coat.zones.map((z) => (z.areaM2 * z.skinLoad) / skinTolerance(z))) / walk.coat.surfaceM2;
  const plan = {
    method: m.id,
    steps: walk.steps,
    minutes,
    gramsOut: sum(walk.steps.map((s) => s.gramsOut)),
    shareLeft,
    skinLoad,
    dryerMinutes,
    dustG,
    priceCents: priceCents(minutes, house.rates),
  };
  const measures = {
    'hair-left': shareLeft,
    minutes,
    skin: meanSkin,
    dryer: dryerMinutes,
    dust: dustG,
    standing: Math.max(0, minutes - usualStandingMinutes(dog)),
  };
  return { plan, measures };
}

/** A quarter more hair left than the best method leaves is worth nothing at all. Guess. */
const WORTHLESS_EXTRA_LEFT = 0.25;
/** Mean skin load below this is a normal visit and speaks against nothing. Guess. */
const EASY_SKIN = 0.5;
/** Grams in the air that make a room unfit to work in. Guess. */
const DUST_TO_FLEE_G = 150;

/** A bath sooner than the house allows counts as much as this share of a whole score. Guess. */
const BATH_TOO_SOON = 0.4;

/** Higher is better; each part is scaled to 0..1 so that the house's weights mean what they say. */
function score({ plan, measures }: Measured, request: PlanRequest, fastest: number, leastLeft: number): number {
  const { dog, house } = request;
  const w = house.weights;
  const all = w.hairOut + w.minutes + w.skin + w.comfort + w.dust || 1;
  const dreadsDryer = dog.traits.includes('dryer-shy') || dog.traits.includes('head-shy');
  const discomfort =
    clamp(measures.standing / 60, 0, 1) * 0.6 + clamp(measures.dryer / 30, 0, 1) * (dreadsDryer ? 1 : 0.2);
  const tooSoon = bathedLately(request) && bathes(method(plan.method));
  return (
    (w.hairOut * (1 - clamp((measures['hair-left'] - leastLeft) / WORTHLESS_EXTRA_LEFT, 0, 1)) +
      w.minutes * (fastest / Math.max(measures.minutes, 1)) +
      w.skin * (1 - clamp((measures.skin - EASY_SKIN) / (1 - EASY_SKIN), 0, 1)) +
      w.comfort * (1 - clamp(discomfort, 0, 1)) +
      w.dust * (1 - clamp(measures.dust / DUST_TO_FLEE_G, 0, 1))) /
      all -
    (tooSoon ? BATH_TOO_SOON : 0)
  );
}

/** Is the last bath nearer than the house's fewest days between two. */
const bathedLately = ({ daysSinceBath, house }: PlanRequest): boolean =>
  daysSinceBath !== undefined && daysSinceBath < BATH_GAP_DAYS[house.bath];

/** Where `a` measures better than `b` by enough to say; every measure is better when smaller. */
function betterOn(a: Measured, b: Measured): readonly Comparison[] {
  return MEASURES.filter((m) => b.measures[m] - a.measures[m] >= WORTH_SAYING[m]).map((m) => ({
    measure: m,
    value: a.measures[m],
    than: b.measures[m],
  }));
}
const MEASURES: readonly Comparison['measure'][] = ['hair-left', 'minutes', 'skin', 'dryer', 'dust', 'standing'];

/**
 * The plan for a dog, from its check, the kit and the house's rules. Pure: same facts, same plan.
 * Throws RangeError when check.weightKg is not above 0.
 */
export function planVisit(request: PlanRequest): Plan {
  const { dog, check } = request;
  const coat = coatRow(dog.coatClass);
  const conditions = zoneConditions(check, coat);
  const stops = stopsOf(check, dog.traits);
  const found = coatAsFound(dog, check, conditions);
  const looseG = found.startG;
  const base = {
    stops,
    conditions,
    surfaceM2: found.surfaceM2,
    looseG: { likely: looseG, low: looseG * LOOSE_BAND.low, high: looseG * LOOSE_BAND.high },
  };
  if (stops.dog.length > 0) return { ...base, methods: [], recommended: undefined, notes: [] };

  const job = { ...workedIn(request), seen: noLookups() };
  const tried = METHODS.map((m) => ({ m, walk: walkMethod(m, job, found) }));
  const measured = new Map(
    tried.flatMap(({ m, walk }) => (walk.ok ? [[m.id, measure(m, walk.value, request)] as const] : [])),
  );
  const fastest = Math.min(...[...measured.values()].map((x) => x.plan.minutes));
  const leastLeft = Math.min(...[...measured.values()].map((x) => x.plan.shareLeft));
  const ranked = [...measured.values()]
    .map((x) => ({ ...x, score: score(x, request, fastest, leastLeft) }))
    .sort((a, b) => b.score - a.score);
  const best = ranked[0];
  const second = ranked[1];

  const methods = tried.map(({ m, walk }): MethodOutcome => {
    if (!walk.ok) return { kind: 'ruled-out', method: m.id, why: walk.error };
    const own = ranked.find((x) => x.plan.method === m.id);
    if (!own || !best) throw new TypeError('a walked method is ranked');
    return { kind: 'open', ...own.plan, score: own.score, against: own === best ? [] : betterOn(best, own) };
  });
  return {
    ...base,
    methods,
    recommended: best && {
      method: best.plan.method,
      runnerUp: second?.plan.method,
      because: second ? betterOn(best, second) : [],
    },
    notes: best ? notesOn(best.plan, request, conditions.filter((c) => c.assumed && c.kind !== 'stop').length) : [],
  };
}

function notesOn(plan: Omit<MethodPlan, 'score'>, request: PlanRequest, assumed: number): readonly PlanNote[] {
  const { dog, house, daysSinceBath } = request;
  const bears = usualStandingMinutes(dog);
  const blade = sum(plan.steps.filter((s) => BLADES.includes(s.tool.kind)).map((s) => s.minutes));
  const notes: PlanNote[] = [];
  if (plan.minutes > bears) notes.push({ code: 'over-standing', minutes: plan.minutes, bears });
  if (assumed > 0) notes.push({ code: 'zones-assumed', zones: assumed });
  if (blade > 0 && blade >= house.bladeMinutes) notes.push({ code: 'blade-capped', minutes: house.bladeMinutes });
  if (daysSinceBath !== undefined && bathedLately(request)) {
    notes.push({ code: 'bathed-lately', days: daysSinceBath, gap: BATH_GAP_DAYS[house.bath] });
  }
  return notes;
}

/** The open outcome of a method in a plan, if it is open. */
export function openMethod(plan: Plan, id: string): Extract<MethodOutcome, { kind: 'open' }> | undefined {
  for (const m of plan.methods) if (m.kind === 'open' && m.method === id) return m;
  return undefined;
}
