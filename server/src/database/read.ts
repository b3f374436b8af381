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

/** A value out of its column; what cannot be of that field is refused, so that nothing wrong is taken for a figure. */
function valueFrom(name: string, field: z.ZodType, cell: unknown): unknown {
  if (cell === null || cell === undefined) {
    if (mayBeNull(field)) return null;
    throw new Error(`nothing stands in "${name}"`);
  }
  if (asJson(field)) return JSON.parse(String(cell));
  const wrong = () => new Error(`"${name}" holds ${JSON.stringify(cell)}`);
  const kind = kindOfField(field);
  if (kind instanceof z.ZodBoolean) return Number(cell) === 1;
  if (kind instanceof z.ZodISODateTime) return fromSql(String(cell));
  if (kind instanceof z.ZodNumber) {
    const value = Number(cell);
    if (!Number.isFinite(value)) throw wrong();
    return value;
  }
  if (kind instanceof z.ZodEnum && !kind.options.includes(String(cell))) throw wrong();
  return String(cell);
}

/** The values of some fields out of a row. @throws Error naming the field that cannot be read */
export const valuesFrom = <S extends Shape>(
  shape: S,
  row: Record<string, unknown>,
): z.output<z.ZodObject<S>> =>
  Object.fromEntries(
    Object.entries(shape).map(([name, field]) => [name, valueFrom(name, field, row[columnOf(name)])]),
  ) as never;

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
