/** How the owner wants to be reminded: off until they have asked. */
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SchemaForm } from '../../ui/form/SchemaForm.tsx';
import { SelectField, TextField, TimeField } from '../../ui/form/fields.tsx';
import { useSchemaForm } from '../../ui/form/useSchemaForm.ts';
import { useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { ownerPostSchema, POST_CHANNELS, type OwnerPostRecord } from '../../../contract/post.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Refusal } from '../../app/state.tsx';
import { useEditPost } from '../../data/hooks.ts';
import { CHANNEL_WORDS } from '../../words/post.ts';
import { minuteText } from '../../words/dates.ts';

const WORDS: readonly FieldWord<OwnerPostRecord>[] = [
  { key: 'channel', label: 'Way', say: (p) => CHANNEL_WORDS[p.channel] },
  { key: 'email', label: 'Mail' },
  {
    key: 'quiet',
    label: 'Quiet hours',
    say: (p) => `${minuteText(p.quiet.fromMinute)} to ${minuteText(p.quiet.toMinute)}`,
  },
];

const CHANNELS = POST_CHANNELS.map((c) => [c, CHANNEL_WORDS[c]] as const);

function Wish({
  dogId,
  post,
  stale,
  onTry,
  onSaved,
}: {
  dogId: string;
  post: OwnerPostRecord;
  stale: boolean;
  onTry: (p: OwnerPostRecord) => void;
  onSaved: (p: OwnerPostRecord) => void;
}) {
  const form = useSchemaForm<OwnerPostRecord>({ schema: ownerPostSchema, values: post });
  const save = useEditPost(dogId);
  const channel = useWatch({ control: form.control, name: 'channel' });
  return (
    <SchemaForm
      form={form}
      onSave={(wish) => {
        onTry(wish);
        save.mutate(wish, { onSuccess: onSaved });
      }}
    >
      <SelectField form={form} name="channel" label="Way" options={CHANNELS} />
      {channel !== 'off' && (
        <>
          {channel === 'mail' && (
            <TextField
              form={form}
              name="email"
              label="Mail address"
              className="mt-2"
              type="email"
              fit={(typed) => typed.trim()}
            />
          )}
          <div className="d-flex g-5 mt-2">
            <TimeField form={form} name="quiet.fromMinute" label="Quiet from" />
            <TimeField form={form} name="quiet.toMinute" label="until" />
          </div>
        </>
      )}
      <Refusal error={stale ? null : save.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" look="usual" disabled={save.isPending}>
          Keep
        </Button>
        {save.isSuccess && <span role="status">Kept.</span>}
        <Link to="/desk/post">What went out</Link>
      </div>
    </SchemaForm>
  );
}

export function Reminders({ dogId, post, ownerName }: { dogId: string; post: OwnerPostRecord; ownerName: string }) {
  const { base, mine, formKey, newer, tried, settle, saved } = useEditing(post);
  return (
    <Sheet aria-labelledby="reminders">
      <h2 id="reminders">Reminders for {ownerName}</h2>
      <p className="wt-soft">
        Only to owners who asked. One a day at most: a visit tomorrow, a blow that starts, a long pause, a date to
        agree.
      </p>
      {newer && <ChangedElsewhere base={base} newer={newer} mine={mine} words={WORDS} onSettle={settle} />}
      <Wish key={formKey} dogId={dogId} post={base} stale={newer !== undefined} onTry={tried} onSaved={saved} />
    </Sheet>
  );
}
