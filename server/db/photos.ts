/** SQL of photos: small bare JPEG files beside the check they belong to. */
import type { PhotoRecord } from '../../contract/photo.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly check_id: string;
  readonly zone: PhotoRecord['zone'];
  readonly width: number;
  readonly height: number;
}
interface FullRow extends Row {
  readonly jpeg: Uint8Array;
}

const record = (r: Row): PhotoRecord => ({
  id: r.id,
  checkId: r.check_id,
  zone: r.zone,
  width: r.width,
  height: r.height,
});

/** Prepared statements over photos. */
export function photoStore(db: Db) {
  const ofCheck = db.prepare<[string], Row>(
    'SELECT id, check_id, zone, width, height FROM photo WHERE check_id = ? ORDER BY rowid',
  );
  const one = db.prepare<[string], Row>('SELECT id, check_id, zone, width, height FROM photo WHERE id = ?');
  const bytes = db.prepare<[string], { readonly jpeg: Buffer }>('SELECT jpeg FROM photo WHERE id = ?');
  const insert = db.prepare<FullRow>(
    `INSERT INTO photo (id, check_id, zone, width, height, jpeg)
     VALUES (@id, @check_id, @zone, @width, @height, @jpeg) ON CONFLICT (id) DO NOTHING`,
  );
  const remove = db.prepare<[string]>('DELETE FROM photo WHERE id = ?');
  return {
    ofCheck: (checkId: string): readonly PhotoRecord[] => ofCheck.all(checkId).map(record),
    find: (id: string): PhotoRecord | undefined => {
      const row = one.get(id);
      return row && record(row);
    },
    jpeg: (id: string): Buffer | undefined => bytes.get(id)?.jpeg,
    insert: (photo: PhotoRecord, jpeg: Uint8Array): void => {
      insert.run({
        id: photo.id,
        check_id: photo.checkId,
        zone: photo.zone,
        width: photo.width,
        height: photo.height,
        jpeg,
      });
    },
    remove: (id: string): boolean => remove.run(id).changes === 1,
  };
}
