/** Lays a day's sheet away from the page: the best so far while it looks, what has become of it, then ways out of what is wrong. */
import {
  breachesOf,
  dayInSteps,
  delayed,
  rippled,
  shiftsBetween,
  soonestEnd,
  unbegun,
  waysOut,
  type Breach,
  type DayAsked,
  type DaySheet,
  type Delay,
  type Movable,
  type WayOut,
} from '../../core/day/index.ts';

export interface DayToLay {
  readonly asked: DayAsked;
  /** Where ways out are wanted: when each dog could come instead. */
  readonly movable?: readonly Movable[] | undefined;
  /** A sheet that was laid from just these facts before anything began: it is not laid again while the day goes on. */
  readonly known?: { readonly facts: string; readonly sheet: DaySheet } | undefined;
}

/** sheet: as it was laid before anything began. delay: what has become of it since; undefined while nothing has begun. */
export interface DayLaid {
  readonly sheet: DaySheet;
  readonly soonest: number;
  readonly delay: Delay | undefined;
  readonly breaches: readonly Breach[];
  /** Undefined while they are looked for, or where nobody asked. */
  readonly ways: readonly WayOut[] | undefined;
}
export interface DayTold {
  readonly laid: DayLaid;
  /** A better sheet is still looked for. */
  readonly isLooking: boolean;
}

const tell = (told: DayTold): void => self.postMessage(told);
/** A sheet that changes under somebody's eyes more often than this cannot be read. */
const TOLD_MS = 1_000;

self.addEventListener('message', ({ data: { asked, movable, known } }: MessageEvent<DayToLay>) => {
  const fresh = unbegun(asked);
  const soonest = soonestEnd(fresh);
  const isBegun = asked.begun.length > 0;
  const toldOf = (sheet: DaySheet, delay: Delay | undefined): DayLaid => {
    const breaches = breachesOf(asked, delay?.rippled ?? sheet);
    return { sheet, soonest, delay, breaches, ways: undefined };
  };
  const laid = (): DaySheet => {
    const steps = dayInSteps(fresh);
    let told = performance.now();
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      if (isBegun || performance.now() - told < TOLD_MS) continue;
      told = performance.now();
      tell({ laid: toldOf(step.value(), undefined), isLooking: true });
    }
    return step.value;
  };
  const sheet = known?.facts === JSON.stringify(fresh) ? known.sheet : laid();
  if (isBegun) {
    // As it goes on is known at once; whether another order is better takes a moment.
    const on = rippled(asked, sheet);
    const shifts = shiftsBetween(asked, sheet, on);
    tell({ laid: toldOf(sheet, { rippled: on, again: on, saves: 0, shifts }), isLooking: true });
  }
  const delay = isBegun ? delayed(asked, sheet) : undefined;
  const now = toldOf(sheet, delay);
  tell({ laid: now, isLooking: false });
  if (movable) tell({ laid: { ...now, ways: waysOut(asked, delay?.rippled ?? sheet, movable) }, isLooking: false });
});
