import { columnOf, kindOfField, mayBeNull } from '@inch/core/record';
import { z } from 'zod';
import { type Database, fromSql, rows, type Value } from './pool.ts';

/** What is read of a row: a field a column, `savedAt` out of `saved_at`. */
export type Shape = Readonly<Record<string, z.ZodType>>;

const SIMPLE = [z.ZodString, z.ZodUUID, z.ZodISODate, z.ZodISODateTime, z.ZodNumber, z.ZodBoolean, z.ZodEnum];

/** Whether a field is kept as JSON: lists, groups and documents are. */
export const asJson = (field: z.ZodType): boolean => {
  const kind = kindOfField(field);
  return !SIMPLE.some((type) => kind instanceof type);
};

/** Reads one cell that holds something. */
type Reader = (cell: unknown, wrong: () => Error) => unknown;

function readerOf(field: z.ZodType): Reader {
  if (asJson(field)) return (cell) => JSON.parse(String(cell));
  const kind = kindOfField(field);
  if (kind instanceof z.ZodBoolean) return (cell) => Number(cell) === 1;
  if (kind instanceof z.ZodISODateTime) return (cell) => fromSql(String(cell));
  if (kind instanceof z.ZodNumber)
    return (cell, wrong) => {
      const value = Number(cell);
      if (!Number.isFinite(value)) throw wrong();
      return value;
    };
  if (kind instanceof z.ZodEnum)
    return (cell, wrong) => {
      if (!kind.options.includes(String(cell))) throw wrong();
      return String(cell);
    };
  return String;
}

interface Column {
  name: string;
  column: string;
  mayBeNull: boolean;
  read: Reader;
}

/** Finds out once how the rows of a shape are read: thousands of rows are read by each. */
const known = new WeakMap<Shape, readonly Column[]>();
function columnsIn(shape: Shape): readonly Column[] {
  const before = known.get(shape);
  if (before) return before;
  const columns = Object.entries(shape).map(([name, field]) => ({
    name,
    column: columnOf(name),
    mayBeNull: mayBeNull(field),
    read: readerOf(field),
  }));
  known.set(shape, columns);
  return columns;
}

/** Reads a value out of its column; what cannot be of that field is refused, so that nothing wrong is taken for a figure. */
function valueFrom({ name, mayBeNull, read }: Column, cell: unknown): unknown {
  if (cell !== null && cell !== undefined)
    return read(cell, () => new Error(`"${name}" holds ${JSON.stringify(cell)}`));
  if (mayBeNull) return null;
  throw new Error(`nothing stands in "${name}"`);
}

/** Reads the values of some fields out of a row. @throws Error naming the field that cannot be read */
export const valuesFrom = <S extends Shape>(
  shape: S,
  row: Record<string, unknown>,
): z.output<z.ZodObject<S>> =>
  Object.fromEntries(columnsIn(shape).map((c) => [c.name, valueFrom(c, row[c.column])])) as never;

/** An entry whose row does not hold what its kind declares. */
export class UnreadableEntry extends Error {
  override name = 'UnreadableEntry';
  constructor(noun: string, id: string, why: string) {
    super(`The ${noun} ${id} cannot be read: ${why}`);
  }
}

/** Rows of a prepared statement, each read by what its noun declares. @throws Error naming the field that cannot be read */
export async function read<S extends Shape>(
  db: Database,
  shape: S,
  sql: string,
  values: readonly Value[] = [],
): Promise<z.output<z.ZodObject<S>>[]> {
  const found = await rows<Record<string, unknown>>(db, sql, values);
  return found.map((row) => valuesFrom(shape, row));
}
