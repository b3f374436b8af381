import { said as asStored, columnsOf } from '@inch/core/record';
import { z } from 'zod';
import { fromSql, toSql } from '../database/pool.ts';
import { type Column, kindsIn, type Table } from './table.ts';

/** A picture stands beside its record, as a file of its own. */
export interface PictureFile {
  file: string;
  sha256: string;
}

const pictureName = (row: Record<string, unknown>) =>
  'lot_id' in row ? `photographs/${String(row.id)}.jpg` : `pictures/${String(row.id)}.png`;

/** A document as it can be read; where its text would not come back as it is, the text. */
function documentFrom(text: string): unknown {
  const read: unknown = JSON.parse(text);
  return JSON.stringify(read) === text ? read : text;
}

function valueFrom(column: Column, cell: unknown, row: Record<string, unknown>): unknown {
  if (cell === null || cell === undefined) return null;
  switch (column.as) {
    case 'flag':
      return Number(cell) === 1;
    case 'number':
    case 'whole':
      return Number(cell);
    case 'instant':
      return fromSql(String(cell));
    case 'document':
      return documentFrom(String(cell));
    case 'picture':
      return { file: pictureName(row), sha256: String(cell) } satisfies PictureFile;
    default:
      return String(cell);
  }
}

/** A row as an export writes it. */
export const recordFrom = (table: Table, row: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(table.columns.map((c) => [c.field, valueFrom(c, row[c.name], row)]));

/** A value as its column takes it; a picture stays the name of its file. */
export function cellFrom(column: Column, value: unknown): string | number | boolean | null {
  if (value === null || value === undefined) return null;
  switch (column.as) {
    case 'instant':
      return toSql(String(value));
    case 'document':
      return typeof value === 'string' ? value : JSON.stringify(value);
    case 'picture':
      return (value as PictureFile).file;
    default:
      return value as string | number | boolean;
  }
}

/** Figures that are not of an entry, with the least that they can be. */
const AT_LEAST: Readonly<Record<string, Readonly<Record<string, { over: number } | { from: number }>>>> = {
  lot: { scale: { over: 0 } },
  container: { nominal_ml: { over: 0 } },
  stock_lot: { quantity: { over: 0 }, cost_minor: { from: 0 } },
  pack: { size: { over: 0 }, price_minor: { from: 0 } },
  basket: { amount: { over: 0 } },
};

function figure(table: string, { name, as }: Column): z.ZodType {
  const number = as === 'whole' ? z.int() : z.number();
  const least = AT_LEAST[table]?.[name];
  if (!least) return number;
  return 'over' in least ? number.gt(least.over) : number.min(least.from);
}

function schemaOfColumn(table: string, column: Column): z.ZodType {
  switch (column.as) {
    case 'number':
    case 'whole':
      return figure(table, column);
    case 'flag':
      return z.boolean();
    case 'instant':
      return z.iso.datetime();
    case 'day':
      return z.iso.date();
    case 'choice':
      return z.enum(column.of as [string, ...string[]]);
    case 'document':
      return z.unknown();
    case 'picture':
      return z.strictObject({ file: z.string(), sha256: z.string().regex(/^[0-9a-f]{64}$/) });
    case 'text':
      return z.string().max(column.most);
  }
}

/** What an export says of each record of a table: an entry's fields with the bounds that people are held to, the rest by its column. */
export function schemaOf(table: Table): z.ZodObject {
  const kinds = kindsIn(table.name);
  const said = kinds.length === 1 ? columnsOf(kinds[0]!) : {};
  return z.strictObject(
    Object.fromEntries(
      table.columns.map((column) => {
        const field = said[column.field];
        // What is kept as a document was judged when it was written, by the program of that day.
        if (field && column.as !== 'document') return [column.field, asStored(field)];
        const schema = schemaOfColumn(table.name, column);
        return [column.field, column.nullable ? schema.nullable() : schema];
      }),
    ),
  );
}
