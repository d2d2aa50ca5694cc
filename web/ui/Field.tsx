/** Something to fill in: its name, the field, what helps, and what is wrong with it. */
import {
  createContext,
  use,
  useMemo,
  type ChangeEventHandler,
  type ComponentPropsWithRef,
  type ReactNode,
} from 'react';
import { Form as Fields } from 'react-bootstrap';
import { cx } from './cx.ts';
import css from './Field.module.css';

interface FieldProps {
  /** The id of the field itself. */
  readonly id: string;
  readonly label: ReactNode;
  /** The label is beside the field, or only for a screen reader. */
  readonly labelIs?: 'beside' | 'unseen';
  readonly help?: ReactNode;
  /** The sentence under a field that cannot be taken. */
  readonly error?: string | undefined;
  readonly className?: string | undefined;
  /** One Input, Select, TextArea or Range. */
  readonly children: ReactNode;
}

/** What the field inside is told of the sentences around it. */
const Around = createContext<{ readonly describedBy: string | undefined; readonly wrong: boolean }>({
  describedBy: undefined,
  wrong: false,
});

/** Ties a field to its help and to what is wrong with it, and marks it wrong. */
function useAround({
  'aria-describedby': own,
  isInvalid = false,
}: {
  'aria-describedby'?: string | undefined;
  isInvalid?: boolean;
}) {
  const { describedBy, wrong } = use(Around);
  const said = [own, describedBy].filter(Boolean).join(' ');
  const invalid = isInvalid || wrong;
  return {
    isInvalid: invalid,
    ...(invalid ? { 'aria-invalid': true } : {}),
    ...(said ? { 'aria-describedby': said } : {}),
  };
}

export function Field({ id, label, labelIs, help, error, className, children }: FieldProps) {
  const said = [help !== undefined && `${id}-help`, error !== undefined && `${id}-error`].filter(Boolean).join(' ');
  const around = useMemo(() => ({ describedBy: said || undefined, wrong: error !== undefined }), [said, error]);
  return (
    <Fields.Group
      controlId={id}
      className={cx(css.field, error !== undefined && css.wrong, labelIs === 'beside' && css.beside, className)}
    >
      <Fields.Label visuallyHidden={labelIs === 'unseen'}>{label}</Fields.Label>
      <Around value={around}>{children}</Around>
      {help !== undefined && (
        <Fields.Text id={`${id}-help`} className={css.help}>
          {help}
        </Fields.Text>
      )}
      {error !== undefined && (
        <Fields.Text id={`${id}-error`} role="alert" className={css.error}>
          {error}
        </Fields.Text>
      )}
    </Fields.Group>
  );
}

/** As the library has them: said or left out, never undefined. */
interface Said<E> {
  readonly disabled?: boolean;
  readonly readOnly?: boolean;
  readonly isInvalid?: boolean;
  readonly type?: string;
  readonly value?: string | number | string[];
  readonly onChange?: ChangeEventHandler<E>;
}
type Of<T extends 'input' | 'select' | 'textarea'> = Omit<ComponentPropsWithRef<T>, 'size' | keyof Said<never>> &
  Said<HTMLElementTagNameMap[T]>;

export const Input = (props: Of<'input'>) => <Fields.Control {...props} {...useAround(props)} />;

export const TextArea = (props: Of<'textarea'>) => <Fields.Control {...props} {...useAround(props)} as="textarea" />;

export const Select = ({ size, ...rest }: Of<'select'> & { readonly size?: 'sm' }) => (
  <Fields.Select {...rest} {...useAround(rest)} {...(size ? { size } : {})} />
);

export const Range = (props: Of<'input'>) => <Fields.Range {...props} />;

interface CheckProps extends Omit<Of<'input'>, 'type'> {
  readonly label: ReactNode;
  readonly type?: 'checkbox' | 'switch' | 'radio';
  /** In a row with others. */
  readonly inline?: boolean;
}

export const Check = ({ type = 'checkbox', ...rest }: CheckProps) => <Fields.Check {...rest} type={type} />;
