/** The bench of a plan: its stairs as hands have changed them, as they are being tried, and what follows for faults and coat. */
import { startTransition, useDeferredValue, useMemo, useState } from 'react';
import {
  applyEdit,
  careOf,
  clockShare,
  coatAfter,
  faultsOf,
  faultsOnly,
  FIGURES,
  METHOD_IDS,
  openMethod,
  PHASES,
  planByHand,
  roomOf,
  scriptOf,
  stepsFor,
  worksite,
  type Edit,
  type Fault,
  type MethodPlan,
  type PhaseId,
  type Plan,
  type PlanRequest,
  type Script,
  type Worksite,
} from '../../../core/bench/index.ts';
import { methodName } from '../../words/reasons.ts';
import { useScript } from './useScript.ts';

/** The plan that a script comes to; what the method planned by itself where nothing was changed. */
function useWorked(
  request: PlanRequest,
  open: MethodPlan,
  site: Worksite,
  script: Script,
  planned: Script,
): MethodPlan {
  return useMemo(
    () => (script === planned ? open : planByHand(request, open.method, script, site)),
    [request, open, site, script, planned],
  );
}

interface BenchRequest {
  readonly request: PlanRequest;
  readonly plan: Plan;
  readonly open: MethodPlan;
  readonly checkId: string;
  /** The method that is laid over, as the address says it. */
  readonly overName: string | undefined;
}

/** The stairs to lay over: where nobody asks, a changed stair has the planned one under it, and any other the recommended. */
function laidOverOf({ plan, open, overName }: BenchRequest, changed: boolean) {
  const best = plan.recommended?.method;
  const named = METHOD_IDS.find((id) => id === overName);
  const id = named ?? (overName === undefined && !changed ? best : undefined);
  const over = id && id !== open.method ? openMethod(plan, id) : undefined;
  if (over) {
    const name = over.method === best ? 'the recommended stair' : methodName(over.method).toLowerCase();
    return { method: over.method, steps: over.steps, name };
  }
  return changed && overName === undefined ? { method: undefined, steps: open.steps, name: 'as planned' } : undefined;
}

export function useBench(asked: BenchRequest) {
  const { request, open, checkId } = asked;
  const planned = useMemo(() => scriptOf(open.steps), [open]);
  const site = useMemo(
    (): Worksite => ({
      ...worksite(request),
      choices: new Map(open.steps.map((s) => [s.id, { toolId: s.tool.id, choice: s.chosen }])),
    }),
    [request, open],
  );
  const hand = useScript(checkId, open.method, planned);
  const room = useMemo(() => new Set(roomOf(request.kit).map((t) => t.id)), [request]);
  // A piece that a what-if takes off the wall takes its steps along.
  const script = useMemo(
    () => (hand.script.every((s) => room.has(s.toolId)) ? hand.script : hand.script.filter((s) => room.has(s.toolId))),
    [hand.script, room],
  );
  const [trying, setTrying] = useState<Edit | undefined>();
  const seen = useMemo(() => (trying ? applyEdit(script, trying) : script), [script, trying]);
  const shown = useWorked(request, open, site, seen, planned);
  const stood = useWorked(request, open, site, script, planned);
  // The stairs answer the hand at once; what is wrong with them, the coat and what hangs on both follow.
  const judged = useDeferredValue(seen);
  const faults = useMemo((): readonly Fault[] => {
    if (judged === planned) return [];
    return trying ? faultsOnly(judged, site.found, site.job) : faultsOf(judged, site.found, site.job);
  }, [judged, planned, trying, site]);

  const [chosenId, setChosen] = useState<string | undefined>();
  const [looked, setLooked] = useState<string | undefined>();
  const chosen = shown.steps.find((s) => s.id === chosenId) ?? shown.steps[0];
  const under = useDeferredValue(shown.steps.find((s) => s.id === looked) ?? chosen);
  const underAt = judged.findIndex((s) => s.id === under?.id);
  const coat = useMemo(
    () => (underAt < 0 ? undefined : coatAfter(judged, underAt + 1, site.found, site.job)),
    [judged, underAt, site],
  );
  const care = useMemo(() => careOf(shown.steps, request.dog, request.crew), [shown, request]);

  /** Minutes on the clock are fewer than minutes of work where two work. */
  const inWork = (edit: Edit): Edit => {
    if (edit.kind !== 'minutes') return edit;
    const step = script.find((s) => s.id === edit.id);
    const share = step ? clockShare(PHASES[step.phase].work, request.crew, site.job.figures ?? FIGURES) : 1;
    return { ...edit, minutes: edit.minutes / share };
  };
  const edit = (e: Edit): void => hand.edit(inWork(e));
  const place = (id: string | undefined): number => shown.steps.findIndex((s) => s.id === id);
  return {
    site,
    hand,
    script,
    /** As tried: a drag that is not let go of yet counts. */
    shown,
    /** As it stands. */
    stood,
    seen,
    faults,
    never: faults.filter((f) => f.severity === 'never').length,
    chosen,
    /** The step under which the coat is shown, its place, and the coat after it. */
    under,
    underAt,
    coat,
    care,
    over: laidOverOf(asked, hand.changed),
    place,
    edit,
    choose: (id: string): void => startTransition(() => setChosen(id)),
    look: (id: string | undefined): void => startTransition(() => setLooked(id)),
    attempt: (e: Edit | undefined): void => setTrying(e && inWork(e)),
    /** Adds a step of a phase after the chosen one. */
    add: (phase: PhaseId): void => {
      const at = chosen ? place(chosen.id) + 1 : script.length;
      const steps = stepsFor(phase, script, at, site.found, site.job);
      if (steps.length > 0) edit({ kind: 'add', steps, at });
    },
  };
}
export type Bench = ReturnType<typeof useBench>;
