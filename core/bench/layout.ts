/**
 * Lays a method out on one dog: its phases over the coat, the piece that works each zone, and the minutes that habit
 * would give it. Only what a phase leaves the coat as (wet, soapy, dry, untied) is followed here; its hair is not.
 *
 * In each phase every zone takes the best-fitting piece of the kit that no rule forbids in the state in which the
 * phase finds it; zones with the same piece make one step. Skin, topcoat and blade limits cut passes, never rules.
 */
import { clamp, err, ok, sum, type Result } from '../quantity/index.ts';
import { actionOf, BLADES, type Action, type Tool, type Wetness } from '../kit/index.ts';
import { assign, habitPasses } from './assign.ts';
import {
  copyOf,
  DRY_TO_SKIN,
  leaveAs,
  skinTolerance,
  wearLimit,
  type Coat,
  type CoatJob,
  type CoatZone,
} from './coat.ts';
import { phasesIn, type Method, type Phase } from './methods.ts';
import { wholeUp } from './crew.ts';
import type { MethodRuling, ToolChoice } from './plan.ts';
import type { BenchJob } from './rankings.ts';
import { shieldFactor } from './release.ts';
import { dryersRefused, ruledOut } from './rulings.ts';
import { figuresOf, handWorking, stateFor, type Working } from './work.ts';

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
  /** Minutes of hands by habit; 0 for what takes as long as it needs. */
  readonly minutes: number;
  /** Its minutes are not to be changed. */
  readonly pinned?: boolean | undefined;
}

/** Half of the undercoat found still stands, on the mean, while hands work. */
const MEAN_SHIELD = 0.5;

/** Passes by habit in a zone: what the condition asks, as far as skin and topcoat bear it. */
function bearablePasses(z: CoatZone, phase: Phase, w: Working, wearMost: number, job: CoatJob): number {
  const f = figuresOf(job);
  const asked = phase.id === 'comb' ? proofPasses(z, f.proofPasses) : habitPasses(z, phase);
  const proves = phase.id === 'comb' || phase.id === 'finish';
  const bearable = skinTolerance(z) * (proves ? 1 : 1 - f.keptForProof);
  const perPass = w.skinPerPass * shieldFactor(MEAN_SHIELD, f);
  const borne = perPass === 0 ? asked : Math.max(0, (bearable - z.skinLoad) / perPass);
  const worn = w.wearPerPass === 0 ? asked : Math.max(0, (wearMost * (proves ? 1 : 0.85) - z.wear) / w.wearPerPass);
  const passes = Math.min(asked, borne, worn);
  z.skinLoad += passes * perPass;
  z.wear += passes * w.wearPerPass;
  return passes;
}

/** A coat that was kept is proved in fewer strokes than one that was packed. Guess. */
const KEPT_PROOF = 0.7;
const proofPasses = (z: CoatZone, full: number): number =>
  z.condition === 'clear' || z.condition === 'dense' ? full * KEPT_PROOF : full;

/** Lays one phase out on the coat, and leaves the coat as a whole working of it would: wet, soapy, dry, untied. */
export function layPhase(coat: Coat, phase: Phase, job: BenchJob, bladeLeft: { minutes: number }): readonly LaidStep[] {
  const f = figuresOf(job);
  const wearMost = wearLimit(job.dog, f);
  return assign(coat, phase, job).map((a): LaidStep => {
    const workings = new Map<CoatZone, Working>();
    const minutes = new Map<CoatZone, number>();
    if (phase.work === 'hands') {
      const actions: Partial<Record<Wetness, Action | undefined>> = {};
      for (const { zone } of a.zones) {
        const wetness = stateFor('hands', phase.id, zone);
        const action = (actions[wetness] ??= actionOf(a.tool, wetness, job.house));
        const w = action && handWorking(zone, phase.id, a.tool, wetness, job, action);
        if (!w) continue;
        const passes = bearablePasses(zone, phase, w, wearMost, job);
        workings.set(zone, w);
        minutes.set(zone, passes < f.leastPasses / 2 ? 0 : passes * w.minutesPerPass);
      }
      if (BLADES.includes(a.tool.kind)) capBlade(minutes, bladeLeft);
    }
    for (const { zone } of a.zones) leaveAs(zone, phase, a.tool.kind, coat.coatClass.packs, f);
    const zones = a.zones.map(({ at, zone }): LaidZone => ({
      at,
      working: workings.get(zone),
      minutes: minutes.get(zone) ?? 0,
    }));
    return { id: `${phase.id}/${a.tool.id}`, phase, tool: a.tool, choice: a.choice, zones };
  });
}

/** Share of the workable surface that steps come over, 0..1. */
function coverage(steps: readonly LaidStep[], { zones }: Coat): number {
  let area = 0;
  for (const z of zones) if (z.condition !== 'stop' && !z.clipped) area += z.areaM2;
  let covered = 0;
  for (const s of steps) for (const { at } of s.zones) covered += zones[at]?.areaM2 ?? 0;
  return area === 0 ? 1 : covered / area;
}
/** A phase of hands that hardly any piece of the room may do is not done; water and air go where they may. Guess. */
const HANDS_COVER = 0.4;
const coveredAtLeast = ({ work }: Phase): number => (work === 'hands' ? HANDS_COVER : Number.EPSILON);

/** Shortens blade work to the whole minutes the house allows in a session. */
function capBlade(minutes: Map<CoatZone, number>, left: { minutes: number }): void {
  const asked = sum([...minutes.values()]);
  const share = asked === 0 ? 0 : clamp(left.minutes / asked, 0, 1);
  left.minutes -= wholeUp(asked * share);
  for (const [z, m] of minutes) minutes.set(z, m * share);
}

/**
 * Steps of a method on this dog with the minutes of habit, or what rules the method out. found: the coat before any
 * work; it is not changed. Zones that stop are in no step. Blade work is under house.bladeMinutes in all.
 */
export function layOut(method: Method, job: BenchJob, found: Coat): Result<readonly LaidStep[], MethodRuling> {
  const out = ruledOut(method, job, found);
  if (out) return err(out);
  const coat = copyOf(found);
  const open = coat.zones.filter((z) => z.condition !== 'stop');
  const steps: LaidStep[] = [];
  const blade = { minutes: job.house.bladeMinutes };
  for (const phase of phasesIn(method, job)) {
    const done = layPhase(coat, phase, job, blade);
    // A phase that comes twice, as the comb does before and after a bath, has a step of its own each time.
    for (const s of done) {
      const again = steps.filter((own) => own.phase.id === s.phase.id && own.tool === s.tool).length;
      steps.push(again === 0 ? s : { ...s, id: `${s.id}+${again + 1}` });
    }
    if (phase.work === 'drying') {
      // A bath always ends dry: what no dryer may blow at and no towel dries is not bathed.
      const wet = open.filter((z) => z.wet > DRY_TO_SKIN);
      if (wet.length > 0) return err(dryersRefused(wet, phase, coat, job));
    } else if (!phase.optional && phase.work !== 'ties' && coverage(done, coat) < coveredAtLeast(phase)) {
      return err({ code: 'needs-tool', phase: phase.id });
    }
  }
  return steps.length > 0 ? ok(steps) : err({ code: 'nothing-to-work-with' });
}
