import { readdirSync, readFileSync } from 'node:fs';
import type { RowDataPacket } from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import { describe, expect, it } from 'vitest';
import { verifyJournal } from '../src/audit/verify.ts';
import { migrate } from '../src/database/migrate.ts';
import { openPool } from '../src/database/pool.ts';
import { journalBaseline } from '../src/journal/baseline.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const MIGRATIONS = new URL('../migrations/', import.meta.url);

describe('the first start', () => {
  it('makes one kitchen, however many begin at once', async () => {
    const setup = (n: number) => ({ kitchenName: `Kitchen ${n}`, place: '', ...OWNER, name: `Wren ${n}` });
    const answers = await Promise.all([1, 2, 3, 4].map((n) => app.person().post('/api/setup', setup(n))));
    expect(answers.map((reply) => reply.status).sort()).toEqual([201, 409, 409, 409]);
    const [kitchens] = await app.pool.query<never[]>('SELECT id FROM kitchen');
    expect(kitchens).toHaveLength(1);
  });

  it('has every key that a migration adds, and says so of one whose name is taken', async () => {
    const sql = readdirSync(MIGRATIONS)
      .filter((name) => name.endsWith('.sql'))
      .map((name) => readFileSync(new URL(name, MIGRATIONS), 'utf8'))
      .join('\n');
    const named = (how: string) =>
      [...sql.matchAll(new RegExp(`${how} (?:UNIQUE )?KEY (?:IF NOT EXISTS )?(\\w+)`, 'g'))].map(
        (m) => m[1]!,
      );
    const dropped = new Set(named('DROP'));
    const added = named('ADD').filter((key) => !dropped.has(key));
    expect(added.length).toBeGreaterThanOrEqual(10);
    const [found] = await app.pool.query<RowDataPacket[]>(
      'SELECT DISTINCT index_name AS name FROM information_schema.statistics WHERE table_schema = DATABASE()',
    );
    const there = new Set(found.map((row) => row.name as string));
    expect(added.filter((key) => !there.has(key))).toEqual([]);
    // A change that is there already, of a migration that nobody began, is not passed over.
    const admin = { ...app.admin, database: `${app.admin.database}_taken` };
    await migrate(admin);
    const pool = openPool(admin, 1);
    await pool.query("DELETE FROM migration WHERE name = '0016_journal_read'");
    await pool.query("DELETE FROM migration_progress WHERE name = '0016_journal_read'");
    await expect(migrate(admin)).rejects.toThrow(/Duplicate key name/);
    await pool.end();
  });

  it('migrates once, where three begin at once, and goes on where one was cut off', async () => {
    const admin = { ...app.admin, database: `${app.admin.database}_again` };
    const applied = await Promise.all([1, 2, 3].map(() => migrate(admin)));
    expect(applied.map((names) => names.length > 0).filter(Boolean)).toHaveLength(1);
    const pool = openPool(admin, 1);
    // As if the last one had been killed right after its first statement had changed the table, before that was kept.
    await pool.query("DELETE FROM migration WHERE name = '0011_proof'");
    await pool.query("UPDATE migration_progress SET statements = statements - 1 WHERE name = '0011_proof'");
    expect(await migrate(admin)).toEqual(['0011_proof']);
    expect(await migrate(admin)).toEqual([]);
    // A kitchen of before the journal held whole rows is taken into it as it stands, once.
    const [kitchenId, accountId] = [newId(), newId()];
    await pool.query("INSERT INTO kitchen (id, name, created_at) VALUES (?, 'Of before', NOW(3))", [
      kitchenId,
    ]);
    await pool.query(
      "INSERT INTO account (id, kitchen_id, name, role, password_hash, created_at) VALUES (?, ?, 'Wren', 'owner', 'x', NOW(3))",
      [accountId, kitchenId],
    );
    await pool.query("INSERT INTO journal_head (kitchen_id, sequence, hash) VALUES (?, 0, REPEAT('0', 64))", [
      kitchenId,
    ]);
    await journalBaseline(pool);
    const [report] = await verifyJournal(pool);
    expect(report).toMatchObject({ rows: 2, faults: [] });
    await journalBaseline(pool);
    expect((await verifyJournal(pool))[0]!.rows).toBe(2);
    await pool.query(`DROP DATABASE ${admin.database}`);
    await pool.end();
  });
});
