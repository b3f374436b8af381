import type { SOURCES } from '@inch/contract/kitchen/sourceHold';
import { type Database, marks, rows } from '../database/pool.ts';

/** Something that lots are made with. */
export interface Source {
  noun: (typeof SOURCES)[number];
  subjectId: string;
}

type Ids = readonly string[];

const idsOf = async (db: Database, sql: string, values: Ids): Promise<string[]> =>
  (await rows<{ id: string }>(db, sql, [...values])).map((row) => row.id);

/** Stock lots that are of one batch with some: of the same supplier and batch, or divided from each other. */
export async function sameBatch(db: Database, kitchenId: string, stockIds: Ids): Promise<Set<string>> {
  const found = new Set(stockIds);
  for (let last: Ids = stockIds; last.length > 0; ) {
    const near = await idsOf(
      db,
      `SELECT DISTINCT s.id FROM stock_lot o JOIN stock_lot s ON s.kitchen_id = o.kitchen_id AND s.id <> o.id AND
         (s.divided_from = o.id OR o.divided_from = s.id OR
          (s.thing = o.thing AND s.supplier = o.supplier AND s.batch = o.batch AND s.batch <> ''))
       WHERE o.kitchen_id = ? AND o.id IN (${marks(last)})`,
      [kitchenId, ...last],
    );
    last = near.filter((id) => !found.has(id));
    for (const id of last) found.add(id);
  }
  return found;
}

/** What was taken of stock and not struck since. */
const TAKEN = `stock_taking t LEFT JOIN addition a ON a.id = t.addition_id LEFT JOIN bottling b ON b.id = t.bottling_id`;
const NOT_STRUCK =
  'a.struck_at IS NULL AND b.struck_at IS NULL AND t.print_id IS NULL AND t.lot_id IS NOT NULL';

const lotsWithStock = (db: Database, stockIds: Ids): Promise<string[]> =>
  stockIds.length === 0
    ? Promise.resolve([])
    : idsOf(
        db,
        `SELECT DISTINCT t.lot_id AS id FROM ${TAKEN} WHERE t.stock_id IN (${marks(stockIds)}) AND ${NOT_STRUCK}`,
        stockIds,
      );

const NAMED: Readonly<
  Record<Exclude<Source['noun'], 'stock'>, readonly { table: string; column: string }[]>
> = {
  instrument: [
    { table: 'reading', column: 'instrument_id' },
    { table: 'bottling', column: 'instrument_id' },
  ],
  vessel: [{ table: 'placing', column: 'vessel_id' }],
  process: [
    { table: 'heat_process', column: 'process_id' },
    { table: 'canner_load', column: 'process_id' },
  ],
};

/** Lots that some source went straight into. */
async function lotsWith(db: Database, kitchenId: string, { noun, subjectId }: Source): Promise<string[]> {
  if (noun === 'stock') return lotsWithStock(db, [...(await sameBatch(db, kitchenId, [subjectId]))]);
  const found: string[] = [];
  for (const { table, column } of NAMED[noun])
    found.push(
      ...(await idsOf(
        db,
        `SELECT DISTINCT r.lot_id AS id FROM ${table} r JOIN lot l ON l.id = r.lot_id WHERE l.kitchen_id = ? AND r.${column} = ?`,
        [kitchenId, subjectId],
      )),
    );
  return [...new Set(found)];
}

/** Lots that were made with by-products of some lots, of any depth; those themselves are not among them. */
export async function madeFrom(db: Database, kitchenId: string, lotIds: Ids): Promise<string[]> {
  const seen = new Set(lotIds);
  const found: string[] = [];
  for (let last: Ids = lotIds; last.length > 0; ) {
    const left = await idsOf(db, `SELECT id FROM stock_lot WHERE left_by IN (${marks(last)})`, last);
    const next = await lotsWithStock(db, [...(await sameBatch(db, kitchenId, left))]);
    last = next.filter((id) => !seen.has(id));
    for (const id of last) {
      seen.add(id);
      found.push(id);
    }
  }
  return found;
}

/** Every lot that a source went into, however far. */
export async function reachOf(db: Database, kitchenId: string, source: Source): Promise<string[]> {
  const direct = await lotsWith(db, kitchenId, source);
  return [...direct, ...(await madeFrom(db, kitchenId, direct))];
}

/** Codes of some lots, in their order. */
export const codesOf = async (db: Database, lotIds: Ids): Promise<string[]> =>
  lotIds.length === 0
    ? []
    : (
        await rows<{ code: string }>(
          db,
          `SELECT code FROM lot WHERE id IN (${marks(lotIds)}) ORDER BY begun_at, code`,
          [...lotIds],
        )
      ).map((row) => row.code);

interface HoldRow {
  id: string;
  noun: Source['noun'];
  subject_id: string;
  name: string;
  recalled: number;
  why: string;
}

/** Holds of a kitchen's sources that stand. */
export const standingHolds = (db: Database, kitchenId: string): Promise<HoldRow[]> =>
  rows<HoldRow>(
    db,
    'SELECT id, noun, subject_id, name, recalled, why FROM source_hold WHERE kitchen_id = ? AND lifted_at IS NULL ORDER BY at, id',
    [kitchenId],
  );

/** Sources of a kitchen that are held, each with the lots that it went into. */
export async function heldSources(db: Database, kitchenId: string) {
  const held = [];
  for (const { id, noun, subject_id, name, recalled, why } of await standingHolds(db, kitchenId)) {
    const lots = await codesOf(db, await reachOf(db, kitchenId, { noun, subjectId: subject_id }));
    held.push({ id, name, recalled: recalled === 1, why, lots });
  }
  return held;
}

/** Stock lots that are held, each with why: those of one batch with what is held are held with it. */
export async function heldStock(db: Database, kitchenId: string): Promise<Map<string, string>> {
  const held = new Map<string, string>();
  for (const hold of (await standingHolds(db, kitchenId)).filter((h) => h.noun === 'stock'))
    for (const id of await sameBatch(db, kitchenId, [hold.subject_id]))
      held.set(id, `it is ${hold.recalled ? 'called back' : 'held'}: ${hold.why}`);
  return held;
}

interface FromRow {
  stock_id: string;
  left_by: string | null;
  divided_from: string | null;
}

/** Lots that a lot was made from by their by-products, of any depth, and the stock that went into it or into them. */
async function madeOf(db: Database, lotId: string): Promise<{ lots: string[]; stock: Set<string> }> {
  const lots = new Set([lotId]);
  const stock = new Set<string>();
  for (let last: Ids = [lotId]; last.length > 0; ) {
    let from = await rows<FromRow>(
      db,
      `SELECT DISTINCT s.id AS stock_id, s.left_by, s.divided_from FROM ${TAKEN} JOIN stock_lot s ON s.id = t.stock_id
       WHERE t.lot_id IN (${marks(last)}) AND ${NOT_STRUCK}`,
      [...last],
    );
    const next: string[] = [];
    while (from.length > 0) {
      for (const s of from) {
        stock.add(s.stock_id);
        if (s.left_by !== null) next.push(s.left_by);
      }
      const up = from.flatMap((s) =>
        s.divided_from === null || stock.has(s.divided_from) ? [] : [s.divided_from],
      );
      from =
        up.length === 0
          ? []
          : await rows<FromRow>(
              db,
              `SELECT id AS stock_id, left_by, divided_from FROM stock_lot WHERE id IN (${marks(up)})`,
              up,
            );
    }
    last = [...new Set(next)].filter((id) => !lots.has(id));
    for (const id of last) lots.add(id);
  }
  lots.delete(lotId);
  return { lots: [...lots], stock };
}

const STOPPED = ['held', 'recalled', 'discarded'];

/** Why what a lot was made with stops it now: sources that are held, lots it was made from that are. Empty where nothing does. */
export async function stoppedBy(
  db: Database,
  kitchenId: string,
  lot: { id: string },
): Promise<{ code: string; why: string }[]> {
  const { lots, stock } = await madeOf(db, lot.id);
  const above =
    lots.length === 0
      ? []
      : await rows<{ code: string; state: string }>(
          db,
          `SELECT code, state FROM lot WHERE id IN (${marks(lots)}) AND state IN (${marks(STOPPED)}) ORDER BY code`,
          [...lots, ...STOPPED],
        );
  const found = above.map(({ code, state }) => ({
    code,
    why: `lot ${code}, which it was made from, is ${state}`,
  }));
  for (const hold of await standingHolds(db, kitchenId)) {
    const source = { noun: hold.noun, subjectId: hold.subject_id };
    const touched =
      hold.noun === 'stock'
        ? [...(await sameBatch(db, kitchenId, [hold.subject_id]))].some((id) => stock.has(id))
        : (await lotsWith(db, kitchenId, source)).some((id) => id === lot.id || lots.includes(id));
    if (touched)
      found.push({
        code: hold.name,
        why: `${hold.name} is ${hold.recalled ? 'called back' : 'held'}: ${hold.why}`,
      });
  }
  return found;
}
