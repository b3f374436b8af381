import type { Kitchen } from '@inch/contract/kitchen';
import { dayOf } from '@inch/core/calendar';
import { standing } from '@inch/core/lot';
import { type Database, marks, rows, toSql } from '../database/pool.ts';
import type { StoredLot } from './store.ts';

export interface Sibling {
  code: string;
  name: string;
  by: string;
}

const DAY = 86_400_000;
const MOST = 12;

interface Found {
  code: string;
  name: string;
  by_stock: number | null;
  filled_at: string | null;
}

/** Lots that took of the same stock lots, or were filled on the same day: what is wrong with one may be wrong with them. */
export async function siblingsOf(db: Database, kitchen: Kitchen, lot: StoredLot): Promise<Sibling[]> {
  const filled = standing(lot.bottlings)[0];
  const day = filled ? dayOf(filled.at, lot.timeZone) : null;
  const around = filled ? Date.parse(filled.at) : 0;
  const taken = await rows<{ id: string }>(
    db,
    'SELECT DISTINCT stock_id AS id FROM stock_taking WHERE lot_id = ? AND addition_id IS NOT NULL',
    [lot.id],
  );
  const byStock =
    taken.length === 0
      ? []
      : await rows<Found>(
          db,
          `SELECT STRAIGHT_JOIN DISTINCT l.code, v.name, s.number AS by_stock, NULL AS filled_at FROM stock_taking o
           JOIN stock_lot s ON s.id = o.stock_id JOIN lot l ON l.id = o.lot_id JOIN formula_version v ON v.id = l.version_id
           WHERE o.stock_id IN (${marks(taken)}) AND o.addition_id IS NOT NULL AND l.id <> ? AND l.kitchen_id = ?
           ORDER BY l.begun_at DESC LIMIT ${MOST}`,
          [...taken.map((t) => t.id), lot.id, kitchen.id],
        );
  const byDay = filled
    ? await rows<Found>(
        db,
        `SELECT DISTINCT l.code, v.name, NULL AS by_stock, b.at AS filled_at FROM lot l JOIN bottling b ON b.lot_id = l.id JOIN formula_version v ON v.id = l.version_id
         WHERE l.kitchen_id = ? AND l.id <> ? AND b.struck_at IS NULL AND b.at BETWEEN ? AND ? ORDER BY l.code LIMIT 100`,
        [
          kitchen.id,
          lot.id,
          toSql(new Date(around - DAY).toISOString()),
          toSql(new Date(around + DAY).toISOString()),
        ],
      )
    : [];
  const sameDay = byDay.filter(
    (f) => dayOf(new Date(`${f.filled_at!.replace(' ', 'T')}Z`).toISOString(), lot.timeZone) === day,
  );
  const siblings = new Map<string, Sibling>();
  for (const { code, name, by_stock } of byStock)
    siblings.set(code, { code, name, by: siblings.get(code)?.by ?? `stock S${by_stock}` });
  for (const { code, name } of sameDay)
    siblings.set(code, {
      code,
      name,
      by: siblings.has(code) ? `${siblings.get(code)!.by}, filled that day` : 'filled that day',
    });
  return [...siblings.values()].slice(0, MOST);
}
