/** A passphrase that can be looked at while it is typed: wet thumbs mistype. */
import { Eye, EyeOff } from 'lucide-react';
import { useState } from 'react';
import { useWatch, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';
import { Button } from '../ui/Button.tsx';
import { TextField } from '../ui/form/fields.tsx';
import { useWeakness } from './useWeakness.ts';
import css from './door.module.css';

interface Props<T extends FieldValues, N extends FieldPath<T>> {
  readonly form: UseFormReturn<T>;
  readonly name: N;
  readonly label: string;
  /** One that is known already, not one that is being made. */
  readonly known?: boolean;
  /** Names that a new one must not be made of. */
  readonly about?: readonly string[];
  readonly help?: string;
}

export const PASSPHRASE_HELP =
  'At least 10 letters. Three or four words that have nothing to do with each other are easy to keep and hard to guess.';

export function PassphraseField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  known = false,
  about,
  help,
}: Props<T, N>) {
  const [seen, setSeen] = useState(false);
  const value: unknown = useWatch({ control: form.control, name });
  const weak = useWeakness(known || typeof value !== 'string' ? '' : value, about);
  return (
    <TextField
      form={form}
      name={name}
      label={label}
      help={help}
      className="mb-3"
      type={seen ? 'text' : 'password'}
      input={{ autoComplete: known ? 'current-password' : 'new-password' }}
      beside={
        <Button look="plain" aria-pressed={seen} onClick={() => setSeen(!seen)}>
          {seen ? <EyeOff aria-hidden size={20} /> : <Eye aria-hidden size={20} />}
          <span>{seen ? 'Hide' : 'Show'}</span>
        </Button>
      }
    >
      {!known && (
        <p className={css.doorWeak} role="status">
          {weak === undefined ? '' : `This passphrase ${weak}.`}
        </p>
      )}
    </TextField>
  );
}
