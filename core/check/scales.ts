/**
 * The five touch tests and their grades: what a hand can tell before any water.
 * Common practice; the words are what the screen and the record say.
 */
export interface Grade<V> {
  readonly value: V;
  readonly word: string;
  readonly says: string;
}

export const FINGER_GRADES = [0, 1, 2, 3, 4] as const;
export type FingerGrade = (typeof FINGER_GRADES)[number];
export const TUG_GRADES = [0, 1, 2, 3] as const;
export type TugGrade = (typeof TUG_GRADES)[number];
export const COMB_GRADES = ['glides', 'drags', 'stops'] as const;
export type CombGrade = (typeof COMB_GRADES)[number];
export const TIE_GRADES = ['none', 'knot', 'mat', 'pelt'] as const;
export type TieGrade = (typeof TIE_GRADES)[number];
export const SKIN_FINDINGS = ['clear', 'dander', 'pink', 'hot-spot', 'wound', 'lump', 'new-lump', 'parasites'] as const;
export type SkinFinding = (typeof SKIN_FINDINGS)[number];

export const FINGER_SCALE: readonly Grade<FingerGrade>[] = [
  { value: 0, word: 'skin', says: 'Skin at a touch.' },
  { value: 1, word: 'parted', says: 'Skin when the hair is parted.' },
  { value: 2, word: 'push', says: 'Fingertips get there with a push.' },
  { value: 3, word: 'no skin', says: 'Fingers do not reach the skin.' },
  { value: 4, word: 'plate', says: 'A plate: nothing moves.' },
];
export const TUG_SCALE: readonly Grade<TugGrade>[] = [
  { value: 0, word: 'nothing', says: 'A gentle pull brings nothing.' },
  { value: 1, word: 'few', says: 'A few hairs come.' },
  { value: 2, word: 'tuft', says: 'A tuft comes.' },
  { value: 3, word: 'handful', says: 'A handful comes.' },
];
export const COMB_SCALE: readonly Grade<CombGrade>[] = [
  { value: 'glides', word: 'glides', says: 'Falls through like through water.' },
  { value: 'drags', word: 'drags', says: 'Goes through, with a pull.' },
  { value: 'stops', word: 'stops', says: 'Does not go through. Do not pull.' },
];
export const TIE_SCALE: readonly Grade<TieGrade>[] = [
  { value: 'none', word: 'none', says: 'No hair is tied to another.' },
  { value: 'knot', word: 'knot', says: 'Loose: it opens between the fingers.' },
  { value: 'mat', word: 'mat', says: 'Tied: hairs are locked together.' },
  { value: 'pelt', word: 'pelt', says: 'Felted down to the skin.' },
];
export const SKIN_SCALE: readonly Grade<SkinFinding>[] = [
  { value: 'clear', word: 'clear', says: 'Nothing to see.' },
  { value: 'dander', word: 'dander', says: 'Flakes.' },
  { value: 'pink', word: 'pink', says: 'Reddened, whole, dry.' },
  { value: 'hot-spot', word: 'hot spot', says: 'Open, wet or weeping.' },
  { value: 'wound', word: 'wound', says: 'A cut, graze or sore.' },
  { value: 'lump', word: 'known lump', says: 'Known and painless: work around it.' },
  { value: 'new-lump', word: 'new lump', says: 'New, grown or painful.' },
  { value: 'parasites', word: 'parasites', says: 'Fleas, ticks, mites, or their dirt.' },
];

/** What the hands found in one zone. A test that was not done is absent. */
export interface ZoneFindings {
  readonly finger?: FingerGrade | undefined;
  readonly tug?: TugGrade | undefined;
  readonly comb?: CombGrade | undefined;
  readonly tie?: TieGrade | undefined;
  readonly skin?: SkinFinding | undefined;
}
