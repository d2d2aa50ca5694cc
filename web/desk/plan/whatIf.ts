/** What if: the same dog with something else in the room. Kept in the address, so that a question can be shared. */
import type { BenchPage } from '../../../contract/bench.ts';
import { planVisit, type Plan, type PlanRequest } from '../../../core/bench/index.ts';
import type { Tool } from '../../../core/kit/index.ts';

export const SWITCHES = ['helper', 'lying', 'bather', 'no-dryer'] as const;
export type Switch = (typeof SWITCHES)[number];
export const SWITCH_WORDS: Readonly<Record<Switch, string>> = {
  helper: 'A second person',
  lying: 'The dog lies down',
  bather: 'A recirculating bather',
  'no-dryer': 'No force dryer',
};

export interface WhatIf {
  readonly on: readonly Switch[];
  /** Minutes there are, where they are fewer. */
  readonly minutes?: number | undefined;
  /** Whose hands. */
  readonly who?: string | undefined;
}

const MOST_MINUTES = 600;

export function whatIfOf(search: URLSearchParams): WhatIf {
  const asked = (search.get('with') ?? '').split(',');
  const minutes = Number(search.get('minutes'));
  return {
    on: SWITCHES.filter((s) => asked.includes(s)),
    minutes: Number.isInteger(minutes) && minutes > 0 && minutes <= MOST_MINUTES ? minutes : undefined,
    who: search.get('who') ?? undefined,
  };
}

/** The part of an address that is the question, as words: the same words, the same question. */
export const questionIn = (search: URLSearchParams): string =>
  new URLSearchParams([...search].filter(([key]) => ASKED.includes(key))).toString();
const ASKED: readonly string[] = ['with', 'minutes', 'who'];

const BATHER: Tool = { id: 'what-if-bather', kind: 'bather', name: 'a recirculating bather' };

/** A room as the question changes it. */
export function inRoom(
  { kit, house }: Pick<PlanRequest, 'kit' | 'house'>,
  { on, minutes }: WhatIf,
): Pick<PlanRequest, 'kit' | 'house' | 'crew' | 'appointmentMinutes'> {
  let pieces = kit;
  if (on.includes('no-dryer')) pieces = pieces.filter((t) => t.kind !== 'force-dryer');
  if (on.includes('bather') && !pieces.some((t) => t.kind === 'bather')) pieces = [...pieces, BATHER];
  return {
    kit: pieces,
    house,
    crew: { helper: on.includes('helper'), lying: on.includes('lying') },
    appointmentMinutes: minutes,
  };
}

/** The facts of a bench page as the question changes them. */
export function asked({ request, people }: BenchPage, question: string): PlanRequest {
  const whatIf = whatIfOf(new URLSearchParams(question));
  const pace = whatIf.who === undefined ? undefined : people[whatIf.who];
  return {
    ...request,
    ...inRoom(request, whatIf),
    learnt: pace ? { ...request.learnt, pace } : request.learnt,
  };
}

/** The plan of a question: the salon's own where nothing is asked, else computed here. */
export const planOf = (page: BenchPage, question: string, request: PlanRequest): Plan =>
  question === '' ? page.plan : planVisit(request);
