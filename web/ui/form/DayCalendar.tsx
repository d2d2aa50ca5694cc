/** A month to choose a day from; the library's own keys walk it. */
import { DayPicker } from 'react-day-picker';
import { useDeviceForms } from '../device-forms.ts';
import { dateOf, keptDay, localeOf } from './day-text.ts';
import css from './DayCalendar.module.css';

interface Props {
  readonly value: string;
  readonly min?: string | undefined;
  readonly max?: string | undefined;
  readonly onPick: (kept: string) => void;
}

export default function DayCalendar({ value, min, max, onPick }: Props) {
  const { locale, weekStart } = useDeviceForms();
  const chosen = dateOf(value);
  const first = dateOf(min ?? '');
  const last = dateOf(max ?? '');
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      captionLayout="dropdown"
      locale={localeOf(locale)}
      weekStartsOn={weekStart === 7 ? 0 : weekStart === 6 ? 6 : 1}
      selected={chosen}
      defaultMonth={chosen ?? last ?? first ?? new Date()}
      {...(first ? { startMonth: first } : {})}
      {...(last ? { endMonth: last } : {})}
      disabled={[...(first ? [{ before: first }] : []), ...(last ? [{ after: last }] : [])]}
      onSelect={(date) => onPick(keptDay(date))}
      className={css.calendar ?? ''}
    />
  );
}
