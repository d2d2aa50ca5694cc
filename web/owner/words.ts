/** How the owner's page says things: plain words, no trade. */
import type { HomeCareKind, KeepOff, ReportKind } from '../../core/home/index.ts';
import type { HomeAmount } from '../../core/tide/index.ts';

const DAY_MS = 86_400_000;
const said = (options: Intl.DateTimeFormatOptions) => {
  const format = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: 'UTC' });
  return (day: number): string => format.format(new Date(day * DAY_MS));
};
/** "Wed", "Wednesday 9 April", "9 April" of a plain day. */
export const weekday = said({ weekday: 'short' });
export const longDay = said({ weekday: 'long', day: 'numeric', month: 'long' });
export const dayMonth = said({ day: 'numeric', month: 'long' });

/** "Wed 9 April, 09:30" in the salon's zone. */
export const visitTime = (instant: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(new Date(instant));

export const minutes = (m: number): string => {
  const n = Math.max(1, Math.round(m));
  if (n < 60) return `${n} min`;
  return n % 60 === 0 ? `${n / 60} h` : `${Math.floor(n / 60)} h ${n % 60} min`;
};

export const AMOUNTS: readonly { readonly amount: HomeAmount; readonly word: string; readonly size: number }[] = [
  { amount: 'none', word: 'nothing', size: 0 },
  { amount: 'pinch', word: 'a pinch', size: 0.2 },
  { amount: 'handful', word: 'a handful', size: 0.45 },
  { amount: 'bowl', word: 'a bowl', size: 0.72 },
  { amount: 'bag', word: 'a bag', size: 1 },
];

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
    how: 'Seeds, stones, hair that ties. Take out by hand; do not cut with the point towards the skin.',
  },
  nails: {
    word: 'Nails',
    how: 'When they click on the floor they are due. Small pieces off the end, or let us do it.',
  },
  bath: { word: 'Bath', how: 'Brush first: no bath over knots. Dog shampoo only, rinse long, dry to the skin.' },
};

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

export const DONTS = [
  'Do not clip the coat short for summer: it shields from sun and may not grow back as it was.',
  'No scissors under a knot: skin lies closer than it looks.',
  'Do not brush wet: wait until the coat is bone dry.',
  'No bath over knots: water ties them tight.',
  'No essential oils, no human shampoo: some poison dogs. In doubt ask a vet.',
] as const;
