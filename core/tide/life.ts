/** What events of a life do to the year's shedding: sheds of their own, and more or less from then on. */
import { addDays, clamp, COMMON_PRACTICE, GUESS, type Day, type Source } from '../quantity/index.ts';

export const LIFE_EVENTS = ['season', 'litter', 'neutered', 'clipped', 'illness', 'moved'] as const;
export type LifeEventKind = (typeof LIFE_EVENTS)[number];

export interface LifeEvent {
  readonly kind: LifeEventKind;
  readonly day: Day;
  /** Where it lives from then on, for a move: share of life outdoors, 0..1. */
  readonly outdoorShare?: number | undefined;
}

/** A shed that no light gives. */
export interface LifePulse {
  /** Days from the event to its start, and the doubt about it. */
  readonly afterDays: number;
  readonly sdDays: number;
  readonly lengthDays: number;
  /** Size as a share of a usual year's release. */
  readonly ofYear: number;
}

interface LifeRow {
  readonly kind: LifeEventKind | 'puppy-coat';
  readonly name: string;
  readonly pulse?: LifePulse;
  /** Release against before, once it tells; comes back to 1 over so many days, or stays. */
  readonly release?: { readonly factor: number; readonly fromDays: number; readonly recoversDays?: number };
  /** Length of later sheds against before. */
  readonly length?: number;
  readonly reason: string;
  readonly source: Source;
  /** The figures of every row are guesses; the source is of what happens. */
  readonly figures: Source;
}

export const LIFE: readonly LifeRow[] = [
  {
    kind: 'season',
    name: 'season',
    pulse: { afterDays: 75, sdDays: 15, lengthDays: 42, ofYear: 0.12 },
    reason: 'An intact bitch sheds extra some ten weeks after a season.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'litter',
    name: 'litter',
    pulse: { afterDays: 70, sdDays: 15, lengthDays: 50, ofYear: 0.2 },
    reason: 'A bitch drops much of her coat when the puppies are weaned.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'neutered',
    name: 'neutered',
    release: { factor: 1.12, fromDays: 90 },
    length: 1.25,
    reason: 'A neutered coat is softer and sheds longer.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'clipped',
    name: 'clipped or shaved',
    release: { factor: 0.55, fromDays: 0, recoversDays: 540 },
    reason: 'Undercoat and guard hair grow back together; it takes several sheds.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'illness',
    name: 'illness, fever or surgery',
    pulse: { afterDays: 50, sdDays: 15, lengthDays: 40, ofYear: 0.12 },
    reason: 'A coat that was set back is dropped some weeks later.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'moved',
    name: 'moved indoors or outdoors',
    reason: 'Lamp light flattens the seasons, outdoor life sharpens them.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
  {
    kind: 'puppy-coat',
    name: 'puppy coat change',
    pulse: { afterDays: 190, sdDays: 25, lengthDays: 70, ofYear: 0.22 },
    reason: 'Dead puppy fluff comes out between the fifth and the tenth month.',
    source: COMMON_PRACTICE,
    figures: GUESS,
  },
];

const BY_KIND = new Map(LIFE.map((row) => [row.kind, row]));

/** The row of an event of life. */
export function lifeRow(kind: LifeRow['kind']): LifeRow {
  const row = BY_KIND.get(kind);
  if (!row) throw new RangeError(`no such event of life: ${kind}`);
  return row;
}

/** A shed by life: its key, its usual start and what it is. */
export interface LifeShed extends LifePulse {
  readonly key: string;
  readonly kind: LifeRow['kind'];
  readonly usual: Day;
}

/** Sheds that a life gives, whatever the light does. */
export function lifeSheds(events: readonly LifeEvent[], born: Day | undefined): readonly LifeShed[] {
  const shed = (kind: LifeRow['kind'], on: Day): LifeShed[] => {
    const { pulse } = lifeRow(kind);
    return pulse ? [{ ...pulse, kind, key: `${kind} ${on}`, usual: addDays(on, pulse.afterDays) }] : [];
  };
  return [...(born === undefined ? [] : shed('puppy-coat', born)), ...events.flatMap((e) => shed(e.kind, e.day))];
}

/** Release on a day against the dog without these events. */
export function lifeRelease(events: readonly LifeEvent[], on: number): number {
  let factor = 1;
  for (const e of events) {
    const { release } = lifeRow(e.kind);
    const since = release ? on - e.day - release.fromDays : -1;
    if (!release || since < 0) continue;
    const back = release.recoversDays === undefined ? 0 : clamp(since / release.recoversDays, 0, 1);
    factor *= release.factor + (1 - release.factor) * back;
  }
  return factor;
}

/** Length of a shed that starts on a day against the dog without these events. */
export function lifeLength(events: readonly LifeEvent[], on: number): number {
  return events.reduce((f, e) => (on >= e.day ? f * (lifeRow(e.kind).length ?? 1) : f), 1);
}

/** Where the dog lives on a day: the newest move before it, else as its page says. */
export function outdoorShareOn(events: readonly LifeEvent[], outdoorShare: number, on: number): number {
  const moves = events.filter((e) => e.kind === 'moved' && e.outdoorShare !== undefined).sort((a, b) => a.day - b.day);
  // The page says where it lives now; what was before the first move nobody noted down.
  return moves.findLast((e) => e.day <= on)?.outdoorShare ?? outdoorShare;
}
