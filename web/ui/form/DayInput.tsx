/** A day: typed as this device writes days, or chosen from a calendar. What it keeps is `2031-04-09`, or nothing. */
import { CalendarDays } from 'lucide-react';
import { lazy, Suspense, useRef, useState, type Ref } from 'react';
import { InputGroup, Overlay, Popover } from 'react-bootstrap';
import { Button } from '../Button.tsx';
import { Input } from '../Field.tsx';
import { useDeviceForms } from '../device-forms.ts';
import { readDay, shownDay } from './day-text.ts';
import css from './DayInput.module.css';

const DayCalendar = lazy(() => import('./DayCalendar.tsx'));

interface Props {
  readonly id: string;
  /** What it is called, for its calendar. */
  readonly called: string;
  readonly value: string;
  /** The first and the last day that can be chosen. */
  readonly min?: string | undefined;
  readonly max?: string | undefined;
  readonly onChange: (kept: string) => void;
  readonly onBlur?: () => void;
  readonly ref?: Ref<HTMLInputElement>;
}

export function DayInput({ id, called, value, min, max, onChange, onBlur, ref }: Props) {
  const { locale } = useDeviceForms();
  const [typed, setTyped] = useState<string>();
  const [open, setOpen] = useState(false);
  const key = useRef<HTMLButtonElement>(null);
  const take = (text: string): void => {
    setTyped(text);
    onChange(text.trim() === '' ? '' : (readDay(text, locale, new Date()) ?? text));
  };
  return (
    <InputGroup className={css.day}>
      <Input
        id={id}
        ref={ref}
        autoComplete="off"
        placeholder={shownDay('2031-04-25', locale).replace(/25/, 'dd').replace(/04/, 'mm').replace(/2031/, 'yyyy')}
        value={typed ?? shownDay(value, locale)}
        onChange={(e) => take(e.target.value)}
        onBlur={() => {
          // Written again as days are written here.
          setTyped(undefined);
          onBlur?.();
        }}
      />
      <Button
        look="usual"
        ref={key}
        className={css.key}
        aria-label="Calendar"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <CalendarDays aria-hidden size={18} />
      </Button>
      <Overlay
        target={key}
        show={open}
        placement="bottom-end"
        rootClose
        onHide={() => setOpen(false)}
        transition={false}
      >
        <Popover className={css.popover} role="dialog" aria-label={called}>
          <Popover.Body
            onKeyDown={(e) => {
              if (e.key !== 'Escape') return;
              e.stopPropagation();
              setOpen(false);
              key.current?.focus();
            }}
          >
            <Suspense fallback={null}>
              <DayCalendar
                value={value}
                min={min}
                max={max}
                onPick={(kept) => {
                  setTyped(undefined);
                  onChange(kept);
                  setOpen(false);
                  key.current?.focus();
                }}
              />
            </Suspense>
          </Popover.Body>
        </Popover>
      </Overlay>
    </InputGroup>
  );
}
