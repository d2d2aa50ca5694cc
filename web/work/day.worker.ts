/** Lays a day's sheet away from the page, and what has become of it. */
import {
  breachesOf,
  delayed,
  planDay,
  soonestEnd,
  unbegun,
  type Breach,
  type DayAsked,
  type DaySheet,
  type Delay,
} from '../../core/day/index.ts';

/** sheet: as it was laid before anything began. delay: what has become of it since; undefined while nothing has begun. */
export interface DayLaid {
  readonly sheet: DaySheet;
  readonly soonest: number;
  readonly delay: Delay | undefined;
  readonly breaches: readonly Breach[];
}

self.addEventListener('message', ({ data }: MessageEvent<DayAsked>) => {
  const fresh = unbegun(data);
  const sheet = planDay(fresh);
  const delay = data.begun.length > 0 ? delayed(data, sheet) : undefined;
  const told: DayLaid = {
    sheet,
    soonest: soonestEnd(fresh),
    delay,
    breaches: breachesOf(data, delay ? delay.rippled : sheet),
  };
  self.postMessage(told);
});
