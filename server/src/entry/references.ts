import { type EntryKind, referenceOf } from '@inch/core/record';
import { rows } from '../database/pool.ts';
import type { Writing } from '../journal/writing.ts';
import { invalid } from '../problem/problem.ts';

/** Tables that an entry may name a row of: what such a row is called, and whether it is the lot's own or the kitchen's. */
const TABLES: Record<string, { name: string; of: 'lot' | 'kitchen' }> = {
  lot_step: { name: 'step', of: 'lot' },
  addition: { name: 'addition', of: 'lot' },
  reading: { name: 'reading', of: 'lot' },
  bottling: { name: 'filling', of: 'lot' },
  movement: { name: 'sale or gift', of: 'lot' },
  canner_load: { name: 'load', of: 'lot' },
  seal_check: { name: 'seal check', of: 'lot' },
  deviation: { name: 'deviation', of: 'lot' },
  instrument: { name: 'instrument', of: 'kitchen' },
  vessel: { name: 'pan', of: 'kitchen' },
  container: { name: 'kind of bottle', of: 'kitchen' },
  label_sheet: { name: 'label sheet', of: 'kitchen' },
  label_print: { name: 'print', of: 'lot' },
};

/** Rows that an entry names, by its fields. */
export type Referenced = Record<string, Record<string, unknown>>;

/** The rows that an entry names. Refuses one that is not of this lot, or not of this kitchen. */
export async function referencedBy(
  w: Writing,
  lotId: string,
  kind: EntryKind,
  said: Record<string, unknown>,
): Promise<Referenced> {
  const found: Referenced = {};
  for (const [field, schema] of Object.entries(kind.said)) {
    const id = said[field];
    const table = referenceOf(schema)?.table;
    if (!table || typeof id !== 'string') continue;
    const { name, of } = TABLES[table]!;
    const [row] = await rows<Record<string, unknown>>(
      w.tx,
      `SELECT * FROM ${table} WHERE id = ? AND ${of}_id = ?`,
      [id, of === 'lot' ? lotId : w.kitchen.id],
    );
    if (!row) throw invalid(field, `That ${name} is not one of this ${of}. Choose another.`);
    found[field] = row;
  }
  return found;
}
