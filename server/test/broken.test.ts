import mysql from 'mysql2/promise';
import { beforeAll, describe, expect, it } from 'vitest';
import { beginLot, cherryContent, post, type Started, saveFormula } from './fixtures.ts';
import { ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
let owner: Person;
let whole: Started;
let broken: Started;

beforeAll(async () => {
  owner = await ownerOf(app);
  const formula = await saveFormula(owner, cherryContent);
  whole = await beginLot(owner, formula);
  broken = await beginLot(owner, formula);
  await post(owner, broken, 'readings', { kind: 'brix', raw: 50, celsius: 21 });
  const root = await mysql.createConnection(app.admin);
  await root.query("UPDATE reading SET kind = 'colour' WHERE lot_id = ?", [broken.id]);
  await root.end();
});

describe('a lot of which something stored cannot be read', () => {
  it('shows as broken in the list, and the rest stays', async () => {
    const { status, body } = await owner.get('/api/lots');
    expect(status).toBe(200);
    expect(body.lots.map((lot: Started) => lot.code)).toEqual([whole.code]);
    expect(body.broken).toMatchObject([
      { code: broken.code, why: expect.stringMatching(/reading .* cannot be read/) },
    ]);
  });

  it('leaves Today and the other lots as they are, and says itself what is wrong', async () => {
    expect((await owner.get('/api/today')).status).toBe(200);
    expect((await owner.get(`/api/lots/${whole.code}`)).status).toBe(200);
    const { status, body } = await owner.get(`/api/lots/${broken.code}`);
    expect(status).toBe(409);
    expect(body.detail).toMatch(/cannot be read: "kind" holds "colour"/);
  });
});
