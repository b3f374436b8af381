import { createHash } from 'node:crypto';
import { type Database, rows, run, toSql } from '../database/pool.ts';

/** Canonical JSON: keys in order, no spaces, undefined left out. */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((v) => canonicalJson(v ?? null)).join(',')}]`;
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1));
    return `{${entries.map(([k, v]) => `${JSON.stringify(k)}:${canonicalJson(v)}`).join(',')}}`;
  }
  return JSON.stringify(value);
}

export interface JournalEntry {
  kitchenId: string;
  accountId: string;
  at: string;
  noun: string;
  nounId: string;
  lotId: string | null;
  action: string;
  payload: unknown;
}

export const GENESIS = '0'.repeat(64);

/** Hash of a row: of the previous hash and the canonical JSON of all it says. */
export function chainHash(
  previous: string,
  entry: JournalEntry & { sequence: number; payload: unknown },
): string {
  const { sequence, at, accountId, noun, nounId, lotId, action, payload } = entry;
  const said = canonicalJson({ sequence, at, accountId, noun, nounId, lotId, action, payload });
  return createHash('sha256').update(previous).update(said).digest('hex');
}

/** Appends a row to the kitchen's chain inside the caller's transaction; the head is locked until it commits. */
export async function appendJournal(tx: Database, entry: JournalEntry): Promise<void> {
  const [head] = await rows<{ sequence: number; hash: string }>(
    tx,
    'SELECT sequence, hash FROM journal_head WHERE kitchen_id = ? FOR UPDATE',
    [entry.kitchenId],
  );
  const sequence = Number(head?.sequence ?? 0) + 1;
  const hash = chainHash(head?.hash ?? GENESIS, { ...entry, sequence });
  const payload = canonicalJson(entry.payload);
  await run(
    tx,
    'INSERT INTO journal (kitchen_id, sequence, at, account_id, noun, noun_id, lot_id, action, payload, hash) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
    [
      entry.kitchenId,
      sequence,
      toSql(entry.at),
      entry.accountId,
      entry.noun,
      entry.nounId,
      entry.lotId,
      entry.action,
      payload,
      hash,
    ],
  );
  if (head)
    await run(tx, 'UPDATE journal_head SET sequence = ?, hash = ? WHERE kitchen_id = ?', [
      sequence,
      hash,
      entry.kitchenId,
    ]);
  else
    await run(tx, 'INSERT INTO journal_head (kitchen_id, sequence, hash) VALUES (?, ?, ?)', [
      entry.kitchenId,
      sequence,
      hash,
    ]);
}
