/** SQL of coat checks and their zones. */
import type { CheckDraft, CheckEdit, CheckRecord } from '../../contract/check.ts';
import type { ZoneFindings } from '../../core/check/index.ts';
import { isZoneId, type ZoneId } from '../../core/dog/index.ts';
import { day, formatDay, parseDay, type Day } from '../../core/quantity/index.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly dog_id: string;
  readonly day: number;
  readonly weight_kg: number;
  readonly guard_mm: string;
  readonly inspection: string;
  readonly note: string;
  readonly temperature_c: number | null;
  readonly humidity_pct: number | null;
  readonly version: number;
}
interface ZoneRow {
  readonly check_id: string;
  readonly zone: string;
  readonly finger: ZoneFindings['finger'] | null;
  readonly tug: ZoneFindings['tug'] | null;
  readonly comb: ZoneFindings['comb'] | null;
  readonly tie: ZoneFindings['tie'] | null;
  readonly skin: ZoneFindings['skin'] | null;
}

/** A check by what it is known by: the same version says the same. */
export interface CheckLine {
  readonly id: string;
  readonly dogId: string;
  readonly version: number;
}

/** A zone's row as findings: columns that are NULL were not tested. */
function findings(r: ZoneRow): ZoneFindings {
  return {
    ...(r.finger != null && { finger: r.finger }),
    ...(r.tug != null && { tug: r.tug }),
    ...(r.comb != null && { comb: r.comb }),
    ...(r.tie != null && { tie: r.tie }),
    ...(r.skin != null && { skin: r.skin }),
  };
}

/** The air of the day, absent when nobody read it. */
function air(r: Row): Pick<CheckRecord, 'air'> {
  if (r.temperature_c === null && r.humidity_pct === null) return {};
  return {
    air: {
      ...(r.temperature_c !== null && { temperatureC: r.temperature_c }),
      ...(r.humidity_pct !== null && { humidityPct: r.humidity_pct }),
    },
  };
}

/** Prepared statements over checks. */
export function checkStore(db: Db) {
  const one = db.prepare<[string], Row>('SELECT * FROM coat_check WHERE id = ?');
  const zonesOf = db.prepare<[string], ZoneRow>('SELECT * FROM check_zone WHERE check_id = ?');
  const ofDog = db.prepare<[string], Row>('SELECT * FROM coat_check WHERE dog_id = ? ORDER BY day DESC, id DESC');
  const linesOf = db.prepare<[string, number], CheckLine>(
    'SELECT id, dog_id AS dogId, version FROM coat_check WHERE dog_id = ? AND day >= ? ORDER BY day, id',
  );
  const newestLine = db.prepare<[string], CheckLine>(
    'SELECT id, dog_id AS dogId, version FROM coat_check WHERE dog_id = ? ORDER BY day DESC, id DESC LIMIT 1',
  );
  const insert = db.prepare<Omit<Row, 'version'>>(
    `INSERT INTO coat_check (id, dog_id, day, weight_kg, guard_mm, inspection, note, temperature_c, humidity_pct)
     VALUES (@id, @dog_id, @day, @weight_kg, @guard_mm, @inspection, @note, @temperature_c, @humidity_pct)`,
  );
  const update = db.prepare<Omit<Row, 'dog_id'>>(
    `UPDATE coat_check SET day = @day, weight_kg = @weight_kg, guard_mm = @guard_mm, inspection = @inspection,
       note = @note, temperature_c = @temperature_c, humidity_pct = @humidity_pct, version = version + 1 WHERE id = @id AND version = @version`,
  );
  const clearZones = db.prepare<[string]>('DELETE FROM check_zone WHERE check_id = ?');
  const insertZone = db.prepare<ZoneRow>(
    `INSERT INTO check_zone (check_id, zone, finger, tug, comb, tie, skin)
     VALUES (@check_id, @zone, @finger, @tug, @comb, @tie, @skin)`,
  );

  const record = (r: Row): CheckRecord => {
    const zones: Partial<Record<ZoneId, ZoneFindings>> = {};
    for (const z of zonesOf.all(r.id)) if (isZoneId(z.zone)) zones[z.zone] = findings(z);
    return {
      id: r.id,
      dogId: r.dog_id,
      day: formatDay(day(r.day)),
      weightKg: r.weight_kg,
      guardMm: JSON.parse(r.guard_mm),
      zones,
      inspection: JSON.parse(r.inspection),
      ...air(r),
      note: r.note,
      version: r.version,
    };
  };
  const base = (c: Omit<CheckEdit, 'version'>): Omit<Row, 'id' | 'dog_id' | 'version'> => ({
    day: dayOf(c.day),
    weight_kg: c.weightKg,
    guard_mm: JSON.stringify(c.guardMm),
    inspection: JSON.stringify(c.inspection),
    note: c.note,
    temperature_c: c.air?.temperatureC ?? null,
    humidity_pct: c.air?.humidityPct ?? null,
  });
  const writeZones = (checkId: string, zones: CheckDraft['zones']): void => {
    for (const [zone, f] of Object.entries(zones)) {
      insertZone.run({
        check_id: checkId,
        zone,
        finger: f.finger ?? null,
        tug: f.tug ?? null,
        comb: f.comb ?? null,
        tie: f.tie ?? null,
        skin: f.skin ?? null,
      });
    }
  };
  return {
    find: (id: string): CheckRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    /** Checks of a dog since a day without what is in them, oldest first. */
    linesOf: (dogId: string, since: number): readonly CheckLine[] => linesOf.all(dogId, since),
    /** The newest check of a dog without what is in it. */
    newestLine: (dogId: string): CheckLine | undefined => newestLine.get(dogId),
    ofDog: (dogId: string): readonly CheckRecord[] => ofDog.all(dogId).map(record),
    /** The newest check of a dog. */
    latestOf: (dogId: string): CheckRecord | undefined => {
      const row = ofDog.get(dogId);
      return row && record(row);
    },
    insert: (dogId: string, draft: CheckDraft): void => {
      insert.run({ id: draft.id, dog_id: dogId, ...base(draft) });
      writeZones(draft.id, draft.zones);
    },
    /** False when the stored version is another. */
    update: (id: string, edit: CheckEdit): boolean => {
      if (update.run({ id, version: edit.version, ...base(edit) }).changes !== 1) return false;
      clearZones.run(id);
      writeZones(id, edit.zones);
      return true;
    },
  };
}

function dayOf(text: string): Day {
  const value = parseDay(text);
  if (value === undefined) throw new RangeError(`not a date: ${text}`);
  return value;
}
