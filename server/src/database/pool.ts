import mysql, { type Pool, type PoolConnection } from 'mysql2/promise';

export interface DatabaseAddress {
  host: string;
  port: number;
  user: string;
  password: string;
  database: string;
}

/** A pool or a connection inside a transaction: whatever can run a statement. */
export type Database = Pool | PoolConnection;

/**
 * Every join here looks a row up by its key, in the order of a page: with a join buffer MariaDB would read a small table whole instead, and sort
 * everything before it shows the first fifty.
 */
const STRICT =
  "SET SESSION join_cache_level=0, sql_mode='STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ONLY_FULL_GROUP_BY', time_zone='+00:00'";

/**
 * Statements that a connection keeps prepared. MariaDB counts them over all connections (`max_prepared_stmt_count`, 16,382) and prepares none
 * beyond: so five servers at one database stay within it.
 */
const PREPARED = 250;

/** A pool of connections in strict mode and UTC; dates come back as text. */
export function openPool(address: DatabaseAddress, connections = 12): Pool {
  const pool = mysql.createPool({
    ...address,
    connectionLimit: connections,
    charset: 'utf8mb4',
    timezone: 'Z',
    dateStrings: true,
    // JSON is parsed where a row is read, with what it has to be.
    jsonStrings: true,
    supportBigNumbers: true,
    maxPreparedStatements: PREPARED,
  });
  pool.pool.on('connection', (connection) => connection.query(STRICT));
  return pool;
}

type Asking = (sql: string, values: Value[], done: (error: Error | null, found: unknown) => void) => unknown;
type Plain = Record<'execute' | 'query', Asking>;

export type Value = string | number | boolean | Buffer | null;
/** A row to be written, by its columns. */
export type Cells = Record<string, Value>;

/**
 * Asks the database. The promises of mysql2 note a stack at each, which costs a tenth of a short write: here one is noted where a statement
 * fails.
 */
async function answerOf(
  db: Database,
  how: 'execute' | 'query',
  sql: string,
  values: readonly Value[],
): Promise<unknown> {
  const plain = ('pool' in db ? db.pool : db.connection) as unknown as Plain;
  try {
    return await new Promise((resolve, reject) => {
      plain[how](sql, [...values], (error, found) => (error ? reject(error) : resolve(found)));
    });
  } catch (error) {
    Error.captureStackTrace(error as Error, answerOf);
    throw error;
  }
}

/** Rows of a prepared statement. */
export const rows = <T>(db: Database, sql: string, values: readonly Value[] = []): Promise<T[]> =>
  answerOf(db, 'execute', sql, values) as Promise<T[]>;

/** One prepared statement that changes something. */
export async function run(db: Database, sql: string, values: readonly Value[]): Promise<void> {
  await answerOf(db, 'execute', sql, values);
}

/** The answer to what cannot be prepared: the turns of a transaction, several statements in one message. */
export const query = <T>(db: Database, sql: string, values: readonly Value[] = []): Promise<T> =>
  answerOf(db, 'query', sql, values) as Promise<T>;

/** Rows that a transaction wrote, by table and id: as the database gave them back, or null where they were changed since. */
export type Touched = Map<string, Map<string, Record<string, unknown> | null>>;

const watched = new WeakMap<object, Touched>();

/** Notes from now on which rows a transaction writes. */
export function watchRows(tx: PoolConnection): Touched {
  const touched: Touched = new Map();
  watched.set(tx, touched);
  return touched;
}

function note(db: Database, table: string, id: unknown, row: Record<string, unknown> | null): void {
  const touched = watched.get(db);
  if (!touched || typeof id !== 'string') return;
  const own = touched.get(table) ?? new Map<string, Record<string, unknown> | null>();
  touched.set(table, own.set(id, row));
}

/** Whether a transaction wrote to a table so far. */
export const wroteTo = (tx: Database, table: string): boolean => watched.get(tx)?.has(table) ?? false;

/** Changes columns of one row, by its id. */
export async function update(db: Database, table: string, id: string, change: Cells): Promise<void> {
  const columns = Object.keys(change);
  await run(db, `UPDATE ${table} SET ${columns.map((c) => `\`${c}\` = ?`).join(', ')} WHERE id = ?`, [
    ...Object.values(change),
    id,
  ]);
  note(db, table, id, null);
}

const columnList = (columns: readonly string[]): string => columns.map((c) => `\`${c}\``).join(', ');

/** Inserts a row, and gives it back as it stands there. */
async function insertReturning(db: Database, table: string, row: Cells): Promise<Record<string, unknown>> {
  const columns = Object.keys(row);
  const [written] = await rows<Record<string, unknown>>(
    db,
    `INSERT INTO ${table} (${columnList(columns)}) VALUES (${marks(columns)}) RETURNING *`,
    Object.values(row),
  );
  return written!;
}

/** Inserts one row given by column names. What a watched transaction inserts is given back by the database as it stands there. */
export async function insert(db: Database, table: string, row: Cells): Promise<void> {
  // A picture is not sent back: it is read where it is wanted.
  if (!watched.has(db) || Object.values(row).some((cell) => Buffer.isBuffer(cell))) {
    const columns = Object.keys(row);
    await run(
      db,
      `INSERT INTO ${table} (${columnList(columns)}) VALUES (${marks(columns)})`,
      Object.values(row),
    );
    note(db, table, row.id, null);
    return;
  }
  note(db, table, row.id, await insertReturning(db, table, row));
}

/** Placeholders for a list of values. */
export const marks = (values: readonly unknown[]): string => values.map(() => '?').join(', ');

/** DATETIME(3) text of an ISO instant, and back. */
export const toSql = (instant: string): string =>
  new Date(instant).toISOString().slice(0, 23).replace('T', ' ');
export const fromSql = (text: string): string => new Date(`${text.replace(' ', 'T')}Z`).toISOString();
