/** What a piece of work is as somebody wants it done: steps in order, with a piece, zones and minutes each. */
import type { ZoneId } from '../dog/index.ts';
import type { Tool } from '../kit/index.ts';
import type { PhaseId } from './methods.ts';

export interface ScriptZone {
  readonly zone: ZoneId;
  /** Minutes of one person's work. */
  readonly minutes: number;
}

export interface ScriptStep {
  /** Unlike every other in its script. */
  readonly id: string;
  readonly phase: PhaseId;
  /** A piece of the kit, or one that every room has. */
  readonly toolId: string;
  /** In working order. */
  readonly zones: readonly ScriptZone[];
  /** Kept as it is when the rest is planned again. */
  readonly pinned?: boolean | undefined;
}

export type Script = readonly ScriptStep[];

/** Pieces that every room has; a salon need not list them. */
export const ALWAYS: readonly Tool[] = [
  { id: 'always-towel', kind: 'towel', name: 'towels' },
  { id: 'always-mister', kind: 'mister', name: 'mister' },
  { id: 'always-conditioner', kind: 'conditioner', name: 'conditioner' },
  { id: 'always-care', kind: 'care-set', name: 'nail clipper, cloths, blunt scissors' },
];

/** What hangs in a room: the kit and what every room has. */
export const roomOf = (kit: readonly Tool[]): readonly Tool[] => [...kit, ...ALWAYS];

export const workMinutes = (step: Pick<ScriptStep, 'zones'>): number => {
  let total = 0;
  for (const z of step.zones) total += z.minutes;
  return total;
};
