/**
 * How a method is laid out on one dog: its phases over the coat, the piece that works each zone, and the
 * minutes that habit would give it.
 *
 * In each phase every zone takes the best-fitting piece of the kit that no rule forbids in the state in which the
 * phase finds it; zones with the same piece make one step. Skin, topcoat and blade limits cut passes, never rules.
 */
import { ceilTo, clamp, err, kept, ok, sum, type Result } from '../quantity/index.ts';
import type { ConditionKind, TieGrade } from '../check/index.ts';
import {
  actionOf,
  BLADES,
  cautionsFor,
  rankAmong,
  reasonsOf,
  rule,
  takersOf,
  type Action,
  type HouseRules,
  type Ranking,
  type Takers,
  type Tool,
  type ToolKind,
  type Wetness,
} from '../kit/index.ts';
import {
  copyOf,
  DRY_TO_SKIN,
  ruleContext,
  skinTolerance,
  wearLimit,
  type Coat,
  type CoatJob,
  type CoatZone,
} from './coat.ts';
import { bathes, type Method, type Phase } from './methods.ts';
import type { MethodRuling, ToolChoice } from './plan.ts';
import { shieldFactor } from './release.ts';
import { roomOf } from './script.ts';
import { figuresOf, handWorking, shieldOf, stateFor, workStepOn, type Working } from './work.ts';

/** One piece in its zones for one phase. */
export interface LaidStep {
  readonly id: string;
  readonly phase: Phase;
  readonly tool: Tool;
  readonly choice: ToolChoice;
  readonly zones: readonly LaidZone[];
}
export interface LaidZone {
  /** Index in the coat. */
  readonly at: number;
  /** How hands work it; undefined for water, towel, air and ties. */
  readonly working?: Working | undefined;
  /** Minutes by habit. */
  readonly minutes: number;
  /** Its minutes are not to be changed. */
  readonly pinned?: boolean | undefined;
}

export interface BenchJob extends CoatJob {
  readonly kit: readonly Tool[];
  readonly seen: Lookups;
}

/**
 * Answers of the tables that one plan has asked for already, by the kinds a phase may use and by what a zone looks like.
 * Left and right are mostly alike and schools share phases, so most questions come again.
 */
export interface Lookups {
  readonly phases: Map<readonly ToolKind[], PhaseLookups>;
  /** By piece and state, then by what a zone looks like. */
  readonly cautions: Map<string, Map<string, readonly string[]>>;
}
export const noLookups = (): Lookups => ({ phases: new Map(), cautions: new Map() });

/** Whole minutes, rounded up; floating dust above a whole minute does not count. */
export const wholeUp = (minutes: number): number => ceilTo(minutes - 1e-9, 1);

/** Cautions shown beside one step; the rest are on the rule page. */
const MOST_CAUTIONS = 3;

/** What the phase may use of the kit, and its rankings by what a zone looks like and how wet it is. */
interface PhaseLookups {
  readonly takers: Takers;
  readonly rankings: Readonly<Record<Wetness, Map<string, Ranking>>>;
}

/** Pieces that fit a zone in a phase, best first, and what the rules took out. */
function fitsIn(z: CoatZone, phase: Phase, wetness: Wetness, job: BenchJob): Ranking {
  const own = kept(job.seen.phases, phase.tools, () => ({
    takers: takersOf(roomOf(job.kit), phase.tools),
    rankings: { dry: new Map(), damp: new Map(), soapy: new Map(), wet: new Map() },
  }));
  const known = own.rankings[wetness].get(z.likeness);
  if (known) return known;
  const made = rankAmong(own.takers, ruleContext(z, wetness, job));
  own.rankings[wetness].set(z.likeness, made);
  return made;
}

interface ZoneFits {
  readonly at: number;
  readonly zone: CoatZone;
  readonly ranking: Ranking;
  readonly fits: Ranking['fits'];
}

/** What a phase asks of the tables: hands as the coat is, water and air as the phase makes it. */
const askedIn = (z: CoatZone, phase: Phase): Wetness =>
  phase.work === 'hands' || phase.work === 'ties' ? stateFor(phase.work, phase.id, z) : phase.wetness;

/** The ranking of the kit in one zone of a coat for one phase, as the plan uses it. */
export function rankingIn(z: CoatZone, phase: Phase, wetness: Wetness, job: BenchJob): Ranking {
  return phase.work === 'ties' ? fitsForTie(z, phase, wetness, job) : fitsIn(z, phase, wetness, job);
}

interface Assignment {
  readonly tool: Tool;
  readonly choice: ToolChoice;
  readonly zones: readonly { readonly at: number; readonly zone: CoatZone }[];
}

/** Nobody changes tools for less: a zone takes the piece already in hand when it is this near to its best. Guess. */
const IN_HAND_SHARE = 0.85;

/**
 * Zones of a phase by the piece that works them, the piece with most surface first.
 * The piece that is best on most surface also takes the zones where it is nearly best, then the next piece, until
 * every zone that any piece may work has one.
 */
function assign(coat: Coat, phase: Phase, job: BenchJob): readonly Assignment[] {
  let open: ZoneFits[] = [];
  for (const [at, zone] of coat.zones.entries()) {
    if (zone.condition === 'stop' || (phase.work === 'ties') !== (zone.tie !== 'none')) continue;
    // A head that a towel dried needs no dryer.
    if (phase.work === 'drying' && zone.wet <= DRY_TO_SKIN) continue;
    const ranking = rankingIn(zone, phase, askedIn(zone, phase), job);
    if (ranking.fits.length > 0) open.push({ at, zone, ranking, fits: ranking.fits });
  }
  const assignments: Assignment[] = [];
  while (open.length > 0) {
    const areaByTool = new Map<Tool, number>();
    let main: Tool | undefined;
    let most = 0;
    for (const { zone, fits } of open) {
      const best = fits[0]?.tool;
      if (!best) continue;
      const area = (areaByTool.get(best) ?? 0) + zone.areaM2;
      areaByTool.set(best, area);
      if (area > most) [main, most] = [best, area];
    }
    if (!main) break;
    const taken: ZoneFits[] = [];
    const rest: ZoneFits[] = [];
    for (const f of open) (takes(f, main) ? taken : rest).push(f);
    assignments.push({ tool: main, choice: choiceIn(taken, main), zones: taken });
    open = rest;
  }
  return assignments;
}

/** Does a zone take this piece: its best, or one nearly as good. */
function takes({ fits }: ZoneFits, piece: Tool): boolean {
  const enough = IN_HAND_SHARE * (fits[0]?.fit ?? 0);
  for (const f of fits) {
    if (f.fit < enough) return false; // best first: what follows fits worse still
    if (f.tool === piece) return true;
  }
  return false;
}

/** Why a piece was taken, told for the largest zone in which it is the best. */
function choiceIn(taken: readonly ZoneFits[], tool: Tool): ToolChoice {
  const largest = taken
    .filter((f) => f.fits[0]?.tool === tool)
    .reduce<ZoneFits | undefined>((a, b) => (a && a.zone.areaM2 >= b.zone.areaM2 ? a : b), undefined);
  const chosen = largest && reasonsOf(largest.ranking).chosen;
  const { fit: own, runnerUp } = chosen ?? {};
  return {
    fit: own?.fit ?? 0,
    reach: own?.reach ?? 0,
    because: chosen?.because,
    beat: runnerUp && { kind: runnerUp.tool.kind, fit: runnerUp.fit, reach: runnerUp.reach },
    preferred: own?.preferred?.id,
    standsIn: own?.standsIn && { ...own.standsIn, ownYield: own.parts.yield.value },
    ruledOut: (largest?.ranking.ruledOut ?? []).map((r) => ({ kind: r.tool.kind, rule: r.rule })),
  };
}

/** A tie is a decision before it is a fit: the house's way with mats, the clipper only for what is felted. */
function fitsForTie(z: CoatZone, phase: Phase, wetness: Wetness, job: BenchJob): Ranking {
  const all = fitsIn(z, phase, wetness, job);
  const order = tieOrder(z.tie, job.house.mats);
  const fits = order.flatMap((kind) => all.fits.filter((f) => f.tool.kind === kind));
  return { ...all, fits: fits.slice(0, 1) };
}

function tieOrder(tie: TieGrade, mats: HouseRules['mats']): readonly ToolKind[] {
  if (tie === 'pelt') return ['clipper', 'mat-splitter'];
  if (tie === 'knot' || mats === 'brush-out') return ['comb'];
  return mats === 'split' ? ['mat-splitter', 'comb'] : ['clipper', 'comb'];
}

/** Cautions of a step: the narrowest rules that apply in any of its zones. */
export function stepCautions(
  tool: Tool,
  zones: readonly CoatZone[],
  wetness: Wetness,
  job: BenchJob,
): readonly string[] {
  const ids = new Set<string>();
  const own = kept(job.seen.cautions, `${tool.id} ${wetness}`, () => new Map<string, readonly string[]>());
  let last = '';
  for (const z of zones) {
    if (z.likeness === last) continue; // left and right follow one another
    last = z.likeness;
    let here = own.get(z.likeness);
    if (!here) {
      here = cautionsFor(tool, ruleContext(z, wetness, job)).map((found) => found.id);
      own.set(z.likeness, here);
    }
    for (const id of here) ids.add(id);
  }
  if (ids.size < 2) return [...ids];
  const narrowness = (id: string): number => Object.keys(rule(id).when).length;
  return [...ids].sort((a, b) => narrowness(b) - narrowness(a) || a.localeCompare(b)).slice(0, MOST_CAUTIONS);
}

/** Passes that habit gives a condition. A dense live coat has depth to go through but little to give. */
function passesAsked(condition: ConditionKind, passes: Phase['passes']): number {
  if (condition === 'dense') return (passes.clear + passes.loose) / 2;
  return condition === 'packed' ? passes.packed : condition === 'clear' ? passes.clear : passes.loose;
}

/** Passes by habit in a zone: what the condition asks, as far as skin and topcoat bear it. */
function habitPasses(z: CoatZone, phase: Phase, w: Working, wearMost: number, job: CoatJob): number {
  const f = figuresOf(job);
  const asked = passesAsked(z.condition, phase.passes);
  const proves = phase.id === 'comb' || phase.id === 'finish';
  const bearable = skinTolerance(z) * (proves ? 1 : 1 - f.keptForProof);
  // By the shield that is left even if these passes took it all: what is cut so is never too little.
  const perPass = w.skinPerPass * shieldFactor(shieldOf(z) / 2, f);
  const borne = perPass === 0 ? asked : Math.max(0, (bearable - z.skinLoad) / perPass);
  const worn = w.wearPerPass === 0 ? asked : Math.max(0, (wearMost * (proves ? 1 : 0.85) - z.wear) / w.wearPerPass);
  return Math.min(asked, borne, worn);
}

/** Lays one phase out on the coat and works it there by habit. */
export function layPhase(coat: Coat, phase: Phase, job: BenchJob, bladeLeft: { minutes: number }): readonly LaidStep[] {
  const f = figuresOf(job);
  const wearMost = wearLimit(job.dog, f);
  return assign(coat, phase, job).flatMap((a): LaidStep[] => {
    const minutes = new Map<CoatZone, number>();
    const workings = new Map<CoatZone, Working>();
    if (phase.work === 'hands') {
      const actions: Partial<Record<Wetness, Action | undefined>> = {};
      for (const { zone } of a.zones) {
        const wetness = stateFor('hands', phase.id, zone);
        const action = (actions[wetness] ??= actionOf(a.tool, wetness, job.house));
        const w = action && handWorking(zone, a.tool, wetness, job, action);
        if (!w) continue;
        const passes = habitPasses(zone, phase, w, wearMost, job);
        workings.set(zone, w);
        minutes.set(zone, passes < f.leastPasses / 2 ? 0 : passes * w.minutesPerPass);
      }
      if (BLADES.includes(a.tool.kind)) capBlade(minutes, bladeLeft);
    }
    const worked = workStepOn(
      coat,
      phase.id,
      a.tool,
      a.zones.map((z) => z.zone),
      (z, needed) => minutes.get(z) ?? needed,
      job,
      undefined,
      workings,
    );
    const given = new Map(worked.map((w) => [w.zone, w.minutes]));
    const zones = a.zones.map(({ at, zone }): LaidZone => ({
      at,
      working: workings.get(zone),
      minutes: given.get(zone) ?? 0,
    }));
    if (sum(zones.map((z) => z.minutes)) <= 0 && phase.work !== 'hands') return [];
    return [{ id: `${phase.id}/${a.tool.id}`, phase, tool: a.tool, choice: a.choice, zones }];
  });
}

/** Shortens blade work to the whole minutes the house allows in a session. */
function capBlade(minutes: Map<CoatZone, number>, left: { minutes: number }): void {
  const asked = sum([...minutes.values()]);
  const share = asked === 0 ? 0 : clamp(left.minutes / asked, 0, 1);
  left.minutes -= wholeUp(asked * share);
  for (const [z, m] of minutes) minutes.set(z, m * share);
}

/** The phases of a method in this house: which of rake and slicker goes first is the house's side of a quarrel. */
export function phasesIn(method: Method, house: HouseRules): readonly Phase[] {
  const { phases } = method;
  const rake = phases.findIndex((p) => p.id === 'dry-rake');
  const [first, second] = [phases[rake], phases[rake + 1]];
  if (house.slickerOrder === 'rake-first' || !first || second?.id !== 'dry-slicker') return phases;
  return [...phases.slice(0, rake), second, first, ...phases.slice(rake + 2)];
}

/** What rules a method out before anything is tried, if something does. */
export function ruledOut(method: Method, job: BenchJob, found: Coat): MethodRuling | undefined {
  const { dog, kit } = job;
  const { needs } = method;
  if (!needs.classes.includes(dog.coatClass)) return { code: 'not-for-class' };
  if (needs.forTraits && !needs.forTraits.some((t) => dog.traits.includes(t))) {
    return { code: 'for-traits', traits: needs.forTraits };
  }
  if (needs.tied && !found.zones.some((z) => z.tie !== 'none' && z.condition !== 'stop'))
    return { code: 'nothing-tied' };
  if (dog.outdoorShare < (needs.fromOutdoorShare ?? 0)) return { code: 'for-outdoor-dogs' };
  const hasForce = kit.some((t) => t.kind === 'force-dryer');
  if (needs.forceDryer && !hasForce) return { code: 'needs-force-dryer' };
  if (bathes(method) && !hasForce && !kit.some((t) => t.kind === 'stand-dryer')) return { code: 'needs-dryer' };
  return undefined;
}

/**
 * Steps of a method on this dog with the minutes of habit, or what rules the method out. found: the coat before any
 * work; it is not changed. Zones that stop are in no step. Blade work is under house.bladeMinutes in all.
 */
export function layOut(method: Method, job: BenchJob, found: Coat): Result<readonly LaidStep[], MethodRuling> {
  const out = ruledOut(method, job, found);
  if (out) return err(out);
  const coat = copyOf(found);
  const steps: LaidStep[] = [];
  const blade = { minutes: job.house.bladeMinutes };
  for (const phase of phasesIn(method, job.house)) {
    const done = layPhase(coat, phase, job, blade);
    // A phase that comes twice, as the comb does before and after a bath, has a step of its own each time.
    for (const s of done) {
      const again = steps.filter((own) => own.phase.id === s.phase.id && own.tool === s.tool).length;
      steps.push(again === 0 ? s : { ...s, id: `${s.id}+${again + 1}` });
    }
    const open = coat.zones.filter((z) => z.condition !== 'stop');
    if (phase.work === 'ties') {
      // Water over an undecided tie is forbidden, and nobody bathes a dog around a mat.
      const unsettled = open.filter((z) => z.tie !== 'none').map((z) => z.id);
      if (unsettled.length > 0) return err({ code: 'ties-unsettled', zones: unsettled });
    } else if (done.length === 0 && !phase.optional && open.length > 0) {
      return err({ code: 'needs-tool', phase: phase.id });
    }
  }
  return ok(steps);
}

/** Why a piece works a step that somebody made: the measures told for the largest of its zones. */
export function choiceOf(
  tool: Tool,
  phase: Phase,
  zones: readonly CoatZone[],
  wetness: Wetness,
  job: BenchJob,
): ToolChoice {
  const largest = zones.reduce<CoatZone | undefined>((a, b) => (a && a.areaM2 >= b.areaM2 ? a : b), undefined);
  const ranking = largest && rankingIn(largest, phase, wetness, job);
  const own = ranking?.fits.find((f) => f.tool.id === tool.id);
  const best = ranking?.fits.find((f) => f.tool.id !== tool.id);
  return {
    fit: own?.fit ?? 0,
    reach: own?.reach ?? 0,
    beat: best && { kind: best.tool.kind, fit: best.fit, reach: best.reach },
    preferred: own?.preferred?.id,
    standsIn: own?.standsIn && { ...own.standsIn, ownYield: own.parts.yield.value },
    ruledOut: (ranking?.ruledOut ?? []).map((r) => ({ kind: r.tool.kind, rule: r.rule })),
  };
}
