/** A word for the record, written with dry hands. */
import { noteSchema } from '../../../contract/session.ts';
import { Button } from '../../ui/Button.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { TextField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import tableCss from '../table.module.css';

export default function NoteForm({ onWrite }: { readonly onWrite: (text: string) => void }) {
  const form = useSchemaForm<{ readonly text: string }>({ schema: noteSchema, values: { text: '' } });
  return (
    <SchemaForm form={form} className={`${tableCss.weigh ?? ''} mt-3`} onSave={({ text }) => onWrite(text)}>
      <TextField form={form} name="text" label="A word for the record, with dry hands" fit={(typed) => typed.trim()} />
      <Button type="submit" look="usual">
        Write down
      </Button>
    </SchemaForm>
  );
}
