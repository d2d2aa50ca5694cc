/** Sign-in: a name and a passphrase; in the demo, who can be tried. */
import { signInSchema, type MePage, type SignIn as SignInDraft } from '../../contract/account.ts';
import { Refusal } from '../app/state.tsx';
import { useSignIn } from '../data/door.ts';
import { Button } from '../ui/Button.tsx';
import { Notice } from '../ui/Notice.tsx';
import { SchemaForm } from '../ui/form/SchemaForm.tsx';
import { CheckField, TextField } from '../ui/form/fields.tsx';
import { useSchemaForm } from '../ui/form/useSchemaForm.ts';
import { ROLE_WORDS } from './me.ts';
import { PassphraseField } from './PassphraseField.tsx';
import { Threshold } from './Threshold.tsx';

export function SignIn({ demo }: Pick<MePage, 'demo'>) {
  const signIn = useSignIn();
  const form = useSchemaForm<SignInDraft>({
    schema: signInSchema,
    values: { login: '', passphrase: '', shared: false },
  });
  return (
    <Threshold title="Who is here?">
      {demo && (
        <Notice tone="good" aria-label="The demo">
          <p>This is a salon that was made up, to look around in. Come in as</p>
          <div className="wt-acts">
            {demo.people.map((p) => (
              <Button
                key={p.login}
                look="usual"
                disabled={signIn.isPending}
                onClick={() =>
                  signIn.mutate({ login: p.login, passphrase: demo.passphrase, shared: form.getValues('shared') })
                }
              >
                {p.name}, {ROLE_WORDS[p.role].name.toLowerCase()}
              </Button>
            ))}
          </div>
        </Notice>
      )}
      <SchemaForm form={form} onSave={(draft) => signIn.mutate(draft)}>
        <TextField
          form={form}
          name="login"
          label="Name you sign in with"
          className="mb-3"
          input={{ autoComplete: 'username', autoCapitalize: 'none' }}
        />
        <PassphraseField form={form} name="passphrase" label="Passphrase" known />
        <div className="mb-3">
          <CheckField
            form={form}
            name="shared"
            label="This tablet belongs to the salon: several people use it, each with a PIN"
          />
        </div>
        <Refusal error={signIn.error} />
        <Button type="submit" size="lg" disabled={signIn.isPending}>
          {signIn.isPending ? 'One moment …' : 'Come in'}
        </Button>
      </SchemaForm>
    </Threshold>
  );
}
