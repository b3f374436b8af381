import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { SiblingPage } from '@inch/contract/making/ageing';
import { dayOf } from '@inch/core/calendar';
import { standing } from '@inch/core/lot';
import { type Database, fromSql, marks, rows, toSql } from '../database/pool.ts';
import type { StoredLot } from './store.ts';

const DAY = 86_400_000;

/** Stock lots that other lots took of as well, by the lot. */
async function byStock(db: Database, kitchen: Kitchen, lot: StoredLot): Promise<[string, string][]> {
  const found = await rows<{ id: string; number: number }>(
    db,
    `SELECT STRAIGHT_JOIN DISTINCT o.lot_id AS id, s.number FROM stock_taking m JOIN addition i ON i.id = m.addition_id
     JOIN stock_lot s ON s.id = m.stock_id JOIN stock_taking o ON o.stock_id = m.stock_id JOIN addition a ON a.id = o.addition_id
     WHERE m.lot_id = ? AND i.struck_at IS NULL AND a.struck_at IS NULL AND o.lot_id <> m.lot_id AND s.kitchen_id = ? ORDER BY s.number`,
    [lot.id, kitchen.id],
  );
  return found.map(({ id, number }) => [id, `stock S${number}`]);
}

/** Lots that were filled on a day on which this one was. */
async function byDay(db: Database, kitchen: Kitchen, lot: StoredLot): Promise<[string, string][]> {
  const days = new Map(standing(lot.bottlings).map((b) => [dayOf(b.at, lot.timeZone), Date.parse(b.at)]));
  const found: [string, string][] = [];
  for (const [day, around] of days) {
    const filled = await rows<{ id: string; at: string }>(
      db,
      `SELECT b.lot_id AS id, b.at FROM bottling b JOIN lot l ON l.id = b.lot_id
       WHERE b.at BETWEEN ? AND ? AND b.struck_at IS NULL AND l.kitchen_id = ? AND l.id <> ?`,
      [...[-DAY, DAY].map((ms) => toSql(new Date(around + ms).toISOString())), kitchen.id, lot.id],
    );
    for (const { id, at } of filled)
      if (dayOf(fromSql(at), lot.timeZone) === day) found.push([id, 'filled that day']);
  }
  return found;
}

/** What each other lot shares with one, in words, by its id: what is wrong with one may be wrong with them. */
async function sharedWith(db: Database, kitchen: Kitchen, lot: StoredLot): Promise<Map<string, string>> {
  const shared = new Map<string, Set<string>>();
  for (const [id, by] of [...(await byStock(db, kitchen, lot)), ...(await byDay(db, kitchen, lot))])
    shared.set(id, (shared.get(id) ?? new Set()).add(by));
  return new Map([...shared].map(([id, by]) => [id, [...by].join(', ')]));
}

/** A page of the lots that took of the same stock lots, or were filled on the same day, the newest first. */
export async function siblingsOf(
  db: Database,
  kitchen: Kitchen,
  lot: StoredLot,
  { before, limit = 50 }: { before?: string | undefined; limit?: number } = {},
): Promise<SiblingPage> {
  const shared = await sharedWith(db, kitchen, lot);
  const ids = [...shared.keys()]
    .sort()
    .reverse()
    .filter((id) => before === undefined || id < before);
  const page = ids.slice(0, limit);
  if (page.length === 0) return { siblings: [], total: shared.size, next: null };
  const found = await rows<{ id: string; code: string; name: string }>(
    db,
    `SELECT l.id, l.code, v.name FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.id IN (${marks(page)})`,
    page,
  );
  const byId = new Map(found.map((row) => [row.id, row]));
  return {
    siblings: page.map((id) => {
      const { code, name } = byId.get(id)!;
      return { code, name, by: shared.get(id)! };
    }),
    total: shared.size,
    next: ids.length > page.length ? page.at(-1)! : null,
  };
}

/** Every lot that shares something with one and may have bottles in the house. */
export async function siblingsOnHand(
  db: Database,
  kitchen: Kitchen,
  lot: StoredLot,
): Promise<{ id: string; code: string; by: string }[]> {
  const shared = await sharedWith(db, kitchen, lot);
  if (shared.size === 0) return [];
  const ids = [...shared.keys()];
  const found = await rows<{ id: string; code: string }>(
    db,
    `SELECT id, code FROM lot WHERE id IN (${marks(ids)}) AND state IN ('resting', 'bottled', 'released', 'held') ORDER BY id DESC`,
    ids,
  );
  return found.map(({ id, code }) => ({ id, code, by: shared.get(id)! }));
}
