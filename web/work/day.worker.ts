/** Lays a day's sheet away from the page: the best so far while it looks, what has become of it, then ways out of what is wrong. */
import {
  breachesOf,
  dayInSteps,
  delayed,
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

self.addEventListener('message', ({ data: { asked, movable } }: MessageEvent<DayToLay>) => {
  const fresh = unbegun(asked);
  const soonest = soonestEnd(fresh);
  const steps = dayInSteps(fresh);
  let told = performance.now();
  let step = steps.next();
  for (; !step.done; step = steps.next()) {
    if (asked.begun.length > 0 || performance.now() - told < TOLD_MS) continue;
    told = performance.now();
    const { best } = step.value;
    const breaches = breachesOf(asked, best);
    tell({ laid: { sheet: best, soonest, delay: undefined, breaches, ways: undefined }, isLooking: true });
  }
  const sheet = step.value;
  const delay = asked.begun.length > 0 ? delayed(asked, sheet) : undefined;
  const now = delay?.rippled ?? sheet;
  const laid = { sheet, soonest, delay, breaches: breachesOf(asked, now) };
  tell({ laid: { ...laid, ways: undefined }, isLooking: false });
  if (movable) tell({ laid: { ...laid, ways: waysOut(asked, now, movable) }, isLooking: false });
});
