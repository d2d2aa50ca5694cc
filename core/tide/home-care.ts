/** What a home's habits take out of a coat. */

/** How much of the advised home brushing happens. */
export const HOME_CARE = ['none', 'some', 'steady'] as const;
export type HomeCare = (typeof HOME_CARE)[number];

/** Share of the store that home brushing takes in a week. Guess. */
const HOME_TAKES_PER_WEEK: Readonly<Record<HomeCare, number>> = { none: 0, some: 0.12, steady: 0.25 };
/** The same share by the day. */
export const homeTakesPerDay = (care: HomeCare): number => 1 - (1 - HOME_TAKES_PER_WEEK[care]) ** (1 / 7);
