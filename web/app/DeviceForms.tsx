/** Tells the parts how this device writes numbers, days and times. */
import { useMemo, type ReactNode } from 'react';
import { DeviceFormsContext } from '../ui/device-forms.ts';
import { useView } from './useView.ts';

const pointOf = (locale: string): string =>
  new Intl.NumberFormat(locale).formatToParts(0.5).find((p) => p.type === 'decimal')?.value ?? '.';

export function DeviceForms({ children }: { readonly children: ReactNode }) {
  const { dates, weekStart, clock } = useView();
  const forms = useMemo(() => ({ locale: dates, point: pointOf(dates), weekStart, clock }), [dates, weekStart, clock]);
  return <DeviceFormsContext value={forms}>{children}</DeviceFormsContext>;
}
