import { AsyncResource } from 'node:async_hooks';
import type { Pool } from 'mysql2/promise';
import { errorCode } from '../database/transaction.ts';
import { type Work, type Writer, type Writing, writeAll } from './writing.ts';

interface Waiting extends Work<unknown> {
  resolve: (result: unknown) => void;
  reject: (error: unknown) => void;
}

/** So many writes share a transaction at most. */
const MOST = 16;

const queues = new WeakMap<Pool, Map<string, Waiting[]>>();

/** Writes by itself: what refuses it is its own. */
const alone = (pool: Pool, kitchenId: string, one: Waiting): Promise<void> =>
  writeAll(pool, kitchenId, () => [one]).then(([result]) => one.resolve(result), one.reject);

/**
 * Writes what has gathered when the kitchen's lock is had, in one transaction. What one of them is refused for undoes them all, and each is
 * then written by itself. @param leaving called where the next ones may ask for the lock
 */
async function write(pool: Pool, kitchenId: string, queue: Waiting[], leaving: () => void): Promise<void> {
  let some: Waiting[] = [];
  const taken = () => {
    some = queue.splice(0, MOST);
    return some;
  };
  try {
    const results = await writeAll(pool, kitchenId, taken, { leaving, tries: 1 });
    for (const [i, one] of some.entries()) one.resolve(results[i]);
  } catch (error) {
    const all = some.length > 0 ? some : taken();
    // What a single one is refused for is its own already; what the database says may come through at another try.
    if (all.length === 1 && errorCode(error) === undefined) all[0]!.reject(error);
    else for (const one of all) await alone(pool, kitchenId, one);
  }
}

/** Writes what waits, as much as has gathered at once. The next ones ask for the lock while the last ones commit, and have it where it is given up. */
async function drain(pool: Pool, kitchenId: string, queues: Map<string, Waiting[]>): Promise<void> {
  const queue = queues.get(kitchenId)!;
  while (queue.length > 0)
    await new Promise<void>((next) => void write(pool, kitchenId, queue, next).then(next));
  // At once: nothing may join a queue that nobody empties any more.
  queues.delete(kitchenId);
}

/**
 * A write of a kitchen in one transaction with those that came while another was under way: many tablets that write readings wait for one
 * commit instead of for each other's. Only for work that reads nothing of what transactions leave for their end.
 * @param gathers whether it reads nothing of what the others insert either
 */
export function inWritingTogether<T>(
  pool: Pool,
  writer: Writer,
  work: (w: Writing) => Promise<T>,
  gathers: boolean,
): Promise<T> {
  const { kitchen } = writer;
  const own = queues.get(pool) ?? new Map<string, Waiting[]>();
  queues.set(pool, own);
  // It is done on another's turn, and keeps what was known of its own caller.
  const caller = new AsyncResource('write');
  return new Promise<T>((resolve, reject) => {
    const one: Waiting = {
      ...writer,
      gathers,
      reject,
      resolve: resolve as Waiting['resolve'],
      work: (w) => caller.runInAsyncScope(work, undefined, w),
    };
    const queue = own.get(kitchen.id);
    if (queue) queue.push(one);
    else {
      own.set(kitchen.id, [one]);
      void drain(pool, kitchen.id, own);
    }
  });
}
