import { setTimeout as sleep } from 'node:timers/promises';
import { CONTENDED, errorCode } from './transaction.ts';

/** How long a node of a cluster may take to come into step with the others, before a server that starts gives up. */
const MOST_MS = 180_000;
const PAUSE_MS = 1000;

/**
 * Whether a database answered that cannot be read yet: a node that joins its cluster, or waits for what the others committed, says so as a
 * command it does not know, as a lock it waited for too long, or by closing the connection.
 */
export function isOutOfStep(error: unknown): boolean {
  const code = errorCode(error) ?? '';
  return (
    CONTENDED.has(code) ||
    ['ER_UNKNOWN_COM_ERROR', 'ECONNRESET'].includes(code) ||
    code.startsWith('PROTOCOL_')
  );
}

/**
 * Asks a database until it is in step with its cluster.
 * @throws what it said, where that does not pass by itself or has not passed in three minutes
 */
export async function onceInStep<T>(ask: () => Promise<T>): Promise<T> {
  for (const end = Date.now() + MOST_MS; ; await sleep(PAUSE_MS)) {
    try {
      return await ask();
    } catch (error) {
      if (!isOutOfStep(error) || Date.now() > end) throw error;
    }
  }
}
