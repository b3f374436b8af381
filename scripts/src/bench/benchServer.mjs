import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { beginLot, lightPoster, newKitchenAt, reading } from '../kitchenClient.mjs';
import { throwAwayFolder } from '../machine/throwAwayFolder.mjs';
import { freePort, startMariadb } from '../mariadb.mjs';
import { prepareDatabase, startServer } from '../server.mjs';
import { median } from './median.mjs';

const COUNT = 600;
const SENDERS = 6;
/** In turns and many: what else the machine does falls on both alike. */
const ROUNDS = 7;

async function perSecond(work) {
  let next = 0;
  const started = performance.now();
  await Promise.all(
    Array.from({ length: SENDERS }, async () => {
      while (next < COUNT) await work(next++);
    }),
  );
  return COUNT / ((performance.now() - started) / 1000);
}

/** The transaction a reading is, through mysql2 alone: lot and version read, reading and journal written, head moved. */
async function rawReadings(pool, lotId, kitchenId, accountId, chainHash) {
  return perSecond(async (i) => {
    const body = reading(i);
    const id = randomUUID();
    const at = new Date().toISOString();
    const sqlAt = at.slice(0, 23).replace('T', ' ');
    const tx = await pool.getConnection();
    await tx.query('START TRANSACTION');
    await tx.execute(
      'SELECT l.id, l.code, l.state, l.begun_at, v.content FROM lot l JOIN formula_version v ON v.id = l.version_id WHERE l.kitchen_id = ? AND (l.id = ? OR l.code = ?) LOCK IN SHARE MODE',
      [kitchenId, lotId, lotId],
    );
    await tx.execute(
      "INSERT INTO reading (id, lot_id, kind, sample, taken, said, raw, celsius, value, simulated, diluted, at, recorded_at, account_id) VALUES (?, ?, ?, ?, 'as-it-is', ?, ?, ?, ?, 0, 0, ?, ?, ?)",
      [id, lotId, 'brix', 'pan', body.said, body.raw, body.celsius, body.raw, sqlAt, sqlAt, accountId],
    );
    const [[head]] = await tx.execute(
      'SELECT sequence, hash FROM journal_head WHERE kitchen_id = ? FOR UPDATE',
      [kitchenId],
    );
    const entry = {
      sequence: Number(head.sequence) + 1,
      at,
      kitchenId,
      accountId,
      noun: 'reading',
      nounId: id,
      lotId,
      action: 'measure',
      payload: body,
    };
    const hash = chainHash(head.hash, entry);
    await tx.execute(
      'INSERT INTO journal (kitchen_id, sequence, at, account_id, noun, noun_id, lot_id, action, payload, hash) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [
        kitchenId,
        entry.sequence,
        sqlAt,
        accountId,
        'reading',
        id,
        lotId,
        'measure',
        JSON.stringify(body),
        hash,
      ],
    );
    await tx.execute('UPDATE journal_head SET sequence = ?, hash = ? WHERE kitchen_id = ?', [
      entry.sequence,
      hash,
      kitchenId,
    ]);
    await tx.query('COMMIT');
    tx.release();
  });
}

/** A server of its own over an empty throw-away database, for as long as the work lasts. */
export async function withServer(work) {
  const folder = throwAwayFolder('bench');
  const db = await startMariadb(folder);
  await prepareDatabase(db);
  const server = await startServer({ ...db, port: await freePort() });
  try {
    return await work({ server, db });
  } finally {
    await server.stop();
    await db.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Readings stored per second over HTTP against the same transaction through mysql2 alone, in turns in one run. */
export async function readingPost() {
  // The server is built by the time this runs.
  const { openPool } = await import('../../../server/dist/database/pool.js');
  const { databaseFromUrl } = await import('../../../server/dist/config.js');
  const { chainHash } = await import('../../../server/dist/journal/append.js');
  return withServer(async ({ server, db }) => {
    const pool = openPool(databaseFromUrl(db.appUrl), SENDERS);
    const client = await newKitchenAt(server.url);
    const lot = await beginLot(client);
    const { account, kitchen } = await client.send('GET', '/api/session');
    const post = lightPoster(server.url, client.headers(), SENDERS);
    const overHttp = () => perSecond((i) => post(`/api/lots/${lot}/readings`, reading(i)));
    const alone = () => rawReadings(pool, lot, kitchen.id, account.id, chainHash);
    await overHttp();
    await alone();
    const rounds = [];
    for (let i = 0; i < ROUNDS; i++) rounds.push([await overHttp(), await alone()]);
    await pool.end();
    const ratios = rounds.map(([http, raw]) => http / raw);
    return {
      reading_post_ratio_to_raw: Number(median(ratios).toFixed(3)),
      reading_posts_per_s: Math.round(median(rounds.map((r) => r[0]))),
      raw_readings_per_s: Math.round(median(rounds.map((r) => r[1]))),
    };
  });
}

const TABLETS = 30;
const EVERY_MS = 2000;
const SECONDS = 60;

/** A tablet that follows what happens and writes a reading every two seconds. @returns the milliseconds of each write, and how many failed */
async function tablet({ url, headers, lot, post, first }) {
  const live = new AbortController();
  const heard = { events: 0 };
  const stream = await fetch(`${url}/api/live`, { headers: { cookie: headers.cookie }, signal: live.signal });
  const listening = (async () => {
    for await (const part of stream.body)
      heard.events += new TextDecoder().decode(part).split('data:').length - 1;
  })().catch(() => {});
  const times = [];
  let failed = 0;
  await sleep((first * EVERY_MS) / TABLETS);
  for (let i = 0; i < (SECONDS * 1000) / EVERY_MS; i++) {
    const started = performance.now();
    await post(`/api/lots/${lot}/readings`, reading(i)).catch(() => {
      failed += 1;
    });
    const took = performance.now() - started;
    times.push(took);
    await sleep(Math.max(0, EVERY_MS - took));
  }
  live.abort();
  await listening;
  return { times, failed, events: heard.events };
}

/** Thirty tablets that read live and write a reading every two seconds for a minute, on one server. */
export function thirtyTablets() {
  return withServer(async ({ server: { url } }) => {
    const client = await newKitchenAt(url);
    const lot = await beginLot(client);
    const headers = client.headers();
    const post = lightPoster(url, headers, TABLETS);
    const all = await Promise.all(
      Array.from({ length: TABLETS }, (_, first) => tablet({ url, headers, lot, post, first })),
    );
    const times = all.flatMap((t) => t.times).sort((a, b) => a - b);
    return {
      tablets_30_writes: times.length,
      tablets_30_write_p50_ms: Number(median(times).toFixed(1)),
      tablets_30_write_p99_ms: Number(times[Math.ceil(0.99 * times.length) - 1].toFixed(1)),
      tablets_30_errors: all.reduce((sum, t) => sum + t.failed, 0),
      tablets_30_events_heard: Math.min(...all.map((t) => t.events)),
    };
  });
}
