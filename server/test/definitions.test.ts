import { readFileSync, writeFileSync } from 'node:fs';
import mysql from 'mysql2/promise';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { definitionsNow, NOT_PROVED, unsaid } from '../src/audit/definitions.ts';
import { verifyJournal } from '../src/audit/verify.ts';
import { openPool } from '../src/database/pool.ts';
import { RECORD_TABLES } from '../src/journal/rows.ts';
import { ownerOf, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const FILE = new URL('../migrations/definitions.json', import.meta.url);
beforeAll(async () => {
  await ownerOf(app);
});

/** Runs SQL as the one who may change tables. */
async function asAdmin<T>(work: (db: mysql.Connection) => Promise<T>): Promise<T> {
  const db = await mysql.createConnection({ ...app.admin, multipleStatements: true });
  try {
    return await work(db);
  } finally {
    await db.end();
  }
}
/** What verify finds, seeing all that there is. */
async function faults(): Promise<string[]> {
  const pool = openPool(app.admin, 2);
  try {
    return (await verifyJournal(pool)).flatMap((report) => report.faults);
  } finally {
    await pool.end();
  }
}
let undo = '';
afterEach(async () => {
  if (undo) await asAdmin((db) => db.query(undo));
  undo = '';
});
const change = async (sql: string, back: string) => {
  undo = back;
  await asAdmin((db) => db.query(sql));
};

describe('every table of the database', () => {
  it('is as the migrations make it, by a digest that is kept beside them', async () => {
    const now = await asAdmin((db) => definitionsNow(db as never));
    if (process.env.WRITE_DEFINITIONS) writeFileSync(FILE, `${JSON.stringify(now, null, 2)}\n`);
    expect(now).toEqual(JSON.parse(readFileSync(FILE, 'utf8')));
  });
  it('is proved by the journal, or somebody said why not, and not both', async () => {
    const { tables } = await asAdmin((db) => definitionsNow(db as never));
    expect(unsaid(Object.keys(tables))).toEqual([]);
    expect(RECORD_TABLES.filter((name) => name in NOT_PROVED)).toEqual([]);
    expect([...RECORD_TABLES, ...Object.keys(NOT_PROVED)].filter((name) => !(name in tables))).toEqual([]);
  });
  it('that nobody said anything of is found', async () => {
    expect(await faults()).toEqual([]);
    await change('CREATE TABLE side_note (id INT PRIMARY KEY)', 'DROP TABLE side_note');
    expect(await faults()).toEqual([expect.stringMatching(/side note was put in/)]);
  });
  it.each([
    [
      'a column more',
      'ALTER TABLE movement ADD COLUMN aside INT NULL',
      'ALTER TABLE movement DROP COLUMN aside',
      /movement has other columns/,
    ],
    [
      'a trigger gone',
      'DROP TRIGGER sale_of_movement',
      '',
      /trigger sale of movement is not as the program made it/,
    ],
    ['a right more', 'GRANT DELETE ON reading TO CURRENT_USER()', '', /may DELETE reading/],
  ])('with %s is found', async (what, sql, back, says) => {
    const [[{ user }]] = (await asAdmin((db) =>
      db.query(
        'SELECT GRANTEE AS user FROM information_schema.TABLE_PRIVILEGES WHERE TABLE_SCHEMA = DATABASE() LIMIT 1',
      ),
    )) as unknown as [[{ user: string }]];
    const [[trigger]] = (await asAdmin((db) =>
      db.query('SHOW CREATE TRIGGER sale_of_movement'),
    )) as unknown as [[Record<string, string>]];
    const undoing =
      what === 'a trigger gone'
        ? trigger['SQL Original Statement']!
        : what === 'a right more'
          ? `REVOKE DELETE ON reading FROM ${user}`
          : back;
    await change(sql.replace('CURRENT_USER()', user), undoing);
    expect((await faults()).join('; ')).toMatch(says);
  });
  it('with a sale that no movement made is found', async () => {
    await change(
      "INSERT INTO sale SELECT '01900000-0000-7000-8000-000000000000', id, NOW(3) FROM kitchen LIMIT 1",
      "DELETE FROM sale WHERE id = '01900000-0000-7000-8000-000000000000'",
    );
    expect((await faults()).join('; ')).toMatch(/1 sales? of the list (?:is|are) not in the record/);
  });
});
