import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { Sale, type SaleQuery, saleRoutes } from '@inch/contract/kitchen/sale';
import { addDays, dayOf, instantOf } from '@inch/core/calendar';
import { Instant } from '@inch/core/value';
import type { Pool } from 'mysql2/promise';
import { toSql } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { type AppContext, serve } from '../http/serve.ts';
import { OF_SPREADSHEET, withSpreadsheet, wordsIn } from '../spreadsheet/list.ts';

const { day, broughtIn: _, ...SAID } = Sale.shape;
const KEPT = { ...SAID, ...OF_SPREADSHEET, at: Instant, soldOn: day.nullable() };

const COLUMNS = `i.id, i.at, e.sold_on, COALESCE(l.code, p.code) AS code, COALESCE(v.name, e.name) AS name, COALESCE(m.count, e.bottles) AS bottles,
  COALESCE(m.price_minor, e.price_minor) AS price_minor, COALESCE(m.note, e.buyer) AS buyer, COALESCE(m.\`from\`, e.place) AS place,
  e.note, e.sheet_row, s.file_name, s.at AS brought_at`;
const FROM = `sale i LEFT JOIN movement m ON m.id = i.id LEFT JOIN lot l ON l.id = m.lot_id LEFT JOIN formula_version v ON v.id = l.version_id
  LEFT JOIN earlier_sale e ON e.id = i.id LEFT JOIN earlier_lot p ON p.id = e.earlier_lot_id LEFT JOIN spreadsheet s ON s.id = e.spreadsheet_id`;
const SEARCHED = [
  'l.code',
  'p.code',
  'v.name',
  'e.name',
  'm.note',
  'e.buyer',
  'm.`from`',
  'e.place',
  'e.note',
];

/** Sales that stand, the newest first, a page after another: those recorded here, and those brought in. */
async function listSales(pool: Pool, kitchen: Kitchen, query: SaleQuery) {
  const midnight = (day: string) => toSql(instantOf(`${day} 00:00`, kitchen.timeZone));
  // A spreadsheet says a day, whatever the hour is where the kitchen lies.
  const words = wordsIn(SEARCHED, query.q);
  const conditions = [
    { sql: 'i.kitchen_id = ? AND s.withdrawn_at IS NULL AND m.struck_at IS NULL', values: [kitchen.id] },
    ...(query.from
      ? [{ sql: 'COALESCE(e.sold_on >= ?, i.at >= ?)', values: [query.from, midnight(query.from)] }]
      : []),
    ...(query.until
      ? [
          {
            sql: 'COALESCE(e.sold_on <= ?, i.at < ?)',
            values: [query.until, midnight(addDays(query.until, 1))],
          },
        ]
      : []),
    ...(query.before
      ? [{ sql: '(i.at, i.id) < (SELECT at, id FROM sale WHERE id = ?)', values: [query.before] }]
      : []),
  ];
  const found = await read(
    pool,
    KEPT,
    `SELECT STRAIGHT_JOIN ${COLUMNS} FROM ${FROM} WHERE ${conditions.map((c) => c.sql).join(' AND ')}${words.sql}
     ORDER BY i.at DESC, i.id DESC LIMIT ${query.limit}`,
    [...conditions.flatMap((c) => c.values), ...words.values],
  );
  return {
    sales: found
      .map(withSpreadsheet)
      .map(({ at, soldOn, ...sale }): Sale => ({ ...sale, day: soldOn ?? dayOf(at, kitchen.timeZone) })),
    next: found.length === query.limit ? found.at(-1)!.id : null,
  };
}

export function saleRouter(app: AppContext): void {
  serve(app, saleRoutes.list, ({ pool, kitchen, query }) => listSales(pool, kitchen, query));
}
