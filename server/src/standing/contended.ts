import { errorCode } from '../database/transaction.ts';

const CONTENDED = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD']);

/** Writes into a cache unless somebody writes there now: what is not written stays older than its record, and is derived again. */
export async function unlessContended(write: () => Promise<void>): Promise<void> {
  try {
    await write();
  } catch (error) {
    if (!CONTENDED.has(errorCode(error) ?? '')) throw error;
  }
}
