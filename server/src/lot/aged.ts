import type { AgedLot } from '@inch/core/ageing';
import type { LotRecord } from '@inch/core/lot';
import { type Database, fromSql, marks, rows } from '../database/pool.ts';
import { entriesOf } from '../entry/read.ts';

interface AgedRow {
  id: string;
  code: string;
  formula_id: string;
  brought_in_at: string | null;
  written_at: string | null;
  released_at: string | null;
  filled_at: string | null;
  kept_back_at: string | null;
}

/** How many of a formula's lots that were looked at speak for it: its newest. */
const LOTS = 24;

async function lookedAt(db: Database, formulaId: string): Promise<string[]> {
  const found = await rows<{ id: string }>(
    db,
    `SELECT lot_id AS id FROM formula_looked WHERE formula_id = ? ORDER BY lot_id DESC LIMIT ${LOTS}`,
    [formulaId],
  );
  return found.map((row) => row.id);
}

/** Lots that were looked at, with when what their looks rest on was written down; a lot that came with a file earns nothing. */
async function agedRows(db: Database, kitchenId: string, formulas: readonly string[]): Promise<AgedRow[]> {
  const ids: string[] = [];
  for (const formula of formulas) ids.push(...(await lookedAt(db, formula)));
  if (ids.length === 0) return [];
  return rows<AgedRow>(
    db,
    `SELECT l.id, l.code, v.formula_id, l.brought_in_at, l.written_at,
     (SELECT MIN(d.recorded_at) FROM decision d WHERE d.lot_id = l.id AND d.to = 'released') AS released_at,
     (SELECT MIN(b.recorded_at) FROM bottling b WHERE b.lot_id = l.id AND b.struck_at IS NULL) AS filled_at,
     (SELECT MIN(m.recorded_at) FROM movement m WHERE m.lot_id = l.id AND m.kind = 'retained' AND m.struck_at IS NULL) AS kept_back_at
     FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.id IN (${marks(ids)}) AND l.kitchen_id = ? ORDER BY l.id DESC`,
    [...ids, kitchenId],
  );
}

const iso = (text: string | null): string | null => text && fromSql(text);

/** Gives filled lots of one kitchen the looks at bottles kept back of their formulas. */
export async function loadAged(db: Database, kitchenId: string, lots: readonly LotRecord[]): Promise<void> {
  const filled = lots.filter((lot) => lot.bottlings.length > 0);
  if (filled.length === 0) return;
  const formulas = [...new Set(filled.map((lot) => lot.product.formulaId))];
  const found = await agedRows(db, kitchenId, formulas);
  if (found.length === 0) return;
  const looks = await entriesOf(
    db,
    'look',
    found.map((row) => row.id),
  );
  for (const lot of filled)
    lot.aged = found
      .filter((row) => row.formula_id === lot.product.formulaId)
      .map(
        (row): AgedLot => ({
          code: row.code,
          looks: looks.filter((l) => l.parentId === row.id).map((l) => l.entry),
          releasedAt: row.brought_in_at === null ? iso(row.released_at) : null,
          filledAt:
            [iso(row.filled_at), iso(row.written_at)]
              .filter((at) => at !== null)
              .sort()
              .at(-1) ?? null,
          keptBackAt: iso(row.kept_back_at),
        }),
      );
}
