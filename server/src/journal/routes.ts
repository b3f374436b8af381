import { type JournalQuery, type JournalRow, journalRoutes } from '@inch/contract/journal';
import type { Kitchen } from '@inch/contract/kitchen';
import { addDays, instantOf } from '@inch/core/calendar';
import type { Pool } from 'mysql2/promise';
import { fromSql, rows, toSql } from '../database/pool.ts';
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

/** What a page asks for, as SQL: rows held whole are for the proof, not for reading. */
function conditionsOf(kitchen: Kitchen, query: JournalQuery): { sql: string; values: (string | number)[] }[] {
  const midnight = (day: string) => toSql(instantOf(`${day} 00:00`, kitchen.timeZone));
  return [
    { sql: 'j.kitchen_id = ?', values: [kitchen.id] },
    query.noun === undefined
      ? { sql: "j.noun <> 'rows'", values: [] }
      : { sql: "j.noun = ? AND j.noun <> 'rows'", values: [query.noun] },
    ...(query.by === undefined
      ? []
      : [
          {
            sql: 'j.account_id IN (SELECT id FROM account WHERE kitchen_id = ? AND name = ?)',
            values: [kitchen.id, query.by],
          },
        ]),
    ...(query.from === undefined ? [] : [{ sql: 'j.at >= ?', values: [midnight(query.from)] }]),
    ...(query.until === undefined ? [] : [{ sql: 'j.at < ?', values: [midnight(addDays(query.until, 1))] }]),
    ...(query.before === undefined ? [] : [{ sql: 'j.sequence < ?', values: [query.before] }]),
  ];
}

async function listJournal(pool: Pool, kitchen: Kitchen, query: JournalQuery) {
  const conditions = conditionsOf(kitchen, query);
  const found = await rows<ReadRow & { lot: string | null }>(
    pool,
    `SELECT STRAIGHT_JOIN j.sequence, j.at, a.name AS \`by\`, j.noun, j.noun_id, j.action, j.payload, j.hash, l.code AS lot
     FROM journal j JOIN account a ON a.id = j.account_id LEFT JOIN lot l ON l.id = j.lot_id
     WHERE ${conditions.map((c) => c.sql).join(' AND ')} ORDER BY j.sequence DESC LIMIT ${query.limit}`,
    conditions.flatMap((c) => c.values),
  );
  const nouns = await rows<{ noun: string }>(
    pool,
    "SELECT DISTINCT noun FROM journal WHERE kitchen_id = ? AND noun <> 'rows' ORDER BY noun",
    [kitchen.id],
  );
  return {
    rows: found.map((row) => ({ ...journalRowFrom(row), lot: row.lot })),
    next: found.length === query.limit ? Number(found.at(-1)!.sequence) : null,
    nouns: nouns.map((row) => row.noun),
  };
}

export function journalRouter(app: AppContext): void {
  serve(app, journalRoutes.list, ({ pool, kitchen, query }) => listJournal(pool, kitchen, query));
}
