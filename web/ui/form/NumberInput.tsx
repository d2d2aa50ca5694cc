/** A number with the device's point or comma; both are understood. What it keeps is the number, or nothing. */
import { useState, type Ref } from 'react';
import { Input } from '../Field.tsx';
import { useDeviceForms } from '../device-forms.ts';
import { readNumber, shownNumber } from './number-text.ts';

interface Props {
  readonly id?: string;
  /** Undefined where nothing stands there. */
  readonly value: number | undefined;
  /** NaN where what was typed is no number. */
  readonly onChange: (value: number | undefined) => void;
  /** Digits after the point. */
  readonly digits?: number;
  readonly placeholder?: string | undefined;
  readonly name?: string;
  /** What it is called where no label stands beside it. */
  readonly label?: string;
  readonly className?: string | undefined;
  readonly onBlur?: () => void;
  readonly ref?: Ref<HTMLInputElement>;
}

export function NumberInput({ value, onChange, digits = 0, label, onBlur, ref, ...rest }: Props) {
  const { point } = useDeviceForms();
  const [typed, setTyped] = useState<string>();
  const known = value !== undefined && Number.isFinite(value);
  return (
    <Input
      {...rest}
      {...(ref ? { ref } : {})}
      aria-label={label}
      inputMode={digits > 0 ? 'decimal' : 'numeric'}
      autoComplete="off"
      value={typed ?? (known ? shownNumber(value, point, digits) : '')}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(e.target.value.trim() === '' ? undefined : (readNumber(e.target.value) ?? NaN));
      }}
      onBlur={() => {
        // Written again as numbers are written here; what is none stays, to be put right.
        if (known || value === undefined) setTyped(undefined);
        onBlur?.();
      }}
    />
  );
}
