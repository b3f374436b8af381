import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { admin } from './database.mjs';
import { reading } from './kitchenClient.mjs';

/** The lot of a kitchen's released ones that a bottle is taken of next, and from where. */
function nextBottle({ released }) {
  const lot = released.find(({ groups }) => groups.some((g) => g.count > 0));
  const group = lot?.groups.find((g) => g.count > 0);
  if (!group) return null;
  group.count -= 1;
  return { lot: lot.id, bottlingId: group.bottlingId, from: group.place };
}

/** A write of an entry of a lot: its row has the id it was sent with. */
const entryOf = (lot, path, table, body) => {
  const id = randomUUID();
  return { path: `/api/lots/${lot}/${path}`, table, id, body: { ...body, id } };
};

const withId = (path, table, body) => {
  const id = randomUUID();
  return { path, table, id, body: { ...body, id } };
};

const picture = (path, table, query, image) => {
  const id = randomUUID();
  const asked = new URLSearchParams({ id, ...query });
  return { path: `${path}?${asked}`, table, id, image };
};

/** One of each kind of write that a busy kitchen makes, in turns: what is posted where, and the table whose row it makes. `text` is what somebody writes of it. */
const KINDS = [
  ({ lot }, i) => entryOf(lot, 'readings', 'reading', reading(i)),
  ({ formulaId }) => withId('/api/lots', 'lot', { formulaId }),
  ({ lot }, _, text) => entryOf(lot, 'readings', 'reading', { kind: 'note', said: text }),
  (_, __, text) =>
    withId('/api/stock', 'stock_lot', {
      kind: 'ingredient',
      thing: 'sugar',
      quantity: 5000,
      gotOn: '2026-11-01',
      words: text,
    }),
  ({ lot }, _, text) =>
    entryOf(lot, 'additions', 'addition', { ingredientId: 'sugar', grams: 1, from: text, why: text }),
  (_, __, text) => withId('/api/plans', 'plan', { content: { name: text, due: null, items: [], steps: [] } }),
  ({ lot }, _, text) => entryOf(lot, 'deviations', 'deviation', { what: `A jar was dropped: ${text}` }),
];

/** What is written besides where a kitchen has filled and released lots. */
const OF_RELEASED = [
  (kitchen, i, text) => {
    const of = nextBottle(kitchen);
    return of
      ? entryOf(of.lot, 'movements', 'movement', {
          bottlingId: of.bottlingId,
          kind: i % 2 === 0 ? 'sold' : 'given',
          from: of.from,
          to: null,
          count: 1,
          priceMinor: i % 2 === 0 ? 850 : null,
          note: text,
        })
      : null;
  },
  ({ printed }) =>
    entryOf(printed, 'prints', 'label_print', { copies: 1, sheetId: null, differencesSeen: true }),
  ({ lot, image }, _, text) => picture(`/api/lots/${lot}/photographs`, 'photograph', { words: text }, image),
  ({ image }, _, text) => picture('/api/label-pictures', 'label_picture', { name: text }, image),
  // A lot that is planned, and held.
  ({ formulaId }, _, text) => {
    const begun = withId('/api/lots', 'lot', { formulaId });
    return {
      ...entryOf(begun.id, 'decisions', 'decision', { event: 'hold', why: text }),
      first: begun,
    };
  },
];

/** The write that comes next in a kitchen. @param text what somebody writes of it */
export function writeOf(kitchen, i, text = 'the fair') {
  const kinds = kitchen.released ? [...KINDS, ...OF_RELEASED] : KINDS;
  return kinds[i % kinds.length](kitchen, i, text) ?? KINDS[0](kitchen, i, text);
}

/** How long a device goes on sending: a cluster takes a while to agree that one of its nodes is gone, and a loaded machine takes it slowly. */
const PATIENCE_MS = 300_000;

/** Head and body of a write: JSON, or a picture as it is. */
export const sentOf = (client, { body, image }) =>
  image
    ? { headers: { ...client.headers(), 'content-type': 'image/png' }, body: image }
    : { headers: client.headers(), body: JSON.stringify(body) };

/** Sends one write until it is acknowledged, under the same id each time, as a device with a queue does. @returns how often it was tried again, and its 5xx */
export async function sendUntilKept(house, client, write) {
  const { path } = write;
  const seen = { retried: 0, fiveHundreds: 0 };
  const until = Date.now() + PATIENCE_MS;
  let last = 'no answer';
  for (let attempt = 0; Date.now() < until; attempt++) {
    seen.retried = attempt;
    try {
      const response = await fetch(`${house.url}${path}`, {
        method: 'POST',
        ...sentOf(client, write),
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
      for (const one of [...(write.first ? [write.first] : []), write]) {
        const { retried, fiveHundreds } = await sendUntilKept(house, client, one);
        seen.retried += retried > 0 ? 1 : 0;
        seen.fiveHundreds += fiveHundreds;
        kept.push({ table: one.table, id: one.id });
      }
    }
  };
  await Promise.all(Array.from({ length: WRITERS }, writer));
  return { kept, ...seen };
}

async function poolTo(db) {
  const { openPool } = await import('../../server/dist/database/pool.js');
  const { databaseFromUrl } = await import('../../server/dist/config.js');
  return openPool(databaseFromUrl(db.adminUrl), 1);
}

const TABLES = [
  'reading',
  'lot',
  'stock_lot',
  'addition',
  'plan',
  'deviation',
  'movement',
  'label_print',
  'photograph',
  'label_picture',
  'decision',
];

/** How many rows each table has that is written to. */
export async function counted(db) {
  const pool = await poolTo(db);
  const counts = {};
  for (const table of TABLES) {
    const [[{ n }]] = await pool.query(`SELECT COUNT(*) AS n FROM ${table}`);
    counts[table] = Number(n);
  }
  await pool.end();
  return counts;
}

/** Rows that follow from others: a filling's own move, what a discarded lot opens. They are not counted as doubled. */
const FOLLOW = new Set(['deviation']);

/**
 * Holds what was acknowledged against the tables, and the tables against the journal.
 * @param before rows of each table before anything was written
 * @returns how many rows are lost, and how many there are too many
 */
export async function reckon(db, kept, before = { lot: 1 }) {
  const pool = await poolTo(db);
  let [lost, doubled] = [0, 0];
  for (const table of new Set(kept.map((k) => k.table))) {
    const [rows] = await pool.query(`SELECT id FROM ${table}`);
    const there = new Set(rows.map((r) => r.id));
    const own = kept.filter((k) => k.table === table);
    lost += own.filter((k) => !there.has(k.id)).length;
    if (!FOLLOW.has(table)) doubled += Math.max(0, rows.length - own.length - (before[table] ?? 0));
  }
  await pool.end();
  const chain = await admin(db, ['verify']).catch((error) => error.message);
  return { lost, doubled, chain: chain.trim() };
}
