import type { Pool } from 'mysql2/promise';
import { type Database, marks, rows, run } from '../database/pool.ts';
import { unlessContended } from './contended.ts';

/** Amounts under this are nothing left: what floats leave over. */
export const NOTHING = 1e-6;
const AT_ONCE = 500;
/** Rounds of counting in one go; a kitchen with more that was written to since is counted on by whoever asks next. */
const MOST_ROUNDS = 100;

interface Stale {
  stock_id: string;
  touched: number;
}

async function leftOfEach(db: Database, ids: readonly string[]): Promise<Map<string, number>> {
  const found = await rows<{ id: string; left_amount: number }>(
    db,
    `SELECT STRAIGHT_JOIN s.id, s.quantity - COALESCE(SUM(IF(t.struck_at IS NULL AND a.struck_at IS NULL AND b.struck_at IS NULL AND c.struck_at IS NULL, t.amount, 0)), 0) AS left_amount
     FROM stock_lot s LEFT JOIN stock_taking t ON t.stock_id = s.id LEFT JOIN addition a ON a.id = t.addition_id
     LEFT JOIN bottling b ON b.id = t.bottling_id LEFT JOIN label_print c ON c.id = t.print_id WHERE s.id IN (${marks(ids)}) GROUP BY s.id, s.quantity`,
    [...ids],
  );
  return new Map(found.map((row) => [row.id, row.left_amount]));
}

/** Brings up to date what is left of every stock lot of a kitchen that was written to since. */
export async function countStock(db: Database, kitchenId: string): Promise<void> {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const stale = await rows<Stale>(
      db,
      `SELECT stock_id, touched FROM stock_standing WHERE kitchen_id = ? AND stale = 1 ORDER BY stock_id LIMIT ${AT_ONCE}`,
      [kitchenId],
    );
    if (stale.length === 0) return;
    const left = await leftOfEach(
      db,
      stale.map((row) => row.stock_id),
    );
    for (const { stock_id, touched } of stale)
      await unlessContended(() =>
        run(
          db,
          'UPDATE stock_standing SET sequence = ?, left_amount = ? WHERE stock_id = ? AND touched = ?',
          [touched, left.get(stock_id) ?? 0, stock_id, touched],
        ),
      );
  }
}

/** Stock lots whose stored rest is not what their takings come to; one that waits to be counted anew is not judged. */
export async function faultyStock(pool: Pool, most: number): Promise<string[]> {
  const faults: string[] = [];
  for (let after = '', full = true; full && faults.length < most; ) {
    const kept = await rows<{ stock_id: string; left_amount: number; number: number }>(
      pool,
      `SELECT STRAIGHT_JOIN c.stock_id, c.left_amount, s.number FROM stock_standing c JOIN stock_lot s ON s.id = c.stock_id
       WHERE c.stale = 0 AND c.stock_id > ? ORDER BY c.stock_id LIMIT ${AT_ONCE}`,
      [after],
    );
    full = kept.length === AT_ONCE;
    after = kept.at(-1)?.stock_id ?? after;
    if (kept.length === 0) break;
    const left = await leftOfEach(
      pool,
      kept.map((row) => row.stock_id),
    );
    for (const row of kept)
      if (Math.abs((left.get(row.stock_id) ?? 0) - row.left_amount) > NOTHING)
        faults.push(
          `what is left of stock lot ${row.number} is not what its record comes to. Run: npm run verify -- --rebuild`,
        );
  }
  return faults;
}
