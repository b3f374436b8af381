import type { JournalRow } from '@inch/contract/kitchen/journal';
import type { Pool } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import { journalRowFrom, type ReadRow } from './routes.ts';

/** Rows of the journal that are of a lot, in their order. */
export async function journalOfLot(pool: Pool, lotId: string): Promise<JournalRow[]> {
  const found = await rows<ReadRow>(
    pool,
    'SELECT STRAIGHT_JOIN j.*, a.name AS `by` FROM journal j JOIN account a ON a.id = j.account_id WHERE j.lot_id = ? ORDER BY j.sequence',
    [lotId],
  );
  return found.map(journalRowFrom);
}
