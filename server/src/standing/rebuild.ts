import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { Pool } from 'mysql2/promise';
import { type Database, rows, run } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { canonicalJson } from '../journal/append.ts';
import { KEPT_KITCHEN, KITCHEN_COLUMNS, kitchenFrom } from '../kitchen/store.ts';
import { readableByIds } from '../lot/store.ts';
import { bringUpToDate, deriveLot, settingsOf, shapesOf } from './derive.ts';
import { countStock, faultyStock } from './stock.ts';

const PAGE = 100;

/** Every kitchen of a database. */
export async function kitchensOf(pool: Database): Promise<Kitchen[]> {
  const found = await read(pool, KEPT_KITCHEN, `SELECT ${KITCHEN_COLUMNS} FROM kitchen k ORDER BY k.id`);
  return found.map(kitchenFrom);
}

/** Gives every lot a standing that has none, and derives whatever is older than what it rests on: for the start. */
export async function completeStandings(
  pool: Database,
  told: (left: number) => void = () => {},
): Promise<void> {
  await run(
    pool,
    `INSERT INTO lot_standing (lot_id, kitchen_id, touched)
     SELECT l.id, l.kitchen_id, 0 FROM lot l LEFT JOIN lot_standing s ON s.lot_id = l.id WHERE s.lot_id IS NULL`,
    [],
  );
  await run(
    pool,
    `INSERT INTO stock_standing (stock_id, kitchen_id, touched)
     SELECT l.id, l.kitchen_id, 0 FROM stock_lot l LEFT JOIN stock_standing s ON s.stock_id = l.id WHERE s.stock_id IS NULL`,
    [],
  );
  for (const kitchen of await kitchensOf(pool)) {
    await bringUpToDate(pool, kitchen, told);
    await countStock(pool, kitchen.id);
  }
}

/** Derives every standing anew; until then the old ones are marked as older than their records, so that nobody goes by them. */
export async function rebuildStandings(pool: Pool, told: (left: number) => void): Promise<void> {
  for (const table of ['lot_standing', 'stock_standing'])
    await run(pool, `UPDATE ${table} SET sequence = -1`, []);
  await completeStandings(pool, told);
}

interface Kept {
  lot_id: string;
  settings: string;
  content: string | null;
  past: string | null;
}

/** Standings that are not what their lots come to; one that waits to be derived anew is not judged. At most `most` are named. */
export async function faultyStandings(pool: Pool, most: number): Promise<string[]> {
  const faults: string[] = [];
  for (const kitchen of await kitchensOf(pool)) {
    const settings = settingsOf(kitchen);
    const shapes = await shapesOf(pool, kitchen);
    for (let after = '', full = true; full && faults.length < most; ) {
      const kept = await rows<Kept>(
        pool,
        `SELECT lot_id, settings, content, past FROM lot_standing WHERE kitchen_id = ? AND stale = 0 AND broken IS NULL AND lot_id > ?
         ORDER BY lot_id LIMIT ${PAGE}`,
        [kitchen.id, after],
      );
      full = kept.length === PAGE;
      after = kept.at(-1)?.lot_id ?? after;
      const own = new Map(kept.filter((row) => row.settings === settings).map((row) => [row.lot_id, row]));
      for (const lot of (await readableByIds(pool, kitchen, [...own.keys()])).lots) {
        const { content, past } = own.get(lot.id)!;
        const derived = deriveLot(lot, kitchen, shapes);
        const stored = [content, past].map((text) => JSON.parse(text ?? 'null') as unknown);
        if (canonicalJson(stored) !== canonicalJson([derived.standing, derived.past]))
          faults.push(
            `the summary of lot ${lot.code} is not what its record comes to. Run: npm run verify -- --rebuild`,
          );
      }
    }
  }
  return [...faults, ...(await faultyStock(pool, most))].slice(0, most);
}
