import { entries } from '@inch/core/record';
import { type Database, marks, rows } from '../database/pool.ts';
import { atEnd } from '../database/transaction.ts';
import type { WrittenRows } from './rows.ts';

/** Tables of the checks of instruments. */
const CHECKS = new Set<string>([entries.calibration.table, entries.check.table]);
const AT_ONCE = 200;

/**
 * Since when readings of an instrument may count otherwise after a check of it was written: since its last good one, dated and entered before.
 * A failure voids no further back, and a good one is refused where readings were taken since.
 */
const SINCE = (table: string) =>
  `SELECT g.at FROM ${table} g JOIN ${table} c ON c.id = ? WHERE g.instrument_id = c.instrument_id AND g.accepted = 1
   AND g.at < c.at AND g.recorded_at <= c.recorded_at AND g.id <> c.id ${table === entries.check.table ? 'AND g.kind = c.kind' : ''}
   ORDER BY g.at DESC LIMIT 1`;

/** Lots with a reading that a check of an instrument bears upon. @param only SQL that narrows them, of the lot `l` */
export async function lotsMeasuredSince(
  db: Database,
  table: string,
  checkId: string,
  only = '',
): Promise<string[]> {
  const [good] = await rows<{ at: string }>(db, SINCE(table), [checkId]);
  const found = await rows<{ lot_id: string }>(
    db,
    `SELECT STRAIGHT_JOIN DISTINCT r.lot_id FROM reading r JOIN lot l ON l.id = r.lot_id
     WHERE r.instrument_id = (SELECT instrument_id FROM ${table} WHERE id = ?) AND r.at >= ? ${only}`,
    [checkId, good?.at ?? '2000-01-01'],
  );
  return found.map((row) => row.lot_id);
}

/** Lots that took from a stock lot: they are found by its supplier. */
async function lotsWithStock(db: Database, stockIds: readonly string[]): Promise<string[]> {
  const found = await rows<{ lot_id: string }>(
    db,
    `SELECT DISTINCT lot_id FROM stock_taking WHERE lot_id IS NOT NULL AND stock_id IN (${marks(stockIds)})`,
    [...stockIds],
  );
  return found.map((row) => row.lot_id);
}

/** Lots with bottles somewhere: what was read or said of a place may bear upon each of them. */
async function lotsOnHand(db: Database, table: string, written: WrittenRows['rows']): Promise<string[]> {
  const column = table === 'place' ? 'kitchen_id' : 'instrument_id';
  const ids = [...new Set(written.map((row) => String(row[column])))];
  const kitchens =
    table === 'place' ? marks(ids) : `SELECT kitchen_id FROM instrument WHERE id IN (${marks(ids)})`;
  const found = await rows<{ lot_id: string }>(
    db,
    `SELECT lot_id FROM lot_standing WHERE kitchen_id IN (${kitchens}) AND on_hand = 1`,
    ids,
  );
  return found.map((row) => row.lot_id);
}

/** Lots of the formulas of some looks: a look bears upon the date of each. */
async function lotsOfFormulas(db: Database, written: WrittenRows['rows']): Promise<string[]> {
  const ids = [...new Set(written.map((row) => String(row.lot_id)))];
  const found = await rows<{ id: string }>(
    db,
    `SELECT DISTINCT o.id FROM lot l JOIN formula_version v ON v.id = l.version_id JOIN formula_version w ON w.formula_id = v.formula_id
     JOIN lot o ON o.version_id = w.id WHERE l.id IN (${marks(ids)})`,
    ids,
  );
  return found.map((row) => row.id);
}

/** Lots whose standing rests on some rows that were written. */
export async function lotsOf(db: Database, { table, rows: written }: WrittenRows): Promise<string[]> {
  if (table === 'lot') return written.map((row) => row.id);
  if (table === 'stock_lot')
    return lotsWithStock(
      db,
      written.map((row) => row.id),
    );
  if (table === entries['place-temperature'].table || table === 'place')
    return lotsOnHand(db, table, written);
  if (table === entries.look.table) return lotsOfFormulas(db, written);
  if (!CHECKS.has(table)) return written.flatMap((row) => (row.lot_id ? [String(row.lot_id)] : []));
  const lots: string[] = [];
  for (const { id } of written) lots.push(...(await lotsMeasuredSince(db, table, id)));
  return lots;
}

/** Entries that take something out of stock, by the column of a taking that names them. */
const TAKES: Readonly<Record<string, string>> = {
  addition: 'addition_id',
  bottling: 'bottling_id',
  label_print: 'print_id',
};

/** Stock lots of which something went, or came back, by some rows that were written. */
export async function stocksOf(db: Database, { table, rows: written }: WrittenRows): Promise<string[]> {
  if (table === 'stock_lot') return written.map((row) => row.id);
  if (table === 'stock_taking')
    return written.flatMap((row) =>
      [row.stock_id, row.into_stock_id].flatMap((id) => (id ? [String(id)] : [])),
    );
  const column = TAKES[table];
  if (!column) return [];
  const struck = written.filter((row) => row.struck_at !== null).map((row) => row.id);
  if (struck.length === 0) return [];
  const found = await rows<{ stock_id: string }>(
    db,
    `SELECT DISTINCT stock_id FROM stock_taking WHERE ${column} IN (${marks(struck)})`,
    struck,
  );
  return found.map((row) => row.stock_id);
}

/** What is derived of a row: where it is stored, and by which id. */
const CACHES = {
  lot: { table: 'lot_standing', id: 'lot_id' },
  stock: { table: 'stock_standing', id: 'stock_id' },
} as const;

/** Says that the standings of some lots or stock lots are older than what was just written. A new one gets one. @param sequence where the journal ends now */
export function touchStandings(
  tx: Database,
  of: keyof typeof CACHES,
  kitchenId: string,
  sequence: number,
  touched: ReadonlySet<string>,
): void {
  const { table, id: column } = CACHES[of];
  const all = [...touched];
  for (let i = 0; i < all.length; i += AT_ONCE) {
    const ids = all.slice(i, i + AT_ONCE);
    atEnd(
      tx,
      `INSERT INTO ${table} (${column}, kitchen_id, touched) VALUES ${ids.map(() => '(?, ?, ?)').join(', ')}
       ON DUPLICATE KEY UPDATE touched = VALUES(touched)`,
      ids.flatMap((id) => [id, kitchenId, sequence]),
    );
  }
}
