/** SQL of products: an append-only list of what was bought, mixed and counted. */
import type { ProductMoveDraft } from '../../contract/product.ts';
import { day, formatDay, parseDay } from '../../core/quantity/index.ts';
import type { StockMove } from '../../core/water/index.ts';
import type { Db } from './open.ts';

interface Row {
  readonly id: string;
  readonly product: string;
  readonly day: number;
  readonly kind: StockMove['kind'];
  readonly ml: number;
}

const move = (r: Row): StockMove => ({ ...r, day: day(r.day) });

/** Prepared statements over products. */
export function productStore(db: Db) {
  const all = db.prepare<[], Row>('SELECT id, product, day, kind, ml FROM product_move ORDER BY rowid');
  const one = db.prepare<[string], Row>('SELECT id, product, day, kind, ml FROM product_move WHERE id = ?');
  const insert = db.prepare<Row>(
    'INSERT INTO product_move (id, product, day, kind, ml) VALUES (@id, @product, @day, @kind, @ml)',
  );
  const remove = db.prepare<[string]>('DELETE FROM product_move WHERE id = ?');
  return {
    /** In the order in which they were written down. */
    moves: (): readonly StockMove[] => all.all().map(move),
    find: (id: string): StockMove | undefined => {
      const row = one.get(id);
      return row && move(row);
    },
    add: (m: ProductMoveDraft): void => {
      insert.run({ ...m, day: parseDay(m.day) ?? 0 });
    },
    remove: (id: string): boolean => remove.run(id).changes === 1,
  };
}

/** A move as it is sent. */
export const sentMove = (m: StockMove): ProductMoveDraft => ({ ...m, day: formatDay(m.day) });
