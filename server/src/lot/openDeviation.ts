import { v7 as newId } from 'uuid';
import { insert, toSql } from '../database/pool.ts';
import { journal, type Writing } from '../journal/writing.ts';

interface Opened {
  id?: string;
  kind: string;
  what: string;
  entryId: string | null;
  at: string;
}

/** Writes down something out of its limits; it blocks a release until it is closed. */
export async function openDeviation(w: Writing, lotId: string, found: Opened): Promise<void> {
  const id = found.id ?? newId();
  const what = found.what.slice(0, 500);
  await insert(w.tx, 'deviation', {
    id,
    lot_id: lotId,
    kind: found.kind,
    what,
    entry_id: found.entryId,
    at: toSql(found.at),
    account_id: w.account.id,
  });
  await journal(w, 'deviation', id, 'open', { kind: found.kind, what, entryId: found.entryId }, lotId);
}
