import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import type { LotListQuery, LotPage } from '@inch/contract/making/lot';
import { type LotStanding, wordsOf } from '@inch/core/lot';
import type { Pool } from 'mysql2/promise';
import { marks, rows } from '../database/pool.ts';
import { bringUpToDate, STANDING_COLUMNS, type StandingRow, standingsFrom } from './derive.ts';

/** Columns that lists are in the order of; the lot's id decides between equals. */
const ORDERS = {
  newest: { column: 'begun_at', direction: 'DESC' },
  oldest: { column: 'begun_at', direction: 'ASC' },
  name: { column: 'name', direction: 'ASC' },
  'best-by': { column: 'best_by', direction: 'ASC' },
} as const;

interface Condition {
  sql: string;
  values: (string | number)[];
}

/** Found words that are as rare as this are joined from; what is more common is looked up lot by lot, in the order of the list. */
const RARE = 400;

/** Lots that have a word which begins so; null where there are too many to name. */
async function lotsWithWord(pool: Pool, kitchenId: string, word: string): Promise<string[] | null> {
  const found = await rows<{ lot_id: string }>(
    pool,
    `SELECT DISTINCT lot_id FROM lot_word WHERE kitchen_id = ? AND word LIKE ? LIMIT ${RARE + 1}`,
    [kitchenId, `${word}%`],
  );
  return found.length > RARE ? null : found.map((row) => row.lot_id);
}

/** Lots that have every word that is looked for, each from its beginning. */
async function wordsCondition(pool: Pool, kitchenId: string, q: string): Promise<Condition[]> {
  const words = wordsOf(q);
  if (words.length === 0) return [];
  const found = await Promise.all(words.map((word) => lotsWithWord(pool, kitchenId, word)));
  const named = found.filter((ids) => ids !== null);
  const conditions: Condition[] = words
    .filter((_, i) => found[i] === null)
    .map((word) => ({
      // One of them is enough: as a scalar it is asked of a lot when its turn in the order comes.
      sql: '(SELECT 1 FROM lot_word w WHERE w.lot_id = s.lot_id AND w.kitchen_id = s.kitchen_id AND w.word LIKE ? LIMIT 1) = 1',
      values: [`${word}%`],
    }));
  if (named.length > 0) {
    const [first, ...others] = named;
    const ids = first!.filter((id) => others.every((other) => other.includes(id)));
    conditions.push(
      ids.length === 0 ? { sql: 'FALSE', values: [] } : { sql: `s.lot_id IN (${marks(ids)})`, values: ids },
    );
  }
  return conditions;
}

/** What comes after the last lot of the page before. */
async function afterCondition(pool: Pool, kitchen: Kitchen, query: LotListQuery): Promise<Condition[]> {
  if (query.before === undefined) return [];
  const { column, direction } = ORDERS[query.sort];
  const [last] = await rows<{ at: string }>(
    pool,
    `SELECT CAST(${column} AS CHAR) AS at FROM lot_standing WHERE lot_id = ? AND kitchen_id = ?`,
    [query.before, kitchen.id],
  );
  if (!last) return [{ sql: 'FALSE', values: [] }];
  const past = direction === 'DESC' ? '<' : '>';
  return [
    {
      sql: `s.${column} ${past}= ? AND (s.${column} ${past} ? OR s.lot_id ${past} ?)`,
      values: [last.at, last.at, query.before],
    },
  ];
}

/** A page of a kitchen's lots by their standings: which of them, in which order, with which words. */
export async function listLots(pool: Pool, kitchen: Kitchen, query: LotListQuery): Promise<LotPage> {
  await bringUpToDate(pool, kitchen);
  const { column, direction } = ORDERS[query.sort];
  const conditions: Condition[] = [
    { sql: 's.kitchen_id = ?', values: [kitchen.id] },
    ...(query.scope === 'on-hand' ? [{ sql: 's.on_hand = 1', values: [] }] : []),
    ...(query.state === undefined ? [] : [{ sql: 's.state = ?', values: [query.state] }]),
    ...(query.q === undefined ? [] : await wordsCondition(pool, kitchen.id, query.q)),
    ...(await afterCondition(pool, kitchen, query)),
  ];
  const found = await rows<StandingRow>(
    pool,
    `SELECT ${STANDING_COLUMNS} FROM lot_standing s WHERE ${conditions.map((c) => c.sql).join(' AND ')}
     ORDER BY s.${column} ${direction}, s.lot_id ${direction} LIMIT ${query.limit}`,
    conditions.flatMap((c) => c.values),
  );
  const { standings, broken } = await standingsFrom(pool, kitchen, found);
  return { lots: standings, broken, next: found.length === query.limit ? found.at(-1)!.lot_id : null };
}

/** Released lots of which bottles stand somewhere, and those that are recalled. */
export async function releasedWithBottles(pool: Pool, kitchen: Kitchen): Promise<LotStanding[]> {
  await bringUpToDate(pool, kitchen);
  const found = await rows<StandingRow>(
    pool,
    `SELECT ${STANDING_COLUMNS} FROM lot_standing s WHERE s.kitchen_id = ? AND (s.state = 'released' AND s.bottles_left > 0 OR s.state = 'recalled') ORDER BY s.begun_at, s.lot_id`,
    [kitchen.id],
  );
  return (await standingsFrom(pool, kitchen, found)).standings;
}
