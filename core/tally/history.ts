/** What a dog's visits look like side by side: hair by stage of the work, minutes against plan, undercoat by day. */
import { sum } from '../quantity/index.ts';
import { PHASES, type PhaseId } from '../bench/index.ts';
import type { ZoneCondition } from '../check/index.ts';
import { zone } from '../dog/index.ts';
import type { SessionRecord } from '../table/index.ts';

/** Stages of a visit, in the order in which most schools meet them. */
export const STAGES = ['dry', 'water', 'air', 'proof'] as const;
export type Stage = (typeof STAGES)[number];

const PROOF: readonly PhaseId[] = ['edge', 'comb', 'finish'];

/** The stage of a phase. */
export function stageOf(phase: PhaseId): Stage {
  if (PROOF.includes(phase)) return 'proof';
  const { work } = PHASES[phase];
  if (work === 'drying' || work === 'air') return 'air';
  return work === 'hands' || work === 'ties' || work === 'mist' ? (phase === 'soapy-work' ? 'water' : 'dry') : 'water';
}

export type GramsByStage = Readonly<Record<Stage, number>>;

/** Weighed hair of a visit by stage, grams. */
export function gramsByStage(record: Pick<SessionRecord, 'steps'>): GramsByStage {
  const grams = { dry: 0, water: 0, air: 0, proof: 0 };
  for (const s of record.steps) grams[stageOf(s.plan.phase)] += s.grams ?? 0;
  return grams;
}

/** Undercoat over the whole dog as fingers found it: the mean grade, 0 bare … 4 plate, by surface; stops left out. */
export function meanGrade(conditions: readonly ZoneCondition[]): number {
  const open = conditions.filter((c) => c.kind !== 'stop');
  const all = sum(open.map((c) => zone(c.zone).surfaceShare));
  return all > 0 ? sum(open.map((c) => c.grade * zone(c.zone).surfaceShare)) / all : 0;
}
