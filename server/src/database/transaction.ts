import { setTimeout as sleep } from 'node:timers/promises';
import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import type { Database } from './pool.ts';

/** What two writers at once come to: on one machine a deadlock, on a cluster a commit that another node's came before. */
export const CONTENDED: ReadonlySet<string> = new Set([
  ...['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT'],
  // The savepoint that a transaction was begun with is gone: it was undone on the way.
  'ER_SP_DOES_NOT_EXIST',
]);
const TRIES = 10;
/** A longer and longer wait, and never the same as that of the other. */
const waitOf = (attempt: number): number => Math.random() * Math.min(640, 20 * 2 ** attempt);

export const errorCode = (error: unknown): string | undefined => (error as { code?: string }).code;

/** Whether a write failed because its id is already that of something else. */
export const isTakenId = (error: unknown): boolean =>
  errorCode(error) === 'ER_DUP_ENTRY' && /'(?:\w+\.)?PRIMARY'/.test((error as Error).message);

/**
 * Whether a transaction that failed may come through when it is tried again. On a cluster a transaction that another node's commit overtook may
 * meet the number that was taken meanwhile before it hears that it was overtaken; a key that is taken indeed is so at each try.
 */
function mayComeThrough(error: unknown, cluster: boolean): boolean {
  const code = errorCode(error) ?? '';
  return CONTENDED.has(code) || (cluster && code === 'ER_DUP_ENTRY');
}

const clusters = new WeakMap<Pool, Promise<boolean>>();

/** Whether a database is one of several nodes that hold it together; asked once. */
function isCluster(pool: Pool): Promise<boolean> {
  const known = clusters.get(pool);
  if (known) return known;
  const asked = pool.query<RowDataPacket[]>('SELECT @@GLOBAL.wsrep_on AS wsrep').then(
    ([[row]]) => Number(row?.wsrep) === 1,
    (error) => {
      // A MariaDB that knows no clusters has no such variable; one that is away is asked again.
      if (errorCode(error) === 'ER_UNKNOWN_SYSTEM_VARIABLE') return false;
      clusters.delete(pool);
      throw error;
    },
  );
  clusters.set(pool, asked);
  return asked;
}

/**
 * How a transaction is begun and ended. On a cluster another node's commit may undo one between two of its statements, and the next statement
 * does not always hear of it: nothing after that may be committed by itself, and before the end it is asked whether what was begun still stands.
 */
const TURNS = {
  alone: { begin: ['START TRANSACTION'], commit: ['COMMIT'], after: [] },
  cluster: {
    begin: ['SET autocommit = 0', 'START TRANSACTION', 'SAVEPOINT begun'],
    commit: ['RELEASE SAVEPOINT begun', 'COMMIT'],
    after: ['SET autocommit = 1'],
  },
} as const;

/** A statement with its values. */
interface Statement {
  sql: string;
  values: readonly (string | number | boolean | null)[];
}

/** What transactions write last of all. */
const endings = new WeakMap<object, Statement[]>();

/** Leaves a statement for the end of a transaction: what nothing in it reads goes to the database together with the commit. */
export function atEnd(tx: Database, sql: string, values: Statement['values']): void {
  const ending = endings.get(tx);
  if (!ending) throw new Error('Only a transaction has an end to leave something for.');
  ending.push({ sql, values });
}

/** Writes what was left for the end, and commits: in one message, since others wait for the lock meanwhile. */
async function finish(tx: PoolConnection, commit: readonly string[], cluster: boolean): Promise<void> {
  const ending = endings.get(tx) ?? [];
  if (ending.length === 0) return each(tx, commit);
  // On a cluster each statement may hear that another node's commit came before.
  if (cluster) {
    for (const { sql, values } of ending) await tx.query(sql, [...values]);
    return each(tx, commit);
  }
  const whole = [...ending.map(({ sql }) => sql), ...commit].map((sql) => `${sql};`).join(' ');
  await tx.query(
    `BEGIN NOT ATOMIC ${whole} END`,
    ending.flatMap(({ values }) => [...values]),
  );
}

async function each(tx: PoolConnection, statements: readonly string[]): Promise<void> {
  for (const statement of statements) await tx.query(statement);
}

/** Runs the work in one transaction, all or nothing; a deadlock is tried again, up to so many times in all. */
export async function inTransaction<T>(
  pool: Pool,
  work: (tx: PoolConnection) => Promise<T>,
  tries = TRIES,
): Promise<T> {
  const cluster = await isCluster(pool);
  const { begin, commit, after } = TURNS[cluster ? 'cluster' : 'alone'];
  for (let attempt = 1; ; attempt++) {
    const tx = await pool.getConnection();
    try {
      await each(tx, begin);
      endings.set(tx, []);
      const result = await work(tx);
      await finish(tx, commit, cluster);
      await each(tx, after);
      tx.release();
      return result;
    } catch (error) {
      await each(tx, ['ROLLBACK', ...after]).then(
        () => tx.release(),
        () => tx.destroy(),
      );
      if (attempt >= tries || !mayComeThrough(error, cluster)) throw error;
      await sleep(waitOf(attempt));
    }
  }
}
