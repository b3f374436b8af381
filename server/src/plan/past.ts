import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { PastLot } from '@inch/core/planning';
import type { Pool } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import {
  bringUpToDate,
  deriveOlder,
  STANDING_COLUMNS,
  type StandingRow,
  settingsOf,
} from '../standing/derive.ts';

/** Lots that are looked back on: some seasons. */
const LOTS = 120;

/** What the kitchen's past lots gave, the oldest first: as it was derived with their summaries. */
export async function pastLots(pool: Pool, kitchen: Kitchen): Promise<PastLot[]> {
  await bringUpToDate(pool, kitchen);
  const read = () =>
    rows<StandingRow & { past: string | null }>(
      pool,
      `SELECT ${STANDING_COLUMNS}, s.past FROM lot_standing s WHERE s.kitchen_id = ? ORDER BY s.begun_at DESC, s.lot_id DESC LIMIT ${LOTS}`,
      [kitchen.id],
    );
  const now = settingsOf(kitchen);
  let found = await read();
  const older = found.filter((row) => row.broken === null && row.settings !== now);
  if (older.length > 0) {
    await deriveOlder(pool, kitchen, older);
    found = await read();
  }
  return found.reverse().flatMap(({ past }) => (past === null ? [] : [JSON.parse(past) as PastLot]));
}
