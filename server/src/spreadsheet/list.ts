import { EarlierLot, type PageQuery, Spreadsheet } from '@inch/contract/kitchen/spreadsheet';
import { Instant } from '@inch/core/value';
import { z } from 'zod';
import type { Database } from '../database/pool.ts';
import { read } from '../database/read.ts';

const { id, kind, fileName, rows: rowCount, by } = Spreadsheet.shape;
const KEPT = {
  id,
  kind,
  fileName,
  rowCount,
  at: Instant,
  by,
  withdrawnAt: Instant.nullable(),
  withdrawnBy: by.nullable(),
  withdrawnWhy: z.string().nullable(),
};

/** Spreadsheets that were brought in, the newest first. */
export async function spreadsheetsOf(db: Database, kitchenId: string): Promise<Spreadsheet[]> {
  const found = await read(
    db,
    KEPT,
    `SELECT STRAIGHT_JOIN s.id, s.kind, s.file_name, s.row_count, s.at, a.name AS \`by\`, s.withdrawn_at, w.name AS withdrawn_by, s.withdrawn_why
     FROM spreadsheet s JOIN account a ON a.id = s.account_id LEFT JOIN account w ON w.id = s.withdrawn_by
     WHERE s.kitchen_id = ? ORDER BY s.at DESC, s.id DESC`,
    [kitchenId],
  );
  return found.map(({ rowCount: count, withdrawnAt, withdrawnBy, withdrawnWhy, ...said }) => ({
    ...said,
    rows: count,
    withdrawn: withdrawnAt === null ? null : { at: withdrawnAt, by: withdrawnBy!, why: withdrawnWhy! },
  }));
}

/** Part of a row that says which spreadsheet it came with. */
export const OF_SPREADSHEET = {
  fileName: fileName.nullable(),
  sheetRow: z.number().nullable(),
  broughtAt: Instant.nullable(),
};

/** A row with the spreadsheet that it came with; null where it came with none. */
export const withSpreadsheet = <T extends z.output<z.ZodObject<typeof OF_SPREADSHEET>>>({
  fileName,
  sheetRow,
  broughtAt,
  ...said
}: T) => ({
  ...said,
  broughtIn:
    fileName === null || sheetRow === null || broughtAt === null
      ? null
      : { fileName, row: sheetRow, at: broughtAt },
});

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

const { broughtIn: _, ...LOT } = EarlierLot.shape;

/** Bottles of an earlier lot that sales name, of spreadsheets that stand. */
const SOLD = `(SELECT COALESCE(SUM(e.bottles), 0) FROM earlier_sale e JOIN spreadsheet t ON t.id = e.spreadsheet_id
  WHERE e.earlier_lot_id = l.id AND t.withdrawn_at IS NULL)`;

/** Lots from before this program, the last made first, a page after another. */
export async function listEarlierLots(db: Database, kitchenId: string, query: z.output<typeof PageQuery>) {
  const words = wordsIn(['l.code', 'l.name', 'l.note', 'l.made_on'], query.q);
  const after = query.before
    ? ' AND (l.made_on, l.id) < (SELECT made_on, id FROM earlier_lot WHERE id = ?)'
    : '';
  const found = await read(
    db,
    { ...LOT, ...OF_SPREADSHEET },
    `SELECT STRAIGHT_JOIN l.*, s.file_name, s.at AS brought_at, ${SOLD} AS sold
     FROM earlier_lot l JOIN spreadsheet s ON s.id = l.spreadsheet_id
     WHERE l.kitchen_id = ? AND s.withdrawn_at IS NULL${words.sql}${after} ORDER BY l.made_on DESC, l.id DESC LIMIT ${query.limit}`,
    [kitchenId, ...words.values, ...(query.before ? [query.before] : [])],
  );
  return {
    lots: found.map(withSpreadsheet) as EarlierLot[],
    next: found.length === query.limit ? found.at(-1)!.id : null,
  };
}
