/** The first start: the owner's account. */
import { useWatch } from 'react-hook-form';
import { firstOwnerSchema, type FirstOwner as FirstOwnerDraft } from '../../contract/account.ts';
import { Refusal } from '../app/state.tsx';
import { useFirstOwner } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { SchemaForm } from '../ui/form/SchemaForm.tsx';
import { TextField } from '../ui/form/fields.tsx';
import { useSchemaForm } from '../ui/form/useSchemaForm.ts';
import { PASSPHRASE_HELP, PassphraseField } from './PassphraseField.tsx';
import { Threshold } from './Threshold.tsx';

export function FirstOwner({ codeNeeded }: { codeNeeded: boolean }) {
  const first = useFirstOwner();
  const form = useSchemaForm<FirstOwnerDraft>({
    schema: codeNeeded ? firstOwnerSchema.fork('code', (s) => s.required()) : firstOwnerSchema,
    values: { name: '', login: '', passphrase: '', ...(codeNeeded && { code: '' }) },
  });
  const [name, login] = useWatch({ control: form.control, name: ['name', 'login'] });
  return (
    <Threshold
      title="A new house"
      says="Nobody has a key yet. The first one is the owner’s: it opens everything, and makes keys for others."
    >
      <SchemaForm form={form} onSave={(draft) => first.mutate(draft)}>
        <TextField form={form} name="name" label="Your name" className="mb-3" input={{ autoComplete: 'name' }} />
        <TextField
          form={form}
          name="login"
          label="Name to sign in with"
          help="Small letters, digits, dots and dashes."
          className="mb-3"
          fit={(typed) => typed.toLowerCase()}
          input={{ autoComplete: 'username', autoCapitalize: 'none' }}
        />
        <PassphraseField
          form={form}
          name="passphrase"
          label="Passphrase"
          about={[name, login]}
          help={PASSPHRASE_HELP}
        />
        {codeNeeded && (
          <TextField
            form={form}
            name="code"
            label="Code from the salon’s computer"
            help="It was printed where the program was started."
            className="mb-3"
          />
        )}
        <Refusal error={first.error} />
        <Button type="submit" size="lg" disabled={first.isPending}>
          {first.isPending ? 'One moment …' : 'Make the owner’s key'}
        </Button>
      </SchemaForm>
    </Threshold>
  );
}
