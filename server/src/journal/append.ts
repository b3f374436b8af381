import { hash } from 'node:crypto';
import { type Database, marks, run, toSql } from '../database/pool.ts';

/** Canonical JSON: keys in order, no spaces, undefined left out. */
export function canonicalJson(value: unknown): string {
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map((v) => canonicalJson(v ?? null)).join(',')}]`;
  let members = '';
  for (const key of Object.keys(value).sort()) {
    const member = (value as Record<string, unknown>)[key];
    if (member !== undefined)
      members += `${members === '' ? '' : ','}${JSON.stringify(key)}:${canonicalJson(member)}`;
  }
  return `{${members}}`;
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

type Chained = JournalEntry & { sequence: number };

/** Hash of a row whose payload is canonical JSON already: members stand in the order of their keys. */
function hashOf(
  previous: string,
  { sequence, at, accountId, noun, nounId, lotId, action }: Chained,
  payload: string,
) {
  const head = canonicalJson({ accountId, action, at, lotId, noun, nounId }).slice(0, -1);
  return hash('sha256', `${previous}${head},"payload":${payload},"sequence":${sequence}}`);
}

/** Hash of a row: of the previous hash and the canonical JSON of all it says. */
export const chainHash = (previous: string, entry: Chained & { payload: unknown }): string =>
  hashOf(previous, entry, canonicalJson(entry.payload));

/** Where a kitchen's journal ends, with the rows that are appended and not written yet. */
export interface ChainEnd {
  sequence: number;
  hash: string;
  waiting: (string | number | null)[][];
  /** When its last row was written; null where nothing was yet. */
  writtenAt: string | null;
}

/** Appends a row to the kitchen's chain inside the caller's transaction, which holds its end locked; `writeJournal` writes it. */
export function appendJournal(chain: ChainEnd, entry: JournalEntry): void {
  const sequence = chain.sequence + 1;
  const payload = canonicalJson(entry.payload);
  const hashed = hashOf(chain.hash, { ...entry, sequence }, payload);
  const { kitchenId, at, accountId, noun, nounId, lotId, action } = entry;
  chain.waiting.push([
    kitchenId,
    sequence,
    toSql(at),
    accountId,
    noun,
    nounId,
    lotId,
    action,
    payload,
    hashed,
  ]);
  Object.assign(chain, { sequence, hash: hashed });
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
