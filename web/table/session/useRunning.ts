/** What hands do in a running session: every act said, the plan made again when something happened, and what is asked about it. */
import { useRef, useState } from 'react';
import type { CombGrade } from '../../../core/check/index.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import {
  beginAct,
  nextStep,
  walks,
  zonesToWalk,
  type Met,
  type Proposal,
  type ReplanReason,
  type SessionAct,
  type SessionRecord,
  type StepRecord,
} from '../../../core/table/index.ts';
import { signal } from './comfort.ts';
import { changesPlan, replanAct } from './Proposed.tsx';
import { handOf, screenOf, type Asked } from './screens.ts';
import type { Table } from './useTable.ts';
import type { Heard } from './Work.tsx';

/** What stops work is followed without a question. */
const isMust = (p: Proposal): boolean => p.stop !== undefined;

/** Hair of less is not worth a bowl. */
const WORTH_WEIGHING_G = 3;

export function useRunning(table: Table) {
  const { record, device, name, tell } = table;
  const [given, setAsked] = useState<Asked | undefined>();
  const [enough, setEnough] = useState(false);
  const hand = handOf(table);
  // A question is answered once: a second tap while the first is being kept is the same answer.
  const answering = useRef(false);
  const once = async (answer: () => Promise<void>): Promise<void> => {
    if (answering.current) return;
    answering.current = true;
    await answer().finally(() => (answering.current = false));
  };

  const say = async (...acts: readonly SessionAct[]): Promise<SessionRecord> => {
    signal('tap');
    return tell(...acts);
  };
  /** What begins the next step, where there is one: said in the same tap as what ends the last, so that one undo takes both. */
  const begins = (r: SessionRecord): readonly SessionAct[] => {
    const s = nextStep(r, device, name);
    return s ? [beginAct(s, r, device, name)] : [];
  };
  const nextZone = (s: StepRecord, r: SessionRecord, after: ZoneId | undefined): ZoneId | undefined =>
    zonesToWalk(s, r, device, name).find((z) => z !== after);
  /** Something happened: the plan is made again at once, and asked about, or followed where it must be. */
  const happened = async (because: ReplanReason, then: 'next' | 'stay', act: SessionAct): Promise<void> => {
    const proposal = table.ask(because, await say(act));
    if (!proposal) return;
    if (isMust(proposal)) await tell(replanAct(proposal));
    setAsked({ kind: 'proposal', proposal, then });
  };
  /** A step is done, after other acts of the same tap: its hair is weighed, where there is enough, or the next begins. */
  const finishStep = async (s: StepRecord, heard: Heard | undefined, ...acts: readonly SessionAct[]): Promise<void> => {
    const weighs = s.plan.gramsOut >= WORTH_WEIGHING_G;
    if (weighs) setAsked({ kind: 'weigh', step: s.id, then: 'next' });
    await say(
      ...acts,
      ...(heard ? [{ kind: 'heard', step: s.id, ...heard } as const] : []),
      { kind: 'step-done', step: s.id },
      ...(weighs ? [] : begins(record)),
    );
  };
  const goTo = async (
    s: StepRecord,
    zone: ZoneId | undefined,
    heard: Heard | undefined,
    ...acts: readonly SessionAct[]
  ): Promise<void> => {
    if (zone) await say(...acts, { kind: 'zone', step: s.id, zone });
    else await finishStep(s, heard, ...acts);
  };
  /** Hands go where an answered proposal leads: to the piece that was put in, or on from where they are. */
  const goOn = async (proposal: Proposal, take: boolean, then: 'next' | 'stay', r: SessionRecord): Promise<void> => {
    if (proposal.stop === 'dog') return;
    const mine = handOf({ ...table, record: r });
    // A piece that was put in comes first; the step in hand waits for its return.
    const added = take ? r.steps.find((s) => s.state === 'waiting' && s.id === proposal.piece?.step) : undefined;
    if (added) await tell(beginAct(added, r, device, name));
    else if (!mine) await tell(...begins(r));
    else if (then === 'next' && walks(mine.step.plan))
      await goTo(mine.step, nextZone(mine.step, r, mine.zone), undefined);
  };

  /** Was a proposal followed before it was shown. */
  const isFollowed = (proposal: Proposal): boolean => isMust(proposal) && given !== undefined;

  return {
    screen: screenOf(table, given, enough),
    hand,
    say,
    begins,
    goTo,
    finishStep,
    ask: setAsked,
    askNothing: () => setAsked(undefined),
    feelNoMore: () => setEnough(true),
    /** Says acts, and goes back to the work. */
    answer: (...acts: readonly SessionAct[]): void => {
      setAsked(undefined);
      void say(...acts);
    },
    isFollowed,
    decide: (proposal: Proposal, then: 'next' | 'stay', take: boolean): void =>
      void once(async () => {
        const taken = isFollowed(proposal) ? undefined : take ? proposal : proposal.otherwise;
        const r = taken ? await say(replanAct(taken)) : record;
        setAsked(undefined);
        await goOn(proposal, take, then, r);
      }),
    weighed: (then: 'next' | 'stay', ...acts: readonly SessionAct[]): void =>
      void once(async () => {
        const all = [...acts, ...(then === 'next' ? begins(record) : [])];
        if (all.length > 0) await say(...all);
        setAsked(undefined);
      }),
    met: (met: Met): void => {
      setAsked(undefined);
      void happened({ code: 'met', ...met }, 'stay', { kind: 'met', ...met });
    },
    combed: (step: StepRecord, zone: ZoneId, result: CombGrade): void => {
      const act: SessionAct = { kind: 'comb', zone, result };
      if (result === 'glides') void goTo(step, nextZone(step, record, zone), undefined, act);
      else void happened({ code: 'dragged', zone, result }, 'stay', act);
    },
    pink: (step: StepRecord, zone: ZoneId): void =>
      void happened({ code: 'pink', zone, tool: step.plan.tool.kind }, 'next', { kind: 'pink', step: step.id, zone }),
    late: (minutes: number): void => {
      const proposal = table.ask({ code: 'late', minutes });
      if (proposal && changesPlan(proposal)) setAsked({ kind: 'proposal', proposal, then: 'stay' });
    },
  };
}
