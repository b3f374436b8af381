import { readdirSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { Umzug } from 'umzug';
import { type Database, type DatabaseAddress, rows } from './pool.ts';
import { errorCode } from './transaction.ts';

const FOLDER = fileURLToPath(new URL('../../migrations', import.meta.url));

const LEDGERS = [
  `CREATE TABLE IF NOT EXISTS migration (
    name VARCHAR(120) NOT NULL PRIMARY KEY, applied_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4`,
  `CREATE TABLE IF NOT EXISTS migration_progress (
    name VARCHAR(120) NOT NULL PRIMARY KEY, statements INT NOT NULL
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4`,
];

/** Seconds that a start waits for another that migrates the same database. */
const LOCK_SECONDS = 600;

/** What MariaDB says of a change of a table that is made already: duplicate table, column, key, foreign key or trigger; column or key that is gone. */
const MADE_ALREADY = new Set([1050, 1060, 1061, 1826, 1091, 1054, 1359]);

/** Whether a statement failed because what it makes is made: InnoDB says of a foreign key that it cannot create its table, error 121. */
function madeAlready(error: unknown): boolean {
  const { errno, message } = error as { errno?: number; message?: string };
  return MADE_ALREADY.has(errno ?? 0) || (errno === 1005 && /errno: 121\b/.test(message ?? ''));
}

/** Statements of a migration: each ends with a semicolon at the end of its line. */
const statementsOf = (sql: string): string[] =>
  sql
    .replace(/^--.*$/gm, '')
    .split(/;[ \t]*(?:\n|$)/)
    .map((statement) => statement.trim())
    .filter(Boolean);

/** Statements of a migration that are made; null where it was never begun. */
async function madeOf(connection: Connection, name: string): Promise<number | null> {
  const [found] = await connection.query<RowDataPacket[]>(
    'SELECT statements FROM migration_progress WHERE name = ?',
    [name],
  );
  return found[0] ? Number(found[0].statements) : null;
}

/**
 * Runs a migration statement by statement and keeps how many are made, so that it goes on where it was killed. A change of a table commits
 * by itself: the first one after a kill may be made already, and only that one may say so. In a migration that was never begun none may.
 */
async function runStatements(connection: Connection, name: string, sql: string): Promise<void> {
  const before = await madeOf(connection, name);
  const made = before ?? 0;
  const keep = 'REPLACE INTO migration_progress (name, statements) VALUES (?, ?)';
  if (before === null) await connection.query(keep, [name, 0]);
  for (const [i, statement] of statementsOf(sql).entries()) {
    if (i < made) continue;
    await connection.beginTransaction();
    try {
      await connection.query(statement);
    } catch (error) {
      if (before === null || i !== made || !madeAlready(error)) throw error;
    }
    await connection.query(keep, [name, i + 1]);
    await connection.commit();
  }
}

/** Waits until nobody else migrates this database. */
async function takeLock(connection: Connection, database: string): Promise<void> {
  const [[row]] = await connection.query<RowDataPacket[]>('SELECT GET_LOCK(?, ?) AS got', [
    `migrate ${database}`.slice(0, 64),
    LOCK_SECONDS,
  ]);
  if (Number(row?.got) !== 1)
    throw new Error(
      `Another start migrates the database ${database} for over ten minutes. Stop it, and start again.`,
    );
}

function migrator(connection: Connection) {
  return new Umzug({
    migrations: {
      glob: ['*.sql', { cwd: FOLDER }],
      resolve: ({ name, path }) => ({
        name: basename(name, '.sql'),
        up: async () => {
          await runStatements(connection, basename(name, '.sql'), await readFile(path!, 'utf8'));
        },
      }),
    },
    context: connection,
    storage: {
      executed: async () => {
        for (const ledger of LEDGERS) await connection.query(ledger);
        const [rows] = await connection.query<RowDataPacket[]>('SELECT name FROM migration ORDER BY name');
        return rows.map((row) => row.name as string);
      },
      logMigration: async ({ name }) =>
        void (await connection.query('INSERT INTO migration (name) VALUES (?)', [name])),
      unlogMigration: async () => {},
    },
    logger: undefined,
  });
}

/** Names of the migrations of this program. */
const known = (): string[] =>
  readdirSync(FOLDER)
    .filter((name) => name.endsWith('.sql'))
    .map((name) => basename(name, '.sql'));

/**
 * Whether a database is of this program: `behind` where a start has yet to bring it up to date, `ahead` where a newer program did. Its tables are then others than
 * those that this one knows, and nothing is wrong with that.
 */
export async function ageOf(db: Database): Promise<'current' | 'behind' | 'ahead'> {
  const applied = await rows<{ name: string }>(db, 'SELECT name FROM migration').catch((error: unknown) => {
    // Who may not see that is the running program, whose start brought the tables up to date.
    if (errorCode(error) === 'ER_TABLEACCESS_DENIED_ERROR') return null;
    throw error;
  });
  if (applied === null) return 'current';
  const done = new Set(applied.map((row) => row.name));
  const mine = known();
  if (mine.some((name) => !done.has(name))) return 'behind';
  return done.size > mine.length ? 'ahead' : 'current';
}

/** Makes the database if it is missing and applies the numbered migrations not yet applied, in order, one start at a time. @returns their names */
export async function migrate(admin: DatabaseAddress): Promise<string[]> {
  const { database, ...server } = admin;
  const connection = await mysql.createConnection({ ...server, charset: 'utf8mb4' });
  try {
    await connection.query(
      `CREATE DATABASE IF NOT EXISTS \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
    await connection.query(`USE \`${database}\``);
    await takeLock(connection, database);
    return (await migrator(connection).up()).map((m) => m.name);
  } finally {
    await connection.end();
  }
}
