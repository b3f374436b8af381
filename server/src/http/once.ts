import { hash as hashOf } from 'node:crypto';
import type { Pool } from 'mysql2/promise';
import { type Database, rows, toSql } from '../database/pool.ts';
import { insertAtEnd, isTakenId } from '../database/transaction.ts';
import { canonicalJson } from '../journal/append.ts';
import { inWriting, type Writing } from '../journal/writing.ts';
import { Problem } from '../problem/problem.ts';

/** What was asked to be written: by which id, where to, and with which body. */
export interface Asked {
  id: string;
  path: string;
  body: unknown;
}

interface Written {
  kitchen_id: string;
  account_id: string;
  path: string;
  body_hash: string;
  answer: string;
}

function digestOf(body: unknown): string {
  if (Buffer.isBuffer(body)) return hashOf('sha256', body);
  const { password: _, ...said } = body as Record<string, unknown>;
  return hashOf('sha256', canonicalJson(said));
}

const COLUMNS = 'kitchen_id, account_id, path, body_hash, answer';

const writtenAs = async (db: Database, id: string): Promise<Written | undefined> =>
  (await rows<Written>(db, `SELECT ${COLUMNS} FROM written WHERE id = ?`, [id]))[0];

/** The answer of the first time, where the same is asked again; something else under its id is refused. */
function asBefore<T>(w: Writing, before: Written, asked: Asked, hash: string): T {
  const same =
    before.kitchen_id === w.kitchen.id &&
    before.account_id === w.account.id &&
    before.path === asked.path &&
    before.body_hash === hash;
  if (same) return JSON.parse(before.answer) as T;
  throw new Problem(
    409,
    'That id was already used for something else. Give what you write an id of its own.',
  );
}

/** Writes what was asked in the transaction that holds the kitchen. @param look whether its id may have been written before */
async function once<T>(w: Writing, asked: Asked, look: boolean, work: () => Promise<T>): Promise<T> {
  const hash = digestOf(asked.body);
  const before = look ? await writtenAs(w.tx, asked.id) : undefined;
  if (before) return asBefore(w, before, asked, hash);
  const answer = await work();
  insertAtEnd(w.tx, `INSERT INTO written (id, ${COLUMNS}, at)`, [
    asked.id,
    w.kitchen.id,
    w.account.id,
    asked.path,
    hash,
    JSON.stringify(answer ?? null),
    toSql(w.now),
  ]);
  return answer;
}

/**
 * Writes what was asked once, however often it is sent: the same id with the same body is answered as the first time, the same id with
 * another body, account, address or kitchen is refused. The kitchen is locked, so of many at once one writes and the others are answered.
 * Hardly anything is sent twice: an id is looked for where a write is refused, not before each.
 */
export async function writeOnce<T>(
  pool: Pool,
  who: Parameters<typeof inWriting>[1],
  asked: Asked,
  work: (w: Writing) => Promise<T>,
): Promise<T> {
  const write = (look: boolean) => inWriting(pool, who, (w) => once(w, asked, look, () => work(w)));
  try {
    return await write(false);
  } catch (error) {
    // Whatever refused it, as that nothing is left: the same may have been written while this one waited for the lock.
    if (!isTakenId(error) && (await writtenAs(pool, asked.id)) === undefined) throw error;
    return write(true);
  }
}
