import mysql, { type Connection } from 'mysql2/promise';
import { v7 as newId } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Anchor, verifyJournal } from '../src/audit/verify.ts';
import { fromSql } from '../src/database/pool.ts';
import { chainHash, GENESIS } from '../src/journal/append.ts';
import { Crew } from './filled.ts';
import { post } from './fixtures.ts';
import { OWNER, useTestApp } from './testApp.ts';

const app = useTestApp({ own: true });
const crew = new Crew();
let root: Connection;
let anchors: Anchor[];

/** Tables copied whole, so that each tampering starts from the same. */
const COPIED = [
  'reading',
  'stock_lot',
  'lot',
  'account',
  'decision',
  'kitchen',
  'journal',
  'journal_head',
] as const;
const TRIGGERS = ['lot_state_follows', 'account_role_follows', 'made_of_lot'];

beforeAll(async () => {
  await crew.gather(app);
  await crew.owner.post('/api/stock', {
    id: newId(),
    kind: 'ingredient',
    thing: 'honey',
    quantity: 5000,
    gotOn: '2026-11-01',
  });
  const lot = await crew.releasable();
  const released = await post(crew.owner, lot, 'decisions', { event: 'release', password: OWNER.password });
  expect(released.status).toBe(201);
  root = await mysql.createConnection({ ...app.admin, dateStrings: true });
  await root.query('SET SESSION foreign_key_checks = 0');
  for (const table of COPIED) await root.query(`CREATE TABLE kept_${table} AS SELECT * FROM ${table}`);
  const [report] = await verifyJournal(app.pool);
  expect(report!.faults).toEqual([]);
  anchors = [report!.end];
  for (const trigger of TRIGGERS) await root.query(`DROP TRIGGER ${trigger}`);
});
afterAll(async () => {
  await restored();
  await root.end();
});

async function restored(): Promise<void> {
  for (const table of COPIED) {
    await root.query(`DELETE FROM ${table}`);
    await root.query(`INSERT INTO ${table} SELECT * FROM kept_${table}`);
  }
}

interface JournalRow {
  kitchen_id: string;
  sequence: number;
  at: string;
  account_id: string;
  noun: string;
  noun_id: string;
  lot_id: string | null;
  action: string;
  payload: string;
}

/** Hashes the whole chain anew, as somebody would who knows how it is made. */
async function hashedAnew(): Promise<void> {
  const [rows] = await root.query('SELECT * FROM journal ORDER BY sequence');
  let hash = GENESIS;
  for (const r of rows as JournalRow[]) {
    hash = chainHash(hash, {
      kitchenId: r.kitchen_id,
      sequence: r.sequence,
      at: fromSql(r.at),
      accountId: r.account_id,
      noun: r.noun,
      nounId: r.noun_id,
      lotId: r.lot_id,
      action: r.action,
      payload: JSON.parse(r.payload),
    });
    await root.query('UPDATE journal SET hash = ? WHERE sequence = ?', [hash, r.sequence]);
    await root.query('UPDATE journal_head SET hash = ?, sequence = ?', [hash, r.sequence]);
  }
}

const cutEnd = () => root.query('DELETE FROM journal ORDER BY sequence DESC LIMIT 2');
const STRANGE = '0193aaaa-0000-7000-8000-000000000000';

const TAMPERINGS: [string, string | (() => Promise<unknown>), RegExp][] = [
  [
    'a changed reading',
    "UPDATE reading SET value = 2.9 WHERE kind = 'ph'",
    /reading .* was changed: value is 2\.9, and was written as 3\.3/,
  ],
  [
    'a reading put in',
    async () => {
      await root.query('CREATE TEMPORARY TABLE one AS SELECT * FROM reading LIMIT 1');
      await root.query('UPDATE one SET id = ?', [STRANGE]);
      await root.query('INSERT INTO reading SELECT * FROM one');
      await root.query('DROP TEMPORARY TABLE one');
    },
    /reading 0193aaaa.* was put in/,
  ],
  ['stock that was removed', 'DELETE FROM stock_lot', /stock lot .* was removed/],
  [
    'a lot set back by hand',
    "UPDATE lot SET state = 'bottled'",
    /lot .* was changed: state is "bottled", and was written as "released"/,
  ],
  ['a role raised', "UPDATE account SET role = 'owner'", /account .* was changed: role is "owner"/],
  ['a password put in place', "UPDATE account SET password_hash = 'x'", /account .* was changed: password/],
  [
    'a signature under another record',
    "UPDATE decision SET record_hash = REPEAT('0', 64) WHERE signed = 1",
    /decision .* was changed: record_hash/,
  ],
  [
    'a limit loosened',
    'UPDATE kitchen SET critical_ph = 4.6',
    /kitchen .* was changed: critical_ph is 4\.6, and was written as 4\.2/,
  ],
  [
    'a journal row changed',
    "UPDATE journal SET payload = '{}' WHERE sequence = 9",
    /journal row 9 was changed/,
  ],
  ['a journal row taken out', 'DELETE FROM journal WHERE sequence = 9', /journal row 9 is missing/],
  ['a cut end', cutEnd, /the end of the journal was cut/],
  [
    'a cut end with its head set back',
    async () => {
      await cutEnd();
      await hashedAnew();
    },
    /row \d+ was anchored outside the database/,
  ],
  [
    'a chain rewritten with all its hashes',
    async () => {
      await root.query("UPDATE journal SET payload = JSON_SET(payload, '$.raw', 2.9) WHERE noun = 'reading'");
      await hashedAnew();
    },
    /not signed with the key of this kitchen/,
  ],
];

describe('verify, after somebody changed the database as its root', () => {
  it.each(TAMPERINGS)('names %s', async (_, tamper, named) => {
    await restored();
    expect((await verifyJournal(app.pool, anchors))[0]!.faults).toEqual([]);
    await (typeof tamper === 'string' ? root.query(tamper) : tamper());
    const faults = (await verifyJournal(app.pool, anchors)).flatMap((report) => report.faults);
    expect(faults.join('\n')).toMatch(named);
  });
});
