import { createHash } from 'node:crypto';
import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { boilRateOf, isOnHand, type LotStanding, lotStanding, lotWords } from '@inch/core/lot';
import { VesselShape } from '@inch/core/pan';
import { type PastLot, pastLot } from '@inch/core/planning';
import type { Pool } from 'mysql2/promise';
import { z } from 'zod';
import { type Database, marks, rows, run, toSql } from '../database/pool.ts';
import { read } from '../database/read.ts';
import { type Readable, readableByIds, type StoredLot } from '../lot/store.ts';
import { type Judged, judgeLot } from '../lot/view.ts';
import { judgingBuild } from './build.ts';
import { unlessContended } from './contended.ts';

/** What a standing rests on besides the record: the build that derived it, and of the kitchen's settings the words that a label takes from them, its elevation and its canner. */
export const settingsOf = ({ name, place, localStatement, elevationMetres, workshop }: Kitchen): string =>
  createHash('sha256')
    .update(
      JSON.stringify([judgingBuild(), name, place, localStatement, elevationMetres, workshop.cannerHolds]),
    )
    .digest('hex')
    .slice(0, 16);

/** Shapes of a kitchen's vessels by their ids: none of them ever changes. */
export async function shapesOf(
  db: Database,
  kitchen: Pick<Kitchen, 'id'>,
): Promise<ReadonlyMap<string, VesselShape>> {
  const found = await read(
    db,
    { id: z.string(), shape: VesselShape },
    'SELECT id, shape FROM vessel WHERE kitchen_id = ?',
    [kitchen.id],
  );
  return new Map(found.map(({ id, shape }) => [id, shape]));
}

const OVER = new Set(['resting', 'bottled', 'released', 'closed', 'held', 'recalled']);

/** All that is kept of a lot beside its record, derived from it: its standing, how fast its pan boiled off, and what it gave once it is filled. */
export function deriveLot(
  lot: StoredLot,
  kitchen: Kitchen,
  shapes: ReadonlyMap<string, VesselShape>,
): { judged: Judged; standing: LotStanding; boilRate: number | null; past: PastLot | null } {
  const judged = judgeLot(lot, kitchen);
  const shape = shapes.get(lot.placings.at(-1)?.vesselId ?? '') ?? null;
  const boilRate = rateOf(lot, shape);
  return {
    judged,
    boilRate,
    standing: lotStanding(lot, judged),
    past: OVER.has(lot.state) ? pastLot(lot, lot.cupSchool, boilRate) : null,
  };
}

/** g a minute that a lot's pan boiled off; null where its figures do not go together. */
function rateOf(lot: StoredLot, shape: VesselShape | null): number | null {
  try {
    return boilRateOf(lot, shape, lot.cupSchool);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

const AT_ONCE = 50;

/** Suppliers of the stock that went into some lots, by lot. */
async function suppliersOf(db: Database, lotIds: readonly string[]): Promise<Map<string, string[]>> {
  const found = await rows<{ lot_id: string; words: string }>(
    db,
    `SELECT STRAIGHT_JOIN DISTINCT t.lot_id, CONCAT_WS(' ', s.supplier, s.words) AS words
     FROM stock_taking t JOIN stock_lot s ON s.id = t.stock_id WHERE t.lot_id IN (${marks(lotIds)})`,
    [...lotIds],
  );
  const suppliers = new Map<string, string[]>();
  for (const { lot_id, words } of found) suppliers.set(lot_id, [...(suppliers.get(lot_id) ?? []), words]);
  return suppliers;
}

interface Stale {
  lot_id: string;
  touched: number;
}

/** How often lots are derived again that were written to while they were derived. */
const MOST_ROUNDS = 5;

/** Stores what was derived, but where the lot was written again meanwhile. */
async function store(
  db: Database,
  { lot_id, touched }: Stale,
  columns: Record<string, string | number | null>,
): Promise<void> {
  const names = Object.keys(columns);
  await run(
    db,
    `UPDATE lot_standing SET sequence = ?, ${names.map((name) => `${name} = ?`).join(', ')} WHERE lot_id = ? AND touched = ?`,
    [touched, ...Object.values(columns), lot_id, touched],
  );
}

async function storeWords(db: Database, kitchenId: string, lotId: string, words: string[]): Promise<void> {
  const had = (await rows<{ word: string }>(db, 'SELECT word FROM lot_word WHERE lot_id = ?', [lotId])).map(
    (row) => row.word,
  );
  const gone = had.filter((word) => !words.includes(word));
  const come = words.filter((word) => !had.includes(word));
  if (gone.length > 0)
    await run(db, `DELETE FROM lot_word WHERE kitchen_id = ? AND lot_id = ? AND word IN (${marks(gone)})`, [
      kitchenId,
      lotId,
      ...gone,
    ]);
  if (come.length > 0)
    await run(
      db,
      `INSERT IGNORE INTO lot_word (kitchen_id, word, lot_id) VALUES ${come.map(() => '(?, ?, ?)').join(', ')}`,
      come.flatMap((word) => [kitchenId, word, lotId]),
    );
}

/** What a lot's summary is derived from besides its record. */
interface Beside {
  shapes: ReadonlyMap<string, VesselShape>;
  suppliers: ReadonlyMap<string, string[]>;
}

async function storeStanding(
  db: Database,
  kitchen: Kitchen,
  stale: Stale,
  lot: StoredLot,
  { shapes, suppliers }: Beside,
): Promise<LotStanding> {
  const { judged, standing, boilRate, past } = deriveLot(lot, kitchen, shapes);
  const more = suppliers.get(lot.id) ?? [];
  await unlessContended(async () => {
    // Words before the standing: whatever is not stale has its words.
    await storeWords(db, kitchen.id, lot.id, lotWords(lot, { keeping: judged.keeping, more }));
    await store(db, stale, {
      settings: settingsOf(kitchen),
      code: standing.code,
      name: standing.name,
      state: standing.state,
      begun_at: toSql(standing.begunAt),
      best_by: standing.bestBy ?? '9999-12-31',
      bottles_left: standing.bottles.left,
      on_hand: isOnHand(standing) ? 1 : 0,
      content: JSON.stringify(standing),
      boil_rate: boilRate,
      past: past && JSON.stringify(past),
      broken: null,
    });
  });
  return standing;
}

/** Derives some lots anew and stores their standings. @returns those that can be read, by id */
async function derive(
  db: Database,
  kitchen: Kitchen,
  stale: readonly Stale[],
): Promise<Map<string, LotStanding>> {
  const ids = stale.map((s) => s.lot_id);
  const found: Readable = await readableByIds(db, kitchen, ids);
  const beside = { suppliers: await suppliersOf(db, ids), shapes: await shapesOf(db, kitchen) };
  const byId = new Map(stale.map((s) => [s.lot_id, s]));
  const derived = new Map<string, LotStanding>();
  for (const lot of found.lots)
    derived.set(lot.id, await storeStanding(db, kitchen, byId.get(lot.id)!, lot, beside));
  for (const lot of found.broken)
    await unlessContended(async () => {
      await storeWords(db, kitchen.id, lot.id, [lot.code.toLowerCase()]);
      await store(db, byId.get(lot.id)!, {
        code: lot.code,
        name: lot.name,
        broken: lot.why.slice(0, 500),
        content: null,
        past: null,
        on_hand: 1,
        state: lot.state,
        begun_at: toSql(lot.begunAt),
      });
    });
  return derived;
}

/**
 * Brings every standing of a kitchen up to date that is older than what it rests on. While others write on and on, those that were written
 * last may still be as of a moment before.
 * @param told hears how many are derived, before each part
 */
export async function bringUpToDate(
  pool: Database,
  kitchen: Kitchen,
  told: (count: number) => void = () => {},
): Promise<void> {
  let seen = new Set<string>();
  for (let again = 0; again < MOST_ROUNDS; ) {
    const stale = await rows<Stale>(
      pool,
      `SELECT lot_id, touched FROM lot_standing WHERE kitchen_id = ? AND stale = 1 ORDER BY lot_id LIMIT ${AT_ONCE}`,
      [kitchen.id],
    );
    if (stale.length === 0) return;
    told(stale.length);
    await derive(pool, kitchen, stale);
    // A round over lots that were derived a moment before is one of those that somebody writes to meanwhile.
    if (stale.every((row) => seen.has(row.lot_id))) again += 1;
    seen = new Set(stale.map((row) => row.lot_id));
  }
}

/** A standing as it is stored. */
export interface StandingRow extends Stale {
  settings: string;
  content: string | null;
  broken: string | null;
  code: string;
  name: string;
}

export const STANDING_COLUMNS = 's.lot_id, s.touched, s.settings, s.content, s.broken, s.code, s.name';

/** Derives some standings anew that rest on another build or other settings. */
export const deriveOlder = async (
  pool: Pool,
  kitchen: Kitchen,
  older: readonly StandingRow[],
): Promise<void> => {
  if (older.length > 0) await derive(pool, kitchen, older);
};

/** Standings as they were stored; those that rest on another build or on other settings of the kitchen than today's are derived anew. */
export async function standingsFrom(
  pool: Pool,
  kitchen: Kitchen,
  found: readonly StandingRow[],
): Promise<{ standings: LotStanding[]; broken: { id: string; code: string; name: string; why: string }[] }> {
  const now = settingsOf(kitchen);
  const older = found.filter((row) => row.content !== null && row.settings !== now);
  const anew = older.length > 0 ? await derive(pool, kitchen, older) : new Map<string, LotStanding>();
  return {
    standings: found.flatMap((row) =>
      row.content === null ? [] : [anew.get(row.lot_id) ?? (JSON.parse(row.content) as LotStanding)],
    ),
    broken: found.flatMap((row) =>
      row.broken === null ? [] : [{ id: row.lot_id, code: row.code, name: row.name, why: row.broken }],
    ),
  };
}
