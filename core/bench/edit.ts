/**
 * What may be changed about a script by hand, and what "best again" makes of it: every change is a value, so
 * that it can be undone, and a script is only ever made again.
 */
import type { ZoneId } from '../dog/index.ts';
import { forbiddenBy } from '../kit/index.ts';
import { allot } from './allot/index.ts';
import { copyOf, ruleContext, type Coat, type CoatZone } from './coat.ts';
import { layPhase, type LaidStep, type LaidZone } from './layout.ts';
import { PHASES, type PhaseId } from './methods.ts';
import { choiceOf, type BenchJob } from './rankings.ts';
import { roomOf, workMinutes, type Script, type ScriptStep, type ScriptZone } from './script.ts';
import { workCoat, pieceOf, workScript } from './simulate.ts';
import { handWorking, stateFor, workStepOn } from './work.ts';

export type Edit =
  /** Take a step to another place, counted in the script without it. */
  | { readonly kind: 'move'; readonly id: string; readonly to: number }
  /** Give a step so many minutes of work, spread over its zones as they are. */
  | { readonly kind: 'minutes'; readonly id: string; readonly minutes: number }
  | { readonly kind: 'swap'; readonly id: string; readonly toolId: string }
  | { readonly kind: 'drop'; readonly id: string }
  | { readonly kind: 'add'; readonly steps: readonly ScriptStep[]; readonly at: number }
  | { readonly kind: 'leave-out'; readonly id: string; readonly zones: readonly ZoneId[] }
  /** Give zones of a step their own minutes. */
  | { readonly kind: 'set-zones'; readonly id: string; readonly zones: readonly ScriptZone[] }
  | { readonly kind: 'pin'; readonly id: string; readonly pinned: boolean };

/** The script after an edit. A step that is not there changes nothing; a step left without zones is dropped. */
export function applyEdit(script: Script, edit: Edit): Script {
  if (edit.kind === 'add') {
    const at = Math.max(0, Math.min(script.length, edit.at));
    const taken = new Set(script.map((s) => s.id));
    const added = edit.steps.map((s) => {
      let id = s.id;
      for (let n = 2; taken.has(id); n++) id = `${s.id}+${n}`;
      taken.add(id);
      return { ...s, id };
    });
    return [...script.slice(0, at), ...added, ...script.slice(at)];
  }
  const index = script.findIndex((s) => s.id === edit.id);
  const step = script[index];
  if (!step) return script;
  const others = [...script.slice(0, index), ...script.slice(index + 1)];
  const put = (changed: ScriptStep): Script => [...script.slice(0, index), changed, ...script.slice(index + 1)];
  switch (edit.kind) {
    case 'move': {
      const to = Math.max(0, Math.min(others.length, edit.to));
      return [...others.slice(0, to), step, ...others.slice(to)];
    }
    case 'minutes':
      return put({ ...step, zones: spread(step, Math.max(0, edit.minutes)) });
    case 'swap':
      return put({ ...step, toolId: edit.toolId });
    case 'drop':
      return others;
    case 'leave-out': {
      const zones = step.zones.filter((z) => !edit.zones.includes(z.zone));
      return zones.length === 0 ? others : put({ ...step, zones });
    }
    case 'set-zones': {
      const own = new Map(edit.zones.map((z) => [z.zone, z.minutes]));
      return put({
        ...step,
        zones: step.zones.map((z) => ({ ...z, minutes: Math.max(0, own.get(z.zone) ?? z.minutes) })),
      });
    }
    case 'pin':
      return put({ ...step, pinned: edit.pinned });
  }
}

function spread(step: ScriptStep, minutes: number): readonly ScriptZone[] {
  const now = workMinutes(step);
  return step.zones.map((z) => ({
    zone: z.zone,
    minutes: now > 0 ? (z.minutes * minutes) / now : minutes / step.zones.length,
  }));
}

/** Steps that would do a phase at a place in a script, as habit would give them; none where no piece may or can. */
export function stepsFor(
  phase: PhaseId,
  script: Script,
  at: number,
  found: Coat,
  job: BenchJob,
): readonly ScriptStep[] {
  const coat = workCoat(script, found, job, { upTo: at });
  const laid = layPhase(coat, PHASES[phase], job, { minutes: job.house.bladeMinutes });
  const steps = laid.flatMap((s): ScriptStep[] => {
    const hands = s.phase.work === 'hands';
    const zones = s.zones.flatMap(({ at: z, minutes }): ScriptZone[] => {
      const zone = found.zones[z]?.id;
      return zone && (minutes > 0 || !hands) ? [{ zone, minutes }] : [];
    });
    return zones.length === 0 ? [] : [{ id: s.id, phase, toolId: s.tool.id, zones }];
  });
  const before = workCoat(script, found, job, { upTo: at });
  return workScript(steps, before, job, { waterAsNeeded: true }).script.filter((s) => workMinutes(s) > 0);
}

/**
 * The same steps in the same order with the best minutes around those that are pinned; zones that a rule forbids, or
 * where a piece does nothing, are left out of steps that are not. mostHandMinutes: a limit on all hand work.
 */
export function bestAgain(script: Script, found: Coat, job: BenchJob, mostHandMinutes = Infinity): Script {
  const laid = laidFrom(script, found, job);
  const { minutes } = allot(laid, found, job, mostHandMinutes);
  const again = laid.flatMap((s, i): ScriptStep[] => {
    const step = script.find((own) => own.id === s.id);
    if (!step) return [];
    if (step.pinned) return [step];
    const zones = s.zones.flatMap(({ at, working, minutes: own }, place): ScriptZone[] => {
      const zone = found.zones[at]?.id;
      const given = working ? (minutes[i]?.[place] ?? 0) : own;
      return zone && given > 1e-9 ? [{ zone, minutes: given }] : [];
    });
    return zones.length === 0 ? [] : [{ ...step, zones }];
  });
  return needed(again, found, job);
}

/** The script with the minutes that water, air and ties need in every step of theirs that is not pinned. */
function needed(script: Script, found: Coat, job: BenchJob): Script {
  const { script: filled } = workScript(script, found, job, { waterAsNeeded: true });
  return script.map((s, i) => (s.pinned ? s : (filled[i] ?? s)));
}

/** A script laid out again, zone by zone in the state in which each step finds it. */
function laidFrom(script: Script, found: Coat, job: BenchJob): readonly LaidStep[] {
  const coat = copyOf(found);
  return script.map((step): LaidStep => {
    const tool = pieceOf(step, job);
    const phase = PHASES[step.phase];
    const zones: LaidZone[] = [];
    const worked: CoatZone[] = [];
    const given = new Map<CoatZone, number>();
    for (const { zone, minutes } of step.zones) {
      const at = coat.zones.findIndex((z) => z.id === zone);
      const z = coat.zones[at];
      if (!z || z.condition === 'stop') continue;
      const wetness = stateFor(phase.work, step.phase, z);
      const working = phase.work === 'hands' ? handWorking(z, step.phase, tool, wetness, job) : undefined;
      const idle = phase.work === 'hands' && !working;
      if (!step.pinned && (idle || forbiddenBy(tool, ruleContext(z, wetness, job)))) continue;
      zones.push({ at, working, minutes, pinned: step.pinned });
      worked.push(z);
      given.set(z, minutes);
    }
    const wetness = worked[0] ? stateFor(phase.work, step.phase, worked[0]) : 'dry';
    const choice = choiceOf(tool, phase, worked, wetness, job);
    workStepOn(
      coat,
      step.phase,
      tool,
      worked,
      (z, need) => (step.pinned || phase.work === 'hands' ? (given.get(z) ?? 0) : need),
      job,
    );
    return { id: step.id, phase, tool, choice, zones };
  });
}

/** Pieces of the room that could do a step's phase, its own first. */
export function piecesFor(step: ScriptStep, job: BenchJob): readonly { readonly id: string; readonly name: string }[] {
  const kinds = PHASES[step.phase].tools;
  const own = pieceOf(step, job);
  const others = roomOf(job.kit).filter((t) => t.id !== own.id && kinds.includes(t.kind));
  return [own, ...others].map(({ id, name }) => ({ id, name }));
}
