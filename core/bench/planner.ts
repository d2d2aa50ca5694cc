/** Decides the plan: every school tried on this dog, the one recommended, and what speaks against the others. */
import { clamp, err, ok, sum, type Result } from '../quantity/index.ts';
import { coatRow, usualStandingMinutes, type Dog } from '../dog/index.ts';
import { stopsOf, zoneConditions } from '../check/index.ts';
import { BATH_GAP_DAYS, BLADES } from '../kit/index.ts';
import { allotter, houseYield, type Allotment } from './allot.ts';
import { coatAsFound, looseNowG, skinTolerance, wearLimit, workedIn, type Coat } from './coat.ts';
import { clockShare, lies, standingShare, workOf, type Crew } from './crew.ts';
import { bandsOf, looseBand, paceByKind } from './doubt.ts';
import { FIGURES, type Figures } from './figures.ts';
import { layOut, noLookups, type BenchJob } from './layout.ts';
import { bathes, METHODS, method, PHASES, type Method, type MethodId } from './methods.ts';
import type { Comparison, MethodOutcome, MethodPlan, MethodRuling, Plan, PlanNote, PlanStep } from './plan.ts';
import { priceCents } from './price.ts';
import type { PlanRequest } from './request.ts';
import type { Script } from './script.ts';
import { choicesOf, proofOf, scriptFrom, workScript, type Choices } from './simulate.ts';
import { figuresOf } from './work.ts';

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

/** A request as the bench works it: the air of its check, what its log has taught, lookups of its own. */
export const jobOf = (request: PlanRequest): BenchJob => ({
  ...workedIn(request),
  figures: figuresIn(request),
  pace: paceByKind(request.learnt),
  seen: noLookups(),
});

/** The figures as this dog's log corrects them: its weighed hair against what touch said. */
function figuresIn({ figures = FIGURES, learnt }: PlanRequest): Figures {
  const heavier = learnt?.grams?.mean ?? 1;
  return heavier === 1 ? figures : { ...figures, columnLoad: figures.columnLoad * heavier };
}

/** The coat of a request as its check found it, with what its log has taught. */
export const coatIn = (
  request: PlanRequest,
  conditions = zoneConditions(request.check, coatRow(request.dog.coatClass)),
): Coat => coatAsFound(request.dog, request.check, conditions, figuresIn(request));

interface LaidOutSteps {
  readonly steps: readonly PlanStep[];
  readonly coat: Coat;
  readonly allotment: Pick<Allotment, 'stopYield' | 'gap'>;
  readonly cut?: MethodPlan['cut'];
}

/** Minutes a dog bears at the table in all, lying as well as standing, against those it stands. Guess. */
const LYING_BEARS = 1.7;
export const bearsInAll = (dog: Dog, crew: Crew | undefined): number =>
  usualStandingMinutes(dog) * (lies(dog, crew) ? LYING_BEARS : 1);

export const standingMinutes = (steps: readonly PlanStep[], dog: Dog, crew: Crew | undefined): number =>
  Math.round(sum(steps.map((s) => s.minutes * standingShare(PHASES[s.phase].work, dog, crew))));

/** Surface that need not be proved, and hair that may stay, to keep the dog's time: more, and the work is split. Guess. */
const GIVEN_UP = { proof: 0.03, hair: 0.03 };
/** A cut of more than this share of the hand work cannot keep to that. Guess. */
const MOST_CUT = 0.25;

/** A method on this dog with its best minutes, cut to the time there is; or what rules it out. */
function layMethod(m: Method, request: PlanRequest, job: BenchJob, found: Coat): Result<LaidOutSteps, MethodRuling> {
  const laid = layOut(m, job, found);
  if (!laid.ok) return laid;
  const choices = choicesOf(laid.value);
  const { crew, dog } = request;
  const within = allotter(laid.value, found, job);
  const reckon = (most: number): LaidOutSteps & { readonly handMinutes: number } => {
    const allotment = within(most);
    const script = scriptFrom(laid.value, found, allotment.minutes);
    const worked = workScript(script, found, job, { crew, choices, waterAsNeeded: true });
    return { steps: worked.steps, coat: worked.coat, allotment, handMinutes: allotment.handMinutes };
  };
  const full = reckon(Infinity);
  const fullMinutes = sum(full.steps.map((s) => s.minutes));
  const most = Math.min(request.appointmentMinutes ?? Infinity, m.needs.boutMinutes ?? Infinity);
  const bears = bearsInAll(dog, crew);
  const over = fullMinutes - Math.min(most, bears);
  if (over <= 0) return ok(full);
  const hands = full.handMinutes;
  const share = clockShare('hands', crew, figuresOf(job));
  // Whole minutes of a step may round up against us; half a minute a step is kept back.
  const cutTo = (limit: number): LaidOutSteps => {
    let slack = 1;
    let best = full;
    for (let i = 0; i < 2; i++) {
      best = reckon(Math.max(0, hands - (fullMinutes - limit + slack) / share));
      const minutes = sum(best.steps.map((s) => s.minutes));
      if (minutes <= limit || best.handMinutes <= 0) break;
      slack += minutes - limit;
    }
    return best;
  };
  if (fullMinutes > most) {
    const cut = cutTo(most);
    const minutes = sum(cut.steps.map((s) => s.minutes));
    return minutes > most
      ? err({ code: 'needs-minutes', minutes, most })
      : ok({ ...cut, cut: { fullMinutes, for: 'time' } });
  }
  if (over > MOST_CUT * hands * share) return ok(full);
  const cut = cutTo(bears);
  const keepsTime = sum(cut.steps.map((s) => s.minutes)) <= bears;
  const keepsProof = proofOf(cut.coat, job).share >= proofOf(full.coat, job).share - GIVEN_UP.proof;
  const keepsHair = (looseNowG(cut.coat) - looseNowG(full.coat)) / Math.max(1e-9, found.startG) <= GIVEN_UP.hair;
  return ok(keepsTime && keepsProof && keepsHair ? { ...cut, cut: { fullMinutes, for: 'dog' } } : full);
}

function measure(m: Method, walk: LaidOutSteps, request: PlanRequest, job: BenchJob): Measured {
  const { dog, house, crew } = request;
  const minutes = sum(walk.steps.map((s) => s.minutes));
  const standing = standingMinutes(walk.steps, dog, crew);
  const bears = usualStandingMinutes(dog);
  const shareLeft = walk.steps.at(-1)?.shareLeft ?? 1;
  const dryerMinutes = sum(walk.steps.filter((s) => s.tool.kind === 'force-dryer').map((s) => s.minutes));
  // A dog that hears the dryer only after its coat is wet still hears it; but dry air flings the dirt as well.
  const dustG = sum(
    walk.steps.filter((s) => s.wetness === 'dry').map((s) => s.gramsOut * (s.phase === 'air' ? 1.5 : 1)),
  );
  const wears = wearLimit(dog, figuresOf(job));
  let skinLoad = 0;
  let wear = 0;
  let meanHarm = 0;
  for (const z of walk.coat.zones) {
    const load = z.skinLoad / skinTolerance(z);
    skinLoad = Math.max(skinLoad, load);
    wear = Math.max(wear, z.wear / wears);
    // Frayed guard hair is harm as burnt skin is: the worse of the two counts.
    meanHarm += (z.areaM2 * Math.max(load, z.wear / wears)) / walk.coat.surfaceM2;
  }
  const proof = proofOf(walk.coat, job);
  const plan = {
    method: m.id,
    steps: walk.steps,
    minutes,
    gramsOut: sum(walk.steps.map((s) => s.gramsOut)),
    shareLeft,
    skinLoad,
    wear,
    dryerMinutes,
    dustG,
    priceCents: priceCents(workOf(walk.steps), house.rates),
    standingMinutes: standing,
    falls: proof.share,
    notFalling: proof.notIn,
    stopYield: walk.allotment.stopYield,
    gap: walk.allotment.gap,
    cut: walk.cut,
    bands: bandsOf(walk.steps, request),
  };
  const measures = {
    'hair-left': shareLeft,
    minutes,
    skin: meanHarm,
    dryer: dryerMinutes,
    dust: dustG,
    standing: Math.max(0, standing - bears, minutes - bearsInAll(dog, crew)),
  };
  return { plan, measures };
}

/** A quarter more hair left than the best method leaves is worth nothing at all. Guess. */
const WORTHLESS_EXTRA_LEFT = 0.25;
/** Mean load on skin or topcoat below this is a normal visit and speaks against nothing. Guess. */
const EASY_SKIN = 0.3;
/** Grams in the air that make a room unfit to work in. Guess. */
const DUST_TO_FLEE_G = 150;

/** A bath sooner than the house allows counts as much as this share of a whole score. Guess. */
const BATH_TOO_SOON = 0.4;

const worthOfLeft = (extra: number): number => 1 - clamp(extra / WORTHLESS_EXTRA_LEFT, 0, 1);
/** For work by hand that may leave nearly all: as much again is lost from there to a coat that nobody touched. */
const worthByHand = (extra: number, leastLeft: number): number =>
  worthOfLeft(extra) -
  clamp((extra - WORTHLESS_EXTRA_LEFT) / Math.max(1e-6, 1 - leastLeft - WORTHLESS_EXTRA_LEFT), 0, 1);

/** Higher is better; each part is scaled to 0..1 so that the house's weights mean what they say. */
function score(
  { plan, measures }: Measured,
  request: PlanRequest,
  fastest: number,
  leastLeft: number,
  hairWorth: (extra: number, leastLeft: number) => number = worthOfLeft,
): number {
  const { dog, house } = request;
  const w = house.weights;
  const all = w.hairOut + w.minutes + w.skin + w.comfort + w.dust || 1;
  const dreadsDryer = dog.traits.includes('dryer-shy') || dog.traits.includes('head-shy');
  const discomfort =
    clamp(measures.standing / 60, 0, 1) * 0.6 + clamp(measures.dryer / 30, 0, 1) * (dreadsDryer ? 1 : 0.2);
  const tooSoon = bathedLately(request) && bathes(method(plan.method));
  return (
    (w.hairOut * hairWorth(measures['hair-left'] - leastLeft, leastLeft) +
      w.minutes * Math.min(1, fastest / Math.max(measures.minutes, 1)) +
      w.skin * (1 - clamp((measures.skin - EASY_SKIN) / (1 - EASY_SKIN), 0, 1)) +
      w.comfort * (1 - clamp(discomfort, 0, 1)) +
      w.dust * (1 - clamp(measures.dust / DUST_TO_FLEE_G, 0, 1))) /
      all +
    // A routine made for such a dog is no favour to it when it takes longer than the dog bears.
    (measures.standing > 0 ? 0 : (method(plan.method).needs.favour ?? 0)) -
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
 * The plan for a dog, from its check, the kit and the house's rules. Pure: same facts, same plan. only: methods to try,
 * all where nobody says.
 * Throws RangeError when check.weightKg is not above 0.
 */
export function planVisit(request: PlanRequest, only?: readonly MethodId[]): Plan {
  const { dog, check } = request;
  const coat = coatRow(dog.coatClass);
  const conditions = zoneConditions(check, coat);
  const stops = stopsOf(check, dog.traits);
  const found = coatIn(request, conditions);
  const looseG = found.startG;
  const base = {
    stops,
    conditions,
    surfaceM2: found.surfaceM2,
    looseG: looseBand(looseG, request.learnt),
  };
  if (stops.dog.length > 0) return { ...base, methods: [], recommended: undefined, notes: [] };

  const job = jobOf(request);
  const tried = METHODS.filter((m) => !only || only.includes(m.id)).map((m) => ({
    m,
    walk: layMethod(m, request, job, found),
  }));
  const measured = new Map(
    tried.flatMap(({ m, walk }) => (walk.ok ? [[m.id, measure(m, walk.value, request, job)] as const] : [])),
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
  if (plan.standingMinutes > bears) notes.push({ code: 'over-standing', minutes: plan.standingMinutes, bears });
  if (plan.cut) notes.push({ code: 'cut-short', full: plan.cut.fullMinutes, minutes: plan.minutes, for: plan.cut.for });
  if (assumed > 0) notes.push({ code: 'zones-assumed', zones: assumed });
  if (blade > 0 && blade >= house.bladeMinutes) notes.push({ code: 'blade-capped', minutes: house.bladeMinutes });
  if (daysSinceBath !== undefined && bathedLately(request)) {
    notes.push({ code: 'bathed-lately', days: daysSinceBath, gap: BATH_GAP_DAYS[house.bath] });
  }
  return notes;
}

/**
 * The plan that a script comes to, in place of what the method would do by itself. Its score is 0: it is compared with
 * nothing. Throws RangeError where a step names a piece that does not hang in this room.
 */
export const planByHand = (request: PlanRequest, methodId: MethodId, script: Script, known?: Worksite): MethodPlan => ({
  ...measuredByHand(request, methodId, script, known).plan,
  score: 0,
});

/** What a script comes to, measured as a planned one is. */
function measuredByHand(request: PlanRequest, methodId: MethodId, script: Script, known = worksite(request)): Measured {
  const { job, found, choices } = known;
  const worked = workScript(script, found, job, { crew: request.crew, choices });
  const allotment = { stopYield: houseYield(job), gap: 0 };
  return measure(method(methodId), { ...worked, allotment }, request, job);
}

/**
 * How work done by hand stands against what a plan found open: by the score that a recommendation goes by, told apart
 * further down, where no plan ever comes.
 */
export interface Bar {
  /** The plan that a script comes to, with its score; throws RangeError as planByHand does. */
  readonly of: (methodId: MethodId, script: Script) => MethodPlan;
  /** Score that is lost when `left` of the loose hair stays and not `least`, 0..1 each. */
  readonly hairCost: (left: number, least: number) => number;
  /** Score that is lost by so many minutes where fewer would have done. */
  readonly minutesCost: (minutes: number, enough: number) => number;
}
export function barOf(request: PlanRequest, plan: Plan, known: Worksite = worksite(request)): Bar {
  const open = plan.methods.filter((m) => m.kind === 'open');
  const fastest = Math.min(...open.map((m) => m.minutes));
  const leastLeft = Math.min(1, ...open.map((m) => m.shareLeft));
  const w = request.house.weights;
  const all = w.hairOut + w.minutes + w.skin + w.comfort + w.dust || 1;
  const hair = (left: number): number => worthByHand(left - leastLeft, leastLeft);
  const quick = (minutes: number): number => Math.min(1, fastest / Math.max(minutes, 1));
  return {
    of: (methodId, script) => {
      const measured = measuredByHand(request, methodId, script, known);
      return { ...measured.plan, score: score(measured, request, fastest, leastLeft, worthByHand) };
    },
    hairCost: (left, least) => (w.hairOut * Math.max(0, hair(least) - hair(left))) / all,
    minutesCost: (minutes, enough) => (w.minutes * Math.max(0, quick(enough) - quick(minutes))) / all,
  };
}

/** What a request is worked with: found once for a script that is changed again and again. */
export interface Worksite {
  readonly job: BenchJob;
  readonly found: Coat;
  readonly choices?: Choices | undefined;
}
export const worksite = (request: PlanRequest): Worksite => ({ job: jobOf(request), found: coatIn(request) });

/** The open outcome of a method in a plan, if it is open. */
export function openMethod(plan: Plan, id: string): Extract<MethodOutcome, { kind: 'open' }> | undefined {
  for (const m of plan.methods) if (m.kind === 'open' && m.method === id) return m;
  return undefined;
}
