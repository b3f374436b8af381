import { StockHistory, type StockListQuery, StockView } from '@inch/contract/kitchen/stock';
import { dayOf } from '@inch/core/calendar';
import { LotState } from '@inch/core/lot';
import { leftOf, packagingOf, stockCode, whyUnfit } from '@inch/core/stock';
import { Instant } from '@inch/core/value';
import type { Pool } from 'mysql2/promise';
import { z } from 'zod';
import { containersOf } from '../container/routes.ts';
import { type Database, marks, rows, toSql } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { catalogueNow } from '../ingredient/store.ts';
import { countStock, NOTHING } from '../standing/stock.ts';
import { heldStock } from '../trace/reach.ts';

const KEPT = {
  ...StockView.pick({
    id: true,
    kind: true,
    thing: true,
    quantity: true,
    said: true,
    words: true,
    supplier: true,
    costMinor: true,
    gotOn: true,
    bestBy: true,
    measured: true,
    allergens: true,
    broughtIn: true,
    by: true,
  }).shape,
  number: z.number(),
  batch: z.string().nullable(),
  leftCode: z.string().nullable(),
  leftName: z.string().nullable(),
  leftState: LotState.nullable(),
  fromNumber: z.number().nullable(),
};
type Kept = z.output<z.ZodObject<typeof KEPT>>;

type Taking = StockHistory['takings'][number];

const { into: _, undone: __, ...TAKEN } = StockHistory.shape.takings.element.shape;
const KEPT_TAKING = {
  ...TAKEN,
  at: Instant,
  stockId: z.string(),
  lotCode: z.string().nullable(),
  intoNumber: z.number().nullable(),
  struckWhy: z.string().nullable(),
  struckByName: z.string().nullable(),
};

const STOCK = `SELECT STRAIGHT_JOIN s.id, s.number, s.kind, s.thing, s.quantity, s.said, s.words, s.supplier, s.cost_minor, s.got_on, s.best_by, s.measured, s.allergens, s.batch,
  l.code AS left_code, v.name AS left_name, l.state AS left_state, d.number AS from_number, h.file_name AS brought_in, a.name AS \`by\`
  FROM stock_lot s JOIN account a ON a.id = s.account_id LEFT JOIN lot l ON l.id = s.left_by
  LEFT JOIN formula_version v ON v.id = l.version_id LEFT JOIN stock_lot d ON d.id = s.divided_from
  LEFT JOIN spreadsheet h ON h.id = s.spreadsheet_id`;

const TAKINGS = `SELECT STRAIGHT_JOIN t.id, t.stock_id, t.kind, t.amount, t.why, t.at, t.struck_why, (SELECT name FROM account WHERE id = t.struck_by) AS struck_by_name, p.name AS \`by\`, l.code AS lot_code, i.number AS into_number,
  (t.struck_at IS NOT NULL OR a.struck_at IS NOT NULL OR b.struck_at IS NOT NULL OR c.struck_at IS NOT NULL) AS struck
  FROM stock_taking t JOIN account p ON p.id = t.account_id LEFT JOIN lot l ON l.id = t.lot_id LEFT JOIN addition a ON a.id = t.addition_id
  LEFT JOIN bottling b ON b.id = t.bottling_id LEFT JOIN label_print c ON c.id = t.print_id LEFT JOIN stock_lot i ON i.id = t.into_stock_id`;

async function takingsOf(
  db: Database,
  ids: readonly string[],
  lock: boolean,
): Promise<Map<string, Taking[]>> {
  const found = new Map<string, Taking[]>(ids.map((id) => [id, []]));
  if (ids.length === 0) return found;
  // What is drawn from is read as it stands now, not as it stood when the transaction began.
  const list = await read(
    db,
    KEPT_TAKING,
    `${TAKINGS} WHERE t.stock_id IN (${marks(ids)}) ORDER BY t.at, t.id${lock ? ' LOCK IN SHARE MODE' : ''}`,
    [...ids],
  );
  for (const { stockId, lotCode, intoNumber, struckWhy, struckByName, ...taking } of list)
    found.get(stockId)!.push({
      ...taking,
      into: lotCode ?? (intoNumber === null ? null : stockCode(intoNumber)),
      undone: struckWhy === null ? null : { by: struckByName ?? '', why: struckWhy },
    });
  return found;
}

async function namesOf(db: Database, kitchenId: string): Promise<(row: Kept) => string> {
  const catalogue = await catalogueNow(db, kitchenId);
  const packaging = new Map(packagingOf(await containersOf(db, kitchenId)).map((p) => [p.thing, p.name]));
  return (row) =>
    (row.kind === 'ingredient' ? catalogue.find(row.thing)?.name : packaging.get(row.thing)) ?? row.thing;
}

function stockFrom<T extends StockView['takings']>(
  { number, leftCode, leftName, leftState, fromNumber, ...said }: Kept,
  name: string,
  takings: T,
  { today, held }: { today: string; held: ReadonlyMap<string, string> },
): Omit<StockView, 'takings'> & { takings: T } {
  const lot = {
    ...said,
    code: stockCode(number),
    name,
    leftBy: leftCode === null ? null : { code: leftCode, name: leftName!, state: leftState! },
    batch: said.batch ?? '',
    held: held.get(said.id) ?? null,
    dividedFrom: fromNumber === null ? null : stockCode(fromNumber),
    takings,
  };
  return { ...lot, left: leftOf(lot), whyUnfit: whyUnfit(lot, today) };
}

/** Stock lots of which something is left, as it was last counted, or what was written since: few, however many were used up. */
const inStock = async (db: Database, kitchenId: string): Promise<string[]> =>
  (
    await rows<{ stock_id: string }>(
      db,
      `SELECT stock_id FROM stock_standing WHERE kitchen_id = ? AND left_amount > ${NOTHING}
       UNION SELECT stock_id FROM stock_standing WHERE kitchen_id = ? AND stale = 1`,
      [kitchenId, kitchenId],
    )
  ).map((row) => row.stock_id);

/**
 * Stock lots of some things (then without their names) or by id, with everything that went of them; locked until the transaction ends where
 * they are to be drawn from. @param only.inStock leaves out what was used up before this transaction
 */
export async function stockOf(
  db: Database,
  kitchenId: string,
  today: string,
  only: { things?: readonly string[]; ids?: readonly string[]; lock?: boolean; inStock?: boolean },
): Promise<StockHistory[]> {
  const values: string[] = [kitchenId];
  let where = 's.kitchen_id = ?';
  for (const [column, list] of [
    ['thing', only.things],
    ['id', only.ids],
    ['id', only.inStock ? await inStock(db, kitchenId) : undefined],
  ] as const) {
    if (!list) continue;
    if (list.length === 0) return [];
    where += ` AND s.${column} IN (${marks(list)})`;
    values.push(...list);
  }
  if (only.lock)
    await rows(db, `SELECT s.id FROM stock_lot s WHERE ${where} ORDER BY s.number FOR UPDATE`, values);
  const found = await read(db, KEPT, `${STOCK} WHERE ${where} ORDER BY s.got_on DESC, s.number DESC`, values);
  if (found.length === 0) return [];
  const takings = await takingsOf(
    db,
    found.map((row) => row.id),
    only.lock ?? false,
  );
  // Where one thing is drawn from its name is not asked: that would read the whole catalogue at every weighing.
  const nameOf = only.things ? (row: Kept) => row.thing : await namesOf(db, kitchenId);
  const held = await heldStock(db, kitchenId);
  return found.map((row) => stockFrom(row, nameOf(row), takings.get(row.id)!, { today, held }));
}

const WENT = { stockId: z.string(), kind: TAKEN.kind, amount: z.number(), at: Instant };

/** What went of stock lots and stands, a sum for each way in which it went or was found. */
async function wentOf(db: Database, ids: readonly string[]): Promise<Map<string, StockView['takings']>> {
  const went = new Map<string, StockView['takings']>(ids.map((id) => [id, []]));
  if (ids.length === 0) return went;
  const found = await read(
    db,
    WENT,
    `SELECT STRAIGHT_JOIN t.stock_id, t.kind, SUM(t.amount) AS amount, MAX(t.at) AS at FROM stock_taking t LEFT JOIN addition a ON a.id = t.addition_id
     LEFT JOIN bottling b ON b.id = t.bottling_id LEFT JOIN label_print c ON c.id = t.print_id
     WHERE t.stock_id IN (${marks(ids)}) AND t.struck_at IS NULL AND a.struck_at IS NULL AND b.struck_at IS NULL AND c.struck_at IS NULL
     GROUP BY t.stock_id, t.kind, t.amount < 0 ORDER BY t.stock_id, t.kind`,
    [...ids],
  );
  for (const { stockId, ...sum } of found) went.get(stockId)!.push({ ...sum, struck: false });
  return went;
}

/** Stock lots with something left, or those used up, the newest first, a page after another. */
export async function listStock(
  pool: Pool,
  kitchen: { id: string; timeZone: string },
  query: z.output<typeof StockListQuery>,
): Promise<StockView[]> {
  await countStock(pool, kitchen.id);
  const { used, before, limit } = query;
  const [last] =
    before === undefined
      ? []
      : await rows<{ got_on: string; number: number }>(
          pool,
          'SELECT got_on, number FROM stock_lot WHERE kitchen_id = ? AND id = ?',
          [kitchen.id, before],
        );
  if (before !== undefined && !last) return [];
  const after = last ? 'AND s.got_on <= ? AND (s.got_on < ? OR s.number < ?)' : '';
  // What is in stock is found by what is left of it, what is used up by its day: each where there is least to read.
  const joined =
    used === 'up'
      ? 'stock_lot s FORCE INDEX (stock_got_on) STRAIGHT_JOIN stock_standing c ON c.stock_id = s.id AND c.left_amount <= ?'
      : 'stock_standing c STRAIGHT_JOIN stock_lot s ON s.id = c.stock_id AND c.kitchen_id = s.kitchen_id AND c.left_amount > ?';
  const page = await rows<{ id: string }>(
    pool,
    `SELECT s.id FROM ${joined} WHERE s.kitchen_id = ? AND c.kitchen_id = ? ${after} ORDER BY s.got_on DESC, s.number DESC LIMIT ${limit}`,
    [NOTHING, kitchen.id, kitchen.id, ...(last ? [last.got_on, last.got_on, last.number] : [])],
  );
  if (page.length === 0) return [];
  const ids = page.map((row) => row.id);
  const found = await read(
    pool,
    KEPT,
    `${STOCK} WHERE s.id IN (${marks(ids)}) ORDER BY s.got_on DESC, s.number DESC`,
    ids,
  );
  const went = await wentOf(
    pool,
    found.map((row) => row.id),
  );
  const nameOf = await namesOf(pool, kitchen.id);
  const today = dayOf(new Date().toISOString(), kitchen.timeZone);
  const held = await heldStock(pool, kitchen.id);
  return found.map((row) => stockFrom(row, nameOf(row), went.get(row.id)!, { today, held }));
}

/** One stock lot by id or by what is written on its bag; null where there is none. */
export async function readStock(
  db: Database,
  kitchen: { id: string; timeZone: string },
  idOrCode: string,
): Promise<StockHistory | null> {
  const number = /^S(\d{1,9})$/i.exec(idOrCode)?.[1];
  const [found] = await rows<{ id: string }>(
    db,
    `SELECT id FROM stock_lot WHERE kitchen_id = ? AND ${number ? 'number' : 'id'} = ?`,
    [kitchen.id, number ?? idOrCode],
  );
  if (!found) return null;
  const today = dayOf(new Date().toISOString(), kitchen.timeZone);
  return (await stockOf(db, kitchen.id, today, { ids: [found.id] }))[0] ?? null;
}

/** Stock lots with a date within the next week: few, so Today asks for these alone. */
export async function perishable(
  db: Database,
  kitchen: { id: string; timeZone: string },
  now: string,
): Promise<StockView[]> {
  const found = await rows<{ id: string }>(
    db,
    'SELECT id FROM stock_lot WHERE kitchen_id = ? AND best_by BETWEEN DATE(?) - INTERVAL 1 DAY AND DATE(?) + INTERVAL 7 DAY',
    [kitchen.id, toSql(now), toSql(now)],
  );
  return stockOf(db, kitchen.id, dayOf(now, kitchen.timeZone), { ids: found.map((row) => row.id) });
}
