import { createHash } from 'node:crypto';
import { insert, rows, toSql } from '../database/pool.ts';
import { canonicalJson } from '../journal/append.ts';
import type { Writing } from '../journal/writing.ts';
import { Problem } from './problem.ts';

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

/** A digest of a body, without the password that may sign it. */
function digestOf(body: unknown): string {
  const hash = createHash('sha256');
  if (Buffer.isBuffer(body)) return hash.update(body).digest('hex');
  const { password: _, ...said } = body as Record<string, unknown>;
  return hash.update(canonicalJson(said)).digest('hex');
}

/**
 * Writes what was asked once, however often it is sent: the same id with the same body is answered as the first time, the same id with
 * another body, account, address or kitchen is refused. The kitchen is locked, so of many at once one writes and the others are answered.
 */
export async function once<T>(w: Writing, asked: Asked, work: () => Promise<T>): Promise<T> {
  const hash = digestOf(asked.body);
  const [before] = await rows<Written>(
    w.tx,
    'SELECT kitchen_id, account_id, path, body_hash, answer FROM written WHERE id = ?',
    [asked.id],
  );
  if (before) {
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
  const answer = await work();
  await insert(w.tx, 'written', {
    id: asked.id,
    kitchen_id: w.kitchen.id,
    account_id: w.account.id,
    path: asked.path,
    body_hash: hash,
    answer: JSON.stringify(answer ?? null),
    at: toSql(w.now),
  });
  return answer;
}
