/** Decides the house's side in each open quarrel of the trade, its rates and its rhythm. */
export const BLADE_USES = ['never', 'smooth-doubles', 'any-legal'] as const;
export const MAT_WAYS = ['brush-out', 'split', 'clip'] as const;

export interface HouseRules {
  /** Blade combs: never / smooth doubles only / wherever the safety rules allow. */
  readonly blade: (typeof BLADE_USES)[number];
  /** Blade minutes on one dog in one session. */
  readonly bladeMinutes: number;
  /** What is done with a tied mat: work it out by comb, split it, or clip it off. */
  readonly mats: (typeof MAT_WAYS)[number];
  /** Weights of the recommendation, any scale, compared with one another. */
  readonly weights: {
    readonly hairOut: number;
    readonly minutes: number;
    readonly skin: number;
    readonly comfort: number;
    readonly dust: number;
  };
  readonly rates: {
    /** ISO 4217. */
    readonly currency: string;
    /** For an hour at table and tub, in hundredths of the currency. */
    readonly perHourCents: number;
    readonly minimumCents: number;
    /** Prices are rounded up to this. */
    readonly roundToCents: number;
  };
  /** ISO weekdays on which the salon is open, 1 = Monday. */
  readonly openWeekdays: readonly number[];
  /** Doors, minutes after local midnight: the first start, and when the last dog is done. */
  readonly hours: { readonly openMinute: number; readonly closeMinute: number };
  /** Dogs that can be worked at the same time. */
  readonly tables: number;
}

/** A new salon's rules until somebody chooses otherwise. */
export const DEFAULT_HOUSE: HouseRules = {
  blade: 'smooth-doubles',
  bladeMinutes: 5,
  mats: 'brush-out',
  weights: { hairOut: 50, minutes: 20, skin: 15, comfort: 10, dust: 5 },
  rates: { currency: 'EUR', perHourCents: 4800, minimumCents: 3200, roundToCents: 100 },
  openWeekdays: [1, 2, 3, 4, 5],
  hours: { openMinute: 9 * 60, closeMinute: 17 * 60 },
  tables: 1,
};
