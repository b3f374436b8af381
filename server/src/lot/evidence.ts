import type { Kitchen } from '@inch/contract/kitchen';
import type { AgedLot, ageingEvidence } from '@inch/core/ageing';
import { factsFrom } from '@inch/core/formula';
import { governingPh, type LotKeeping, makeupAsMade } from '@inch/core/lot';
import { type Database, rows } from '../database/pool.ts';
import { readableByIds, type StoredLot } from './store.ts';

/** Lots of a lot's formula that were looked at, this one among them. */
export async function lotsOfFormula(db: Database, kitchen: Kitchen, lot: StoredLot): Promise<AgedLot[]> {
  const found = await rows<{ id: string }>(
    db,
    `SELECT STRAIGHT_JOIN DISTINCT l.id FROM formula_version v JOIN lot l ON l.version_id = v.id JOIN bottle_look k ON k.lot_id = l.id
     WHERE v.formula_id = ? AND l.kitchen_id = ? ORDER BY l.id LIMIT 200`,
    [lot.product.formulaId, kitchen.id],
  );
  const { lots } = await readableByIds(
    db,
    kitchen,
    found.map((row) => row.id),
  );
  return lots.map(({ code, looks }) => ({ code, looks }));
}

/** What the evidence of bottles kept back is asked for. */
export const evidenceFor = (
  lot: StoredLot,
  keeping: Pick<LotKeeping, 'row' | 'time'>,
): Parameters<typeof ageingEvidence>[1] => {
  const ph = governingPh(lot);
  return {
    ...{ row: keeping.row, time: keeping.time, criticalPh: lot.criticalPh },
    aceticPercent: factsFrom(makeupAsMade(lot), null).aceticPercent ?? null,
    ph: ph ? ph.ph - ph.margin : null,
  };
};
