import type { Pool } from 'mysql2/promise';
import type { Logger } from 'pino';
import { othersFirst } from '../database/othersFirst.ts';
import { rows } from '../database/pool.ts';
import { deriveOlder, STANDING_COLUMNS, type StandingRow, settingsOf } from './derive.ts';
import { kitchensOf } from './rebuild.ts';

const AT_ONCE = 5;

/**
 * Derives anew, a few at a time while people work, every standing that another build of the program or other settings derived. What is read before its
 * turn comes is derived as it is read. One server does it for all.
 */
export async function deriveAnew(pool: Pool, log: Logger): Promise<void> {
  const lock = await pool.getConnection();
  try {
    const [[got]] = (await lock.query("SELECT GET_LOCK('inch derive anew', 0) AS got")) as unknown as [
      [{ got: number }],
    ];
    if (Number(got.got) !== 1) return;
    let derived = 0;
    for (const kitchen of await kitchensOf(pool)) {
      const now = settingsOf(kitchen);
      for (let after = '', full = true; full; ) {
        const older = await rows<StandingRow>(
          pool,
          `SELECT ${STANDING_COLUMNS} FROM lot_standing s WHERE s.kitchen_id = ? AND s.lot_id > ? AND s.settings <> ? ORDER BY s.lot_id LIMIT ${AT_ONCE}`,
          [kitchen.id, after, now],
        );
        full = older.length === AT_ONCE;
        after = older.at(-1)?.lot_id ?? after;
        derived += older.length;
        await deriveOlder(pool, kitchen, older);
        await othersFirst();
      }
    }
    if (derived > 0) log.info({ derived }, 'the summaries of all lots are those of this version');
  } finally {
    await lock.query("SELECT RELEASE_LOCK('inch derive anew')").catch(() => {});
    lock.release();
  }
}
