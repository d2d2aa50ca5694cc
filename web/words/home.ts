/** How the home is said, to owners and at the desk: plain words, no trade. */
import type { HomeCareKind, HomeDont, HomePart, KeepOff, PartReason, ReportKind } from '../../core/home/index.ts';
import { EDGE_AT_HOME, homePartRow } from '../../core/home/index.ts';
import { listText } from './figures.ts';

export const partNames = (parts: readonly HomePart[]): string => listText(parts.map((p) => homePartRow(p).name));

export const WHY_WORDS: Readonly<Record<PartReason, string>> = {
  pinned: 'your groomer asks for it',
  dragged: 'the comb dragged there last time',
  packed: 'it was packed or tied',
  seeds: 'seeds hang there after walks',
  watched: 'it packs first on a coat like this',
  usual: 'its turn in the round',
  gentle: 'thin skin: seldom and lightly',
  weekly: 'once a week is enough',
};

/** "Every day", "Every other day", "Once a week". */
export function everyText(days: number): string {
  if (days <= 1) return 'Every day';
  if (days === 2) return 'Every other day';
  if (days === 3 || days === 4) return 'Twice a week';
  return days === 7 ? 'Once a week' : `Every ${days} days`;
}

export const DONT_WORDS: Readonly<Record<HomeDont, string>> = {
  clip: 'Do not clip the coat short for summer: it shields from sun and may not grow back as it was.',
  scissors: 'No scissors under a knot: skin lies closer than it looks. Bring it to us.',
  'wet-brush': 'Do not brush wet: wait until the coat is bone dry.',
  'bath-knots': 'No bath over knots: water ties them tight.',
  oils: 'No essential oils and no human shampoo: some poison dogs. In doubt ask a vet.',
  blade: 'No blade combs on ears, feet, belly, rump, back of legs or tail.',
};

/** A plastic edge in several hands. */
export const EDGE_WORDS = `At most ${EDGE_AT_HOME.timesAWeek === 2 ? 'twice' : `${EDGE_AT_HOME.timesAWeek} times`} a week, dry, on the torso only; pink skin ends it.`;

export const CARES: Readonly<Record<HomeCareKind, { readonly word: string; readonly how: string }>> = {
  'look-over': {
    word: 'Look the dog over',
    how: 'Eyes, mouth, ears, skin under the hair, between the toes. A new lump, a sore, red or wet skin, limping: show a vet.',
  },
  teeth: { word: 'Brush teeth', how: 'A soft brush and paste made for dogs. Sore or bleeding gums: show a vet.' },
  ears: {
    word: 'Look into the ears',
    how: 'Clean and without smell is right. Nothing goes into the ear. Smell, dark wax, scratching: show a vet.',
  },
  pads: {
    word: 'Look between the pads',
    how: 'Seeds, stones, hair that ties. Take out by hand; do not cut with the point towards the skin. Wipe paws after walks, salt and grit; balm on cracked pads, and a treat while it dries in, so that it is not licked off.',
  },
  nails: {
    word: 'Nails',
    how: 'When they click on the floor they are due. Small pieces off the end, or let us do it.',
  },
  bath: { word: 'Bath', how: 'Brush first: no bath over knots. Dog shampoo only, rinse long, dry to the skin.' },
};

/** Answers that stand ready for what an owner found; each can be changed before it is sent. */
export const ANSWERS = [
  'Thank you. We look at it at the next visit; leave that part alone until then.',
  'Please show it to your vet before the next visit, and tell us what they say.',
  'Please ring us today.',
] as const;

export const REPORTS: Readonly<Record<ReportKind, { readonly word: string; readonly then: string }>> = {
  lump: {
    word: 'a lump',
    then: 'We leave this part out until somebody has looked. Show a vet if it is new, sore or growing.',
  },
  knot: {
    word: 'a knot',
    then: 'No bath, no scissors. Hold the hair at the skin and comb from the tips, or leave it for us.',
  },
  'red-skin': {
    word: 'red or sore skin',
    then: 'We leave this part out until somebody has looked. Wet, hot or bleeding: show a vet today.',
  },
  ticks: { word: 'ticks or fleas', then: 'Tell us before the visit. Your vet knows what works where you live.' },
  other: { word: 'something else', then: 'Your groomer reads it.' },
};

export const KEEP_OFF: Readonly<Record<KeepOff, string>> = {
  'not-for-owners': 'for trained hands only',
  'cuts-topcoat': 'cuts the long topcoat',
  'coat-too-short': 'too harsh on a coat this short',
  'does-little': 'does not reach the bottom of this coat',
  'groomer-says': 'your groomer asks you to leave it',
};
