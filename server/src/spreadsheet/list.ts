import type { EarlierLot, PageQuery, Spreadsheet } from '@inch/contract/spreadsheet';
import type { SpreadsheetKind } from '@inch/core/spreadsheet';
import type { z } from 'zod';
import { type Database, fromSql, rows } from '../database/pool.ts';

interface SpreadsheetRow {
  id: string;
  kind: SpreadsheetKind;
  file_name: string;
  row_count: number;
  at: string;
  by: string;
  withdrawn_at: string | null;
  withdrawer: string | null;
  withdrawn_why: string | null;
}

/** Spreadsheets that were brought in, the newest first. */
export async function spreadsheetsOf(db: Database, kitchenId: string): Promise<Spreadsheet[]> {
  const found = await rows<SpreadsheetRow>(
    db,
    `SELECT STRAIGHT_JOIN s.id, s.kind, s.file_name, s.row_count, s.at, a.name AS \`by\`, s.withdrawn_at, w.name AS withdrawer, s.withdrawn_why
     FROM spreadsheet s JOIN account a ON a.id = s.account_id LEFT JOIN account w ON w.id = s.withdrawn_by
     WHERE s.kitchen_id = ? ORDER BY s.at DESC, s.id DESC`,
    [kitchenId],
  );
  return found.map((row) => ({
    id: row.id,
    kind: row.kind,
    fileName: row.file_name,
    rows: row.row_count,
    at: fromSql(row.at),
    by: row.by,
    withdrawn:
      row.withdrawn_at === null
        ? null
        : { at: fromSql(row.withdrawn_at), by: row.withdrawer!, why: row.withdrawn_why! },
  }));
}

/** Part of a row that says which spreadsheet it came with. */
export interface OfSpreadsheet {
  file_name: string | null;
  sheet_row: number | null;
  brought_at: string | null;
}

export const broughtIn = ({ file_name, sheet_row, brought_at }: OfSpreadsheet) =>
  file_name === null || sheet_row === null || brought_at === null
    ? null
    : { fileName: file_name, row: sheet_row, at: fromSql(brought_at) };

/** A condition that each word of `q` stands somewhere in some columns. */
export function wordsIn(
  columns: readonly string[],
  q: string | undefined,
): { sql: string; values: string[] } {
  const words = (q ?? '').split(/\s+/).filter((word) => word !== '');
  const text = `CONCAT_WS(' ', ${columns.join(', ')})`;
  return {
    sql: words.map(() => ` AND ${text} LIKE ?`).join(''),
    values: words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`),
  };
}

interface LotRow extends OfSpreadsheet {
  id: string;
  code: string;
  name: string;
  made_on: string;
  bottles: number | null;
  bottle_ml: number | null;
  best_by: string | null;
  ph: number | null;
  brix: number | null;
  note: string | null;
  sold: number;
}

const lotFrom = (row: LotRow): EarlierLot => ({
  id: row.id,
  code: row.code,
  name: row.name,
  madeOn: row.made_on,
  bottles: row.bottles,
  bottleMl: row.bottle_ml,
  bestBy: row.best_by,
  ph: row.ph,
  brix: row.brix,
  note: row.note,
  sold: Number(row.sold),
  broughtIn: broughtIn(row)!,
});

/** Bottles of an earlier lot that sales name, of spreadsheets that stand. */
const SOLD = `(SELECT COALESCE(SUM(e.bottles), 0) FROM earlier_sale e JOIN spreadsheet t ON t.id = e.spreadsheet_id
  WHERE e.earlier_lot_id = l.id AND t.withdrawn_at IS NULL)`;

/** Lots from before this program, the last made first, a page after another. */
export async function listEarlierLots(db: Database, kitchenId: string, query: z.output<typeof PageQuery>) {
  const words = wordsIn(['l.code', 'l.name', 'l.note', 'l.made_on'], query.q);
  const after = query.before
    ? ' AND (l.made_on, l.id) < (SELECT made_on, id FROM earlier_lot WHERE id = ?)'
    : '';
  const found = await rows<LotRow>(
    db,
    `SELECT STRAIGHT_JOIN l.*, s.file_name, s.at AS brought_at, ${SOLD} AS sold
     FROM earlier_lot l JOIN spreadsheet s ON s.id = l.spreadsheet_id
     WHERE l.kitchen_id = ? AND s.withdrawn_at IS NULL${words.sql}${after} ORDER BY l.made_on DESC, l.id DESC LIMIT ${query.limit}`,
    [kitchenId, ...words.values, ...(query.before ? [query.before] : [])],
  );
  return {
    lots: found.map(lotFrom),
    next: found.length === query.limit ? found.at(-1)!.id : null,
  };
}
