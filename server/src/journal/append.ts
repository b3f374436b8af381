import { createHash } from 'node:crypto';
import { type Database, insert, toSql } from '../database/pool.ts';

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

/** Where a kitchen's journal ends. */
export interface ChainEnd {
  sequence: number;
  hash: string;
}

/** Appends a row to the kitchen's chain inside the caller's transaction, which holds its end locked. */
export async function appendJournal(tx: Database, chain: ChainEnd, entry: JournalEntry): Promise<void> {
  const sequence = chain.sequence + 1;
  const hash = chainHash(chain.hash, { ...entry, sequence });
  await insert(tx, 'journal', {
    kitchen_id: entry.kitchenId,
    sequence,
    at: toSql(entry.at),
    account_id: entry.accountId,
    noun: entry.noun,
    noun_id: entry.nounId,
    lot_id: entry.lotId,
    action: entry.action,
    payload: canonicalJson(entry.payload),
    hash,
  });
  Object.assign(chain, { sequence, hash });
}
