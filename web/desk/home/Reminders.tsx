/** How the owner wants to be reminded: off until they have asked. */
import { minuteClock, minuteOf } from '../../words/clock.ts';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { POST_CHANNELS, type OwnerPostRecord } from '../../../contract/post.ts';
import { ChangedElsewhere, useEditing, type FieldWord } from '../../app/edit-conflict.tsx';
import { Refusal } from '../../app/state.tsx';
import { useEditPost } from '../../data/hooks.ts';
import { CHANNEL_WORDS } from '../../words/post.ts';

const WORDS: readonly FieldWord<OwnerPostRecord>[] = [
  { key: 'channel', label: 'Way', say: (p) => CHANNEL_WORDS[p.channel] },
  { key: 'email', label: 'Mail' },
  {
    key: 'quiet',
    label: 'Quiet hours',
    say: (p) => `${minuteClock(p.quiet.fromMinute)} to ${minuteClock(p.quiet.toMinute)}`,
  },
];

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
  const [wish, setWish] = useState(post);
  const save = useEditPost(dogId);
  const put = (more: Partial<OwnerPostRecord>): void => setWish({ ...wish, ...more });
  const hour = (key: 'fromMinute' | 'toMinute', label: string) => (
    <Form.Group controlId={`quiet-${key}`}>
      <Form.Label>{label}</Form.Label>
      <Form.Control
        type="time"
        value={minuteClock(wish.quiet[key])}
        onChange={(e) => put({ quiet: { ...wish.quiet, [key]: minuteOf(e.target.value) ?? wish.quiet[key] } })}
      />
    </Form.Group>
  );
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onTry(wish);
        save.mutate(wish, { onSuccess: onSaved });
      }}
    >
      <Form.Group controlId="post-channel">
        <Form.Label>Way</Form.Label>
        <Form.Select
          value={wish.channel}
          onChange={(e) => put({ channel: POST_CHANNELS.find((c) => c === e.target.value) ?? 'off' })}
        >
          {POST_CHANNELS.map((c) => (
            <option key={c} value={c}>
              {CHANNEL_WORDS[c]}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      {wish.channel !== 'off' && (
        <>
          {wish.channel === 'mail' && (
            <Form.Group controlId="post-email" className="mt-2">
              <Form.Label>Mail address</Form.Label>
              <Form.Control type="email" value={wish.email} onChange={(e) => put({ email: e.target.value.trim() })} />
            </Form.Group>
          )}
          <div className="wt-quiet mt-2">
            {hour('fromMinute', 'Quiet from')}
            {hour('toMinute', 'until')}
          </div>
        </>
      )}
      <Refusal error={stale ? null : save.error} />
      <div className="wt-acts mt-2">
        <Button type="submit" variant="outline-primary" disabled={save.isPending}>
          Keep
        </Button>
        {save.isSuccess && <span role="status">Kept.</span>}
        <Link to="/desk/post">What went out</Link>
      </div>
    </form>
  );
}

export function Reminders({ dogId, post, ownerName }: { dogId: string; post: OwnerPostRecord; ownerName: string }) {
  const { base, mine, formKey, newer, tried, settle, saved } = useEditing(post);
  return (
    <section className="wt-sheet" aria-labelledby="reminders">
      <h2 id="reminders">Reminders for {ownerName}</h2>
      <p className="wt-soft">
        Only to owners who asked. One a day at most: a visit tomorrow, a blow that starts, a long pause, a date to
        agree.
      </p>
      {newer && <ChangedElsewhere base={base} newer={newer} mine={mine} words={WORDS} onSettle={settle} />}
      <Wish key={formKey} dogId={dogId} post={base} stale={newer !== undefined} onTry={tried} onSaved={saved} />
    </section>
  );
}
