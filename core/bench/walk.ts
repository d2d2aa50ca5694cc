/**
 * Decides the steps of one method on one dog: which tool in which zones for how long, and what is left after each.
 *
 * Walks the method's phases over the coat. In each phase every zone takes the best-fitting piece of the kit
 * that no rule forbids; zones with the same piece make one step. Skin and blade limits cut passes, never rules.
 */
import { ceilTo, clamp, err, ok, sum, type Result } from '../quantity/index.ts';
import type { ConditionKind, TieGrade } from '../check/index.ts';
import {
  actionOf,
  BLADES,
  cautionsFor,
  rankAmong,
  reasonsOf,
  rule,
  takersOf,
  toolRow,
  type Fit,
  type HouseRules,
  type Ranking,
  type Takers,
  type Tool,
  type ToolKind,
  type Wetness,
} from '../kit/index.ts';
import {
  copyOf,
  looseNowG,
  packedSurfaceShare,
  ruleContext,
  settleTie,
  skinTolerance,
  type Coat,
  type CoatJob,
  type CoatZone,
} from './coat.ts';
import { bathes, type Method, type Phase } from './methods.ts';
import {
  airMinutes,
  bathMinutes,
  dryingMinutes,
  handMinutes,
  mistMinutes,
  rewashMinutes,
  tieMinutes,
  towelMinutes,
} from './minutes.ts';
import type { MethodRuling, PlanStep, PlanZoneWork, ToolChoice } from './plan.ts';
import { effectOfPasses, poolsTotalG, skinLoadPerPass, workPools } from './release.ts';

export interface Walk {
  readonly steps: readonly PlanStep[];
  readonly coat: Coat;
}

export interface Job extends CoatJob {
  readonly kit: readonly Tool[];
  readonly seen: Lookups;
}

/**
 * Answers of the tables that one plan has asked for already, by phase or tool and by what a zone looks like.
 * Left and right are mostly alike and schools share phases, so most questions come again.
 */
export interface Lookups {
  readonly phases: Map<Phase, PhaseLookups>;
  readonly cautions: Map<string, readonly string[]>;
}
export const noLookups = (): Lookups => ({ phases: new Map(), cautions: new Map() });

/** The value of a key, made and kept the first time. */
function kept<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const there = map.get(key);
  if (there !== undefined) return there;
  const made = make();
  map.set(key, made);
  return made;
}

/** Pieces that every room has; a salon need not list them. */
const ALWAYS: readonly Tool[] = [
  { id: 'always-towel', kind: 'towel', name: 'towels' },
  { id: 'always-mister', kind: 'mister', name: 'mister' },
];

/** Whole minutes, rounded up; floating dust above a whole minute does not count. */
const wholeUp = (minutes: number): number => ceilTo(minutes, 1);

/** Share of what the skin bears that is kept for the comb: the proof is never what is left out. Guess. */
const KEPT_FOR_PROOF = 0.12;

/** Passes below this are not worth picking a tool up for. */
const LEAST_PASSES = 0.1;
/** Cautions shown beside one step; the rest are on the rule page. */
const MOST_CAUTIONS = 3;

/** What the phase may use of the kit, and its rankings by what a zone looks like. */
interface PhaseLookups {
  readonly takers: Takers;
  readonly rankings: Map<string, Ranking>;
}

/** Pieces that fit a zone in a phase, best first, and what the rules took out. */
function fitsIn(z: CoatZone, phase: Phase, job: Job): Ranking {
  const own = kept(job.seen.phases, phase, () => ({
    takers: takersOf([...job.kit, ...ALWAYS], phase.tools),
    rankings: new Map<string, Ranking>(),
  }));
  return kept(own.rankings, z.likeness, () => rankAmong(own.takers, ruleContext(z, phase.wetness, job)));
}

interface ZoneFits {
  readonly zone: CoatZone;
  readonly ranking: Ranking;
  readonly fits: Ranking['fits'];
}

/** The ranking of the kit in one zone of a coat for one phase, as the plan uses it. */
export function rankingIn(z: CoatZone, phase: Phase, job: Job): Ranking {
  return phase.work === 'ties' ? fitsForTie(z, phase, job) : fitsIn(z, phase, job);
}

interface Assignment {
  readonly tool: Tool;
  readonly choice: ToolChoice;
  readonly zones: readonly { readonly zone: CoatZone; readonly reach: number }[];
}

/** Nobody changes tools for less: a zone takes the piece already in hand when it is this near to its best. Guess. */
const IN_HAND_SHARE = 0.85;

/**
 * Zones of a phase by the piece that works them, the piece with most surface first.
 * The piece that is best on most surface also takes the zones where it is nearly best, then the next piece, until
 * every zone that any piece may work has one.
 */
function assign(coat: Coat, phase: Phase, job: Job): readonly Assignment[] {
  let open = coat.zones
    .filter((z) => z.condition !== 'stop' && (phase.work === 'ties') === (z.tie !== 'none'))
    .map((z): ZoneFits => {
      const ranking = rankingIn(z, phase, job);
      return { zone: z, ranking, fits: ranking.fits };
    })
    .filter((f) => f.fits.length > 0);
  const assignments: Assignment[] = [];
  while (open.length > 0) {
    const areaByTool = new Map<Tool, number>();
    for (const { zone, fits } of open) {
      const best = fits[0]?.tool;
      if (best) areaByTool.set(best, (areaByTool.get(best) ?? 0) + zone.areaM2);
    }
    const [main] = [...areaByTool].sort((a, b) => b[1] - a[1])[0] ?? [];
    if (!main) break;
    const takes = ({ fits }: ZoneFits): Fit | undefined =>
      fits.find((f) => f.tool === main && f.fit >= IN_HAND_SHARE * (fits[0]?.fit ?? 0));
    const taken = open.filter((f) => takes(f));
    assignments.push({
      tool: main,
      choice: choiceIn(taken, main),
      zones: taken.map((f) => ({ zone: f.zone, reach: takes(f)?.reach ?? 0 })),
    });
    open = open.filter((f) => !takes(f));
  }
  return assignments;
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
function fitsForTie(z: CoatZone, phase: Phase, job: Job): Ranking {
  const all = fitsIn(z, phase, job);
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
function stepCautions(tool: Tool, zones: readonly CoatZone[], wetness: Wetness, job: Job): readonly string[] {
  const ids = new Set<string>();
  for (const z of zones) {
    const here = kept(job.seen.cautions, `${tool.id} ${wetness} ${z.likeness}`, () =>
      cautionsFor(tool, ruleContext(z, wetness, job)).map((found) => found.id),
    );
    for (const id of here) ids.add(id);
  }
  const narrowness = (id: string): number => Object.keys(rule(id).when).length;
  return [...ids].sort((a, b) => narrowness(b) - narrowness(a) || a.localeCompare(b)).slice(0, MOST_CAUTIONS);
}

/** Passes that a condition asks for. A dense live coat has depth to go through but little to give. */
function passesAsked(condition: ConditionKind, passes: Phase['passes']): number {
  if (condition === 'dense') return (passes.clear + passes.loose) / 2;
  return condition === 'packed' ? passes.packed : condition === 'clear' ? passes.clear : passes.loose;
}

/** Passes by hand in a zone: what the condition asks, as far as the skin bears it. */
function handPasses(z: CoatZone, phase: Phase, tool: Tool, house: HouseRules): number {
  const asked = passesAsked(z.condition, phase.passes);
  const perPass = loadPerPass(z, phase.wetness, tool, house);
  const bearable = skinTolerance(z) * (phase.id === 'comb' || phase.id === 'finish' ? 1 : 1 - KEPT_FOR_PROOF);
  const borne = perPass === 0 ? asked : Math.max(0, (bearable - z.skinLoad) / perPass);
  return Math.min(asked, borne);
}

function loadPerPass(z: CoatZone, wetness: Wetness, tool: Tool, house: HouseRules): number {
  const shield = z.startG === 0 ? 0 : poolsTotalG(z.pools) / z.startG;
  const { skinPerPass } = actionOf(tool, wetness, house) ?? toolRow(tool.kind);
  return skinLoadPerPass(skinPerPass, shield, wetness === 'soapy');
}

/** Whole-dog minutes of water, towel and air, spread over zones by surface. */
function wholeMinutes(phase: Phase, tool: Tool, coat: Coat, areaM2: number, humidityPct?: number): number {
  const held = coat.coatClass.heldWaterMlPerM2;
  switch (phase.work) {
    case 'bath':
      return bathMinutes(areaM2, held, packedSurfaceShare(coat), tool.kind === 'bather');
    case 'rewash':
      return rewashMinutes(areaM2, held, tool.kind === 'bather');
    case 'mist':
      return mistMinutes(areaM2);
    case 'towel':
      return towelMinutes(areaM2);
    case 'drying':
      return dryingMinutes(areaM2, held, tool.kind === 'force-dryer', humidityPct);
    case 'air':
      return airMinutes(areaM2);
    case 'hands':
    case 'ties':
      throw new TypeError(`${phase.work} is timed by zone`);
  }
}

interface ZoneWork {
  readonly zone: CoatZone;
  readonly reach: number;
  readonly passes: number;
  readonly minutes: number;
}

/** Works the zones of one step and returns it; undefined when nothing is worth doing. */
function workStep(
  a: Assignment,
  phase: Phase,
  coat: Coat,
  job: Job,
  bladeLeft: { minutes: number },
): PlanStep | undefined {
  const action = actionOf(a.tool, phase.wetness, job.house);
  const before = looseNowG(coat);
  const areaM2 = sum(a.zones.map((w) => w.zone.areaM2));
  let work: ZoneWork[];
  if (phase.work === 'hands') {
    work = a.zones
      .map(({ zone, reach }): ZoneWork => {
        const passes = handPasses(zone, phase, a.tool, job.house);
        const pace = action?.cm2PerMinute ?? toolRow(a.tool.kind).cm2PerMinute;
        const minutes = handMinutes(pace, zone.areaM2, zone.guardMm, passes, phase.wetness);
        return { zone, reach, passes, minutes };
      })
      .filter((w) => w.passes >= LEAST_PASSES);
    if (BLADES.includes(a.tool.kind)) work = capBlade(work, bladeLeft);
  } else {
    const whole =
      phase.work === 'ties' ? undefined : wholeMinutes(phase, a.tool, coat, areaM2, job.humidityPct) / areaM2;
    work = a.zones.map(({ zone, reach }): ZoneWork => {
      const minutes = whole === undefined ? tieMinutes(a.tool.kind, zone.tie, job.house.spray) : whole * zone.areaM2;
      return { zone, reach, passes: 1, minutes };
    });
  }
  if (work.length === 0) return undefined;
  const cautions = stepCautions(
    a.tool,
    work.map((w) => w.zone),
    phase.wetness,
    job,
  );
  for (const w of work) {
    // Water and air wet the whole zone whatever the hair; only hands lose by pins that are too short.
    if (phase.work === 'hands') w.zone.skinLoad += loadPerPass(w.zone, phase.wetness, a.tool, job.house) * w.passes;
    if (action) {
      const effect = phase.work === 'hands' ? effectOfPasses(w.passes) : 1;
      w.zone.pools = workPools(w.zone.pools, action.take, w.reach, effect);
    }
    if (phase.work === 'ties') {
      settleTie(w.zone, coat.coatClass.packs);
    }
  }
  const after = looseNowG(coat);
  return {
    id: `${phase.id}/${a.tool.id}`,
    phase: phase.id,
    tool: { id: a.tool.id, kind: a.tool.kind, name: a.tool.name },
    zones: work.map((w): PlanZoneWork => ({ zone: w.zone.id, minutes: w.minutes, passes: w.passes })),
    wetness: phase.wetness,
    // Blade minutes round up, as they are counted against the house's limit: what is shown never passes it.
    minutes: Math.max(1, (BLADES.includes(a.tool.kind) ? wholeUp : Math.round)(sum(work.map((w) => w.minutes)))),
    gramsOut: before - after,
    shareLeft: coat.startG === 0 ? 0 : after / coat.startG,
    cautions,
    chosen: a.choice,
  };
}

/** Shortens blade work to the whole minutes the house allows in a session. */
function capBlade(work: readonly ZoneWork[], left: { minutes: number }): ZoneWork[] {
  const asked = sum(work.map((w) => w.minutes));
  const share = asked === 0 ? 0 : clamp(left.minutes / asked, 0, 1);
  left.minutes -= wholeUp(asked * share);
  return work
    .map((w) => ({ ...w, passes: w.passes * share, minutes: w.minutes * share }))
    .filter((w) => w.passes >= LEAST_PASSES);
}

/** The phases of a method in this house: which of rake and slicker goes first is the house's side of a quarrel. */
export function phasesIn(method: Method, house: HouseRules): readonly Phase[] {
  const { phases } = method;
  const rake = phases.findIndex((p) => p.id === 'dry-rake');
  const [first, second] = [phases[rake], phases[rake + 1]];
  if (house.slickerOrder === 'rake-first' || !first || second?.id !== 'dry-slicker') return phases;
  return [...phases.slice(0, rake), second, first, ...phases.slice(rake + 2)];
}

/**
 * Steps of a method on this dog, or what rules the method out. found: the coat before any work; it is not changed.
 * Zones that stop are in no step. Blade work is under house.bladeMinutes in all.
 */
export function walkMethod(method: Method, job: Job, found: Coat): Result<Walk, MethodRuling> {
  const { dog, kit } = job;
  if (!method.classes.includes(dog.coatClass)) return err({ code: 'not-for-class' });
  if (dog.outdoorShare < method.fromOutdoorShare) return err({ code: 'for-outdoor-dogs' });
  const hasForce = kit.some((t) => t.kind === 'force-dryer');
  if (method.needsForceDryer && !hasForce) return err({ code: 'needs-force-dryer' });
  if (bathes(method) && !hasForce && !kit.some((t) => t.kind === 'stand-dryer')) return err({ code: 'needs-dryer' });

  const coat = copyOf(found);
  const steps: PlanStep[] = [];
  const blade = { minutes: job.house.bladeMinutes };
  for (const phase of phasesIn(method, job.house)) {
    const done = assign(coat, phase, job)
      .map((a) => workStep(a, phase, coat, job, blade))
      .filter((s) => s !== undefined);
    steps.push(...done);
    const open = coat.zones.filter((z) => z.condition !== 'stop');
    if (phase.work === 'ties') {
      // Water over an undecided tie is forbidden, and nobody bathes a dog around a mat.
      const unsettled = open.filter((z) => z.tie !== 'none').map((z) => z.id);
      if (unsettled.length > 0) return err({ code: 'ties-unsettled', zones: unsettled });
    } else if (done.length === 0 && !phase.optional && open.length > 0) {
      return err({ code: 'needs-tool', phase: phase.id });
    }
  }
  return ok({ steps, coat });
}
