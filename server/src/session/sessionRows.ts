import type { Session } from '@inch/contract/kitchen/account';
import { type Database, rows, toSql } from '../database/pool.ts';

/** A session that stands, with its account, its kitchen and the revision of that kitchen's settings. */
export interface SessionRow {
  kitchen_id: string;
  revision: number;
  idle_minutes: number | null;
  account_id: string;
  account_name: string;
  role: Session['account']['role'];
  seen_at: string;
}

/** Reads the session of a token's hash; null where none stands. */
export async function sessionRow(db: Database, hash: string): Promise<SessionRow | null> {
  const [row] = await rows<SessionRow>(
    db,
    `SELECT k.id AS kitchen_id, k.revision, k.idle_minutes, a.id AS account_id, a.name AS account_name, a.role, COALESCE(s.seen_at, s.created_at) AS seen_at
     FROM session s JOIN account a ON a.id = s.account_id JOIN kitchen k ON k.id = a.kitchen_id
     WHERE s.token_hash = ? AND s.expires_at > ? AND a.disabled_at IS NULL`,
    [hash, toSql(new Date().toISOString())],
  );
  return row ?? null;
}
