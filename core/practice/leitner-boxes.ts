/**
 * Decides when a card is asked again: Leitner's boxes (Leitner, So lernt man lernen, 1972; from memory). A card that is due
 * and answered right moves a box on and waits longer; one answered wrong goes back to the first and is asked again today.
 */
import { day, type Day } from '../quantity/index.ts';
import { DRILL_CARDS, type DrillCard } from './drills.ts';

export interface DrillAnswer {
  readonly card: string;
  readonly right: boolean;
  readonly day: Day;
}

/** Days that a card waits in each box; the boxes double and more, the days are a guess. */
export const BOX_DAYS = [0, 1, 3, 7, 16, 35] as const;
/** New cards in a day, so that old ones are not drowned. Guess. */
export const NEW_A_DAY = 8;

export interface CardState {
  readonly card: string;
  readonly box: number;
  readonly due: Day;
  readonly asked: number;
  readonly lastRight: boolean;
  readonly firstDay: Day;
}

/** Where each card that was ever asked stands. Answers in the order in which they were given. */
export function boxesOf(answers: readonly DrillAnswer[]): ReadonlyMap<string, CardState> {
  const cards = new Map<string, CardState>();
  for (const { card, right, day: on } of answers) {
    const was = cards.get(card);
    const early = was !== undefined && on < was.due;
    // Right before its time shows nothing new: it stays where it is.
    const box = !right ? 0 : early ? was.box : Math.min(BOX_DAYS.length - 1, (was?.box ?? 0) + 1);
    const due = right && early ? was.due : day(on + (BOX_DAYS[box] ?? 0));
    cards.set(card, { card, box, due, asked: (was?.asked ?? 0) + 1, lastRight: right, firstDay: was?.firstDay ?? on });
  }
  return cards;
}

export interface DueCards {
  /** To ask now, in order: what fell due longest ago first, then new ones. */
  readonly cards: readonly DrillCard[];
  readonly old: number;
  readonly fresh: number;
  /** Cards in the last two boxes. */
  readonly known: number;
  readonly all: number;
  /** Day on which the next card falls due, where none is now. */
  readonly next: Day | undefined;
}

/** What is due on a day. */
export function dueCards(answers: readonly DrillAnswer[], today: Day): DueCards {
  const boxes = boxesOf(answers);
  const due = DRILL_CARDS.flatMap((c) => {
    const at = boxes.get(c.id);
    return at && at.due <= today ? [{ card: c, due: at.due }] : [];
  }).sort((a, b) => a.due - b.due);
  const begun = [...boxes.values()].filter((c) => c.firstDay === today).length;
  const unseen = DRILL_CARDS.filter((c) => !boxes.has(c.id));
  // One subject after the other would be guessed by its place: new cards are taken in turns.
  const turns = byTurns(unseen).slice(0, Math.max(0, NEW_A_DAY - begun));
  const ahead = [...boxes.values()].map((c) => c.due).filter((d) => d > today);
  return {
    cards: [...due.map((d) => d.card), ...turns],
    old: due.length,
    fresh: turns.length,
    known: [...boxes.values()].filter((c) => c.box >= BOX_DAYS.length - 2).length,
    all: DRILL_CARDS.length,
    next: due.length + turns.length === 0 && ahead.length > 0 ? day(Math.min(...ahead)) : undefined,
  };
}

function byTurns(cards: readonly DrillCard[]): readonly DrillCard[] {
  const subjects = [...new Set(cards.map((c) => c.subject))].map((s) => cards.filter((c) => c.subject === s));
  const turns: DrillCard[] = [];
  for (let i = 0; turns.length < cards.length; i++) {
    for (const own of subjects) {
      const next = own[i];
      if (next) turns.push(next);
    }
  }
  return turns;
}
