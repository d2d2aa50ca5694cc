/**
 * What is wrong with a script, at which step, and what one act would mend it. A planned script has no fault;
 * one that was edited by hand may have any.
 */
import { kept, sum } from '../quantity/index.ts';
import type { ZoneId } from '../dog/index.ts';
import { BLADES, forbiddenBy, rule, type Tool, type Wetness } from '../kit/index.ts';
import { DRY_TO_SKIN, ruleContext, skinTolerance, wearLimit, type Coat, type CoatZone } from './coat.ts';
import { applyEdit, stepsFor, type Edit } from './edit.ts';
import { rankingIn, type BenchJob } from './rankings.ts';
import { PHASES, type PhaseId } from './methods.ts';
import { roomOf, workMinutes, type Script, type ScriptStep } from './script.ts';
import { workCoat, combFalls, pieceOf, workScript } from './simulate.ts';
import { figuresOf, stateFor } from './work.ts';

export const FAULT_CODES = [
  'forbidden',
  'stopped-zone',
  'does-nothing',
  'skin',
  'topcoat',
  'blade-minutes',
  'tie-wetted',
  'half-tie',
  'soap-left',
  'home-wet',
  'no-proof',
] as const;
export type FaultCode = (typeof FAULT_CODES)[number];

export interface Fault {
  readonly code: FaultCode;
  /** `never` must be mended before the table; `warn` may stand. */
  readonly severity: 'never' | 'warn';
  /** The step at which it shows. */
  readonly step: string;
  readonly zones: readonly ZoneId[];
  /** The rule that is broken, where one says it. */
  readonly rule?: string | undefined;
  readonly wetness?: Wetness | undefined;
  /** One edit that mends it, where one does. */
  readonly mend?: Edit | undefined;
}

const WATER: readonly PhaseId[] = ['bath', 'soapy-work', 'rewash'];
/** Poor work that hurts nobody; every other fault must be mended. */
const MAY_STAND: ReadonlySet<FaultCode> = new Set<FaultCode>(['does-nothing', 'no-proof']);
const mustBeMended = ({ code }: Pick<Fault, 'code'>): boolean => !MAY_STAND.has(code);
/** Past a limit by less than this is floating dust. */
const DUST = 1e-6;

type Found = Omit<Fault, 'severity' | 'mend'>;

/** Every fault of a script on the coat as found, in the order in which the work would meet them, with what mends it. */
export const faultsOf = (script: Script, found: Coat, job: BenchJob): readonly Fault[] =>
  faultsOnly(script, found, job).map((fault) => ({ ...fault, mend: mendOf(fault, script, found, job) }));

/** As faultsOf, without the search for mends: quick enough for a script that is being dragged. */
export const faultsOnly = (script: Script, found: Coat, job: BenchJob): readonly Fault[] =>
  foundIn(script, found, job).map((fault) => ({ ...fault, severity: mustBeMended(fault) ? 'never' : 'warn' }));

/** Does a script break nothing that must never be. */
export const isLegal = (script: Script, found: Coat, job: BenchJob): boolean =>
  !foundIn(script, found, job).some(mustBeMended);

function foundIn(script: Script, found: Coat, job: BenchJob): readonly Found[] {
  const faults: Found[] = [];
  const wears = wearLimit(job.dog, figuresOf(job));
  const overSkin = new Set<CoatZone>();
  const overWear = new Set<CoatZone>();
  const forbidden = new Map<string, string | undefined>();
  let blade = 0;
  let bladeSaid = false;
  let soapSaid = false;
  let here: { readonly done: () => void } | undefined;
  const lastOf = new Map<CoatZone, string>();

  const coat = workCoat(script, found, job, {
    watch: (step, tool) => {
      here?.done();
      const { work } = PHASES[step.phase];
      const byRule = new Map<string, ZoneId[]>();
      const wetted: ZoneId[] = [];
      const idle = new Map<Wetness, ZoneId[]>();
      const stopped: ZoneId[] = [];
      let soapy = false;
      /** Zones that the step works, as it finds them: what was overdone before is not its fault. */
      const zones: { readonly z: CoatZone; readonly skinLoad: number; readonly wear: number }[] = [];
      const minutes = new Map(step.zones.map((z) => [z.zone, z.minutes]));
      if (BLADES.includes(tool.kind)) {
        blade += workMinutes(step);
        if (blade > job.house.bladeMinutes + DUST && !bladeSaid) {
          bladeSaid = true;
          faults.push({ code: 'blade-minutes', step: step.id, zones: step.zones.map((z) => z.zone) });
        }
      }
      here = {
        done: () => {
          for (const [id, where] of byRule) faults.push({ code: 'forbidden', step: step.id, zones: where, rule: id });
          if (stopped.length > 0) faults.push({ code: 'stopped-zone', step: step.id, zones: stopped });
          for (const [wetness, where] of idle) {
            faults.push({ code: 'does-nothing', step: step.id, zones: where, wetness });
          }
          if (wetted.length > 0) {
            faults.push({ code: 'tie-wetted', step: step.id, zones: wetted, rule: 'no-bath-tied' });
          }
          if (soapy && !soapSaid) {
            soapSaid = true;
            faults.push({ code: 'soap-left', step: step.id, zones: [] });
          }
          const skin = zones
            .filter(({ z, skinLoad }) => z.skinLoad > Math.max(skinLoad, skinTolerance(z)) + DUST && !overSkin.has(z))
            .map(({ z }) => z);
          if (skin.length > 0) {
            for (const z of skin) overSkin.add(z);
            faults.push({ code: 'skin', step: step.id, zones: skin.map((z) => z.id) });
          }
          const worn = zones
            .filter(({ z, wear }) => z.wear > Math.max(wear, wears) + DUST && !overWear.has(z))
            .map(({ z }) => z);
          if (worn.length > 0) {
            for (const z of worn) overWear.add(z);
            faults.push({ code: 'topcoat', step: step.id, zones: worn.map((z) => z.id) });
          }
        },
      };
      return (z, wetness) => {
        if (z.condition === 'stop') {
          stopped.push(z.id);
          return;
        }
        zones.push({ z, skinLoad: z.skinLoad, wear: z.wear });
        if ((minutes.get(z.id) ?? 0) <= 0) return;
        lastOf.set(z, step.id);
        if (z.tie !== 'none' && WATER.includes(step.phase)) {
          wetted.push(z.id);
          return;
        }
        if (z.soap && (work === 'towel' || work === 'drying')) soapy = true;
        const asked = work === 'hands' || work === 'ties' ? wetness : PHASES[step.phase].wetness;
        const id = kept(
          forbidden,
          `${tool.id} ${asked} ${z.likeness}`,
          () => forbiddenBy(tool, ruleContext(z, asked, job))?.id,
        );
        if (id !== undefined) push(byRule, id, z.id);
        else if (work === 'hands' && !doesSomething(tool, z, step.phase, job)) push(idle, wetness, z.id);
      };
    },
  });
  here?.done();
  const last = script.at(-1)?.id ?? '';
  const half = coat.zones.filter((z) => z.tieDone > 0 && z.tie !== 'none');
  if (half.length > 0)
    faults.push({ code: 'half-tie', step: lastWith(script, 'ties') ?? last, zones: half.map((z) => z.id) });
  // Where work stopped, soap and water are taken out by hand: no step comes there.
  if (!soapSaid && coat.zones.some((z) => z.soap && z.condition !== 'stop')) {
    faults.push({ code: 'soap-left', step: lastWith(script, 'soapy-work') ?? last, zones: [] });
  }
  const dryers = roomOf(job.kit).filter((t) => t.kind === 'force-dryer' || t.kind === 'stand-dryer');
  const wet = coat.zones.filter(
    (z) =>
      z.bathed &&
      z.condition !== 'stop' &&
      z.wet > DRY_TO_SKIN &&
      // Where no dryer may go a towel is all there is; everywhere else the coat is dried to the skin.
      (dryers.length === 0 || dryers.some((t) => !forbiddenBy(t, ruleContext(z, 'damp', job)))),
  );
  if (wet.length > 0)
    faults.push({ code: 'home-wet', step: lastWith(script, 'drying') ?? last, zones: wet.map((z) => z.id) });
  const combed = new Set(script.filter((s) => s.phase === 'comb').flatMap((s) => s.zones.map((z) => z.zone)));
  const unproved = coat.zones.filter(
    (z) => z.condition !== 'stop' && lastOf.has(z) && !combed.has(z.id) && !combFalls(z, job),
  );
  if (unproved.length > 0 && script.length > 0) {
    faults.push({ code: 'no-proof', step: last, zones: unproved.map((z) => z.id) });
  }
  return faults;
}

const push = <K>(map: Map<K, ZoneId[]>, key: K, zone: ZoneId): void =>
  void kept(map, key, (): ZoneId[] => []).push(zone);

const lastWith = (script: Script, phase: PhaseId): string | undefined => script.findLast((s) => s.phase === phase)?.id;

/** Does the ranking of the room know this piece here, in the state in which the step finds the zone. */
function doesSomething(tool: Tool, z: CoatZone, phase: PhaseId, job: BenchJob): boolean {
  const wetness = stateFor('hands', phase, z);
  const ranking = rankingIn(z, PHASES[phase], wetness, job);
  return ranking.fits.some((f) => f.tool.id === tool.id) || !ranking.useless.some((u) => u.tool.id === tool.id);
}

/** One edit after which a fault of this kind no longer shows at this step, if there is one. */
function mendOf(fault: Found, script: Script, found: Coat, job: BenchJob): Edit | undefined {
  const index = script.findIndex((s) => s.id === fault.step);
  const step = script[index];
  if (!step) return undefined;
  const leaveOut: Edit = { kind: 'leave-out', id: step.id, zones: fault.zones };
  switch (fault.code) {
    case 'stopped-zone':
      return leaveOut;
    case 'forbidden':
      return byPlace(fault, index, script, found, job) ?? byPiece(fault, step, index, script, found, job) ?? leaveOut;
    case 'does-nothing':
      return byPlace(fault, index, script, found, job) ?? byPiece(fault, step, index, script, found, job) ?? leaveOut;
    case 'tie-wetted': {
      const ties = script.find((s, i) => i > index && s.phase === 'ties');
      if (ties) return { kind: 'move', id: ties.id, to: index };
      const added = stepsFor('ties', script, index, found, job);
      return added.length > 0 ? { kind: 'add', steps: added, at: index } : undefined;
    }
    case 'half-tie': {
      const ties = script.find((s) => s.id === fault.step && s.phase === 'ties');
      return ties && { kind: 'minutes', id: ties.id, minutes: needAt(ties, script, found, job) };
    }
    case 'skin':
    case 'topcoat':
      return shortened(fault, step, script, found, job);
    case 'blade-minutes': {
      const before = sum(
        script
          .slice(0, index)
          .filter((s) => BLADES.includes(pieceOf(s, job).kind))
          .map(workMinutes),
      );
      const allowed = Math.max(0, job.house.bladeMinutes - before);
      return allowed > 0 ? { kind: 'minutes', id: step.id, minutes: allowed } : { kind: 'drop', id: step.id };
    }
    case 'soap-left': {
      const at = step.phase === 'soapy-work' ? index + 1 : index;
      const added = stepsFor('rewash', script, at, found, job);
      return added.length > 0 ? { kind: 'add', steps: added, at } : undefined;
    }
    case 'home-wet': {
      const drying = script.find((s) => s.id === fault.step && s.phase === 'drying');
      const full = drying && needAt(drying, script, found, job);
      if (drying && full !== undefined && full > workMinutes(drying) + DUST) {
        return { kind: 'minutes', id: drying.id, minutes: full };
      }
      const water = script.findLastIndex(
        (s) => WATER.includes(s.phase) || s.phase === 'towel' || s.phase === 'condition',
      );
      const added = stepsFor('drying', script, water + 1, found, job);
      return added.length > 0 ? { kind: 'add', steps: added, at: water + 1 } : undefined;
    }
    case 'no-proof': {
      const added = stepsFor('comb', script, script.length, found, job);
      return added.length > 0 ? { kind: 'add', steps: added, at: script.length } : undefined;
    }
  }
}

/** The nearest place in the order at which the step no longer has this fault and nothing new is broken. */
function byPlace(fault: Found, index: number, script: Script, found: Coat, job: BenchJob): Edit | undefined {
  // A rule that does not look at water does not care about the order.
  if (fault.rule !== undefined && !rule(fault.rule).when.wetness) return undefined;
  const before = foundIn(script, found, job).filter(mustBeMended).length;
  for (let away = 1; away < script.length; away++) {
    for (const to of [index - away, index + away]) {
      if (to < 0 || to >= script.length) continue;
      const edit: Edit = { kind: 'move', id: fault.step, to };
      const after = foundIn(applyEdit(script, edit), found, job);
      const gone = !after.some((f) => f.step === fault.step && f.code === fault.code);
      if (gone && after.filter(mustBeMended).length <= before) return edit;
    }
  }
  return undefined;
}

/** The best piece that may work all of the step's zones as it finds them. */
function byPiece(
  fault: Found,
  step: ScriptStep,
  index: number,
  script: Script,
  found: Coat,
  job: BenchJob,
): Edit | undefined {
  const coat = workCoat(script, found, job, { upTo: index });
  const phase = PHASES[step.phase];
  const zones = coat.zones.filter((z) => step.zones.some((own) => own.zone === z.id) && z.condition !== 'stop');
  const fits = zones.map((z) => rankingIn(z, phase, stateFor(phase.work, step.phase, z), job).fits);
  const first = zones.find((z) => fault.zones.includes(z.id));
  const ranked = first ? rankingIn(first, phase, stateFor(phase.work, step.phase, first), job).fits : [];
  const piece = ranked.find(
    (f) => f.tool.id !== step.toolId && fits.every((own) => own.some((x) => x.tool.id === f.tool.id)),
  );
  return piece && { kind: 'swap', id: step.id, toolId: piece.tool.id };
}

/** The step's minutes in the zones that were overworked, cut to what is still borne. */
function shortened(fault: Found, step: ScriptStep, script: Script, found: Coat, job: BenchJob): Edit {
  const own = new Map(step.zones.map((z) => [z.zone, z.minutes]));
  const over = (share: number): boolean => {
    const zones = fault.zones.map((zone) => ({ zone, minutes: (own.get(zone) ?? 0) * share }));
    const tried = applyEdit(script, { kind: 'set-zones', id: step.id, zones });
    return foundIn(tried, found, job).some((f) => f.code === fault.code && f.step === step.id);
  };
  if (over(0)) return { kind: 'leave-out', id: step.id, zones: fault.zones };
  let [low, high] = [0, 1];
  for (let i = 0; i < 8; i++) {
    const middle = (low + high) / 2;
    if (over(middle)) high = middle;
    else low = middle;
  }
  return {
    kind: 'set-zones',
    id: step.id,
    zones: fault.zones.map((zone) => ({ zone, minutes: (own.get(zone) ?? 0) * low })),
  };
}

/** Minutes that a step of water, air or ties needs where it stands. */
function needAt(step: ScriptStep, script: Script, found: Coat, job: BenchJob): number {
  const index = script.findIndex((s) => s.id === step.id);
  const before = workCoat(script, found, job, { upTo: index });
  return sum(workScript([step], before, job, { waterAsNeeded: true }).script.map(workMinutes));
}
