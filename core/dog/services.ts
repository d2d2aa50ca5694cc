/** What a visit may be for: the coat, an item of care alone, a first visit, or something else; with the minutes it usually takes. */
import { CARE_ITEMS, careMinutes, careRow, type CareHouse, type CareItem } from './care-items.ts';

export const SERVICES = ['coat', ...CARE_ITEMS, 'first-visit', 'other'] as const;
export type Service = (typeof SERVICES)[number];

/** A puppy looks at table, dryer and brush, and goes home before it has had enough. Common practice; the figure is a guess. */
const FIRST_VISIT_MINUTES = 30;
/** Until somebody says what it is. Guess. */
const OTHER_MINUTES = 30;

const isCare = (service: Service): service is CareItem => CARE_ITEMS.some((item) => item === service);

export const serviceName = (service: Service): string =>
  service === 'coat'
    ? 'the coat'
    : service === 'first-visit'
      ? 'a puppy’s first visit'
      : service === 'other'
        ? 'something else'
        : careRow(service).name;

/** Said behind a visit's time: what it is for, where it is not the coat. */
export const forService = (service: Service): string => (service === 'coat' ? '' : ` for ${serviceName(service)}`);

/** Minutes of a visit for this alone in this house; undefined for the coat, whose length is the coat’s own. */
export const serviceMinutes = (service: Service, house: CareHouse): number | undefined =>
  service === 'coat'
    ? undefined
    : isCare(service)
      ? careMinutes(service, house)
      : service === 'first-visit'
        ? FIRST_VISIT_MINUTES
        : OTHER_MINUTES;
