import { columnsOf, type EntryKind, entries, type Noun } from '@inch/core/record';
import { insert } from '../database/pool.ts';
import { journal, type Writing } from '../journal/writing.ts';
import { cellsOf, headOf } from './columns.ts';

/** An entry with everything that is kept of it, ready to be written. */
export interface ReadyEntry {
  id: string;
  at: string;
  values: Record<string, unknown>;
  /** Cells of the row that are no field, such as the bytes of a photograph. */
  more?: Record<string, Buffer>;
}

/** Writes an entry of a lot or an instrument and journals it, whatever its kind. */
export async function writeEntry(
  w: Writing,
  noun: Noun,
  parentId: string,
  { id, at, values, more = {} }: ReadyEntry,
): Promise<void> {
  const kind: EntryKind = entries[noun];
  const columns = columnsOf(kind);
  await insert(w.tx, kind.table, {
    ...headOf(kind.of, { id, parentId, at, recordedAt: w.entered.at, accountId: w.account.id }),
    ...cellsOf(columns, values),
    ...more,
  });
  const said = Object.fromEntries(Object.keys(columns).map((name) => [name, values[name] ?? null]));
  const lotId = kind.of === 'lot' ? parentId : null;
  await journal(w, noun, id, kind.verb, { [`${kind.of}Id`]: parentId, ...said, at }, lotId);
}
