/** What steps are called, as a groomer calls them: by what is done and with what kind of piece, never against it. */
import type { PhaseId, PlanStep } from '../../core/bench/index.ts';
import { BLADES, RAKES, SLICKERS, type ToolKind } from '../../core/kit/index.ts';

/** A phase before a piece is chosen for it. */
export const PHASE_WORDS: Readonly<Record<PhaseId, string>> = {
  ties: 'Dematting',
  air: 'Blow-out, dry',
  'dry-rubber': 'Rubber, dry',
  'dry-pin': 'Line brushing',
  'dry-rake': 'Raking',
  'dry-slicker': 'Slicker, dry',
  mist: 'Mist',
  'damp-pin': 'Line brushing, damp',
  'damp-slicker': 'Slicker, damp',
  bath: 'Bath',
  'soapy-work': 'Brushing through the lather',
  rewash: 'Second wash and rinse',
  condition: 'Conditioner',
  towel: 'Towel',
  drying: 'Drying to the skin',
  edge: 'Fine pass',
  'comb-out': 'Combing out',
  'face-feet': 'Face and feet',
  comb: 'Comb-through',
  finish: 'Finish',
  'care-nails': 'Nails',
  'care-ears': 'Ears wiped',
  'care-teeth': 'Teeth brushed',
  'care-eyes': 'Eyes wiped',
  'care-pads': 'Pads and the hair between',
  'care-sanitary': 'Sanitary area',
  'care-tidy': 'Feet, hocks and pasterns tidied',
};

/** Phases whose name says what hands do with whatever piece they hold. */
const NAMED_BY_PIECE: readonly PhaseId[] = ['dry-rubber', 'dry-pin', 'dry-rake', 'dry-slicker', 'damp-slicker', 'edge'];

const PIECE_WORDS: readonly { readonly kinds: readonly ToolKind[]; readonly word: string }[] = [
  { kinds: RAKES, word: 'Raking' },
  { kinds: SLICKERS, word: 'Slicker' },
  { kinds: BLADES.filter((b) => b !== 'carding-blade'), word: 'Blade' },
  { kinds: ['carding-blade'], word: 'Carding' },
  { kinds: ['electric-brush'], word: 'Electric brush' },
  { kinds: ['pin-brush'], word: 'Line brushing' },
  { kinds: ['comb'], word: 'Combing' },
  { kinds: ['fine-comb'], word: 'Close-tooth comb' },
  { kinds: ['rubber'], word: 'Rubber' },
  { kinds: ['bristle'], word: 'Bristle' },
];

/** A step by its phase and the kind of its piece. */
export function stepWord(phase: PhaseId, kind: ToolKind): string {
  if (phase === 'ties')
    return kind === 'clipper' ? 'Clipping' : kind === 'mat-splitter' ? 'Splitting mats' : 'Dematting';
  if (phase === 'soapy-work' && kind === 'rubber') return 'Rubber in the lather';
  if (phase === 'drying' && kind === 'stand-dryer') return 'Drying, soft air';
  if (!NAMED_BY_PIECE.includes(phase)) return PHASE_WORDS[phase];
  const word = PIECE_WORDS.find((row) => row.kinds.includes(kind))?.word ?? PHASE_WORDS[phase];
  return phase === 'damp-slicker' ? `${word}, damp` : phase === 'edge' ? `${word}, bone dry` : `${word}, dry`;
}
export const stepWordOf = ({ phase, tool }: Pick<PlanStep, 'phase' | 'tool'>): string => stepWord(phase, tool.kind);

/** A step named for a screen reader and a sheet. */
export const stepName = (s: Pick<PlanStep, 'phase' | 'tool'>): string =>
  `${stepWordOf(s)}: ${s.tool.name.toLowerCase()}`;
