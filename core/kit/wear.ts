/**
 * How worn a piece is and what is due on it, from the minutes and dogs it has worked since it was last looked
 * after: sharpening, replacing, disinfecting. Limits are guesses from memory of what makers and groomers say.
 */
import { addDays, GUESS, COMMON_PRACTICE, type Day, type Source } from '../quantity/index.ts';
import type { ToolKind } from './tools.ts';

export const UPKEEP_ACTS = ['sharpened', 'replaced', 'disinfected'] as const;
export type UpkeepAct = (typeof UPKEEP_ACTS)[number];

export interface UpkeepRow {
  readonly kinds: readonly ToolKind[];
  /** Minutes of work after which an edge is dull. */
  readonly sharpenMinutes?: number;
  /** Minutes of work after which pins are bent, pads torn, nubs round, brushes of a motor worn. */
  readonly replaceMinutes: number;
  readonly reason: string;
  readonly source: Source;
}

const HOUR = 60;
export const UPKEEP: readonly UpkeepRow[] = [
  {
    kinds: ['blade-comb', 'plastic-blade-comb'],
    sharpenMinutes: 12 * HOUR,
    replaceMinutes: 45 * HOUR,
    reason: 'A dull edge breaks hair and is pressed harder: dull blades are retired.',
    source: GUESS,
  },
  {
    kinds: ['carding-blade', 'mat-splitter', 'thinning-shears'],
    sharpenMinutes: 15 * HOUR,
    replaceMinutes: 90 * HOUR,
    reason: 'A dull edge pulls.',
    source: GUESS,
  },
  {
    kinds: ['clipper'],
    sharpenMinutes: 8 * HOUR,
    replaceMinutes: 400 * HOUR,
    reason: 'Dull blades run hot.',
    source: GUESS,
  },
  {
    kinds: ['soft-slicker', 'firm-slicker', 'long-slicker'],
    replaceMinutes: 160 * HOUR,
    reason: 'Wires bend and stand out of the pad; one stray wire scratches.',
    source: GUESS,
  },
  {
    kinds: ['pin-brush', 'bristle', 'rubber'],
    replaceMinutes: 220 * HOUR,
    reason: 'Pads tear, nubs wear round.',
    source: GUESS,
  },
  {
    kinds: ['rake', 'rotating-rake', 'comb', 'fine-comb'],
    replaceMinutes: 500 * HOUR,
    reason: 'Bent teeth catch; pins that turned stick.',
    source: GUESS,
  },
  {
    kinds: ['force-dryer', 'stand-dryer', 'bather', 'hand-bath'],
    replaceMinutes: 1500 * HOUR,
    reason: 'Motors, pumps and hoses age; look before they fail.',
    source: GUESS,
  },
];

const BY_KIND = new Map(UPKEEP.flatMap((row) => row.kinds.map((kind) => [kind, row] as const)));

/** Kinds that touch dogs and carry things from one to the next. Washed and disinfected between dogs: common practice. */
export const DISINFECTED: { readonly not: readonly ToolKind[]; readonly source: Source } = {
  not: ['towel', 'mister', 'hand-bath', 'bather', 'force-dryer', 'stand-dryer'],
  source: COMMON_PRACTICE,
};

/** One working of a piece on one dog. */
export interface Use {
  readonly day: Day;
  readonly minutes: number;
  readonly dogId: string;
}
export interface Upkeep {
  readonly act: UpkeepAct;
  readonly day: Day;
}

export interface Due {
  readonly act: UpkeepAct;
  /** Minutes worked, or dogs for disinfection, since the act was last done, and how many it bears. */
  readonly used: number;
  readonly bears: number;
  readonly unit: 'minutes' | 'dogs';
  /** The day on which it is due at the pace of the last weeks; undefined when nothing has been worked lately. */
  readonly day: Day | undefined;
}

export interface Wear {
  readonly minutes: number;
  readonly dogs: number;
  readonly uses: number;
  /** What falls due, soonest first. */
  readonly due: readonly Due[];
}

/** The pace at which a piece wears is that of this many days. */
const PACE_DAYS = 91;

/**
 * Wear of one piece. since: the day from which it was in use, undefined when nobody wrote it down; uses and upkeep in
 * any order; what lies after today is passed over.
 */
export function wearOf(
  kind: ToolKind,
  since: Day | undefined,
  uses: readonly Use[],
  upkeep: readonly Upkeep[],
  today: Day,
): Wear {
  const worked = uses.filter((u) => u.day <= today && (since === undefined || u.day >= since));
  const row = BY_KIND.get(kind);
  const lastDone = (...acts: readonly UpkeepAct[]): number =>
    Math.max(-Infinity, ...upkeep.filter((u) => acts.includes(u.act) && u.day <= today).map((u) => u.day));
  const minutesAfter = (from: number): number => worked.reduce((t, u) => t + (u.day > from ? u.minutes : 0), 0);
  const pace = minutesAfter(today - PACE_DAYS) / PACE_DAYS;
  const dueIn = (act: UpkeepAct, bears: number, from: number): Due => {
    const used = minutesAfter(from);
    const left = Math.max(0, bears - used);
    const days = left === 0 ? 0 : pace > 0 ? Math.ceil(left / pace) : Infinity;
    return { act, used, bears, unit: 'minutes', day: days < FAR_OFF_DAYS ? addDays(today, days) : undefined };
  };
  const due: Due[] = [];
  if (row?.sharpenMinutes !== undefined) {
    due.push(dueIn('sharpened', row.sharpenMinutes, lastDone('sharpened', 'replaced')));
  }
  if (row) due.push(dueIn('replaced', row.replaceMinutes, lastDone('replaced')));
  if (!DISINFECTED.not.includes(kind)) {
    // Work of the day on which it was disinfected counts as before it: it is done when the room is closed.
    const cleaned = lastDone('disinfected', 'replaced');
    const dogs = new Set(worked.filter((u) => u.day > cleaned).map((u) => `${u.dogId} ${u.day}`)).size;
    if (dogs > 0) due.push({ act: 'disinfected', used: dogs, bears: 1, unit: 'dogs', day: today });
  }
  return {
    minutes: minutesAfter(-Infinity),
    dogs: new Set(worked.map((u) => u.dogId)).size,
    uses: worked.length,
    due: due.sort((a, b) => (a.day ?? Infinity) - (b.day ?? Infinity)),
  };
}

/** Due further off than this is no date to write down. */
const FAR_OFF_DAYS = 5 * 365;
