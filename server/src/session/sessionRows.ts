import type { Session } from '@inch/contract/kitchen/account';
import { type Database, marks, rows, toSql } from '../database/pool.ts';

/** A session that stands, with its account, its kitchen and the revision of that kitchen's settings. */
export interface SessionRow {
  token_hash: string;
  kitchen_id: string;
  revision: number;
  idle_minutes: number | null;
  account_id: string;
  account_name: string;
  role: Session['account']['role'];
  seen_at: string;
}

interface Asked {
  hash: string;
  resolve: (row: SessionRow | null) => void;
  reject: (error: unknown) => void;
}

/** What is asked for in this turn of the event loop, by database. */
const waiting = new WeakMap<Database, Asked[]>();

async function lookUp(db: Database, asked: readonly Asked[]): Promise<void> {
  // Two requests of one tablet, or of several: one statement for all. Nulls fill it up, so that few statements are prepared.
  const hashes = [...new Set(asked.map((one) => one.hash))];
  const places = 2 ** Math.ceil(Math.log2(hashes.length));
  const filled = Array.from({ length: places }, (_, i) => hashes[i] ?? null);
  const found = await rows<SessionRow>(
    db,
    `SELECT s.token_hash, k.id AS kitchen_id, k.revision, k.idle_minutes, a.id AS account_id, a.name AS account_name, a.role, COALESCE(s.seen_at, s.created_at) AS seen_at
     FROM session s JOIN account a ON a.id = s.account_id JOIN kitchen k ON k.id = a.kitchen_id
     WHERE s.token_hash IN (${marks(filled)}) AND s.expires_at > ? AND a.disabled_at IS NULL`,
    [...filled, toSql(new Date().toISOString())],
  );
  for (const { hash, resolve } of asked) resolve(found.find((row) => row.token_hash === hash) ?? null);
}

/**
 * The session of a token's hash; null where none stands. Requests that arrive together are looked up by one statement, which is sent after the
 * last of them came: each sees what was committed before it was made.
 */
export function sessionRow(db: Database, hash: string): Promise<SessionRow | null> {
  return new Promise((resolve, reject) => {
    const one = { hash, resolve, reject };
    const known = waiting.get(db);
    if (known) return void known.push(one);
    const asked = [one];
    waiting.set(db, asked);
    setImmediate(() => {
      waiting.delete(db);
      lookUp(db, asked).catch((error) => {
        for (const each of asked) each.reject(error);
      });
    });
  });
}
