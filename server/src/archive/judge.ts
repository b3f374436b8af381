import type { Account } from '@inch/contract/account';
import type { Manifest } from '@inch/contract/archive';
import type { PoolConnection } from 'mysql2/promise';
import { type Database, rows, watchRows } from '../database/pool.ts';
import { journalRows, moveEnd, type Writing } from '../journal/writing.ts';
import { readKitchen } from '../kitchen/store.ts';
import { holdWhereShut } from '../lot/change.ts';
import { NOTHING } from '../standing/stock.ts';

/** Lots whose state is not what was decided of them last. */
const WRONG_STATES = `SELECT l.code FROM lot l LEFT JOIN (SELECT lot_id, MAX(recorded_at) AS at FROM decision GROUP BY lot_id) m ON m.lot_id = l.id
  WHERE IF(m.at IS NULL, l.state <> 'making', NOT EXISTS (
    SELECT 1 FROM decision d WHERE d.lot_id = l.id AND d.recorded_at = m.at AND d.\`to\` = l.state)) LIMIT 5`;

/** What of a record cannot be: lots that cannot be read, states that were never decided, stock and bottles under zero. */
export async function faultsOfRecord(db: Database, { leftOut }: Manifest): Promise<string[]> {
  const broken = await rows<{ code: string; broken: string }>(
    db,
    'SELECT code, broken FROM lot_standing WHERE broken IS NOT NULL ORDER BY code LIMIT 20',
  );
  const states = await rows<{ code: string }>(db, WRONG_STATES);
  const bottles = await rows<{ code: string }>(
    db,
    'SELECT code FROM lot_standing WHERE bottles_left < 0 LIMIT 5',
  );
  const stock = await rows<{ number: number }>(
    db,
    `SELECT s.number FROM stock_standing c JOIN stock_lot s ON s.id = c.stock_id WHERE c.left_amount < -${NOTHING} LIMIT 5`,
  );
  return [
    ...broken
      .filter(({ code }) => !leftOut.includes(code))
      .map(({ code, broken: why }) => `Lot ${code} cannot be read: ${why}.`),
    ...states.map(({ code }) => `Lot ${code} is in a state that was never decided.`),
    ...bottles.map(({ code }) => `More bottles left lot ${code} than were filled.`),
    ...stock.map(({ number }) => `More was taken of stock lot ${number} than came.`),
  ];
}

/** Holds each released lot whose release checks do not pass as this program asks them; what passes is left as it is. */
export async function holdWhatIsShut(tx: PoolConnection, kitchenId: string): Promise<void> {
  const [owner] = await rows<Account>(
    tx,
    "SELECT id, name, role FROM account WHERE kitchen_id = ? AND role = 'owner' ORDER BY created_at, id LIMIT 1",
    [kitchenId],
  );
  if (!owner) throw new Error('The archive has no owner.');
  const released = await rows<{ id: string }>(
    tx,
    "SELECT lot_id AS id FROM lot_standing WHERE kitchen_id = ? AND state = 'released' AND bottles_left > 0 ORDER BY lot_id",
    [kitchenId],
  );
  const [head] = await rows<{ sequence: number; hash: string }>(
    tx,
    'SELECT sequence, hash FROM journal_head WHERE kitchen_id = ?',
    [kitchenId],
  );
  const now = new Date().toISOString();
  const chain = { sequence: Number(head!.sequence), hash: head!.hash };
  const touched = watchRows(tx);
  const kitchen = await readKitchen(tx, kitchenId);
  const w: Writing = { tx, account: owner, kitchen, now, entered: { at: now, by: owner }, chain };
  for (const { id } of released) await holdWhereShut(w, id, now);
  if (touched.size === 0) return;
  await journalRows(w, touched);
  await moveEnd(tx, kitchenId, chain);
}
