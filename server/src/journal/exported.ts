import type { Account } from '@inch/contract/kitchen/account';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Pool } from 'mysql2/promise';
import { inWriting, journal } from './writing.ts';

/** Journals that something of a lot was taken out of the program, by whom and when. */
export const journalExport = (
  { pool, account, kitchen }: { pool: Pool; account: Account; kitchen: Kitchen },
  lotId: string,
  what: string,
): Promise<void> =>
  inWriting(pool, { account, kitchen }, (w) => journal(w, 'lot', lotId, 'export', { what }, lotId));
