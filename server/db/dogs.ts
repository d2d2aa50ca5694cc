/** SQL of dogs. Rows in, messages out. */
import type { DogDraft, DogRecord } from '../../contract/dog.ts';
import type { CareItem } from '../../core/dog/index.ts';
import { formatDay, parseDay, day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly breed: string;
  readonly sex: DogRecord['sex'];
  readonly born_day: number | null;
  readonly coat_class: DogRecord['coatClass'];
  readonly shape: DogDraft['shape'];
  readonly weight_kg: number;
  readonly last_season_day: number | null;
  readonly traits: string;
  readonly care: string;
  readonly clip_orders: string;
  readonly outdoor_share: number;
  readonly standing_minutes: number | null;
  readonly home_care: DogRecord['homeCare'];
  readonly note: string;
  readonly owner_name: string;
  readonly owner_phone: string;
  readonly version: number;
}

const dateOrNull = (value: number | null): string | null => (value === null ? null : formatDay(day(value)));
const dayOrNull = (text: string | null): number | null => (text === null ? null : (parseDay(text) ?? null));

const record = (r: Row): DogRecord => ({
  id: r.id,
  name: r.name,
  breed: r.breed,
  sex: r.sex,
  born: dateOrNull(r.born_day),
  coatClass: r.coat_class,
  shape: r.shape,
  weightKg: r.weight_kg,
  lastSeason: dateOrNull(r.last_season_day),
  traits: JSON.parse(r.traits),
  care: JSON.parse(r.care),
  clipOrders: JSON.parse(r.clip_orders),
  outdoorShare: r.outdoor_share,
  standingMinutes: r.standing_minutes,
  homeCare: r.home_care,
  note: r.note,
  owner: { name: r.owner_name, phone: r.owner_phone },
  version: r.version,
});

/** What a form says of a dog; orders to clip are written apart. */
type Written = Omit<Row, 'version' | 'clip_orders'>;
const values = (id: string, d: DogDraft): Written => ({
  id,
  name: d.name,
  breed: d.breed,
  sex: d.sex,
  born_day: dayOrNull(d.born),
  coat_class: d.coatClass,
  shape: d.shape,
  weight_kg: d.weightKg,
  last_season_day: dayOrNull(d.lastSeason),
  traits: JSON.stringify(d.traits),
  care: JSON.stringify(d.care ?? []),
  outdoor_share: d.outdoorShare,
  standing_minutes: d.standingMinutes,
  home_care: d.homeCare,
  note: d.note,
  owner_name: d.owner.name,
  owner_phone: d.owner.phone,
});

/** Dogs that are read in one step. */
const PAGE = 100;
const byName = (a: DogRecord, b: DogRecord): number =>
  a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1;

/** Prepared statements over dogs. */
export function dogStore(db: Db) {
  const all = db.prepare<[], Row>('SELECT * FROM dog WHERE gone_ms IS NULL ORDER BY name, id');
  const someActive = db.prepare<{ since: number; from: string; after: string }, Row>(
    `SELECT d.* FROM dog d WHERE d.id > @after AND d.gone_ms IS NULL AND (
       EXISTS (SELECT 1 FROM session s WHERE s.dog_id = d.id AND s.day >= @since)
       OR EXISTS (SELECT 1 FROM coat_check c WHERE c.dog_id = d.id AND c.day >= @since)
       OR EXISTS (SELECT 1 FROM booking b WHERE b.dog_id = d.id AND b.starts_at >= @from AND b.cancelled = 0)
       OR EXISTS (SELECT 1 FROM past_visit p WHERE p.dog_id = d.id AND p.day >= @since)
       OR EXISTS (SELECT 1 FROM home_note n WHERE n.dog_id = d.id AND n.day >= @since)
       OR NOT EXISTS (SELECT 1 FROM coat_check c WHERE c.dog_id = d.id)
          AND NOT EXISTS (SELECT 1 FROM past_visit p WHERE p.dog_id = d.id))
     ORDER BY d.id LIMIT ${PAGE}`,
  );
  const named = db.prepare<[string, string, number], Row>(
    `SELECT * FROM dog WHERE gone_ms IS NULL AND (name LIKE ? ESCAPE '\\' OR owner_name LIKE ? ESCAPE '\\')
     ORDER BY name, id LIMIT ?`,
  );
  const names = db.prepare<[], { id: string; name: string; owner: string; phone: string }>(
    'SELECT id, name, owner_name AS owner, owner_phone AS phone FROM dog WHERE gone_ms IS NULL ORDER BY name, id',
  );
  const one = db.prepare<[string], Row>('SELECT * FROM dog WHERE id = ? AND gone_ms IS NULL');
  const ofOwner = db.prepare<[string, string], Row>(
    'SELECT * FROM dog WHERE owner_name = ? AND owner_phone = ? AND gone_ms IS NULL ORDER BY name, id',
  );
  const insert = db.prepare<Written>(
    `INSERT INTO dog (id, name, breed, sex, born_day, coat_class, shape, weight_kg, last_season_day, traits, care, outdoor_share, standing_minutes,
                      home_care, note, owner_name, owner_phone)
     VALUES (@id, @name, @breed, @sex, @born_day, @coat_class, @shape, @weight_kg, @last_season_day, @traits, @care, @outdoor_share, @standing_minutes,
             @home_care, @note, @owner_name, @owner_phone)`,
  );
  const update = db.prepare<Omit<Row, 'clip_orders'>>(
    `UPDATE dog SET name = @name, breed = @breed, sex = @sex, born_day = @born_day, coat_class = @coat_class,
       shape = @shape, weight_kg = @weight_kg, last_season_day = @last_season_day, traits = @traits, care = @care, outdoor_share = @outdoor_share, standing_minutes = @standing_minutes,
       home_care = @home_care, note = @note, owner_name = @owner_name, owner_phone = @owner_phone, version = version + 1
     WHERE id = @id AND version = @version`,
  );
  const chooseCare = db.prepare<{ id: string; care: string }>(
    'UPDATE dog SET care = @care, version = version + 1 WHERE id = @id AND gone_ms IS NULL',
  );
  const orderClips = db.prepare<{ id: string; orders: string }>(
    'UPDATE dog SET clip_orders = @orders, version = version + 1 WHERE id = @id AND gone_ms IS NULL',
  );
  return {
    /** The orders to clip a dog, all of them. */
    orderClips: (id: string, orders: DogRecord['clipOrders']): boolean =>
      orderClips.run({ id, orders: JSON.stringify(orders) }).changes > 0,
    /** What else is done to a dog on a visit, chosen anew; does it exist. */
    chooseCare: (id: string, care: readonly CareItem[]): boolean =>
      chooseCare.run({ id, care: JSON.stringify(care) }).changes > 0,
    ofOwner: ({ name, phone }: DogRecord['owner']): readonly DogRecord[] => ofOwner.all(name, phone).map(record),
    /**
     * Dogs that were seen since a day, that come again, or that are new, by name; the others rest. In steps, so that other
     * work can run in between: with thousands of dogs it takes long.
     */
    *activeInPieces(since: number, from: string): Generator<void, readonly DogRecord[]> {
      const dogs: DogRecord[] = [];
      for (let after = ''; ;) {
        const rows = someActive.all({ since, from, after });
        dogs.push(...rows.map(record));
        const last = rows.at(-1);
        if (!last || rows.length < PAGE) return dogs.sort(byName);
        after = last.id;
        yield;
      }
    },
    /** Dogs whose name or whose owner's holds a text. */
    named: (text: string, most: number): readonly DogRecord[] => {
      const like = `%${text.replace(/[\\%_]/g, '\\$&')}%`;
      return named.all(like, like, most).map(record);
    },
    all: (): readonly DogRecord[] => all.all().map(record),
    /** What files know dogs by. */
    names: () => names.all(),
    find: (id: string): DogRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    insert: (id: string, draft: DogDraft): void => {
      insert.run(values(id, draft));
    },
    /** False when the stored version is another. */
    update: (id: string, draft: DogDraft, version: number): boolean =>
      update.run({ ...values(id, draft), version }).changes === 1,
  };
}
