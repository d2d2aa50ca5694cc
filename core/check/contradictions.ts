/**
 * Decides which findings do not go together and are asked about: a slip of the thumb, or a coat that fools the hand.
 * Nothing is changed by a question; the readings stand until somebody changes them. Common practice.
 */
import { coatRow, mirrorZone, ZONES, type CoatClass, type ZoneId } from '../dog/index.ts';
import type { CoatCheck } from './check.ts';
import type { ZoneFindings } from './scales.ts';

export const ZONE_QUESTIONS = [
  'plate-glides',
  'plate-gives-nothing',
  'skin-but-stops',
  'tie-but-glides',
  'pelt-but-skin',
  'skin-but-handful',
  'no-undercoat-but-plate',
] as const;
export type ZoneQuestion = (typeof ZONE_QUESTIONS)[number];

export type Contradiction =
  | { readonly code: ZoneQuestion; readonly zone: ZoneId }
  | { readonly code: 'sides-differ'; readonly zone: ZoneId; readonly grades: number }
  | { readonly code: 'weight-jump'; readonly kg: number; readonly lastKg: number }
  | { readonly code: 'length-not-of-class'; readonly mm: number; readonly low: number; readonly high: number };

interface Question {
  readonly code: ZoneQuestion;
  readonly holds: (f: ZoneFindings, packs: boolean) => boolean;
}

/** One row a question about a single zone. */
const QUESTIONS: readonly Question[] = [
  { code: 'plate-glides', holds: (f) => f.finger === 4 && f.comb === 'glides' },
  // Packed hair comes at a pull; hair that is tied does not.
  { code: 'plate-gives-nothing', holds: (f) => f.finger === 4 && f.tug === 0 && (f.tie ?? 'none') === 'none' },
  { code: 'skin-but-stops', holds: (f) => f.finger === 0 && f.comb === 'stops' && (f.tie ?? 'none') === 'none' },
  { code: 'tie-but-glides', holds: (f) => (f.tie === 'mat' || f.tie === 'pelt') && f.comb === 'glides' },
  { code: 'pelt-but-skin', holds: (f) => f.tie === 'pelt' && f.finger !== undefined && f.finger <= 1 },
  { code: 'skin-but-handful', holds: (f) => f.finger === 0 && f.tug === 3 },
  { code: 'no-undercoat-but-plate', holds: (f, packs) => !packs && f.finger === 4 && (f.tie ?? 'none') === 'none' },
];

/** Sides of a pair this many finger grades apart are asked about. Guess. */
const SIDES_APART = 3;
/** A change of weight since the last check above this share is asked about. Guess. */
const WEIGHT_JUMP = 0.15;
/** Guard hair this far outside the class's range, as a factor, is asked about. Guess. */
const LENGTH_SLACK = 1.25;

/** How far two zones lie apart by their finger grade; 0 where one was not felt. */
const gradesApart = (a: ZoneFindings, b: ZoneFindings | undefined): number =>
  a.finger === undefined || b?.finger === undefined ? 0 : Math.abs(a.finger - b.finger);

/**
 * What does not go together in a check. lastKg: weight at the check before, when there was one.
 * Clipped coats are not asked about their length: theirs says nothing of the class.
 */
export function contradictions(
  check: CoatCheck,
  coatClass: CoatClass,
  more: { readonly lastKg?: number | undefined; readonly clipped?: boolean | undefined } = {},
): readonly Contradiction[] {
  const coat = coatRow(coatClass);
  const found: Contradiction[] = [];
  for (const { id, side } of ZONES) {
    const own = check.zones[id];
    if (!own) continue;
    for (const q of QUESTIONS) if (q.holds(own, coat.packs)) found.push({ code: q.code, zone: id });
    const grades = side === 'left' ? gradesApart(own, check.zones[mirrorZone(id)]) : 0;
    if (grades >= SIDES_APART) found.push({ code: 'sides-differ', zone: id, grades });
  }
  const { lastKg } = more;
  if (lastKg !== undefined && Math.abs(check.weightKg - lastKg) > WEIGHT_JUMP * lastKg) {
    found.push({ code: 'weight-jump', kg: check.weightKg, lastKg });
  }
  const mm = check.guardMm.back;
  const { low, high } = coat.guardMm;
  const ofClass = (length: number): boolean => length >= low / LENGTH_SLACK && length <= high * LENGTH_SLACK;
  if (mm !== undefined && !more.clipped && !ofClass(mm)) {
    found.push({ code: 'length-not-of-class', mm, low, high });
  }
  return found;
}
