import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { Umzug } from 'umzug';
import type { DatabaseAddress } from './pool.ts';

const FOLDER = fileURLToPath(new URL('../../migrations', import.meta.url));

const LEDGER = `CREATE TABLE IF NOT EXISTS migration (
  name VARCHAR(120) NOT NULL PRIMARY KEY, applied_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4`;

function migrator(connection: Connection) {
  return new Umzug({
    migrations: {
      glob: ['*.sql', { cwd: FOLDER }],
      resolve: ({ name, path }) => ({
        name: basename(name, '.sql'),
        up: async () => {
          await connection.query(await readFile(path!, 'utf8'));
        },
      }),
    },
    context: connection,
    storage: {
      executed: async () => {
        await connection.query(LEDGER);
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

/** Makes the database if it is missing and applies the numbered migrations not yet applied, in order. @returns their names */
export async function migrate(admin: DatabaseAddress): Promise<string[]> {
  const { database, ...server } = admin;
  const connection = await mysql.createConnection({
    ...server,
    multipleStatements: true,
    charset: 'utf8mb4',
  });
  try {
    await connection.query(
      `CREATE DATABASE IF NOT EXISTS \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
    await connection.query(`USE \`${database}\``);
    return (await migrator(connection).up()).map((m) => m.name);
  } finally {
    await connection.end();
  }
}
