/**
 * What a script comes to on a coat: for every step the minutes on the clock, the hair out and what is left,
 * with the cautions that stand beside it and why its piece was taken.
 */
import { sum } from '../quantity/index.ts';
import type { ZoneId } from '../dog/index.ts';
import type { Tool, Wetness } from '../kit/index.ts';
import type { FingerGrade } from '../check/index.ts';
import { copyOf, looseNowG, skinTolerance, wearLimit, wetnessOf, type Coat, type CoatZone } from './coat.ts';
import { fingerAt, poolsTotalG } from './release.ts';
import type { LaidStep } from './layout.ts';
import { PHASES } from './methods.ts';
import type { PlanStep, PlanZoneWork, ToolChoice } from './plan.ts';
import { choiceOf, stepCautions, type BenchJob } from './rankings.ts';
import { roomOf, type Script, type ScriptStep } from './script.ts';
import { clockMinutes, type Crew } from './crew.ts';
import { figuresOf, stateFor, workStepOn, type Watch, type ZoneWorked } from './work.ts';

export interface Worked {
  readonly steps: readonly PlanStep[];
  readonly script: Script;
  readonly coat: Coat;
}

/** Why pieces were taken, by step: known from a layout, else computed. */
export type Choices = ReadonlyMap<string, { readonly toolId: string; readonly choice: ToolChoice }>;

export const choicesOf = (laid: readonly LaidStep[]): Choices =>
  new Map(laid.map((s) => [s.id, { toolId: s.tool.id, choice: s.choice }]));

/** The piece of a step; throws RangeError for one that does not hang in this room. */
export function pieceOf(step: Pick<ScriptStep, 'toolId'>, job: BenchJob): Tool {
  const found = roomOf(job.kit).find((t) => t.id === step.toolId);
  if (!found) throw new RangeError(`no such piece in this room: ${step.toolId}`);
  return found;
}

/** What a step needs to know of the one who asks: who works, and what is looked at on the way. */
export interface Asked {
  readonly crew?: Crew | undefined;
  readonly choices?: Choices | undefined;
  /** Called before each zone of each step. */
  readonly watch?: (step: ScriptStep, tool: Tool) => Watch;
  /** Stop after this many steps. */
  readonly upTo?: number;
  /** Minutes of water, air and ties in laid steps: those given, or those needed. */
  readonly waterAsNeeded?: boolean;
}

/** One step on the coat that it meets, in place, and what it comes to. */
interface StepWorked {
  readonly step: ScriptStep;
  readonly tool: Tool;
  readonly worked: readonly ZoneWorked[];
}

/** Works the steps of a script one after the other on a coat of its own; `meets` looks at the coat before each step. */
function workSteps(
  script: Script,
  coat: Coat,
  job: BenchJob,
  { upTo, waterAsNeeded, watch }: Asked,
  each?: {
    readonly meets: (step: ScriptStep, tool: Tool, zones: readonly CoatZone[]) => void;
    readonly did: (done: StepWorked) => void;
  },
): void {
  const byId = new Map<ZoneId, CoatZone>(coat.zones.map((z) => [z.id, z]));
  const pieces = new Map(roomOf(job.kit).map((t) => [t.id, t]));
  const given = new Map<CoatZone, number>();
  for (const step of upTo === undefined ? script : script.slice(0, upTo)) {
    const tool = pieces.get(step.toolId) ?? pieceOf(step, job);
    const zones: CoatZone[] = [];
    given.clear();
    for (const { zone, minutes } of step.zones) {
      const z = byId.get(zone);
      if (!z) continue;
      zones.push(z);
      given.set(z, minutes);
    }
    each?.meets(step, tool, zones);
    const asNeeded = waterAsNeeded === true && PHASES[step.phase].work !== 'hands';
    const worked = workStepOn(
      coat,
      step.phase,
      tool,
      zones,
      (z, needed) => (asNeeded ? needed : (given.get(z) ?? 0)),
      job,
      watch?.(step, tool),
    );
    each?.did({
      step: asNeeded ? { ...step, zones: worked.map((w) => ({ zone: w.zone.id, minutes: w.minutes })) } : step,
      tool,
      worked,
    });
  }
}

/** The coat after a script, without what its steps come to: a third of the time of `workScript`. */
export function workCoat(script: Script, found: Coat, job: BenchJob, asked: Pick<Asked, 'watch' | 'upTo'> = {}): Coat {
  const coat = copyOf(found);
  workSteps(script, coat, job, asked);
  return coat;
}

/** Works a script on the coat as found, which is not changed. Steps without minutes anywhere are left out. */
export function workScript(script: Script, found: Coat, job: BenchJob, asked: Asked = {}): Worked {
  const coat = copyOf(found);
  const steps: PlanStep[] = [];
  const done: ScriptStep[] = [];
  let before = looseNowG(coat);
  let cautions: readonly string[] = [];
  workSteps(script, coat, job, asked, {
    meets: (step, tool, zones) => {
      // Cautions are for the coat that the step meets, not for what it leaves.
      const open = zones.filter((z) => z.condition !== 'stop');
      const met = usualWetness(open, (z) => stateFor(PHASES[step.phase].work, step.phase, z));
      cautions = stepCautions(tool, open, met, job);
    },
    did: ({ step, tool, worked }) => {
      const after = looseNowG(coat);
      steps.push(stepOf(step, tool, worked, cautions, coat, before - after, after, job, asked));
      done.push(step);
      before = after;
    },
  });
  return { steps, script: done, coat };
}

function stepOf(
  step: ScriptStep,
  tool: Tool,
  worked: readonly ZoneWorked[],
  cautions: readonly string[],
  coat: Coat,
  gramsOut: number,
  after: number,
  job: BenchJob,
  { crew, choices }: Asked,
): PlanStep {
  const zones = worked.map((w) => w.zone);
  const wetnessIn = new Map(worked.map((w) => [w.zone, w.wetness]));
  const wetness = usualWetness(zones, (z) => wetnessIn.get(z) ?? 'dry');
  const known = choices?.get(step.id);
  return {
    id: step.id,
    phase: step.phase,
    tool: { id: tool.id, kind: tool.kind, name: tool.name },
    zones: worked.map((w): PlanZoneWork => ({ zone: w.zone.id, minutes: w.minutes, passes: w.passes })),
    wetness,
    minutes: clockMinutes(PHASES[step.phase].work, sum(worked.map((w) => w.minutes)), tool.kind, crew, figuresOf(job)),
    gramsOut,
    shareLeft: coat.startG === 0 ? 0 : after / coat.startG,
    cautions,
    chosen: known?.toolId === tool.id ? known.choice : choiceOf(tool, PHASES[step.phase], zones, wetness, job),
  };
}

/** The state in which most of a step's surface is found. */
function usualWetness(zones: readonly CoatZone[], stateOf: (z: CoatZone) => Wetness): Wetness {
  const area: Record<Wetness, number> = { dry: 0, damp: 0, soapy: 0, wet: 0 };
  let most: Wetness = 'dry';
  for (const z of zones) {
    const state = stateOf(z);
    area[state] += z.areaM2;
    if (area[state] > area[most]) most = state;
  }
  return most;
}

/** What can be seen of a zone part of the way through a script. */
export interface ZoneSeen {
  readonly zone: ZoneId;
  /** Undercoat as fingers would feel it now. */
  readonly grade: FingerGrade;
  /** Share of what it held that is left, 0..1. */
  readonly shareLeft: number;
  readonly leftG: number;
  readonly tie: CoatZone['tie'];
  readonly condition: CoatZone['condition'];
  readonly wetness: Wetness;
  /** Skin load and topcoat wear as shares of what they bear. */
  readonly skin: number;
  readonly wear: number;
  /** Would the comb fall through. */
  readonly falls: boolean;
}

/** The coat after the first `steps` steps of a script, zone by zone. */
export function coatAfter(script: Script, steps: number, found: Coat, job: BenchJob): readonly ZoneSeen[] {
  return seenIn(workCoat(script, found, job, { upTo: steps }), job);
}

export function seenIn(coat: Coat, job: BenchJob): readonly ZoneSeen[] {
  const wears = wearLimit(job.dog, figuresOf(job));
  return coat.zones.map((z) => {
    const leftG = poolsTotalG(z.pools);
    return {
      zone: z.id,
      // Nothing is felt deeper than it was found.
      grade: fingerNow(z, leftG),
      shareLeft: z.startG === 0 ? 0 : leftG / z.startG,
      leftG,
      tie: z.tie,
      condition: z.condition,
      wetness: wetnessOf(z),
      skin: z.skinLoad / skinTolerance(z),
      wear: z.wear / wears,
      falls: combFalls(z, job),
    };
  });
}

function fingerNow(z: CoatZone, leftG: number): FingerGrade {
  if (z.startG === 0 || leftG >= z.startG * 0.999) return z.readings.finger;
  const now = fingerAt((leftG / z.startG) * (z.startG / z.fullG));
  return now < z.readings.finger ? now : z.readings.finger;
}

/** Would the comb fall through this zone: nothing tied, and no more loose hair than skin when parted. */
export const combFalls = (z: CoatZone, job: BenchJob): boolean =>
  z.tie === 'none' && poolsTotalG(z.pools) <= figuresOf(job).combGlides * z.fullG * (1 + 1e-6);

/** Share of the workable surface over which the comb falls through, 0..1, and the zones where it does not. */
export function proofOf(coat: Coat, job: BenchJob): { readonly share: number; readonly notIn: readonly ZoneId[] } {
  let area = 0;
  let falls = 0;
  const notIn: ZoneId[] = [];
  for (const z of coat.zones) {
    if (z.condition === 'stop') continue;
    area += z.areaM2;
    if (combFalls(z, job)) falls += z.areaM2;
    else notIn.push(z.id);
  }
  return { share: area === 0 ? 1 : falls / area, notIn };
}

/** The script that a plan's steps were worked from. */
export const scriptOf = (steps: readonly PlanStep[]): Script =>
  steps.map(({ id, phase, tool, zones }) => ({
    id,
    phase,
    toolId: tool.id,
    zones: zones.map(({ zone, minutes }) => ({ zone, minutes })),
  }));
