/** The one way in which a form is sent: checked by its schema, once, and nothing lost when it is refused. */
import type { ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import type { FieldValues, SubmitHandler, UseFormReturn } from 'react-hook-form';
import { cx } from '../cx.ts';
import sheetCss from '../Sheet.module.css';

interface Props<T extends FieldValues> {
  readonly form: UseFormReturn<T>;
  readonly onSave: SubmitHandler<T>;
  /** It is a sheet of paper of its own. */
  readonly sheet?: boolean;
  readonly name?: string;
  readonly className?: string | undefined;
  readonly children: ReactNode;
}

export const SchemaForm = <T extends FieldValues>({
  form,
  onSave,
  sheet = false,
  name,
  className,
  children,
}: Props<T>) => (
  <Form
    noValidate
    aria-label={name}
    className={cx(sheet && sheetCss.sheet, className)}
    onSubmit={(e) => void form.handleSubmit(onSave)(e)}
  >
    {children}
  </Form>
);
