import { createHash } from 'node:crypto';
import { type Database, marks, run, toSql } from '../database/pool.ts';

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

/** Where a kitchen's journal ends, with the rows that are appended and not written yet. */
export interface ChainEnd {
  sequence: number;
  hash: string;
  waiting: (string | number | null)[][];
}

/** Appends a row to the kitchen's chain inside the caller's transaction, which holds its end locked; `writeJournal` writes it. */
export function appendJournal(chain: ChainEnd, entry: JournalEntry): void {
  const sequence = chain.sequence + 1;
  const hash = chainHash(chain.hash, { ...entry, sequence });
  const { kitchenId, at, accountId, noun, nounId, lotId, action, payload } = entry;
  chain.waiting.push([
    ...[kitchenId, sequence, toSql(at), accountId, noun, nounId, lotId, action, canonicalJson(payload), hash],
  ]);
  Object.assign(chain, { sequence, hash });
}

const COLUMNS = 'kitchen_id, sequence, at, account_id, noun, noun_id, lot_id, action, payload, hash';
/** So many rows are written by one statement. */
const AT_ONCE = 50;

/** Writes the rows that were appended to a chain. @param write how: at once, or as the transaction ends */
export async function writeJournal(
  tx: Database,
  chain: ChainEnd,
  write: (tx: Database, sql: string, values: (string | number | null)[]) => void | Promise<void> = run,
): Promise<void> {
  while (chain.waiting.length > 0) {
    const some = chain.waiting.splice(0, AT_ONCE);
    const values = some.map((row) => `(${marks(row)})`).join(', ');
    await write(tx, `INSERT INTO journal (${COLUMNS}) VALUES ${values}`, some.flat());
  }
}
