import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { dayOf } from '@inch/core/calendar';
import {
  type Matched,
  readSpreadsheet,
  type SpreadsheetFault,
  type SpreadsheetKind,
  type SpreadsheetRead,
  type SpreadsheetRow,
} from '@inch/core/spreadsheet';
import { type Database, marks, rows } from '../database/pool.ts';
import { catalogueNow } from '../ingredient/store.ts';

/** What a spreadsheet says, as it was sent. */
export interface Said<K extends SpreadsheetKind> {
  kind: K;
  columns: Matched;
  order?: 'date-first' | 'month-first' | undefined;
  firstRow: number;
  rows: string[][];
}

type Row<K extends SpreadsheetKind> = SpreadsheetRow<K> & { row: number };

/** An earlier lot by its code, and how many of its bottles are not sold yet; null where nobody wrote down how many there were. */
export interface KnownLot {
  id: string;
  code: string;
  name: string;
  unsold: number | null;
}

const AT_ONCE = 500;

/** Rows that are asked for by many codes at a time. */
async function byCodes<T>(codes: readonly string[], ask: (some: string[]) => Promise<T[]>): Promise<T[]> {
  const found: T[] = [];
  for (let i = 0; i < codes.length; i += AT_ONCE) found.push(...(await ask(codes.slice(i, i + AT_ONCE))));
  return found;
}

const folded = (code: string) => code.toLowerCase();

/** Codes that lots of this program have, of those asked for. */
async function codesHere(db: Database, kitchenId: string, codes: readonly string[]): Promise<Set<string>> {
  const found = await byCodes(codes, (some) =>
    rows<{ code: string }>(db, `SELECT code FROM lot WHERE kitchen_id = ? AND code IN (${marks(some)})`, [
      kitchenId,
      ...some,
    ]),
  );
  return new Set(found.map(({ code }) => folded(code)));
}

/** Earlier lots of spreadsheets that stand, by their codes. */
export async function earlierLots(
  db: Database,
  kitchenId: string,
  codes: readonly string[],
): Promise<Map<string, KnownLot>> {
  const found = await byCodes(codes, (some) =>
    rows<{ id: string; code: string; name: string; bottles: number | null; sold: number }>(
      db,
      `SELECT STRAIGHT_JOIN l.id, l.code, l.name, l.bottles, (SELECT COALESCE(SUM(e.bottles), 0) FROM earlier_sale e JOIN spreadsheet t ON t.id = e.spreadsheet_id
         WHERE e.earlier_lot_id = l.id AND t.withdrawn_at IS NULL) AS sold
       FROM earlier_lot l JOIN spreadsheet s ON s.id = l.spreadsheet_id
       WHERE l.kitchen_id = ? AND s.withdrawn_at IS NULL AND l.code IN (${marks(some)})`,
      [kitchenId, ...some],
    ),
  );
  return new Map(
    found.map(({ id, code, name, bottles, sold }) => [
      folded(code),
      { id, code, name, unsold: bottles === null ? null : bottles - Number(sold) },
    ]),
  );
}

async function lotFaults(db: Database, kitchenId: string, read: readonly Row<'lots'>[]) {
  const codes = read.map(({ code }) => code);
  const here = await codesHere(db, kitchenId, codes);
  const earlier = await earlierLots(db, kitchenId, codes);
  return read.flatMap(({ row, code }): SpreadsheetFault[] => {
    if (here.has(folded(code)))
      return [
        { row, field: 'code', says: `Lot ${code} is kept in this program. Give this one another code.` },
      ];
    if (earlier.has(folded(code)))
      return [{ row, field: 'code', says: `Lot ${code} was brought in before.` }];
    return [];
  });
}

/** Sales of lots that nobody knows, that are sold here, or of more bottles than there were. */
async function saleFaults(db: Database, kitchenId: string, read: readonly Row<'sales'>[]) {
  const codes = [...new Set(read.flatMap(({ code }) => (code === null ? [] : [code])))];
  const here = await codesHere(db, kitchenId, codes);
  const earlier = await earlierLots(db, kitchenId, codes);
  return read.flatMap(({ row, code, bottles }): SpreadsheetFault[] => {
    if (code === null) return [];
    if (here.has(folded(code)))
      return [
        { row, field: 'code', says: `Lot ${code} is kept in this program: enter its sales on the Shelf.` },
      ];
    const lot = earlier.get(folded(code));
    if (!lot)
      return [
        {
          row,
          field: 'code',
          says: `No lot ${code} was brought in. Bring in the lots first, or leave this empty.`,
        },
      ];
    if (lot.unsold === null) return [];
    lot.unsold -= bottles;
    if (lot.unsold >= 0) return [];
    return [
      {
        row,
        field: 'bottles',
        says: `That is ${-lot.unsold} more than lot ${code} had. Correct its bottles or these.`,
      },
    ];
  });
}

/** Reads a spreadsheet for a kitchen: by its catalogue and currency, and against what it has already. */
export async function checkSpreadsheet<K extends SpreadsheetKind>(
  db: Database,
  kitchen: Kitchen,
  said: Said<K>,
): Promise<SpreadsheetRead<K>> {
  const read = readSpreadsheet(said.kind, said.columns, said.rows, {
    today: dayOf(new Date().toISOString(), kitchen.timeZone),
    currency: kitchen.currency,
    cup: kitchen.cupSchool ?? undefined,
    catalogue: await catalogueNow(db, kitchen.id),
    order: said.order,
    firstRow: said.firstRow,
  });
  const found =
    said.kind === 'lots'
      ? await lotFaults(db, kitchen.id, read.rows as unknown as Row<'lots'>[])
      : said.kind === 'sales'
        ? await saleFaults(db, kitchen.id, read.rows as unknown as Row<'sales'>[])
        : [];
  const faulty = new Set(found.map(({ row }) => row));
  return {
    ...read,
    rows: read.rows.filter(({ row }) => !faulty.has(row)),
    faults: [...read.faults, ...found].sort((a, b) => a.row - b.row),
  };
}
