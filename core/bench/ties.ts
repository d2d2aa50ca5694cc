/**
 * Decides about every tie before any water: work it out, split it, clip it, or leave it for a vet. The house's side in
 * the quarrel about mats decides where more than one way is open. Common practice; minutes are guesses.
 */
import { TIED, type TieGrade } from '../check/index.ts';
import type { ZoneId } from '../dog/index.ts';
import { copyOf, type Coat } from './coat.ts';
import { layPhase, type BenchJob } from './layout.ts';
import { PHASES } from './methods.ts';

export interface TieDecision {
  readonly zone: ZoneId;
  readonly tie: TieGrade;
  readonly way: 'work-out' | 'split' | 'clip' | 'vet';
  /** The piece that does it. */
  readonly tool?: string | undefined;
  readonly minutes: number;
  /** What decided: the house's way, the tie itself, or that nothing in the room may do it. */
  readonly because: 'house' | 'only-way' | 'nothing-may';
}

/** The decision about each tied zone that may be worked at all. */
export function tiesOf(found: Coat, job: BenchJob): readonly TieDecision[] {
  const coat = copyOf(found);
  const tied = coat.zones.filter((z) => TIED.includes(z.condition)).map((z) => ({ zone: z.id, tie: z.tie }));
  const laid = layPhase(coat, PHASES.ties, job, { minutes: 0 });
  return tied.map(({ zone, tie }): TieDecision => {
    for (const s of laid) {
      const own = s.zones.find((z) => found.zones[z.at]?.id === zone);
      if (!own) continue;
      const way = s.tool.kind === 'clipper' ? 'clip' : s.tool.kind === 'mat-splitter' ? 'split' : 'work-out';
      return { zone, tie, way, tool: s.tool.name, minutes: own.minutes, because: tie === 'mat' ? 'house' : 'only-way' };
    }
    return { zone, tie, way: 'vet', minutes: 0, because: 'nothing-may' };
  });
}
