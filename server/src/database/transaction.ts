import { setTimeout as sleep } from 'node:timers/promises';
import type { Pool, PoolConnection } from 'mysql2/promise';

const RETRIED = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);

export const errorCode = (error: unknown): string | undefined => (error as { code?: string }).code;

/** Whether a write failed because its own id is already there: a retry of something already kept. */
export const isReplay = (error: unknown): boolean =>
  errorCode(error) === 'ER_DUP_ENTRY' && /'(?:\w+\.)?PRIMARY'/.test((error as Error).message);

/** A retry of a write already kept answers as the first did, even where something else would refuse it by now. */
export async function once(
  pool: Pool,
  table: string,
  id: string,
  work: () => Promise<{ id: string }>,
): Promise<{ id: string }> {
  try {
    return await work();
  } catch (error) {
    if (isReplay(error)) return { id };
    const refused = typeof (error as { status?: unknown }).status === 'number';
    if (!refused) throw error;
    const [kept] = await pool.query(`SELECT id FROM ${table} WHERE id = ?`, [id]);
    if ((kept as unknown[]).length > 0) return { id };
    throw error;
  }
}

/** Runs the work in one transaction, all or nothing; a deadlock is tried again a few times. */
export async function inTransaction<T>(pool: Pool, work: (tx: PoolConnection) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    const tx = await pool.getConnection();
    try {
      await tx.query('START TRANSACTION');
      const result = await work(tx);
      await tx.query('COMMIT');
      tx.release();
      return result;
    } catch (error) {
      await tx.query('ROLLBACK').then(
        () => tx.release(),
        () => tx.destroy(),
      );
      if (attempt >= 4 || !RETRIED.has(errorCode(error) ?? '')) throw error;
      await sleep(10 * attempt);
    }
  }
}
