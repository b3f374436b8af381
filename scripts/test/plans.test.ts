import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { allRoutes } from '@inch/contract/route/routes';
import mysql, { type Connection } from 'mysql2/promise';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { grownKitchen } from '../src/bench/years.mjs';
import { ensureBuilt } from '../src/machine/build.mjs';
import { startMariadb } from '../src/mariadb.mjs';

const folder = mkdtempSync(join(tmpdir(), 'inch-plans-'));
let db: Awaited<ReturnType<typeof startMariadb>>;
let kitchen: Awaited<ReturnType<typeof grownKitchen>>;
let root: Connection;

beforeAll(async () => {
  await ensureBuilt(['server']);
  db = await startMariadb(folder, { throwAway: true });
  kitchen = await grownKitchen(db, 'inch_plans', 400);
  root = await mysql.createConnection({ uri: db.adminUrl.replace(/[^/]+$/, 'inch_plans') });
}, 600_000);
afterAll(async () => {
  await root?.end();
  await kitchen?.server.stop();
  await db?.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** What the server asked of MariaDB while some work was done, with its values: the statements that only read. */
async function asked(work: () => Promise<void>): Promise<string[]> {
  await root.query("SET GLOBAL log_output = 'TABLE'");
  await root.query('TRUNCATE mysql.general_log');
  await root.query('SET GLOBAL general_log = 1');
  await work();
  await root.query('SET GLOBAL general_log = 0');
  const [rows] = await root.query(
    "SELECT DISTINCT argument AS said FROM mysql.general_log WHERE command_type = 'Execute' AND user_host NOT LIKE 'root%'",
  );
  return (
    (rows as { said: Buffer | string }[])
      .map(({ said }) => String(said))
      // A statement that was only prepared has its values to come.
      .filter((said) => /^\s*SELECT/i.test(said) && !said.includes('?'))
  );
}

interface Access {
  table: string;
  type: string;
  key: string | null;
  possible_keys: string | null;
  rows: number;
}

/** How MariaDB reads each table of a statement, once it is read in full. */
async function accesses(statement: string): Promise<Access[]> {
  const [rows] = await root.query(`EXPLAIN ${statement}`);
  return (rows as Access[]).filter((row) => row.table !== null && !row.table.startsWith('<'));
}

/** Columns of every index, in order. */
async function indexes(): Promise<Map<string, string[]>> {
  const [rows] = await root.query(
    `SELECT table_name AS t, index_name AS i, GROUP_CONCAT(column_name ORDER BY seq_in_index) AS c
     FROM information_schema.statistics WHERE table_schema = DATABASE() GROUP BY table_name, index_name`,
  );
  return new Map(
    (rows as { t: string; i: string; c: string }[]).map(({ t, i, c }) => [`${t}.${i}`, c.split(',')]),
  );
}

/** Tables by the names that statements give them. */
const aliases = (statement: string): Map<string, string> =>
  new Map(
    [
      ...statement.matchAll(
        /\b(?:FROM|JOIN|STRAIGHT_JOIN)\s+`?(\w+)`?\s+(?:AS\s+)?(?!WHERE|JOIN|LEFT|ON|ORDER|FORCE|STRAIGHT_JOIN)(\w+)/gi,
      ),
    ].map((match) => [match[2]!, match[1]!]),
  );

/** Of these there are as many as one kitchen, one device or one installation has of them, however many years go by. */
const FEW = new Set([
  'kitchen',
  'installation',
  'account',
  'session',
  'container',
  'instrument',
  'vessel',
  'backup',
]);
/** So few rows are read faster than found. */
const A_PAGE = 250;

it('whatever the pages ask is found by an index that leads with the kitchen, or with the id of something of it', async () => {
  const { open, ended, send } = kitchen;
  const [{ id: formula }] = await send('GET', '/api/formulas');
  const known: Record<string, string> = { lots: ended.id, formulas: formula };
  for (const noun of ['stock', 'plans', 'instruments'])
    known[noun] = (await send('GET', `/api/${noun}`))[0].id;
  const paths = allRoutes
    .filter((r) => r.method === 'GET' && r.access !== 'anyone' && !r.media && r.path !== '/api/live')
    .flatMap(({ path }) => {
      const noun = path.split('/')[2]!;
      if (!path.includes(':')) return [path];
      return known[noun] && /:/.test(path.split('/')[3]!) ? [path.replace(/:\w+/, known[noun]!)] : [];
    })
    .filter((path) => !path.includes(':'));
  paths.push(
    ...['/api/lots?scope=on-hand', '/api/lots?state=closed', '/api/lots?sort=name', '/api/lots?sort=best-by'],
    ...[
      `/api/lots?q=${open.code}`,
      '/api/lots?q=market+syrup',
      `/api/lots/${open.code}`,
      '/api/stock?used=up',
    ],
    ...['/api/journal?noun=reading', '/api/journal?by=Wren'],
  );
  const statements = await asked(async () => {
    for (const path of paths) await send('GET', path);
    await send('POST', `/api/lots/${open.id}/readings`, {
      id: crypto.randomUUID(),
      kind: 'note',
      said: 'looked at',
    });
  });
  expect(statements.length).toBeGreaterThan(60);
  const keys = await indexes();
  const wrong: string[] = [];
  for (const statement of statements) {
    const named = aliases(statement);
    for (const { table, type, key, possible_keys, rows } of await accesses(statement)) {
      const name = named.get(table) ?? table;
      if (FEW.has(name)) continue;
      // Where a statement asks for most of a small table MariaDB reads it through; an index that finds it is there all the same.
      const leading = (key ?? possible_keys ?? '').split(',').map((k) => keys.get(`${name}.${k}`)?.[0] ?? '');
      // What happened within some hours is little, in whichever kitchen.
      const hours = type === 'range' && rows <= A_PAGE && leading.includes('at');
      const found = hours || leading.some((first) => first === 'id' || /_(id|hash|by)$/.test(first));
      if (!found && rows > A_PAGE)
        wrong.push(`${name} by ${type}, ${key}, ${rows} rows: ${statement.slice(0, 300)}`);
      if (key !== null && !found) wrong.push(`${name} by ${key}: ${statement.slice(0, 300)}`);
    }
  }
  expect(wrong).toEqual([]);
}, 600_000);
