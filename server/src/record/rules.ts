import { type Gate, RULE_SET } from '@inch/core/lot';
import { type Database, marks, rows } from '../database/pool.ts';
import { recordHash } from '../lot/recordHash.ts';
import type { StoredLot } from '../lot/store.ts';

/** What a lot lacked by rules that came after its release, when they were first asked of it. */
export interface Gap {
  lotId: string;
  gate: Gate['id'];
  missing: string;
  recordHash: string;
}

/** An instant after everything that was written. */
export const EVER = '9999-12-31T23:59:59.999Z';

/** By which rules a lot was released last; null where that was before rules had a version. */
const releasedBy = (lot: StoredLot): string | null =>
  lot.decisions.findLast((d) => d.to === 'released')?.ruleSet ?? null;

/** Whether a lot is released, by rules before those of this program. */
export const isOfEarlierRules = (lot: StoredLot): boolean =>
  lot.state === 'released' && releasedBy(lot) !== RULE_SET.id;

/** Gaps of some lots by the rules in force. */
export async function gapsOf(db: Database, lotIds: readonly string[]): Promise<Gap[]> {
  if (lotIds.length === 0) return [];
  const found = await rows<{ lot_id: string; gate: Gap['gate']; missing: string; record_hash: string }>(
    db,
    `SELECT lot_id, gate, missing, record_hash FROM rule_gap WHERE rule_set = ? AND lot_id IN (${marks(lotIds)})`,
    [RULE_SET.id, ...lotIds],
  );
  return found.map((row) => ({
    lotId: row.lot_id,
    gate: row.gate,
    missing: row.missing,
    recordHash: row.record_hash,
  }));
}

/**
 * Release checks that keep a released lot from going on. One that does not pass only because rules which came after its release ask for more is left to a
 * person; what the record shows to be wrong, and what came to lack since, keeps it.
 */
export function keepsFrom(lot: StoredLot, shut: readonly Gate[], gaps: readonly Gap[]): Gate[] {
  if (!isOfEarlierRules(lot)) return [...shut];
  const own = gaps.filter((gap) => gap.lotId === lot.id);
  const hash = own.length > 0 ? recordHash(lot, EVER) : '';
  return shut.filter(
    (gate) =>
      gate.failed ||
      !own.some((gap) => gap.gate === gate.id && (gap.missing === gate.missing || gap.recordHash === hash)),
  );
}
