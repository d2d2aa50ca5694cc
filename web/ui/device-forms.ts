/** How this device writes numbers, days and times; the house says it to its parts. */
import { createContext, use } from 'react';

export interface DeviceForms {
  /** A locale of English: `en-GB`. */
  readonly locale: string;
  /** Between whole and parts: `.` or `,`. */
  readonly point: string;
  /** ISO weekday with which a week begins. */
  readonly weekStart: number;
  readonly clock: '24' | '12';
}

export const DeviceFormsContext = createContext<DeviceForms>({
  locale: 'en-GB',
  point: '.',
  weekStart: 1,
  clock: '24',
});
export const useDeviceForms = (): DeviceForms => use(DeviceFormsContext);
