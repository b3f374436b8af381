import { type JournalQuery, type JournalRow, journalRoutes } from '@inch/contract/kitchen/journal';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { addDays, instantOf } from '@inch/core/calendar';
import type { Pool } from 'mysql2/promise';
import { fromSql, marks, rows, toSql } from '../database/pool.ts';
import { type AppContext, serve } from '../http/serve.ts';

/** A row of the journal as MariaDB gives it, with the name of who wrote it. */
export interface ReadRow {
  sequence: number;
  at: string;
  by: string;
  noun: string;
  noun_id: string;
  action: string;
  payload: string;
  hash: string;
}

export const journalRowFrom = (row: ReadRow): JournalRow => ({
  sequence: Number(row.sequence),
  at: fromSql(row.at),
  by: row.by,
  noun: row.noun,
  nounId: row.noun_id,
  action: row.action,
  payload: JSON.parse(row.payload),
  hash: row.hash,
});

/** The row that a day begins at, or the last one before it: the hours of a journal only grow, as its numbers do. */
async function boundAt(
  pool: Pool,
  kitchen: Kitchen,
  day: string,
  side: 'first after' | 'last before',
): Promise<number> {
  const midnight = toSql(instantOf(`${day} 00:00`, kitchen.timeZone));
  const [sign, order] = side === 'first after' ? ['>=', 'ASC'] : ['<', 'DESC'];
  const [row] = await rows<{ sequence: number }>(
    pool,
    `SELECT sequence FROM journal WHERE kitchen_id = ? AND at ${sign} ? ORDER BY at ${order}, sequence ${order} LIMIT 1`,
    [kitchen.id, midnight],
  );
  return row ? Number(row.sequence) : side === 'first after' ? Number.MAX_SAFE_INTEGER : 0;
}

interface Condition {
  sql: string;
  values: (string | number)[];
}

/** What a page asks for, as SQL over numbers of rows: rows held whole are for the proof, not for reading. Null where nobody of that name wrote anything. */
async function conditionsOf(pool: Pool, kitchen: Kitchen, query: JournalQuery): Promise<Condition[] | null> {
  const conditions: Condition[] = [
    { sql: 'j.kitchen_id = ?', values: [kitchen.id] },
    query.noun === undefined
      ? { sql: "j.noun <> 'rows'", values: [] }
      : { sql: "j.noun = ? AND j.noun <> 'rows'", values: [query.noun] },
  ];
  if (query.by !== undefined) {
    const accounts = await rows<{ id: string }>(
      pool,
      'SELECT id FROM account WHERE kitchen_id = ? AND name = ?',
      [kitchen.id, query.by],
    );
    if (accounts.length === 0) return null;
    conditions.push({ sql: `j.account_id IN (${marks(accounts)})`, values: accounts.map((a) => a.id) });
  }
  if (query.from !== undefined)
    conditions.push({
      sql: 'j.sequence >= ?',
      values: [await boundAt(pool, kitchen, query.from, 'first after')],
    });
  if (query.until !== undefined)
    conditions.push({
      sql: 'j.sequence <= ?',
      values: [await boundAt(pool, kitchen, addDays(query.until, 1), 'last before')],
    });
  if (query.before !== undefined) conditions.push({ sql: 'j.sequence < ?', values: [query.before] });
  return conditions;
}

/** Kinds of entry that a journal has, each found by one step in its index: never by reading it through. */
async function nounsOf(pool: Pool, kitchen: Kitchen): Promise<string[]> {
  const nouns: string[] = [];
  for (let last = ''; ; ) {
    const [next] = await rows<{ noun: string }>(
      pool,
      'SELECT noun FROM journal WHERE kitchen_id = ? AND noun > ? ORDER BY noun LIMIT 1',
      [kitchen.id, last],
    );
    if (!next) return nouns.filter((noun) => noun !== 'rows');
    nouns.push(next.noun);
    last = next.noun;
  }
}

/** The key that gives the rows in their order, so that a page is read and no more. */
const keyFor = (query: JournalQuery): string =>
  query.by !== undefined ? 'journal_by' : query.noun !== undefined ? 'journal_noun_read' : 'PRIMARY';

async function listJournal(pool: Pool, kitchen: Kitchen, query: JournalQuery) {
  const conditions = await conditionsOf(pool, kitchen, query);
  const found =
    conditions === null
      ? []
      : await rows<ReadRow & { lot: string | null }>(
          pool,
          `SELECT STRAIGHT_JOIN j.sequence, j.at, a.name AS \`by\`, j.noun, j.noun_id, j.action, j.payload, j.hash, l.code AS lot
     FROM journal j FORCE INDEX (${keyFor(query)}) JOIN account a ON a.id = j.account_id LEFT JOIN lot l ON l.id = j.lot_id
     WHERE ${conditions.map((c) => c.sql).join(' AND ')} ORDER BY j.sequence DESC LIMIT ${query.limit}`,
          conditions.flatMap((c) => c.values),
        );
  return {
    rows: found.map((row) => ({ ...journalRowFrom(row), lot: row.lot })),
    next: found.length === query.limit ? Number(found.at(-1)!.sequence) : null,
    nouns: await nounsOf(pool, kitchen),
  };
}

export function journalRouter(app: AppContext): void {
  serve(app, journalRoutes.list, ({ pool, kitchen, query }) => listJournal(pool, kitchen, query));
}
