/** SQL of homes: what they are like, what was brushed, cared for and found, and the links they open with. */
import type {
  HomeBoutNote,
  HomeCareNote,
  HomeLink,
  HomeReport,
  HomeReportDraft,
  HomeSetupFacts,
  HomeSetupRecord,
} from '../../contract/home.ts';
import { day, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface BoutRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly parts: string;
  readonly minutes: number;
  readonly amount: HomeBoutNote['amount'];
  readonly author: string;
}
interface CareRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly kind: HomeCareNote['kind'];
  readonly author: string;
}
interface ReportRow {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly kind: HomeReport['kind'];
  readonly part: HomeReport['part'];
  readonly note: string;
  readonly author: string;
}
interface ReportRead extends ReportRow {
  readonly photo: number;
  readonly closed_ms: number | null;
  readonly answer: string;
}
interface LinkRow {
  readonly id: string;
  readonly token_hash: string;
  readonly feed_hash: string;
  readonly created_ms: number;
  readonly ended_ms: number | null;
}

const text = (value: number): string => formatDay(day(value));
const dayOf = (value: string): number => parseDay(value) ?? 0;
const bout = ({ dog_id: dogId, parts, day: on, ...r }: BoutRow): HomeBoutNote & { readonly dogId: string } => ({
  ...r,
  dogId,
  day: text(on),
  parts: JSON.parse(parts),
});
const report = ({ dog_id: dogId, day: on, photo, closed_ms, ...r }: ReportRead): HomeReport => ({
  ...r,
  dogId,
  day: text(on),
  photo: photo === 1,
  closed: closed_ms !== null,
});
const REPORT = 'id, dog_id, day, kind, part, note, author, jpeg IS NOT NULL AS photo, closed_ms, answer';

/** Prepared statements. Links are found by the hash of what was sent, never by the token. */
export function homeStore(db: Db) {
  const setup = db.prepare<[string], { readonly setup: string; readonly version: number }>(
    'SELECT setup, version FROM home_setup WHERE dog_id = ?',
  );
  const insertSetup = db.prepare<[string, string]>(
    'INSERT INTO home_setup (dog_id, setup) VALUES (?, ?) ON CONFLICT (dog_id) DO NOTHING',
  );
  const updateSetup = db.prepare<[string, string, number]>(
    'UPDATE home_setup SET setup = ?, version = version + 1 WHERE dog_id = ? AND version = ?',
  );
  const bouts = db.prepare<[], BoutRow>('SELECT * FROM home_bout ORDER BY day, rowid');
  const boutsOf = db.prepare<[string, number], BoutRow>(
    'SELECT * FROM home_bout WHERE dog_id = ? AND day >= ? ORDER BY day, rowid',
  );
  const boutMinutes = db.prepare<[number], { readonly dogId: string; readonly day: number; readonly minutes: number }>(
    'SELECT dog_id AS dogId, day, minutes FROM home_bout WHERE day >= ? ORDER BY day',
  );
  const oneBout = db.prepare<[string], BoutRow>('SELECT * FROM home_bout WHERE id = ?');
  const addBout = db.prepare<BoutRow>(
    `INSERT INTO home_bout (id, dog_id, day, parts, minutes, amount, author)
     VALUES (@id, @dog_id, @day, @parts, @minutes, @amount, @author)`,
  );
  const dropBout = db.prepare<[string]>('DELETE FROM home_bout WHERE id = ?');
  const lastCare = db.prepare<[string], { readonly kind: HomeCareNote['kind']; readonly day: number }>(
    'SELECT kind, max(day) AS day FROM home_care WHERE dog_id = ? GROUP BY kind',
  );
  const oneCare = db.prepare<[string], CareRow>('SELECT * FROM home_care WHERE id = ?');
  const addCare = db.prepare<CareRow>(
    'INSERT INTO home_care (id, dog_id, day, kind, author) VALUES (@id, @dog_id, @day, @kind, @author)',
  );
  const reportsOf = db.prepare<[string], ReportRead>(
    `SELECT ${REPORT} FROM home_report WHERE dog_id = ? ORDER BY day DESC, rowid DESC LIMIT 20`,
  );
  const openReports = db.prepare<[], ReportRead>(
    `SELECT ${REPORT} FROM home_report WHERE closed_ms IS NULL ORDER BY day, rowid`,
  );
  const oneReport = db.prepare<[string], ReportRead>(`SELECT ${REPORT} FROM home_report WHERE id = ?`);
  const addReport = db.prepare<ReportRow>(
    `INSERT INTO home_report (id, dog_id, day, kind, part, note, author)
     VALUES (@id, @dog_id, @day, @kind, @part, @note, @author)`,
  );
  const setPhoto = db.prepare<[Uint8Array, string]>('UPDATE home_report SET jpeg = ? WHERE id = ?');
  const photo = db.prepare<[string], { readonly jpeg: Buffer | null }>('SELECT jpeg FROM home_report WHERE id = ?');
  const closeReport = db.prepare<[number, string, string]>(
    'UPDATE home_report SET closed_ms = ?, answer = ? WHERE id = ? AND closed_ms IS NULL',
  );
  const changes = db.prepare<{ readonly dogId: string }, { readonly n: number }>(
    `SELECT (SELECT count(*) FROM home_bout WHERE dog_id = @dogId) + (SELECT count(*) FROM coat_check WHERE dog_id = @dogId)
       + coalesce((SELECT version FROM home_setup WHERE dog_id = @dogId), 0) AS n`,
  );
  const insertLink = db.prepare<Omit<LinkRow, 'ended_ms'>>(
    `INSERT INTO home_link (id, token_hash, feed_hash, created_ms) VALUES (@id, @token_hash, @feed_hash, @created_ms)`,
  );
  const insertLinkDog = db.prepare<[string, string]>('INSERT INTO home_link_dog (link_id, dog_id) VALUES (?, ?)');
  const linksOf = db.prepare<[string], LinkRow>(
    `SELECT l.* FROM home_link l JOIN home_link_dog d ON d.link_id = l.id WHERE d.dog_id = ?
     ORDER BY l.created_ms DESC, l.id`,
  );
  const oneLink = db.prepare<[string], LinkRow>('SELECT * FROM home_link WHERE id = ?');
  const linkDogs = db.prepare<[string], { readonly dog_id: string }>(
    'SELECT dog_id FROM home_link_dog WHERE link_id = ? ORDER BY dog_id',
  );
  const byToken = db.prepare<[string], LinkRow>('SELECT * FROM home_link WHERE token_hash = ? AND ended_ms IS NULL');
  const byFeed = db.prepare<[string], LinkRow>('SELECT * FROM home_link WHERE feed_hash = ? AND ended_ms IS NULL');
  const endLink = db.prepare<[number, string]>('UPDATE home_link SET ended_ms = ? WHERE id = ? AND ended_ms IS NULL');

  const link = (r: LinkRow): HomeLink => ({
    id: r.id,
    dogIds: linkDogs.all(r.id).map((d) => d.dog_id),
    created: new Date(r.created_ms).toISOString(),
    ended: r.ended_ms !== null,
  });
  return {
    setup: (dogId: string): HomeSetupRecord | undefined => {
      const row = setup.get(dogId);
      return row && { ...JSON.parse(row.setup), version: row.version };
    },
    /** False when the stored version is another. */
    saveSetup: (dogId: string, facts: HomeSetupFacts, version: number): boolean =>
      (version === 0
        ? insertSetup.run(dogId, JSON.stringify(facts))
        : updateSetup.run(JSON.stringify(facts), dogId, version)
      ).changes === 1,
    bouts: () => bouts.all().map(bout),
    /** Minutes of every home since a day. */
    minutesSince: (from: number): readonly { readonly dogId: string; readonly day: Day; readonly minutes: number }[] =>
      boutMinutes.all(from).map((r) => ({ ...r, day: day(r.day) })),
    boutsOf: (dogId: string, from: Day): readonly HomeBoutNote[] =>
      boutsOf.all(dogId, from).map((r) => {
        const { dogId: _, ...note } = bout(r);
        return note;
      }),
    findBout: (id: string) => {
      const row = oneBout.get(id);
      return row && bout(row);
    },
    addBout: (dogId: string, { day: on, parts, ...b }: HomeBoutNote): void =>
      void addBout.run({ ...b, dog_id: dogId, day: dayOf(on), parts: JSON.stringify(parts) }),
    dropBout: (id: string): boolean => dropBout.run(id).changes === 1,
    lastCares: (dogId: string): ReadonlyMap<HomeCareNote['kind'], Day> =>
      new Map(lastCare.all(dogId).map((r) => [r.kind, day(r.day)])),
    findCare: (id: string): { readonly dogId: string } | undefined => {
      const row = oneCare.get(id);
      return row && { dogId: row.dog_id };
    },
    addCare: (dogId: string, { day: on, ...c }: HomeCareNote): void =>
      void addCare.run({ ...c, dog_id: dogId, day: dayOf(on) }),
    reportsOf: (dogId: string): readonly HomeReport[] => reportsOf.all(dogId).map(report),
    openReports: (): readonly HomeReport[] => openReports.all().map(report),
    findReport: (id: string): HomeReport | undefined => {
      const row = oneReport.get(id);
      return row && report(row);
    },
    addReport: (dogId: string, { day: on, ...r }: HomeReportDraft): void =>
      void addReport.run({ ...r, dog_id: dogId, day: dayOf(on) }),
    setPhoto: (id: string, jpeg: Uint8Array): void => void setPhoto.run(jpeg, id),
    photo: (id: string): Buffer | undefined => photo.get(id)?.jpeg ?? undefined,
    closeReport: (id: string, atMs: number, answer = ''): boolean => closeReport.run(atMs, answer, id).changes === 1,
    /** Grows with every bout and check of a dog and every edit of its home. */
    changes: (dogId: string): number => changes.get({ dogId })?.n ?? 0,
    addLink: (
      row: { id: string; tokenHash: string; feedHash: string; atMs: number },
      dogIds: readonly string[],
    ): void => {
      insertLink.run({ id: row.id, token_hash: row.tokenHash, feed_hash: row.feedHash, created_ms: row.atMs });
      for (const id of dogIds) insertLinkDog.run(row.id, id);
    },
    linksOf: (dogId: string): readonly HomeLink[] => linksOf.all(dogId).map(link),
    findLink: (id: string): HomeLink | undefined => {
      const row = oneLink.get(id);
      return row && link(row);
    },
    openLink: (tokenHash: string): HomeLink | undefined => {
      const row = byToken.get(tokenHash);
      return row && link(row);
    },
    openFeed: (feedHash: string): HomeLink | undefined => {
      const row = byFeed.get(feedHash);
      return row && link(row);
    },
    endLink: (id: string, atMs: number): boolean => endLink.run(atMs, id).changes === 1,
  };
}
