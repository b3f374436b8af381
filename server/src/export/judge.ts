import type { Manifest } from '@inch/contract/kitchen/export';
import { type Database, rows } from '../database/pool.ts';
import { NOTHING } from '../standing/stock.ts';

/** Lots whose state is not what was decided of them last. */
const WRONG_STATES = `SELECT l.code FROM lot l LEFT JOIN (SELECT lot_id, MAX(recorded_at) AS at FROM decision GROUP BY lot_id) m ON m.lot_id = l.id
  WHERE IF(m.at IS NULL, l.state <> 'making', NOT EXISTS (
    SELECT 1 FROM decision d WHERE d.lot_id = l.id AND d.recorded_at = m.at AND d.\`to\` = l.state)) LIMIT 5`;

/**
 * What of a record cannot be: lots that cannot be read, states that were never decided, stock and bottles under zero, nobody
 * who owns it. Release checks are not asked here: every sale and every gift asks all of them again.
 */
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
  const owners = await rows<{ id: string }>(
    db,
    "SELECT id FROM account WHERE role = 'owner' AND disabled_at IS NULL LIMIT 1",
  );
  return [
    ...(owners.length === 0 ? ['Nobody in it owns the kitchen.'] : []),
    ...broken
      .filter(({ code }) => !leftOut.includes(code))
      .map(({ code, broken: why }) => `Lot ${code} cannot be read: ${why}.`),
    ...states.map(({ code }) => `Lot ${code} is in a state that was never decided.`),
    ...bottles.map(({ code }) => `More bottles left lot ${code} than were filled.`),
    ...stock.map(({ number }) => `More was taken of stock lot ${number} than came.`),
  ];
}
