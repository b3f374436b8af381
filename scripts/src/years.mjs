import { randomUUID } from 'node:crypto';
import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import mysql from 'mysql2/promise';
import { admin } from './database.mjs';
import { DEMO_OWNER, loadDemo } from './demo.mjs';
import { freePort, startMariadb } from './mariadb.mjs';
import { median } from './median.mjs';
import { prepareDatabase, startServer } from './server.mjs';
import { openZip } from './zip.mjs';

const READINGS_A_LOT = 50;
const OPEN_LOTS = 40;
/** Lots are spread over twenty years before today. */
const DAYS = 20 * 365;

/** Somebody signed in, for short requests, and their cookie. */
async function signedIn(url) {
  const response = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO_OWNER),
  });
  const cookie = response.headers.get('set-cookie').split(';')[0];
  const send = async (method, path, body) => {
    const answer = await fetch(`${url}${path}`, {
      method,
      headers: { 'content-type': 'application/json', cookie },
      body: body && JSON.stringify(body),
    });
    const said = await answer.json();
    if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${said.detail}`);
    return said;
  };
  return { send, cookie };
}

/** A released lot of the demo kitchen, measured fifty times, sold out and closed: the one that the others are copies of. */
async function endedLot(send) {
  const { lots } = await send('GET', '/api/lots?state=released');
  const lot = await send('GET', `/api/lots/${lots.find((l) => l.bottles.left > 0).id}`);
  for (let i = lot.readings.length; i < READINGS_A_LOT; i++)
    await send('POST', `/api/lots/${lot.id}/readings`, {
      id: randomUUID(),
      kind: 'note',
      said: `looked at, ${i}`,
    });
  for (const { bottlingId, place, count } of lot.bottles.groups)
    await send('POST', `/api/lots/${lot.id}/movements`, {
      ...{ id: randomUUID(), bottlingId, kind: 'sold', from: place, to: 'Kirkby market', count },
    });
  await send('POST', `/api/lots/${lot.id}/decisions`, { id: randomUUID(), event: 'close' });
  return lot;
}

/** Columns of the tables that hold rows of a lot, by table, those of the lot itself first. */
async function tablesOfLots(db) {
  const [columns] = await db.query(
    `SELECT table_name AS t, column_name AS c, generation_expression AS made FROM information_schema.columns
     WHERE table_schema = DATABASE() AND table_name IN
       (SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = 'lot_id')
     AND table_name NOT IN ('journal', 'lot_standing', 'lot_word') ORDER BY table_name, ordinal_position`,
  );
  const tables = new Map();
  for (const { t, c, made } of columns) if (!made) tables.set(t, [...(tables.get(t) ?? []), c]);
  return tables;
}

/** Copies a lot with all its rows so many times, each some hours earlier than the one before. */
async function copyLot(db, lot, { from, count, everyHours }) {
  if (count <= 0) return;
  const numbers = `seq_${from}_to_${from + count - 1}`;
  const idOf = (column) => `CONCAT(LPAD(HEX(s.seq), 8, '0'), SUBSTR(t.${column}, 9))`;
  const earlier = (column) => `t.${column} - INTERVAL ROUND((s.seq - ${from}) * ${everyHours * 60}) MINUTE`;
  await db.query('SET foreign_key_checks = 0');
  const [lotColumns] = await db.query('SHOW COLUMNS FROM lot');
  const names = lotColumns.map((c) => c.Field);
  const ofLot = (c) => {
    if (c === 'id') return idOf('id');
    if (c === 'code') return `LPAD(CONV(s.seq + 50000, 10, 36), 6, '0')`;
    if (c === 'begun_at') return earlier('begun_at');
    return `t.\`${c}\``;
  };
  await db.query(
    `INSERT INTO lot (${names.map((c) => `\`${c}\``).join(', ')}) SELECT ${names.map(ofLot).join(', ')} FROM lot t JOIN ${numbers} s WHERE t.id = ?`,
    [lot.id],
  );
  const own = await idsOf(db, lot.id);
  for (const [table, columns] of await tablesOfLots(db)) {
    const [[{ n }]] = await db.query(`SELECT COUNT(*) AS n FROM \`${table}\` WHERE lot_id = ?`, [lot.id]);
    if (Number(n) === 0) continue;
    const [sample] = await db.query(`SELECT * FROM \`${table}\` WHERE lot_id = ?`, [lot.id]);
    const value = (c) => {
      if (sample.some((row) => own.has(row[c]))) return `IF(t.\`${c}\` IS NULL, NULL, ${idOf(`\`${c}\``)})`;
      if (/(^|_)at$/.test(c)) return earlier(`\`${c}\``);
      return `t.\`${c}\``;
    };
    await db.query(
      `INSERT INTO \`${table}\` (${columns.map((c) => `\`${c}\``).join(', ')}) SELECT ${columns.map(value).join(', ')} FROM \`${table}\` t JOIN ${numbers} s WHERE t.lot_id = ?`,
      [lot.id],
    );
  }
  await db.query('SET foreign_key_checks = 1');
}

/** Ids of a lot and of every row of it. */
async function idsOf(db, lotId) {
  const ids = new Set([lotId]);
  for (const [table, columns] of await tablesOfLots(db)) {
    if (!columns.includes('id')) continue;
    const [found] = await db.query(`SELECT id FROM \`${table}\` WHERE lot_id = ?`, [lotId]);
    for (const { id } of found) ids.add(id);
  }
  return ids;
}

/** A demo kitchen grown to so many ended lots, with forty in hand, and a server over it. */
export async function grownKitchen(db, name, lots) {
  const at = {
    ...db,
    adminUrl: db.adminUrl.replace(/[^/]+$/, name),
    appUrl: db.appUrl.replace(/[^/]+$/, name),
  };
  await prepareDatabase(at);
  const server = await startServer({ ...at, port: await freePort(), log: 'error' });
  await loadDemo(server.url);
  const { send, cookie } = await signedIn(server.url);
  const ended = await endedLot(send);
  const { lots: making } = await send('GET', '/api/lots?state=making');
  const { lots: inHand } = await send('GET', '/api/lots?scope=on-hand');
  const connection = await mysql.createConnection({ uri: at.adminUrl, dateStrings: true });
  await copyLot(connection, ended, { from: 1, count: lots, everyHours: (DAYS * 24) / lots });
  const open = await send('GET', `/api/lots/${making.at(-1).id}`);
  await copyLot(connection, open, { from: lots + 1, count: OPEN_LOTS - inHand.length, everyHours: 0.1 });
  const tables = [...(await tablesOfLots(connection)).keys(), 'lot'];
  await connection.query(`ANALYZE TABLE ${tables.map((t) => `\`${t}\``).join(', ')}`);
  await connection.end();
  await admin(at, ['rebuild']);
  return { server, send, cookie, open, ended };
}

/** What a page asks of the server, by figure. */
const ASKED = {
  today: ({ send }) => send('GET', '/api/today'),
  shelf: ({ send }) => send('GET', '/api/lots?scope=on-hand&limit=200'),
  records: async ({ send }) => {
    const { next } = await send('GET', '/api/lots?limit=20');
    await send('GET', `/api/lots?limit=20&before=${next}`);
  },
  search: ({ send, open }) => send('GET', `/api/lots?limit=20&q=${open.code}`),
  lot: ({ send, ended }) => send('GET', `/api/lots/${ended.id}`),
  reading_post: ({ send, open }) =>
    send('POST', `/api/lots/${open.id}/readings`, { id: randomUUID(), kind: 'brix', raw: 31, celsius: 21 }),
};

/** Megabytes a second, as they are read, at which a whole kitchen goes out. */
async function exportSpeed({ server, cookie }, folder) {
  const file = join(folder, 'kitchen.zip');
  const started = performance.now();
  const response = await fetch(`${server.url}/api/kitchen/export`, { headers: { cookie } });
  await pipeline(response.body, createWriteStream(file));
  const seconds = (performance.now() - started) / 1000;
  const zip = await openZip(file);
  zip.close();
  return Number((zip.bytes / 1e6 / seconds).toFixed(2));
}

const ROUNDS = 25;

/**
 * Two kitchens, of 20 and of 20,000 lots with fifty readings each and forty lots in hand, asked the same in turns.
 * @returns ratios of the second to the first, and the milliseconds behind them; how fast the first goes out whole
 */
export async function twentyYears(lots = 20_000) {
  const folder = mkdtempSync(join(tmpdir(), 'inch-years-'));
  const db = await startMariadb(folder, { throwAway: true });
  const servers = [];
  try {
    const few = await grownKitchen(db, 'inch_few', 20);
    servers.push(few.server);
    const many = await grownKitchen(db, 'inch_many', lots);
    servers.push(many.server);
    const figures = {};
    for (const [name, ask] of Object.entries(ASKED)) {
      const times = [[], []];
      for (let i = -5; i < ROUNDS; i++)
        for (const [which, kitchen] of [few, many].entries()) {
          const started = performance.now();
          await ask(kitchen);
          if (i >= 0) times[which].push(performance.now() - started);
        }
      const [small, large] = times.map(median);
      figures[`years_${name}_ratio`] = Number((large / small).toFixed(2));
      figures[`years_${name}_ms`] = Number(large.toFixed(1));
    }
    figures.export_mb_per_s = await exportSpeed(few, folder);
    return figures;
  } finally {
    for (const server of servers) await server.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
