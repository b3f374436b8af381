import type { NewSpreadsheet } from '@inch/contract/kitchen/spreadsheet';
import {
  type SpreadsheetColumn,
  type SpreadsheetKind,
  type SpreadsheetRow,
  spreadsheetKinds,
} from '@inch/core/spreadsheet';
import { v7 as newId } from 'uuid';
import type { z } from 'zod';
import { insert, toSql } from '../database/pool.ts';
import { takeIn } from '../inventory/keep.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { Problem } from '../problem/problem.ts';
import { checkSpreadsheet, earlierLots, type Said } from './check.ts';

type Body = z.output<typeof NewSpreadsheet>;
type Row<K extends SpreadsheetKind> = SpreadsheetRow<K> & { row: number };

/** So many faults are named in an answer. */
const MOST_FAULTS = 100;

const head = (w: Writing, spreadsheetId: string, row: number) => ({
  id: newId(),
  kitchen_id: w.kitchen.id,
  spreadsheet_id: spreadsheetId,
  sheet_row: row,
});

async function keepLots(w: Writing, id: string, rows: readonly Row<'lots'>[]): Promise<void> {
  for (const { row, code, name, madeOn, bottles, bottleMl, bestBy, ph, brix, note } of rows)
    await insert(w.tx, 'earlier_lot', {
      ...head(w, id, row),
      code,
      name,
      made_on: madeOn,
      bottles,
      bottle_ml: bottleMl,
      best_by: bestBy,
      ph,
      brix,
      note,
    });
}

async function keepSales(w: Writing, id: string, rows: readonly Row<'sales'>[]): Promise<void> {
  const codes = [...new Set(rows.flatMap(({ code }) => (code === null ? [] : [code])))];
  const lots = await earlierLots(w.tx, w.kitchen.id, codes);
  for (const { row, code, name, soldOn, bottles, buyer, place, priceMinor, note } of rows) {
    const lot = code === null ? undefined : lots.get(code.toLowerCase());
    await insert(w.tx, 'earlier_sale', {
      ...head(w, id, row),
      earlier_lot_id: lot?.id ?? null,
      name: name ?? lot!.name,
      sold_on: soldOn,
      bottles,
      buyer,
      place,
      price_minor: priceMinor,
      note,
    });
  }
}

async function keepStock(w: Writing, id: string, rows: readonly Row<'stock'>[]): Promise<void> {
  for (const { thing, grams, gotOn, supplier, words, costMinor, bestBy } of rows)
    await takeIn(
      w,
      {
        id: newId(),
        kind: 'ingredient',
        thing,
        quantity: grams,
        said: '',
        gotOn,
        costMinor,
        bestBy,
        supplier: supplier ?? '',
        words: words ?? '',
        measured: null,
        leftBy: null,
      },
      id,
    );
}

async function keepContacts(w: Writing, id: string, rows: readonly Row<'contacts'>[]): Promise<void> {
  for (const { row, name, email, phone, address, note } of rows)
    await insert(w.tx, 'contact', { ...head(w, id, row), name, email, phone, address, note });
}

const KEEP: { [K in SpreadsheetKind]: (w: Writing, id: string, rows: readonly Row<K>[]) => Promise<void> } = {
  lots: keepLots,
  sales: keepSales,
  stock: keepStock,
  contacts: keepContacts,
};

/** Name of a column as it is shown. */
const columnName = (kind: SpreadsheetKind, field: string): string =>
  (spreadsheetKinds[kind].columns as readonly SpreadsheetColumn[]).find((c) => c.field === field)?.name ??
  field;

async function bring<K extends SpreadsheetKind>(w: Writing, { id, fileName, ...said }: Body & Said<K>) {
  const { rows, faults } = await checkSpreadsheet(w.tx, w.kitchen, said);
  if (faults.length > 0 || rows.length === 0)
    throw new Problem(
      422,
      faults.length === 0
        ? 'Every row is empty.'
        : `${faults.length === 1 ? 'One cell' : `${faults.length} cells`} cannot be taken. Nothing was brought in.`,
      {
        errors: faults.slice(0, MOST_FAULTS).map(({ row, field, says }) => ({
          path: `rows.${row}.${field}`,
          message: `Row ${row}, ${columnName(said.kind, field)}: ${says}`,
        })),
      },
    );
  await insert(w.tx, 'spreadsheet', {
    id,
    kitchen_id: w.kitchen.id,
    kind: said.kind,
    file_name: fileName,
    row_count: rows.length,
    at: toSql(w.now),
    account_id: w.account.id,
    withdrawn_at: null,
    withdrawn_by: null,
    withdrawn_why: null,
  });
  await KEEP[said.kind](w, id, rows);
  await journal(w, 'spreadsheet', id, 'bring in', { kind: said.kind, fileName, rows: rows.length });
  return { id, rows: rows.length };
}

/** Brings in a spreadsheet: all its rows, or none where a cell cannot be taken. */
export const bringIn = (w: Writing, body: Body): Promise<{ id: string; rows: number }> => bring(w, body);
