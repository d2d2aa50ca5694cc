/** What is called what on a sheet, which lanes it has, and which of two sheets holds. */
import type { SheetPage } from '../../../contract/roster.ts';
import type { DaySheet } from '../../../core/day/index.ts';
import type { DayLaid } from '../../work/day.worker.ts';
import { placeName, STAGE_WORDS } from '../../words/day.ts';
import { capital } from '../../words/figures.ts';
import type { LanesBy } from './Lanes.tsx';

/** Names of what is on a sheet. */
export function namesOf(page: SheetPage) {
  const visit = new Map(page.visits.map((v) => [v.id, v.name]));
  const person = new Map(page.people.map((p) => [p.id, p.name]));
  return {
    dog: (id: string): string => visit.get(id) ?? 'A dog',
    person: (id: string): string => person.get(id) ?? 'Somebody',
    place: (id: string): string => placeName(id, page.asked.places),
    stage: (id: string, stage: number): string =>
      STAGE_WORDS[page.asked.visits.find((v) => v.id === id)?.stages[stage]?.kind ?? 'check'],
  };
}

/** Lanes of a sheet, with the names of who or what they are. */
export function lanesOf(page: SheetPage, by: LanesBy): readonly { readonly id: string; readonly name: string }[] {
  if (by === 'person') return page.people;
  if (by === 'place')
    return page.asked.places.map((p) => ({
      id: p.id,
      name: capital(placeName(p.id, page.asked.places).replace('the ', '')),
    }));
  return [...page.visits].sort((a, b) => a.startsAt.localeCompare(b.startsAt)).map((v) => ({ id: v.id, name: v.name }));
}

/** The sheet that holds now: as it was laid, or what became of it. */
export const standing = (laid: DayLaid): DaySheet => laid.delay?.rippled ?? laid.sheet;

export type SheetNames = ReturnType<typeof namesOf>;
