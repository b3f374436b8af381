import { fromSql, rows } from '../database/pool.ts';
import type { Writing } from '../journal/writing.ts';
import { readLot, type StoredLot } from './store.ts';

interface Row {
  left_by: string | null;
  divided_from: string | null;
  at: string;
}

/** The lot that a stock lot was left by, itself or the one that it was divided from, and when it was taken in. */
export async function leftByOf(
  w: Writing,
  stockId: string,
): Promise<{ lot: StoredLot; takenAt: string } | null> {
  for (let id: string | null = stockId; id !== null; ) {
    const [row]: Row[] = await rows<Row>(
      w.tx,
      'SELECT left_by, divided_from, at FROM stock_lot WHERE id = ? AND kitchen_id = ?',
      [id, w.kitchen.id],
    );
    if (!row) return null;
    if (row.left_by !== null) {
      const lot = await readLot(w.tx, w.kitchen, row.left_by);
      return lot && { lot, takenAt: fromSql(row.at) };
    }
    id = row.divided_from;
  }
  return null;
}
