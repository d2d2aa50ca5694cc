/** Fields of a form: each tied by its name to the form's values, and to what is wrong with them. */
import { useId, type ComponentProps, type ReactNode } from 'react';
import {
  get,
  useController,
  type FieldPath,
  type FieldPathValue,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import { ChoiceGroup } from '../ChoiceGroup.tsx';
import { Check, Field, Input, Select, TextArea } from '../Field.tsx';
import { DayInput } from './DayInput.tsx';
import css from './fields.module.css';
import { Ticks } from './Ticks.tsx';
import { NumberInput } from './NumberInput.tsx';
import { TimeInput } from './TimeInput.tsx';

interface Of<T extends FieldValues, N extends FieldPath<T>> {
  readonly form: UseFormReturn<T>;
  readonly name: N;
  readonly label: ReactNode;
  readonly help?: ReactNode;
  readonly className?: string | undefined;
}

/** The sentence under a field; its number as the field shows numbers. */
function errorOf<T extends FieldValues>(
  { formState: { errors } }: UseFormReturn<T>,
  name: FieldPath<T>,
  shown: (n: number) => number = (n) => n,
): string | undefined {
  const error: unknown = get(errors, name);
  const message = typeof error === 'object' && error !== null && 'message' in error ? error.message : undefined;
  return typeof message === 'string' ? message.replace(/-?\d+(\.\d+)?/, (n) => String(shown(Number(n)))) : undefined;
}

/** What a field that holds nothing is sent as: `null`, not at all, or as empty text. */
type Empty = 'null' | 'absent' | 'text';
const EMPTY = { null: null, absent: undefined, text: '' } as const;
const emptyAs = (empty: Empty) => (value: unknown) => (value === '' || value === null ? EMPTY[empty] : value);

interface TextProps<T extends FieldValues, N extends FieldPath<T>> extends Of<T, N> {
  /** What an empty field is sent as. */
  readonly empty?: Empty;
  readonly type?: 'text' | 'email' | 'tel' | 'password';
  readonly rows?: number;
  readonly input?: Omit<ComponentProps<typeof Input>, 'type' | 'value' | 'onChange'>;
  /** What stands in one line with the field. */
  readonly beside?: ReactNode;
  /** What was typed, as it is sent: without spaces, in small letters. */
  readonly fit?: (typed: string) => string;
  /** What stands under the field. */
  readonly children?: ReactNode;
}

export function TextField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  help,
  className,
  empty = 'text',
  type = 'text',
  rows,
  input,
  beside,
  fit,
  children,
}: TextProps<T, N>) {
  const id = useId();
  const tied = form.register(name, {
    setValueAs: (typed: unknown) => emptyAs(empty)(fit && typeof typed === 'string' ? fit(typed) : typed),
  });
  const field =
    rows === undefined ? (
      <Input autoComplete="off" {...input} {...tied} type={type} />
    ) : (
      <TextArea rows={rows} {...tied} />
    );
  return (
    <Field id={id} label={label} help={help} error={errorOf(form, name)} className={className}>
      {beside === undefined ? (
        field
      ) : (
        <div className={css.row}>
          {field}
          {beside}
        </div>
      )}
      {children}
    </Field>
  );
}

interface NumberProps<T extends FieldValues, N extends FieldPath<T>> extends Of<T, N> {
  /** Digits after the point. */
  readonly digits?: number;
  readonly empty?: Empty;
  /** From what is kept to what this device shows, and back: a unit, hundredths. */
  readonly shown?: (kept: number) => number;
  readonly kept?: (shown: number) => number;
  readonly placeholder?: string;
  /** The label is beside the field, or only for a screen reader. */
  readonly labelIs?: 'beside' | 'unseen';
}

const same = (n: number): number => n;

/** A number with the device's point or comma; both are understood. */
export function NumberField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  help,
  labelIs,
  className,
  digits = 0,
  empty = 'absent',
  shown = same,
  kept = same,
  placeholder,
}: NumberProps<T, N>) {
  const id = useId();
  const {
    field: { ref, name: key, value, onChange, onBlur },
  } = useController({ control: form.control, name });
  const typed: unknown = value;
  return (
    <Field
      id={id}
      label={label}
      help={help}
      error={errorOf(form, name, shown)}
      className={className}
      {...(labelIs ? { labelIs } : {})}
    >
      <NumberInput
        id={id}
        ref={ref}
        name={key}
        onBlur={onBlur}
        digits={digits}
        placeholder={placeholder}
        value={typeof typed === 'number' ? shown(typed) : undefined}
        onChange={(n) => onChange(n === undefined ? EMPTY[empty] : kept(n))}
      />
    </Field>
  );
}

/** Money is kept in hundredths and typed in whole coins. */
const CENTS = 100;

export const MoneyField = <T extends FieldValues, N extends FieldPath<T>>(
  props: Omit<NumberProps<T, N>, 'digits' | 'shown' | 'kept'>,
) => <NumberField {...props} digits={2} shown={(cents) => cents / CENTS} kept={(coins) => Math.round(coins * CENTS)} />;

interface SelectProps<T extends FieldValues, N extends FieldPath<T>> extends Of<T, N> {
  readonly options: readonly (readonly [value: string, word: string])[];
  readonly empty?: Empty;
  readonly disabled?: boolean;
}

export function SelectField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  help,
  className,
  options,
  empty = 'text',
  disabled = false,
}: SelectProps<T, N>) {
  const id = useId();
  return (
    <Field id={id} label={label} help={help} error={errorOf(form, name)} className={className}>
      <Select disabled={disabled} {...form.register(name, { setValueAs: emptyAs(empty) })}>
        {options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </Select>
    </Field>
  );
}

/** Yes or no. */
export function CheckField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  type = 'checkbox',
}: Pick<Of<T, N>, 'form' | 'name' | 'label'> & { readonly type?: 'checkbox' | 'switch' }) {
  const id = useId();
  return <Check id={id} type={type} label={label} {...form.register(name)} />;
}

interface ManyProps<T extends FieldValues, N extends FieldPath<T>, V extends string | number> extends Of<T, N> {
  readonly options: readonly { readonly value: V; readonly word: ReactNode }[];
  readonly look?: 'ticks' | 'keys';
}

/** Any of several, each by its own tick. */
export function ManyField<T extends FieldValues, N extends FieldPath<T>, V extends string | number>({
  form,
  name,
  label,
  className,
  options,
  look = 'ticks',
}: ManyProps<T, N, V>) {
  const {
    field: { ref, value, onChange, onBlur },
  } = useController({ control: form.control, name });
  const all: readonly unknown[] = Array.isArray(value) ? value : [];
  return (
    <Ticks
      label={label}
      options={options}
      chosen={options.map((o) => o.value).filter((v) => all.includes(v))}
      onPick={onChange}
      onBlur={onBlur}
      error={errorOf(form, name)}
      className={className}
      look={look}
      ref={ref}
    />
  );
}

interface ChoiceProps<T extends FieldValues, N extends FieldPath<T>> extends Omit<Of<T, N>, 'label'> {
  readonly label: string;
  readonly options: readonly { readonly value: FieldPathValue<T, N> & (string | number); readonly word: string }[];
}

/** One out of few, as keys in a row. */
export function ChoiceField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  className,
  options,
}: ChoiceProps<T, N>) {
  const { field } = useController({ control: form.control, name });
  return (
    <ChoiceGroup name={label} options={options} value={field.value} onPick={field.onChange} className={className} />
  );
}

interface DayProps<T extends FieldValues, N extends FieldPath<T>> extends Omit<Of<T, N>, 'label'> {
  readonly label: string;
  readonly empty?: Empty;
  readonly min?: string;
  readonly max?: string;
}

/** A day, as `2031-04-09`. */
export function DayField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  help,
  className,
  empty = 'text',
  min,
  max,
}: DayProps<T, N>) {
  const id = useId();
  const {
    field: { ref, value, onChange, onBlur },
  } = useController({ control: form.control, name });
  return (
    <Field id={id} label={label} help={help} error={errorOf(form, name)} className={className}>
      <DayInput
        id={id}
        ref={ref}
        called={label}
        value={value ?? ''}
        min={min}
        max={max}
        onChange={(kept) => onChange(kept === '' ? EMPTY[empty] : kept)}
        onBlur={onBlur}
      />
    </Field>
  );
}

/** A time of day, in minutes from midnight. */
export function TimeField<T extends FieldValues, N extends FieldPath<T>>({
  form,
  name,
  label,
  help,
  className,
}: Of<T, N>) {
  const id = useId();
  const {
    field: { ref, value, onChange, onBlur },
  } = useController({ control: form.control, name });
  return (
    <Field id={id} label={label} help={help} error={errorOf(form, name)} className={className}>
      <TimeInput id={id} ref={ref} value={value} onChange={onChange} onBlur={onBlur} />
    </Field>
  );
}
