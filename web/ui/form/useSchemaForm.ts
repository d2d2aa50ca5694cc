/** A form whose values are held to the contract's own schema, with sentences that a person says. */
import { joiResolver } from '@hookform/resolvers/joi';
import type { ObjectSchema } from 'joi';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import { SENTENCES } from './sentences.ts';

interface Asked<T extends FieldValues> {
  readonly schema: ObjectSchema;
  readonly values: DefaultValues<T>;
}

/** All that is wrong is said at once, under its field; the first such field is gone to. */
export const useSchemaForm = <T extends FieldValues>({ schema, values }: Asked<T>): UseFormReturn<T> =>
  useForm<T>({
    defaultValues: values,
    resolver: joiResolver(schema, {
      abortEarly: false,
      convert: false,
      allowUnknown: false,
      errors: { label: false },
      messages: SENTENCES,
    }),
  });
