import { createHash } from 'node:crypto';
import { entries } from '@inch/core/record';
import { type Database, marks, rows, type Touched } from '../database/pool.ts';

/** Every table of the record: whose rows the journal holds, so that they can be rebuilt from it and held against it. */
export const RECORD_TABLES: readonly string[] = [
  'kitchen',
  'account',
  'formula',
  'formula_version',
  'instrument',
  'container',
  'vessel',
  'own_process',
  'label_picture',
  'label_design',
  'label_sheet',
  'spreadsheet',
  'earlier_lot',
  'earlier_sale',
  'contact',
  'own_ingredient',
  'own_measure',
  'stock_lot',
  'stock_taking',
  'pack',
  'plan',
  'lot',
  'lot_step',
  'place',
  'source_hold',
  ...new Set(Object.values(entries).map((kind) => kind.table)),
];

/**
 * What a column holds in rows that were there before it came, where that is not empty: an update of the program filled it in, and the journal row that wrote them
 * does not know it.
 */
export const FILLED_IN: Readonly<Record<string, Readonly<Record<string, string | number>>>> = {
  kitchen: { temperature_unit: 'C', weight_unit: 'metric', locale: 'en-GB' },
  canner_load: { method: 'boiling-water' },
  addition: { more: 0 },
  container: { shape: 'round' },
  label_print: { differences: '[]' },
};

/** A row of a table of the record, as the journal holds it. */
export type RecordRow = { id: string } & Record<string, string | number | null>;

/** Pictures and password hashes stand in the journal by their digest. */
const DIGESTED = new Set(['image', 'password_hash']);

const cellOf = (column: string, cell: unknown): string | number | null => {
  if (cell === null || cell === undefined) return null;
  if (DIGESTED.has(column))
    return createHash('sha256')
      .update(cell as Buffer | string)
      .digest('hex');
  return typeof cell === 'number' ? cell : String(cell);
};

const recordRow = (row: Record<string, unknown>): RecordRow =>
  Object.fromEntries(
    Object.entries(row).map(([column, cell]) => [column, cellOf(column, cell)]),
  ) as RecordRow;

/** Rows of a table by their ids, as the journal holds them. */
export async function recordRows(db: Database, table: string, ids: readonly string[]): Promise<RecordRow[]> {
  if (ids.length === 0) return [];
  const found = await rows<Record<string, unknown>>(
    db,
    `SELECT * FROM ${table} WHERE id IN (${marks(ids)}) ORDER BY id`,
    [...ids],
  );
  return found.map(recordRow);
}

const PAGE = 500;

/** All rows of a table, page by page in the order of their ids. */
export async function* allRows(db: Database, table: string): AsyncGenerator<RecordRow> {
  for (let after = ''; ; ) {
    const page = await rows<Record<string, unknown>>(
      db,
      `SELECT * FROM ${table} WHERE id > ? ORDER BY id LIMIT ${PAGE}`,
      [after],
    );
    yield* page.map(recordRow);
    if (page.length < PAGE) return;
    after = String(page.at(-1)!.id);
  }
}

/** What a journal row of rows says: rows of one table as they stand from then on. */
export interface WrittenRows {
  table: string;
  rows: RecordRow[];
}

const AT_ONCE = 200;

/** Rows that a transaction wrote, as they stand now, in parts that a journal row holds. */
export async function* writtenRows(db: Database, touched: Touched): AsyncGenerator<WrittenRows> {
  for (const [table, ids] of touched) {
    if (!RECORD_TABLES.includes(table)) continue;
    const all = [...ids];
    for (let i = 0; i < all.length; i += AT_ONCE) {
      const some = all.slice(i, i + AT_ONCE);
      const changed = some.flatMap(([id, row]) => (row === null ? [id] : []));
      const read = await recordRows(db, table, changed);
      const known = some.flatMap(([, row]) => (row === null ? [] : [recordRow(row)]));
      yield { table, rows: [...read, ...known].sort((a, b) => (a.id < b.id ? -1 : 1)) };
    }
  }
}
