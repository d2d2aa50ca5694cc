/** Desk → To homes: the outbox. What would have been sent, to whom, in which words; and what waits. */
import { Link } from 'react-router';
import type { PostHousehold, PostPage, PostRecord } from '../../../contract/post.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { emlUrl, usePost, useRunPost, useStopPost } from '../../data/hooks.ts';
import { Button, ButtonAnchor } from '../../ui/Button.tsx';
import { EmptyState } from '../../ui/EmptyState.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Table } from '../../ui/Table.tsx';
import { instantText, minuteText } from '../../words/dates.ts';
import { capital, listText } from '../../words/figures.ts';
import { CHANNEL_WORDS, reminderWord, SILENCE_WORDS } from '../../words/post.ts';
import css from './home-plan.module.css';

function Households({ page }: { page: PostPage }) {
  const run = useRunPost();
  const row = (h: PostHousehold) => (
    <tr key={`${h.ownerName} ${h.dogs.map((d) => d.id).join(' ')}`}>
      <th scope="row">
        {h.ownerName}
        <span className="wt-soft">
          {' '}
          {h.dogs.map((d, i) => (
            <span key={d.id}>
              {i > 0 && ', '}
              <Link to={`/desk/dogs/${d.id}/home`}>{d.name}</Link>
            </span>
          ))}
        </span>
      </th>
      <td>{CHANNEL_WORDS[h.channel]}</td>
      <td>
        {minuteText(h.quiet.fromMinute)}–{minuteText(h.quiet.toMinute)}
      </td>
      <td>
        {h.waiting.length > 0 &&
          `${capital(listText([...new Set(h.waiting.map((w) => `${w.dogName}: ${reminderWord(w.kind)}`))]))}. `}
        <span className="wt-soft">{h.silence ? capital(SILENCE_WORDS[h.silence]) : 'Leaves with the next round'}.</span>
      </td>
    </tr>
  );
  return (
    <Sheet aria-labelledby="waits">
      <div className="wt-title mb-0">
        <h2 id="waits">What waits</h2>
        <div className="wt-acts">
          <span className="wt-soft" role="status">
            {page.at ? `Gone through ${instantText(page.at, page.timeZone)}` : 'Not gone through yet'}
          </span>
          <Button look="usual" disabled={run.isPending} onClick={() => run.mutate()}>
            {run.isPending ? 'Going through …' : 'Go through now'}
          </Button>
        </div>
      </div>
      <Refusal error={run.error} />
      {page.households.length === 0 ? (
        <p>Nobody has asked for reminders, or nobody was looked at yet. A dog’s home page has the switch.</p>
      ) : (
        <Table className={css.homeweek}>
          <thead>
            <tr>
              <th>Owner</th>
              <th>Way</th>
              <th>Quiet</th>
              <th>To say</th>
            </tr>
          </thead>
          <tbody>{page.households.map(row)}</tbody>
        </Table>
      )}
    </Sheet>
  );
}

function Sent({ post, timeZone }: { post: PostRecord; timeZone: string }) {
  const stop = useStopPost();
  return (
    <Sheet as="li">
      <h3>{post.subject || capital(listText(post.kinds.map(reminderWord)))}</h3>
      <p className="wt-soft">
        To {post.ownerName}, {post.address}, {instantText(post.at, timeZone)},{' '}
        {CHANNEL_WORDS[post.channel].toLowerCase()}
        {post.channel === 'text' && `, ${post.text.length} letters`}
      </p>
      <p className={css.message}>{post.text}</p>
      <div className="wt-acts">
        {post.channel === 'mail' && <ButtonAnchor href={emlUrl(post.id)}>The mail with its dates (.eml)</ButtonAnchor>}
        <Button look="usual" disabled={stop.isPending || stop.isSuccess} onClick={() => stop.mutate(post.id)}>
          They answered STOP
        </Button>
        {stop.isSuccess && <span role="status">No more reminders for {post.ownerName}.</span>}
      </div>
      <Refusal error={stop.error} />
    </Sheet>
  );
}

export function PostRoom() {
  return (
    <>
      <div className="wt-title">
        <h1>Messages sent</h1>
        <span className="wt-soft">Kept here as they would have been sent; nothing leaves this computer.</span>
      </div>
      <Loaded query={usePost()}>
        {(page) => (
          <div className="wt-stack">
            <Households page={page} />
            {page.sent.length === 0 ? (
              <EmptyState>Nothing has gone out yet.</EmptyState>
            ) : (
              <ul className={`wt-bare ${css.posts}`} aria-label="What went out">
                {page.sent.map((p) => (
                  <Sent key={p.id} post={p} timeZone={page.timeZone} />
                ))}
              </ul>
            )}
          </div>
        )}
      </Loaded>
    </>
  );
}
