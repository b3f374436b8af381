import { columnOf, type Fields } from '@inch/core/record';
import { toSql } from '../database/pool.ts';
import { asJson } from '../database/read.ts';

/** What a column holds. */
export type Cell = string | number | boolean | null;

/** The cells of some values, by column: lists and groups as JSON. */
export const cellsOf = (fields: Fields, values: Record<string, unknown>): Record<string, Cell> =>
  Object.fromEntries(
    Object.entries(fields).map(([name, f]) => {
      const value = values[name] ?? null;
      return [columnOf(name), value !== null && asJson(f) ? JSON.stringify(value) : (value as Cell)];
    }),
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
