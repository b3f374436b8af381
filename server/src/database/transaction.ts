import { setTimeout as sleep } from 'node:timers/promises';
import type { Pool, PoolConnection } from 'mysql2/promise';

/** What two writers at once come to: on one machine a deadlock, on a cluster a commit that another node's came before. */
export const CONTENDED: ReadonlySet<string> = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT']);
const TRIES = 10;
/** A longer and longer wait, and never the same as that of the other. */
const waitOf = (attempt: number): number => Math.random() * Math.min(640, 20 * 2 ** attempt);

export const errorCode = (error: unknown): string | undefined => (error as { code?: string }).code;

/** Whether a write failed because its id is already that of something else. */
export const isTakenId = (error: unknown): boolean =>
  errorCode(error) === 'ER_DUP_ENTRY' && /'(?:\w+\.)?PRIMARY'/.test((error as Error).message);

/** How often a key that is taken is looked at again. */
const LOOKS = 3;

/**
 * Whether a transaction that failed may come through when it is tried again. On a cluster a transaction that another node's commit overtook may
 * meet the number that was taken meanwhile before it hears that it was overtaken; a key that is taken indeed is so at each try.
 */
function mayComeThrough(error: unknown, attempt: number): boolean {
  const code = errorCode(error) ?? '';
  return CONTENDED.has(code) ? attempt < TRIES : code === 'ER_DUP_ENTRY' && attempt < LOOKS;
}

/** Runs the work in one transaction, all or nothing; a deadlock is tried again. */
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
      if (!mayComeThrough(error, attempt)) throw error;
      await sleep(waitOf(attempt));
    }
  }
}
