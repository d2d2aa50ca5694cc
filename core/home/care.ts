/** What else is due at home besides brushing: ears, pads, nails, teeth, the bath, the look-over. Common practice. */
import { addDays, COMMON_PRACTICE, type Day, type Source } from '../quantity/index.ts';
import type { Dog } from '../dog/index.ts';

export const HOME_CARES = ['look-over', 'teeth', 'ears', 'pads', 'nails', 'bath'] as const;
export type HomeCareKind = (typeof HOME_CARES)[number];

export interface HomeCareRow {
  readonly kind: HomeCareKind;
  readonly everyDays: number;
  readonly source: Source;
}
const care = (kind: HomeCareKind, everyDays: number): HomeCareRow => ({
  kind,
  everyDays,
  source: COMMON_PRACTICE,
});

/** Nails every four to six weeks, ears weekly; a bath weekly at most and monthly at least. */
export const HOME_CARE_ROWS: readonly HomeCareRow[] = [
  care('look-over', 7),
  care('teeth', 2),
  care('ears', 7),
  care('pads', 14),
  care('nails', 35),
  care('bath', 30),
];

export interface DueCare {
  readonly kind: HomeCareKind;
  readonly due: Day;
  readonly last: Day | undefined;
}

/** What is due up to a day, the longest due first. last: what the home noted; salon: what was done there, and when. */
export function dueCare(
  dog: Pick<Dog, 'coatClass'>,
  last: ReadonlyMap<HomeCareKind, Day>,
  salon: ReadonlyMap<HomeCareKind, Day>,
  today: Day,
  until: Day,
): readonly DueCare[] {
  return HOME_CARE_ROWS.flatMap((row): DueCare[] => {
    // Coats that weather dirt off are bathed when they need it, not by the calendar.
    if (row.kind === 'bath' && dog.coatClass === 'harsh-double') return [];
    const noted = last.get(row.kind);
    const there = salon.get(row.kind);
    const done = noted === undefined ? there : there === undefined ? noted : noted > there ? noted : there;
    const due = done === undefined ? today : addDays(done, row.everyDays);
    return due <= until ? [{ kind: row.kind, due, last: done }] : [];
  }).sort((a, b) => a.due - b.due);
}
