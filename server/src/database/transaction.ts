import { setTimeout as sleep } from 'node:timers/promises';
import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise';
import { transactions } from './othersFirst.ts';
import { type Database, marks, query } from './pool.ts';

/** What two writers at once come to: on one machine a deadlock, on a cluster a commit that another node's came before. */
export const CONTENDED: ReadonlySet<string> = new Set([
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
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

type Value = string | number | boolean | null;

interface Statement {
  sql: string;
  values: readonly Value[];
}

const endings = new WeakMap<object, Statement[]>();

/** Leaves a statement for the end of a transaction: what nothing in it reads goes to the database together with the commit. */
export function atEnd(tx: Database, sql: string, values: Statement['values']): void {
  const ending = endings.get(tx);
  if (!ending) throw new Error('Only a transaction has an end to leave something for.');
  ending.push({ sql, values });
}

/** Leaves a row for the end of a transaction: all rows of the same columns are inserted together. @param into `INSERT INTO` with table and columns */
export function insertAtEnd(tx: Database, into: string, row: readonly Value[]): void {
  const places = `(${marks(row)})`;
  const ending = endings.get(tx);
  const same = ending?.find(({ sql }) => sql.startsWith(`${into} VALUES `));
  if (same) Object.assign(same, { sql: `${same.sql}, ${places}`, values: [...same.values, ...row] });
  else atEnd(tx, `${into} VALUES ${places}`, row);
}

/** Writes what was left for the end, and commits: in one message, since others wait for the lock meanwhile. */
async function finish(tx: PoolConnection, commit: readonly string[], cluster: boolean): Promise<void> {
  const ending = endings.get(tx) ?? [];
  if (ending.length === 0) return each(tx, commit);
  // On a cluster each statement may hear that another node's commit came before.
  if (cluster) {
    for (const { sql, values } of ending) await query(tx, sql, values);
    return each(tx, commit);
  }
  const whole = [...ending.map(({ sql }) => sql), ...commit].map((sql) => `${sql};`).join(' ');
  await query(
    tx,
    `BEGIN NOT ATOMIC ${whole} END`,
    ending.flatMap(({ values }) => [...values]),
  );
}

async function each(tx: PoolConnection, statements: readonly string[]): Promise<void> {
  for (const statement of statements) await query(tx, statement);
}

/** Begins a transaction, and asks for what it reads first of all: in one message, since every write does both. */
async function begin(
  tx: PoolConnection,
  cluster: boolean,
  first: Statement | undefined,
): Promise<RowDataPacket[]> {
  const { begin: statements } = TURNS[cluster ? 'cluster' : 'alone'];
  if (!first || cluster) await each(tx, statements);
  if (!first) return [];
  const { sql, values } = first;
  if (cluster) return query<RowDataPacket[]>(tx, sql, values);
  const found = await query<RowDataPacket[][]>(
    tx,
    `BEGIN NOT ATOMIC ${statements.join('; ')}; ${sql}; END`,
    values,
  );
  return found[0]!;
}

/** Runs the work in one transaction, all or nothing; a deadlock is tried again. @param first what it reads first of all: asked for as it begins */
export async function inTransaction<T>(
  pool: Pool,
  work: (tx: PoolConnection, first: RowDataPacket[]) => Promise<T>,
  first?: Statement,
): Promise<T> {
  transactions.underWay += 1;
  try {
    return await untilCommitted(pool, work, first);
  } finally {
    transactions.underWay -= 1;
  }
}

async function untilCommitted<T>(
  pool: Pool,
  work: (tx: PoolConnection, first: RowDataPacket[]) => Promise<T>,
  first: Statement | undefined,
): Promise<T> {
  const cluster = await isCluster(pool);
  const { commit, after } = TURNS[cluster ? 'cluster' : 'alone'];
  for (let attempt = 1; ; attempt++) {
    const tx = await pool.getConnection();
    try {
      const found = await begin(tx, cluster, first);
      endings.set(tx, []);
      const result = await work(tx, found);
      await finish(tx, commit, cluster);
      await each(tx, after);
      tx.release();
      return result;
    } catch (error) {
      await each(tx, ['ROLLBACK', ...after]).then(
        () => tx.release(),
        () => tx.destroy(),
      );
      if (attempt >= TRIES || !mayComeThrough(error, cluster)) throw error;
      await sleep(waitOf(attempt));
    }
  }
}
