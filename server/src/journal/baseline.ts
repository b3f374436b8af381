import type { Pool } from 'mysql2/promise';
import { rows } from '../database/pool.ts';
import { allRows, RECORD_TABLES } from './rows.ts';
import { inWriting, journalRows } from './writing.ts';

/**
 * Takes the record as it stands into the journal of the first kitchen, once: what was written before rows were journaled whole is proved from
 * then on.
 */
export async function journalBaseline(pool: Pool): Promise<void> {
  const [known] = await rows(pool, "SELECT sequence FROM journal WHERE noun = 'rows' LIMIT 1");
  if (known) return;
  const [owner] = await rows<{ id: string; name: string; kitchen_id: string }>(
    pool,
    "SELECT id, name, kitchen_id FROM account WHERE role = 'owner' ORDER BY created_at, id LIMIT 1",
  );
  if (!owner) return;
  const account = { id: owner.id, name: owner.name, role: 'owner' as const };
  await inWriting(pool, { account, kitchen: { id: owner.kitchen_id } }, async (w) => {
    for (const table of RECORD_TABLES) {
      const ids = new Map<string, null>();
      for await (const row of allRows(w.tx, table)) ids.set(row.id, null);
      await journalRows(w, new Map([[table, ids]]));
    }
  });
}
