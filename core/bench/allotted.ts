/**
 * The script that a layout and its minutes come to. The comb keeps to its share as the proof, the finish is a light
 * pass, and what would be too short to pick a tool up for is not done.
 */
import { sum } from '../quantity/index.ts';
import { zone, type Region } from '../dog/index.ts';
import { WORTH_A_TOOL_MINUTES } from './assign.ts';
import type { Coat } from './coat.ts';
import { clockMinutes, type Crew } from './crew.ts';
import type { LaidStep } from './layout.ts';
import { PHASES } from './methods.ts';
import type { BenchJob } from './rankings.ts';
import { workMinutes, type Script, type ScriptStep } from './script.ts';
import { figuresOf } from './work.ts';

/** Steps of a layout as a script, with the minutes given by step and place; steps and zones without any are left out. */
export function scriptFrom(laid: readonly LaidStep[], found: Coat, minutes: readonly (readonly number[])[]): Script {
  const script: ScriptStep[] = [];
  laid.forEach((s, i) => {
    const hands = s.phase.work === 'hands';
    const zones: ScriptStep['zones'][number][] = [];
    s.zones.forEach(({ at }, place) => {
      const z = found.zones[at];
      const own = minutes[i]?.[place] ?? 0;
      if (z && (!hands || own > 1e-9)) zones.push({ zone: z.id, minutes: own });
    });
    if (zones.length > 0) script.push({ id: s.id, phase: s.phase.id, toolId: s.tool.id, zones });
  });
  return script;
}

/** A light finish after the comb, at most. Common practice. */
const FINISH_MINUTES = 5;

/** A script as a groomer would hold to it; see above. */
export function asWorked(given: Script, found: Coat, job: BenchJob, crew: Crew | undefined): Script {
  const f = figuresOf(job);
  const script = given.flatMap((s) => (isTooShort(s, job, crew) ? withoutAllBut(SMALL_PLACES, s) : [s]));
  const handsOf = (picks: (s: ScriptStep) => boolean): number =>
    sum(script.filter((s) => PHASES[s.phase].work === 'hands' && picks(s)).map(workMinutes));
  const proved = new Set(script.filter((s) => s.phase === 'comb').flatMap((s) => s.zones.map((z) => z.zone)));
  const area = sum(found.zones.filter((z) => proved.has(z.id)).map((z) => z.areaM2));
  const finish = Math.min(
    FINISH_MINUTES,
    handsOf((s) => s.phase === 'finish'),
  );
  const others = finish + handsOf((s) => s.phase !== 'comb' && s.phase !== 'finish');
  const proof = Math.max((others * f.proofShare) / (1 - f.proofShare), f.proofPerM2 * area);
  const most: Partial<Record<ScriptStep['phase'], number>> = { comb: proof, finish: FINISH_MINUTES };
  return script.map((s): ScriptStep => {
    const limit = most[s.phase];
    return limit === undefined
      ? s
      : shortenedTo(
          s,
          limit,
          handsOf((x) => x.phase === s.phase),
        );
  });
}

/** A step of a phase with so many minutes in all, cut in proportion to what the phase may take. */
const shortenedTo = (s: ScriptStep, limit: number, now: number): ScriptStep =>
  now <= limit ? s : { ...s, zones: s.zones.map((z) => ({ ...z, minutes: (z.minutes * limit) / now })) };

/** Places so small that a minute is worth another tool. */
const SMALL_PLACES: readonly Region[] = ['face', 'forefoot', 'hindfoot'];

/** Even there it is not done for less, minutes. Guess. */
const WORTH_A_MINUTE = 0.5;

function isTooShort(s: ScriptStep, job: BenchJob, crew: Crew | undefined): boolean {
  const { work } = PHASES[s.phase];
  // The proof is worth it at any length.
  if (work !== 'hands' || s.phase === 'comb') return false;
  const kind = job.kit.find((t) => t.id === s.toolId)?.kind ?? 'bristle';
  return clockMinutes(work, workMinutes(s), kind, crew, figuresOf(job)) < WORTH_A_TOOL_MINUTES;
}

function withoutAllBut(places: readonly Region[], s: ScriptStep): ScriptStep[] {
  const zones = s.zones.filter((z) => places.includes(zone(z.zone).region));
  const worth = sum(zones.map((z) => z.minutes)) >= WORTH_A_MINUTE;
  return worth ? [{ ...s, zones }] : [];
}
