import { describe, expect, it } from 'vitest';
import { migrate } from '../src/database/migrate.ts';
import { openPool } from '../src/database/pool.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp();

describe('the first start', () => {
  it('makes one kitchen, however many begin at once', async () => {
    const setup = (n: number) => ({ kitchenName: `Kitchen ${n}`, place: '', ...OWNER, name: `Wren ${n}` });
    const answers = await Promise.all([1, 2, 3, 4].map((n) => app.person().post('/api/setup', setup(n))));
    expect(answers.map((reply) => reply.status).sort()).toEqual([201, 409, 409, 409]);
    const [kitchens] = await app.pool.query<never[]>('SELECT id FROM kitchen');
    expect(kitchens).toHaveLength(1);
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
    await pool.query(`DROP DATABASE ${admin.database}`);
    await pool.end();
  });
});
