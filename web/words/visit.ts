/** What an owner is told to watch after a visit. */
import type { VisitWatch } from '../../core/home/index.ts';

export const WATCH_WORDS: Readonly<Record<VisitWatch, string>> = {
  'vet-first': 'A vet should look at what is named above before anybody brushes there.',
  'pink-fades': 'Pink skin should be pale again by tomorrow. If it is wet, hot or sore, see a vet.',
  parasites: 'Wash the bedding hot, and ask your vet what suits your dog. No home oils.',
  'comb-short-zones': 'Comb these places first, a little each day; never pull.',
  'sheds-for-days': 'Some hair still comes for a few days. That is the rest of it letting go.',
  'damp-none': 'The coat went home dry to the skin. If it gets wet, towel it and let it dry through.',
};
