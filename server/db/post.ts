/** SQL of reminders: how owners want them, and the outbox. */
import type { OwnerPost, OwnerPostRecord, PostChannel, PostRecord } from '../../contract/post.ts';
import { day, type Day } from '../../core/quantity/index.ts';
import { REMINDERS, type Reminder, type ReminderKind, type SentReminder } from '../../core/home/index.ts';
import type { Db } from './open.ts';

/** Whom a message is for: owners are known by name and number. */
export interface Owner {
  readonly name: string;
  readonly phone: string;
}
interface WishRow {
  readonly owner_name: string;
  readonly owner_phone: string;
  readonly channel: PostChannel;
  readonly email: string;
  readonly quiet_from: number;
  readonly quiet_to: number;
}
interface PostRow {
  readonly id: string;
  readonly owner_name: string;
  readonly owner_phone: string;
  readonly day: number;
  readonly at_ms: number;
  readonly channel: PostChannel;
  readonly address: string;
  readonly subject: string;
  readonly body: string;
  readonly eml: string | null;
}
interface AboutRow {
  readonly dog_id: string;
  readonly kind: ReminderKind;
  readonly about: string;
}
export interface Message {
  readonly id: string;
  readonly owner: Owner;
  readonly day: Day;
  readonly atMs: number;
  readonly channel: PostChannel;
  readonly address: string;
  readonly subject: string;
  readonly body: string;
  readonly eml: string | null;
  readonly reminders: readonly Reminder[];
}

const wish = (r: WishRow & { readonly version: number }): OwnerPostRecord => ({
  channel: r.channel,
  email: r.email,
  quiet: { fromMinute: r.quiet_from, toMinute: r.quiet_to },
  version: r.version,
});

/** Prepared statements. */
export function postStore(db: Db) {
  const find = db.prepare<[string, string], WishRow & { readonly version: number }>(
    'SELECT * FROM owner_post WHERE owner_name = ? AND owner_phone = ?',
  );
  const asked = db.prepare<[], WishRow & { readonly version: number }>(
    "SELECT * FROM owner_post WHERE channel <> 'off' ORDER BY owner_name, owner_phone",
  );
  const insert = db.prepare<WishRow>(
    `INSERT INTO owner_post (owner_name, owner_phone, channel, email, quiet_from, quiet_to)
     VALUES (@owner_name, @owner_phone, @channel, @email, @quiet_from, @quiet_to)
     ON CONFLICT (owner_name, owner_phone) DO NOTHING`,
  );
  const update = db.prepare<WishRow & { readonly version: number }>(
    `UPDATE owner_post SET channel = @channel, email = @email, quiet_from = @quiet_from, quiet_to = @quiet_to,
       version = version + 1
     WHERE owner_name = @owner_name AND owner_phone = @owner_phone AND version = @version`,
  );
  const move = db.prepare<[string, string, string, string]>(
    `UPDATE OR IGNORE owner_post SET owner_name = ?, owner_phone = ?, version = version + 1
     WHERE owner_name = ? AND owner_phone = ?`,
  );
  const send = db.prepare<PostRow>(
    `INSERT INTO post (id, owner_name, owner_phone, day, at_ms, channel, address, subject, body, eml)
     VALUES (@id, @owner_name, @owner_phone, @day, @at_ms, @channel, @address, @subject, @body, @eml)
     ON CONFLICT (owner_name, owner_phone, day) DO NOTHING`,
  );
  const addAbout = db.prepare<AboutRow & { readonly post_id: string }>(
    'INSERT INTO post_about (post_id, dog_id, kind, about) VALUES (@post_id, @dog_id, @kind, @about)',
  );
  const newest = db.prepare<[number], PostRow>('SELECT * FROM post ORDER BY at_ms DESC, id LIMIT ?');
  const one = db.prepare<[string], PostRow>('SELECT * FROM post WHERE id = ?');
  const aboutOf = db.prepare<[string], AboutRow>('SELECT dog_id, kind, about FROM post_about WHERE post_id = ?');
  const told = db.prepare<[string, string, number], AboutRow & { readonly day: number }>(
    `SELECT a.dog_id, a.kind, a.about, p.day FROM post_about a JOIN post p ON p.id = a.post_id
     WHERE p.owner_name = ? AND p.owner_phone = ? AND p.day >= ?`,
  );
  const rowOf = ({ name, phone }: Owner, p: OwnerPost): WishRow => ({
    owner_name: name,
    owner_phone: phone,
    channel: p.channel,
    email: p.email,
    quiet_from: p.quiet.fromMinute,
    quiet_to: p.quiet.toMinute,
  });
  const record = (r: PostRow): PostRecord => {
    const about = aboutOf.all(r.id);
    return {
      id: r.id,
      ownerName: r.owner_name,
      at: new Date(r.at_ms).toISOString(),
      channel: r.channel,
      address: r.address,
      subject: r.subject,
      text: r.body,
      kinds: REMINDERS.filter((k) => about.some((a) => a.kind === k)),
      dogIds: [...new Set(about.map((a) => a.dog_id))],
    };
  };
  return {
    wish: ({ name, phone }: Owner): OwnerPostRecord | undefined => {
      const row = find.get(name, phone);
      return row && wish(row);
    },
    asked: (): readonly (OwnerPostRecord & { readonly owner: Owner })[] =>
      asked.all().map((r) => ({ ...wish(r), owner: { name: r.owner_name, phone: r.owner_phone } })),
    /** False when the stored version is another. */
    saveWish: (owner: Owner, p: OwnerPost, version: number): boolean =>
      (version === 0 ? insert.run(rowOf(owner, p)) : update.run({ ...rowOf(owner, p), version })).changes === 1,
    /** An owner who goes by another name or number keeps what was asked for. */
    moveWish: (from: Owner, to: Owner): void => void move.run(to.name, to.phone, from.name, from.phone),
    /** False when this owner had a message on that day. */
    send: ({ owner, reminders, atMs, ...m }: Message): boolean => {
      const sent = send.run({ ...m, owner_name: owner.name, owner_phone: owner.phone, at_ms: atMs }).changes === 1;
      if (sent)
        for (const r of reminders) addAbout.run({ post_id: m.id, dog_id: r.dogId, kind: r.kind, about: r.about });
      return sent;
    },
    newest: (most: number): readonly PostRecord[] => newest.all(most).map(record),
    find: (id: string): (PostRecord & { readonly eml: string | null; readonly owner: Owner }) | undefined => {
      const row = one.get(id);
      return row && { ...record(row), eml: row.eml, owner: { name: row.owner_name, phone: row.owner_phone } };
    },
    told: ({ name, phone }: Owner, from: Day): readonly SentReminder[] =>
      told.all(name, phone, from).map((r) => ({ dogId: r.dog_id, kind: r.kind, about: r.about, day: day(r.day) })),
  };
}
