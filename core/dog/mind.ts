/**
 * What a dog's mind asks of a groom, at the table and at home, as rows with a reason. Common practice; nothing here is
 * a cure for fear: a dog that stays afraid is for a trainer or a vet.
 */
import { COMMON_PRACTICE, type Source } from '../quantity/index.ts';
import type { DogTrait } from './traits.ts';

export const MIND_ADVICE = [
  'walk-first',
  'short-bouts',
  'lying-game',
  'treat-after',
  'touch-daily',
  'stop-early',
  'no-hurry',
  'lap-or-towel',
] as const;
export type MindAdviceId = (typeof MIND_ADVICE)[number];

export interface MindAdvice {
  readonly id: MindAdviceId;
  readonly statement: string;
  readonly reason: string;
  /** Where it is said. */
  readonly at: readonly ('table' | 'home')[];
  /** Whom it is for; every dog where nothing is said: these traits, dogs that are new here, dogs up to a weight. */
  readonly when?:
    | { readonly traits?: readonly DogTrait[]; readonly newHere?: true; readonly upToKg?: undefined }
    | { readonly upToKg: number }
    | undefined;
  readonly source: Source;
}

const row = (
  id: MindAdviceId,
  statement: string,
  reason: string,
  at: MindAdvice['at'],
  when?: MindAdvice['when'],
): MindAdvice => ({ id, statement, reason, at, when, source: COMMON_PRACTICE });

/** Dogs of so many kilograms are groomed on a lap. Guess. */
const LAP_KG = 8;

export const MIND: readonly MindAdvice[] = [
  row('walk-first', 'A walk and a meal first, then quiet.', 'A tired, fed dog stands; a full bladder does not.', [
    'table',
    'home',
  ]),
  row(
    'short-bouts',
    'Bouts of five minutes, with a pause between them.',
    'The first weeks teach what a lifetime has to bear.',
    ['table', 'home'],
    { traits: ['puppy-coat', 'nervous'], newHere: true },
  ),
  row(
    'lying-game',
    'Lying on the side is learnt as a game: a moment, a treat, up again.',
    'A dog that lies is brushed everywhere and turned once.',
    ['home'],
    { traits: ['puppy-coat', 'nervous', 'senior', 'sore-joints'] },
  ),
  row('treat-after', 'A treat after each part, and one at the end.', 'It remembers what came after.', [
    'table',
    'home',
  ]),
  row(
    'touch-daily',
    'Touch paws, ears and tail every day, for nothing.',
    'What is touched daily may be worked one day.',
    ['home'],
    { traits: ['puppy-coat', 'nervous', 'head-shy', 'bites'] },
  ),
  row('stop-early', 'Stop before it sours.', 'One bad pull costs weeks.', ['table', 'home']),
  row('no-hurry', 'Never with ten minutes to spare.', 'Hurry is felt in the hand before it is seen.', ['home']),
  row(
    'lap-or-towel',
    'On a lap, or on a towel of its own that means grooming.',
    'A small dog is safer close, and knows what comes.',
    ['table', 'home'],
    { upToKg: LAP_KG },
  ),
];

interface Asked {
  readonly traits: readonly DogTrait[];
  readonly weightKg: number;
  /** Was it never worked here. */
  readonly newHere: boolean;
}

/** What is said of this dog in a place, in the order in which it is met. */
export const mindAdvice = (place: 'table' | 'home', { traits, weightKg, newHere }: Asked): readonly MindAdvice[] =>
  MIND.filter(({ at, when }) => {
    if (!at.includes(place)) return false;
    if (!when) return true;
    if (when.upToKg !== undefined) return weightKg <= when.upToKg;
    return (when.newHere === true && newHere) || (when.traits ?? []).some((t) => traits.includes(t));
  });
