import { type Database, fromSql, rows } from '../database/pool.ts';
import { chainHash, GENESIS } from './append.ts';

interface Row {
  sequence: number;
  at: string;
  account_id: string;
  noun: string;
  noun_id: string;
  lot_id: string | null;
  action: string;
  payload: string;
  hash: string;
}

export interface ChainReport {
  kitchen: string;
  rows: number;
  whole: boolean;
  /** The first thing wrong; null where the chain is whole. */
  fault: string | null;
}

const PAGE = 1000;

async function walk(db: Database, kitchenId: string): Promise<Omit<ChainReport, 'kitchen'>> {
  let previous = GENESIS;
  let count = 0;
  for (;;) {
    const page = await rows<Row>(
      db,
      `SELECT * FROM journal WHERE kitchen_id = ? AND sequence > ? ORDER BY sequence LIMIT ${PAGE}`,
      [kitchenId, count],
    );
    for (const row of page) {
      count += 1;
      if (Number(row.sequence) !== count)
        return { rows: count, whole: false, fault: `row ${count} is missing` };
      const hash = chainHash(previous, {
        kitchenId,
        sequence: count,
        at: fromSql(row.at),
        accountId: row.account_id,
        noun: row.noun,
        nounId: row.noun_id,
        lotId: row.lot_id,
        action: row.action,
        payload: JSON.parse(row.payload),
      });
      if (hash !== row.hash)
        return { rows: count, whole: false, fault: `row ${count} does not match its hash` };
      previous = hash;
    }
    if (page.length < PAGE) break;
  }
  const [head] = await rows<{ sequence: number; hash: string }>(
    db,
    'SELECT sequence, hash FROM journal_head WHERE kitchen_id = ?',
    [kitchenId],
  );
  const ends = Number(head?.sequence ?? 0) === count && (head?.hash ?? GENESIS) === previous;
  return { rows: count, whole: ends, fault: ends ? null : 'the last rows are missing' };
}

/** Walks every kitchen's journal from its first row and checks each hash, the numbering and the end. */
export async function verifyJournal(db: Database): Promise<ChainReport[]> {
  const reports: ChainReport[] = [];
  for (const kitchen of await rows<{ id: string; name: string }>(
    db,
    'SELECT id, name FROM kitchen ORDER BY name',
  ))
    reports.push({ kitchen: kitchen.name, ...(await walk(db, kitchen.id)) });
  return reports;
}
