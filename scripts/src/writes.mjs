import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { admin } from './database.mjs';
import { reading } from './kitchenClient.mjs';

/** One of each kind of write that a busy kitchen makes, in turns: what is posted where, and the table whose row it makes. */
const KINDS = [
  ({ lot }, i) => ({ path: `/api/lots/${lot}/readings`, table: 'reading', body: reading(i) }),
  ({ formulaId }) => ({ path: '/api/lots', table: 'lot', body: { id: randomUUID(), formulaId } }),
  ({ lot }, i) => ({ path: `/api/lots/${lot}/readings`, table: 'reading', body: reading(i) }),
  () => ({
    path: '/api/stock',
    table: 'stock_lot',
    body: { id: randomUUID(), kind: 'ingredient', thing: 'sugar', quantity: 5000, gotOn: '2026-11-01' },
  }),
  ({ lot }) => ({
    path: `/api/lots/${lot}/additions`,
    table: 'addition',
    body: { id: randomUUID(), ingredientId: 'sugar', grams: 1, from: 'the jar', why: 'to taste' },
  }),
  () => ({
    path: '/api/plans',
    table: 'plan',
    body: { id: randomUUID(), content: { name: 'The fair', due: null, items: [], steps: [] } },
  }),
  ({ lot }) => ({
    path: `/api/lots/${lot}/deviations`,
    table: 'deviation',
    body: { id: randomUUID(), what: 'A jar was dropped.' },
  }),
];

export const writeOf = (kitchen, i) => KINDS[i % KINDS.length](kitchen, i);

/** How long a device goes on sending: a cluster takes a while to agree that one of its nodes is gone, and a loaded machine takes it slowly. */
const PATIENCE_MS = 300_000;

/** Sends one write until it is acknowledged, under the same id each time, as a device with a queue does. @returns how often it was tried again, and its 5xx */
export async function sendUntilKept(house, client, { path, body }) {
  const seen = { retried: 0, fiveHundreds: 0 };
  const until = Date.now() + PATIENCE_MS;
  let last = 'no answer';
  for (let attempt = 0; Date.now() < until; attempt++) {
    seen.retried = attempt;
    try {
      const response = await fetch(`${house.url}${path}`, {
        method: 'POST',
        headers: client.headers(),
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(10_000),
      });
      const answer = await response.text();
      if (response.status === 201) return seen;
      last = `${response.status} ${answer.slice(0, 400)}`;
      // That the database is away (503), or the server behind a proxy (502, 504), is asked for where it is killed.
      if (response.status >= 500 && ![502, 503, 504].includes(response.status)) seen.fiveHundreds += 1;
      if (response.status < 500)
        throw Object.assign(new Error(`${path} was refused with ${response.status}: ${answer}`), {
          final: true,
        });
    } catch (error) {
      if (error.final) throw error;
      last = error.message;
    }
    await sleep(50);
  }
  throw new Error(`${path} was not acknowledged in ${PATIENCE_MS / 1000} s, the last time: ${last}`);
}

/** Writers at once. */
export const WRITERS = 8;

/** Writes of all kinds from several writers at once, while `more` says so. @returns what was acknowledged, by table, and what was seen on the way */
export async function writeAll(house, client, kitchen, more) {
  const kept = [];
  const seen = { retried: 0, fiveHundreds: 0 };
  let next = 0;
  const writer = async () => {
    while (more(next)) {
      const write = writeOf(kitchen, next++);
      const { retried, fiveHundreds } = await sendUntilKept(house, client, write);
      seen.retried += retried > 0 ? 1 : 0;
      seen.fiveHundreds += fiveHundreds;
      kept.push({ table: write.table, id: write.body.id });
    }
  };
  await Promise.all(Array.from({ length: WRITERS }, writer));
  return { kept, ...seen };
}

/** Holds what was acknowledged against the tables, and the tables against the journal. */
export async function reckon(db, kept) {
  const { openPool } = await import('../../server/dist/database/pool.js');
  const { databaseFromUrl } = await import('../../server/dist/config.js');
  const pool = openPool(databaseFromUrl(db.adminUrl), 1);
  const [lost, doubled] = [[], []];
  // One lot stands before any write: the one that readings go to.
  const before = { lot: 1 };
  for (const table of new Set(kept.map((k) => k.table))) {
    const [rows] = await pool.query(`SELECT id FROM ${table}`);
    const there = new Set(rows.map((r) => r.id));
    const own = kept.filter((k) => k.table === table);
    lost.push(...own.filter((k) => !there.has(k.id)));
    if (rows.length > own.length + (before[table] ?? 0)) doubled.push(table);
  }
  await pool.end();
  const chain = await admin(db, ['verify']).catch((error) => error.message);
  return { lost: lost.length, doubled: doubled.length, chain: chain.trim() };
}
