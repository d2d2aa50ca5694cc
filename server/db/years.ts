/** SQL of years that were wondered about. */
import type { KeptYear } from '../../contract/year.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly change: string;
}

const year = ({ change, ...r }: Row): KeptYear => ({ ...r, change: JSON.parse(change) });

/** Prepared statements over kept years. */
export function yearStore(db: Db) {
  const all = db.prepare<[], Row>('SELECT id, name, change FROM kept_year ORDER BY rowid');
  const one = db.prepare<[string], Row>('SELECT id, name, change FROM kept_year WHERE id = ?');
  const insert = db.prepare<Row>('INSERT INTO kept_year (id, name, change) VALUES (@id, @name, @change)');
  const remove = db.prepare<[string]>('DELETE FROM kept_year WHERE id = ?');
  return {
    /** In the order in which they were kept. */
    all: (): readonly KeptYear[] => all.all().map(year),
    find: (id: string): KeptYear | undefined => {
      const row = one.get(id);
      return row && year(row);
    },
    add: ({ id, name, change }: KeptYear): void => {
      insert.run({ id, name, change: JSON.stringify(change) });
    },
    remove: (id: string): boolean => remove.run(id).changes === 1,
  };
}
