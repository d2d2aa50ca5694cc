/** Who may do a stage, as people are able, as somebody was wished, and as the desk set it. */
import type { DayAsked, DayVisit } from './asked.ts';

/** Ids of people, in the day's order; empty where it asks for nobody's hands, or nobody is able. */
export function handsFor(
  { people, pins }: Pick<DayAsked, 'people' | 'pins'>,
  visit: DayVisit,
  stage: number,
): readonly string[] {
  const { kind, hands } = visit.stages[stage] ?? {};
  if (!kind || !hands) return [];
  const set = pins.find((p) => p.visit === visit.id && p.stage === stage)?.person;
  if (set !== undefined && people.some((p) => p.id === set)) return [set];
  const able = people.filter((p) => p.can.includes(kind)).map((p) => p.id);
  // Who the dog knows may not be able to do it all: then anybody who is does.
  return visit.with !== undefined && able.includes(visit.with) ? [visit.with] : able;
}
