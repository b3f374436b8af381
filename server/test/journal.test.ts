import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import { v7 as newId } from 'uuid';
import { beforeAll, describe, expect, inject, it } from 'vitest';
import { createApp } from '../src/app.ts';
import { verifyJournal } from '../src/audit/verify.ts';
import { databaseFromUrl } from '../src/config.ts';
import { openPool } from '../src/database/pool.ts';
import { canonicalJson } from '../src/journal/append.ts';
import { ago, beginLot, cherryContent, post, type Started, saveFormula, weighIn } from './fixtures.ts';
import { colleague, OWNER, ownerOf, Person, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
let owner: Person;
let lot: Started;
const verdict = async () => (await verifyJournal(app.pool))[0]!.faults;

beforeAll(async () => {
  owner = await ownerOf(app);
  lot = await beginLot(owner, await saveFormula(owner, cherryContent), ago(2));
  await weighIn(owner, lot);
});

describe('the journal', () => {
  it('is whole after writes that came all at once', async () => {
    const replies = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        post(owner, lot, 'readings', { kind: 'brix', raw: 30 + i / 10, celsius: 21 }),
      ),
    );
    expect(replies.every((r) => r.status === 201)).toBe(true);
    expect(await verdict()).toEqual([]);
  });

  it('has all that is right of what several hands write at once, each in its own name, and nothing of what is wrong', async () => {
    const maker = await colleague(app, owner, 'maker');
    const twice = newId();
    const send = async (i: number) => {
      const who = i % 2 ? maker : owner;
      // Every fourth is no reading of a refractometer; the sixth and the fourteenth are one, sent twice by one person.
      const body = { kind: 'brix', raw: i % 4 === 3 ? 900 : 40 + i / 10, celsius: 21 };
      const again = i === 6 || i === 14;
      return post(who, lot, 'readings', again ? { ...body, raw: 41, id: twice } : body);
    };
    const replies = await Promise.all(Array.from({ length: 20 }, (_, i) => send(i)));
    const wrong = replies.flatMap((r, i) => (r.status === 201 ? [] : [[i, r.status]]));
    expect(wrong).toEqual([3, 7, 11, 15, 19].map((i) => [i, 422]));
    const written = replies.filter((r) => r.status === 201).map((r) => r.body.id);
    expect(new Set(written).size).toBe(14);
    const { readings } = (await owner.get(`/api/lots/${lot.id}`)).body;
    const own = readings.filter((r: { id: string }) => written.includes(r.id));
    expect(own).toHaveLength(14);
    for (const [i, { status, body }] of replies.entries()) {
      const by = own.find((r: { id: string }) => r.id === body.id)?.by;
      if (status === 201) expect(by === OWNER.name, `${i} by ${by}`).toBe(i % 2 === 0);
    }
    expect(await verdict()).toEqual([]);
  });

  it('goes on from what another server wrote: a lot that ended there takes nothing here, and settings changed there count here', async () => {
    const pool = openPool({ ...databaseFromUrl(inject('appUrl')), database: app.admin.database }, 2);
    const other = createServer(createApp({ pool, log: pino({ level: 'error' }) }));
    await once(other.listen(0, '127.0.0.1'), 'listening');
    const there = new Person(`http://127.0.0.1:${(other.address() as AddressInfo).port}`);
    there.cookie = owner.cookie;
    const short = await beginLot(owner, await saveFormula(owner, cherryContent), ago(2));
    const read = (who: Person) => post(who, short, 'readings', { kind: 'brix', raw: 30, celsius: 21 });
    for (const who of [owner, there, owner, owner]) expect((await read(who)).status).toBe(201);
    const { revision } = (await there.get('/api/kitchen')).body;
    expect((await there.send('PATCH', '/api/kitchen', { revision, place: 'Lowland' })).status).toBe(200);
    expect((await owner.get('/api/kitchen')).body.place).toBe('Lowland');
    expect((await read(owner)).status).toBe(201);
    expect((await post(there, short, 'rulings', { event: 'discard', why: 'it caught' })).status).toBe(201);
    for (const who of [owner, there, owner]) expect((await read(who)).status).toBe(409);
    other.closeAllConnections();
    other.close();
    await pool.end();
    expect(await verdict()).toEqual([]);
  });

  it('has a row for every entry of the record', async () => {
    const [rows] = await app.pool.query(
      'SELECT (SELECT COUNT(*) FROM reading) AS readings, (SELECT COUNT(*) FROM journal WHERE noun = "reading" AND action = "measure") AS journaled',
    );
    const [row] = rows as { readings: number; journaled: number }[];
    expect(row!.readings).toBe(row!.journaled);
  });

  it('cannot be rewritten or deleted by the running app, nor can the record', async () => {
    for (const sql of [
      "UPDATE journal SET payload = '{}'",
      'DELETE FROM journal',
      'DELETE FROM reading',
      'UPDATE reading SET value = 3',
      'UPDATE addition SET grams = 1',
      'DELETE FROM lot',
      'UPDATE formula_version SET content = "{}"',
      'DROP TABLE reading',
      'DELETE FROM movement',
    ])
      await expect(app.pool.query(sql), sql).rejects.toThrow(/denied/);
    await expect(app.pool.query('UPDATE reading SET struck_why = struck_why')).resolves.toBeDefined();
    // What it may change it changes only together with what says so.
    await expect(app.pool.query("UPDATE lot SET state = 'released'")).rejects.toThrow(/only with a decision/);
    await expect(app.pool.query("UPDATE account SET role = 'reader'")).rejects.toThrow(
      /only with its journal/,
    );
  });

  it('hashes the same words the same way, whatever the order of their keys', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (value) => {
        const turned = Object.fromEntries(Object.entries(value).reverse());
        expect(canonicalJson(turned)).toBe(canonicalJson(value));
        expect(JSON.parse(canonicalJson(value))).toEqual(JSON.parse(JSON.stringify(value)));
      }),
    );
  });
});

describe('migrations', () => {
  it('make tables in strict mode that refuse what does not fit', async () => {
    const admin = await mysql.createConnection(app.admin);
    await expect(
      admin.query("INSERT INTO sign_in_attempt (name, address, at) VALUES (REPEAT('x', 300), '', NOW())"),
    ).rejects.toThrow(/too long/);
    await expect(
      admin.query(
        'INSERT INTO lot_step (id, lot_id, position, formula_step_id, kind, title, kill_step) VALUES (?, ?, 1, "a", "b", "c", 0)',
        [newId(), newId()],
      ),
    ).rejects.toThrow(/foreign key/);
    await admin.end();
  });
});
