/** A time of day, typed as this device writes times: `9`, `9:30`, `9:30 pm`. What it keeps is minutes from midnight. */
import { useState, type Ref } from 'react';
import { Input } from '../Field.tsx';
import { useDeviceForms } from '../device-forms.ts';
import { readTime, shownTime } from './clock-text.ts';

interface Props {
  readonly id: string;
  /** Minutes from midnight; NaN where nothing that was typed is a time. */
  readonly value: number;
  readonly onChange: (minute: number) => void;
  readonly onBlur?: () => void;
  readonly ref?: Ref<HTMLInputElement>;
}

export function TimeInput({ id, value, onChange, onBlur, ref }: Props) {
  const { clock } = useDeviceForms();
  const [typed, setTyped] = useState<string>();
  return (
    <Input
      id={id}
      ref={ref}
      autoComplete="off"
      value={typed ?? (Number.isFinite(value) ? shownTime(value, clock) : '')}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(readTime(e.target.value) ?? NaN);
      }}
      onBlur={() => {
        // Written again as times are written here; what is no time stays, to be put right.
        if (Number.isFinite(value)) setTyped(undefined);
        onBlur?.();
      }}
    />
  );
}
