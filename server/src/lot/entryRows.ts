import { type Database, fromSql, marks, rows } from '../database/pool.ts';

export interface EntryRow {
  id: string;
  lot_id: string;
  at: string;
  by: string;
  struck_at: string | null;
  struck_by: string | null;
  struck_why: string | null;
}

export const entry = (row: EntryRow) => ({
  id: row.id,
  at: fromSql(row.at),
  by: row.by,
  struck: row.struck_at
    ? { at: fromSql(row.struck_at), by: row.struck_by ?? '', why: row.struck_why ?? '' }
    : null,
});

/** Tables whose rows are struck, never changed. */
const STRUCK: ReadonlySet<string> = new Set([
  'addition',
  'reading',
  'bottling',
  'heat_process',
  'seal_check',
  'photograph',
  'bottle_tick',
  'glass_fault',
  'tally',
  'weighing',
  'canner_load',
  'curve',
  'cooling',
]);

/** Rows of one of the record's tables for some lots, with who wrote and who struck them. */
export function entriesOf<T>(
  db: Database,
  table: string,
  lotIds: readonly string[],
  more = '',
  join = '',
): Promise<(T & EntryRow)[]> {
  const struck = STRUCK.has(table) ? ', (SELECT name FROM account WHERE id = t.struck_by) AS struck_by' : '';
  return rows(
    db,
    `SELECT t.*, a.name AS \`by\`${struck}${more} FROM ${table} t JOIN account a ON a.id = t.account_id ${join} WHERE t.lot_id IN (${marks(lotIds)}) ORDER BY t.at, t.id`,
    [...lotIds],
  );
}
