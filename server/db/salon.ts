/** SQL of the salon. */
import type { SalonEdit, SalonRecord } from '../../contract/salon.ts';
import type { Db } from './open.ts';

interface SalonRow {
  readonly name: string;
  readonly town: string;
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  readonly time_zone: string;
  readonly house: string;
  readonly version: number;
}
const row = (s: SalonEdit): SalonRow => ({
  name: s.name,
  town: s.town,
  latitude_deg: s.latitudeDeg,
  longitude_deg: s.longitudeDeg,
  time_zone: s.timeZone,
  house: JSON.stringify(s.house),
  version: s.version,
});

/** Prepared statements over the salon's one row. */
export function salonStore(db: Db) {
  const one = db.prepare<[], SalonRow>('SELECT * FROM salon WHERE id = 1');
  const insert = db.prepare<SalonRow>(
    `INSERT INTO salon (id, name, town, latitude_deg, longitude_deg, time_zone, house, version)
     VALUES (1, @name, @town, @latitude_deg, @longitude_deg, @time_zone, @house, @version)`,
  );
  const update = db.prepare<SalonRow>(
    `UPDATE salon SET name = @name, town = @town, latitude_deg = @latitude_deg, longitude_deg = @longitude_deg,
       time_zone = @time_zone, house = @house, version = version + 1 WHERE id = 1 AND version = @version`,
  );
  return {
    find: (): SalonRecord | undefined => {
      const r = one.get();
      return (
        r && {
          name: r.name,
          town: r.town,
          latitudeDeg: r.latitude_deg,
          longitudeDeg: r.longitude_deg,
          timeZone: r.time_zone,
          house: JSON.parse(r.house),
          version: r.version,
        }
      );
    },
    insert: (s: SalonEdit): void => {
      insert.run(row(s));
    },
    /** False when the stored version is another. */
    update: (s: SalonEdit): boolean => update.run(row(s)).changes === 1,
  };
}
