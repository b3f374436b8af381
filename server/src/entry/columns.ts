import { columnOf, type Fields, kindOfField, mayBeNull } from '@inch/core/record';
import { z } from 'zod';
import { toSql } from '../database/pool.ts';

/** What a column holds. */
export type Cell = string | number | boolean | null;

/** Lists, groups and documents are kept as JSON. */
const asJson = (kind: z.ZodType): boolean => !SIMPLE.some((type) => kind instanceof type);
const SIMPLE = [z.ZodString, z.ZodUUID, z.ZodNumber, z.ZodBoolean, z.ZodEnum];

/** The cells of some values, by column: lists and groups as JSON. */
export const cellsOf = (fields: Fields, values: Record<string, unknown>): Record<string, Cell> =>
  Object.fromEntries(
    Object.entries(fields).map(([name, f]) => {
      const value = values[name] ?? null;
      return [
        columnOf(name),
        value !== null && asJson(kindOfField(f)) ? JSON.stringify(value) : (value as Cell),
      ];
    }),
  );

/** A value out of its column; what cannot be of that field is refused, so that nothing wrong is taken for a figure. */
function valueFrom(name: string, field: z.ZodType, cell: unknown): unknown {
  if (cell === null || cell === undefined) {
    if (mayBeNull(field)) return null;
    throw new Error(`nothing stands in "${name}"`);
  }
  const kind = kindOfField(field);
  if (asJson(kind)) return JSON.parse(String(cell));
  const wrong = () => new Error(`"${name}" holds ${JSON.stringify(cell)}`);
  if (kind instanceof z.ZodBoolean) return Number(cell) === 1;
  if (kind instanceof z.ZodNumber) {
    const value = Number(cell);
    if (!Number.isFinite(value)) throw wrong();
    return value;
  }
  if (kind instanceof z.ZodEnum && !kind.options.includes(String(cell))) throw wrong();
  return String(cell);
}

/** The values of some fields out of a row. @throws Error naming the field that cannot be read */
export const valuesFrom = (fields: Fields, row: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(fields).map(([name, f]) => [name, valueFrom(name, f, row[columnOf(name)])]),
  );

/** Who wrote an entry, of what it is and when, as every one of its tables has it. */
export const headOf = (
  parent: string,
  entry: { id: string; parentId: string; at: string; recordedAt: string; accountId: string },
): Record<string, Cell> => ({
  id: entry.id,
  [`${parent}_id`]: entry.parentId,
  at: toSql(entry.at),
  recorded_at: toSql(entry.recordedAt),
  account_id: entry.accountId,
});
