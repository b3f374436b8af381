import { allRoutes } from '@inch/contract/route/routes';
import {
  columnOf,
  columnsOf,
  type EntryKind,
  entries,
  kindOfField,
  mayBeNull,
  referenceOf,
  strikeable,
} from '@inch/core/record';
import mysql from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { ago, beginLot, cherryContent, jarOf, post, type Started, saveFormula } from './fixtures.ts';
import { colleague, ownerOf, type Person, useTestApp } from './testApp.ts';

const app = useTestApp();
let owner: Person;
let maker: Person;
let formula: string;
let lot: Started;

beforeAll(async () => {
  owner = await ownerOf(app);
  maker = await colleague(app, owner, 'maker');
  formula = await saveFormula(owner, cherryContent);
  lot = await beginLot(owner, formula, ago(20));
});

/** Asked as the database's administrator, who sees every constraint. */
async function ask<T>(sql: string, values: unknown[] = []): Promise<T[]> {
  const admin = await mysql.createConnection(app.admin);
  const [found] = await admin.query(sql, values);
  await admin.end();
  return found as T[];
}

describe('the tables of the record', () => {
  interface Column {
    TABLE_NAME: string;
    COLUMN_NAME: string;
    IS_NULLABLE: 'YES' | 'NO';
    COLUMN_DEFAULT: string | null;
  }
  // A ruling is kept as a decision is.
  const kinds = (Object.values(entries) as EntryKind[]).filter((kind) => kind.noun !== 'ruling');

  it('have a column for every field that is kept, and nothing else', async () => {
    const columns = await ask<Column>(
      'SELECT TABLE_NAME, COLUMN_NAME, IS_NULLABLE FROM information_schema.columns WHERE table_schema = DATABASE()',
    );
    for (const kind of kinds) {
      const own = columns.filter((c) => c.TABLE_NAME === kind.table);
      const expected = Object.entries(columnsOf(kind)).map(([name, f]) => [
        columnOf(name),
        mayBeNull(f) ? 'YES' : 'NO',
      ]);
      const head = ['id', `${kind.of}_id`, 'at', 'recorded_at', 'account_id'].map((name) => [name, 'NO']);
      const struck = ['struck_at', 'struck_by', 'struck_why'].map((name) => [name, 'YES']);
      const image = kind.noun === 'photograph' ? [['image', 'NO']] : [];
      expect(own.map((c) => [c.COLUMN_NAME, c.IS_NULLABLE]).sort(), kind.table).toEqual(
        [...head, ...expected, ...(kind.strikeable ? struck : []), ...image].sort(),
      );
    }
  });

  it('hold every reference to a row that is there', async () => {
    const keys = await ask<{ t: string; c: string; r: string }>(
      `SELECT TABLE_NAME AS t, COLUMN_NAME AS c, REFERENCED_TABLE_NAME AS r FROM information_schema.key_column_usage
       WHERE table_schema = DATABASE() AND REFERENCED_TABLE_NAME IS NOT NULL`,
    );
    const held = keys.map((k) => `${k.t}.${k.c} ${k.r}`);
    for (const kind of kinds) {
      const named = Object.entries(columnsOf(kind)).flatMap(([name, f]) => {
        const reference = referenceOf(f);
        return reference ? [[columnOf(name), reference.table]] : [];
      });
      for (const [column, table] of [
        [`${kind.of}_id`, kind.of],
        ['account_id', 'account'],
        ...(kind.strikeable ? [['struck_by', 'account']] : []),
        ...named,
      ])
        expect(held).toContain(`${kind.table}.${column} ${table}`);
    }
  });

  it('take no list or document that is not JSON', async () => {
    const checks = await ask<{ t: string; clause: string }>(
      'SELECT TABLE_NAME AS t, CHECK_CLAUSE AS clause FROM information_schema.check_constraints WHERE constraint_schema = DATABASE()',
    );
    for (const kind of kinds)
      for (const [name, f] of Object.entries(columnsOf(kind)))
        if ([z.ZodArray, z.ZodObject, z.ZodUnknown].some((type) => kindOfField(f) instanceof type))
          expect(
            checks.filter((c) => c.t === kind.table).map((c) => c.clause),
            `${kind.table}.${name}`,
          ).toEqual(expect.arrayContaining([expect.stringContaining(`json_valid(\`${columnOf(name)}\`)`)]));
  });

  it('can be struck by the running app where they are declared so, and else not changed at all', async () => {
    const change = (table: string) =>
      app.pool.query(`UPDATE ${table} SET struck_why = struck_why WHERE 1 = 0`);
    for (const kind of kinds)
      if (kind.strikeable) await expect(change(kind.table), kind.table).resolves.toBeDefined();
      else
        await expect(
          app.pool.query(`UPDATE ${kind.table} SET at = at WHERE 1 = 0`),
          kind.table,
        ).rejects.toThrow(/denied/);
    expect(strikeable).toContain('reading');
  });
});

describe('what is sent more than once', () => {
  const reading = () => ({ id: newId(), kind: 'brix', raw: 30, celsius: 21, said: 'b 30 @21' });
  const path = () => `/api/lots/${lot.id}/readings`;
  const rowsOf = async (id: string) =>
    (await ask<{ n: number }>('SELECT COUNT(*) AS n FROM reading WHERE id = ?', [id]))[0]!.n;

  it('is written once and answered as the first time', async () => {
    const body = reading();
    const first = await owner.post(path(), body);
    const again = await owner.post(path(), body);
    expect([first.status, again.status]).toEqual([201, 201]);
    expect(again.body).toEqual(first.body);
    expect(await rowsOf(body.id)).toBe(1);
  });

  it('eight times at once is one write and eight answers alike', async () => {
    const body = reading();
    const replies = await Promise.all(Array.from({ length: 8 }, () => owner.post(path(), body)));
    expect(replies.map((r) => r.status)).toEqual(Array(8).fill(201));
    expect(new Set(replies.map((r) => JSON.stringify(r.body))).size).toBe(1);
    expect(await rowsOf(body.id)).toBe(1);
  });

  it('with another body, by another account, to another lot or of another kind is refused, and changes nothing', async () => {
    const other = await beginLot(owner, formula, ago(20));
    const body = reading();
    expect((await owner.post(path(), body)).status).toBe(201);
    const replies = [
      await owner.post(path(), { ...body, raw: 31 }),
      await maker.post(path(), body),
      await owner.post(`/api/lots/${other.id}/readings`, body),
      await owner.post(`/api/lots/${lot.id}/deviations`, { id: body.id, what: 'something else' }),
    ];
    expect(replies.map((r) => r.status)).toEqual([409, 409, 409, 409]);
    expect(
      (await owner.get(`/api/lots/${lot.id}`)).body.readings.find((r: { id: string }) => r.id === body.id)
        .raw,
    ).toBe(30);
    expect((await owner.get(`/api/lots/${other.id}`)).body.readings).toEqual([]);
  });

  it('what was refused may be put right under the same id', async () => {
    const body = reading();
    expect((await owner.post(path(), { ...body, raw: 120 })).status).toBe(422);
    expect((await owner.post(path(), body)).status).toBe(201);
  });

  it('holds for whatever is made with an id', async () => {
    const container = {
      id: newId(),
      name: 'Flask',
      nominalMl: 200,
      heightMm: 150,
      diameterMm: 60,
      closure: 'cork',
    };
    const vessel = {
      id: newId(),
      name: 'Kettle',
      material: 'steel',
      shape: { kind: 'frusta', frusta: [{ lowerDiameterMm: 200, upperDiameterMm: 240, heightMm: 120 }] },
    };
    const stock = {
      id: newId(),
      kind: 'ingredient',
      thing: 'sugar',
      quantity: 1000,
      gotOn: ago(30).slice(0, 10),
    };
    const instrument = { id: newId(), kind: 'scale', name: 'Old scale' };
    for (const [address, body] of [
      ['/api/containers', container],
      ['/api/vessels', vessel],
      ['/api/stock', stock],
      ['/api/instruments', instrument],
    ] as const) {
      const first = await owner.post(address, body);
      expect(first.status, `${address} ${JSON.stringify(first.body)}`).toBe(201);
      expect((await owner.post(address, body)).body, address).toEqual(first.body);
      const changed = { ...body, ...('name' in body ? { name: 'Another' } : { quantity: 2000 }) };
      expect((await owner.post(address, changed)).status, address).toBe(409);
    }
  });

  it('a strike is answered again for the same reason, and refused for another', async () => {
    const body = reading();
    await owner.post(path(), body);
    const strike = (why: string) =>
      owner.post(`/api/lots/${lot.id}/strikes`, { noun: 'reading', entryId: body.id, why });
    expect((await strike('rinse water')).status).toBe(200);
    expect((await strike('rinse water')).status).toBe(200);
    expect((await strike('something else')).status).toBe(409);
  });
});

describe('a row that an entry names', () => {
  it.each([
    ['readings', { kind: 'ph', raw: 3.2, stepId: newId() }, 'stepId', /not one of this lot/],
    ['readings', { kind: 'ph', raw: 3.2, instrumentId: newId() }, 'instrumentId', /not one of this kitchen/],
    ['placings', { vesselId: newId() }, 'vesselId', /not one of this kitchen/],
    [
      'closings',
      { deviationId: newId(), cause: 'a cause', done: 'what was done' },
      'deviationId',
      /not one of this lot/,
    ],
    [
      'movements',
      { bottlingId: newId(), kind: 'sold', from: 'cellar', count: 1 },
      'bottlingId',
      /not one of this lot/,
    ],
  ])('of %s has to be there', async (address, body, field, words) => {
    const reply = await post(owner, lot, address, body);
    expect([reply.status, reply.body.errors[0].path]).toEqual([422, field]);
    expect(reply.body.detail).toMatch(words);
  });

  it('of another lot is not taken', async () => {
    const other = await beginLot(owner, formula, ago(20));
    const step = (await owner.get(`/api/lots/${other.id}`)).body.steps[0].id;
    const reply = await post(owner, lot, 'marks', { stepId: step, mark: 'start' });
    expect([reply.status, reply.body.errors[0].path]).toEqual([422, 'stepId']);
  });
});

describe('an address', () => {
  it('answers a method that it does not know with 405 and those that it does', async () => {
    const paths = [...new Set(allRoutes.map((r) => r.path))];
    for (const path of paths) {
      const known = allRoutes.filter((r) => r.path === path).map((r) => r.method as string);
      const reply = await owner.send('PUT', path.replace(/:\w+/g, newId()));
      expect([reply.status, path]).toEqual([405, path]);
      const allowed = reply.headers.get('allow')!.split(', ');
      expect(allowed.filter((m) => m !== 'HEAD').sort()).toEqual([...new Set(known)].sort());
    }
  });

  it('answers HEAD where it answers GET, and refuses it where it is only written to', async () => {
    const plain = allRoutes.filter((r) => !r.path.includes(':') && !r.media && r.path !== '/api/live');
    for (const { path } of plain) {
      const read = plain.some((r) => r.path === path && r.method === 'GET');
      const { status } = await fetch(`${owner.base}${path}`, {
        method: 'HEAD',
        headers: { cookie: owner.cookie },
      });
      expect([status, path]).toEqual([read ? 200 : 405, path]);
    }
  });

  it('tells the id of a request in its answer and in its problem', async () => {
    const reply = await owner.get('/api/nowhere');
    const id = reply.headers.get('x-request-id');
    expect(id).toMatch(/^[0-9a-f-]{36}$/);
    expect(reply.body).toMatchObject({ status: 404, instance: `urn:uuid:${id}` });
  });

  it('takes nothing that it would not use', async () => {
    const reply = await post(owner, lot, 'readings', { kind: 'ph', raw: 3.2, colour: 'red' });
    expect(reply.status).toBe(422);
    expect(reply.body.detail).toMatch(/colour/);
  });

  it('answers for what is asked too often when to come back', async () => {
    const stranger = app.person();
    const attempts = [];
    for (let i = 0; i < 9; i++)
      attempts.push(await stranger.post('/api/session', { name: 'Nobody', password: `guess ${i}` }));
    const last = attempts.at(-1)!;
    expect(last.status).toBe(429);
    expect(Number(last.headers.get('retry-after'))).toBeGreaterThan(0);
  });
});

it('a filling takes the headspace of its kind of jar where none is said', async () => {
  const jar = await jarOf(owner);
  expect(jar).toMatch(/^[0-9a-f-]{36}$/);
});
