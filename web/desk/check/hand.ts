/** What a hand sweeps over zones: a grade of one test, or "as last time". */
import {
  COMB_SCALE,
  FINGER_SCALE,
  SKIN_SCALE,
  TIE_SCALE,
  TUG_SCALE,
  type ZoneFindings,
} from '../../../core/check/index.ts';

/** The five touch tests in the order of feeling: how they are called, and each grade as a change to a zone. */
export const TESTS = [
  { key: 'finger', name: 'Finger to skin', grades: FINGER_SCALE.map((g) => ({ ...g, sets: { finger: g.value } })) },
  { key: 'tug', name: 'Gentle tug brings', grades: TUG_SCALE.map((g) => ({ ...g, sets: { tug: g.value } })) },
  { key: 'comb', name: 'Comb', grades: COMB_SCALE.map((g) => ({ ...g, sets: { comb: g.value } })) },
  { key: 'tie', name: 'Tied hair', grades: TIE_SCALE.map((g) => ({ ...g, sets: { tie: g.value } })) },
  { key: 'skin', name: 'Skin', grades: SKIN_SCALE.map((g) => ({ ...g, sets: { skin: g.value } })) },
] as const;
export type TestKey = (typeof TESTS)[number]['key'];

export type Held =
  | { readonly kind: 'grade'; readonly test: TestKey; readonly word: string; readonly sets: ZoneFindings }
  | { readonly kind: 'last' };

/** The grade behind a digit key of a test: 0 is the first of its scale. */
export function gradeOfDigit(key: TestKey, digit: number): Held | undefined {
  const test = TESTS.find((t) => t.key === key);
  const grade = test?.grades[digit];
  return grade && { kind: 'grade', test: key, word: grade.word, sets: grade.sets };
}

/** "finger to skin: plate", "as last time". */
export function heldText(held: Held): string {
  if (held.kind === 'last') return 'as last time';
  const test = TESTS.find((t) => t.key === held.test);
  return `${(test?.name ?? '').toLowerCase()}: ${held.word}`;
}
