/** Who holds this phone, and whether the salon may write. */
import type { OwnPostPage, PostChannel } from '../../contract/post.ts';
import { minuteClock, minuteOf } from '../words/clock.ts';
import { CHANNEL_WORDS } from '../words/post.ts';
import type { Owner } from './store.ts';
import css from './owner.module.css';

export function Settings({ owner, post }: { owner: Owner; post: OwnPostPage }) {
  const { quiet } = post;
  const set = (more: Partial<OwnPostPage>): void => {
    const { channel, quiet: hours } = { ...post, ...more };
    owner.send({ kind: 'post', dogId: '', body: { channel, quiet: hours } });
  };
  const ways: readonly PostChannel[] = post.ways.includes(post.channel) ? post.ways : [...post.ways, post.channel];
  return (
    <section className={css.sheet} aria-labelledby="settings">
      <h2 id="settings">You</h2>
      <label className={css.field}>
        Your name, so the salon knows who brushed
        <input
          type="text"
          maxLength={60}
          autoComplete="given-name"
          value={owner.author}
          onChange={(e) => owner.sign(e.target.value)}
        />
      </label>
      <fieldset>
        <legend>May we remind you? At most once a day: a visit tomorrow, a blow that starts, a long pause.</legend>
        {ways.map((w) => (
          <label key={w} className={css.pick}>
            <input type="radio" name="channel" checked={post.channel === w} onChange={() => set({ channel: w })} />{' '}
            {CHANNEL_WORDS[w]}
          </label>
        ))}
      </fieldset>
      {ways.length === 1 && <p className={css.soft}>Give us an address or number, and we can.</p>}
      {post.channel !== 'off' && (
        <div className={css.row}>
          <label className={css.field}>
            Quiet from
            <input
              type="time"
              value={minuteClock(quiet.fromMinute)}
              onChange={(e) => set({ quiet: { ...quiet, fromMinute: minuteOf(e.target.value) ?? quiet.fromMinute } })}
            />
          </label>
          <label className={css.field}>
            until
            <input
              type="time"
              value={minuteClock(quiet.toMinute)}
              onChange={(e) => set({ quiet: { ...quiet, toMinute: minuteOf(e.target.value) ?? quiet.toMinute } })}
            />
          </label>
        </div>
      )}
    </section>
  );
}
