import { randomUUID } from 'node:crypto';
import { createWriteStream, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import mysql from 'mysql2/promise';
import { admin } from '../database.mjs';
import { DEMO_OWNER, loadDemo } from '../demo.mjs';
import { PICTURE } from '../kitchenClient.mjs';
import { throwAwayFolder } from '../machine/throwAwayFolder.mjs';
import { freePort, startMariadb } from '../mariadb.mjs';
import { prepareDatabase, startServer } from '../server.mjs';
import { openZip } from '../zip.mjs';
import { median } from './median.mjs';

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
    const isPicture = body instanceof Buffer;
    const answer = await fetch(`${url}${path}`, {
      method,
      headers: { 'content-type': isPicture ? 'image/png' : 'application/json', cookie },
      body: isPicture ? body : body && JSON.stringify(body),
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
  const [{ bottlingId, place }] = lot.bottles.groups;
  const look = { id: randomUUID(), bottlingId, opened: 'closed', place };
  await send('POST', `/api/lots/${lot.id}/looks`, look);
  for (const { bottlingId, place, count } of lot.bottles.groups)
    await send('POST', `/api/lots/${lot.id}/movements`, {
      id: randomUUID(),
      bottlingId,
      kind: 'sold',
      from: place,
      to: 'Kirkby market',
      count,
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
     AND table_name NOT IN ('journal', 'lot_standing', 'lot_word', 'formula_looked') ORDER BY table_name, ordinal_position`,
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

/** Copies one row of a table so many times under ids of its own. @param change SQL of columns that differ, over `t` and the number `s.seq` */
async function copyRow(db, table, where, count, change = {}) {
  if (count <= 0) return;
  const [columns] = await db.query(`SHOW COLUMNS FROM \`${table}\``);
  const names = columns.filter((c) => !/GENERATED/.test(c.Extra)).map((c) => c.Field);
  const value = (c) =>
    change[c] ?? (c === 'id' ? "CONCAT(LPAD(HEX(s.seq), 8, '0'), SUBSTR(t.id, 9))" : `t.\`${c}\``);
  await db.query(
    `INSERT INTO \`${table}\` (${names.map((c) => `\`${c}\``).join(', ')}) SELECT ${names.map(value).join(', ')}
     FROM (SELECT * FROM \`${table}\` WHERE ${where} LIMIT 1) t JOIN seq_1_to_${count} s`,
  );
}

const CHECKED_EVERY_HOURS = 7 * 24;
/** Lots that a sack goes into. */
const LOTS_OF_A_SACK = 10;

/** Sacks are used up: what copied lots took is of another copy of the same sack after every ten of them. */
async function shareOut(db, lots) {
  const [taken] = await db.query(
    "SELECT stock_id AS id, SUM(amount) AS amount FROM stock_taking WHERE LEFT(lot_id, 8) = '00000001' GROUP BY stock_id",
  );
  const copies = Math.ceil(lots / LOTS_OF_A_SACK) + 1;
  for (const [i, { id, amount }] of taken.entries())
    await copyRow(db, 'stock_lot', `id = '${id}'`, copies, {
      id: "CONCAT('5', LPAD(HEX(s.seq), 7, '0'), SUBSTR(t.id, 9))",
      number: `${2_000_000 + i * 100_000} + s.seq`,
      quantity: String(LOTS_OF_A_SACK * amount),
      got_on: `DATE_SUB(CURDATE(), INTERVAL ROUND(s.seq * ${DAYS / copies}) DAY)`,
    });
  await db.query(
    `UPDATE stock_taking SET stock_id = CONCAT('5', LPAD(HEX(1 + CONV(LEFT(lot_id, 8), 16, 10) DIV ${LOTS_OF_A_SACK}), 7, '0'), SUBSTR(stock_id, 9))
     WHERE lot_id >= '00000001' AND LEFT(lot_id, 8) <= LPAD(HEX(${lots}), 8, '0') AND LEFT(stock_id, 1) <> '5'`,
  );
}

/** What gathers in a kitchen besides its lots: rows of the journal, stock that is used up, contacts, formulas, checks of instruments. */
async function gathered(db, lots, ended) {
  await db.query('SET foreign_key_checks = 0');
  const [[{ kitchen, last }]] = await db.query(
    'SELECT kitchen_id AS kitchen, MAX(sequence) AS last FROM journal GROUP BY kitchen_id LIMIT 1',
  );
  await copyRow(db, 'journal', `kitchen_id = '${kitchen}' AND noun = 'reading'`, lots * 20, {
    sequence: `${last} + s.seq`,
    noun_id: "CONCAT(LPAD(HEX(s.seq), 8, '0'), SUBSTR(t.noun_id, 9))",
    // Each lot has its share of them.
    lot_id: `CONCAT(LPAD(HEX(1 + s.seq MOD ${lots}), 8, '0'), SUBSTR('${ended}', 9))`,
  });
  await db.query('UPDATE journal_head SET sequence = ? WHERE kitchen_id = ?', [last + lots * 20, kitchen]);
  await copyRow(db, 'stock_lot', "kind = 'ingredient'", lots, {
    number: '1000000 + s.seq',
    got_on: "DATE_SUB('2025-01-01', INTERVAL s.seq MOD 7000 DAY)",
    left_by: 'NULL',
    divided_from: 'NULL',
  });
  const [[stock]] = await db.query(
    "SELECT id FROM stock_lot WHERE kind = 'ingredient' AND number < 1000000 ORDER BY id LIMIT 1",
  );
  await copyRow(db, 'stock_taking', `stock_id = '${stock.id}'`, lots, {
    stock_id: "CONCAT(LPAD(HEX(s.seq), 8, '0'), SUBSTR(t.stock_id, 9))",
    amount: '1000000',
    addition_id: 'NULL',
    bottling_id: 'NULL',
    print_id: 'NULL',
    lot_id: 'NULL',
  });
  await copyRow(db, 'contact', 'TRUE', Math.round(lots / 20), { name: "CONCAT('Buyer ', s.seq)" });
  // Formulas of years ago are archived.
  const [[formula]] = await db.query('SELECT id, current_version AS number FROM formula ORDER BY id LIMIT 1');
  const old = Math.round(lots / 40);
  await copyRow(db, 'formula', `id = '${formula.id}'`, old, { archived_at: 'UTC_TIMESTAMP()' });
  await copyRow(db, 'formula_version', `formula_id = '${formula.id}' AND number = ${formula.number}`, old, {
    formula_id: "CONCAT(LPAD(HEX(s.seq), 8, '0'), SUBSTR(t.formula_id, 9))",
    name: "CONCAT(t.name, ' ', s.seq)",
  });
  await shareOut(db, lots);
  await copyRow(db, 'instrument_check', 'TRUE', Math.round((DAYS * 24) / CHECKED_EVERY_HOURS), {
    at: `t.at - INTERVAL s.seq * ${CHECKED_EVERY_HOURS} HOUR`,
    recorded_at: `t.recorded_at - INTERVAL s.seq * ${CHECKED_EVERY_HOURS} HOUR`,
  });
  await db.query('SET foreign_key_checks = 1');
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
  await send('POST', `/api/lots/${ended.id}/photographs?id=${randomUUID()}&words=the+shelf`, PICTURE);
  await send('POST', `/api/label-pictures?id=${randomUUID()}&name=A+mark`, PICTURE);
  await send('POST', '/api/contacts', { id: randomUUID(), name: 'Kirkby market' });
  const { lots: making } = await send('GET', '/api/lots?state=making');
  const { lots: inHand } = await send('GET', '/api/lots?scope=on-hand');
  const connection = await mysql.createConnection({ uri: at.adminUrl, dateStrings: true });
  await copyLot(connection, ended, { from: 1, count: lots, everyHours: (DAYS * 24) / lots });
  const open = await send('GET', `/api/lots/${making.at(-1).id}`);
  await copyLot(connection, open, { from: lots + 1, count: OPEN_LOTS - inHand.length, everyHours: 0.1 });
  await gathered(connection, lots, ended.id);
  const [tables] = await connection.query('SHOW FULL TABLES WHERE Table_type = ?', ['BASE TABLE']);
  await connection.query(`ANALYZE TABLE ${tables.map((t) => `\`${Object.values(t)[0]}\``).join(', ')}`);
  const [[{ photograph }]] = await connection.query('SELECT MIN(id) AS photograph FROM photograph');
  const [[{ picture }]] = await connection.query('SELECT MIN(id) AS picture FROM label_picture');
  await connection.end();
  await admin(at, ['rebuild']);
  const { formulaId } = ended.product;
  const plans = await send('GET', '/api/plans');
  const [stock] = await send('GET', '/api/stock');
  const [sheet] = await send('GET', '/api/label-sheets');
  const known = { formulaId, plan: plans[0]?.id, stock: stock?.id, sheet: sheet?.id, photograph, picture };
  return { server, send, cookie, open, ended, known };
}

/** What is written, and what is asked in two steps. */
const ASKED = {
  records: async ({ send }) => {
    const { next } = await send('GET', '/api/lots?limit=20');
    await send('GET', `/api/lots?limit=20&before=${next}`);
  },
  search: ({ send, open }) => send('GET', `/api/lots?limit=20&q=${open.code}`),
  search_a_letter: ({ send }) => send('GET', '/api/lots?limit=20&q=c'),
  shelf: ({ send }) => send('GET', '/api/lots?scope=on-hand&limit=200'),
  journal_of_a_noun: ({ send }) => send('GET', '/api/journal?noun=movement&limit=50'),
  journal_of_a_day: ({ send }) => send('GET', '/api/journal?from=2026-01-01&until=2026-01-02&limit=50'),
  stock_used_up: ({ send }) => send('GET', '/api/stock?used=up&limit=50'),
  sales_of_a_word: ({ send }) => send('GET', '/api/sales?q=market&limit=50'),
  reading_post: ({ send, open }) =>
    send('POST', `/api/lots/${open.id}/readings`, { id: randomUUID(), kind: 'brix', raw: 31, celsius: 21 }),
};

/** Routes that are not walked, each with the reason. */
const NOT_WALKED = {
  '/api/kitchen/export': 'it is the whole kitchen: measured by its speed',
  '/api/live': 'a stream that goes on',
  '/api/progress/:id': 'of a long task under way',
  '/api/calendars/:secret': 'the calendar, walked as /api/calendar.ics',
};

/** The address at which every other GET route of the contract is walked, by its path; null where the kitchen has nothing to show there. */
const addressOf = (path, { ended, known, open }) => {
  const lot = path.startsWith('/api/lots/') ? ended.id : null;
  const ids = {
    '/api/formulas/:id': known.formulaId,
    '/api/label-sheets/:id': known.sheet,
    '/api/label-pictures/:id': known.picture,
    '/api/photographs/:id': known.photograph,
    '/api/stock/:id': known.stock,
    '/api/plans/:id': known.plan,
  };
  const of = Object.keys(ids).find((start) => path.startsWith(start));
  const id = lot ?? (of ? ids[of] : 'none');
  if (path.includes(':id') && !id) return null;
  const query =
    { '/api/tags.pdf': `?of=pan&code=${open.code}`, '/api/place-temperatures': '?place=cellar' }[path] ?? '';
  return path.replace(':id', id) + query;
};

async function walked() {
  const { allRoutes } = await import('@inch/contract/route/routes');
  const paths = allRoutes.filter((route) => route.method === 'GET').map((route) => route.path);
  return paths
    .filter((path) => !(path in NOT_WALKED))
    .map((path) => [
      path,
      async (kitchen) => {
        const address = addressOf(path, kitchen);
        if (address === null) return false;
        const response = await fetch(`${kitchen.server.url}${address}`, {
          headers: { cookie: kitchen.cookie },
        });
        await response.arrayBuffer();
        // A label that may not be printed and a sheet of a lot that was never released answer in words, as fast as any.
        if (![200, 204, 404, 409, 422].includes(response.status))
          throw new Error(`GET ${address}: ${response.status}`);
        return response.status === 200;
      },
    ]);
}

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

/** How many times as long a reading takes to be kept while the whole kitchen goes out. */
async function writesWhileExporting(kitchen) {
  const { server, cookie } = kitchen;
  const timed = async () => {
    const started = performance.now();
    await ASKED.reading_post(kitchen);
    return performance.now() - started;
  };
  const idle = [];
  for (let i = 0; i < ROUNDS; i++) idle.push(await timed());
  let going = true;
  const out = fetch(`${server.url}/api/kitchen/export`, { headers: { cookie } })
    .then((response) => response.arrayBuffer())
    .finally(() => {
      going = false;
    });
  const busy = [];
  while (going) busy.push(await timed());
  await out;
  return Number((median(busy) / median(idle)).toFixed(2));
}

const ROUNDS = 25;
const WALK_ROUNDS = 7;
const FLOOR_MS = 2;

/**
 * Two kitchens, of 20 and of 20,000 lots with fifty readings each and forty lots in hand, asked the same in turns.
 * @returns ratios of the second to the first, and the milliseconds behind them; how fast the first goes out whole
 */
export async function twentyYears(lots = 20_000) {
  const folder = throwAwayFolder('years');
  const db = await startMariadb(folder, { throwAway: true });
  const servers = [];
  try {
    const few = await grownKitchen(db, 'inch_few', 20);
    servers.push(few.server);
    const many = await grownKitchen(db, 'inch_many', lots);
    servers.push(many.server);
    const figures = {};
    const seen = {};
    let worst = { ratio: 0, route: '' };
    const asks = [...Object.entries(ASKED), ...(await walked())];
    for (const [name, ask] of asks) {
      const times = [[], []];
      const rounds = name in ASKED ? ROUNDS : WALK_ROUNDS;
      for (let i = -2; i < rounds; i++)
        for (const [which, kitchen] of [few, many].entries()) {
          const started = performance.now();
          if ((await ask(kitchen)) === false && i === -2) seen[name] = 'nothing there';
          if (i >= 0) times[which].push(performance.now() - started);
        }
      const [small, large] = times.map(median);
      // Under two milliseconds it is the network that is measured.
      const ratio = Number(((large + FLOOR_MS) / (small + FLOOR_MS)).toFixed(2));
      if (ratio > worst.ratio) worst = { ratio, route: name };
      const key = name
        .replace(/^\/api\//, '')
        .replace(/[^a-z0-9]+/gi, '_')
        .replace(/_+$/, '');
      figures[`years_${key}_ratio`] = ratio;
      figures[`years_${key}_ms`] = Number(large.toFixed(1));
    }
    figures.years_worst_ratio = worst.ratio;
    figures.years_worst_route = worst.route;
    figures.years_routes = asks.length;
    figures.years_empty_routes = Object.keys(seen).join(' ');
    figures.export_mb_per_s = await exportSpeed(few, folder);
    figures.export_slows_a_write_ratio = await writesWhileExporting(few);
    return figures;
  } finally {
    for (const server of servers) await server.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
