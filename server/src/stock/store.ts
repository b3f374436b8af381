import type { StockLot } from '@inch/contract/stock';
import { dayOf } from '@inch/core/calendar';
import { leftOf, packagingOf, whyUnfit } from '@inch/core/stock';
import { containersOf } from '../container/routes.ts';
import { type Database, fromSql, marks, rows, toSql } from '../database/pool.ts';
import { catalogueNow } from '../ingredient/store.ts';
import { stockCode } from './code.ts';

interface StockRow {
  id: string;
  number: number;
  kind: StockLot['kind'];
  thing: string;
  quantity: number;
  said: string;
  words: string;
  supplier: string;
  cost_minor: number | null;
  got_on: string;
  best_by: string | null;
  measured: string | null;
  allergens: string;
  left_code: string | null;
  left_name: string | null;
  left_state: NonNullable<StockLot['leftBy']>['state'] | null;
  from_number: number | null;
  by: string;
}

interface TakingRow {
  id: string;
  stock_id: string;
  kind: StockLot['takings'][number]['kind'];
  amount: number;
  why: string | null;
  at: string;
  by: string;
  lot_code: string | null;
  into_number: number | null;
  struck: number;
}

const STOCK = `SELECT s.id, s.number, s.kind, s.thing, s.quantity, s.said, s.words, s.supplier, s.cost_minor, s.got_on, s.best_by, s.measured, s.allergens,
  l.code AS left_code, v.name AS left_name, l.state AS left_state, d.number AS from_number, a.name AS \`by\`
  FROM stock_lot s JOIN account a ON a.id = s.account_id LEFT JOIN lot l ON l.id = s.left_by
  LEFT JOIN formula_version v ON v.id = l.version_id LEFT JOIN stock_lot d ON d.id = s.divided_from`;

const TAKINGS = `SELECT t.id, t.stock_id, t.kind, t.amount, t.why, t.at, p.name AS \`by\`, l.code AS lot_code, i.number AS into_number,
  (a.struck_at IS NOT NULL OR b.struck_at IS NOT NULL) AS struck
  FROM stock_taking t JOIN account p ON p.id = t.account_id LEFT JOIN lot l ON l.id = t.lot_id LEFT JOIN addition a ON a.id = t.addition_id
  LEFT JOIN bottling b ON b.id = t.bottling_id LEFT JOIN stock_lot i ON i.id = t.into_stock_id`;

async function takingsOf(
  db: Database,
  ids: readonly string[],
  lock: boolean,
): Promise<Map<string, StockLot['takings']>> {
  const found = new Map<string, StockLot['takings']>(ids.map((id) => [id, []]));
  if (ids.length === 0) return found;
  // What is drawn from is read as it stands now, not as it stood when the transaction began.
  const list = await rows<TakingRow>(
    db,
    `${TAKINGS} WHERE t.stock_id IN (${marks(ids)}) ORDER BY t.at, t.id${lock ? ' LOCK IN SHARE MODE' : ''}`,
    [...ids],
  );
  for (const t of list)
    found.get(t.stock_id)!.push({
      id: t.id,
      kind: t.kind,
      amount: t.amount,
      at: fromSql(t.at),
      by: t.by,
      why: t.why,
      into: t.lot_code ?? (t.into_number === null ? null : stockCode(t.into_number)),
      struck: t.struck === 1,
    });
  return found;
}

/** What stock is called, by its thing. */
async function namesOf(db: Database, kitchenId: string): Promise<(row: StockRow) => string> {
  const catalogue = await catalogueNow(db, kitchenId);
  const packaging = new Map(packagingOf(await containersOf(db, kitchenId)).map((p) => [p.thing, p.name]));
  return (row) =>
    (row.kind === 'ingredient' ? catalogue.find(row.thing)?.name : packaging.get(row.thing)) ?? row.thing;
}

function stockFrom(row: StockRow, name: string, takings: StockLot['takings'], today: string): StockLot {
  const lot = {
    id: row.id,
    code: stockCode(row.number),
    kind: row.kind,
    thing: row.thing,
    name,
    quantity: row.quantity,
    said: row.said,
    words: row.words,
    supplier: row.supplier,
    costMinor: row.cost_minor === null ? null : Number(row.cost_minor),
    gotOn: row.got_on,
    bestBy: row.best_by,
    measured: row.measured === null ? null : JSON.parse(row.measured),
    allergens: JSON.parse(row.allergens),
    leftBy:
      row.left_code === null ? null : { code: row.left_code, name: row.left_name!, state: row.left_state! },
    dividedFrom: row.from_number === null ? null : stockCode(row.from_number),
    by: row.by,
    takings,
  };
  return { ...lot, left: leftOf(lot), whyUnfit: whyUnfit(lot, today) };
}

/** Stock lots of a kitchen, of some things (then without their names) or by id where that is asked; locked until the transaction ends where they are to be drawn from. */
export async function stockOf(
  db: Database,
  kitchenId: string,
  today: string,
  only: { things?: readonly string[]; ids?: readonly string[]; lock?: boolean } = {},
): Promise<StockLot[]> {
  const values: string[] = [kitchenId];
  let where = 's.kitchen_id = ?';
  for (const [column, list] of [
    ['thing', only.things],
    ['id', only.ids],
  ] as const) {
    if (!list) continue;
    if (list.length === 0) return [];
    where += ` AND s.${column} IN (${marks(list)})`;
    values.push(...list);
  }
  if (only.lock)
    await rows(db, `SELECT s.id FROM stock_lot s WHERE ${where} ORDER BY s.number FOR UPDATE`, values);
  const found = await rows<StockRow>(
    db,
    `${STOCK} WHERE ${where} ORDER BY s.got_on DESC, s.number DESC`,
    values,
  );
  if (found.length === 0) return [];
  const takings = await takingsOf(
    db,
    found.map((row) => row.id),
    only.lock ?? false,
  );
  // Where one thing is drawn from its name is not asked: that would read the whole catalogue at every weighing.
  const nameOf = only.things ? (row: StockRow) => row.thing : await namesOf(db, kitchenId);
  return found.map((row) => stockFrom(row, nameOf(row), takings.get(row.id)!, today));
}

/** Stock lots with a date within the next week: few, so Today asks for these alone. */
export async function perishable(
  db: Database,
  kitchen: { id: string; timeZone: string },
  now: string,
): Promise<StockLot[]> {
  const found = await rows<{ id: string }>(
    db,
    'SELECT id FROM stock_lot WHERE kitchen_id = ? AND best_by BETWEEN DATE(?) - INTERVAL 1 DAY AND DATE(?) + INTERVAL 7 DAY',
    [kitchen.id, toSql(now), toSql(now)],
  );
  return stockOf(db, kitchen.id, dayOf(now, kitchen.timeZone), { ids: found.map((row) => row.id) });
}
